import { parseArgs, type ParseArgsConfig } from 'node:util';
import { UNITS, UNIT_CODES, type UnitCode } from '@tureen/core/units';
import type { Kit } from '@tureen/core/kit';
import { potsFor, type PlanRequest } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { Anchor } from '@tureen/core/solve';
import { Misused } from './result.js';

const OPTIONS = {
  bowls: { type: 'string' },
  bowl: { type: 'string' },
  pot: { type: 'string' },
  kit: { type: 'string' },
  larder: { type: 'string' },
  json: { type: 'boolean' },
  exact: { type: 'boolean' },
  kg: { type: 'string' },
  litres: { type: 'string' },
  'on-hand': { type: 'string', multiple: true },
  'fill-pot': { type: 'boolean' },
  trays: { type: 'string' },
  jugs: { type: 'string' },
  cartons: { type: 'string' },
  band: { type: 'string', multiple: true },
  add: { type: 'string', multiple: true },
  samples: { type: 'string' },
  seed: { type: 'string' },
  hold: { type: 'string' },
  country: { type: 'string' },
  depth: { type: 'string' },
  in: { type: 'string' },
  from: { type: 'string' },
  rule: { type: 'string' },
  stirred: { type: 'boolean' },
  soups: { type: 'string' },
  ics: { type: 'boolean' },
  help: { type: 'boolean' },
} as const satisfies NonNullable<ParseArgsConfig['options']>;

export type Given = ReturnType<typeof read>;

function read(
  args: readonly string[],
): ReturnType<typeof parseArgs<{ options: typeof OPTIONS; allowPositionals: true; strict: true }>> {
  return parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true, strict: true });
}

export function given(args: readonly string[]): Given {
  try {
    return read(args);
  } catch (error) {
    throw new Misused((error as Error).message);
  }
}

export function numberOf(text: string, what: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) throw new Misused(`${what} wants a number, not "${text}".`);
  return value;
}

/** "300g", "1.2 kg", "500ml" in the unit asked for. */
export function quantityOf(text: string, as: UnitCode, what: string): number {
  const found = /^\s*([\d.]+)\s*([a-zA-Z-]*)\s*$/.exec(text);
  const unit = (found?.[2] === '' ? as : found?.[2]?.toLowerCase()) as UnitCode | undefined;
  if (found === null || unit === undefined || !UNIT_CODES.includes(unit) || UNITS[unit].dimension !== UNITS[as].dimension) {
    throw new Misused(`${what} wants an amount such as 300g or 1.2kg, not "${text}".`);
  }
  return (numberOf(found[1] ?? '', what) * UNITS[unit].si) / UNITS[as].si;
}

/** "beetroot=5kg" */
function pairOf(text: string, what: string): readonly [string, string] {
  const at = text.indexOf('=');
  if (at <= 0) throw new Misused(`${what} wants name=amount, not "${text}".`);
  return [text.slice(0, at), text.slice(at + 1)];
}

function anchorsOf({ values }: Given): Anchor[] {
  const anchors: Anchor[] = [];
  if (values.kg !== undefined) anchors.push({ by: 'kg', kg: quantityOf(values.kg, 'kg', '--kg') });
  if (values.litres !== undefined) anchors.push({ by: 'litres', litres: quantityOf(values.litres, 'l', '--litres') });
  if (values.cartons !== undefined) {
    const [line, much] = pairOf(values.cartons, '--cartons');
    const [count, size] = much.split('x');
    anchors.push({
      by: 'carton',
      line,
      cartons: numberOf(count ?? '', '--cartons'),
      cartonKg: quantityOf(size ?? '', 'kg', '--cartons'),
    });
  }
  for (const text of values['on-hand'] ?? []) {
    const [ingredient, kg] = pairOf(text, '--on-hand');
    anchors.push({ by: 'on hand', ingredient, kg: quantityOf(kg, 'kg', '--on-hand') });
  }
  if (values['fill-pot'] === true) anchors.push({ by: 'pot' });
  if (values.trays !== undefined) anchors.push({ by: 'trays', trays: numberOf(values.trays, '--trays') });
  if (values.jugs !== undefined) anchors.push({ by: 'jugs', jugs: numberOf(values.jugs, '--jugs') });
  return anchors;
}

/** What is asked of a soup. Without a pot the smallest that may hold it is taken, by its written amount. */
export function requestOf(from: Given, kit: Kit, soup: Soup, fits: (request: PlanRequest) => boolean): PlanRequest {
  const { values } = from;
  const anchors = anchorsOf(from);
  const bowls = values.bowls === undefined ? undefined : numberOf(values.bowls, '--bowls');
  const bowlG = values.bowl === undefined ? soup.writtenFor.bowlG : quantityOf(values.bowl, 'g', '--bowl');
  const all: Anchor[] = bowls === undefined || anchors.length === 0 ? anchors : [{ by: 'bowls', bowls }, ...anchors];
  const base = { bowls: bowls ?? soup.writtenFor.bowls, bowlG, ...(all.length === 0 ? {} : { anchors: all }) };
  if (values.pot !== undefined) return { ...base, potId: values.pot };
  const pots = potsFor(soup, kit);
  const fitting = pots.find(({ id }) => fits({ ...base, potId: id }));
  return { ...base, potId: (fitting ?? pots.at(-1))?.id ?? '' };
}
