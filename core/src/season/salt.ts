import { SALT } from '../larder/index.js';
import { parcelKg, type Parcel } from '../pot/index.js';

/** Salt that a cook keeps back for the tasting, as a share of the dose. Common practice, no source. */
export const HOLD_BACK_SHARE = 0.2;
/** Usual salt of a finished soup, % by mass. Common practice, no source. */
export const USUAL_SALT_PCT = { low: 0.6, high: 1.0, default: 0.8 } as const;
/** Salt that a written spoon could mean without being a slip, %. Kitchen defaults. */
export const PLAUSIBLE_PCT = { low: 0.3, high: 1.6 } as const;
/** A soup eaten cold wants so much more of everything. Common practice; some disagree for tomato, so it can be switched off. */
export const COLD_WANTS = 1.15;

/** Salt wanted at the table, % of the finished soup. @example saltWanted(0.8, 'cold', true) // 0.92 */
export function saltWanted(saltPct: number, served: 'hot' | 'cold', moreWhenCold: boolean): number {
  return served === 'cold' && moreWhenCold ? saltPct * COLD_WANTS : saltPct;
}

/** Kilos now and kilos kept for the tasting. */
export function heldBack(doseKg: number, share = HOLD_BACK_SHARE): { readonly nowKg: number; readonly laterKg: number } {
  return { nowKg: doseKg * (1 - share), laterKg: doseKg * share };
}

export interface Rescue {
  /** Kilos of the unsalted thing that bring the salt down. */
  readonly kg: number;
  readonly saltPct: number;
  /** How much heavier the pot gets. */
  readonly factor: number;
}

/**
 * Too salty: how much of something to stir in to come back to a share of salt; undefined when it is itself as salty.
 * From S + s x = w (M + x).
 *
 * @example over-salted 10 kg at 1.2 %, water, to 0.8 %: (0.12 - 0.08) / 0.008 = 5 kg
 */
export function rescue(soup: Parcel, perKg: Parcel, saltPct: number): Rescue | undefined {
  const massKg = parcelKg(soup);
  const wanted = saltPct / 100;
  const its = perKg.mix[SALT] / parcelKg(perKg);
  const overKg = soup.mix[SALT] - wanted * massKg;
  if (overKg <= 0) return { kg: 0, saltPct: (soup.mix[SALT] / massKg) * 100, factor: 1 };
  if (its >= wanted) return undefined;
  const kg = overKg / (wanted - its);
  return { kg, saltPct, factor: (massKg + kg) / massKg };
}

/** What a written amount of salt makes of a finished soup, % of its mass, and whether that can be meant. */
export function plausibleSalt(
  writtenKg: number,
  otherSaltKg: number,
  finishedKg: number,
): { readonly pct: number; readonly plausible: boolean } {
  const pct = ((writtenKg + otherSaltKg) / finishedKg) * 100;
  return { pct, plausible: pct >= PLAUSIBLE_PCT.low && pct <= PLAUSIBLE_PCT.high };
}

export interface CupTrial {
  /** What was weighed out, and what was stirred into it until it was liked, kg. */
  readonly cupKg: number;
  readonly doseKg: number;
  /** What stood in the pot before the cup was taken, kg. */
  readonly potKg: number;
}

/**
 * The dose of a cup carried to the pot: what is left in the pot gets as much per kilo as the cup did. What the cup took
 * is not dosed twice.
 *
 * @example 200 g of 10.2 kg, liked with 2 g: 2 / 0.2 x (10.2 - 0.2) = 100 g
 */
export function potDose({ cupKg, doseKg, potKg }: CupTrial): number {
  return (doseKg / cupKg) * Math.max(0, potKg - cupKg);
}
