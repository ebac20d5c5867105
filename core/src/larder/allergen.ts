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

/** Cereals with gluten that are not wheat: US law names wheat alone. */
export const OTHER_CEREALS = ['barley', 'oats', 'rye'] as const;
export type OtherCereal = (typeof OTHER_CEREALS)[number];

/** Beside the 14: whether the gluten comes with wheat. */
const WHEAT_BIT = 1 << ALLERGENS.length;

/** @param cereal where the gluten comes from, when it is not wheat. */
export function allergenBits(names: readonly Allergen[], cereal?: OtherCereal): number {
  const bits = names.reduce((sum, name) => sum | (1 << ALLERGENS.indexOf(name)), 0);
  return names.includes('gluten') && cereal === undefined ? bits | WHEAT_BIT : bits;
}

export function allergenNames(bits: number): Allergen[] {
  return ALLERGENS.filter((_, place) => (bits & (1 << place)) !== 0);
}

/** The nine of US law (Food Allergen Labeling and Consumer Protection Act, 21 USC 321(qq), with sesame since 2023). */
const US_NINE = {
  milk: 'milk',
  egg: 'eggs',
  fish: 'fish',
  crustaceans: 'crustacean shellfish',
  nuts: 'tree nuts',
  peanut: 'peanuts',
  soya: 'soybeans',
  sesame: 'sesame',
} as const satisfies Partial<Record<Allergen, string>>;
export type UsAllergen = (typeof US_NINE)[keyof typeof US_NINE] | 'wheat';

/** @example usAllergenNames(allergenBits(['gluten', 'celery'])) // ['wheat'] */
export function usAllergenNames(bits: number): UsAllergen[] {
  const named = Object.entries(US_NINE).flatMap(([name, us]) => (bits & allergenBits([name as Allergen]) ? [us] : []));
  return bits & WHEAT_BIT ? [...named, 'wheat'] : named;
}

/** What keeps an ingredient out of a diet. */
export const ORIGINS = ['plant', 'dairy', 'egg', 'meat', 'fish', 'bee'] as const;
export type Origin = (typeof ORIGINS)[number];

export function originBits(origin: Origin): number {
  return origin === 'plant' ? 0 : 1 << (ORIGINS.indexOf(origin) - 1);
}

const VEGETARIAN_BREAKERS = originBits('meat') | originBits('fish');
const GLUTEN = allergenBits(['gluten'], 'rye');
const MILK = allergenBits(['milk']);

export interface Diets {
  readonly vegan: boolean;
  readonly vegetarian: boolean;
  readonly glutenFree: boolean;
  readonly dairyFree: boolean;
}

/**
 * Diets that a pot's ingredients keep to. What a label says of traces is not known here: the kitchen must ask.
 *
 * @example dietsOf(originBits('dairy'), allergenBits(['milk'])) // { vegan: false, vegetarian: true, glutenFree: true, dairyFree: false }
 */
export function dietsOf(origins: number, allergens: number): Diets {
  return {
    vegan: origins === 0,
    vegetarian: (origins & VEGETARIAN_BREAKERS) === 0,
    glutenFree: (allergens & GLUTEN) === 0,
    dairyFree: (allergens & MILK) === 0 && (origins & originBits('dairy')) === 0,
  };
}
