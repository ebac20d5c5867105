import { FRACTIONS, type Country } from '../amounts/index.js';

/** What a figure may lie between; both ends alike where one figure is given. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

const WORD_NUMBERS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  ...Object.fromEntries(
    (['twenty', 'thirty', 'forty', 'fifty'] as const).flatMap((tens, n) =>
      ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'].map((one, k) => [
        `${tens}-${one}`,
        (n + 2) * 10 + k + 1,
      ]),
    ),
  ),
  'a couple of': 2,
  'a couple': 2,
  'couple of': 2,
  'a few': 3,
  several: 4,
};

const FIGURE = String.raw`(?:\d+\s+\d\/\d|\d+\s*[½¼¾⅓⅔]|[½¼¾⅓⅔]|\d\/\d|\d+(?:[.,]\d+)?)`;
const WORDS = Object.keys(WORD_NUMBERS)
  .sort((a, b) => b.length - a.length)
  .join('|');
const NUMBER = `(?:${FIGURE}|(?:${WORDS})(?:\\s+and\\s+a\\s+half)?)`;
const UNIT = String.raw`(?:minutes?|mintues|minuets|minuts|mins?\b\.?|hours?|hrs?\b\.?|h\b|seconds|second(?! (?!or\b)[a-z])|secs?\b\.?|['′’](?![\w'′’]))`;

/** A figure in digits, fractions or words. @example figureIn('1 1/2') // 1.5 */
export function figureIn(text: string): number {
  const half = text.endsWith(' and a half') ? 0.5 : 0;
  const word = text.replace(/\s+and\s+a\s+half$/, '').toLowerCase();
  if (WORD_NUMBERS[word] !== undefined) return WORD_NUMBERS[word] + half;
  const parts = word
    .replace(/([½¼¾⅓⅔])/g, ' $1')
    .trim()
    .split(/\s+/);
  return parts.reduce((sum, part) => {
    const over = /^(\d+)\/(\d+)$/.exec(part);
    if (over !== null) return sum + Number(over[1]) / Number(over[2]);
    return sum + (FRACTIONS[part] ?? Number(part.replace(',', '.')));
  }, 0);
}

function inMinutes(unit: string): number {
  if (unit.startsWith('h')) return 60;
  return unit.startsWith('s') ? 1 / 60 : 1;
}

const SPOKEN: readonly (readonly [RegExp, number])[] = [
  [/\bhalf a minute\b/i, 0.5],
  [/\b(?:another|a further|one more) min(?:ute)?\b(?! or| and)/i, 1],
  [/\ba minute or two\b/i, 1.5],
  [/\ban hour or two\b/i, 90],
  [/\ba minute and a half\b/i, 1.5],
  [/\bthree[- ]quarters of an hour\b/i, 45],
  [/\b(?:a )?quarter of an hour\b/i, 15],
  [/\bhalf an? hour\b|\bhalf-hour\b/i, 30],
  [/\ban hour and a half\b/i, 90],
  [/\ban hour and a quarter\b/i, 75],
];
const HOURS_AND = new RegExp(`(${NUMBER})\\s*(?:hours?|hrs?|h)\\s*(?:and\\s+|,\\s*)?(${NUMBER})\\s*(?:minutes?|mins?)\\b`, 'i');
/** "1 hr 30", "1h45". */
const HOURS_SHORT = /\b(\d)\s?(?:hours?|hrs?|h)\s?([0-5]\d)\b(?!\s*(?:°|c\b|g\b|ml|%|min))/i;
/** "1 hr – 1 hr 15". */
const HOURS_BETWEEN =
  /\b(\d)\s?(?:hours?|hrs?|h)\s?(?:([0-5]\d)\s?(?:minutes?|mins?|m)?)?\s?(?:-|–|—|to)\s?(\d)\s?(?:hours?|hrs?|h)(?:\s?([0-5]\d))?(?:\s?(?:minutes?|mins?|m))?\b/i;
const TIMED = new RegExp(
  `(${NUMBER})(?:-?ish)?\\s*(?:(${UNIT})\\s*)?(?:(?:-|–|—|to|or)\\s*(${NUMBER})\\s*)?(?:more |further |extra |good |odd |longer )?-?(${UNIT})`,
  'i',
);
/** "Between 30 and 40 minutes". */
const BETWEEN = new RegExp(`\\bbetween (${NUMBER}) and (${NUMBER})\\s*(${UNIT})`, 'i');
/** A figure that is a time although no unit stands behind it: "about 20", "for 25", "after 25". */
const BARE =
  /\b(?:for|after|about|another|a further)\s+(\d{1,3})(?:\s*(?:-|–|to)\s*(\d{1,3}))?(?=(?:\s+(?:more|longer|further))?\s*(?:[,;)]|\.(?!\d)|$))/i;
