import {
  ACID,
  ETHANOL,
  FAT,
  FIBRE,
  PROTEIN,
  SALT,
  STARCH,
  SUGARS,
  allergenNames,
  dietsOf,
  usAllergenNames,
  type Allergen,
  type Diets,
  type Mix,
  type UsAllergen,
} from '../larder/index.js';
import { BITE_KG, COST, CREAM_KG, POTASSIUM_MG, SCOVILLE_KG, SODIUM_MG, parcelKg, volumeM3, type Parcel } from '../pot/index.js';

/** Energy, kJ/g: Regulation (EU) 1169/2011, Annex XIV. */
const ENERGY_KJ_G = { fat: 37, protein: 17, carbohydrate: 17, fibre: 8, alcohol: 29, acid: 13 } as const;
const KJ_PER_KCAL = 4.184;
/** Sodium in 1 g of NaCl: atomic weights. */
export const SODIUM_IN_NACL = 0.3934;
/** Salt on a label is sodium times 2.5: Regulation (EU) 1169/2011, Annex I. */
const LABEL_SALT = 2.5;
/** Salt for an adult's day: WHO guideline, under 5 g. US daily value of sodium: 2300 mg (21 CFR 101.9). */
export const DAY_SALT_G = 5;
export const US_DAY_SODIUM_MG = 2300;

/** Energy of a mix, kJ, by the factors of the EU. */
export function energyKj(m: Mix): number {
  const kj =
    m[FAT] * ENERGY_KJ_G.fat +
    m[PROTEIN] * ENERGY_KJ_G.protein +
    (m[STARCH] + m[SUGARS]) * ENERGY_KJ_G.carbohydrate +
    m[FIBRE] * ENERGY_KJ_G.fibre +
    m[ETHANOL] * ENERGY_KJ_G.alcohol +
    m[ACID] * ENERGY_KJ_G.acid;
  return kj * 1000;
}

/** What one bowl carries. Masses in g, volume in mL, energy in kJ and kcal. */
export interface BowlFacts {
  readonly massG: number;
  readonly volumeMl: number;
  /** NaCl, from every source. */
  readonly saltG: number;
  readonly saltPct: number;
  readonly sodiumMg: number;
  /** Salt as a label counts it: all sodium, the food's own too, times 2.5. */
  readonly labelSaltG: number;
  readonly dayShare: number;
  readonly usDayShare: number;
  readonly creamG: number;
  readonly fatG: number;
  readonly fibreG: number;
  readonly sugarsG: number;
  readonly proteinG: number;
  readonly potassiumMg: number;
  /** Scoville units of the soup, and grams of pepper a kilo that would bite as much. */
  readonly heat: number;
  readonly biteGKg: number;
  /** What is in the bowl, in the kitchen's currency; what was trimmed is paid for with it. */
  readonly cost: number;
  readonly energyKj: number;
  readonly energyKcal: number;
  readonly allergens: readonly Allergen[];
  readonly usAllergens: readonly UsAllergen[];
  readonly diets: Diets;
}

/** The facts of one bowl of so many kilos ladled from a parcel at a temperature; undefined when there is nothing in it. */
export function bowlFacts(all: Parcel, bowlKg: number, tempC: number): BowlFacts | undefined {
  const massKg = parcelKg(all);
  if (!(massKg > 0)) return undefined;
  const g = (kg: number): number => (kg * 1000 * bowlKg) / massKg;
  const m = all.mix;
  const saltG = g(m[SALT]);
  const sodiumMg = saltG * SODIUM_IN_NACL * 1000 + (all.carried[SODIUM_MG] * bowlKg) / massKg;
  const labelSaltG = (sodiumMg / 1000) * LABEL_SALT;
  const kj = (energyKj(m) * bowlKg) / massKg;
  return {
    massG: bowlKg * 1000,
    volumeMl: (volumeM3(m, tempC) * 1e6 * bowlKg) / massKg,
    saltG,
    saltPct: (m[SALT] / massKg) * 100,
    sodiumMg,
    labelSaltG,
    dayShare: labelSaltG / DAY_SALT_G,
    usDayShare: sodiumMg / US_DAY_SODIUM_MG,
    creamG: g(all.carried[CREAM_KG]),
    fatG: g(m[FAT]),
    fibreG: g(m[FIBRE]),
    sugarsG: g(m[SUGARS]),
    proteinG: g(m[PROTEIN]),
    potassiumMg: (all.carried[POTASSIUM_MG] * bowlKg) / massKg,
    heat: all.carried[SCOVILLE_KG] / massKg,
    biteGKg: (all.carried[BITE_KG] / massKg) * 1000,
    cost: (all.carried[COST] * bowlKg) / massKg,
    energyKj: kj,
    energyKcal: kj / KJ_PER_KCAL,
    allergens: allergenNames(all.allergens),
    usAllergens: usAllergenNames(all.allergens),
    diets: dietsOf(all.origins, all.allergens),
  };
}
