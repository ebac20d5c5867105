import type { Day, DayOrder } from '../board/index.js';
import { readNumber } from '../units/index.js';
import { readCsv, writeCsv } from './csv.js';

/** A soup that may be ordered. */
export interface Orderable {
  readonly id: string;
  readonly name: string;
  readonly bowlG: number;
}

/** An order as read, with the day that it is for. */
export interface OrderRead extends DayOrder {
  readonly row: number;
  readonly date: string;
}

/** A row that could not be taken, and why. */
export interface OrderRefused {
  readonly row: number;
  readonly text: string;
  readonly why: 'BAD_DAY' | 'UNKNOWN_SOUP' | 'TWO_SOUPS' | 'NO_BOWLS' | 'TOO_MANY_BOWLS' | 'BAD_TIME';
}

export type DaysRead =
  | { readonly ok: true; readonly orders: readonly OrderRead[]; readonly refused: readonly OrderRefused[] }
  | { readonly ok: false; readonly code: 'NO_ROWS' | 'TOO_MANY_ROWS' | 'NOT_TEXT' | 'NO_DAY_COLUMN' };

const MOST_BOWLS = 5000;
const COLD = /^(cold|keep|keeps|freezer|fridge|yes|true|1)$/i;
const NOON = '12:00';

/** A date as YYYY-MM-DD; undefined where it is written in another way or is none. */
function dateOf(text: string): string | undefined {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return undefined;
  const ms = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(text) ? text : undefined;
}

/** A time on a clock of 24 hours, with colon, point or h; noon where none is named. */
function timeOf(text: string): string | undefined {
  if (text === '') return NOON;
  const found = /^(\d{1,2})\s?[:.h]\s?(\d{2})$/i.exec(text);
  const hours = Number(found?.[1] ?? Number.NaN);
  const minutes = Number(found?.[2] ?? Number.NaN);
  return hours < 24 && minutes < 60 ? `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}` : undefined;
}

/** Letters and figures alone, so that "Beetroot and horseradish" is "Beetroot & horseradish". */
function plain(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\band\b/g, '')
    .replace(/[^\p{L}\p{N}]/gu, '');
}

function soupsCalled(text: string, shelf: readonly Orderable[]): readonly Orderable[] {
  const byId = shelf.filter(({ id }) => id === text);
  return byId.length > 0 ? byId : shelf.filter(({ name }) => plain(name) === plain(text) && plain(text) !== '');
}

/**
 * Reads orders: columns "date" (YYYY-MM-DD), "soup" (its name on the shelf, or its id), "bowls", and where there are some
 * "time" (12:30) and "cold" (yes where it is to be kept). The same soup twice at one time is added up.
 */
export function readDays(csv: string, shelf: readonly Orderable[]): DaysRead {
  const table = readCsv(csv);
  if (!table.ok) return table;
  if (!['date', 'soup', 'bowls'].every((name) => table.columns.includes(name))) return { ok: false, code: 'NO_DAY_COLUMN' };
  const orders = new Map<string, OrderRead>();
  const refused: OrderRefused[] = [];
  for (const [n, cells] of table.rows.entries()) {
    const row = n + 2;
    const text = cells.soup ?? '';
    const date = dateOf(cells.date ?? '');
    const soups = soupsCalled(text, shelf);
    const read = readNumber(cells.bowls ?? '');
    const bowls = read.ok ? read.value : Number.NaN;
    const at = timeOf(cells.time ?? '');
    const keeps = COLD.test(cells.cold ?? '');
    const [soup] = soups;
    if (date === undefined) refused.push({ row, text: cells.date ?? '', why: 'BAD_DAY' });
    else if (soup === undefined) refused.push({ row, text, why: 'UNKNOWN_SOUP' });
    else if (soups.length > 1) refused.push({ row, text, why: 'TWO_SOUPS' });
    else if (!(bowls > 0)) refused.push({ row, text, why: 'NO_BOWLS' });
    else if (bowls > MOST_BOWLS) refused.push({ row, text, why: 'TOO_MANY_BOWLS' });
    else if (at === undefined) refused.push({ row, text: cells.time ?? '', why: 'BAD_TIME' });
    else {
      const key = `${date} ${soup.id} ${at} ${String(keeps)}`;
      const before = orders.get(key)?.bowls ?? 0;
      orders.set(key, { row, date, soupId: soup.id, bowls: before + bowls, bowlG: soup.bowlG, at, keeps });
    }
  }
  return { ok: true, orders: [...orders.values()], refused };
}

/** Days as CSV that `readDays` takes again. */
export function daysCsv(days: readonly Day[], nameOf: (soupId: string) => string): string {
  return writeCsv(
    ['date', 'soup', 'bowls', 'time', 'cold'],
    days.flatMap(({ date, batches }) =>
      batches.map(({ soupId, request, at, keeps }) => [date, nameOf(soupId), request.bowls, at, keeps === true ? 'yes' : '']),
    ),
  );
}
