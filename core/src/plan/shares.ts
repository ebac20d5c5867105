import { bowlFacts, type BowlFacts } from '../dish/index.js';
import type { Run } from '../runner/index.js';

/** One way in which bowls go out, with its own count and its own card. */
export interface ShareFigures {
  readonly id: string;
  readonly name: string;
  readonly bowls: number;
  readonly totalKg: number;
  readonly cost: number;
  /** One bowl with its finish and garnish; undefined where nothing went out. */
  readonly facts: BowlFacts | undefined;
}

/** Every share of what was dished by itself: plain and creamed bowls are different food to whoever may not have milk. */
export function sharesOf({ servings }: Pick<Run, 'servings'>): ShareFigures[] {
  return servings.map(({ id, name, bowls, bowlKg, parcel, tempC }) => {
    const facts = bowlFacts(parcel, bowlKg, tempC);
    return { id, name, bowls, totalKg: bowls * bowlKg, cost: (facts?.cost ?? 0) * bowls, facts };
  });
}
