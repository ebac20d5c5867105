import { readLines, takeApart, type LineReading, type ReadingContext } from '../amounts/index.js';
import { LONGEST_LINE, byPercent, foodsInProse, forAll, splitFoods } from './paste-foods.js';
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

const YIELD =
  /^(?:serves|makes|yields?|feeds|enough for|servings?|portions?|yield|for)\s*:?\s*(?:about |around )?(\d+|one|two|three|four|five|six|seven|eight|ten|twelve)\b(?:\s*(?:-|–|to)\s*(\d+))?(?!\s*(?:min|hour|g\b|ml))/i;
/** "Para 6 / serves 6": behind a stroke or in brackets in a short line. */
const SERVES_BEHIND =
  /^[^\d]{0,30}\d{0,3}\s*[/|(–—-]\s*(?:serves|makes|for)\s*:?\s*(\d+)\b(?!\s*(?:min|hour|g\b|ml|kg|l\b|lit|quart|pint|gal|cup|day|x\b))/i;
/** "Potage for 50": how many at the end of the first line. */
const FOR_SO_MANY =
  /^([^\d]{4,60}?),? (?:enough )?for (\d{1,3}|two|three|four|five|six|seven|eight|ten|twelve)(?: people| bowls| persons)?$/i;
/** "Lentil soup for the freezer. Makes 8 portions." */
const MAKES_BEHIND = /^([^\d.]{4,80})[.,;] ((?:makes|serves|feeds|enough for) [^.;]{1,30})\.?$/i;
/** What a method ends on: "Serves 4-6." */
const SERVES_AT_END =
  /(?:^|[.!;] )((?:serves|makes|feeds) (?:about )?\d+(?: ?(?:-|–|to) ?\d+)?)(?: (?:people|portions|bowls|servings|generously))?\.?\s*$/i;
/** What a web page leaves between the foods: stars, switches of units, a number of reviews. */
const WEB_REST =
  /^[★☆\s]*\d?(?:[.,]\d)?\s*(?:from|\/|\()?\s*\d+ (?:reviews?|ratings?|votes?|comments?)\)?$|^(?:units?|scale|us customary|metric|cook mode|print|jump to recipe|save|rate)\b[^.]{0,40}$|^(?:\d\/?\d?x ?)+$/i;
const HEADING = /^(?:#+\s*)?(?:ingredients|you will need|shopping|for (?:the |a )?[\w &-]+|to (?:serve|garnish|finish))\s*:?$/i;
/** "Roast tomato – 20 portions": bowls at the end of a title, or alone. */
const PORTIONS = /(?:^|\s*[–—(,·•|.-]\s*)(?:serves |for |makes )?(\d+)\s*(?:portions?|servings?|bowls?|covers|people)\)?$/i;
/** How long it takes and how hard it is, by the editor: nothing to cook by. */
const ABOUT =
  /^(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on|ready|takes|difficulty|course|cuisine|calories)\b(?: time| in)?\s*:?\s*(?:about |under )?(?:\d|easy|medium|less)/i;
const METHOD = /^(?:#+\s*)?(?:step \d+|method|directions?|instructions?|preparation|steps?|what to do|how to make it)\s*:?$/i;
const NUMBERED = /^\s*(?:\d{1,2}(?:[.)/:]|\s?[–—-])\s+)(?=[A-Z])/;
const LEAST_WORDS = 5;
/** A title is a name: no sentence, no list. */
const MOST_TITLE_WORDS = 12;
/** Characters that no text has: what begins so is a file of another kind under a wrong name. */
// eslint-disable-next-line no-control-regex -- it is control characters that are looked for
const BINARY = /[\u0000-\u0008\u000e-\u001a\ufffd]/;

/** "Greek yoghurt and dukkah, to serve": what it is for is said of a food. */
const FOOD_TO_SERVE =
  /^(?!to\b)[^.!;:]{3,60}, (?:to (?:serve|garnish|finish|drizzle|top)|for (?:serving|garnish(?:ing)?|drizzling|topping))$/i;

/** Whether a row tells to do something: a sentence that begins with it, or a paragraph of such sentences. */
function isWork(row: string, isAfterWork: boolean): boolean {
  const isNumbered = NUMBERED.test(row) || bareNumber(row) !== null;
  const text = row.replace(NUMBERED, '').slice(bareNumber(row)?.[0].length ?? 0);
  if (/^[\d½¼¾⅓⅔]/.test(text) && !isNumbered) return false;
  if (!isNumbered && FOOD_TO_SERVE.test(text)) return false;
  // Kitchen notes begin with the oven.
  if (/^(?:the )?oven (?:on )?(?:to|at|on|\d)/i.test(text)) return true;
  const sentences = sentencesOf(text);
  const clauses = clausesOf(sentences);
  const starting = clauses.filter(({ verb }) => verb !== undefined);
  const [first] = clauses;
  if (text.length > LONGEST_LINE) return isNumbered || starting.length > 0;
  const isBare = takeApart(text).value === undefined;
  // Kitchen notes: "leeks in, lid on, 10 min".
  if (!/^[\d½¼¾]/.test(text) && minutesIn(text) !== undefined && /\b(?:in|on|lid)\b/i.test(text)) return true;
  if (isBare && (minutesIn(text) !== undefined || /\bin(?:,|\.|$)/i.test(text)) && !/\d\s*(?:g|kg|ml|l)\b/i.test(text)) return true;
  if (starting.length === 0 || first === undefined) return isAfterWork && sentences.length > 0 && isBare;
  const words = text.split(/\s+/).length;
  if (isNumbered) return true;
  // "A small handful of coriander, to serve" is a food, whatever is done with it.
  if (!isBare && first.verbAt > 0 && /^(?:an?|half|small|large|good|big|generous)\b/i.test(text)) return false;
  if (sentences.length > 1 || clauses.length > 1) return words >= LEAST_WORDS || isAfterWork;
  const isAtStart = first.verb !== undefined && text.slice(0, first.verbAt).split(/\s+/).length <= LEAST_WORDS;
  if (/[.!]$/.test(text) && isBare && words >= LEAST_WORDS + 3) return true;
  return isAtStart && (words >= LEAST_WORDS || isAfterWork || /[.!]$/.test(text));
}

/** Signs before a line: dots, boxes, ticks, stars, dashes. */
const BULLETS = /^\s*(?:[-*•·▢☐☑✓✔□■▪▫●○◦◉◆◇★☆➤►▶▸‣⁃∙–—]|\[[ x]?\])+\s*/i;

/** Bullets, tick boxes and other signs before a line; cells of a table behind one another. */
function bare(line: string): string {
  const cells = /[|\t]/.test(line)
    ? line
        .split(/[|\t]/)
        .map((cell) => cell.trim())
        .filter((cell) => cell !== '' && !/^[-: ]+$/.test(cell))
        .join(' ')
    : line.replace(/^([a-z][a-z ]*),\s*([\d.]+),\s*(g|kg|ml|l|litres?|cups?|tbsp|tsp|pcs?)\b\s*,?/i, '$1 $2 $3 ');
  return cells.replace(BULLETS, '').trim();
}

/** The head of a table of foods. */
const TABLE_HEAD = /^(?:ingredients?|items?|food|product)\b.*\b(?:qty|quantity|amount|unit|weight|measure)s?$/i;

const TAGS = /<\/?([a-z][a-z0-9]*)\b[^<>]{0,200}>/gi;
const BLOCKS = /^(?:li|p|h[1-6]|ul|ol|br|div|tr|table|section|article|header)$/i;
const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  nbsp: ' ',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  deg: '°',
  quot: '"',
  lt: '<',
  gt: '>',
  eacute: 'é',
  egrave: 'è',
  ndash: '–',
  mdash: '—',
  rsquo: '’',
};

/** A text without the marks of a web page or of notes, every letter where it was. */
function unmarked(text: string): string {
  const isPage = /<(?:li|p|br|h[1-6]|div|ul)\b/i.test(text);
  const plainText = isPage
    ? text.replace(TAGS, (tag, name: string) => (BLOCKS.test(name) ? `${' '.repeat(tag.length - 1)}\n` : ' '.repeat(tag.length)))
    : text;
  return plainText
    .replace(/&([a-z0-9]{2,8});/gi, (whole, name: string) => (ENTITIES[name] ?? ' ').padEnd(whole.length))
    .replace(/\*\*|__/g, '  ')
    .replace(/→|⇒/g, ';')
    .replace(/[\p{Extended_Pictographic}\uFE0F\u200D]/gu, (sign) => ' '.repeat(sign.length));
}

interface Row {
  readonly line: string;
  readonly raw: string;
  readonly at: number;
  /** A food by its place: it is never a sentence. */
  readonly isFood?: true;
}

const ONE_LINE =
  /^([A-Z][^.;:\d]{2,60}?)(?:,\s*\d+ ?(?:l|litres?|kg)\b)?[.:]\s+(?:((?:serves|makes|for|enough for) [^.;:]{1,20})[.;:]\s+)?(?=[\d½¼¾]|[a-z][a-z ]+ \d)/i;
const PROSE =
  /^([^\d]{0,80}?(?:this is what (?:i|you) (?:have|had|need)|i (?:have|had|used?)|here['’]s what (?:i|you) (?:use|used|need)|(?:so )?it['’]s|ingredients)[: ]+|(?:for (?:this|the|a|my) [^,.\d]{0,60},? )?(?:you(?:['’]ll| will)? (?:want|need)|(?:take|gather|get(?: together)?))[: ]+)(?=.*\d)([^.!?]+(?:\d\.\d[^.!?]*)*)[.!?]\s+(?=[A-Z])/i;

/** A sentence in a row of its own is a list when it has so many foods. */
const LEAST_LISTED = 4;

/** A row that is more than one: title, bowls and foods in one line, or foods in a sentence before the method. */
function parted(row: Row, next: string | undefined): Row[] {
  const { line, raw, at } = row;
  const inLine = ONE_LINE.exec(line);
  if (inLine !== null && line.slice(inLine[0].length).includes(';')) {
    const [whole, title = '', bowls] = inLine;
    const rest = line.slice(whole.length);
    return [
      { line: title, raw: '', at },
      ...(bowls === undefined ? [] : [{ line: bowls, raw: '', at }]),
      ...rest.split(/\s*;\s*/).map((food): Row => ({ line: food.replace(/\.$/, ''), raw: '', at, isFood: true })),
    ];
  }
  const isLong = next === undefined || line.length > LONGEST_LINE / 2;
  const prose = PROSE.exec(isLong ? line : `${line} X`);
  if (!isLong && (prose?.[2] ?? '').split(/[,;]/).length < LEAST_LISTED) return [row];
  if (prose === null) return [row];
  const [whole, , foods = ''] = prose;
  const start = raw.indexOf(line) + whole.length;
  return [
    ...foods
      .split(
        /\s*[,;]\s*(?:and\s+)?(?=[\d½¼¾]|an?\b|one\b|two\b|three\b|half\b|some\b|salt\b|(?:the )?(?:juice|zest)\b|[a-z]+(?: [a-z]+){0,2},? to (?:serve|garnish|finish|taste)\b)|\s+and\s+(?=[\d½¼¾]|an?\b|one\b|half\b|some\b)/i,
      )
      .map((food): Row => ({ line: food.replace(/^some /i, ''), raw: '', at, isFood: true })),
    ...(line.length > whole.length ? [{ line: line.slice(whole.length), raw: raw.slice(start), at: at + start }] : []),
  ];
}

/** What a line begins with that says what it is for: "For garnish: chopped parsley". */
const HEADED_LINE =
  /^for the [a-z][a-z ]{2,25}:\s+(?=[\d½¼¾])|^(?:(?:for|as) (?:the |a )?(?:garnish(?:ing)?|topping|serving|finish)|to (?:serve|garnish|finish)|garnish|topping|optional)s?:\s+(?=\S)/i;

/** What a yield is said in when it is not said in bowls, L; a bowl holds so much where nobody says. */
const BY_VOLUME =
  /^(?:serves|makes|yields?|yield|batch)\s*:?\s*(?:about |around |approx\.? )?(\d+(?:[.,/]\d+)?(?: \d\/\d)?|an?|one|two|three|four|five|six)\s*(?:-|–|to\s+\d+)?\s*(quarts?|qts?|litres?|liters?|l|gallons?|gals?|pints?|pts?|cups?|kg|kilos?)\b/i;
/** "Ingredients (for 2 litres)"; "makes about 3.5 L / 12 x 280 ml". */
const VOLUME_BEHIND = /^[^\d]{0,60}\((?:for|makes) (?:about )?(\d+(?:[.,]\d+)?) (quarts?|litres?|liters?|l|gallons?|pints?)\)/i;
const SO_MANY_OF = /\b(?:makes|yields?|serves)\b.*?\b(\d{1,3}) ?[x×] ?\d{2,4} ?(?:ml|g)\b/i;
const LITRES: readonly (readonly [RegExp, number])[] = [
  [/^q/i, 0.946],
  [/^gal/i, 3.785],
  [/^p/i, 0.5],
  [/^c/i, 0.24],
];
const BOWL_L = 0.3;
const SAID_BESIDE = /\b(\d+)\s*(?:portions?|servings?|bowls?|covers|people|serves)\b/i;

function bowlsIn(text: string): number | undefined {
  const line = text.replace(/^\(([^()]*)\)$/, '$1');
  const parts = BY_PORTION.exec(line);
  if (parts !== null) return Math.max(1, Math.round((figureIn(parts[1] ?? '') * 1000) / Number(parts[2])));
  const portioned = SO_MANY_OF.exec(line);
  if (portioned !== null) return Number(portioned[1]);
  const volume = BY_VOLUME.exec(line) ?? VOLUME_BEHIND.exec(line);
  if (volume !== null) {
    const beside = SAID_BESIDE.exec(line.slice(volume[0].length));
    if (beside !== null) return Number(beside[1]);
    const litres = figureIn(volume[1] ?? '') * (LITRES.find(([unit]) => unit.test(volume[2] ?? ''))?.[1] ?? 1);
    return litres > 0 ? Math.max(1, Math.round(litres / BOWL_L)) : undefined;
  }
  const found = YIELD.exec(line) ?? SERVES_BEHIND.exec(line);
  if (found === null) return undefined;
  const low = figureIn(found[1] ?? '');
  const high = found[2] === undefined ? low : Number(found[2]);
  const bowls = (low + high) / 2;
  return bowls > 0 && bowls <= 1000 ? bowls : undefined;
}

/** "Carrot soup · serves 4 · 1 hr": a title and what is said of it, behind dots or strokes. */
function titleOf(first: Row | undefined): { readonly title: string; readonly bowls: number | undefined } | undefined {
  const [title = '', ...said] = (first?.raw ?? '').split(/\s+[·•|]\s+/).map((part) => part.trim());
  if (said.length === 0 || title.length < LEAST_TITLE_LETTERS || /\d/.test(title)) return undefined;
  const bowls = said.map((part) => bowlsIn(part) ?? Number(PORTIONS.exec(part)?.[1] ?? Number.NaN)).find((one) => one > 0);
  const isTimed = said.some((part) => minutesIn(part) !== undefined && part.split(/\s+/).length < LEAST_WORDS);
  return bowls === undefined && !isTimed ? undefined : { title: title.replace(/^#+\s*/, ''), bowls };
}
const LEAST_TITLE_LETTERS = 4;

/** "One-pot tomato soup" is no pot of one. */
const ONE_POT =
  /^(?:one|two|three|four|five|ten)[- ](?:pot|pan|tray|ingredient|hour|minute|step|bean|onion|pea|mushroom|cheese|way)\b/i;
/** "Carrot soup - batch 10 L". */
const BATCH_BEHIND = /(?:\s*[/,(–—-]\s*|\s{2,})(?:yields?|makes|batch)\b.*$/i;
/** "Batch 10 L, portion 250 ml". */
const BY_PORTION =
  /\b(?:batch|makes|yields?):? (\d+(?:[.,]\d+)?) ?(?:l|litres?|kg)\b.{0,20}?\bportions?:? (?:of )?(\d{2,4}) ?(?:ml|g)\b/i;

/** A first line names the soup when it is no food with an amount. */
function isTitle(line: string, isFirst: boolean, more: boolean): boolean {
  if (isFirst && more && ONE_POT.test(line) && !/[\d.!;]/.test(line)) return true;
  const own = line.replace(BATCH_BEHIND, '');
  if (own !== line && own.length > 2) return true;
  if (!isFirst || !more || line.length > 80 || /[.!;]$/.test(line) || line.split(/\s+/).length > MOST_TITLE_WORDS) return false;
  if (
    /^(?:an?|the|my|our)\b.*\b(?:soup|bisque|chowder|broth|potage|velout[ée]|cream of|pur[ée]e)\b/i.test(line) &&
    !/\d/.test(line)
  )
    return true;
  const { value, says, ratio } = takeApart(line);
  return value === undefined && says === undefined && ratio === undefined;
}

/** A sentence before the list that names no amount. */
function isTalk(line: string): boolean {
  return /[.!?]$/.test(line) && !/\d|[½¼¾]/.test(line) && line.split(/\s+/).length > LEAST_WORDS;
}

/** "1 Steam combi 180C ...", "2 Brat pan: ...": steps that are only counted, told from "1 onion, 2 carrots" by what is no food. */
function countedSteps(rows: readonly Row[], context: ReadingContext): ReadonlySet<number> {
  const hits = rows.map(({ line }) => /^(\d{1,2})\s+(?=[A-Z])(.*)$/.exec(line));
  const from = hits.findLastIndex((hit) => hit?.[1] === '1');
  const run: number[] = [];
  for (let n = from; n >= 0 && n < rows.length && Number(hits[n]?.[1]) === run.length + 1; n += 1) run.push(n);
  const foods = run.filter((n) => readLines([rows[n]?.line ?? ''], context)[0]?.code === 'READ');
  return new Set(run.length >= LEAST_COUNTED && foods.length * 2 < run.length ? run.flatMap((n) => rows[n]?.at ?? []) : []);
}
const LEAST_COUNTED = 3;

/** "Cashew cream" over lines with amounts: a heading without its colon. */
function isBareHeading(line: string, next: string | undefined, context: ReadingContext): boolean {
  if (next === undefined || !/^[A-Z\p{Lu}]/u.test(line) || /[\d½¼¾.,;!?]/.test(line)) return false;
  if (line.split(/\s+/).length > MOST_HEADING_WORDS || takeApart(next).value === undefined) return false;
  return readLines(splitFoods(line, false, context), context).every(({ code }) => code === 'UNKNOWN_FOOD');
}
const MOST_HEADING_WORDS = 4;

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
    if (line !== '' && !TABLE_HEAD.test(line)) found.push({ line, raw: row, at: from });
    from += row.length;
    from += text.startsWith('\r\n', from) ? 2 : 1;
  }
  const named = titleOf(found[0]);
  const placed = (named === undefined ? found : found.slice(1)).flatMap((row, n) =>
    (n === 0 && named === undefined) || (n === 1 && named === undefined && !/[.,;]/.test(found[0]?.line ?? '.'))
      ? parted(row, found[n + 1]?.line)
      : [row],
  );
  const counted = countedSteps(placed, context);
  let title = named?.title;
  let bowls = named?.bowls;
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
  for (const [n, { line, raw, at, isFood }] of placed.entries()) {
    const stated = bowlsIn(line);
    const isHeading = HEADING.test(line) || (line.endsWith(':') && line.length < 60);
    const next = placed[n + 1]?.line;
    const portions = bowls === undefined ? PORTIONS.exec(line) : null;
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
    if (portions !== null && (n === 0 || portions.index === 0) && Number(portions[1]) > 0 && Number(portions[1]) <= 1000) {
      bowls = Number(portions[1]);
      if (portions.index > 0) title = line.slice(0, portions.index).replace(/^#+\s*/, '');
    } else if (stated !== undefined && n === 0 && /[a-z].*(?:[–—(,/-]|\s{2})\s*(?:makes|yields?|serves|batch)/i.test(line)) {
      bowls = stated;
      title = line.replace(/^#+\s*/, '').replace(/(?:\s*[/,(–—-]\s*|\s{2,})(?:yields?|makes|serves|batch)\b.*$/i, '');
    } else if (stated !== undefined && bowls === undefined && (foods.length === 0 || line.split(/\s+/).length < LEAST_WORDS)) {
      bowls = stated;
    } else if (isFood === true) {
      foods.push(...splitFoods(line, false, context).map((own) => ({ heading, text: own })));
    } else if (ABOUT.test(line) && line.length < 80) {
      // "Takes: 1 hr  Makes: 6 portions".
      const beside =
        bowls === undefined ? (/\b(?:serves|makes|feeds|yields?)\s*:?\s*(\d+)\b/i.exec(line) ?? PORTIONS.exec(line)) : null;
      if (beside !== null) bowls = Number(beside[1]);
    } else if (WEB_REST.test(line)) {
      notes.push(line);
    } else if (foods.length === 0 && method.length === 0 && /^\([^()\d]*\)$/.test(line)) {
      notes.push(line);
    } else if (METHOD.test(line)) {
      inMethod = true;
    } else if (title === undefined && isTitle(line, n === 0, placed.length > 1)) {
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
    } else if (inMethod || counted.has(at) || isWork(line, wasWork)) {
      work(line, counted.has(at) ? raw.replace(/^\s*\d{1,2}/, (sign) => ' '.repeat(sign.length)) : raw, at);
      wasWork = true;
    } else if (foods.length === 0 && method.length === 0 && isTalk(line)) {
      notes.push(line);
    } else {
      wasWork = false;
      const head = HEADED_LINE.exec(line)?.[0] ?? '';
      const under = head === '' || /^optional/i.test(head) ? heading : head.replace(/:\s*$/, '');
      foods.push(
        ...splitFoods(line.slice(head.length), placed.length === 1, context, head !== '' && under !== heading).map((own) => ({
          heading: under,
          text: own,
        })),
      );
    }
  }
  bowls ??= bowlsIn(SERVES_AT_END.exec(method.at(-1) ?? '')?.[1] ?? '');
  const listedFoods = foods.filter(({ text: food }) => food !== '');
  const own = listedFoods.length > 0 ? byPercent(listedFoods, text) : foodsInProse(method.join(' '), context);
  if (own.length === 0) return { ok: false, code: 'NOTHING_IN_IT' };
  if (own.length > MOST_LINES) return { ok: false, code: 'TOO_LONG', characters: text.length, lines: own.length };
  const readings = readLines(
    own.map(({ text: food }) => forAll(food, bowls)),
    context,
  );
  return {
    ok: true,
    pasted: {
      title,
      bowls,
      method,
      notes,
      methodText: blanked(text, kept),
      lines: readings.map((reading, n) => ({ reading, heading: own[n]?.heading ?? '' })),
    },
  };
}
