import { parseIngredient } from 'parse-ingredient';
import { readNumber } from '../units/index.js';
import { oneRange } from './compound.js';
import { SIZE_UNITS, inFigures } from './in-figures.js';
import { CONTAINERS, countFirst, statedWeight } from './stated-weight.js';

/** A written line taken apart: how many of what, and the words that are left. */
export interface Phrase {
  readonly value: number | undefined;
  /** Upper end of a range; equal to `value` when there is none. */
  readonly high: number | undefined;
  /** The unit as the parser names it; undefined for a bare count. */
  readonly unit: string | undefined;
  readonly rest: string;
  /** Size of one can, carton, pack, as written beside it. */
  readonly each: { readonly value: number; readonly unit: string } | undefined;
  readonly juiceOf: boolean;
  readonly says: 'to taste' | 'to cover' | 'for frying' | 'to the mark' | undefined;
  readonly ratio: { readonly factor: number; readonly of: string } | undefined;
}

/** Counts and units that the parser does not know, with what they are called here. */
const UNITS = {
  stalk: { short: 'stalk', plural: 'stalks', alternates: ['stick of celery', 'rib', 'ribs'] },
  thumb: { short: 'thumb', plural: 'thumbs', alternates: [] },
  slice: { short: 'slice', plural: 'slices', alternates: [] },
  handful: { short: 'handful', plural: 'handfuls', alternates: [] },
  leaf: { short: 'leaf', plural: 'leaves', alternates: [] },
  cube: { short: 'cube', plural: 'cubes', alternates: [] },
  knob: { short: 'knob', plural: 'knobs', alternates: [] },
  tin: { short: 'tin', plural: 'tins', alternates: [] },
  jar: { short: 'jar', plural: 'jars', alternates: [] },
  bulb: { short: 'bulb', plural: 'bulbs', alternates: [] },
  litre: { short: 'litre', plural: 'litres', alternates: [] },
  grating: { short: 'grating', plural: 'gratings', alternates: [] },
  rasher: { short: 'rasher', plural: 'rashers', alternates: [] },
  pod: { short: 'pod', plural: 'pods', alternates: [] },
  spear: { short: 'spear', plural: 'spears', alternates: [] },
  pat: { short: 'pat', plural: 'pats', alternates: [] },
  dollop: { short: 'dollop', plural: 'dollops', alternates: [] },
  glug: { short: 'glug', plural: 'glugs', alternates: ['slug', 'slugs'] },
  spoonful: { short: 'spoonful', plural: 'spoonfuls', alternates: [] },
  squeeze: { short: 'squeeze', plural: 'squeezes', alternates: [] },
  drizzle: { short: 'drizzle', plural: 'drizzles', alternates: [] },
  glass: { short: 'glass', plural: 'glasses', alternates: [] },
  shot: { short: 'shot', plural: 'shots', alternates: ['nip', 'tot'] },
  scrape: { short: 'scrape', plural: 'scrapes', alternates: ['grind', 'grinds', 'grinding', 'grindings', 'twist', 'twists'] },
  trickle: { short: 'trickle', plural: 'trickles', alternates: ['thread'] },
  ladle: { short: 'ladle', plural: 'ladles', alternates: ['ladleful', 'ladlefuls'] },
  sheet: { short: 'sheet', plural: 'sheets', alternates: [] },
  splash: { short: 'splash', plural: 'splashes', alternates: [] },
  sprinkling: { short: 'sprinkling', plural: 'sprinklings', alternates: [] },
  ear: { short: 'ear', plural: 'ears', alternates: ['cob', 'cobs'] },
} as const;

/** Figures with marks or thin spaces in them, or with spaces where thousands part; not the count before the size of a can. */
const MARKED = new RegExp(
  `\\d+(?:[.,'’]\\d+)+|\\d{1,3}(?:[\\u00a0\\u202f]\\d{3})+(?:[.,]\\d+)?|\\d{1,3}(?: \\d{3})+(?:,\\d+)?(?=\\s*(?:g|gm|grams?|ml)\\b)(?!\\s*(?:g|gm|grams?|ml)[ -]*${CONTAINERS})`,
  'g',
);

/**
 * A line with its numbers as the parser knows them: a point before the decimals and nothing else. One that could be a decimal
 * or a thousand is left, with both that it could mean.
 *
 * @example plainNumbers('12,5 g salt').plain // '12.5 g salt'
 */
