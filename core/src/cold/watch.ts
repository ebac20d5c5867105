import { coolingCurve, COOLING_SPREAD, HALF_Z, LONGEST_MIN, MOST_Z, minutesTo, type CoolingPan, type Minutes } from './cooling.js';
import type { Curve } from './slab.js';

/** A temperature of the warmest place, read so many minutes after the start. */
export interface CoolingReading {
  readonly minute: number;
  readonly tempC: number;
}

/** How far a reading may be off: the probe, and a tip that is not quite in the middle, K. Kitchen default. */
const READ_SD_K = 0.8;
const ROUNDS = 5;
const NUDGE = 0.02;

/** What is not known of a pan, as offsets from what was taken: the log of what the place takes, the log of the depth, the start in K. */
type Unknowns = readonly [takes: number, depth: number, startK: number];

export interface Watched {
  /** The pan as the readings have it. */
  readonly pan: CoolingPan;
  readonly curve: Curve;
  /** Readings that are further off than four times their spread: a slip, or the probe fell out. */
  readonly odd: readonly CoolingReading[];
  to(toC: number): Minutes | undefined;
}

function panWith(pan: CoolingPan, [takes, depth, startK]: Unknowns): CoolingPan {
  const { place } = pan;
  const factor = Math.exp(takes);
  return {
    ...pan,
    depthM: pan.depthM * Math.exp(depth),
    startC: pan.startC + startK,
    place: { ...place, topW: place.topW * factor, belowW: place.belowW * factor },
  };
}

function readAt({ warmestC }: Curve, minute: number): number {
  const low = Math.min(warmestC.length - 1, Math.max(0, Math.floor(minute)));
  const a = warmestC[low] ?? 0;
  const b = warmestC[Math.min(warmestC.length - 1, low + 1)] ?? a;
  return a + (b - a) * (minute - low);
}

type Square = readonly [readonly [number, number, number], readonly [number, number, number], readonly [number, number, number]];

/** The inverse of a symmetric 3 x 3. */
function inverse([[a, b, c], [, d, e], [, , f]]: Square): Square {
  const A = d * f - e * e;
  const B = c * e - b * f;
  const C = b * e - c * d;
  const det = a * A + b * B + c * C;
  const D = a * f - c * c;
  const E = b * c - a * e;
  const F = a * d - b * b;
  return [
    [A / det, B / det, C / det],
    [B / det, D / det, E / det],
    [C / det, E / det, F / det],
  ];
}

/**
 * A forecast refitted to readings: the most likely pan (Gauss and Newton, what is known of the kitchen as the prior, spread as
 * a forecast has it) with the spread that is left. A reading four spreads off is named and left out.
 */
export function watchCooling(pan: CoolingPan, readings: readonly CoolingReading[], untilC: number): Watched {
  const used = [...readings];
  let fitted = fit(pan, used, untilC);
  const odd: CoolingReading[] = [];
  for (;;) {
    const worst = used
      .map((one) => ({ one, off: Math.abs(readAt(fitted.curve, one.minute) - one.tempC) / READ_SD_K }))
      .sort((a, b) => b.off - a.off)[0];
    if (worst === undefined || worst.off < 4 || used.length < 3) break;
    odd.push(worst.one);
    used.splice(used.indexOf(worst.one), 1);
    fitted = fit(pan, used, untilC);
  }
  const { unknowns, left, curve } = fitted;
  const nudged = ([0, 1, 2] as const).map((at) => coolingCurve(panWith(pan, moved(unknowns, at, NUDGE)), LONGEST_MIN, untilC));
  return {
    pan: panWith(pan, unknowns),
    curve,
    odd,
    to: (toC) => {
      const middle = minutesTo(curve, toC);
      if (middle === undefined) return undefined;
      const slopes = nudged.map((one) => ((minutesTo(one, toC) ?? middle * 2) - middle) / NUDGE);
      const variance = slopes.reduce(
        (sum, slope, a) => sum + slopes.reduce((own, other, b) => own + slope * other * (left[a]?.[b] ?? 0), 0),
        0,
      );
      const sd = Math.sqrt(Math.max(0, variance));
      const at = (z: number): number => Math.max(0, middle + z * sd);
      return { middle, half: [at(-HALF_Z), at(HALF_Z)], most: [at(-MOST_Z), at(MOST_Z)] };
    },
  };
}

