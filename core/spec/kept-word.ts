/** How often the page's own sums kept their word, counted over cooks in hidden kitchens: one count for the specs and for `npm run truth`. */
import { SALT_WITHIN_PCT } from '../src/batch/index.js';
import { oddsOf, type OddsBand } from '../src/odds/index.js';
import type { Planned } from '../src/plan/index.js';
import { BY_EYE } from './kitchens.js';
import { SimulatedCook, type Ended } from '../src/practice/index.js';

/** Body within this factor is what a cook who judges by a spoon can land. */
export const LOOSELY = 1.5;

export function share<T>(all: readonly T[], holds: (one: T) => boolean): number {
  return all.filter(holds).length / Math.max(1, all.length);
}

/** Whether a body came out within a factor of what was wanted, either way; nothing wanted is nothing missed. */
export function bodyWithin(factor: number): (ended: Ended) => boolean {
  return ({ bodyFactor }) => bodyFactor === undefined || Math.abs(Math.log(bodyFactor)) <= Math.log(factor);
}

export function salted({ saltOffPct }: Ended): boolean {
  return saltOffPct === undefined || Math.abs(saltOffPct) <= SALT_WITHIN_PCT;
}

/** Shares of batches that a plan says will end below a figure of its own, %. */
const LEVELS = [
  ['p5', 5],
  ['p25', 25],
  ['p50', 50],
  ['p75', 75],
  ['p95', 95],
] as const satisfies readonly (readonly [keyof OddsBand, number])[];

export const OF_PLANS = ['bowls', 'salt', 'body'] as const;

/** Of what plans say of bowls, salt and body: of so many in a hundred that were to end below a figure, how many did. */
export interface KeptWord {
  readonly of: (typeof OF_PLANS)[number];
  readonly said: readonly number[];
  readonly came: readonly number[];
  /** Of the band that is to hold half, and nine tenths. */
  readonly half: number;
  readonly most: number;
  /** Root of the mean square of how far it ended from the plan's middle, as a share of it. */
  readonly off: number;
}

/** Cards followed without a look, each plan in so many kitchens from a seed on. */
export function keptWordOf(plans: readonly Planned[], kitchens: number, firstSeed: number, samples: number): KeptWord[] {
  const ended = plans.flatMap((plan) => {
    const { bands } = oddsOf(plan.prepared, plan.snapshot.scale, { seed: 1, samples, held: 'amounts' });
    return Array.from({ length: kitchens }, (_, n) => {
      const came = new SimulatedCook(plan, { seed: firstSeed + n, instruments: BY_EYE }).asPlanned();
      return {
        bowls: { value: came.bowls, band: bands.bowls },
        salt: { value: came.saltPct, band: bands.saltPct },
        body: { value: came.mPas, band: bands.bodyMPas },
      };
    });
  });
  return OF_PLANS.map((of) => {
    const own = ended.map((end) => end[of]);
    const below = (level: keyof OddsBand): number => share(own, ({ value, band }) => value <= band[level]);
    const within = (low: keyof OddsBand, high: keyof OddsBand): number =>
      share(own, ({ value, band }) => value >= band[low] && value <= band[high]);
    const squares = own.map(({ value, band }) => (value / band.p50 - 1) ** 2);
    return {
      of,
      said: LEVELS.map(([, pct]) => pct),
      came: LEVELS.map(([level]) => below(level) * 100),
      half: within('p25', 'p75'),
      most: within('p5', 'p95'),
      off: Math.sqrt(squares.reduce((sum, x) => sum + x, 0) / Math.max(1, squares.length)),
    };
  });
}