export function plainNumbers(text: string): {
  readonly plain: string;
  readonly unclear: { readonly written: string; readonly meant: readonly [string, string] } | undefined;
} {
  let unclear: { written: string; meant: readonly [string, string] } | undefined;
  const plain = text.replace(MARKED, (written) => {
    const read = readNumber(written);
    if (read.ok) return String(read.value);
    if (read.code === 'AMBIGUOUS') unclear ??= { written, meant: [String(read.decimal), String(read.thousands)] };
    return written;
  });
  return { plain, unclear };
}

function spoken(text: string): Phrase['says'] {
  if (/\bto taste\b|\bas needed\b|\b[Qq]\.? ?[SsBb]\b\.?|\bas required\b|\bas req(?:'?d|\.|$)|\bTT\b|\btt$/.test(text))
    return 'to taste';
  if (/\bto (?:just |barely |almost |well )?cover\b/i.test(text)) return 'to cover';
  if (/\bto (?:the|its|a) (?:mark|target)\b|\d ?% of (?:the )?(?:finished|total|final|batch)/i.test(text)) return 'to the mark';
  return /\bfor (?:frying|sweating|the pan|sautéing)\b/i.test(text) ? 'for frying' : undefined;
}

const RATIOS: Readonly<Record<string, number>> = {
  half: 0.5,
  twice: 2,
  double: 2,
  'three times': 3,
  'a third': 1 / 3,
  'a quarter': 0.25,
  equal: 1,
  'the same': 1,
};

/** Where a ratio is of what was written before: one line of it, or several taken together. */
export const BEFORE = { one: '', together: 'both' } as const;

function ratioIn(text: string): { ratio: Phrase['ratio']; rest: string } | undefined {
  const alone = /^(?:the )?(?:same|equal) (?:amount|weight|quantity)s? of ([^,]+?)(?:,.*)?$/i.exec(text);
  if (alone !== null && !/\b(?:in|as) /i.test(alone[1] ?? ''))
    return { ratio: { factor: 1, of: BEFORE.one }, rest: alone[1] ?? '' };
  const both =
    /^(half|twice|double|three times)? ?as (?:much|many) (.+?) as (?:both(?: of (?:them|those))?|the two|all (?:of )?(?:them|three|the others))(?: (?:together|combined|put together))?$/i.exec(
      text,
    );
  if (both !== null) {
    return { ratio: { factor: RATIOS[(both[1] ?? 'the same').toLowerCase()] ?? 1, of: BEFORE.together }, rest: both[2] ?? '' };
  }
  const short = /^(half|twice|double|three times) as (?:much|many) ([^,]+)$/i.exec(text);
  if (short !== null && !/\bas\b/i.test(short[2] ?? '')) {
    return { ratio: { factor: RATIOS[(short[1] ?? '').toLowerCase()] ?? 1, of: BEFORE.one }, rest: short[2] ?? '' };
  }
  const asMuch =
    /^(half|twice|double|three times|a third|a quarter)?\s*(?:as (?:much|many)|the (?:weight|amount) of)\s+(.+?)\s+(?:as|of)\s+(.+)$/i.exec(
      text,
    );
  if (asMuch !== null) {
    const [, word, food, of] = asMuch;
    return { ratio: { factor: RATIOS[(word ?? 'the same').toLowerCase()] ?? 1, of: of ?? '' }, rest: food ?? '' };
  }
  const the =
    /^(half|twice|double|a third|a quarter|the same|equal) (?:the )?(?:weight|amount|quantity) of (.+?) (?:in|of|as) (.+)$/i.exec(
      text,
    );
  if (the === null) return undefined;
  const [, word, of, food] = the;
  return { ratio: { factor: RATIOS[(word ?? '').toLowerCase()] ?? 1, of: of ?? '' }, rest: food ?? '' };
}

/** The parser's own reading of figures and a unit at the head of a text. */
function parsed(text: string): { value: number | undefined; high: number | undefined; unit: string | undefined; rest: string } {
  const [one] = parseIngredient(text, { normalizeUOM: true, additionalUOMs: UNITS });
  if (one === undefined) return { value: undefined, high: undefined, unit: undefined, rest: text };
  const value = one.quantity ?? undefined;
  return {
    value,
    high: one.quantity2 ?? value,
    unit: one.unitOfMeasureID ?? undefined,
    rest: one.description.replace(/^of\s+/i, '').replace(/^\/\s*[\d.,]+\s*\w+\s*/, ''),
  };
}

const DRAINED = /\b(\d+) ?g(?:rams?)? (?:drained|net)(?: weight)?\b|\b(?:drained|net)(?: weight)?:? (\d+) ?g\b/i;

/**
 * Takes a line apart with the kept parser, after putting words into figures and setting aside what it does not know:
 * "to taste", "half as much carrot as potato", "2 x 400 g cans", "juice of 1 lemon".
 *
 * @example takeApart('1 28-ounce can tomatoes') // value 1, unit 'can', each { value: 28, unit: 'ounce' }
 */
export function takeApart(line: string): Phrase {
  const text = line
    .trim()
    .replace(/^[-*•]\s*/, '')
    .replace(/^~\s*(?=[\d½¼¾])/, '')
    .replace(/\s+/g, ' ');
  const says = spoken(text);
  const nothing = { each: undefined, juiceOf: false, says, ratio: undefined };
  const ratio = ratioIn(text);
  if (ratio !== undefined)
    return { ...nothing, value: undefined, high: undefined, unit: undefined, rest: ratio.rest, ratio: ratio.ratio };
  const juice =
    /^(?:the )?juice (?:and zest )?of (.+)$/i.exec(text) ??
    /^(.+?),? \(?(?:juice only|juiced)\)?$/i.exec(text) ??
    /^juice (?=\S* ?(?:lemon|lime|orange))(.+)$/i.exec(text);
  const head = inFigures(oneRange(countFirst(juice?.[1] ?? text)));
  const sized = new RegExp(
    `^(?:(\\d+(?:[.,]\\d+)?)(?:\\s*x\\s*|\\s+|\\s*(?=\\()))?\\(?(\\d+(?:[.,]\\d+)?)[ -]?(${SIZE_UNITS})\\.?\\)?[ -]*(${CONTAINERS})\\b\\s*(?:of\\s+)?(.*)$`,
    'i',
  ).exec(head);
  const behind = new RegExp(
    `^(\\d+(?:[.,]\\d+)?)\\s*(${CONTAINERS})\\b\\s*(?:of\\s+)?(?:\\(|about |each )\\s*(?:about |each )?(\\d+(?:[.,]\\d+)?)[ -]?(${SIZE_UNITS})\\b\\.?(?:\\s*/[^)]*)?(?: each)?\\)?,?\\s*(?:of\\s+)?(.*)$`,
    'i',
  ).exec(head);
  if (sized !== null || behind !== null) {
    const [, count, size, unit, , rest] = sized ?? ['', behind?.[1], behind?.[3], behind?.[4], '', behind?.[5]];
    // Of what is drained the weight that is left counts.
    const drained = DRAINED.exec(rest ?? '');
    const each = parsed(drained === null ? `${size ?? ''} ${unit ?? ''} x` : `${drained[1] ?? drained[2] ?? ''} g x`);
    const value = count === undefined ? 1 : Number.parseFloat(count);
    return {
      ...nothing,
      value,
      high: value,
      unit: /^(?:can|tin|jar)/i.test(sized?.[4] ?? behind?.[2] ?? '') ? 'can' : 'package',
      rest: rest ?? '',
      each: each.value === undefined ? undefined : { value: each.value, unit: each.unit ?? 'gram' },
    };
  }
  const stated = statedWeight(head);
  if (stated !== undefined) return { ...nothing, ...parsed(stated), juiceOf: juice !== null };
  const short =
    says === undefined
      ? head
      : head.replace(
          /(?:,?\s*\b|^)(?:to taste|TT|tt$|[Qq]\.? ?[SsBb]\b\.?|as needed|as required|as req(?:'?d|\.)?|to (?:just |barely |almost |well )?cover|to (?:the|its|a) (?:mark|target)|\d[\d.,]* ?% of (?:the )?(?:finished|total|final|batch)\w*(?: \w+)*|for (?:frying|sweating|the pan|sautéing))/i,
          '',
        );
  return { ...nothing, ...parsed(short), juiceOf: juice !== null };
}
