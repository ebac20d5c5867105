import { FIGURE, mixed } from './fractions.js';
import { CONTAINERS } from './stated-weight.js';

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
/** Units that a size is written in. */
export const SIZE_UNITS = '(?:g|gm|grams?|kg|ml|l|ltrs?|litres?|liters?|oz|ounces?|fl\\.? ?oz|fluid ounces?|pints?|quarts?|lb)';

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

/** A thumb-thick root weighs so much a centimetre, g. Kitchen default. */
const ROOT_G_CM = 4.33;

/** Metric units as they are written and said on both sides of the Channel, in g, kg and mL. */
const METRIC: readonly (readonly [words: string, times: number, unit: string])[] = [
  ['grammes?|gr|gms|grm', 1, 'g'],
  ['kilos?|kilogrammes?|kgs', 1, 'kg'],
  ['mls|millilitres?', 1, 'ml'],
  ['centilit(?:re|er)s?', 10, 'ml'],
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
export function inFigures(text: string): string {
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
      .replace(/^(?:a |one )?(quarter|third) (?:of )?(?:an? )?(?=pints?\b|cups?\b)/i, (_, part: string) =>
        /third/i.test(part) ? '1/3 ' : '1/4 ',
      )
      .replace(/^(?:a |one )?quarter (?:of )?(?:a |an )/i, '1/4 ')
      // "1 whole bulb of garlic", "a sachet of miso", "a knob of butter the size of a walnut".
      .replace(/^(\S+) whole (?=(?:bulbs?|heads?)\b)/i, '$1 ')
      .replace(/^(\S+) sachets? (?:of )?(?=[a-z])/i, '$1 pack ')
      // "1 small clove of garlic"; "1 strip of orange peel" weighs some grams: common practice.
      .replace(/^(\S+) (?:large|small|fat|big|plump|juicy) (?=cloves? (?:of )?garlic\b)/i, '$1 ')
      .replace(
        /^(\S+) (?:(?:wide|thin|long|large|small) )?(?:strips?|pieces?) (?:of )?(?:pared )?(lemon|orange|lime) (?:peel|zest|rind)\b/i,
        '$1 x 3 g $2 zest',
      )
      .replace(/\b(cumin|coriander|mustard|fennel|caraway|celery|poppy|sesame) sds?\b/i, '$1 seeds')
      .replace(/\bstk\b/i, 'stock')
      .replace(/\bwhites? of (?=leeks?\b)/i, '')
      .replace(/\bgrnd\b/i, 'ground')
      .replace(/(\d) ?k\b(?! ?cal)/i, '$1 kg')
      .replace(/^([a-z][a-z ]*?),? (\d+) ?(?:x )?(?:A|#|no\.? ?)10 (can|tin)s?$/i, '$2 $3 no10 $1')
      .replace(/,? (?:about )?the size of (?:an? |your |my )[a-z’']+(?: ball)?\b/i, '')
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
      .replace(/^(\S+) (?:x )?(?:no\.? ?|#|number |A)10 (can|tin)s?\b(?: of)?/i, '$1 $2 no10')
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
