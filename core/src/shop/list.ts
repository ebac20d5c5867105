import { z } from 'zod';
import type { IngredientRow } from '../larder/index.js';
import { pullList, type Planned } from '../plan/index.js';
import type { Supply } from './supply.js';

/** How a kitchen buys an ingredient: from whom, and in what size it comes. */
export const BuyingSchema = z.strictObject({
  ingredient: z.string().min(1).max(60),
  supplier: z.string().trim().max(60),
  /** Kilos of a case, a sack, a carton; by weight where it is left out. */
  packKg: z.number().positive().max(1000).optional(),
  packName: z.string().trim().max(30).optional(),
});
export type Buying = z.infer<typeof BuyingSchema>;

/** A soup that is planned, by what it is called. */
export interface Wanted {
  readonly name: string;
  readonly plan: Pick<Planned, 'prepared' | 'run'>;
}

/** One ingredient of a shopping list. Masses kg as bought. */
export interface ShoppingRow {
  readonly ingredient: string;
  readonly name: string;
  readonly group: string;
  readonly neededKg: number;
  /** By soup, in the order in which they were given. */
  readonly of: readonly { readonly name: string; readonly kg: number }[];
  /** What is in the store and not counted on by anything earlier; none where nothing is known. */
  readonly onHandKg: number;
  readonly shortKg: number;
  readonly buyKg: number;
  /** So many packs of its size, where it comes in packs. */
  readonly packs: number | undefined;
  readonly pack: Buying | undefined;
  /** What will be over of what is bought. */
  readonly overKg: number;
  readonly cost: number;
  readonly supplier: string;
}

/** What comes out of a tap is on nobody's list. */
const NEVER_BOUGHT = new Set(['water']);
/** Short by less is not short: what is weighed out strays by as much. Kitchen default, as a share and in kg. */
const NOT_SHORT = 0.005;
const NOTHING_KG = 0.0005;

/** The step in which an amount is bought by weight, kg: small things by ten grams, much by half a kilo. Kitchen default. */
function stepKg(kg: number): number {
  if (kg < 0.1) return 0.01;
  if (kg < 1) return 0.05;
  return kg < 5 ? 0.1 : 0.5;
}

function upTo(kg: number, unit: number): number {
  return Math.ceil(kg / unit - 1e-9);
}

/**
 * Everything that some soups need, added up by ingredient, less what is on hand, rounded up to what can be bought. What is
 * made here (cards) is in it as what it is made of.
 */
export function shoppingList(
  wanted: readonly Wanted[],
  rows: readonly IngredientRow[],
  supplies: readonly Supply[],
  buying: readonly Buying[],
): ShoppingRow[] {
  const needs = new Map<string, { name: string; group: string; of: { name: string; kg: number }[] }>();
  for (const { name, plan } of wanted) {
    for (const { ingredient, name: called, group, boughtKg } of pullList(plan)) {
      if (boughtKg < NOTHING_KG || NEVER_BOUGHT.has(ingredient)) continue;
      const need = needs.get(ingredient) ?? { name: called, group, of: [] };
      needs.set(ingredient, need);
      const same = need.of.find((one) => one.name === name);
      if (same === undefined) need.of.push({ name, kg: boughtKg });
      else same.kg += boughtKg;
    }
  }
  const prices = new Map(rows.map(({ id, pricePerKg }) => [id, pricePerKg]));
  return [...needs]
    .map(([ingredient, { name, group, of }]): ShoppingRow => {
      const neededKg = of.reduce((sum, { kg }) => sum + kg, 0);
      const onHandKg = Math.max(0, supplies.find((one) => one.ingredient === ingredient)?.onHandKg ?? 0);
      const pack = buying.find((one) => one.ingredient === ingredient);
      const lacking = Math.max(0, neededKg - onHandKg);
      const shortKg = lacking <= Math.max(NOTHING_KG, NOT_SHORT * neededKg) ? 0 : lacking;
      const packs = pack?.packKg === undefined ? undefined : upTo(shortKg, pack.packKg);
      const buyKg = pack?.packKg === undefined ? upTo(shortKg, stepKg(shortKg)) * stepKg(shortKg) : (packs ?? 0) * pack.packKg;
      return {
        ingredient,
        name,
        group,
        neededKg,
        of,
        onHandKg,
        shortKg,
        buyKg,
        packs,
        pack,
        overKg: Math.max(0, onHandKg + buyKg - neededKg),
        cost: buyKg * (prices.get(ingredient) ?? 0),
        supplier: pack?.supplier ?? '',
      };
    })
    .sort(
      (a, b) =>
        Number(a.supplier === '') - Number(b.supplier === '') ||
        a.supplier.localeCompare(b.supplier) ||
        a.group.localeCompare(b.group) ||
        a.name.localeCompare(b.name),
    );
}
