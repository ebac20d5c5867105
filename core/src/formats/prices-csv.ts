import { findName, type Names } from '../amounts/index.js';
import { UNITS, decimalMarkIn, readNumber, type UnitCode } from '../units/index.js';
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
  readonly why: 'UNKNOWN_FOOD' | 'NO_PRICE' | 'UNCLEAR_PRICE' | 'BAD_UNIT' | 'BAD_DAY';
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
  const read = found[1] === undefined ? undefined : readNumber(found[1]);
  const value = read === undefined ? 1 : read.ok ? read.value : 0;
  return value > 0 ? price / (value * UNITS[unit].si) : undefined;
}

/** A price without its currency. */
function bare(text: string): string {
  return text.replace(/[^\d.,\s'’-]/g, '').trim();
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
  const mark = decimalMarkIn(table.rows.map((cells) => bare(cells[price] ?? '')));
  const prices: PriceRead[] = [];
  const refused: PriceRefused[] = [];
  for (const [n, cells] of table.rows.entries()) {
    const row = n + 2;
    const text = cells[food] ?? '';
    const found = ids.has(text) ? ({ code: 'FOUND', id: text } as const) : findName(names, text, undefined);
    const written = bare(cells[price] ?? '');
    const number = readNumber(written);
    const unclear = !number.ok && number.code === 'AMBIGUOUS' ? number : undefined;
    const meant =
      unclear === undefined || mark === undefined ? undefined : written.includes(mark) ? unclear.decimal : unclear.thousands;
    const value = number.ok ? number.value : (meant ?? Number.NaN);
    const pricePerKg = perKg(value, cells.per ?? cells.unit ?? '');
    const day = cells.date ?? '';
    if (found.code !== 'FOUND') refused.push({ row, text, why: 'UNKNOWN_FOOD' });
    else if (unclear !== undefined && meant === undefined) refused.push({ row, text, why: 'UNCLEAR_PRICE' });
    else if ((cells[price] ?? '') === '' || !(value >= 0)) refused.push({ row, text, why: 'NO_PRICE' });
    else if (pricePerKg === undefined || !(pricePerKg <= MOST_PER_KG)) refused.push({ row, text, why: 'BAD_UNIT' });
    else if (day !== '' && !isDay(day)) refused.push({ row, text, why: 'BAD_DAY' });
    else prices.push({ row, ingredient: found.id, pricePerKg, day: day === '' ? undefined : day });
  }
  return { ok: true, prices, refused };
}
