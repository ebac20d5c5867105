import { findName, type Names } from '../amounts/index.js';
import { UNITS, type UnitCode } from '../units/index.js';
import { readCsv } from './csv.js';

/** A price as read: of which ingredient, by the kilo as bought. */
export interface PriceRead {
  readonly row: number;
  readonly ingredient: string;
  readonly pricePerKg: number;
  /** Day that it is of, as YYYY-MM-DD; undefined for today. */
  readonly day: string | undefined;
}

/** A row that could not be taken, and why. */
export interface PriceRefused {
  readonly row: number;
  readonly text: string;
  readonly why: 'UNKNOWN_FOOD' | 'NO_PRICE' | 'BAD_UNIT' | 'BAD_DAY';
}

export type PricesRead =
  | { readonly ok: true; readonly prices: readonly PriceRead[]; readonly refused: readonly PriceRefused[] }
  | {
      readonly ok: false;
      readonly code: 'NO_ROWS' | 'TOO_MANY_ROWS' | 'NOT_TEXT' | 'NO_COLUMN';
      readonly found: readonly string[];
    };

const MASSES: Readonly<Record<string, UnitCode>> = { g: 'g', kg: 'kg', oz: 'oz', lb: 'lb', lbs: 'lb', kilo: 'kg' };
const MOST_PER_KG = 20_000;

function perKg(price: number, per: string): number | undefined {
  const found = /^(\d+(?:[.,]\d+)?)?\s*([a-z]+)$/i.exec(per.trim() === '' ? 'kg' : per.trim());
  const unit = MASSES[found?.[2]?.toLowerCase() ?? ''];
  if (found === null || unit === undefined) return undefined;
  const value = found[1] === undefined ? 1 : Number(found[1].replace(',', '.'));
  return value > 0 ? price / (value * UNITS[unit].si) : undefined;
}

function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text)) && new Date(text).toISOString().startsWith(text);
}

/**
 * Reads a supplier's or a cook's list of prices: columns "ingredient" (a name or a larder id), "price", and where there
 * are some "per" ("kg", "500 g", "lb") and "date" (YYYY-MM-DD). Rows that can't be taken are named with their reason.
 */
export function readPrices(csv: string, ids: ReadonlySet<string>, names: Names): PricesRead {
  const table = readCsv(csv);
  if (!table.ok) return { ...table, found: [] };
  const { columns } = table;
  const food = ['ingredient', 'food', 'item', 'name'].find((name) => columns.includes(name));
  const price = ['price', 'cost'].find((name) => columns.includes(name));
  if (food === undefined || price === undefined) return { ok: false, code: 'NO_COLUMN', found: columns };
  const prices: PriceRead[] = [];
  const refused: PriceRefused[] = [];
  for (const [n, cells] of table.rows.entries()) {
    const row = n + 2;
    const text = cells[food] ?? '';
    const found = ids.has(text) ? ({ code: 'FOUND', id: text } as const) : findName(names, text, undefined);
    const value = Number((cells[price] ?? '').replace(/[^\d.,-]/g, '').replace(',', '.'));
    const pricePerKg = perKg(value, cells.per ?? cells.unit ?? '');
    const day = cells.date ?? '';
    if (found.code !== 'FOUND') refused.push({ row, text, why: 'UNKNOWN_FOOD' });
    else if ((cells[price] ?? '') === '' || !(value >= 0)) refused.push({ row, text, why: 'NO_PRICE' });
    else if (pricePerKg === undefined || !(pricePerKg <= MOST_PER_KG)) refused.push({ row, text, why: 'BAD_UNIT' });
    else if (day !== '' && !isDay(day)) refused.push({ row, text, why: 'BAD_DAY' });
    else prices.push({ row, ingredient: found.id, pricePerKg, day: day === '' ? undefined : day });
  }
  return { ok: true, prices, refused };
}
