import { parseIngredient } from 'parse-ingredient';
import { readNumber } from '../units/index.js';
import { oneRange } from './compound.js';
import { FIGURE, mixed } from './fractions.js';
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

const NUMBERS: Readonly<Record<string, string>> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
};

/** Sizes as they are shortened in lists. */
const SHORT_SIZES: Readonly<Record<string, string>> = { sm: 'small', med: 'medium', lg: 'large' };
const SIZE_UNITS = '(?:g|gm|grams?|kg|ml|l|ltrs?|litres?|liters?|oz|ounces?|fl\\.? ?oz|fluid ounces?|pints?|quarts?|lb)';

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

/** The same amount in a second unit behind a stroke: "500 g/1 lb 2 oz". The first counts. */
const SECOND_UNIT = new RegExp(
  `^(\\S+ (?:${SIZE_UNITS}))\\s*/\\s*(?:[\\d.,½¼¾⅓⅔]+(?: ?\\d/\\d|/\\d)?\\s*(?:${SIZE_UNITS})\\b\\.?\\s*)+`,
  'i',
);

/** Weights of one piece, where it is no container: those are read with what is printed on them. */
const PIECE_UNIT = '(pounds?|lbs?|ounces?|oz|grams?|g|kg)\\.?';
const NO_CONTAINER = `(?!${CONTAINERS}\\b)`;
const EACH_WEIGHS = new RegExp(
  `^(\\d+) (?:x )?(?:\\((\\d+(?:[.,]\\d+)?)[ -]?${PIECE_UNIT}\\)|(\\d+(?:[.,]\\d+)?)[ -]?${PIECE_UNIT})(?: each)? ${NO_CONTAINER}`,
  'i',
);
const BETWEEN_WEIGHTS = new RegExp(
  `^(\\d+) \\((?:about )?(${FIGURE})[ -]*(?:to|-|–)[ -]*(${FIGURE})[ -]?${PIECE_UNIT}\\) ${NO_CONTAINER}`,
  'i',
);

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

/** A thumb-thick root weighs so much a centimetre, g. Kitchen default. */
const ROOT_G_CM = 4.33;

/** Metric units as they are written and said on both sides of the Channel, in g, kg and mL. */
const METRIC: readonly (readonly [words: string, times: number, unit: string])[] = [
  ['grammes?|gr|gms|grm', 1, 'g'],
  ['kilos?|kilogrammes?|kgs', 1, 'kg'],
  ['mls', 1, 'ml'],
  ['msk|el', 15, 'ml'],
  ['tsk|tl', 5, 'ml'],
  ['krm', 1, 'ml'],
  ['dl|decilit(?:re|er)s?', 100, 'ml'],
  ['cl|centilit(?:re|er)s?', 10, 'ml'],
  // Two teaspoons, of 5 mL each.
  ['dessertspoons?|dsp|dstsp|dstspn|dspn', 10, 'ml'],
];
const METRIC_WORD = new RegExp(
  `(?<!\\S)(\\d+(?:[.,]\\d+)?|½|¼|¾|1/2)\\s*(${METRIC.map(([words]) => words).join('|')})\\b\\.?`,
  'gi',
);
const PARTS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75, '1/2': 0.5 };

/** @example inMetric('2 dl cream') // '200 ml cream' */
function inMetric(written: string): string {
  // Of garlic it is cloves.
  const text = /\bgarlic\b/i.test(written)
    ? written.replace(/\b(\d+) ?cl\b\.?/i, '$1 cloves').replace(/\bpods?\b(?! of (?!garlic))/i, 'cloves')
    : written;
  return text.replace(METRIC_WORD, (whole, figure: string, word: string) => {
    const known = METRIC.find(([words]) => new RegExp(`^(?:${words})$`, 'i').test(word));
    const value = PARTS[figure] ?? Number(figure.replace(',', '.'));
    return known === undefined ? whole : `${String(Math.round(value * known[1] * 1e6) / 1e6)} ${known[2]}`;
  });
}

/** Words for numbers, articles and halves put into figures, so that the parser meets only figures. */
function inFigures(text: string): string {
  return inMetric(inWords(text.replace(/(?<=\d) ?× ?(?=\d)/g, ' x ')));
}

const DONE =
  '(?:(?:finely|roughly|coarsely|thinly|freshly) )?(?:peeled|chopped|diced|sliced|cubed|trimmed|washed|cored|seeded|deseeded|minced|grated|shredded|rinsed|drained|cooked|roasted|ripe|large|small|medium)';
