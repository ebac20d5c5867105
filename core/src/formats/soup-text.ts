import { writtenLines } from '../draft/index.js';
import { writeMethod } from '../method/index.js';
import type { Soup } from '../soup/index.js';

/** A soup as plain text, so written that it can be pasted in again. */
export function toText(
  soup: Soup,
  nameRow: (ingredient: string) => { readonly name: string } | undefined,
  nameOf: (lineId: string) => string,
): string {
  const { bowls, bowlG } = soup.writtenFor;
  const said = writeMethod(soup, nameOf).map((sentence, n) => `${String(n + 1)}. ${sentence}`);
  return [
    soup.name,
    `Makes ${String(Math.round(bowls * 10) / 10)} bowls of ${String(bowlG)} g`,
    '',
    'Ingredients',
    ...writtenLines(soup, nameRow).values(),
    '',
    'Method',
    ...said,
    ...(soup.note === undefined ? [] : ['', soup.note]),
    '',
  ].join('\n');
}
