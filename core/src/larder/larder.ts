import { allergenBits, originBits } from './allergen.js';
import type { IngredientRow } from './ingredient.js';
import { COMPONENTS, scaleMix, totalKg, type Mix } from './mix.js';
import { tintOf, type Tint } from './tint.js';

/** An ingredient made ready for the runner: composition as a mix that sums to exactly 1 kg. */
export interface Ingredient {
  readonly row: IngredientRow;
  readonly perKg: Mix;
  readonly sodiumMgPerKg: number;
  readonly potassiumMgPerKg: number;
  readonly tint: Tint;
  readonly allergens: number;
  readonly origins: number;
}

export type Larder = ReadonlyMap<string, Ingredient>;

/** Scales the row's published figures, which sum to 100 only within their table's error, to one kilogram. */
export function makeIngredient(row: IngredientRow): Ingredient {
  const raw = COMPONENTS.map((name) => row.composition[name]) as unknown as Mix;
  const sum = totalKg(raw);
  return {
    row,
    perKg: scaleMix(raw, 1 / sum),
    sodiumMgPerKg: row.composition.sodiumMg * 10,
    potassiumMgPerKg: row.composition.potassiumMg * 10,
    tint: tintOf(row.colour, row.covering),
    allergens: allergenBits(row.allergens),
    origins: originBits(row.origin),
  };
}

export function makeLarder(rows: readonly IngredientRow[]): Larder {
  return new Map(rows.map((row) => [row.id, makeIngredient(row)]));
}
