/**
 * The components of food, in kilograms: what every balance is kept in. A tuple, because the runner makes
 * thousands of them and small arrays of numbers are the cheapest thing to make.
 *
 * "salt" is added or bound NaCl; "acid" is counted as citric; "ash" is ash and all other matter without NaCl, the
 * soluble carbohydrate that is neither starch nor sugar (fructans, gums) included: it neither sweetens nor thickens.
 */
export type Mix = readonly [
  water: number,
  fat: number,
  protein: number,
  starch: number,
  sugars: number,
  fibre: number,
  salt: number,
  acid: number,
  ethanol: number,
  ash: number,
];

export const COMPONENTS = ['water', 'fat', 'protein', 'starch', 'sugars', 'fibre', 'salt', 'acid', 'ethanol', 'ash'] as const;
export type Component = (typeof COMPONENTS)[number];

export const WATER = 0;
export const FAT = 1;
export const PROTEIN = 2;
export const STARCH = 3;
export const SUGARS = 4;
export const FIBRE = 5;
export const SALT = 6;
export const ACID = 7;
export const ETHANOL = 8;
export const ASH = 9;

export const NOTHING: Mix = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0];

/** Total mass in kg. */
export function totalKg(m: Mix): number {
  return m[0] + m[1] + m[2] + m[3] + m[4] + m[5] + m[6] + m[7] + m[8] + m[9];
}

/** a + b x times, component by component. */
export function plusMix(a: Mix, b: Mix, times = 1): Mix {
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
  ];
}

export function scaleMix(m: Mix, by: number): Mix {
  return [m[0] * by, m[1] * by, m[2] * by, m[3] * by, m[4] * by, m[5] * by, m[6] * by, m[7] * by, m[8] * by, m[9] * by];
}

/** A quantity of water and ethanol only: what leaves as vapour. */
export function vapourMix(waterKg: number, ethanolKg: number): Mix {
  return [waterKg, 0, 0, 0, 0, 0, 0, 0, ethanolKg, 0];
}
