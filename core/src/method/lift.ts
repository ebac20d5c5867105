import { partOf } from './measures.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { A_FEW, FOR_TOP } from './usual.js';

/** The part that words name, a few pieces where they name none. */
export function partIn(words: string): number {
  return partOf(words) ?? A_FEW;
}

/** Lifts lines out of where they are: kept beside it, or thrown away. */
export function lift(k: Kitchen, n: number, mentions: readonly Mention[], keeps: boolean, share: number | undefined): void {
  const inPot = mentions.filter(({ line }) => k.vesselOf(line) !== undefined);
  if (inPot.length === 0) {
    k.put(mentions.length > 0 ? 'prepare' : 'setting', n, { lines: mentions.map(({ line }) => ({ line })) });
    return;
  }
  const [first] = inPot;
  const vessel = first === undefined ? undefined : k.vesselOf(first.line);
  if (vessel === undefined) return;
  const lines = inPot.map(({ line }) => line);
  if (keeps) for (const line of lines) vessel.aside.set(line, share ?? 1);
  if (keeps && FOR_TOP.test(k.clauses[n]?.text ?? '')) for (const line of lines) k.keptForTop.add(line);
  const vague = inPot.some(({ vague: own }) => own);
  k.put(keeps ? 'keep' : 'takeOut', n, {
    vessel: vessel.name,
    lines: lines.map((line) => ({ line })),
    ...(share === undefined ? {} : { share }),
    assumed: vague ? ['SHARE'] : [],
  });
  k.step(vessel, n, keeps ? 'keep' : 'take-out', (id) => ({
    id,
    op: 'takeOut',
    lines,
    ...(share === undefined ? {} : { share }),
    ...(keeps ? { keep: true } : {}),
  }));
}
