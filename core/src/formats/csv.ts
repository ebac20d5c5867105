import Papa from 'papaparse';

/** Rows of a CSV by their column names, in small letters; what could not be read is said with its row. */
export type Table =
  | { readonly ok: true; readonly columns: readonly string[]; readonly rows: readonly Readonly<Record<string, string>>[] }
  | { readonly ok: false; readonly code: 'NO_ROWS' | 'TOO_MANY_ROWS' | 'NOT_TEXT' };

const MOST_ROWS = 5000;
// eslint-disable-next-line no-control-regex -- it is control characters that are looked for
const BINARY = /[\u0000-\u0008\u000e-\u001a\ufffd]/;

/** A cell as it was before a spreadsheet was kept from reading it as a formula. */
function unescaped(cell: string): string {
  return /^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell;
}

/** Commas, semicolons and tabs are told apart by the heading. */
function delimiterOf(text: string): string {
  const [heading = ''] = text.split(/\r?\n/, 1);
  const count = (sign: string): number => heading.split(sign).length - 1;
  return [',', ';', '\t'].reduce((best, sign) => (count(sign) > count(best) ? sign : best), ',');
}

/** Reads a CSV with a heading row. */
export function readCsv(text: string): Table {
  if (BINARY.test(text)) return { ok: false, code: 'NOT_TEXT' };
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    delimiter: delimiterOf(text),
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 1,
    transformHeader: (heading) => heading.trim().toLowerCase(),
    transform: (cell) => unescaped(cell.trim()),
  });
  if (data.length === 0) return { ok: false, code: 'NO_ROWS' };
  return data.length > MOST_ROWS ? { ok: false, code: 'TOO_MANY_ROWS' } : { ok: true, columns: meta.fields ?? [], rows: data };
}

/** Writes rows as CSV, with cells that a spreadsheet would take for formulas made harmless. */
export function writeCsv(columns: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  return `${Papa.unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
