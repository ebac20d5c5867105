import { linesOf, walk, type SoupStep } from '../soup/index.js';
import type { BatchState } from './fold.js';

/** A line that should be in by now and is not, or only a part of it. Masses kg as bought. */
export interface Missing {
  readonly lineId: string;
  readonly plannedKg: number;
  readonly inKg: number;
}

/** Less than this share of what was planned, given by hand, is worth a word. Kitchen default. */
const TOO_LITTLE = 0.5;
/** These go by what the pot wants, not by the list: little of them, or nothing, may be right. */
const BY_TARGET: ReadonlySet<SoupStep['op']> = new Set(['thin', 'tune', 'thicken', 'giveBack']);
/** Of these as much as is wanted is right, but some of it is. */
const SOME_OF_IT: ReadonlySet<SoupStep['op']> = new Set(['cover', 'season', 'cream']);

/**
 * What has been forgotten: every step that takes it is over, and it did not go in, or less than half of it. A line whose
 * step was skipped with a reason is not forgotten, nor one that was said to be left out.
 */
export function missingOf({ planned, ready, steps, inKg, history, altered }: BatchState): Missing[] {
  const over = new Set(steps.filter(({ status }) => status === 'done' || status === 'skipped').map(({ stepId }) => stepId));
  const reasoned = new Set(
    history.counted.flatMap(({ deed }) => (deed.kind === 'skipped' && deed.why !== undefined ? [deed.stepId] : [])),
  );
  const taking = new Map<string, SoupStep[]>();
  for (const { step } of walk(ready.soup.root)) {
    for (const { line } of linesOf(step)) taking.set(line, [...(taking.get(line) ?? []), step]);
  }
  return ready.soup.lines.flatMap(({ id: lineId }) => {
    const plannedKg = planned.run.usedKg.get(lineId) ?? 0;
    const own = (taking.get(lineId) ?? []).filter(({ op }) => !BY_TARGET.has(op));
    if (altered.leftOut.includes(lineId)) return [];
    if (plannedKg <= 0 || own.length === 0 || !own.every(({ id }) => over.has(id)) || own.some(({ id }) => reasoned.has(id))) {
      return [];
    }
    const given = inKg.get(lineId) ?? 0;
    const least = own.some(({ op }) => SOME_OF_IT.has(op)) ? 0 : plannedKg * TOO_LITTLE;
    return given > least ? [] : [{ lineId, plannedKg, inKg: given }];
  });
}