/** Kitchen notes leave the unit out: "simmer 10". */
const NOTED =
  /\b(?:simmer|sim|sweat|roast|boil|fry|cook|rest|bake|give (?:it|them))\s+(\d{1,3})(?:\s*(?:-|–|to)\s*(\d{1,3}))?(?=\s*(?:(?:more|longer|further)\s*)?(?:[,;)]|\.(?!\d)|$|(?:or )?(?:until|till)\b))/i;

/** "Simmer fifteen." */
const NOTED_WORD = new RegExp(
  `\\b(?:simmer|sim|sweat|roast|boil|fry|cook|rest|bake|give (?:it|them))\\s+(${WORDS})(?=\\s*(?:[,;)]|\\.(?!\\d)|$))`,
  'i',
);

/** "Give it another five with the lid on". */
const ANOTHER_WORD = new RegExp(
  `\\b(?:another|a further|a good|give (?:it|them|that)) (${WORDS})(?=\\s*(?:$|[,;.)]|with the lid|lid\\b|or so|more\\b|until|till|covered|uncovered|on (?:a |the )))`,
  'i',
);

/** "Sweat 10m", "cook 40–45 m". */
const SHORT = /(?<![\d.,/])\b(\d{1,3})(?:\s*(?:-|–|to)\s*(\d{1,3}))?\s?m\b/;

export interface Time extends Range {
  /** Where it stands in the text. */
  readonly at: number;
  readonly length: number;
}

/** "2 and a half hours". */
const AND_A_HALF = /\b(\d|one|two|three|four|five|six) and a half hours?\b/i;

/** The first time in a text, minutes. @example minutesIn('an hour and 15 minutes') // 75 to 75 */
export function minutesIn(text: string): Time | undefined {
  const found: Time[] = [];
  const put = (hit: RegExpExecArray, low: number, high: number): void => {
    if (low > 0 && high <= 2880)
      found.push({ low: Math.min(low, high), high: Math.max(low, high), at: hit.index, length: hit[0].length });
  };
  const halved = AND_A_HALF.exec(text);
  if (halved !== null) put(halved, (figureIn(halved[1] ?? '') + 0.5) * 60, (figureIn(halved[1] ?? '') + 0.5) * 60);
  const both = HOURS_AND.exec(text);
  if (both !== null)
    put(both, figureIn(both[1] ?? '') * 60 + figureIn(both[2] ?? ''), figureIn(both[1] ?? '') * 60 + figureIn(both[2] ?? ''));
  const between = HOURS_BETWEEN.exec(text);
  if (between !== null)
    put(between, Number(between[1]) * 60 + Number(between[2] ?? 0), Number(between[3]) * 60 + Number(between[4] ?? 0));
  const range = BETWEEN.exec(text);
  if (range !== null)
    put(range, figureIn(range[1] ?? '') * inMinutes(range[3] ?? 'm'), figureIn(range[2] ?? '') * inMinutes(range[3] ?? 'm'));
  const short = HOURS_SHORT.exec(text);
  if (short !== null) put(short, Number(short[1]) * 60 + Number(short[2]), Number(short[1]) * 60 + Number(short[2]));
  for (const [pattern, minutes] of SPOKEN) {
    const hit = pattern.exec(text);
    if (hit !== null) put(hit, minutes, minutes);
  }
  const timed = TIMED.exec(text);
  if (timed !== null) {
    const last = inMinutes((timed[4] ?? 'm').toLowerCase());
    const low = figureIn(timed[1] ?? '') * (timed[2] === undefined ? last : inMinutes(timed[2].toLowerCase()));
    // "50 minutes to an hour": the second unit is its own.
    const high = timed[3] === undefined ? low : figureIn(timed[3]) * last;
    put(timed, low, high);
  }
  const heat = NOTED_HEAT.exec(text);
  if (heat !== null) put(heat, Number(heat[2]), Number(heat[2]));
  const word = NOTED_WORD.exec(text) ?? ANOTHER_WORD.exec(text);
  if (word !== null) put(word, figureIn(word[1] ?? ''), figureIn(word[1] ?? ''));
  const bare = BARE.exec(text) ?? NOTED.exec(text) ?? SHORT.exec(text);
  if (bare !== null) put(bare, Number(bare[1]), Number(bare[2] ?? bare[1]));
  return found.reduce<Time | undefined>((best, one) => {
    if (best === undefined || one.at < best.at) return one;
    return one.at === best.at && one.length > best.length ? one : best;
  }, undefined);
}

