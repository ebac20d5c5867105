import { findName, readLines, takeApart, type LineReading, type ReadingContext } from '../amounts/index.js';
import { bareNumber, clausesOf, sentencesOf } from './clauses.js';
import { figureIn, minutesIn } from './measures.js';

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
  readonly lines: readonly PastedLine[];
  readonly method: readonly string[];
  /** The whole text with all that is not method blanked, so that a place in it is the place in what was pasted. */
  readonly methodText: string;
}

export type Pasting =
  | { readonly ok: true; readonly pasted: Pasted }
  | { readonly ok: false; readonly code: 'TOO_LONG'; readonly characters: number; readonly lines: number }
  | { readonly ok: false; readonly code: 'NOTHING_IN_IT' }
  | { readonly ok: false; readonly code: 'NOT_TEXT' };

const YIELD =
  /^(?:serves|makes|yields?|feeds|enough for|servings?|yield|for)\s*:?\s*(?:about |around )?(\d+|one|two|three|four|five|six|seven|eight|ten|twelve)\b(?:\s*(?:-|–|to)\s*(\d+))?(?!\s*(?:min|hour|g\b|ml))/i;
const HEADING = /^(?:#+\s*)?(?:ingredients|you will need|shopping|for (?:the |a )?[\w &-]+|to (?:serve|garnish|finish))\s*:?$/i;
/** How long it takes and how hard it is, by the editor: nothing to cook by. */
const ABOUT =
  /^(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on|ready|takes|difficulty|course|cuisine|calories)\b(?: time| in)?\s*:?\s*(?:about |under )?(?:\d|easy|medium|less)/i;
const METHOD = /^(?:#+\s*)?(?:method|directions?|instructions?|preparation|steps?|what to do|how to make it)\s*:?$/i;
/** Characters of the longest line that can be a list of foods. */
const LONGEST_LINE = 300;
const NUMBERED = /^\s*(?:\d{1,2}[.)]\s+)(?=[A-Z])/;
const LEAST_WORDS = 5;
/** A title is a name: no sentence, no list. */
const MOST_TITLE_WORDS = 9;
/** Characters that no text has: what begins so is a file of another kind under a wrong name. */
// eslint-disable-next-line no-control-regex -- it is control characters that are looked for
const BINARY = /[\u0000-\u0008\u000e-\u001a\ufffd]/;

/** Whether a row tells to do something: a sentence that begins with it, or a paragraph of such sentences. */
function isWork(row: string, isAfterWork: boolean): boolean {
  const isNumbered = NUMBERED.test(row) || bareNumber(row) !== null;
  const text = row.replace(NUMBERED, '').slice(bareNumber(row)?.[0].length ?? 0);
  if (/^[\d½¼¾⅓⅔]/.test(text) && !isNumbered) return false;
  const sentences = sentencesOf(text);
  const clauses = clausesOf(sentences);
  const starting = clauses.filter(({ verb }) => verb !== undefined);
  const [first] = clauses;
  if (text.length > LONGEST_LINE) return isNumbered || starting.length > 0;
  const isBare = takeApart(text).value === undefined;
  // Kitchen notes: "leeks in, lid on, 10 min".
  if (isBare && (minutesIn(text) !== undefined || /\bin(?:,|\.|$)/i.test(text)) && !/\d\s*(?:g|kg|ml|l)\b/i.test(text)) return true;
  if (starting.length === 0 || first === undefined) return isAfterWork && sentences.length > 0 && isBare;
  const words = text.split(/\s+/).length;
  if (isNumbered) return true;
  if (sentences.length > 1 || clauses.length > 1) return words >= LEAST_WORDS || isAfterWork;
  const isAtStart = first.verb !== undefined && text.slice(0, first.verbAt).split(/\s+/).length <= LEAST_WORDS;
  return isAtStart && (words >= LEAST_WORDS || isAfterWork || /[.!]$/.test(text));
}

/** What a list of foods ends on, said of all of them. */
const FOR_ALL = /,?\s*((?:to (?:serve|garnish|finish|taste|top))|(?:for (?:serving|garnish(?:ing)?|the top)))\s*$/i;

/** Several foods without amounts in one line, "salt, pepper and nutmeg", each for itself; undefined where it is one food. */
function listed(line: string, context: ReadingContext): string[] | undefined {
  if (line.length > LONGEST_LINE || /\d|[½¼¾]/.test(line)) return undefined;
  const tail = FOR_ALL.exec(line);
  const foods = (tail === null ? line : line.slice(0, tail.index))
    .split(/\s*,\s*(?:and\s+)?|\s+(?:and|&|\+)\s+/i)
    .filter((one) => one !== '');
  if (foods.length < 2) return undefined;
  const isFood = (one: string): boolean =>
    findName(context.names, one, context.country, false).code === 'FOUND' || /^(?:\w+ )*(?:salt|pepper)$/i.test(one);
  if (!foods.every(isFood)) return undefined;
  return foods.map((one) => `${one} ${tail?.[1] ?? 'to taste'}`);
}

/** Pieces of one written line: several foods behind one another are parted, and salt from its pepper. */
function splitFoods(line: string, alone: boolean, context: ReadingContext): string[] {
  const pieces = line.split(/ *; */);
  const split =
    alone && pieces.length === 1 ? line.split(/, ?(?=(?:\d|[½¼¾⅓⅔]|an? |one |two |three |half |salt\b|pepper\b))/i) : pieces;
  return split
    .flatMap((piece) => {
      if (piece.length > LONGEST_LINE) return [piece];
      // "1 tsp each cumin and coriander", "2 cubes dissolved in 1 l water", "juice and zest of a lemon" are several things.
      const each = /^(.+?) each (?:of )?(?:the )?(.+)$/i.exec(piece.trim());
      const isMeasure = takeApart(`${each?.[1] ?? ''} salt`).value !== undefined;
      if (each !== null && isMeasure) {
        const ground = /^(?:ground|dried|fresh) /i.exec(each[2] ?? '')?.[0] ?? '';
        const foods = (each[2] ?? '').split(/\s*,\s*(?:and\s+)?|\s+(?:and|&)\s+/i);
        return foods.map((food, n) => `${each[1] ?? ''} ${n === 0 || food.startsWith(ground) ? '' : ground}${food}`);
      }
      const dissolved =
        /^(.+?\b(?:cubes?|powder|pots?|bouillon)),? (?:dissolved|crumbled|mixed|made up|stirred) (?:in|into|with) (.*water.*)$/i.exec(
          piece.trim(),
        );
      if (dissolved !== null) return [dissolved[1] ?? '', dissolved[2] ?? ''];
      const both = /^(?:the )?(?:(?:finely )?(?:grated )?zest and juice|juice and (?:finely )?(?:grated )?zest) of (.+)$/i.exec(
        piece.trim(),
      );
      return both === null ? [piece] : [`juice of ${both[1] ?? ''}`, `zest of ${both[1] ?? ''}`];
    })
    .flatMap((piece) => listed(piece.trim(), context) ?? [piece.trim()]);
}

/** Bullets, tick boxes and other signs before a line. */
function bare(line: string): string {
  return line.replace(/^\s*(?:[-*•·▢☐□–—]|\[ ?\])\s*/, '').trim();
}

function bowlsIn(line: string): number | undefined {
  const found = YIELD.exec(line);
  if (found === null) return undefined;
  const low = figureIn(found[1] ?? '');
  const high = found[2] === undefined ? low : Number(found[2]);
  const bowls = (low + high) / 2;
  return bowls > 0 && bowls <= 1000 ? bowls : undefined;
}

/** A first line names the soup when it is no food with an amount. */
function isTitle(line: string, isFirst: boolean, more: boolean): boolean {
  if (!isFirst || !more || line.length > 80 || /[.!;]$/.test(line) || line.split(/\s+/).length > MOST_TITLE_WORDS) return false;
  const { value, says, ratio } = takeApart(line);
  return value === undefined && says === undefined && ratio === undefined;
}

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
export function readPaste(text: string, context: ReadingContext): Pasting {
  const rows = text.split(/\r\n|\r|\n/);
  if (text.length > MOST_CHARACTERS || rows.length > MOST_LINES) {
    return { ok: false, code: 'TOO_LONG', characters: text.length, lines: rows.length };
  }
  if (BINARY.test(text)) return { ok: false, code: 'NOT_TEXT' };
  const placed: { line: string; raw: string; at: number }[] = [];
  let from = 0;
  for (const row of rows) {
    const line = bare(row);
    if (line !== '') placed.push({ line, raw: row, at: from });
    from += row.length;
    from += text.startsWith('\r\n', from) ? 2 : 1;
  }
  let title: string | undefined;
  let bowls: number | undefined;
  let heading = '';
  let inMethod = false;
  const foods: { heading: string; text: string }[] = [];
  const method: string[] = [];
  const kept: { at: number; raw: string }[] = [];
  const work = (line: string, raw: string, at: number): void => {
    method.push(line.replace(NUMBERED, ''));
    kept.push({ at, raw });
  };
  for (const [n, { line, raw, at }] of placed.entries()) {
    const stated = bowlsIn(line);
    const isHeading = HEADING.test(line) || (line.endsWith(':') && line.length < 60);
    const next = placed[n + 1]?.line;
    if (stated !== undefined && bowls === undefined && (foods.length === 0 || line.split(/\s+/).length < LEAST_WORDS)) {
      bowls = stated;
    } else if (ABOUT.test(line) && line.length < 80) {
      continue;
    } else if (METHOD.test(line)) {
      inMethod = true;
    } else if (title === undefined && isTitle(line, n === 0, placed.length > 1)) {
      title = line.replace(/^#+\s*/, '');
    } else if (isHeading && method.length > 0 && next !== undefined && isWork(next, true) && takeApart(next).value === undefined) {
      // A part of the method with a heading of its own.
      kept.push({ at, raw: line.endsWith(':') ? raw : `${raw.trimEnd()}:` });
    } else if (isHeading) {
      inMethod = false;
      heading = line.replace(/^#+\s*|:$/g, '');
      if (/^ingredients$/i.test(heading)) heading = '';
    } else if (inMethod || isWork(line, method.length > 0)) {
      work(line, raw, at);
    } else {
      foods.push(...splitFoods(line, placed.length === 1, context).map((own) => ({ heading, text: own })));
    }
  }
  const own = foods.filter(({ text: food }) => food !== '');
  if (own.length === 0) return { ok: false, code: 'NOTHING_IN_IT' };
  if (own.length > MOST_LINES) return { ok: false, code: 'TOO_LONG', characters: text.length, lines: own.length };
  const readings = readLines(
    own.map(({ text: food }) => food),
    context,
  );
  return {
    ok: true,
    pasted: {
      title,
      bowls,
      method,
      methodText: blanked(text, kept),
      lines: readings.map((reading, n) => ({ reading, heading: own[n]?.heading ?? '' })),
    },
  };
}
