import { bowlFacts, type BowlFacts } from '../dish/index.js';
import type { Run } from '../runner/index.js';

/** One way in which bowls go out, with its own count and its own card. */
export interface ShareFigures {
  readonly id: string;
  readonly name: string;
  readonly bowls: number;
  /** Of the whole bowls that there are, so many: shares of them are whole bowls too. */
  readonly whole: number;
  readonly totalKg: number;
  readonly cost: number;
  /** One bowl with its finish and garnish; undefined where nothing went out. */
  readonly facts: BowlFacts | undefined;
}

/** A bowl that lacks less than this is still called one. Kitchen default. */
const NEARLY = 0.05;

/** Whole bowls of a count that is reckoned. */
export function wholeBowls(bowls: number): number {
  return Math.max(0, Math.floor(bowls + NEARLY));
}

/**
 * Whole bowls of each share, which add up to the whole bowls of all: the shares that lose most by being cut get the bowls that
 * are left.
 *
 * @example wholeShares([75, 18.75, 56.25]) // [75, 19, 56]
 */
export function wholeShares(bowls: readonly number[]): number[] {
  const down = bowls.map((own) => Math.floor(own + 1e-9));
  const all = wholeBowls(bowls.reduce((sum, own) => sum + own, 0));
  const left = all - down.reduce((sum, own) => sum + own, 0);
  const most = bowls.map((own, n) => ({ n, rest: own - (down[n] ?? 0) })).sort((a, b) => b.rest - a.rest || a.n - b.n);
  const up = new Set(most.slice(0, Math.max(0, left)).map(({ n }) => n));
  return down.map((own, n) => (up.has(n) ? own + 1 : own));
}

/** Every share of what was dished by itself: plain and creamed bowls are different food to whoever may not have milk. */
export function sharesOf({ servings }: Pick<Run, 'servings'>): ShareFigures[] {
  const whole = wholeShares(servings.map(({ bowls }) => bowls));
  return servings.map(({ id, name, bowls, bowlKg, parcel, tempC }, n) => {
    const facts = bowlFacts(parcel, bowlKg, tempC);
    return { id, name, bowls, whole: whole[n] ?? 0, totalKg: bowls * bowlKg, cost: (facts?.cost ?? 0) * bowls, facts };
  });
}
