import { readLines, takeApart, type LineReading, type ReadingContext } from '../amounts/index.js';

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
}

export type Pasting =
  | { readonly ok: true; readonly pasted: Pasted }
  | { readonly ok: false; readonly code: 'TOO_LONG'; readonly characters: number; readonly lines: number }
  | { readonly ok: false; readonly code: 'NOTHING_IN_IT' }
  | { readonly ok: false; readonly code: 'NOT_TEXT' };

const YIELD =
  /^(?:serves|makes|yields?|feeds|enough for|servings?|yield)\s*:?\s*(?:about |around )?(\d+)(?:\s*(?:-|–|to)\s*(\d+))?/i;
const HEADING = /^(?:#+\s*)?(?:ingredients|you will need|shopping|for (?:the |a )?[\w &-]+|to (?:serve|garnish|finish))\s*:?$/i;
const METHOD = /^(?:#+\s*)?(?:method|directions?|instructions?|preparation|steps?|what to do|how to make it)\s*:?$/i;
const STARTS_WORK =
  /^(?:step \d+\W*)?(?:preheat|heat|roast|sweat|pour|bring|simmer|blend|stir|cook|melt|fry|sauté|put|place|cut|peel|return|ladle|taste|strain|whizz|pur[ée]e|cover|toss|add|season|serve|remove|meanwhile|once|when|in a|using|lift|let|leave|turn|finish)\b/i;
const NUMBERED = /^\s*(?:\d{1,2}[.)]\s+)(?=[A-Z])/;
const LEAST_WORDS = 5;
/** Characters that no text has: what begins so is a file of another kind under a wrong name. */
// eslint-disable-next-line no-control-regex -- it is control characters that are looked for
const BINARY = /[\u0000-\u0008\u000e-\u001a\ufffd]/;

function isWork(text: string): boolean {
  return NUMBERED.test(text) || (STARTS_WORK.test(text) && text.split(/\s+/).length >= LEAST_WORDS);
}

/** Pieces of one written line: several foods behind one another are parted, and salt from its pepper. */
function splitFoods(line: string, alone: boolean): string[] {
  const pieces = line.split(/\s*;\s*/);
  const split =
    alone && pieces.length === 1 ? line.split(/,\s*(?=(?:\d|[½¼¾⅓⅔]|an? |one |two |three |half |salt\b|pepper\b))/i) : pieces;
  return split.flatMap((piece) => {
    const both = /^((?:sea |fine |table )?salt)\s*(?:and|&|\+|,)\s*((?:freshly |ground |cracked |black |white )*pepper)(.*)$/i.exec(
      piece.trim(),
    );
    return both === null ? [piece.trim()] : [`${both[1] ?? ''} to taste`, `${both[2] ?? ''} to taste`];
  });
}

/** Bullets, tick boxes and other signs before a line. */
function bare(line: string): string {
  return line.replace(/^\s*(?:[-*•·▢☐□–—]|\[ ?\])\s*/, '').trim();
}

function bowlsIn(line: string): number | undefined {
  const found = YIELD.exec(line);
  if (found === null) return undefined;
  const low = Number(found[1]);
  const high = found[2] === undefined ? low : Number(found[2]);
  const bowls = (low + high) / 2;
  return bowls > 0 && bowls <= 1000 ? bowls : undefined;
}

/** A first line names the soup when it is no food with an amount. */
function isTitle(line: string, isFirst: boolean, more: boolean): boolean {
  if (!isFirst || !more || line.length > 80) return false;
  const { value, says, ratio } = takeApart(line);
  return value === undefined && says === undefined && ratio === undefined;
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
  const lines = rows.map(bare).filter((line) => line !== '');
  let title: string | undefined;
  let bowls: number | undefined;
  let heading = '';
  let inMethod = false;
  const foods: { heading: string; text: string }[] = [];
  const method: string[] = [];
  for (const [n, line] of lines.entries()) {
    const stated = bowlsIn(line);
    if (stated !== undefined && foods.length === 0 && bowls === undefined) {
      bowls = stated;
    } else if (METHOD.test(line)) {
      inMethod = true;
    } else if (HEADING.test(line) || (line.endsWith(':') && line.length < 60)) {
      inMethod = false;
      heading = line.replace(/^#+\s*|:$/g, '');
      if (/^ingredients$/i.test(heading)) heading = '';
    } else if (inMethod || isWork(line)) {
      method.push(line.replace(NUMBERED, ''));
    } else if (title === undefined && isTitle(line, n === 0, lines.length > 1)) {
      title = line.replace(/^#+\s*/, '');
    } else {
      foods.push(...splitFoods(line, lines.length === 1).map((own) => ({ heading, text: own })));
    }
  }
  const own = foods.filter(({ text: food }) => food !== '');
  if (own.length === 0) return { ok: false, code: 'NOTHING_IN_IT' };
  const readings = readLines(
    own.map(({ text: food }) => food),
    context,
  );
  return {
    ok: true,
    pasted: { title, bowls, method, lines: readings.map((reading, n) => ({ reading, heading: own[n]?.heading ?? '' })) },
  };
}
