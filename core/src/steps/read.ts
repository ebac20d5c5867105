import { z } from 'zod';
import { learnedOf } from '../kit/index.js';
import { SALT, WATER, type Mix } from '../larder/index.js';
import {
  spoonMPas,
  ANSWERS,
  BODY,
  MASS,
  SALTINESS,
  BodyReadingSchema,
  evidenceOf,
  observe,
  type Doubted,
  type Estimate,
  type Observation,
  type Observed,
} from '../body/index.js';
import {
  potDraft,
  withHeat,
  readHere,
  bare,
  bodyMPas,
  bodySlope,
  plusParcel,
  potKg,
  potM3,
  priorMPas,
  sinceReadLn,
  mixIn,
  volumeM3,
  type Caution,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { stepResult, heatToJ, stepBase, unchanged, type StepContext, type StepResult } from './step.js';

const massKg = z.number().min(0).max(1e4);

/** What was read: kilos in the pot by scale or dip, its salt, its heat, or its body by one of five devices. `sd` is 1 sd of one reading. */
export const SeenSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('mass'), massKg, sdKg: z.number().positive().max(1e3) }),
  /** How full the pot stands, and kilos that have gone out of it in bowls but are still reckoned in. */
  z.strictObject({
    of: z.literal('level'),
    volumeM3: z.number().min(0).max(10),
    sdM3: z.number().positive().max(1),
    goneKg: massKg,
  }),
  z.strictObject({ of: z.literal('salt'), saltPct: z.number().gt(0).max(20), sdPct: z.number().positive().max(2) }),
  z.strictObject({ of: z.literal('heat'), tempC: z.number().min(-40).max(400) }),
  z.strictObject({ of: z.literal('body'), reading: BodyReadingSchema }),
]);
export type Seen = z.infer<typeof SeenSchema>;

export const ReadSchema = z.strictObject({ ...stepBase, op: z.literal('read'), seen: SeenSchema });
export type Read = z.infer<typeof ReadSchema>;

/** How well a density is known: foam settles at its own pace. Kitchen default. */
export const DENSITY_SD_SHARE = 0.012;

/** Of a weighing's or dip's variance, what all readings of that device share. Kitchen default. */
const SHARED = 0.25;
/** What was poured since the last look makes the next one a worse witness: 1 sd of ln body for each ln that it should have moved. Kitchen default. */
export const POURED_SD = 0.2;
/** Least and most that a body is taken to answer more than its composition says. Kitchen defaults. */
const LEAST_ANSWERS = -0.5;
const MOST_ANSWERS = 0.8;
/** Least share of the liquid's water that a reading may leave. */
const LEAST_WATER = 0.1;
const TINY_KG = 1e-9;

/** Soup that is unsalted is taken to hold this share of salt, so that a reading can say that it holds more. */
const LEAST_SALT = 1e-5;
/** A salt reading that is off by less, in points, is never wild: of hardly any salt a little is many times as much. */
const SALT_WORTH_PCT = 0.1;

/** Salt of a pot, kg; never quite none. */
function saltOf(pot: PotState): number {
  return Math.max(mixIn(pot)[SALT], LEAST_SALT * potKg(pot));
}

function waterOf(kg: number): Mix {
  return [kg, 0, 0, 0, 0, 0, 0, 0, 0, 0];
}

/** Kilos that a weighing, or a level with the density of what stands there, says are in the pot; undefined for other readings. */
export function massSeen(pot: PotState, seen: Seen): { readonly massKg: number; readonly sdKg: number } | undefined {
  if (seen.of === 'mass') return seen;
  if (seen.of !== 'level') return undefined;
  const volume = potM3(pot);
  const density = volume > 0 ? potKg(pot) / volume : 1 / volumeM3(waterOf(1), pot.tempC);
  const massKg = seen.volumeM3 * density;
  return { massKg: massKg + seen.goneKg, sdKg: Math.hypot(seen.sdM3 * density, massKg * DENSITY_SD_SHARE) };
}

