import { z } from 'zod';
import { SPOON_READINGS, spoonRange } from './words.js';

const tempC = z.number().min(0).max(100);

/** What a cook reads the body with. Temperatures °C of what was read. */
export const BodyReadingSchema = z.discriminatedUnion('device', [
  z.strictObject({ device: z.literal('spoon'), word: z.enum(SPOON_READINGS), tempC }),
  /** Millilitres left in a 10 mL syringe after 10 s of flow. */
  z.strictObject({ device: z.literal('syringe'), leftMl: z.number().min(0).max(10), tempC }),
  z.strictObject({ device: z.literal('viscometer'), mPas: z.number().positive().max(1e6), tempC }),
  z.strictObject({
    device: z.literal('drain cup'),
    cupMm: z.union([z.literal(4), z.literal(5), z.literal(6)]),
    seconds: z.number().positive().max(1000),
    tempC,
  }),
  /** Radius that 50 mL spread to on a level plate in 60 s. */
  z.strictObject({ device: z.literal('plate ring'), radiusMm: z.number().positive().max(500), tempC }),
]);
export type BodyReading = z.infer<typeof BodyReadingSchema>;

/** A reading as evidence on ln body: a value or an interval, with the device's own bias and the noise of one reading. */
export interface BodyEvidence {
  readonly device: BodyReading['device'];
  readonly tempC: number;
  /** ln of mPa·s; equal when it is a value, apart when the reading only bounds it. */
  readonly low: number;
  readonly high: number;
  readonly biasSd: number;
  readonly noiseSd: number;
}

/**
 * Spread of each device in ln body, split into what all its readings share and what one adds. The spoon's whole is
 * 0.35, a viscometer's 0.1, the ring's 0.5 until a kitchen has calibrated it. Kitchen defaults.
 */
const SPREAD: Readonly<Record<BodyReading['device'], { readonly biasSd: number; readonly noiseSd: number }>> = {
  // One eye and one spoon: a second look is hardly a second witness.
  // Beside what lies between two words, which is 0.35 by itself.
  spoon: { biasSd: 0.16, noiseSd: 0.12 },
  syringe: { biasSd: 0.2, noiseSd: 0.2 },
  viscometer: { biasSd: 0.06, noiseSd: 0.08 },
  'drain cup': { biasSd: 0.1, noiseSd: 0.1 },
  'plate ring': { biasSd: 0.4, noiseSd: 0.3 },
};

/**
 * Levels of the 10 mL, 10 s syringe test by millilitres left: International Dysphagia Diet Standardisation Initiative
 * (2019). A level is printed only from a test of this batch; the model never names one.
 */
const LEVELS = [
  { level: 0, underMl: 1 },
  { level: 1, underMl: 4 },
  { level: 2, underMl: 8 },
  { level: 3, underMl: 10 },
] as const;
export type SyringeLevel = 0 | 1 | 2 | 3 | 4;

/** The level that a syringe reading means. At 10 mL nothing has flowed and the fork and spoon tests decide. @example syringeLevel(5) // 2 */
export function syringeLevel(leftMl: number): SyringeLevel {
  return LEVELS.find(({ underMl }) => leftMl < underMl)?.level ?? 4;
}

/**
 * Between which bodies a level lies, mPa·s at 50 1/s: the older US scale (thin to 50, nectar to 350, honey to 1750,
 * pudding above) for the levels that took its place; the edge inside "thin" is a kitchen default.
 */
const LEVEL_BODY: Readonly<Record<SyringeLevel, readonly [number, number]>> = {
  0: [0, 50],
  1: [15, 120],
  2: [51, 350],
  3: [351, 1750],
  4: [1751, Number.POSITIVE_INFINITY],
};

/** ISO 2431 drain cups: kinematic viscosity mm2/s = a t - b / t, valid for 30 to 100 s (from memory). */
const CUPS: Readonly<Record<4 | 5 | 6, readonly [a: number, b: number]>> = { 4: [1.37, 200], 5: [3.28, 220], 6: [6.9, 570] };
export const CUP_LEAST_S = 30;
export const CUP_MOST_S = 100;

export function cupMm2S(cupMm: 4 | 5 | 6, seconds: number): number {
  const [a, b] = CUPS[cupMm];
  return a * seconds - b / seconds;
}

/** What is poured into the ring, m3, and how long it spreads, s. */
const RING_M3 = 50e-6;
const RING_S = 60;
const G = 9.81;

/** Radius of a Newtonian pool of constant volume after a time: Huppert (1982), r = 0.894 (g V³ t / 3 ν)^(1/8). SI. */
export function poolRadiusM(volume: number, seconds: number, nuM2S: number): number {
  return 0.894 * ((G * volume ** 3 * seconds) / (3 * nuM2S)) ** (1 / 8);
}

/** The viscosity that spreads to a radius: Huppert turned round, m2/s. */
export function poolNuM2S(volume: number, seconds: number, radiusM: number): number {
  return (G * volume ** 3 * seconds) / (3 * (radiusM / 0.894) ** 8);
}

/**
 * A reading as evidence. Readings outside a device's range become bounds: a cup that drains in under 30 s says only
 * "thinner than", one that takes over 100 s "thicker than".
 *
 * @param densityKgM3 of the soup, to turn kinematic into dynamic viscosity.
 */
export function evidenceOf(reading: BodyReading, densityKgM3: number): BodyEvidence {
  const spread = { device: reading.device, tempC: reading.tempC, ...SPREAD[reading.device] };
  const exactly = (mPas: number): BodyEvidence => ({ ...spread, low: Math.log(mPas), high: Math.log(mPas) });
  switch (reading.device) {
    case 'spoon': {
      const [low, high] = spoonRange(reading.word);
      return { ...spread, low: Math.log(low), high: Math.log(high) };
    }
    case 'viscometer':
      return exactly(reading.mPas);
    case 'syringe': {
      const [low, high] = LEVEL_BODY[syringeLevel(reading.leftMl)];
      return { ...spread, low: Math.log(low), high: Math.log(high) };
    }
    case 'drain cup': {
      const at = (seconds: number): number => Math.log((cupMm2S(reading.cupMm, seconds) / 1000) * densityKgM3);
      if (reading.seconds < CUP_LEAST_S) return { ...spread, low: Number.NEGATIVE_INFINITY, high: at(CUP_LEAST_S) };
      if (reading.seconds > CUP_MOST_S) return { ...spread, low: at(CUP_MOST_S), high: Number.POSITIVE_INFINITY };
      return { ...spread, low: at(reading.seconds), high: at(reading.seconds) };
    }
    case 'plate ring':
      return exactly(poolNuM2S(RING_M3, RING_S, reading.radiusMm / 1000) * densityKgM3 * 1000);
  }
}
