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
/** The same Annex's own factors for kcal: they are rounded by themselves, not 4.184 kJ each. */
const ENERGY_KCAL_G = { fat: 9, protein: 4, carbohydrate: 4, fibre: 2, alcohol: 7, acid: 3 } as const;
/** Sodium in 1 g of NaCl: atomic weights. */
export const SODIUM_IN_NACL = 0.3934;
/** Salt on a label is sodium times 2.5: Regulation (EU) 1169/2011, Annex I. */
const LABEL_SALT = 2.5;
/** Salt for an adult's day: WHO guideline, under 5 g. US daily value of sodium: 2300 mg (21 CFR 101.9). */
export const DAY_SALT_G = 5;
export const US_DAY_SODIUM_MG = 2300;

type Factors = Readonly<Record<keyof typeof ENERGY_KJ_G, number>>;

function energyBy(m: Mix, of: Factors): number {
  const aGram =
    m[FAT] * of.fat +
    m[PROTEIN] * of.protein +
    (m[STARCH] + m[SUGARS]) * of.carbohydrate +
    m[FIBRE] * of.fibre +
    m[ETHANOL] * of.alcohol +
    m[ACID] * of.acid;
  return aGram * 1000;
}

/** Energy of a mix, kJ, by the factors of the EU. */
export function energyKj(m: Mix): number {
  return energyBy(m, ENERGY_KJ_G);
}

/** Energy of a mix, kcal, by the factors of the EU. */
export function energyKcal(m: Mix): number {
  return energyBy(m, ENERGY_KCAL_G);
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
    energyKcal: (energyKcal(m) * bowlKg) / massKg,
    allergens: allergenNames(all.allergens),
    usAllergens: usAllergenNames(all.allergens),
    diets: dietsOf(all.origins, all.allergens),
  };
}
