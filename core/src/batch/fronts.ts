import type { Branch, SoupStep } from '../soup/index.js';

/** A step that can be worked at now: the first of its branch that is not over. */
export interface Front {
  readonly step: SoupStep;
  readonly branch: Branch;
}

/**
 * What can be worked at side by side: in every branch its first step that is not over, where what is to be tipped in
 * has to be over first. In cooking order.
 *
 * @example a tray that roasts and a base that is sweated meanwhile: both their steps
 */
export function frontsOf(branch: Branch, isOver: (stepId: string) => boolean): Front[] {
  const fronts: Front[] = [];
  let own: SoupStep | undefined;
  for (const step of branch.steps) {
    const aside = step.op === 'join' && !isOver(step.id) ? frontsOf(step.branch, isOver) : [];
    fronts.push(...aside);
    if (own === undefined && !isOver(step.id)) {
      own = step;
      // A tray that is not ready holds up its own pot, not the trays that come later.
      if (aside.length === 0) fronts.push({ step, branch });
    }
  }
  return fronts;
}
