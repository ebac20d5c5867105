import { writtenLines } from '../draft/index.js';
import type { PullRow } from '../plan/index.js';
import type { Soup } from '../soup/index.js';
import { readCsv, writeCsv } from './csv.js';

const COLUMNS = ['soup', 'bowls', 'bowl g', 'line', 'ingredient', 'trim', 'cut', 'kg as bought'] as const;

/** The lines of a soup with their kilos as bought, one a row. Its steps do not fit into a table: `lostIn` names them. */
export function toSoupCsv(
  soup: Soup,
  nameRow: (ingredient: string) => { readonly name: string } | undefined,
  kgOf: ReadonlyMap<string, number>,
): string {
  const words = writtenLines(soup, nameRow);
  const { bowls, bowlG } = soup.writtenFor;
  return writeCsv(
    COLUMNS,
    soup.lines.map(({ id, ingredient, way, cut }) => [
      soup.name,
      Math.round(bowls * 100) / 100,
      bowlG,
      words.get(id) ?? '',
      ingredient,
      way ?? '',
      cut?.name ?? '',
      kgOf.has(id) ? (kgOf.get(id) ?? 0).toFixed(4) : '',
    ]),
  );
}

/** A pull list, one ingredient a row. Masses kg, costs in the kitchen's currency. */
export function toPullCsv(rows: readonly PullRow[]): string {
  return writeCsv(
    ['group', 'ingredient', 'as bought kg', 'after trim kg', 'to the tub kg', 'cost'],
    rows.map(({ group, name, boughtKg, edibleKg, trimKg, cost }) => [
      group,
      name,
      boughtKg.toFixed(4),
      edibleKg.toFixed(4),
      trimKg.toFixed(4),
      cost.toFixed(2),
    ]),
  );
}

export type CsvAsText =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly code: 'NO_ROWS' | 'TOO_MANY_ROWS' | 'NOT_TEXT' }
  | { readonly ok: false; readonly code: 'NO_COLUMN'; readonly found: readonly string[] };

/**
 * A table of foods as a text to be read as pasted. A column "line" (or "written") holds whole lines; otherwise "amount",
 * "unit" and "ingredient" (or "food", "item") are put together.
 */
export function soupCsvAsText(csv: string): CsvAsText {
  const table = readCsv(csv);
  if (!table.ok) return table;
  const { columns, rows } = table;
  const has = (...names: readonly string[]): string | undefined => names.find((name) => columns.includes(name));
  const whole = has('line', 'written');
  const food = has('ingredient', 'food', 'item', 'name');
  if (whole === undefined && food === undefined) return { ok: false, code: 'NO_COLUMN', found: columns };
  const amount = has('amount', 'quantity', 'qty');
  const unit = has('unit', 'units', 'measure');
  const cell = (row: Readonly<Record<string, string>>, column: string | undefined): string =>
    column === undefined ? '' : (row[column] ?? '');
  const lines = rows.map(
    (row) => cell(row, whole) || [cell(row, amount), cell(row, unit), cell(row, food)].filter((one) => one !== '').join(' '),
  );
  const title = has('soup') === undefined ? '' : cell(rows[0] ?? {}, 'soup');
  const bowls = has('bowls') === undefined ? '' : cell(rows[0] ?? {}, 'bowls');
  return {
    ok: true,
    text: [...(title === '' ? [] : [title]), ...(bowls === '' ? [] : [`Serves ${bowls}`]), 'Ingredients', ...lines].join('\n'),
  };
}
