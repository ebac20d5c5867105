import { kindOf, linesOf, walk, type SoupStep } from '../soup/index.js';
import type { Given } from '../steps/index.js';
import type { BatchState } from './fold.js';

/** A line that should be in by now and is not, or only a part of it. Masses kg as bought. */
export interface Missing {
  readonly lineId: string;
  readonly plannedKg: number;
  readonly inKg: number;
}

/** Less than this share of what was planned, given by hand, is worth a word. Kitchen default. */
const TOO_LITTLE = 0.5;
function givenOf(step: SoupStep): Given {
  return step.op === 'join' ? 'all' : kindOf(step).given;
}

/**
 * What has been forgotten: every step that takes it is over, and it did not go in, or less than half of it. A line whose
 * step was skipped with a reason is not forgotten, nor one that was said to be left out.
 */
export function missingOf({ planned, prepared, steps, inKg, history, changes }: BatchState): Missing[] {
  const over = new Set(steps.filter(({ status }) => status === 'done' || status === 'skipped').map(({ stepId }) => stepId));
  const reasoned = new Set(
    history.counted.flatMap(({ action }) => (action.kind === 'skipped' && action.why !== undefined ? [action.stepId] : [])),
  );
  const taking = new Map<string, SoupStep[]>();
  for (const { step } of walk(prepared.soup.root)) {
    for (const { line } of linesOf(step)) taking.set(line, [...(taking.get(line) ?? []), step]);
  }
  return prepared.soup.lines.flatMap(({ id: lineId }) => {
    const plannedKg = planned.run.usedKg.get(lineId) ?? 0;
    const own = (taking.get(lineId) ?? []).filter((step) => givenOf(step) !== 'as wanted');
    if (changes.leftOut.includes(lineId)) return [];
    if (plannedKg <= 0 || own.length === 0 || !own.every(({ id }) => over.has(id)) || own.some(({ id }) => reasoned.has(id))) {
      return [];
    }
    const given = inKg.get(lineId) ?? 0;
    const least = own.some((step) => givenOf(step) === 'some') ? 0 : plannedKg * TOO_LITTLE;
    return given > least ? [] : [{ lineId, plannedKg, inKg: given }];
  });
}
