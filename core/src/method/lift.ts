import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';

/** A few pieces, a cup of it: so much of what is there. Kitchen default. */
export const A_FEW = 0.15;

const PARTS: readonly (readonly [RegExp, number])[] = [
  [/\btwo[- ]thirds\b/i, 2 / 3],
  [/\bthree[- ]quarters\b/i, 0.75],
  [/\bhalf\b/i, 0.5],
  [/\bthird\b/i, 1 / 3],
  [/\bquarter\b/i, 0.25],
];

/** The part that words name of what is there; undefined where they name none. @example partIn('about a third') // 1/3 */
export function partOf(words: string): number | undefined {
  return PARTS.find(([said]) => said.test(words))?.[1];
}

/** The same, a few pieces where no part is named. */
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
