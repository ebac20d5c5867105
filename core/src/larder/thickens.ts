import type { IngredientRow } from './ingredient.js';

/**
 * How an ingredient thickens once it is cooked and blended. `pulp`: what a gram of its cell-wall fibre does against the
 * standard that body is reckoned in; `starch`: what a gram of its starch does against starch that has swollen freely.
 *
 * Tomato by its concentrates at their real fibre (Harper and El-Sahrigi 1965, fibre 16 % of solids by food tables, both from
 * memory): 1.45 to 1.7. Carrot, pumpkin and pear by the usual consistency of their purées (K 10 to 20 Pa·s^n, n 0.25 to 0.4
 * at their natural solids; from memory): 1.5 to 2. The rest are kitchen defaults, set so that usual soups come out as cooks
 * call them. A row may say its own.
 */
export interface Thickens {
  readonly pulp: number;
  readonly starch: number;
}

const BY_GROUP: Readonly<Partial<Record<IngredientRow['group'], Partial<Thickens>>>> = {
  roots: { pulp: 1.4, starch: 0.7 },
  potatoes: { pulp: 1, starch: 0.78 },
  squashes: { pulp: 1.5, starch: 0.8 },
  brassicas: { pulp: 2.5 },
  mushrooms: { pulp: 2.3 },
  'fruit vegetables': { pulp: 2, starch: 0.8 },
  fruit: { pulp: 1.8 },
  pulses: { pulp: 0.8, starch: 0.65 },
  herbs: { pulp: 0.5 },
  spices: { pulp: 0.3, starch: 0.5 },
  chillies: { pulp: 0.5 },
};

const BY_ID: Readonly<Record<string, Partial<Thickens>>> = {
  carrot: { pulp: 1.5 },
  beetroot: { pulp: 1.5 },
  'golden-beetroot': { pulp: 1.5 },
  parsnip: { pulp: 1.1 },
  // Its own enzymes turn half of the starch to sugar on the way to the boil.
  'sweet-potato': { pulp: 1, starch: 0.45 },
  'white-sweet-potato': { pulp: 1, starch: 0.5 },
  // Bran and hulls: ground or chopped, they swell little.
  'dried-ancho': { pulp: 0.4 },
  tomato: { pulp: 1.5 },
  'plum-tomato': { pulp: 1.5 },
  'cherry-tomato': { pulp: 1.5 },
  passata: { pulp: 1.5 },
  'tomato-paste': { pulp: 1.5 },
  'canned-tomatoes': { pulp: 1.5 },
  'canned-tomatoes-unsalted': { pulp: 1.5 },
  'roasted-peppers-jar': { pulp: 2 },
};

/** What a gram of the fibre in seeds and skins does: cut fine it fills, but does not swell. Kitchen default. */
export const SKINS_THICKEN = 0.5;
/** Dry part of seeds and skins, all of it fibre, and most of a food's fibre that it may be. Kitchen defaults. */
export const SKINS_DRY = 0.25;
const MOST_IN_SKINS = 0.3;

/** Fibre that sits in seeds and skins, as a share of the edible part. */
export function skinFibre({ skins, composition }: Pick<IngredientRow, 'skins' | 'composition'>): number {
  return Math.min(skins * SKINS_DRY, (MOST_IN_SKINS * composition.fibre) / 100);
}

/** How a row thickens: its own figures, or those of its kind; 1 where nothing is known. */
export function thickensOf({ id, group, thickens }: Pick<IngredientRow, 'id' | 'group' | 'thickens'>): Thickens {
  const of = (what: keyof Thickens): number => thickens?.[what] ?? BY_ID[id]?.[what] ?? BY_GROUP[group]?.[what] ?? 1;
  return { pulp: of('pulp'), starch: of('starch') };
}
