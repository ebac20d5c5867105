import type { CookedBatch } from '../batch/index.js';
import { evidenceOf } from '../body/index.js';
import { SALT } from '../larder/index.js';
import { bodyMPas, mixIn, potKg, potM3, type PotState } from '../pot/index.js';
import { runInto, type Moves, type PreparedSoup } from '../runner/index.js';
import { DENSITY_SD_SHARE, type Seen } from '../steps/index.js';
import type { SoupStep } from '../soup/index.js';

/** One figure that was read or counted in a batch, on the log: what was seen, and how far to trust it. */
export interface Reading {
  /** Whose bias it shares: a scale, a dip, a meter, a spoon, what bowls and tubs came to. */
  readonly device: string;
  readonly stepId: string;
  /** ln of what was seen; apart where a word only bounds it. */
  readonly low: number;
  readonly high: number;
  readonly biasSd: number;
  readonly noiseSd: number;
  readonly isBody: boolean;
  /** The step of the run that stands for it, and how its figure is read off the pot there; undefined where the pot is empty. */
  readonly at: SoupStep;
  readonly of: (pot: PotState, prepared: PreparedSoup) => number | undefined;
}

/** Of a device's variance, what all its readings share. Kitchen default, as in a batch's own estimate. */
const SHARED = 0.25;
/** How well bowls and tubs say what a pot held: ladles run over, and something is left on the wall. 1 sd of ln, kitchen defaults. */
const COUNTED_BIAS = 0.015;
const COUNTED_NOISE = 0.02;
/** Bowls and tubs that differ from the pot by more than this are a count that was not finished, ln. */
const COUNTED_MOST = 0.25;
/** Added to what a meter reads before its logarithm is taken, kg/kg: a pot that was never salted is not infinitely far from one that was. */
export const SALT_FLOOR = 5e-4;
const TINY_KG = 1e-6;

const shared = (sd: number): Pick<Reading, 'biasSd' | 'noiseSd'> => ({
  biasSd: sd * Math.sqrt(SHARED),
  noiseSd: sd * Math.sqrt(1 - SHARED),
});

const positive = (value: number): number | undefined => (value > 0 ? Math.log(value) : undefined);

function readingOf(at: SoupStep, seen: Exclude<Seen, { of: 'heat' }>, density: number): Reading | undefined {
  const stepId = at.id;
  switch (seen.of) {
    case 'mass': {
      if (!(seen.massKg > TINY_KG)) return undefined;
      const ln = Math.log(seen.massKg);
      const of = (pot: PotState): number | undefined => positive(potKg(pot));
      return { device: 'scale', stepId, at, isBody: false, low: ln, high: ln, ...shared(seen.sdKg / seen.massKg), of };
    }
    case 'level': {
      const seenM3 = seen.volumeM3 + seen.goneKg / density;
      if (!(seenM3 > 0)) return undefined;
      const ln = Math.log(seenM3);
      const sd = Math.hypot(seen.sdM3 / seenM3, DENSITY_SD_SHARE);
      return { device: 'dip', stepId, at, isBody: false, low: ln, high: ln, ...shared(sd), of: (pot) => positive(potM3(pot)) };
    }
    case 'salt': {
      const share = seen.saltPct / 100 + SALT_FLOOR;
      const ln = Math.log(share);
      const of = (pot: PotState): number | undefined =>
        potKg(pot) > TINY_KG ? Math.log(mixIn(pot)[SALT] / potKg(pot) + SALT_FLOOR) : undefined;
      return { device: 'salt meter', stepId, at, isBody: false, low: ln, high: ln, ...shared(seen.sdPct / 100 / share), of };
    }
    case 'body': {
      const { device, low, high, biasSd, noiseSd, tempC } = evidenceOf(seen.reading, density);
      const of = (pot: PotState, { parameters }: PreparedSoup): number | undefined =>
        positive(bodyMPas(pot, tempC, parameters.bodyA));
      return { device, stepId, at, isBody: true, low, high, biasSd, noiseSd, of };
    }
  }
}

/** Of a soup, where a reading wants one before there is a pot to ask: kilos that are gone in bowls, a cup that drains. Kitchen default. */
const DENSITY_KG_M3 = 1018;

/** What bowls, tubs and what was kept came to, where all of the pot was counted out. */
function countedOf({ state }: CookedBatch): Reading | undefined {
  const { output, dishedKg } = state;
  const dish = state.run.last?.step;
  if (output.bowls === undefined || dish?.op !== 'dish') return undefined;
  const kg = dishedKg + output.storedKg;
  const pot = state.run.last === undefined ? 0 : potKg(state.run.last.before);
  if (!(kg > 0) || !(Math.abs(Math.log(kg / pot)) < COUNTED_MOST)) return undefined;
  const ln = Math.log(kg);
  const of = (before: PotState): number | undefined => positive(potKg(before));
  return {
    device: 'count',
    stepId: dish.id,
    at: dish,
    isBody: false,
    low: ln,
    high: ln,
    biasSd: COUNTED_BIAS,
    noiseSd: COUNTED_NOISE,
    of,
  };
}

/** Everything that was read of a batch, in cooking order. */
export function readingsOf(cooked: CookedBatch): Reading[] {
  const read = [...cooked.readings].flatMap(([at, seen]) => (seen.of === 'heat' ? [] : (readingOf(at, seen, DENSITY_KG_M3) ?? [])));
  const counted = countedOf(cooked);
  return counted === undefined ? read : [...read, counted];
}

/** Kilos that steps are held to, as a hand measures them out or a pot is covered by eye. */
function heldWith(cooked: CookedBatch, moves: Moves): ReadonlyMap<string, number> {
  const lineOf = new Map(
    cooked.state.run.records.flatMap(({ step }) =>
      'line' in step && typeof step.line === 'string' ? [[step.id, step.line] as const] : [],
    ),
  );
  return new Map(
    [...cooked.held].map(([stepId, kg]) => {
      const by = (moves.get(`measured:${lineOf.get(stepId) ?? ''}`) ?? 0) + (moves.get(`covered:${stepId}`) ?? 0);
      return [stepId, kg * Math.exp(by)];
    }),
  );
}

/**
 * What each reading would be in a batch whose inputs are moved, ln; NaN where there is nothing to read.
 *
 * @param moved the batch's soup with its inputs moved. @param moves the same moves, for what steps are held to.
 */
export function predicted(cooked: CookedBatch, readings: readonly Reading[], moved: PreparedSoup, moves: Moves): number[] {
  const pots = new Map<SoupStep, PotState>();
  const end = runInto(moved, cooked.scale, (record) => pots.set(record.step, record.before), heldWith(cooked, moves));
  return readings.map((reading) => {
    const pot = reading.device === 'count' ? end.last && pots.get(end.last.step) : pots.get(reading.at);
    return (pot === undefined ? undefined : reading.of(pot, moved)) ?? Number.NaN;
  });
}