function observationOf(pot: PotState, seen: Seen, context: StepContext): Observation | undefined {
  const kg = potKg(pot);
  if (kg <= TINY_KG) return undefined;
  switch (seen.of) {
    case 'heat':
      return undefined;
    case 'level':
    case 'mass': {
      const { massKg, sdKg } = massSeen(pot, seen) ?? { massKg: Number.NaN, sdKg: Number.NaN };
      const sd = sdKg / kg;
      const value = Math.log(Math.max(massKg, kg * 1e-6));
      return {
        device: seen.of === 'mass' ? 'scale' : 'dip',
        slopes: [1, 0, 0],
        expected: Math.log(kg),
        low: value,
        high: value,
        biasSd: sd * Math.sqrt(SHARED),
        noiseSd: sd * Math.sqrt(1 - SHARED),
      };
    }
    case 'salt': {
      const salt = saltOf(pot);
      const sd = seen.sdPct / seen.saltPct;
      const value = Math.log(seen.saltPct / 100);
      return {
        device: 'salt meter',
        slopes: [-1, 1, 0],
        expected: Math.log(salt / kg),
        low: value,
        high: value,
        biasSd: sd * Math.sqrt(SHARED),
        noiseSd: sd * Math.sqrt(1 - SHARED),
      };
    }
    case 'body': {
      const { bodyA } = context.parameters;
      const evidence = evidenceOf(seen.reading, kg / potM3(pot));
      const prior = priorMPas(pot.liquid, evidence.tempC, bodyA);
      if (!(prior > 0)) return undefined;
      return {
        device: evidence.device,
        slopes: [bodySlope(pot, evidence.tempC, bodyA), 0, 1],
        answers: sinceReadLn(pot, bodyA),
        expected: Math.log(bodyMPas(pot, evidence.tempC, bodyA)),
        low: evidence.low,
        high: evidence.high,
        biasSd: evidence.biasSd,
        noiseSd: Math.hypot(evidence.noiseSd, POURED_SD * sinceReadLn(pot, bodyA)),
      };
    }
  }
}

/** An observation by a device that this kitchen's batches have shown something of: what it reads too high is taken off, and how sure that is. */
function asLearnt(observation: Observation, { kit }: StepContext): Observation {
  const figure = learnedOf(kit.learned, `bias:${observation.device}`);
  if (figure === undefined) return observation;
  const { low, high } = observation;
  return { ...observation, low: low - figure.by, high: high - figure.by, biasSd: figure.sd };
}

function questioned(pot: PotState, seen: Exclude<Seen, { of: 'heat' }>, observation: Observation): Caution {
  if (seen.of === 'body') {
    const { reading } = seen;
    const word = reading.device === 'spoon' ? spoonMPas(reading.word) : undefined;
    const read = Number.isFinite(observation.low) ? observation.low : observation.high;
    return { code: 'BODY_QUESTIONED', readMPas: word ?? Math.exp(read), expectedMPas: Math.exp(observation.expected) };
  }
  if (seen.of === 'salt')
    return { code: 'SALT_QUESTIONED', readPct: seen.saltPct, expectedPct: (mixIn(pot)[SALT] / potKg(pot)) * 100 };
  return { code: 'READING_QUESTIONED', readKg: massSeen(pot, seen)?.massKg ?? Number.NaN, expectedKg: potKg(pot) };
}

/** A drain cup that ran out too fast or too slowly says only on which side the body lies. */
function outOfRange(seen: Seen, { low, high }: Observation): boolean {
  return seen.of === 'body' && seen.reading.device === 'drain cup' && low !== high;
}

/** The correction that an observation asks for, as flows: water, since boil-off and uncounted liquid are what a run knows least, and salt. */
function corrected(pot: PotState, moved: Observed['moved']): { mix: Mix } {
  const kg = potKg(pot);
  const saltKg = moved[1] === 0 ? 0 : Math.max(saltOf(pot) * Math.exp(moved[1]) - mixIn(pot)[SALT], -pot.liquid.mix[SALT]);
  const waterKg = Math.max(kg * Math.expm1(moved[0]) - saltKg, -(1 - LEAST_WATER) * pot.liquid.mix[WATER]);
  return { mix: [waterKg, 0, 0, 0, 0, 0, saltKg, 0, 0, 0] };
}

/** Two readings that both seem wild and lie within this of one another are not: they outvote the estimate, ln. */
const SAYS_AGAIN_LN: Readonly<Record<Doubted, number>> = { mass: 0.08, salt: 0.2, body: 0.5 };
const STATE: Readonly<Record<Doubted, number>> = { mass: MASS, salt: SALTINESS, body: BODY };

function middle({ low, high }: Observation): number {
  return Number.isFinite(low) && Number.isFinite(high) ? (low + high) / 2 : Number.isFinite(low) ? low : high;
}

/** The estimate with its mass, salt or body as unsure as it has proved to be: by how far off it was found. */
function unsettled({ doubted, ...estimate }: Estimate, of: Doubted, byLn: number): Estimate {
  const state = STATE[of];
  const cov = estimate.cov.map((row, i) => row.map((c, j) => (i === state && j === state ? c + byLn * byLn : c)));
  return { ...estimate, doubted: { ...doubted, [of]: undefined }, cov };
}

