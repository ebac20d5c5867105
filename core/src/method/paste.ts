import { readLine, readLines, takeApart, type LineReading, type ReadingContext } from '../amounts/index.js';
import { asSqueezed, byPercent, forAll, splitFoods, HUNDREDS, inGrams, isOfTheList } from './paste-foods.js';
import { foodsInProse } from './paste-prose.js';
import { figureIn } from './measures.js';
import { GARNISH_LIST, LEAST_WORDS, NUMBERED, isServing, isWork } from './paste-work.js';
import { isKnown } from './amount-behind.js';
import { TABLE_HEAD, bare, foodInCells, parted, unmarked, type Row } from './paste-rows.js';
import {
  BATCH_BEHIND,
  FOR_SO_MANY,
  HEADING_FOR,
  MAKES_BEHIND,
  PORTIONS,
  TIMES_EACH,
  YIELD_BEHIND,
  YIELD_LINE,
  SERVES_AT_END,
  SERVINGS_AT_END,
  bowlsIn,
  isTitle,
  portionIn,
  portionsIn,
  servedIn,
  sizedName,
  titleOf,
} from './paste-yield.js';

/** Longest text and most lines that are read at once: many times a card, and far below what would hold up a browser. */
export const MOST_CHARACTERS = 60_000;
export const MOST_LINES = 400;

/** One line of what was pasted, under its heading. */
export interface PastedLine {
  readonly heading: string;
  readonly reading: LineReading;
}

/** What was found in a pasted text: its name, for how many, its lines of food and its method. */
export interface Pasted {
  readonly title: string | undefined;
  readonly bowls: number | undefined;
  /** What one portion holds, g, where the text says so. */
  readonly bowlG: number | undefined;
  readonly lines: readonly PastedLine[];
  readonly method: readonly string[];
  /** What stands before the lines and is talk. */
  readonly notes: readonly string[];
  /** The whole text with all that is not method blanked, so that a place in it is the place in what was pasted. */
  readonly methodText: string;
}

export type Pasting =
  | { readonly ok: true; readonly pasted: Pasted }
  | { readonly ok: false; readonly code: 'TOO_LONG'; readonly characters: number; readonly lines: number }
  | { readonly ok: false; readonly code: 'NOTHING_IN_IT' }
  | { readonly ok: false; readonly code: 'NOT_TEXT' };

/** What a web page leaves between the foods: stars, switches of units, a number of reviews. */
const WEB_REST =
  /^recipe by\b.*$|^[★☆\s]*\d?(?:[.,]\d)?\s*(?:(?:stars?|out of 5( stars?)?),? ?)?(?:from|based on|\/|\()?\s*\d+ (?:reviews?|ratings?|votes?|comments?)\)?$|^(?:units?|scale|us customary|metric|cook mode|print|jump to recipe|save|rate)\b[^.]{0,40}$|^(?:\d\/?\d?x ?)+$/i;
