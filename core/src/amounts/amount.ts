import { z } from 'zod';
import type { Ingredient } from '../larder/index.js';
import { UNITS, UNIT_CODES, type UnitCode } from '../units/index.js';

/** The largest single amount that a line may ask for, in the unit written: far above a kitchen's, far below a slip of the keys. */
const ABSURD = 1e6;

/**
 * How much a line asks for, as written. "piece" takes a size that the larder row knows; cups of solids take the
 * row's cut. Mass is as bought unless `basis` says "edible"; cups, spoons and pieces are always of the edible part,
 * since that is what the public tables weigh; cans, cartons and packs are their contents as bought.
 */
export const AmountSchema = z.strictObject({
  value: z.number().positive().max(ABSURD),
  unit: z.union([z.enum(UNIT_CODES), z.literal('piece')]),
  size: z.string().min(1).optional(),
  basis: z.enum(['bought', 'edible']).optional(),
});
export type Amount = z.infer<typeof AmountSchema>;

/** Sizes that are a container's contents, liquor and all, as bought. */
const CONTENTS = /^(can|carton|jar|bottle|tube|pack)-/;

export interface Mass {
  readonly massKg: number;
  readonly basis: 'bought' | 'edible';
}

export type AmountError =
  | { readonly code: 'UNIT_DOES_NOT_FIT'; readonly ingredient: string; readonly unit: string; readonly fits: readonly string[] }
  | { readonly code: 'SIZE_UNKNOWN'; readonly ingredient: string; readonly size: string; readonly known: readonly string[] };

export type Weighed = { readonly ok: true; readonly mass: Mass } | { readonly ok: false; readonly error: AmountError };

/** Pieces, cups and spoons that this ingredient can be counted in, beside mass. */
function fittingUnits(ingredient: Ingredient): string[] {
  const { pieces, cups, spoons, densityKgM3 } = ingredient.row;
  return [
    'g',
    'kg',
    ...(densityKgM3 === undefined ? [] : ['mL', 'L']),
    ...Object.keys(pieces ?? {}).map((size) => `piece (${size})`),
    ...Object.keys(cups ?? {}).map((cut) => `cup (${cut})`),
    ...Object.keys(spoons ?? {}),
  ];
}

function byVolume(amount: Amount, unit: UnitCode, ingredient: Ingredient): number | AmountError {
  const volumeM3 = amount.value * UNITS[unit].si;
  const { densityKgM3, cups, spoons } = ingredient.row;
  if (densityKgM3 !== undefined) return volumeM3 * densityKgM3;
  const spoonful = unit.startsWith('tsp') ? spoons?.tsp : unit.startsWith('tbsp') ? spoons?.tbsp : undefined;
  if (spoonful !== undefined) return bySpoon(volumeM3, unit.startsWith('tsp') ? 'tsp-us' : 'tbsp-us', spoonful);
  const cut = amount.size ?? Object.keys(cups ?? {})[0];
  const cupGrams = cut === undefined ? undefined : cups?.[cut];
  if (cupGrams !== undefined) return (volumeM3 / UNITS['cup-us'].si) * (cupGrams / 1000);
  if (cut !== undefined && cups !== undefined) {
    return { code: 'SIZE_UNKNOWN', ingredient: ingredient.row.id, size: cut, known: Object.keys(cups) };
  }
  // "5 mL dried sage", "1/4 cup ground coriander": so many spoons of it.
  if (spoons?.tbsp !== undefined) return bySpoon(volumeM3, 'tbsp-us', spoons.tbsp);
  if (spoons?.tsp !== undefined) return bySpoon(volumeM3, 'tsp-us', spoons.tsp);
  return { code: 'UNIT_DOES_NOT_FIT', ingredient: ingredient.row.id, unit, fits: fittingUnits(ingredient) };
}

function bySpoon(volumeM3: number, spoon: UnitCode, spoonG: number): number {
  return (volumeM3 / UNITS[spoon].si) * (spoonG / 1000);
}

/**
 * Turns a written amount into kilograms, or says what the ingredient can be measured in.
 *
 * @example weigh({ value: 2, unit: 'piece', size: 'medium' }, onion) // { ok: true, mass: { massKg: 0.22, basis: 'edible' } }
 */
export function weigh(amount: Amount, ingredient: Ingredient): Weighed {
  if (amount.unit === 'piece') {
    const pieces = ingredient.row.pieces;
    if (pieces === undefined) {
      return {
        ok: false,
        error: { code: 'UNIT_DOES_NOT_FIT', ingredient: ingredient.row.id, unit: 'piece', fits: fittingUnits(ingredient) },
      };
    }
    const size = amount.size ?? 'medium';
    const grams = pieces[size];
    if (grams === undefined) {
      return { ok: false, error: { code: 'SIZE_UNKNOWN', ingredient: ingredient.row.id, size, known: Object.keys(pieces) } };
    }
    return { ok: true, mass: { massKg: (amount.value * grams) / 1000, basis: CONTENTS.test(size) ? 'bought' : 'edible' } };
  }
  const unit = UNITS[amount.unit];
  if (unit.dimension === 'mass') {
    return { ok: true, mass: { massKg: amount.value * unit.si, basis: amount.basis ?? 'bought' } };
  }
  if (unit.dimension === 'length') {
    return {
      ok: false,
      error: { code: 'UNIT_DOES_NOT_FIT', ingredient: ingredient.row.id, unit: amount.unit, fits: fittingUnits(ingredient) },
    };
  }
  const massKg = byVolume(amount, amount.unit, ingredient);
  return typeof massKg === 'number' ? { ok: true, mass: { massKg, basis: 'edible' } } : { ok: false, error: massKg };
}
