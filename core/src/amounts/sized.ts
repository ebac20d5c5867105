import type { Ingredient } from '../larder/index.js';
import { UNITS, type UnitCode } from '../units/index.js';
import { weigh, type Amount } from './amount.js';
import { plain, type Country } from './names.js';
import type { Phrase } from './phrase.js';
import type { LineReading, Option } from './reading.js';

const PLAIN_UNITS: Readonly<Record<string, UnitCode>> = {
  gram: 'g',
  kilogram: 'kg',
  pound: 'lb',
  milliliter: 'ml',
  liter: 'l',
  litre: 'l',
  quart: 'quart-us',
};

/** Units whose size depends on the country. */
const BY_COUNTRY: Readonly<
  Record<string, { readonly what: 'SPOON' | 'CUP' | 'PINT'; readonly codes: Readonly<Record<Country, UnitCode>> }>
> = {
  teaspoon: { what: 'SPOON', codes: { gb: 'tsp-metric', us: 'tsp-us', au: 'tsp-metric' } },
  tablespoon: { what: 'SPOON', codes: { gb: 'tbsp-metric', us: 'tbsp-us', au: 'tbsp-au' } },
  cup: { what: 'CUP', codes: { gb: 'cup-metric', us: 'cup-us', au: 'cup-metric' } },
  pint: { what: 'PINT', codes: { gb: 'pint-imp', us: 'pint-us', au: 'pint-imp' } },
  gallon: { what: 'PINT', codes: { gb: 'gallon-imp', us: 'gallon-us', au: 'gallon-imp' } },
  'fluid ounce': { what: 'PINT', codes: { gb: 'floz-imp', us: 'floz-us', au: 'floz-imp' } },
};

/** Vague measures in something that can be weighed. Kitchen defaults, g. */
const VAGUE_G: Readonly<Record<string, number>> = {
  pinch: 0.4,
  dash: 0.6,
  handful: 30,
  knob: 20,
  drop: 0.05,
  pat: 5,
  dollop: 30,
  glug: 15,
  spoonful: 15,
  squeeze: 5,
  drizzle: 5,
  splash: 15,
  sprinkling: 2,
  scrape: 0.3,
  grating: 0.3,
  trickle: 5,
  ladle: 120,
  sprig: 1,
  leaf: 0.5,
  thumb: 15,
  glass: 150,
  shot: 30,
};
/** What a sprig, a leaf and a thumb may be of. */
const VAGUE_OF: Readonly<Record<string, RegExp>> = { sprig: /^herbs$/, leaf: /^(?:herbs|leaves)$/, thumb: /^(?:roots)$/ };

const LEAVES = /\b(?:leaf|leaves)\b/i;

export const CONTAINER = new Set(['can', 'tin', 'jar', 'carton', 'package', 'pack', 'box', 'bag', 'container', 'bottle']);
/** Manners before the name mean that what is weighed is trimmed already. */
export const TRIMMED_FIRST =
  /\b(peeled|trimmed|cored|seeded|deseeded|diced|chopped|sliced|cubed|grated|minced|picked|shelled|drained)\b/;

interface Sized {
  readonly amount: Amount;
  readonly assumed: Extract<LineReading, { code: 'READ' }>['assumed'];
}

function piecesLike(ingredient: Ingredient, wanted: RegExp): [string, number][] {
  return Object.entries(ingredient.row.pieces ?? {}).filter(([size]) => wanted.test(size));
}

/** The can that a shop of the country sells where no size is written. Common practice. */
const USUAL_CAN: Readonly<Record<Country, readonly string[]>> = {
  gb: ['can-400g', 'can-400ml'],
  au: ['can-400g', 'can-400ml'],
  us: [],
};

/** How what is sold in cans and cartons is measured there. */
const SOLD_IN: Readonly<Record<Country, RegExp>> = { gb: /\d(?:g|ml|l)$/, au: /\d(?:g|ml|l)$/, us: /\doz$|-(?:pint|quart)$/ };

function inWordsOf({ rest }: Phrase): string | undefined {
  return /\b(?:no10|small|large)\b/i.exec(rest)?.[0];
}