const HEADING =
  /^(?:#+\s*)?(?:ingredients(?: list)?(?: below)?|(?:what )?you(?: will|['’]ll)? need|shopping|toppings?|garnish(?:es)?|for (?:the |a )?[\w &-]+|to (?:serve|garnish|finish))\s*[:!]?$/i;
/** What comes behind a recipe and is none of it. */
const OVER =
  /^(?:#+\s*)?(?:(?:recipe|cook['’]?s|chef['’]?s|top|our|my|extra) )?(?:notes?|tips?(?: (?:&|and) tricks)?|nutrition(?:al)?(?: (?:information|info|facts|values?))?|variations?|substitutions?|equipment|comments?|reviews?|storage(?: (?:tips|instructions))?|make[- ]ahead|goes well with|tried this recipe\??)\s*:?$/i;
/** Such things in one line, wherever they stand. */
const BESIDE_IT =
  /^(?:nutrition(?:al)?\b.*\d|(?:calories|kcal|energy)\b\s*:?\s*\d|did you make this\b|tag (?:me|us|@)|(?:published|author|adapted from|inspired by|source|photo(?:graph)?s? by|last updated|updated|keywords?|category|diet)\b\s*:?\s+\S|(?:make[- ]ahead|freez(?:ing|er[- ]friendly)|storage|storing|leftovers?)\b[\w /&-]{0,40}:\s+\S)/i;

/** How long it takes and how hard it is, by the editor: nothing to cook by. */
const ABOUT =
  /^(?:prep(?:aration)?(?: ?[+&/] ?cook(?:ing)?)?|cook(?:ing)?|time|total|active|hands[- ]on|ready|takes|difficulty|course|cuisine|calories)\b(?: time| in)?\s*:?\s*(?:about |under )?(?:\d|easy|medium|less)/i;
const METHOD =
  /^(?:#+\s*)?(?:step \d+|method|m\.?o\.?p\.?|method of preparation|directions?|instructions?|preparation|steps?|what to do|how to make it)\s*:?$/i;
const IN_BRACKETS =
  /^\((?:about |approx\.? |ca\.? )?([\d.,½¼¾]+(?: ?(?:-|–|to) ?[\d.,½¼¾]+)? ?(?:cups?|quarts?|qts?|litres?|liters?|l|pints?))\)$/i;
/** Characters that no text has: what begins so is a file of another kind under a wrong name. */
// eslint-disable-next-line no-control-regex -- it is control characters that are looked for
const BINARY = /[\u0000-\u0008\u000e-\u001a\ufffd]/;

/** What a line begins with that says what it is for: "For garnish: chopped parsley". */
const HEADED_LINE =
  /^for the [a-z][a-z ]{2,25}:\s+(?=[\d½¼¾])|^(?:(?:for|as) (?:the |a )?(?:garnish(?:ing)?|topping|serving|finish)|to (?:serve|garnish|finish)|(?:optional |suggested )?(?:garnish(?:es)?|topping)|optional)s?:\s+(?=\S)/i;

/** "Paprika butter: 2 tbsp butter + 1 tsp chilli flakes": a name over foods in one line, each with its measure; empty where it is a food and its amount. */
function headOfList(line: string, context: ReadingContext): string {
  const hit = /^[A-Z][a-zà-ÿ]+(?: [a-zà-ÿ]+){0,3}:\s+(?=[\d½¼¾])/.exec(line);
  const parts = line.slice(hit?.[0].length ?? 0).split(/ \+ |, (?:and )?(?=[\d½¼¾])/);
  const isList = parts.length > 1 && parts.every((part) => isKnown(part.trim(), context));
  return hit !== null && isList ? hit[0] : '';
}

/** A sentence before the list that names no amount. */
function isTalk(line: string): boolean {
  return /[.!?]$/.test(line) && !/\d|[½¼¾]/.test(line) && line.split(/\s+/).length > LEAST_WORDS;
}

/** "1 Steam combi 180C ...", "2 Brat pan: ...": steps that are only counted, told from "1 onion, 2 carrots" by what is no food. */
function countedSteps(rows: readonly Row[], context: ReadingContext): ReadonlySet<number> {
  const hits = rows.map(({ line }) => /^(\d{1,2})(?:\s+(?=[A-Z])|[.)]\s+(?=\S))(.*)$/.exec(line));
  const from = hits.findLastIndex((hit) => hit?.[1] === '1');
  const run: number[] = [];
  for (let n = from; n >= 0 && n < rows.length && Number(hits[n]?.[1]) === run.length + 1; n += 1) run.push(n);
  const foods = run.filter((n) => readLines([rows[n]?.line ?? ''], context)[0]?.code === 'READ');
  return new Set(run.length >= LEAST_COUNTED && foods.length * 2 < run.length ? run.flatMap((n) => rows[n]?.at ?? []) : []);
}
const LEAST_COUNTED = 3;
/** "You'll need 2 big onions, a kilo of parsnips and ...". */
const TOLD_LIST =
  /^(?:for (?:this|the|a|my) [^,.\d]{0,60},? )?(?:you(?:['’]ll| will)? (?:want|need)|(?:take|gather|get(?: together)?))\b/i;
const ABOVE_FOODS = 4;
/** "Chopped tomatoes 2 x 400 g" are no portions. */
const OF_PORTIONS =
  /\b(?:soup|bisque|chowder|velout[ée]|potage|portions?|ptns?|servings?|serves|bowls?|covers|pax|people|makes|yields?|batch)\b/i;

const BULLET = /^\s*[-–*•·]\s+/;

/** Rows with a bullet below a list of foods without: the first of them tells to do something, and so do the others. */
function bulletedWork(rows: readonly Row[]): ReadonlySet<number> {
  const from = rows.findIndex(({ raw }) => BULLET.test(raw));
  const first = rows[from];
  if (first === undefined || !isWork(first.line, false)) return new Set();
  const foods = rows.slice(0, from).filter(({ line }) => /\d/.test(line) && !isWork(line, false)).length;
  return foods < LEAST_LISTED ? new Set() : new Set(rows.slice(from).flatMap(({ raw, at }) => (BULLET.test(raw) ? [at] : [])));
}

/** "Cashew cream" over lines with amounts: a heading without its colon. */
function isBareHeading(line: string, next: string | undefined, context: ReadingContext): boolean {
  if (next === undefined || !/^[A-Z\p{Lu}]/u.test(line) || /[\d½¼¾.,;!?]/.test(line)) return false;
  if (line.split(/\s+/).length > MOST_HEADING_WORDS || takeApart(next).value === undefined) return false;
  const isLoud = /^[A-Z\s&]{3,}$/.test(line);
  // "PESTO" in capitals over a list is what is made of it.
  return readLines(splitFoods(line, false, context), context).every(
    ({ code }) => code === 'UNKNOWN_FOOD' || (isLoud && code === 'NO_AMOUNT'),
  );
}
const MOST_HEADING_WORDS = 4;
/** Fewer foods than this are no list, where so many more are told of in the sentences. */
const LEAST_LISTED = 3;
const LEAST_TOLD = 3;

/** Whether a food of the sentences is one of those that were listed. */
function isListed(text: string, listed: readonly { readonly text: string }[], context: ReadingContext): boolean {
  const ingredientOf = (one: string): string | undefined => {
    const reading = readLine(one, { ...context, guesses: false });
    return 'ingredient' in reading ? reading.ingredient : undefined;
  };
  const own = ingredientOf(text);
  return own !== undefined && listed.some((one) => ingredientOf(one.text) === own);
}

/** A food as the reader of amounts knows it: "small pack coriander", "zest+juice 10 limes", a dash where a comma is meant. */
function inKnownWords(written: string, context: ReadingContext): string {
  const food = written
    .replace(/^zest ?(?:\+|&|and|,) ?juice (?:of )?(?=\S)/i, 'zest and juice of ')
    .replace(
      /^(?:an? )?(small|large|big)? ?(?:packs?|packets?|pkts?|bags?) (?:of )?(?=(?:fresh )?(?:coriander|cilantro|parsley|flat[- ]leaf|basil|mint|dill|chives|tarragon|sage|thyme|rosemary|chervil)\b)/i,
      (_all, size?: string) => `1 ${size === undefined ? '' : `${size.toLowerCase()} `}bunch `,
    )
    // "Tomates maduros 2 kg (ripe tomatoes)": the name that is known.
    .replace(
      /^(\D{3,40}?) (\d[\d.,]* ?(?:kg|g|ml|l)) \(([a-z][a-z ]{2,40})\)$/i,
      (all: string, name: string, amount: string, meant: string) =>
        !isKnown(`${amount} ${name}`, context) && isKnown(`${amount} ${meant}`, context) ? `${amount} ${meant}` : all,
    );
  // "900 g broccoli - florets and stalks apart": where only so it is a food.
  const parted = food.replace(/ [-–—] (?=[a-z])/i, ', ');
  if (parted === food || readLine(food, context).code === 'READ') return food;
  return readLine(parted, context).code === 'READ' ? parted : food;
}

/** "Cream of celery (school kitchen, 120 x 150 ml)": what stands before the brackets, where it names a soup. */
function nameOf(line: string): string | undefined {
  const name = line.replace(/\s*\([^()]*\)/, '').trim();
  return name !== line && isTitle(name, true, true) ? name : undefined;
}

/** What stands over a list of foods, and names no soup. */
const LIST_HEAD = /^(?:#+\s*)?(?:the )?(?:ingredients|(?:what )?you(?: will|['’]ll)? need|what you need|shopping list)\b.{0,20}$/i;
const NAMED_BEFORE =
  /^(?:#+\s*)?(?!(?:serves|makes|yields?|for|feeds|ingredients)\b)([a-z][^(]{3,70}?)\s*(?:[(–—-]\s*)(?:serves|makes|for|feeds|approx\.?|about|ca\.?|yields?)\b[^a-z]*\d.*$/i;

/** A text of the same length with only these rows in it. */
function blanked(text: string, rows: readonly { readonly at: number; readonly raw: string }[]): string {
  let out = '';
  for (const { at, raw } of rows) {
    out += text.slice(out.length, at).replace(/[^\r\n]/g, ' ');
    out += raw;
  }
  return out;
}

/**
 * Reads a text as people paste it: a title, "serves 4", foods line by line or behind semicolons, headings, a method.
 * Nothing is dropped silently: a line that is not understood comes back as a question.
 */
export function readPaste(pastedText: string, context: ReadingContext): Pasting {
  const text = unmarked(pastedText);
  const rows = text.split(/\r\n|\r|\n/);
  if (text.length > MOST_CHARACTERS || rows.length > MOST_LINES) {
    return { ok: false, code: 'TOO_LONG', characters: text.length, lines: rows.length };
  }
  if (BINARY.test(text)) return { ok: false, code: 'NOT_TEXT' };
  const found: Row[] = [];
  let from = 0;
  for (const row of rows) {
    const line = bare(row);
    const cells = foodInCells(row);
    const isBeforeTitle = found.length === 0 && WEB_REST.test(line);
    if (line !== '' && !TABLE_HEAD.test(line) && !isBeforeTitle)
      found.push(cells === undefined ? { line, raw: row, at: from } : { line: cells, raw: row, at: from, isFood: true });
    from += row.length;
    from += text.startsWith('\r\n', from) ? 2 : 1;
  }
  const named = titleOf(found[0]) ?? (found.length > 2 ? sizedName(found[0]?.line ?? '') : undefined);
  const placed = (named === undefined ? found : found.slice(1)).flatMap((row, n) =>
    (n === 0 && named === undefined) ||
    (n === 1 && named === undefined && (!/[.,;]/.test(found[0]?.line ?? '.') || TOLD_LIST.test(row.line)))
      ? parted(row, found[n + 1]?.line)
      : [row],
  );
  const counted = countedSteps(placed, context);
  const bulleted = bulletedWork(placed);
  let title = named?.title;
  let bowls = named?.bowls;
  // How large a portion is stands over the foods.
  const bowlG = found
    .slice(0, ABOVE_FOODS)
    .filter(({ line, isFood }, n) => isFood !== true && !/^[\d½¼¾⅓⅔]/.test(line) && (n === 0 || OF_PORTIONS.test(line)))
    .map(({ line }) => portionIn(line))
    .concat(found.map(({ line }) => servedIn(line)))
    .find((grams) => grams !== undefined);
  let heading = '';
  let inMethod = false;
  let wasWork = false;
  const notes: string[] = [];
  const foods: { heading: string; text: string }[] = [];
  const method: string[] = [];
  const kept: { at: number; raw: string }[] = [];
  const work = (line: string, raw: string, at: number): void => {
    method.push(line.replace(NUMBERED, ''));
    kept.push({ at, raw });
  };
  let isOver = false;
  for (const [n, { line, raw, at, isFood }] of placed.entries()) {
    // Notes between the list and a method without a heading would swallow it.
    const isBehind = method.length > 0 || placed.slice(n + 1).some((row) => METHOD.test(row.line));
    if (foods.length > 0 && isBehind && OVER.test(line)) isOver = true;
    else if (HEADING.test(line) || METHOD.test(line)) isOver = false;
    if (isOver || BESIDE_IT.test(line)) {
      bowls ??= bowlsIn(/\b(?:serves|makes|yields?)\b.*$/i.exec(line)?.[0] ?? '');
      notes.push(line);
      continue;
    }
    const stated = bowlsIn(line);
    const inBowls = foods.length === 0 ? portionsIn(line) : undefined;
    const isHeading = HEADING.test(line) || (line.endsWith(':') && line.length < 60);
    const next = placed[n + 1]?.line;
    const portions = bowls === undefined ? (PORTIONS.exec(line) ?? (n === 0 ? TIMES_EACH.exec(line) : null)) : null;
    const behind = n === 0 && bowls === undefined && placed.length > 1 ? MAKES_BEHIND.exec(line) : null;
    if (behind !== null) {
      title = (behind[1] ?? '').replace(/^#+\s*/, '');
      bowls = bowlsIn(behind[2] ?? '');
      continue;
    }
    const soMany = n === 0 && bowls === undefined && placed.length > 1 ? FOR_SO_MANY.exec(line) : null;
    if (soMany !== null && portions === null && stated === undefined) {
      title = (soMany[1] ?? '').replace(/^#+\s*/, '');
      bowls = figureIn(soMany[2] ?? '');
      continue;
    }
    if (inBowls !== undefined && bowls !== undefined && n > 0) {
      bowls = inBowls;
      continue;
    }
    const inPortions = Number(portions?.[1] ?? portions?.[2]);
    if (portions !== null && (n === 0 || portions.index === 0) && inPortions > 0 && inPortions <= 1000) {
      bowls = inPortions;
      if (portions.index > 0)
        title = line
          .slice(0, portions.index)
          .replace(/^#+\s*|\s*\([^)]*$/g, '')
          .trim();
    } else if (stated !== undefined && n === 0 && /[a-z].*(?:[–—(,/-]|\s{2})\s*(?:makes|yields?|serves|batch)/i.test(line)) {
      bowls = stated;
      title = line.replace(/^#+\s*/, '').replace(/(?:\s*[/,(–—-]\s*|\s{2,})(?:yields?|makes|serves|batch)\b.*$/i, '');
    } else if (stated !== undefined && bowls === undefined && (foods.length === 0 || line.split(/\s+/).length < LEAST_WORDS)) {
      bowls = stated;
      // "Cream of celeriac (for 2)": how many stands behind the name.
      const name = n === 0 && title === undefined && placed.length > 1 ? (NAMED_BEFORE.exec(line)?.[1] ?? nameOf(line)) : undefined;
      if (name !== undefined) title = name;
    } else if (stated !== undefined && foods.length === 0 && YIELD_LINE.test(line)) {
      // "Yield: 12.5 L" under "(50 portions)".
      notes.push(line);
    } else if (stated === undefined && HEADING_FOR.test(line)) {
      bowls ??= bowlsIn(`serves ${HEADING_FOR.exec(line)?.[1] ?? ''}`);
      heading = '';
    } else if (method.length > 0 && YIELD_LINE.test(line)) {
      // How much it makes, behind the method.
      bowls ??= stated;
      notes.push(line);
    } else if (isFood === true) {
      foods.push(...splitFoods(line, false, context).map((own) => ({ heading, text: own })));
    } else if (ABOUT.test(line) && line.length < 80) {
      // "Takes: 1 hr  Makes: 6 portions".
      const beside =
        /\b(?:serves|servings?|portions?|makes|feeds|yields?)\s*:?\s*(\d+(?:\s*(?:-|–|to)\s*\d+)?)\b(?! ?(?:min|hour|hr))/i.exec(
          line,
        );
      bowls ??= bowlsIn(`serves ${beside?.[1] ?? PORTIONS.exec(line)?.[1] ?? ''}`);
    } else if (WEB_REST.test(line)) {
      bowls ??= bowlsIn(/\b(?:yields?|serves|makes)\b.*$/i.exec(line)?.[0] ?? '');
      notes.push(line);
    } else if (foods.length === 0 && method.length === 0 && IN_BRACKETS.test(line)) {
      // "(6 cups)", under the title.
      bowls ??= bowlsIn(`makes ${IN_BRACKETS.exec(line)?.[1] ?? ''}`);
    } else if (foods.length === 0 && method.length === 0 && /^\([^()\d]*\)$/.test(line)) {
      notes.push(line);
    } else if (METHOD.test(line)) {
      inMethod = true;
    } else if (title === undefined && !LIST_HEAD.test(line) && isTitle(line, n === 0, placed.length > 1)) {
      bowls ??= bowlsIn(BATCH_BEHIND.exec(line)?.[0].replace(/^[\s/,(–—-]+/, '') ?? '');
      title = line
        .replace(/^#+\s*/, '')
        .replace(BATCH_BEHIND, '')
        .trim();
    } else if (isHeading && method.length > 0 && next !== undefined && isWork(next, true) && takeApart(next).value === undefined) {
      // A part of the method with a heading of its own.
      kept.push({ at, raw: line.endsWith(':') ? raw : `${raw.trimEnd()}:` });
    } else if (isHeading || isBareHeading(line, next, context)) {
      inMethod = false;
      heading = line.replace(/^#+\s*|:$/g, '');
      if (/^ingredients$/i.test(heading)) heading = '';
    } else if (
      inMethod ||
      counted.has(at) ||
      bulleted.has(at) ||
      isServing(line, method.length) ||
      (!GARNISH_LIST.test(line) && isWork(line, wasWork))
    ) {
      work(line, counted.has(at) ? raw.replace(/^\s*\d{1,2}(?=\s)/, (sign) => ' '.repeat(sign.length)) : raw, at);
      wasWork = true;
    } else if (foods.length === 0 && method.length === 0 && YIELD_BEHIND.test(line)) {
      bowls ??= bowlsIn(YIELD_BEHIND.exec(line)?.[1] ?? '');
      notes.push(line);
    } else if (foods.length === 0 && method.length === 0 && isTalk(line)) {
      notes.push(line);
    } else {
      wasWork = false;
      const head = HEADED_LINE.exec(line)?.[0] ?? headOfList(line, context);
      const under = head === '' || /^optional:/i.test(head) ? heading : head.replace(/:\s*$/, '');
      foods.push(
        ...splitFoods(
          head === '' ? line : line.slice(head.length).replace(/ \+ (?=[\d½¼¾])/g, '; '),
          placed.length === 1,
          context,
          head !== '' && under !== heading,
        ).map((own) => ({
          heading: under,
          text: own,
        })),
      );
    }
  }
  // "Serves 6" ends a method, or the talk that comes before it.
  for (const part of [method.at(-1) ?? '', method[0] ?? '']) {
    bowls ??= bowlsIn(SERVES_AT_END.exec(part)?.[1] ?? `serves ${SERVINGS_AT_END.exec(part)?.[1] ?? ''}`);
  }
  const written = foods.map(({ text: food }) => food);
  const weighed = inGrams(written, HUNDREDS);
  const inKilos = foods.map((one, n) => ({ ...one, text: weighed[n] ?? one.text })).filter(({ text: food }) => food !== '');
  const listedFoods = inKilos.filter(({ text: food }) => !isOfTheList(food, written));
  // What only speaks of another line is told.
  notes.push(...inKilos.flatMap((one) => (listedFoods.includes(one) ? [] : [one.text])));
  // Told as a letter: what looks like a list of one or two is only where it begins.
  const told = listedFoods.length < LEAST_LISTED ? foodsInProse(method.join(' '), context) : [];
  const isTold = listedFoods.length === 0 || told.length >= LEAST_TOLD;
  const own = isTold
    ? [...listedFoods, ...told.filter((one) => !isListed(one.text, listedFoods, context))]
    : byPercent(listedFoods, text);
  if (own.length === 0) return { ok: false, code: 'NOTHING_IN_IT' };
  if (own.length > MOST_LINES) return { ok: false, code: 'TOO_LONG', characters: text.length, lines: own.length };
  const methodText = blanked(text, kept);
  const squeezed = own.flatMap((one) => asSqueezed(one.text, methodText).map((food) => ({ ...one, text: food })));
  const readings = readLines(
    squeezed.map(({ text: food }) => forAll(inKnownWords(food, context), bowls)),
    context,
  );
  return {
    ok: true,
    pasted: {
      title,
      bowls,
      bowlG,
      method,
      notes,
      methodText,
      lines: readings.map((reading, n) => ({ reading, heading: squeezed[n]?.heading ?? '' })),
    },
  };
}
