import { z } from 'zod';
import { SALT, WATER, plusMix, type Mix } from '../larder/index.js';
import { BodyReadingSchema, evidenceOf, observe, type Observation, type Observed } from '../body/index.js';
import {
  BODY,
  bare,
  parcelKg,
  plusParcel,
  potKg,
  potM3,
  priorMPas,
  mixIn,
  type Caution,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { stepBase, unchanged, type StepContext, type StepResult } from './step.js';

const massKg = z.number().min(0).max(1e4);

/** What was read: kilos in the pot by scale or dip, its salt, or its body by one of five devices. `sd` is 1 sd of one reading. */
export const SeenSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('mass'), device: z.enum(['scale', 'dip']), massKg, sdKg: z.number().positive().max(1e3) }),
  z.strictObject({ of: z.literal('salt'), saltPct: z.number().gt(0).max(20), sdPct: z.number().positive().max(2) }),
  z.strictObject({ of: z.literal('body'), reading: BodyReadingSchema }),
]);
export type Seen = z.infer<typeof SeenSchema>;

export const ReadSchema = z.strictObject({ ...stepBase, op: z.literal('read'), seen: SeenSchema });
export type Read = z.infer<typeof ReadSchema>;

/** Of a weighing's or dip's variance, what all readings of that device share. Kitchen default. */
const SHARED = 0.25;
/** Least share of the liquid's water that a reading may leave. */
const LEAST_WATER = 0.1;
const TINY_KG = 1e-9;

function waterOf(kg: number): Mix {
  return [kg, 0, 0, 0, 0, 0, 0, 0, 0, 0];
}

/** How ln body moves when ln mass does, by water: numerically on the prior itself. */
function bodySlope(pot: PotState, tempC: number, a: number): number {
  const kg = parcelKg(pot.liquid);
  const h = 1e-5;
  const wetter = { ...pot.liquid, mix: plusMix(pot.liquid.mix, waterOf(kg), h) };
  return Math.log(priorMPas(wetter, tempC, a) / priorMPas(pot.liquid, tempC, a)) / Math.log1p(h);
}

function observationOf(pot: PotState, seen: Seen, context: StepContext): Observation | undefined {
  const kg = potKg(pot);
  if (kg <= TINY_KG) return undefined;
  switch (seen.of) {
    case 'mass': {
      const sd = seen.sdKg / kg;
      const value = Math.log(Math.max(seen.massKg, kg * 1e-6));
      return {
        device: seen.device,
        slopes: [1, 0, 0],
        expected: Math.log(kg),
        low: value,
        high: value,
        biasSd: sd * Math.sqrt(SHARED),
        noiseSd: sd * Math.sqrt(1 - SHARED),
      };
    }
    case 'salt': {
      const salt = mixIn(pot)[SALT];
      if (salt <= 0) return undefined;
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
      const { bodyA } = context.habits;
      const evidence = evidenceOf(seen.reading, kg / potM3(pot));
      const prior = priorMPas(pot.liquid, evidence.tempC, bodyA);
      if (!(prior > 0)) return undefined;
      return {
        device: evidence.device,
        slopes: [bodySlope(pot, evidence.tempC, bodyA), 0, 1],
        expected: Math.log(prior) + (pot.belief.mean[BODY] ?? 0),
        low: evidence.low,
        high: evidence.high,
        biasSd: evidence.biasSd,
        noiseSd: evidence.noiseSd,
      };
    }
  }
}

function questioned(pot: PotState, seen: Seen, observation: Observation): Caution {
  if (seen.of === 'body') {
    const read = Number.isFinite(observation.low) ? observation.low : observation.high;
    return { code: 'BODY_QUESTIONED', readMPas: Math.exp(read), expectedMPas: Math.exp(observation.expected) };
  }
  const expectedKg = potKg(pot);
  const readKg = seen.of === 'mass' ? seen.massKg : (mixIn(pot)[SALT] * 100) / seen.saltPct;
  return { code: 'READING_QUESTIONED', readKg, expectedKg };
}

/** A drain cup that ran out too fast or too slowly says only on which side the body lies. */
function outOfRange(seen: Seen, { low, high }: Observation): boolean {
  return seen.of === 'body' && seen.reading.device === 'drain cup' && low !== high;
}

/** The correction that an observation asks for, as flows: water, since boil-off and uncounted liquid are what a run knows least, and salt. */
function corrected(pot: PotState, moved: Observed['moved']): { mix: Mix } {
  const kg = potKg(pot);
  const salt = mixIn(pot)[SALT];
  const saltKg = Math.max(salt * Math.expm1(moved[1]), -pot.liquid.mix[SALT]);
  const waterKg = Math.max(kg * Math.expm1(moved[0]) - saltKg, -(1 - LEAST_WATER) * pot.liquid.mix[WATER]);
  return { mix: [waterKg, 0, 0, 0, 0, 0, saltKg, 0, 0, 0] };
}

/**
 * Moves the joint estimate of mass, salt and body by a reading. What it moves of mass is put down to water and shows as
 * a flow of its own, as does what it moves of salt. A reading more than 3 sd off leaves the pot as it was and says so.
 */
export function read(pot: PotState, settings: Read, context: StepContext): StepResult {
  const { seen } = settings;
  const observation = observationOf(pot, seen, context);
  if (observation === undefined) return unchanged(pot);
  const observed = observe(pot.belief, observation);
  if (observed.questioned) return unchanged(pot, [questioned(pot, seen, observation)]);
  const { mix } = corrected(pot, observed.moved);
  const took: Flow[] = [];
  const gave: Flow[] = [];
  const flow = (kg: Mix): Flow => ({ kind: 'correction', lineId: 'reading', parcel: bare(kg), tempC: pot.tempC });
  const [water, , , , , , salt] = mix;
  if (water > 0) took.push(flow(waterOf(water)));
  else if (water < 0) gave.push(flow(waterOf(-water)));
  if (salt > 0) took.push(flow([0, 0, 0, 0, 0, 0, salt, 0, 0, 0]));
  else if (salt < 0) gave.push(flow([0, 0, 0, 0, 0, 0, -salt, 0, 0, 0]));
  return {
    pot: { ...pot, liquid: plusParcel(pot.liquid, bare(mix)), belief: observed.belief },
    took,
    gave,
    minutes: 0,
    joules: 0,
    cautions: outOfRange(seen, observation) ? [{ code: 'READING_OUT_OF_RANGE', device: observation.device }] : [],
  };
}
