import type { Amount } from '../amounts/index.js';
import type { IngredientRow } from '../larder/index.js';
import { UNITS, type UnitCode } from '../units/index.js';
import { CARD, linesOf, walk, type Line, type Soup, type SoupStep } from '../soup/index.js';

/** Units as they are written, so that the parser reads them back as they were, in the country that names them so. */
const WORDS: Readonly<Partial<Record<UnitCode, string>>> = {
  l: 'L',
  ml: 'ml',
  'tsp-metric': 'teaspoon',
  'tsp-us': 'teaspoon',
  'tbsp-metric': 'tablespoon',
  'tbsp-us': 'tablespoon',
  'tbsp-au': 'tablespoon',
  'cup-metric': 'cup',
  'cup-us': 'cup',
  'pint-imp': 'pint',
  'pint-us': 'pint',
  'quart-us': 'quart',
  'gallon-imp': 'gallon',
  'gallon-us': 'gallon',
  'floz-imp': 'fl oz',
  'floz-us': 'fl oz',
};

function figure(value: number): string {
  return String(Math.round(value * 1000) / 1000);
}

function amountText({ value, unit, size, basis }: Amount): string {
  if (unit !== 'piece' && basis === 'edible' && UNITS[unit].dimension === 'mass') return `${figure(value)} ${unit} trimmed`;
  if (unit !== 'piece') return `${figure(value)} ${WORDS[unit] ?? UNITS[unit].label}${size === undefined ? '' : ` ${size}`}`;
  const contents = /^(can|carton|jar|bottle|tube|pack)-(\d+(?:g|ml|l|oz))$/.exec(size ?? '');
  if (contents !== null) return `${figure(value)} x ${contents[2] ?? ''} ${contents[1] ?? ''}`;
  if (size === 'can-no10') return `${figure(value)} no10 can`;
  return size === undefined || size === 'medium' ? figure(value) : `${figure(value)} ${size}`;
}

/** How a step settles a line, in the words that are read back as such. */
function settledText(lineId: string, steps: readonly SoupStep[]): string {
  const settling = steps.find((step) => linesOf(step).some(({ line, settles }) => line === lineId && settles));
  if (settling?.op === 'cover') return 'to cover';
  return settling?.op === 'season' ? 'to taste' : 'to the mark';
}

/** A line in words: as the cook wrote it, or put together from what it says. */
export function writeLine(line: Line, row: Pick<IngredientRow, 'name'> | undefined, steps: readonly SoupStep[]): string {
  if (line.written !== undefined) return line.written;
  const name = row?.name.toLowerCase() ?? line.ingredient.replace(CARD, '').replaceAll('-', ' ');
  const manners = [line.way, line.cut?.name].flatMap((one) => (one === undefined ? [] : [`, ${one}`])).join('');
  switch (line.amount.rule) {
    case 'scaled':
    case 'spice':
      return `${amountText(line.amount.amount)} ${name}${manners}`;
    case 'panFloor':
      return `${name} for frying`;
    case 'fixed':
      return `${amountText({ value: line.amount.kg, unit: 'kg' })} ${name}${manners}`;
    case 'byStep':
      return `${name} ${settledText(line.id, steps)}`;
  }
}

/** All lines of a soup in words, by line id. */
export function writtenLines(
  soup: Soup,
  rowOf: (ingredient: string) => Pick<IngredientRow, 'name'> | undefined,
): ReadonlyMap<string, string> {
  const steps = walk(soup.root).map(({ step }) => step);
  return new Map(soup.lines.map((line) => [line.id, writeLine(line, rowOf(line.ingredient), steps)]));
}
