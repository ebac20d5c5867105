import type { Ingredient } from '../larder/index.js';
import { weigh, type Amount } from './amount.js';
import { summed } from './compound.js';
import { findName, plain, type Found } from './names.js';
import { BEFORE, plainNumbers, takeApart, type Phrase } from './phrase.js';

import type { LineReading, Option, ReadingContext } from './reading.js';
import { CONTAINER, TRIMMED_FIRST, asOptions, labelOf, measured, wayIn } from './sized.js';

/** What roasting or boiling leaves of a vegetable's weight, where it is measured cooked. Kitchen default, common practice. */
const COOKED_LEAVES = 0.75;
/** What was there before of what has taken up water: rice, barley and lentils weigh 2.7 times as much cooked. Kitchen default, common practice. */
const COOKED_WAS = 1 / 2.7;
const COOKED_FIRST = /^(?:\w+ )?(?:roasted|roast|baked|cooked|steamed|boiled)\b/i;

/** Whether what is measured is measured cooked: "6 cups roasted squash". */
function cookedFirst({ rest, unit, each }: Phrase, { row }: Ingredient): boolean {
  const isMeasured = unit !== undefined && (/^(?:cup|gram|kilogram|ounce|pound)$/.test(unit) || unit === 'tablespoon');
  const isPacked = each !== undefined;
  // "1 jar roasted peppers (460 g)" is what the jar says.
  if (row.group === 'canned goods') return false;
  const changes = swells(row) || row.trims.some(({ share }) => share < 1);
  return (isPacked || isMeasured) && changes && COOKED_FIRST.test(rest.trim());
}

/** Whether it takes up water when it is cooked. */
function swells({ id, group }: Ingredient['row']): boolean {
  return group === 'pulses' || /(?:rice|barley|quinoa|couscous|pasta|spelt)$/.test(id);
}

/** So much raw as is that much once it is cooked. */
function grown({ amount, kg }: Option, { row }: Ingredient): Pick<Option, 'amount' | 'kg'> {
  const times = swells(row) ? COOKED_WAS : 1 / COOKED_LEAVES;
  return { amount: { ...amount, value: amount.value * times }, kg: kg * times };
}

/** A line whose food is known. */
function readFor(text: string, phrase: Phrase, ingredient: Ingredient, context: ReadingContext): LineReading {
  const { id } = ingredient.row;
  if (phrase.says !== undefined && phrase.value === undefined) return { text, code: 'BY_STEP', ingredient: id, says: phrase.says };
  if (phrase.value === undefined) return { text, code: 'NO_AMOUNT', ingredient: id };
  const high = phrase.high ?? phrase.value;
  const middle = (phrase.value + high) / 2;
  const { options, ask } = measured(phrase, middle, ingredient, context.country);
  if (ask !== undefined) return { text, code: 'ASK', what: ask, options: asOptions(options, ingredient) };
  const [only] = options;
  if (only === undefined) {
    const failed = weigh({ value: middle, unit: 'piece', size: phrase.unit ?? 'medium' }, ingredient);
    return failed.ok ? { text, code: 'NO_AMOUNT', ingredient: id } : { text, code: 'CANNOT_MEASURE', error: failed.error };
  }
  const cooked = cookedFirst(phrase, ingredient);
  if (cooked) {
    const raw = asOptions([only], ingredient);
    const more = raw.map((one): Option => ({ ...one, ...grown(one, ingredient), label: `${one.label} once cooked` }));
    return { text, code: 'ASK', what: 'COOKED', options: [...more, ...raw.map((one) => ({ ...one, label: `${one.label} raw` }))] };
  }
  const inContainer = phrase.each !== undefined || (phrase.unit !== undefined && CONTAINER.has(phrase.unit));
  const manners = phrase.rest.split(',')[0] ?? '';
  const trimmedFirst = !inContainer && only.amount.unit !== 'piece' && TRIMMED_FIRST.test(manners.toLowerCase());
  const amount: Amount = trimmedFirst ? { ...only.amount, basis: 'edible' } : only.amount;
  const weighed = weigh(amount, ingredient);
  if (!weighed.ok) return { text, code: 'CANNOT_MEASURE', error: weighed.error };
  const kg = weighed.mass.massKg;
  return {
    text,
    code: 'READ',
    ingredient: id,
    amount,
    kg,
    lowKg: (kg * phrase.value) / middle,
    highKg: (kg * high) / middle,
    basis: weighed.mass.basis,
    way: wayIn(text, ingredient),
    assumed: high > phrase.value ? [...only.assumed, 'MIDDLE_OF_RANGE'] : only.assumed,
  };
}