/** A reading against what is known: one that seems wild is believed where it says again what one before it said, or where it hardly matters. */
function observedAs(
  pot: PotState,
  seen: Seen,
  observation: Observation,
  before: Estimate,
): Observed & { readonly doubted?: Estimate } {
  const first = observe(before, observation);
  if (seen.of === 'heat') return first;
  const of: Doubted = seen.of === 'level' ? 'mass' : seen.of;
  // One that is believed is the end of what was doubted before it: a slip that comes again later is a first one again.
  if (!first.questioned) return { ...first, estimate: { ...first.estimate, doubted: { ...before.doubted, [of]: undefined } } };
  const offLn = middle(observation) - observation.expected;
  const said = before.doubted?.[of];
  const isSaidAgain = said !== undefined && Math.abs(offLn - said) <= SAYS_AGAIN_LN[of];
  const hardlyMatters = seen.of === 'salt' && Math.abs(seen.saltPct - (mixIn(pot)[SALT] / potKg(pot)) * 100) < SALT_WORTH_PCT;
  if (isSaidAgain || hardlyMatters) return observe(unsettled(before, of, offLn), observation);
  return { ...first, doubted: { ...before, doubted: { ...before.doubted, [of]: offLn } } };
}

/** Soup is never colder than this nor hotter than boiling by more than this, K: what says so is the probe, not the soup. */
const COLDEST_C = -2;
const OVER_BOILING_K = 6;

/** A probe tells how hot the pot is, and is believed as far as soup can be so hot. */
function probed(pot: PotState, tempC: number, boilC: number): StepResult {
  if (!(tempC >= COLDEST_C && tempC <= boilC + OVER_BOILING_K)) {
    return unchanged(pot, [{ code: 'TEMPERATURE_QUESTIONED', readC: tempC, mostC: boilC }]);
  }
  return stepResult(withHeat(pot, tempC), [], [], 0, heatToJ(pot, tempC), []);
}

/**
 * From a reading of the body on, what is poured is reckoned from here: what its answer has made of the way since the last
 * reading is taken into the body itself, and so is what is not known of that answer.
 */
function readFromHere(pot: PotState, estimate: Estimate, a: number): { pot: PotState; estimate: Estimate } {
  const since = sinceReadLn(pot, a);
  const here = readHere(pot, a);
  const n = estimate.names.indexOf(ANSWERS);
  if (n < 0 || since === 0) return { pot: here, estimate };
  const withAnswer = (row: readonly number[]): number[] => row.map((c, j) => (j === BODY ? c + since * (row[n] ?? 0) : c));
  const rows = estimate.cov.map(withAnswer);
  const answer = rows[n] ?? [];
  const cov = rows.map((row, i) => (i === BODY ? row.map((c, j) => c + since * (answer[j] ?? 0)) : row));
  return { pot: here, estimate: { ...estimate, cov } };
}

/**
 * Moves the joint estimate of mass, salt and body by a reading. What it moves of mass is put down to water and shows as
 * a flow of its own, as does what it moves of salt. A reading more than 3 sd off leaves the pot as it was and says so;
 * where a second one says the same, it is the estimate that was wrong.
 */
export function read(pot: PotState, settings: Read, context: StepContext): StepResult {
  const { seen } = settings;
  if (seen.of === 'heat') return probed(pot, seen.tempC, context.boilC);
  const raw = observationOf(pot, seen, context);
  if (raw === undefined) return unchanged(pot);
  const observation = asLearnt(raw, context);
  const observed = observedAs(pot, seen, observation, context.estimate);
  if (observed.questioned) {
    const cautions = [questioned(pot, seen, observation)];
    return stepResult(pot, [], [], 0, 0, cautions, undefined, undefined, observed.doubted);
  }
  const { mix } = corrected(pot, observed.moved);
  const inflows: Flow[] = [];
  const outflows: Flow[] = [];
  const flow = (kg: Mix): Flow => ({ kind: 'correction', lineId: 'reading', parcel: bare(kg), tempC: pot.tempC });
  const [water, , , , , , salt] = mix;
  if (water > 0) inflows.push(flow(waterOf(water)));
  else if (water < 0) outflows.push(flow(waterOf(-water)));
  if (salt > 0) inflows.push(flow([0, 0, 0, 0, 0, 0, salt, 0, 0, 0]));
  else if (salt < 0) outflows.push(flow([0, 0, 0, 0, 0, 0, -salt, 0, 0, 0]));
  const moved = potDraft(pot);
  moved.liquid = plusParcel(pot.liquid, bare(mix));
  moved.bodyLn = pot.bodyLn + observed.moved[2];
  moved.answers = Math.min(MOST_ANSWERS, Math.max(LEAST_ANSWERS, pot.answers + observed.answers));
  const from = seen.of === 'body' ? readFromHere(moved, observed.estimate, context.parameters.bodyA) : undefined;
  const cautions: Caution[] = outOfRange(seen, observation) ? [{ code: 'READING_OUT_OF_RANGE', device: observation.device }] : [];
  const estimate = from?.estimate ?? observed.estimate;
  return stepResult(from?.pot ?? moved, inflows, outflows, 0, 0, cautions, undefined, undefined, estimate);
}

export const readKind = stepKind<Read>({ op: 'read', run: read, entered: actsThenStep });
