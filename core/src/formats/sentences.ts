import type { DaysRead, OrderRefused } from './days-csv.js';
import type { CsvAsText } from './soup-csv.js';
import type { Omission } from './omissions.js';
import type { PriceRefused } from './prices-csv.js';
import type { RecipeFound } from './recipe-ld.js';

type Unread =
  | Extract<RecipeFound, { ok: false }>['code']
  | Extract<CsvAsText, { ok: false }>['code']
  | Extract<DaysRead, { ok: false }>['code']
  | 'TOO_BIG'
  | 'UNKNOWN_KIND';

const UNREAD: Readonly<Record<Unread, string>> = {
  NOT_JSON: 'It is not JSON, or was cut off on the way.',
  NO_RECIPE: 'There is no recipe in it that says it is one (schema.org Recipe).',
  NO_INGREDIENTS: 'The recipe in it lists no ingredients.',
  NO_ROWS: 'There are no rows under its heading.',
  TOO_MANY_ROWS: 'It has more than 5000 rows.',
  NOT_TEXT: 'It is not a text but a file of another kind.',
  NO_COLUMN:
    'Its columns are not known: it needs “line”, or “ingredient” with “amount” and “unit”; prices need “ingredient” and “price”.',
  NO_DAY_COLUMN: 'It needs the columns “date”, “soup” and “bowls”; “time” and “cold” may stand beside them.',
  TOO_BIG: 'It is bigger than 2 MB, far more than a soup.',
  UNKNOWN_KIND: 'It is no text, web page, JSON or CSV.',
};

/** Why a file can't be read, and that nothing was changed by trying. */
export function unreadSentence(code: Unread, file: string): string {
  return `${file}: ${UNREAD[code]} Nothing was changed.`;
}

const LOST: Readonly<Record<Omission, string>> = {
  PHOTOS: 'the photos at its steps',
  FINISHES: 'how its shares of bowls differ',
  TARGETS: 'targets of salt, cream and body',
  BRANCHES: 'which pot or tray a step stands in',
  METHOD_CHOICES: 'the method choices',
  SHARES: 'how one line is shared over stations',
  STEPS: 'its steps',
  VARIANTS: 'its variants',
  CARDS: 'the cards within it',
};

/** What a format leaves out of this soup, in one sentence; empty where it holds all. */
export function omissionsSentence(lost: readonly Omission[]): string {
  if (lost.length === 0) return '';
  const words = lost.map((one) => LOST[one]);
  const list = words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
  const instead = lost.every((one) => one === 'PHOTOS') ? 'They stay in this kitchen.' : 'The soup’s own file holds the rest.';
  return `It can’t hold ${list}. ${instead}`;
}

const REFUSED: Readonly<Record<PriceRefused['why'], string>> = {
  UNKNOWN_FOOD: 'is not in the larder',
  NO_PRICE: 'has no price',
  UNCLEAR_PRICE: 'has a price that could be a decimal or a thousand; write it with two decimals',
  BAD_UNIT: 'is not priced by weight: write kg, g, lb or oz',
  BAD_DAY: 'has a date that is none: write it as 2031-02-28',
};

/** A price row that was not taken, and why. */
export function refusedPriceSentence({ row, text, why }: PriceRefused): string {
  return `Row ${String(row)}: ${text === '' ? 'an empty name' : text.slice(0, 60)} ${REFUSED[why]}.`;
}

const ORDER_REFUSED: Readonly<Record<OrderRefused['why'], string>> = {
  BAD_DAY: 'is no date: write it as 2031-02-28',
  UNKNOWN_SOUP: 'is not on the shelf',
  TWO_SOUPS: 'is the name of two soups: give one of them another name',
  NO_BOWLS: 'has no bowls',
  TOO_MANY_BOWLS: 'has more than 5000 bowls, which is taken for a slip',
  BAD_TIME: 'is no time: write it as 12:30',
};

/** An order that was not taken, and why. */
export function refusedOrderSentence({ row, text, why }: OrderRefused): string {
  return `Row ${String(row)}: ${text === '' ? 'an empty cell' : text.slice(0, 60)} ${ORDER_REFUSED[why]}.`;
}
