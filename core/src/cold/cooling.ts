import type { CoolingPlace } from './place.js';
import { coolSlab, type Curve } from './slab.js';
import { tableAt, type Stuff } from './stuff.js';

/** One pan of soup that cools. */
export interface CoolingPan {
  readonly stuff: Stuff;
  readonly depthM: number;
  /** Edge of the pan around it over its area, 1/m: what the sides add when it is stirred. */
  readonly edgePerM?: number | undefined;
  readonly startC: number;
  readonly place: CoolingPlace;
  readonly isStirred: boolean;
}

/** How well these are known: the spread of what the place takes and of the depth as shares, of the start in K. Kitchen defaults. */
export const COOLING_SPREAD = { takes: 0.25, depth: 0.08, startK: 1.5 } as const;
/** A curve is followed until it is this near to the air, K. */
const NEAR_K = 0.5;
/** Longest that a curve is followed, min. */
export const LONGEST_MIN = 24 * 60;

/** The curve of a pan: one temperature for all of it where it is stirred, the warmest place and the mean where it is not. */
export function coolingCurve(pan: CoolingPan, minutes: number, untilC = -Infinity): Curve {
  const { stuff, depthM, place, startC } = pan;
  return pan.isStirred
    ? stirredCurve(pan, minutes, untilC)
    : coolSlab(
        { stuff, depthM, aboveC: place.airC, aboveW: place.topW, belowC: place.belowC, belowW: place.belowW },
        startC,
        minutes,
        untilC,
      );
}

/** Lumped, by Newton: what goes out through top, bottom and sides, each at its own temperature. */
function stirredCurve({ stuff, depthM, place, startC, edgePerM = 0 }: CoolingPan, minutes: number, untilC: number): Curve {
  const below = place.belowW * (1 + edgePerM * depthM);
  const all = place.topW + below;
  const endC = (place.topW * place.airC + below * place.belowC) / all;
  const temps = new Float64Array(minutes + 1);
  let t = startC;
  temps[0] = t;
  for (let minute = 1; minute <= minutes; minute += 1) {
    // Exact within a minute, with the heat capacity of its start.
    t = endC + (t - endC) * Math.exp((-all * 60) / (tableAt(stuff.heat, t) * depthM));
    temps[minute] = t;
    if (t <= untilC) {
      const cut = temps.subarray(0, minute + 1);
      return { warmestC: cut, meanC: cut };
    }
  }
  return { warmestC: temps, meanC: temps };
}

/** Minutes until the warmest place is at or below a temperature; undefined where it never is. */
export function minutesTo(curve: Curve, toC: number): number | undefined {
  const { warmestC } = curve;
  for (let minute = 0; minute < warmestC.length; minute += 1) {
    const now = warmestC[minute] ?? 0;
    if (now > toC) continue;
    if (minute === 0) return 0;
    const before = warmestC[minute - 1] ?? now;
    return before === now ? minute : minute - 1 + (before - toC) / (before - now);
  }
  return undefined;
}

/** Minutes with the ranges that hold them in 50 and 90 of 100 cases. */
export interface Minutes {
  readonly middle: number;
  readonly half: readonly [low: number, high: number];
  readonly most: readonly [low: number, high: number];
}

/** Standard deviations that hold 50 and 90 of 100, both sides. */
export const HALF_Z = 0.6745;
export const MOST_Z = 1.6449;
/** Nine in ten, one-sided. */
export const NINE_IN_TEN_Z = 1.2816;

export interface CoolingForecast {
  readonly curve: Curve;
  /** From the start to a temperature; undefined where it is not reached within a day. */
  to(toC: number): Minutes | undefined;
  /** Between two temperatures, the clock beginning at the first. */
  between(fromC: number, toC: number): Minutes | undefined;
}

/**
 * The forecast of one pan. A time is taken as spread on the log by what is not known well, each by its own effect on it
 * (found by running the pan once more with it changed).
 *
 * @example forecastCooling({ stuff, depthM: 0.05, startC: 80, place, isStirred: false }).between(57, 21)
 */
export function forecastCooling(pan: CoolingPan, untilC = pan.place.airC + NEAR_K, spread = COOLING_SPREAD): CoolingForecast {
  const minutes = LONGEST_MIN;
  const { place } = pan;
  const curve = coolingCurve(pan, minutes, untilC);
  const weaker: CoolingPlace = {
    ...place,
    topW: place.topW * Math.exp(-spread.takes),
    belowW: place.belowW * Math.exp(-spread.takes),
  };
  const changed = [
    coolingCurve({ ...pan, place: weaker }, minutes, untilC),
    coolingCurve({ ...pan, depthM: pan.depthM * Math.exp(spread.depth) }, minutes, untilC),
    coolingCurve({ ...pan, startC: pan.startC + spread.startK }, minutes, untilC),
  ];
  const ranged = (of: (one: Curve) => number | undefined): Minutes | undefined => {
    const middle = of(curve);
    if (middle === undefined) return undefined;
    if (middle <= 0) return { middle: 0, half: [0, 0], most: [0, 0] };
    const sd = Math.sqrt(
      changed.reduce((sum, one) => {
        const other = of(one);
        return sum + (other === undefined || other <= 0 ? 1 : Math.log(other / middle) ** 2);
      }, 0),
    );
    const at = (z: number): number => middle * Math.exp(sd * z);
    return { middle, half: [at(-HALF_Z), at(HALF_Z)], most: [at(-MOST_Z), at(MOST_Z)] };
  };
  return {
    curve,
    to: (toC) => ranged((one) => minutesTo(one, toC)),
    between: (fromC, toC) =>
      ranged((one) => {
        const from = minutesTo(one, fromC);
        const to = minutesTo(one, toC);
        return from === undefined || to === undefined ? undefined : to - from;
      }),
  };
}

/** The time that nine in ten of such pans need at most, min. */
export function nineInTen({ middle, most: [, high] }: Minutes): number {
  return middle <= 0 ? 0 : middle * (high / middle) ** (NINE_IN_TEN_Z / MOST_Z);
}