/** Gas marks, °C: the usual table. Common practice. */
const GAS_C: Readonly<Record<string, number>> = {
  '1/4': 110,
  '¼': 110,
  '1/2': 120,
  '½': 120,
  '1': 140,
  '2': 150,
  '3': 170,
  '4': 180,
  '5': 190,
  '6': 200,
  '7': 220,
  '8': 230,
  '9': 240,
};
/** A fan oven is set this much lower for the same heat, °C. Common practice. */
const FAN_C = 20;
const OVEN_LEAST = 90;
const OVEN_MOST = 300;
const OVEN_WORDS: readonly (readonly [RegExp, number])[] = [
  [/\bvery hot oven\b/i, 230],
  [/\bfairly hot oven\b|\bmoderately hot oven\b/i, 190],
  [/\bhot oven\b/i, 220],
  [/\b(?:moderate|medium) oven\b/i, 180],
  [/\b(?:low|slow|cool) oven\b/i, 150],
];

function celsius(fahrenheit: number): number {
  return Math.round(((fahrenheit - 32) * 5) / 9);
}

/**
 * The heat of an oven that a text gives, °C as set in an oven without a fan. A figure without a letter is Fahrenheit
 * where it can't be anything else, or where the kitchen counts so.
 *
 * @example ovenIn('200C/180C fan/gas 6', 'gb') // 200
 */