/** "White wine such as a dry one": what follows is one of many. */
const EXAMPLE = /\s\(?(?:such as|like|e\.?g\.?|preferably|ideally|i\.?e\.?)\s.*$/i;

/** Names that a phrase could stand under: juice has a row of its own. */
function foodIn(phrase: Phrase): string {
  const food = (phrase.rest.split(/[,;]/)[0] ?? phrase.rest).replace(EXAMPLE, '');
  return phrase.juiceOf ? `${food} juice` : food;
}

/** What comes in a can is looked for among canned goods first: a can of tomatoes is not a fresh tomato. */
function findFood(phrase: Phrase, food: string, context: ReadingContext): Found {
  // Some names have a comma in them: "vegetable stock, carton" is not vegetable stock in a manner.
  const [head = '', second] = phrase.rest.split(/[,;]/);
  if (second !== undefined && !phrase.juiceOf) {
    const whole = context.names.exact.get(plain(`${head} ${second}`));
    const [id] = new Set(whole?.map((one) => one.id));
    if (id !== undefined) return { code: 'FOUND', id };
  }
  const inContainer = phrase.unit !== undefined && /^(?:can|tin|jar)$/.test(phrase.unit);
  const canned = inContainer ? findName(context.names, `canned ${food}`, context.country, false) : undefined;
  if (canned?.code === 'WHICH' && canned.ids[0]?.startsWith('canned-') === true) return canned;
  if (canned?.code === 'FOUND') return canned;
  const own = findName(context.names, food, context.country, context.guesses);
  return own.code === 'UNKNOWN' ? (firstOf(phrase.rest, context) ?? own) : own;
}

/** Where what stands before it has no name of its own, what is named for it: "chopped herbs, such as chives or parsley" are chives. */
const NAMED_FOR_IT = /[,\s(](?:such as|like|e\.?g\.?,?|i\.?e\.?,?|for example,?|ideally|perhaps) ([^()]+)/i;

function firstOf(rest: string, { names, country }: ReadingContext): Found | undefined {
  const named = NAMED_FOR_IT.exec(rest)?.[1];
  return named
    ?.split(/,| or | and |\//)
    .map((one) => findName(names, one.trim(), country, false))
    .find(({ code }) => code === 'FOUND');
}

/** Characters of the longest line that is read, and of what is shown of one that is longer. */
const LONGEST = 400;
const LONGEST_NAME = 60;

/**
 * Reads one written line: amount by a kept parser, food by the larder's names, spoons, cups, pints and ounces by the
 * kitchen's country. What is unclear comes back as a question with the kilos of each answer.
 *
 * @example readLine('1 1/2 cups onion, diced', { larder, names, country: 'us' }) // READ onion, 0.24 kg edible
 */
export function readLine(text: string, context: ReadingContext): LineReading {
  if (text.length > LONGEST) return { text, code: 'UNKNOWN_FOOD', name: `${text.slice(0, LONGEST_NAME).trim()} …`, nearest: [] };
  const { plain: figures, unclear } = plainNumbers(text);
  if (unclear !== undefined) {
    const meant = unclear.meant.flatMap((number) => asked(readWith(figures.replace(unclear.written, number), context), number));
    return meant.length > 0
      ? { text, code: 'ASK', what: 'NUMBER', options: meant }
      : { ...readWith(figures.replace(unclear.written, unclear.meant[0]), context), text };
  }
  return { ...readWith(figures, context), text };
}

/** What a reading offers as an answer to what a number was meant to be. */
function asked(reading: LineReading, number: string): Option[] {
  if (reading.code === 'READ') {
    const { ingredient, amount, kg } = reading;
    return [{ label: labelOf(amount), ingredient, amount, kg }];
  }
  return reading.code === 'ASK' ? reading.options.map((one) => ({ ...one, label: `${number}: ${one.label}` })) : [];
}

/** What a teaspoon of it means where nothing says that it is fresh: the dried and the ground. Common practice. */
const BY_TEASPOON: Readonly<Record<string, string>> = {
  'turmeric-root': 'turmeric',
  coriander: 'coriander-seed',
  thyme: 'dried-thyme',
  sage: 'dried-sage',
  rosemary: 'dried-rosemary',
  mint: 'dried-mint',
  basil: 'dried-basil',
  parsley: 'dried-parsley',
  marjoram: 'dried-marjoram',
  dill: 'dried-dill',
  tarragon: 'dried-tarragon',
};
const SAID_FRESH = /\b(?:fresh|leaf|leaves|chopped|minced|picked|torn|root|grated|snipped|stems?|stalks?)\b/i;

function byTeaspoon(id: string, { unit }: Phrase, text: string): string {
  // Turmeric is ground, in whatever it is weighed, where nothing says that it is a root.
  const isGround = unit === 'teaspoon' || (id === 'turmeric-root' && !/\b(?:cm|inch|in|thumb|knob|piece)\b/i.test(text));
  if (!isGround || SAID_FRESH.test(text)) return id;
  return id === 'marjoram' && /\boregano\b/i.test(text) ? 'dried-oregano' : (BY_TEASPOON[id] ?? id);
}

/** A cube or powder that is measured by the litre is the stock that it makes. */
function poured(id: string, { unit }: Phrase): string {
  const isPoured = unit !== undefined && /^(?:liter|milliliter|litre|quart|pint|cup|fluid ounce)$/.test(unit);
  if (!isPoured) return id;
  if (id === 'stock-cube-low-salt') return 'vegetable-stock-low-salt';
  return id === 'stock-cube' ? 'vegetable-stock-cube' : id;
}

/** Stock that says what it is made up from is as salty as that. */
function madeUp(id: string, text: string): string {
  const isFrom = /\b(?:cubes?|powder|bouillon|stock ?pots?|concentrate)\b/i.test(text);
  if (!isFrom) return id;
  if (id === 'vegetable-stock') return 'vegetable-stock-cube';
  return id === 'chicken-stock' ? 'chicken-stock-carton' : id;
}

/** "1 litre water or light stock": which of the two, with the kilos of each; undefined where it is one food. */
function eitherOf(text: string, context: ReadingContext): LineReading | undefined {
  const parts = /^(.+?)\s+or\s+([^,;(\d]+)(.*)$/i.exec(text);
  if (parts === null) return undefined;
  const [, first = '', second = '', rest = ''] = parts;
  const whole = takeApart(`${first}${rest}`);
  const food = (whole.rest.split(/[,;]/)[0] ?? '').trim();
  // "Chicken or vegetable stock", "red or white wine vinegar": the end of the second belongs to the first too.
  const words = second.trim().split(/\s+/);
  for (let length = words.length - 1; length > 0; length -= 1) {
    const shared = words.slice(-length).join(' ');
    if (findName(context.names, `${food} ${shared}`, context.country, false).code !== 'FOUND') continue;
    const head = first.slice(0, first.toLowerCase().indexOf(food.toLowerCase()));
    return oneOf(text, [readWith(`${first} ${shared}${rest}`, context), readWith(`${head}${second}${rest}`, context)], context);
  }
  const at = `${first}${rest}`.toLowerCase().indexOf(food.toLowerCase());
  if (food === '' || at < 0) return undefined;
  const other = `${`${first}${rest}`.slice(0, at)}${second.trim()}${`${first}${rest}`.slice(at + food.length)}`;
  if (findName(context.names, second, context.country, false).code !== 'FOUND') return undefined;
  return oneOf(text, [readWith(`${first}${rest}`, context), readWith(other, context)], context);
}

/** Which of several readings of one line it is: a question where they are different foods. */
function oneOf(text: string, readings: readonly LineReading[], context: ReadingContext): LineReading | undefined {
  const options = readings.flatMap((one): Option[] => {
    if (one.code !== 'READ') return [];
    const name = context.larder.get(one.ingredient)?.row.name ?? one.ingredient;
    return [{ label: name, ingredient: one.ingredient, amount: one.amount, kg: one.kg }];
  });
  if (options.length < 2) return readings[0]?.code === 'READ' ? undefined : readings.find(({ code }) => code === 'READ');
  return new Set(options.map(({ ingredient }) => ingredient)).size < 2
    ? readings[0]
    : { text, code: 'ASK', what: 'WHICH', options };
}

/** "2 lb 8 oz onions": the two amounts of one food as one, in the unit of the first; undefined where they are not of one food. */
function sumOf(text: string, context: ReadingContext): LineReading | undefined {
  const [first, second] = (summed(text) ?? []).map((part) => readWith(part, context));
  if (first?.code === 'READ' && second?.code === 'READ' && first.ingredient === second.ingredient) {
    const kg = first.kg + second.kg;
    return {
      ...first,
      text,
      amount: { ...first.amount, value: (first.amount.value * kg) / first.kg },
      kg,
      lowKg: first.lowKg + second.lowKg,
      highKg: first.highKg + second.highKg,
    };
  }
  if (first?.code !== 'ASK' || second?.code !== 'ASK') return undefined;
  const options = first.options.flatMap((one, n): Option[] => {
    const other = second.options[n];
    if (other?.ingredient !== one.ingredient) return [];
    const kg = one.kg + other.kg;
    const amount: Amount = { ...one.amount, value: (one.amount.value * kg) / one.kg };
    return [{ ...one, label: labelOf(amount), amount, kg }];
  });
  return options.length === 0 ? undefined : { ...first, text, options };
}

function readWith(text: string, context: ReadingContext): LineReading {
  const both = sumOf(text, context);
  if (both !== undefined) return both;
  const either = eitherOf(text, context);
  if (either !== undefined) return either;
  const phrase = takeApart(text);
  const food = foodIn(phrase);
  const found = findFood(phrase, food, context);
  if (found.code === 'UNKNOWN') return { text, code: 'UNKNOWN_FOOD', name: food.trim(), nearest: found.nearest };
  if (found.code === 'WHICH') {
    const options = found.ids.flatMap((id): Option[] => {
      const ingredient = context.larder.get(id);
      if (ingredient === undefined) return [];
      const reading = readFor(text, phrase, ingredient, context);
      if (reading.code === 'READ') return [{ label: ingredient.row.name, ingredient: id, amount: reading.amount, kg: reading.kg }];
      return reading.code === 'ASK'
        ? reading.options.map((one) => ({ ...one, label: `${ingredient.row.name}, ${one.label}` }))
        : [];
    });
    return options.length > 0
      ? { text, code: 'ASK', what: 'WHICH', options }
      : { text, code: 'UNKNOWN_FOOD', name: food.trim(), nearest: found.ids };
  }
  const ingredient = context.larder.get(byTeaspoon(poured(madeUp(found.id, text), phrase), phrase, text));
  if (ingredient === undefined) return { text, code: 'UNKNOWN_FOOD', name: food.trim(), nearest: [] };
  if (phrase.ratio !== undefined && Object.values(BEFORE).some((one) => one === phrase.ratio?.of)) {
    return { text, code: 'RATIO', ingredient: found.id, of: phrase.ratio.of, factor: phrase.ratio.factor };
  }
  if (phrase.ratio !== undefined) {
    const of = findName(context.names, phrase.ratio.of, context.country);
    return of.code === 'FOUND'
      ? { text, code: 'RATIO', ingredient: found.id, of: of.id, factor: phrase.ratio.factor }
      : { text, code: 'UNKNOWN_FOOD', name: phrase.ratio.of, nearest: of.code === 'UNKNOWN' ? of.nearest : of.ids };
  }
  return readFor(text, phrase, ingredient, context);
}

/** Reads a list, and turns "half as much carrot as potato" into kilos once the potato is known. */
export function readLines(texts: readonly string[], context: ReadingContext): LineReading[] {
  const readings = texts.filter((text) => text.trim() !== '').map((text) => readLine(text, context));
  const kgOf = (id: string): number =>
    readings.reduce((sum, one) => (one.code === 'READ' && one.ingredient === id ? sum + one.kg : sum), 0);
  return readings.map((one, n): LineReading => {
    if (one.code !== 'RATIO') return one;
    const before = readings.slice(0, n).flatMap((own) => (own.code === 'READ' ? [own.kg] : []));
    if (one.of === BEFORE.together) {
      const [a, b] = before.slice(-2);
      if (a === undefined || b === undefined) return one;
      const of = (label: string, kg: number): Option => ({
        label,
        ingredient: one.ingredient,
        amount: { value: kg, unit: 'kg' },
        kg,
      });
      return {
        text: one.text,
        code: 'ASK',
        what: 'TOGETHER',
        options: [of('of both together', (a + b) * one.factor), of('of each of them', ((a + b) / 2) * one.factor)],
      };
    }
    const kg = (one.of === BEFORE.one ? (before.at(-1) ?? 0) : kgOf(one.of)) * one.factor;
    if (kg === 0) return one;
    const ingredient = context.larder.get(one.ingredient);
    const way = ingredient === undefined ? undefined : wayIn(one.text, ingredient);
    const amount: Amount = { value: kg, unit: 'kg' };
    return {
      text: one.text,
      code: 'READ',
      ingredient: one.ingredient,
      amount,
      kg,
      lowKg: kg,
      highKg: kg,
      basis: 'bought',
      way,
      assumed: [],
    };
  });
}
