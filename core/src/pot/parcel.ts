import { NOTHING, NO_TINT, STARCH, plusMix, scaleMix, totalKg, type Ingredient, type Mix, type Tint } from '../larder/index.js';

/**
 * What food carries in proportion to its mass, beside its components. A tuple for the same reason as `Mix`. "sodium"
 * is the food's own, beside NaCl; "scoville" is kilos times Scoville units; "bite" kilos of ground black pepper that
 * would bite as much; "cost" is in the kitchen's currency; "cream" kilos that came in as a finish; "skins" kilos of
 * seeds and skins; "cooked starch" kilos of starch that has swollen in the liquid, part of the starch in the mix; "pulp" and
 * "starch body" what its fibre, and its starch once swollen, thicken like, as kilos of the standard.
 */
export type Carried = readonly [
  kRed: number,
  kGreen: number,
  kBlue: number,
  scatter: number,
  sodiumMg: number,
  potassiumMg: number,
  scovilleKg: number,
  biteKg: number,
  cost: number,
  creamKg: number,
  skinsKg: number,
  cookedStarchKg: number,
  pulpKg: number,
  starchBodyKg: number,
];

export const SODIUM_MG = 4;
export const POTASSIUM_MG = 5;
export const SCOVILLE_KG = 6;
export const BITE_KG = 7;
export const COST = 8;
export const CREAM_KG = 9;
export const SKINS_KG = 10;
export const COOKED_STARCH_KG = 11;
export const PULP_KG = 12;
export const STARCH_BODY_KG = 13;

export const NOTHING_CARRIED: Carried = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0];

/** An amount of food: its mix, and what it carries with it. */
export interface Parcel {
  readonly mix: Mix;
  readonly carried: Carried;
  readonly allergens: number;
  readonly origins: number;
}

export const EMPTY: Parcel = { mix: NOTHING, carried: NOTHING_CARRIED, allergens: 0, origins: 0 };

/** What is only components, such as vapour or the water of a correction. */
export function bare(mix: Mix): Parcel {
  return { mix, carried: NOTHING_CARRIED, allergens: 0, origins: 0 };
}

/** So many kilos of an ingredient; `boughtKg` of it were paid for. */
export function parcelOf(ingredient: Ingredient, massKg: number, boughtKg = massKg): Parcel {
  const { row, tint } = ingredient;
  return {
    mix: scaleMix(ingredient.perKg, massKg),
    carried: [
      tint[0] * massKg,
      tint[1] * massKg,
      tint[2] * massKg,
      tint[3] * massKg,
      ingredient.sodiumMgPerKg * massKg,
      ingredient.potassiumMgPerKg * massKg,
      ingredient.scoville * massKg,
      row.bite * massKg,
      row.pricePerKg * boughtKg,
      0,
      row.skins * massKg,
      ingredient.cookedStarchPerKg * massKg,
      ingredient.pulpPerKg * massKg,
      ingredient.starchBodyPerKg * massKg,
    ],
    allergens: ingredient.allergens,
    origins: ingredient.origins,
  };
}

export function plusCarried(a: Carried, b: Carried, times = 1): Carried {
  return [
    a[0] + b[0] * times,
    a[1] + b[1] * times,
    a[2] + b[2] * times,
    a[3] + b[3] * times,
    a[4] + b[4] * times,
    a[5] + b[5] * times,
    a[6] + b[6] * times,
    a[7] + b[7] * times,
    a[8] + b[8] * times,
    a[9] + b[9] * times,
    a[10] + b[10] * times,
    a[11] + b[11] * times,
    a[12] + b[12] * times,
    a[13] + b[13] * times,
  ];
}

/** a + b x times. What b brings of allergens and origins stays even when times is negative: a trace is a trace. */
export function plusParcel(a: Parcel, b: Parcel, times = 1): Parcel {
  return {
    mix: plusMix(a.mix, b.mix, times),
    carried: plusCarried(a.carried, b.carried, times),
    allergens: a.allergens | b.allergens,
    origins: a.origins | b.origins,
  };
}

export function scaleParcel(p: Parcel, by: number): Parcel {
  return {
    mix: scaleMix(p.mix, by),
    carried: plusCarried(NOTHING_CARRIED, p.carried, by),
    allergens: p.allergens,
    origins: p.origins,
  };
}

/** The same parcel with water and ethanol gone from its mix; what it carries stays behind. */
export function driedParcel(p: Parcel, vapour: Mix): Parcel {
  return withMix(p, plusMix(p.mix, vapour, -1));
}

/** The same parcel with another mix. */
export function withMix(p: Parcel, mix: Mix): Parcel {
  return { mix, carried: p.carried, allergens: p.allergens, origins: p.origins };
}

/** The same parcel with one thing that it carries set anew. */
export function withCarried(p: Parcel, place: keyof Carried & number, value: number): Parcel {
  const carried = p.carried.slice();
  carried[place] = value;
  return { mix: p.mix, carried: carried as unknown as Carried, allergens: p.allergens, origins: p.origins };
}

/** The same liquid with all of its starch cooked. */
export function gelatinised(p: Parcel): Parcel {
  return p.mix[STARCH] === p.carried[COOKED_STARCH_KG] ? p : withCarried(p, COOKED_STARCH_KG, p.mix[STARCH]);
}

export function tintIn(p: Parcel): Tint {
  const c = p.carried;
  return c[3] === 0 && c[0] === 0 ? NO_TINT : [c[0], c[1], c[2], c[3]];
}

export function parcelKg(p: Parcel): number {
  return totalKg(p.mix);
}