/** Ways in which a count could be meant for this ingredient. */
function counted(phrase: Phrase, value: number, ingredient: Ingredient, country: Country | undefined): Sized[] {
  const { pieces } = ingredient.row;
  const { unit } = phrase;
  const of = (size: string, assumed: Sized['assumed'] = []): Sized => ({ amount: { value, unit: 'piece', size }, assumed });
  if (pieces === undefined) return [];
  const sizes = Object.keys(pieces);
  if (unit !== undefined && sizes.includes(unit)) return [of(unit)];
  if (unit === undefined && ingredient.row.group === 'herbs' && sizes.includes('bunch') && LEAVES.test(phrase.rest))
    // "10 mint leaves" are no ten bunches.
    return [{ amount: { value: value * (VAGUE_G.leaf ?? 0), unit: 'g', basis: 'edible' }, assumed: [] }];
  if (unit === 'stick' && sizes.includes('stalk')) return [of('stalk')];
  if (unit === 'bulb' && sizes.includes('head')) return [of('head')];
  // A size behind the food is that of its pieces: "1 potato in small cubes", "1 onion, large dice".
  const food = plain(phrase.rest.split(/[,;(]|\b(?:in|into|cut)\b/i)[0] ?? '');
  const inWords = sizes.find((size) => new RegExp(`\\b${size.replace(/^can-(?=no)/, '')}s?\\b`).test(food));
  if (inWords !== undefined) return [of(inWords)];
  if (unit !== undefined && CONTAINER.has(unit)) {
    const usual =
      country === undefined || inWordsOf(phrase) !== undefined
        ? undefined
        : USUAL_CAN[country].find((size) => sizes.includes(size));
    if (usual !== undefined && /^(?:can|tin)$/.test(unit)) return [of(usual, ['USUAL_CAN'])];
    const all = piecesLike(ingredient, /^(can|carton|jar|pack|bag|bottle|tube)/);
    const alike = all.filter(([size]) => size.startsWith('can') === /^(?:can|tin)$/.test(unit));
    const held = alike.length > 0 ? alike : all;
    // Where the shops of the country sell one size of it, that is meant.
    const [local, ...others] = held.filter(([size]) => country !== undefined && SOLD_IN[country].test(size));
    if (held.length > 1 && local !== undefined && others.length === 0 && inWordsOf(phrase) === undefined)
      return [of(local[0], ['USUAL_CAN'])];
    // One that is not sold in a can of that size is no jar either: it is asked.
    return held.map(([size]) => of(size, held.length === 1 && !size.startsWith(unit) ? ['USUAL_CAN'] : []));
  }
  // A head or bulb of what is listed by its sizes is one of it.
  if (unit !== undefined && !['piece', 'large', 'medium', 'small', 'head', 'bulb'].includes(unit)) return [];
  if (sizes.includes('medium')) return [of('medium', unit === 'medium' ? [] : ['MEDIUM_SIZE'])];
  const whole = sizes.filter((size) => !/^(can|tin|carton|jar|pack|bag|bottle|tube|pinch|sprig|slice)/.test(size));
  return whole.length === 1 && whole[0] !== undefined ? [of(whole[0], ['MEDIUM_SIZE'])] : whole.map((size) => of(size));
}

/** The cut that a cup of this was filled with, as far as the words say. */
function cutIn(rest: string, ingredient: Ingredient): string | undefined {
  const cuts = Object.keys(ingredient.row.cups ?? {});
  const words = plain(rest);
  return (
    cuts.find((cut) => words.includes(plain(cut))) ?? (words.includes('diced') && cuts.includes('cubed') ? 'cubed' : undefined)
  );
}

interface Measured {
  readonly options: readonly Sized[];
  readonly ask: Extract<LineReading, { code: 'ASK' }>['what'] | undefined;
}

const SPOONED =
  /(?:^|-)butter$|ghee|lard|-fat$|coconut-oil|cheese|yoghurt|mascarpone|soured-cream|creme-fraiche|crema|tahini|honey|paste/;

/** In which amounts a phrase could be meant; more than one is a question. */
export function measured(phrase: Phrase, value: number, ingredient: Ingredient, country: Country | undefined): Measured {
  const { unit, each } = phrase;
  const isLiquid = ingredient.row.densityKgM3 !== undefined;
  if (each !== undefined) {
    const one = measured({ ...phrase, each: undefined, unit: each.unit }, value * each.value, ingredient, country);
    // What is printed on a can or pack in ounces is its weight, whatever is in it.
    const options: readonly Sized[] =
      each.unit === 'ounce' ? [{ amount: { value: value * each.value, unit: 'oz' }, assumed: [] }] : one.options;
    return {
      ask: each.unit === 'ounce' ? undefined : one.ask,
      options: options.map((own) => ({ ...own, assumed: ['CAN_CONTENTS'] as const })),
    };
  }
  const plainUnit = unit === undefined ? undefined : PLAIN_UNITS[unit];
  if (plainUnit !== undefined) return { ask: undefined, options: [{ amount: { value, unit: plainUnit }, assumed: [] }] };
  if (unit === 'ounce') {
    const weight: Sized = { amount: { value, unit: 'oz' }, assumed: [] };
    // What is sold by weight although it could be poured.
    if (!isLiquid || SPOONED.test(ingredient.row.id)) return { ask: undefined, options: [weight] };
    const fluid: Sized = { amount: { value, unit: country === 'us' ? 'floz-us' : 'floz-imp' }, assumed: [] };
    return { ask: 'OUNCE', options: [weight, fluid] };
  }
  const local = unit === undefined ? undefined : BY_COUNTRY[unit];
  if (local !== undefined) {
    const cut = isLiquid ? undefined : cutIn(phrase.rest, ingredient);
    const isFirst = local.what === 'CUP' && cut === undefined && Object.keys(ingredient.row.cups ?? {}).length > 1 && !isLiquid;
    const of = (code: UnitCode): Sized => ({
      amount: { value, unit: code, ...(cut === undefined || local.what === 'SPOON' ? {} : { size: cut }) },
      assumed: isFirst ? ['FIRST_CUT'] : [],
    });
    if (country !== undefined) return { ask: undefined, options: [of(local.codes[country])] };
    const codes = [...new Set(Object.values(local.codes))];
    return { ask: codes.length > 1 ? local.what : undefined, options: codes.map(of) };
  }
  const fits = unit === undefined || VAGUE_OF[unit] === undefined || VAGUE_OF[unit].test(ingredient.row.group);
  if (unit !== undefined && VAGUE_G[unit] !== undefined && fits && ingredient.row.pieces?.[unit] === undefined) {
    return { ask: undefined, options: [{ amount: { value: value * VAGUE_G[unit], unit: 'g', basis: 'edible' }, assumed: [] }] };
  }
  const counts = counted(phrase, value, ingredient, country);
  return { ask: counts.length > 1 ? 'SIZE' : undefined, options: counts };
}

/** The way of trimming that the words ask for; the row's usual one when they say nothing. */
export function wayIn(text: string, ingredient: Ingredient): string | undefined {
  const words = new Set(plain(text).split(' '));
  const { trims } = ingredient.row;
  const scored = trims.map(({ way }) => ({
    way,
    hits: plain(way)
      .split(' ')
      .filter((word) => words.has(word) && word !== 'and').length,
  }));
  const best = scored.reduce((a, b) => (b.hits > a.hits ? b : a), { way: '', hits: 0 });
  if (best.hits > 0) return best.way;
  const usual = trims[0];
  return usual !== undefined && usual.share < 1 ? usual.way : undefined;
}

export function labelOf({ value, unit, size }: Amount): string {
  const figure = String(Math.round(value * 1000) / 1000);
  if (unit === 'piece') return `${figure} ${size ?? ''}`.trim();
  return `${figure} ${UNITS[unit].label}${size === undefined ? '' : ` ${size}`}`;
}

export function asOptions(sized: readonly Sized[], ingredient: Ingredient): Option[] {
  return sized.flatMap(({ amount }) => {
    const weighed = weigh(amount, ingredient);
    return weighed.ok ? [{ label: labelOf(amount), ingredient: ingredient.row.id, amount, kg: weighed.mass.massKg }] : [];
  });
}