const DONE_BEFORE = new RegExp(
  `^([\\d½¼¾⅓⅔][\\d½¼¾⅓⅔/., ]*(?:c\\.?|cups?|kg|g|lbs?\\.?|pounds?|oz|ounces?)? ?(?:of )?)((?:${DONE}, )+)(?=(?:${DONE} )?[a-z])`,
  'i',
);

function inWords(text: string): string {
  return (
    text
      .replace(
        /^an? (?=(?:scant|heaped|heaping|level|rounded|generous|good) (?:tea|table|dessert)?(?:spoon|cup|tsp|tbsp|handful))/i,
        '1 ',
      )
      .replace(
        /^(an?|one|two|three|four|\d+) (ounces?|oz|pounds?|lbs?|pints?|cups?|kilos?|litres?|quarts?|(?:tea|table|dessert)spoons?) and an? (half|quarter)\b/i,
        (_, count: string, unit: string, part: string) =>
          `${String(Number(/^an?$/i.test(count) ? 1 : (NUMBERS[count.toLowerCase()] ?? count)) + (/half/i.test(part) ? 0.5 : 0.25))} ${unit}`,
      )
      .replace(
        /^(?:about|approx\.?|approximately|around|ca\.?|roughly|some|scant|heap(?:ed|ing)|level|rounded|generous|just (?:over|under)|a (?:scant|heaped|heaping|level|rounded|generous))\s+(?=\S)/i,
        '',
      )
      .replace(/^(\S+) \((?:about|approx\.?|approximately|around|roughly|ca?\.?|weighing(?: about)?) ?(?=\d)/i, '$1 (')
      .replace(/(\d)[ -]?fl\.?[ -]oz\b/gi, '$1 fl oz')
      .replace(/\ban (?=(?:unwaxed|organic|unsprayed) )/gi, 'a ')
      .replace(/\b(?:unwaxed|organic|unsprayed) (?=\w)/gi, '')
      // "1 orange, zest of", "1 lemon (juice)", "lemon, grated zest of 1".
      .replace(
        /^(\S+(?: \w+)? (?:lemon|lime|orange|clementine|grapefruit)s?)\s*[,(] ?(?:the )?(?:(?:finely|coarsely|freshly) )*(?:(?:grated|pared) )?(zest|rind|juice)(?: only| of)?\s*\)?$/i,
        '$2 of $1',
      )
      .replace(/^(lemon|lime|orange)s?, (?:finely )?(?:grated )?(zest|rind|juice) of (\S+)$/i, '$2 of $3 $1')
      .replace(/^((?:(?:the|finely|grated|pared) )*(?:zest|rind)) of (?:an?|one) /i, '$1 of 1 ')
      // "4 c peeled, sliced potatoes": what is done to them stands before them.
      .replace(DONE_BEFORE, (_, amount: string, done: string) => `${amount}${done.replaceAll(',', '')}`)
      .replace(/\b(pt|qt|gal|tbsp|tsp)s\b\.?/gi, '$1')
      .replace(/^(\S+(?: \d\/\d)?) ?(?:tbls?|tblsp|tbles?p?)s?\b\.?/i, '$1 tbsp')
      .replace(
        /^(\S+) (sm|med|lg)\.? /i,
        (_, count: string, size: string) => `${count} ${SHORT_SIZES[size.toLowerCase()] ?? size} `,
      )
      .replace(/^(\S+) (?:pkgs?|pkts?|packages?)\b\.?/i, '$1 packet')
      .replace(/ with (?:(?:its|their|the) )?(?:greens|tops|leaves)(?: (?:on|attached))?(?=,|\)|$)/i, '')
      .replace(/(?<=\b(?:cans?|tins?)\b.{0,40}\btomatoes) with [^,(]*/i, '')
      .replace(
        /(?<=\b(?:cans?|tins?|jars?|cartons?)\b.{0,40})\b(tomato(?:es)?) (?:packed )?in (?:(?:their|its|own|tomato|rich|thick|heavy) )*(?:juices?|pur[ée]e|sauce)\b/i,
        '$1',
      )
      .replace(/^(?:a |an )?half (?:of )?(?:a |an )/i, '1/2 ')
      .replace(/^half\b(?! as)\s*(?:of (?:the |one )?)?/i, '1/2 ')
      .replace(new RegExp(`^(?:1/2|½) (?=\\(?\\d+(?:[.,]\\d+)?[ -]?${SIZE_UNITS}\\b)`, 'i'), '0.5 x ')
      .replace(/^(?:the )?(?:picked )?leaves (?:from|of) /i, '')
      .replace(/^(\S+(?: \d\/\d)?) (?:(?:firmly|tightly|loosely|lightly|well) )?packed /i, '$1 ')
      .replace(/^(?:a |one )?quarter (?:of )?(?:a |an )/i, '1/4 ')
      .replace(/^three[- ]quarters of (?:a |an )/i, '3/4 ')
      .replace(/\b(tea|table|dessert)spoonfuls?\b/i, '$1spoon')
      .replace(/^(?:a|an) (?:couple|pair) of /i, '2 ')
      // What is kept of it is no part of its name.
      .replace(/,? (?:reserv(?:e|ing)|sav(?:e|ing)|set(?:ting)? aside|keep(?:ing)? back) [^()]*(?=\)|$)/i, '')
      .replace(
        /^(?:a )?few (?=(?:(?:fresh|snipped|chopped|picked) )*(?:chives|parsley|coriander|cilantro|mint|basil|dill|tarragon|chervil)\b(?! (?:leaf|leaves|sprigs?|stalks?|stems?)))/i,
        '1 sprinkling of ',
      )
      .replace(/^(?:a )?few /i, '3 ')
      .replace(/^kernels? (?:cut )?(?:from|of) (?=.*\b(?:cobs?|ears?)\b)/i, '')
      .replace(
        /^(?:an?|one) (?=\d+(?:[.,]\d+)? ?(?:kg|g|lbs?|pounds?)\b)(?!.*\b(?:tin|can|jar|carton|pack|packet|bag|bottle|tub|pot|block|piece|slice|tube|box)s?\b)/i,
        '',
      )
      .replace(/^a dozen /i, '12 ')
      .replace(/^(one|two|three|four|five|six|seven|eight|nine|ten|twelve)\b/i, (word) => NUMBERS[word.toLowerCase()] ?? word)
      .replace(/^1\/2 dozen /i, '6 ')
      .replace(/\bfor (?:deep|shallow|pan)[- ]?frying\b/i, 'for frying')
      .replace(/^(\d+(?:[.,]\d+)? ?(?:kg|g|lbs?) )?pots?(?= \d|$)/i, '$1potatoes')
      // "Pumpkin, gr. 800", "salt q.b.".
      .replace(
        /^(.+?),? (gr?s?|grams?|kg|ml|cl|dl|l)\.? (\d+(?:[.,]\d+)?)$/i,
        (_, food: string, unit: string, figure: string) => `${figure} ${/^gr/i.test(unit) ? 'g' : unit} ${food}`,
      )
      .replace(/,? q\.? ?b\.?$/i, ' to taste')
      // "Curry powder 2 rounded tbsp".
      .replace(
        /^([a-z][^\d,(]+?),? (\d+(?:[.,]\d+)?|\d\/\d|[½¼¾]|\d+ \d\/\d|\d[½¼¾]) (?:rounded|heaped|heaping|level|scant|good|generous|big|large|small) (tsps?|tbsps?|teaspoons?|tablespoons?|cups?|handfuls?|bunch(?:es)?|pinch(?:es)?|knobs?)$/i,
        '$2 $3 $1',
      )
      // "Ginger, thumb".
      .replace(/^((?:fresh |root )?(?:ginger|turmeric|galangal)),? (?:an? )?(thumb|knob)(?:[- ]sized?)?(?: piece)?$/i, '1 $2 $1')
      .replace(/^(\d+) ?[x×] (?=[a-z])/i, '$1 ')
      // "Thyme, small bunch".
      .replace(
        /^([a-z][a-z -]*?),? (?:an? |one )?(?:(?:small|large|big|good|medium|generous|little) )?(bunch|handful|sprig|knob|pinch|splash|glug|dash|drizzle|squeeze)$/i,
        '1 $2 $1',
      )
      .replace(/\bw\. ?pepper\b/i, 'white pepper')
      .replace(/\bb\. ?pepper\b/i, 'black pepper')
      .replace(/^(\d+) big (?=\w)/i, '$1 large ')
      .replace(/^(?:a|an) (?:big|large) (?=\w)(?!bunch|handful|pinch|knob|sprig|thumb|piece|splash|glug|dollop)/i, '1 large ')
      .replace(/^(?:a|an) small (?=[a-z])(?!bunch|handful|pinch|knob|sprig|thumb|piece|splash|glug|dollop|gems?\b)/i, '1 small ')
      .replace(/^(?:a|an) (?:good |large |generous |small )?(?=\w)/i, '1 ')
      .replace(
        /^(?:(?:small|large|big|good|generous|little) )?(?=(?:pinch|handful|knob|splash|dash|bunch|drop|thumb|pat|dollop|glug|slug|spoonful|squeeze|drizzle|sprinkling|sprig|scrape|grating|trickle|ladle)\b)/i,
        '1 ',
      )
      // "2 - 28 oz cans": two of them, and no range.
      .replace(
        /^([1-9])\s*[-–—]\s*(\d{2,3}(?:[.,]\d+)?)[\s-]?(oz|ounces?|g|ml)\b\.?(?=\s*(?:cans?|tins?|jars?|cartons?|packs?|packages?|bags?|bottles?)\b)/i,
        '$1 ($2 $3)',
      )
      // What a shop sells a small and a large pack of herbs in: common practice.
      .replace(
        /^(\d+|\d+\/\d+|½) ?(small |large |big )?(?:packs?|packets?|bags?) (?:of )?(?=(?:fresh |flat[- ]leaf |picked )*(?:basil|mint|coriander|parsley|dill|chives|tarragon|thyme|rosemary|sage|oregano|chervil)\b)/i,
        (_, count: string, size?: string) => `${String(mixed(count) * (/large|big/i.test(size ?? '') ? 80 : 30))} g `,
      )
      // What a shop sells a small and a large pot of cream in: common practice.
      .replace(
        /^(\d+) (small|large|big) (?:pot|tub|carton)s? (?:of )?(?=.*\bcream\b)/i,
        (_, count: string, size: string) => `${String(Number(count) * (size.toLowerCase() === 'small' ? 150 : 300))} ml `,
      )
      .replace(/^(\S+) (?:pot|tub)s? (?:of )?(?=.*\b(?:cream|cr[eè]me|yogh?o?urt|mascarpone|ricotta|quark)\b)/i, '$1 carton ')
      .replace(
        /^(\S+) (?:small|large|big|medium|good|generous) (bunch|handful|pinch|sprig|glass|pack|packet|jar|can|tin|carton|pot|tub|bag|bottle|punnet|bulb(?= (?:of )?garlic)|head(?= (?:of )?garlic))(?=s?\b)/i,
        '$1 $2',
      )
      .replace(/\bvac(?:uum)?[- ]packs?\b/i, 'pack')
      // Spoons by what they hold, sticks by how long they are.
      .replace(
        /^(\d+) ?x ?(\d+) ?ml spoon(?:ful)?s?\b/i,
        (_, count: string, ml: string) => `${String(Number(count) * Number(ml))} ml`,
      )
      .replace(
        /^(\d+|an?) \(?\d+(?:[.,]\d+)?[ -]?(?:cm|inch|in|")\)?[ -](?:long )?(?=(?:sticks?|stalks?|sprigs?|stems?)\b)/i,
        '$1 ',
      )
      // "A little nutmeg" is a pinch, a little oil a drizzle.
      .replace(
        /^(?:a |1 )?(?:little|bit of|touch of) (?:more )?(?=(?:(?:freshly|finely|fresh|grated|ground|black|white|smoked|sweet|hot) )*(?:nutmeg|mace|pepper|cayenne|paprika|cinnamon|cumin|allspice|cloves|saffron|turmeric|chilli|chili|curry|salt|sugar)\b)/i,
        '1 pinch ',
      )
      .replace(/^(?:a |1 )?(?:little(?! gems?\b)|bit of|touch of) (?:more )?(?=[a-z])/i, '1 drizzle ')
      .replace(/^bits? of (?=butter|oil)/i, '1 knob ')
      .replace(/^(\S+) (?:fresh )?(coriander|parsley|dill|mint|basil) (?:stalks?|stems?)\b/i, '$1 sprig of $2')
      // "2 garlic cloves" is two cloves of garlic, "2 celery sticks" two sticks of celery.
      .replace(
        /^(\S+(?: \d\/\d)?) (?:(?:large|medium|small|fat|plump|whole) )?(garlic|celery|lemongrass|cinnamon|thyme|rosemary|mint|basil|parsley|coriander|dill|sage|bay) (cloves?|sticks?|ribs?|stalks?|sprigs?|bulbs?|heads?)\b/i,
        '$1 $3 of $2',
      )
      .replace(
        EACH_WEIGHS,
        (_, count: string, held?: string, heldIn?: string, size?: string, unit?: string) =>
          `${String(Number(count) * Number((held ?? size ?? '1').replace(',', '.')))} ${heldIn ?? unit ?? 'g'} `,
      )
      .replace(/^(\d+) (?:small|medium|large|big) (?=\(\d[^)]*\) (?:can|tin|jar|carton|pack|bag|bottle)s?\b)/i, '$1 ')
      .replace(/(?<=[\d½¼¾])\s?["”″](?=\)? (?:piece|knob|length|thumb|chunk))/, ' inch')
      .replace(/^(\d+) \((?:½|1\/2)[ -]inch\)/i, '$1 (0.5 inch)')
      // "1 (3 to 3 1/2-pound) squash": the middle of it.
      .replace(
        BETWEEN_WEIGHTS,
        (_, count: string, low: string, high: string, unit: string) =>
          `${String((Number(count) * (mixed(low) + mixed(high))) / 2)} ${unit} `,
      )
      .replace(
        /(?<=\b(?:cans?|tins?|jars?)\b.{0,40}) in (?:salted |unsalted |spring |their own |its own )?(?:water|brine|juices?|liquid)\b/i,
        '',
      )
      .replace(/^(?:1|an?) \(?(\d+(?:[.,]\d+)?)[ -]?(cm|inch|in)\.?\)? (?=(?:piece|knob|length|thumb|chunk|stick))/i, '$1 $2 ')
      .replace(/^(\S+) (?:no\.? ?|#|number )10 (can|tin)s?\b(?: of)?/i, '$1 $2 no10')
      .replace(
        /^(\d+(?:[.,]\d+)?) ?-?(cm|inch|in) (?:(?:long |thick |fresh )?(?:piece|knob|length|thumb|chunk) )?(?:of )?(?=(?:fresh |peeled )?(?:root )?(?:ginger|galangal|turmeric))/i,
        (_, size: string, unit: string) =>
          `${String(Math.round(Number(size.replace(',', '.')) * (unit === 'cm' ? 1 : 2.54) * ROOT_G_CM * 10) / 10)} g `,
      )
      .replace(/(\d)\s+(?:and|&)\s+(?:a |an )?(?:half|1\/2|½)/i, '$1 1/2')
      .replace(/^(\d+)-(?=\d\/\d\b|[½¼¾⅓⅔])/, '$1 ')
      .replace(/^(\S+) (heaped|heaping|level|rounded|scant|generous|good|big|fat|plump) /i, '$1 ')
      .replace(/\b(?:[Tt]bs|T[Bb]|TBSP?)\b\.?/, 'tbsp')
      .replace(/^(\d+(?:[.,]\d+)?) ?# (?=[a-z])/i, '$1 lb ')
      .replace(/^(\S+(?: \d\/\d)?) T\.? (?=[a-z])/, '$1 tbsp ')
      .replace(/^(\S+(?: \d\/\d)?) t\.? (?=[a-z])/, '$1 tsp ')
      .replace(/^(\S+) (?:corn )?(?:cobs?|corn ears?)\b(?: of corn)?/i, '$1 ears corn')
      .replace(/^(\S+) (?:small |large )?glass(?:es)? (?:of )?/i, '$1 glass ')
      .replace(/(\d)(kg|g|ml|l|ltrs?|litres?|liters?|oz|lb)\b/gi, '$1 $2')
      .replace(/^(?=(?:kilo|pound|pint|litre|tin|can|tube|bag|jar|head|bulb|packet|pack|carton)s?\b (?:of )?[a-z])/i, '1 ')
      .replace(/(?<=\d\s*)\b(?:l|ltrs?)\b\.?(?=\s|$)|\b(?:litres?|liters?|ltrs?)\b(?=\s|$)/i, 'litre')
      .replace(SECOND_UNIT, '$1 ')
      .replace(/\bfl\.? ?oz\.?/i, 'fluid ounce')
  );
}

function spoken(text: string): Phrase['says'] {
  if (/\bto taste\b|\bas needed\b|\bQ\.? ?S\b\.?|\bas required\b|\bas req(?:'?d|\.|$)|\bTT\b/.test(text)) return 'to taste';
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
          /(?:,?\s*\b|^)(?:to taste|TT|Q\.? ?S\b\.?|as needed|as required|as req(?:'?d|\.)?|to (?:just |barely |almost |well )?cover|to (?:the|its|a) (?:mark|target)|\d[\d.,]* ?% of (?:the )?(?:finished|total|final|batch)\w*(?: \w+)*|for (?:frying|sweating|the pan|sautéing))/i,
          '',
        );
  return { ...nothing, ...parsed(short), juiceOf: juice !== null };
}
