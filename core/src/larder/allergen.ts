/**
 * The 14 groups of Regulation (EU) 1169/2011, Annex II, as bits, so that a pot carries them in one number.
 */
export const ALLERGENS = [
  'gluten',
  'crustaceans',
  'egg',
  'fish',
  'peanut',
  'soya',
  'milk',
  'nuts',
  'celery',
  'mustard',
  'sesame',
  'sulphites',
  'lupin',
  'molluscs',
] as const;
export type Allergen = (typeof ALLERGENS)[number];

export function allergenBits(names: readonly Allergen[]): number {
  return names.reduce((bits, name) => bits | (1 << ALLERGENS.indexOf(name)), 0);
}

export function allergenNames(bits: number): Allergen[] {
  return ALLERGENS.filter((_, place) => (bits & (1 << place)) !== 0);
}

/** What keeps an ingredient out of a diet. */
export const ORIGINS = ['plant', 'dairy', 'egg', 'meat', 'fish'] as const;
export type Origin = (typeof ORIGINS)[number];

export function originBits(origin: Origin): number {
  return origin === 'plant' ? 0 : 1 << (ORIGINS.indexOf(origin) - 1);
}

const VEGETARIAN_BREAKERS = originBits('meat') | originBits('fish');

export interface Diets {
  readonly vegan: boolean;
  readonly vegetarian: boolean;
}

/** @example dietsOf(originBits('dairy')) // { vegan: false, vegetarian: true } */
export function dietsOf(bits: number): Diets {
  return { vegan: bits === 0, vegetarian: (bits & VEGETARIAN_BREAKERS) === 0 };
}
