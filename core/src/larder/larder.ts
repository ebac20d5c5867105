import { allergenBits, originBits } from './allergen.js';
import type { IngredientRow } from './ingredient.js';
import { FIBRE, STARCH, scaleMix, totalKg, type Mix } from './mix.js';
import { SKINS_THICKEN, skinFibre, thickensOf } from './thickens.js';
import { tintOf, type Tint } from './tint.js';

/** An ingredient prepared for the runner: composition as a mix that sums to exactly 1 kg. */
export interface Ingredient {
  readonly row: IngredientRow;
  readonly perKg: Mix;
  readonly sodiumMgPerKg: number;
  readonly potassiumMgPerKg: number;
  /** Scoville units by mass: the middle of the row's range, as a geometric mean. */
  readonly scoville: number;
  /** Starch that has swollen already, kg per kg: of a card's outcome; nothing in a larder row. */
  readonly cookedStarchPerKg: number;
  /** Fibre that thickens, and starch once it has swollen, kg per kg, each by how its kind does it. */
  readonly pulpPerKg: number;
  readonly starchBodyPerKg: number;
  readonly tint: Tint;
  readonly allergens: number;
  readonly origins: number;
}

export type Larder = ReadonlyMap<string, Ingredient>;

function middleOf(range: IngredientRow['scoville']): number {
  if (range === undefined) return 0;
  return range.low > 0 ? Math.sqrt(range.low * range.high) : range.high / 2;
}

/** Scales the row's published figures, which sum to 100 only within their table's error, to one kilogram. */
export function makeIngredient(row: IngredientRow): Ingredient {
  const c = row.composition;
  const raw: Mix = [c.water, c.fat, c.protein, c.starch, c.sugars, c.fibre, c.salt, c.acid, c.ethanol, c.ash + c.other];
  const thickens = thickensOf(row);
  const perKg = scaleMix(raw, 1 / totalKg(raw));
  return {
    row,
    perKg,
    sodiumMgPerKg: c.sodiumMg * 10,
    potassiumMgPerKg: c.potassiumMg * 10,
    scoville: middleOf(row.scoville),
    cookedStarchPerKg: 0,
    pulpPerKg: Math.max(0, perKg[FIBRE] - skinFibre(row)) * thickens.pulp + skinFibre(row) * SKINS_THICKEN,
    starchBodyPerKg: perKg[STARCH] * thickens.starch,
    tint: tintOf(row.colour, row.covering),
    allergens: allergenBits(row.allergens, row.cereal),
    origins: originBits(row.origin),
  };
}

export function makeLarder(rows: readonly IngredientRow[]): Larder {
  return new Map(rows.map((row) => [row.id, makeIngredient(row)]));
}
