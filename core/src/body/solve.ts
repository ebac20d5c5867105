import { risingRoot } from '../numbers/index.js';
import { withMix, gelatinised, parcelKg, plusParcel, readBodyMPas, scaleParcel, type Parcel, type PotState } from '../pot/index.js';
import { WATER, plusMix, vapourMix } from '../larder/index.js';

/** An amount that would do, or why none does. Masses kg. */
export type BodySolved =
  | { readonly ok: true; readonly kg: number; readonly bodyMPas: number }
  | {
      readonly ok: false;
      readonly code: 'ALREADY_THINNER' | 'ALREADY_THICKER' | 'NOT_BY_THIS' | 'NOT_A_NUMBER';
      readonly bodyMPas: number;
    };

/** How near a solve comes, in ln body. */
const TOLERANCE = 1e-7;
const MOST_EVALUATIONS = 90;
/** A body this near to the one wanted is there, in ln. */
const THERE = 1e-6;

function bodyOf(liquid: Parcel, pot: PotState, tempC: number, a: number): number {
  return readBodyMPas(liquid, pot, tempC, a);
}

/** Searches a share x of the liquid's own mass, 0 to `most`, at which ln body has moved to the target. */
function search(pot: PotState, wanted: number, most: number, bodyAt: (x: number) => number, rising: boolean): BodySolved {
  const now = bodyAt(0);
  if (!(now > 0) || !(wanted > 0)) return { ok: false, code: 'NOT_A_NUMBER', bodyMPas: now };
  const gap = (x: number): number => (rising ? 1 : -1) * (Math.log(bodyAt(x)) - Math.log(wanted));
  if (Math.abs(gap(0)) <= THERE) return { ok: true, kg: 0, bodyMPas: now };
  if (gap(0) > 0) return { ok: false, code: rising ? 'ALREADY_THICKER' : 'ALREADY_THINNER', bodyMPas: now };
  const root = risingRoot(gap, { guess: 0.3, least: 1e-7, most, tolerance: TOLERANCE, mostEvaluations: MOST_EVALUATIONS });
  if (!root.ok) return { ok: false, code: 'NOT_BY_THIS', bodyMPas: bodyAt(most) };
  return { ok: true, kg: root.x * parcelKg(pot.liquid), bodyMPas: bodyAt(root.x) };
}

/**
 * Kilos of a liquid that thin a pot to a body: root on the real prior, shifted as readings have moved it. To 1e-7 in
 * ln body, up to a thousand times the pot.
 *
 * @param tempC serving temperature. @param a the kitchen's `bodyA`.
 */
export function thinKg(pot: PotState, perKg: Parcel, wantedMPas: number, tempC: number, a: number): BodySolved {
  const massKg = parcelKg(pot.liquid);
  const one = scaleParcel(perKg, massKg);
  return search(pot, wantedMPas, 1000, (x) => bodyOf(plusParcel(pot.liquid, one, x), pot, tempC, a), false);
}

/** Kilos of water to boil away until the pot has a body. At most 95 % of the water in the liquid; same contract as `thinKg`. */
export function reduceKg(pot: PotState, wantedMPas: number, tempC: number, a: number): BodySolved {
  const massKg = parcelKg(pot.liquid);
  const most = massKg > 0 ? (0.95 * pot.liquid.mix[WATER]) / massKg : 0;
  const dried = (x: number): Parcel => withMix(pot.liquid, plusMix(pot.liquid.mix, vapourMix(1, 0), -x * massKg));
  return search(pot, wantedMPas, most, (x) => bodyOf(dried(x), pot, tempC, a), true);
}

/**
 * Kilos of a thickener (slurry, roux, cooked potato, more purée) that bring a pot to a body. Its starch is counted as
 * cooked: it must be brought to the simmer. Same contract as `thinKg`; at most twice the pot.
 */
export function thickenKg(pot: PotState, perKg: Parcel, wantedMPas: number, tempC: number, a: number): BodySolved {
  const massKg = parcelKg(pot.liquid);
  const one = scaleParcel(gelatinised(perKg), massKg);
  return search(pot, wantedMPas, 2, (x) => bodyOf(plusParcel(pot.liquid, one, x), pot, tempC, a), true);
}
