/** Plans of the practice kitchen for specs, and the cook who looks at nothing. */
import type { Action } from '../src/batch/index.js';
import { READY_KITS } from '../src/kit/index.js';
import { LARDER_ROWS } from '../src/larder/index.js';
import type { Planned } from '../src/plan/index.js';
import { planForPractice, type Lesson } from '../src/practice/index.js';
import { EXAMPLE_SOUPS, walk, type Soup } from '../src/soup/index.js';

/** So many bowls of a soup as the practice kitchen plans them. */
export function practised(soup: Soup, bowls: number): Planned {
  const planning = planForPractice(soup, bowls, LARDER_ROWS, READY_KITS.canteen);
  if (!planning.ok) throw new Error(planning.error.code);
  return planning.plan;
}

/** The plan of a lesson. */
export function planFor({ soupId, bowls }: Pick<Lesson, 'soupId' | 'bowls'>): Planned {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId);
  if (soup === undefined) throw new Error(`No soup ${soupId}.`);
  return practised(soup, bowls);
}

/** Does what the card says and looks at nothing. */
export function careless(plan: Planned): Action[] {
  return walk(plan.prepared.soup.root).flatMap(({ step }): Action[] =>
    step.op === 'dish' || step.op === 'join' ? [] : [{ kind: 'done', stepId: step.id }],
  );
}
