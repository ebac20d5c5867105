import { NOTHING, NO_TINT, plusMix, plusTint, scaleMix, totalKg, type Ingredient, type Mix, type Tint } from '../larder/index.js';

/**
 * An amount of food: its mix, and what it carries in proportion to its mass. `sodiumMg` is the food's own, beside the
 * NaCl in the mix; `creamKg` is how much of it came in as a finish.
 */
export interface Parcel {
  readonly mix: Mix;
  readonly tint: Tint;
  readonly sodiumMg: number;
  readonly potassiumMg: number;
  readonly creamKg: number;
  readonly allergens: number;
  readonly origins: number;
}

export const EMPTY: Parcel = { mix: NOTHING, tint: NO_TINT, sodiumMg: 0, potassiumMg: 0, creamKg: 0, allergens: 0, origins: 0 };

export function parcelOf(ingredient: Ingredient, massKg: number): Parcel {
  return {
    mix: scaleMix(ingredient.perKg, massKg),
    tint: plusTint(NO_TINT, ingredient.tint, massKg),
    sodiumMg: ingredient.sodiumMgPerKg * massKg,
    potassiumMg: ingredient.potassiumMgPerKg * massKg,
    creamKg: 0,
    allergens: ingredient.allergens,
    origins: ingredient.origins,
  };
}

/** a + b x times. What b brings of allergens and origins stays even when times is negative: a trace is a trace. */
export function plusParcel(a: Parcel, b: Parcel, times = 1): Parcel {
  return {
    mix: plusMix(a.mix, b.mix, times),
    tint: plusTint(a.tint, b.tint, times),
    sodiumMg: a.sodiumMg + b.sodiumMg * times,
    potassiumMg: a.potassiumMg + b.potassiumMg * times,
    creamKg: a.creamKg + b.creamKg * times,
    allergens: a.allergens | b.allergens,
    origins: a.origins | b.origins,
  };
}

export function scaleParcel(p: Parcel, by: number): Parcel {
  return {
    mix: scaleMix(p.mix, by),
    tint: plusTint(NO_TINT, p.tint, by),
    sodiumMg: p.sodiumMg * by,
    potassiumMg: p.potassiumMg * by,
    creamKg: p.creamKg * by,
    allergens: p.allergens,
    origins: p.origins,
  };
}

/** The same parcel with water and ethanol gone from its mix; what it carries stays behind. */
export function driedParcel(p: Parcel, vapour: Mix): Parcel {
  return { ...p, mix: plusMix(p.mix, vapour, -1) };
}

export function parcelKg(p: Parcel): number {
  return totalKg(p.mix);
}