const NOTED_HEAT = /\b(?:roast|bake|oven)\b[^/]*?\b(1[2-9]0|2[0-5]0) ?\/ ?(\d{1,2})\b/i;
export function ovenIn(text: string, country: Country | undefined): number | undefined {
  const found: { c: number; fan: boolean }[] = [];
  const figures =
    /(fan(?: oven| forced)?\s*:?\s*)?(\d{2,3})\s*(?:°|º|˚|degrees?|deg\b\.?)?\s*(celsius|centigrade|fahrenheit|c\b|f\b)?(\s*\(?\s*fan(?!\s*:?\s*\d))?/gi;
  for (const hit of text.matchAll(figures)) {
    const value = Number(hit[2]);
    const letter = hit[3]?.[0]?.toLowerCase();
    const marked = letter !== undefined || /°|º|˚|degrees?|deg\b/.test(hit[0]) || /fan/i.test(hit[0]);
    const before = text.slice(0, hit.index);
    const placed =
      /\b(?:at|oven to|to|oven at|oven)\s*$/i.test(before) &&
      value >= 120 &&
      !/^\s*(?:ml|g|kg|l|min)/i.test(text.slice(hit.index + hit[0].length));
    if (!marked && !placed) continue;
    const isF = letter === 'f' || (letter === undefined && (value > 280 || (country === 'us' && value >= 200)));
    const c = isF ? celsius(value) : value;
    if (c < OVEN_LEAST || c > OVEN_MOST) continue;
    const after = text.slice(hit.index + hit[0].length, hit.index + hit[0].length + 14);
    found.push({ c, fan: /fan/i.test(hit[0]) || /^[\s-]*\(?fan(?!\s*:?\s*\d)/i.test(after) });
  }
  // Kitchen notes: "roast 200/25".
  const noted = NOTED_HEAT.exec(text);
  if (found.length === 0 && noted !== null) return Number(noted[1]);
  const plain = found.find(({ fan }) => !fan);
  if (plain !== undefined) return plain.c;
  const gas = /\bgas(?:\s*mark)?\s*(\d(?:\/\d)?|[¼½])/i.exec(text);
  const byGas = gas === null ? undefined : GAS_C[gas[1] ?? ''];
  if (byGas !== undefined) return byGas;
  if (found[0] !== undefined) return found[0].c + FAN_C;
  return OVEN_WORDS.find(([words]) => words.test(text))?.[1];
}

const SHARES: readonly (readonly [RegExp, number])[] = [
  [/\bthree[- ]quarters?(?: of)?$/, 0.75],
  [/\btwo[- ]thirds?(?: of)?$/, 2 / 3],
  [/\b(?:a |one )?half(?: of)?$/, 0.5],
  [/\b(?:a |one )?third(?: of)?$/, 1 / 3],
  [/\b(?:a |one )?(?:quarter|fourth)(?: of)?$/, 0.25],
  [/\b(?:most|the bulk)(?: of)?$/, 0.8],
  [/\ball but a (?:few|little|handful|cupful|ladleful|spoonful|pinch|couple)(?: of)?$/, 0.85],
];
const VAGUE: readonly (readonly [RegExp, number])[] = [
  [/\bsome(?: more)?(?: of)?$/, 0.5],
  [
    /\ba (?:few|little|bit|touch|handful|spoonful|couple|pinch|splash|sprinkling|small amount|ladle(?:ful)?)(?: more)?(?: of)?$/,
    0.15,
  ],
];

const PARTS: readonly (readonly [RegExp, number])[] = [
  [/\btwo[- ]thirds\b/i, 2 / 3],
  [/\bthree[- ]quarters\b/i, 0.75],
  [/\bhalf\b/i, 0.5],
  [/\bthird\b/i, 1 / 3],
  [/\bquarter\b/i, 0.25],
];

/** Parts as they are written in one sign or with a stroke. */
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [/½|(?<![\d/])1\/2(?![\d/])/g, 'half'],
  [/⅓|(?<![\d/])1\/3(?![\d/])/g, 'a third'],
  [/⅔|(?<![\d/])2\/3(?![\d/])/g, 'two thirds'],
  [/¼|(?<![\d/])1\/4(?![\d/])/g, 'a quarter'],
  [/¾|(?<![\d/])3\/4(?![\d/])/g, 'three quarters'],
];

/** Parts in words. @example partsInWords('blend ⅔ of it') // 'blend two thirds of it' */
export function partsInWords(text: string): string {
  return SIGNS.reduce((words, [sign, word]) => words.replace(sign, word), text);
}

/** The part that words name of what is there; undefined where they name none. @example partIn('about a third') // 1/3 */
export function partOf(words: string): number | undefined {
  return PARTS.find(([said]) => said.test(words))?.[1];
}

/** How much of something is meant by the words before it: a share, the rest of it, or a share that only the cook knows. */
export function shareBefore(words: string): { readonly share?: number; readonly rest?: true; readonly vague?: true } {
  const text = partsInWords(words)
    .toLowerCase()
    // "3/4 of the 2 chillies".
    .replace(/\bof (the|your) \d+ (?!tbsp|tsp|table|tea|cups?\b|g\b|ml\b|oz\b)/g, 'of $1 ')
    .replace(
      /\s+(?:the|your|that|this|those|these|its|fresh|freshly|finely|roughly|thinly|chopped|grated|sliced|roasted|cooked|diced|toasted|snipped|picked|peeled|trimmed|shredded|pulled|flaked|crumbled|crushed|deseeded|seeded|washed|drained|hot|warm|cold|boiling|simmering|brown|browned|melted|infused|flavoured|red|green|mild)(?=\s|$)/g,
      '',
    )
    .replace(/\s+/g, ' ')
    .trimEnd();
  const own = text.replace(/\s*\b(?:the|your)$/, '').trimEnd();
  if (/\b(?:the )?(?:rest|remainder)(?: of)?$|\bremaining$|\bother half(?: of)?$/.test(own)) return { rest: true };
  // "Half of the reserved chilli" is half of what was kept.
  if (/\breserved$/.test(own)) return shareBefore(own.replace(/\s*(?:the )?reserved$/, ''));
  const percent = /(\d+(?:\.\d+)?) ?%(?: of)?$/.exec(own);
  if (percent !== null) return { share: Number(percent[1]) / 100 };
  for (const [pattern, share] of SHARES) if (pattern.test(own)) return { share };
  for (const [pattern, share] of VAGUE) if (pattern.test(own)) return { share, vague: true };
  return {};
}

/** Degrees that a text names outside an oven, °C. @example degreesIn('cool to 68 °C') // 68 */
export function degreesIn(text: string): number | undefined {
  const hit = /(\d+(?:\.\d+)?) ?(?:°|º|degrees )? ?(c|f)\b/i.exec(text);
  if (hit === null) return undefined;
  const value = Number(hit[1]);
  return hit[2]?.toLowerCase() === 'f' ? celsius(value) : value;
}

/** A share in percent. @example percentIn('77 % goes on') // 0.77 */
export function percentIn(text: string): number | undefined {
  const hit = /(\d+(?:\.\d+)?) ?(?:%|per ?cent)/i.exec(text);
  return hit === null ? undefined : Number(hit[1]) / 100;
}

/** A body by its figure, mPa·s. */
export function bodyFigureIn(text: string): number | undefined {
  const hit = /(\d+(?:\.\d+)?) ?mpa/i.exec(text);
  return hit === null ? undefined : Number(hit[1]);
}