function moved(unknowns: Unknowns, at: number, by: number): Unknowns {
  return unknowns.map((one, n) => (n === at ? one + by : one)) as unknown as Unknowns;
}

function fit(
  pan: CoolingPan,
  readings: readonly CoolingReading[],
  untilC: number,
): { unknowns: Unknowns; left: Square; curve: Curve } {
  const prior = [COOLING_SPREAD.takes, COOLING_SPREAD.depth, COOLING_SPREAD.startK].map((sd) => 1 / sd ** 2);
  let unknowns: Unknowns = [0, 0, 0];
  let left: Square = [
    [1 / (prior[0] ?? 1), 0, 0],
    [0, 1 / (prior[1] ?? 1), 0],
    [0, 0, 1 / (prior[2] ?? 1)],
  ];
  const last = Math.max(1, ...readings.map(({ minute }) => Math.ceil(minute) + 1));
  const curveOf = (one: Unknowns): Curve => coolingCurve(panWith(pan, one), last);
  for (let round = 0; round < ROUNDS && readings.length > 0; round += 1) {
    const base = curveOf(unknowns);
    const nudged = ([0, 1, 2] as const).map((at) => curveOf(moved(unknowns, at, NUDGE)));
    const normal = [0, 1, 2].map((a) => [0, 1, 2].map((b) => (a === b ? (prior[a] ?? 0) : 0)));
    const right = unknowns.map((one, a) => -(prior[a] ?? 0) * one);
    for (const { minute, tempC } of readings) {
      const here = readAt(base, minute);
      const slope = nudged.map((one) => (readAt(one, minute) - here) / NUDGE);
      for (let a = 0; a < 3; a += 1) {
        right[a] = (right[a] ?? 0) + ((slope[a] ?? 0) * (tempC - here)) / READ_SD_K ** 2;
        const row = normal[a];
        if (row === undefined) continue;
        for (let b = 0; b < 3; b += 1) row[b] = (row[b] ?? 0) + ((slope[a] ?? 0) * (slope[b] ?? 0)) / READ_SD_K ** 2;
      }
    }
    left = inverse(normal as unknown as Square);
    const step = left.map((row) => row.reduce((sum, one, b) => sum + one * (right[b] ?? 0), 0));
    unknowns = unknowns.map((one, n) => one + (step[n] ?? 0)) as unknown as Unknowns;
    if (Math.max(...step.map(Math.abs)) < 1e-4) break;
  }
  return { unknowns, left, curve: coolingCurve(panWith(pan, unknowns), LONGEST_MIN, untilC) };
}

/** What can be done with a pan that is too slow. */
export type Rescue =
  { readonly kind: 'halve' } | { readonly kind: 'move'; readonly place: CoolingPan['place']; readonly isStirred: boolean };

function rescued(pan: CoolingPan, rescue: Rescue, meanC: number): CoolingPan {
  return rescue.kind === 'halve'
    ? { ...pan, depthM: pan.depthM / 2, startC: meanC }
    : { ...pan, place: rescue.place, isStirred: rescue.isStirred, startC: meanC };
}

/** When a temperature is reached if the rescue is made at this minute, minutes from the start. */
export function rescuedTo(
  { pan, curve }: Pick<Watched, 'pan' | 'curve'>,
  rescue: Rescue,
  atMinute: number,
  toC: number,
): number | undefined {
  const { meanC } = curve;
  const mean = meanC[Math.min(meanC.length - 1, Math.round(atMinute))] ?? pan.startC;
  const rest = minutesTo(coolingCurve(rescued(pan, rescue, mean), LONGEST_MIN, toC), toC);
  return rest === undefined ? undefined : atMinute + rest;
}

/** The last minute at which a rescue still brings a temperature in time; undefined where it is too late now. */
export function lastMinuteFor(
  watched: Pick<Watched, 'pan' | 'curve'>,
  rescue: Rescue,
  fromMinute: number,
  toC: number,
  byMinute: number,
): number | undefined {
  const inTime = (minute: number): boolean => (rescuedTo(watched, rescue, minute, toC) ?? Infinity) <= byMinute;
  if (!inTime(fromMinute)) return undefined;
  // Whole minutes: between fractions of one the middle would stand still.
  let low = Math.floor(fromMinute);
  let high = Math.ceil(byMinute);
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (inTime(middle)) low = middle;
    else high = middle;
  }
  return low;
}
