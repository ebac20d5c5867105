import { findName, takeApart, type ReadingContext } from '../amounts/index.js';
import { amountFirst, isKnown, OF_A_CUT } from './amount-behind.js';
import { figureIn } from './measures.js';

/** Characters of the longest line that can be a list of foods. */
export const LONGEST_LINE = 300;

/** What a list of foods ends on, said of all of them. */
const FOR_ALL =
  /,?\s*((?:to (?:serve|garnish|decorate|finish|taste|top))|(?:for (?:serving|garnish(?:ing)?|topping|sprinkling|drizzling|the top)))\s*$/i;

/** "Pinch sugar", "a squeeze of lemon": a measure of a hand. */
const BY_THE_PINCH = /^(?:an? )?(?:\w+ )?(?:pinch|knob|squeeze|splash|dash|drizzle|handful|sprig|grating|grind)\b/i;

/** "Allspice (1/2 tsp)". */
const MEASURE_BEHIND = /\s\(([\d½¼¾][\d½¼¾/ ]* ?(?:tsps?|tbsps?|teaspoons?|tablespoons?|g|ml))\)/gi;

/** Several foods without amounts in one line, "salt, pepper and nutmeg", each for itself; undefined where it is one food. */
function listed(line: string, context: ReadingContext, isOnTop: boolean): string[] | undefined {
  // "Thyme, bay, allspice (1/2 tsp)": one of them has a measure.
  const bare = line.replace(MEASURE_BEHIND, '');
  const isCounted = /\d|[½¼¾]/.test(bare);
  if (line.length > LONGEST_LINE || (isCounted && !isOnTop)) return undefined;
  const tail = FOR_ALL.exec(line);
  const foods = (tail === null ? line : line.slice(0, tail.index))
    // What stands in brackets belongs together.
    .split(/\s*,\s*(?:and\s+)?(?![^()]*\))|\s+(?:and|&|\+)\s+(?![^()]*\))/i)
    .filter((one) => one !== '')
    .map((one) => one.replace(MEASURE_BEHIND, (whole, measure: string) => (one === whole ? one : ` ${measure}`)))
    .map((one) => (isCounted ? one : amountFirst(one, context)));
  if (foods.length < 2) return undefined;
  const isFood = (one: string): boolean =>
    findName(context.names, one.replace(MADE_SO, ''), context.country, false).code === 'FOUND' ||
    /^(?:\w+ )*(?:salt|pepper)$/i.test(one) ||
    ((isCounted || /^[\d½¼¾]/.test(one) || BY_THE_PINCH.test(one)) && isKnown(one, context));
  const strange = foods.filter((one) => !isFood(one)).length;
  // What all of it is for is said behind it: one food that is not known is asked, and takes no other along.
  // "Goat's cheese, crumbled, for garnish" is one.
  const isPair = foods.length === 2 && !bare.includes(',');
  const mayAsk = tail !== null && !isCounted && foods.length - strange >= (isPair ? 1 : 2);
  if (strange > (mayAsk ? 1 : 0)) return undefined;
  return foods.map((one) => (/\d|[½¼¾]/.test(one) || BY_THE_PINCH.test(one) ? one : `${one} ${tail?.[1] ?? 'to taste'}`));
}

/** "Shaved Parmesan", "toasted seeds": how it is made ready, before its name. */
const MADE_SO =
  /^(?:(?:finely|roughly|freshly|coarsely|thinly) )?(?:shaved|grated|shredded|crumbled|chopped|diced|hard[- ]boiled|torn|sliced|toasted|crispy?|fried|snipped|fresh|extra|more|a little|some) (?=[a-z])/i;

/** Whether a piece of a line has a measure and a food of its own. */
function isMeasured(piece: string): boolean {
  const { value, unit, rest } = takeApart(piece);
  return value !== undefined && unit !== undefined && /[a-z]{3}/i.test(rest);
}

/** "Half the chickpeas", "reserved florets": of what stands in the list already, and no food of its own. */
const OF_THE_LIST =
  /^(?:the )?(?:reserved|remaining|saved|rest of the|other half of the|half (?:of )?the|(?:a|one) (?:third|quarter|few|handful|little) of the) (?!juice|zest)([a-z][a-z ]*?)(?: from above)?$/i;

/** Whether a line only speaks of a food that another line brings. */
export function isOfTheList(food: string, others: readonly string[]): boolean {
  const named = OF_THE_LIST.exec(food.replace(/,.*$/, '').trim())?.[1];
  const word = named?.split(' ').at(-1)?.replace(/e?s$/i, '').toLowerCase() ?? '';
  if (word.length < LEAST_LETTERS) return false;
  const isPart = /^(?:floret|leaf|leave|frond|top|tip|stalk|slice|piece|seed)$/.test(word);
  return isPart || others.some((other) => other !== food && other.toLowerCase().includes(word));
}
const LEAST_LETTERS = 3;

/** What a list of foods begins with in a message. */
const CHAT =
  /^(?:so )?(?:it['’]?s|this is what i have|i (?:used?|have|had)|what you need|you(?:['’]ll| will)? need|ingredients)\s*:?\s+/i;

/** "3 leeks, 500 g potatoes, 1.2 l stock" in one line, where each part has an amount and a food of its own. */
function amountsBehindOneAnother(piece: string, context: ReadingContext, least = LEAST_PARTS): string[] | undefined {
  if (piece.length > LONGEST_LINE) return undefined;
  const text = piece.replace(CHAT, '');
  const parts = text.split(
    /\s+and\s+(?=an? (?:squeeze|pinch|knob|splash|handful|bunch|sprig|drizzle|glug|few)\b)|\s*,\s*(?:and\s+)?(?=[\d½¼¾⅓⅔]|(?:an?|some|any|bit|drop|knob|splash|pinch|handful|thumb|bunch|sprigs?|one|two|three|half)\b|[a-z][a-z ]*[\d½¼¾⅓⅔]|(?:the )?(?:juice|zest)\b|[a-z]+(?: [a-z]+){0,2},? to (?:serve|garnish|finish|taste)\b)/i,
  );
  if (
    parts.length < least ||
    !parts.every((part) =>
      /\d|[½¼¾⅓⅔]|^(?:an?|some|any|bit|drop|knob|splash|pinch|handful|thumb|bunch|sprigs?|one|two|three|half)\b|^(?:the )?(?:juice|zest)\b|\bto (?:serve|garnish|finish|taste)\b/i.test(
        part,
      ),
    )
  )
    return undefined;
  const known = parts.filter((part) => isKnown(part, context)).length;
  return known >= parts.length - (least < LEAST_PARTS ? 0 : 1) ? parts.flatMap((part) => withFoodBehind(part, context)) : undefined;
}
const LEAST_PARTS = 3;

/** "A pot of cream, nutmeg": what stands behind the last comma and is a food by its name is another. */
function withFoodBehind(part: string, context: ReadingContext): string[] {
  const hit = /^(.+), ([a-z]+(?: [a-z]+){0,2})$/i.exec(part);
  const [, head = '', tail = ''] = hit ?? [];
  const isFood = hit !== null && findName(context.names, tail, context.country, false).code === 'FOUND';
  return isFood && isKnown(head, context) ? [...withFoodBehind(head, context), `${tail} to taste`] : [part];
}

/** "1 onion, carrot & celery stick, all finely chopped": one of each. */
function oneOfEach(piece: string, context: ReadingContext): string[] | undefined {
  const hit =
    /^(an?|one|two|\d) ([a-z]+(?: [a-z]+)?), ([a-z]+(?: [a-z]+)?),? (?:and|&) ([a-z]+(?: (?:stick|stalk|rib)s?)?)((?:,| \() ?(?:all|each)\b.*)?$/i.exec(
      piece,
    );
  if (hit === null) return undefined;
  const [, count = '', first = '', second = '', third = '', manner = ''] = hit;
  const how = manner.replace(/^[,( ]+(?:all|each) ?/i, '').replace(/\)$/, '');
  const rows = [first, second, third].map((food) => `${count} ${food}${how === '' ? '' : `, ${how}`}`);
  return rows.every((row) => isKnown(row, context)) ? rows : undefined;
}

/** "1 bay leaf, 2 sprigs thyme", "4 slices sourdough, 50 g parmesan, grated": two foods, each with its own figure. */
function pairOf(piece: string, context: ReadingContext): string[] | undefined {
  const pair = /^((?:\d|[½¼¾⅓⅔])[^,]*(?:, [^,\d½¼¾⅓⅔]+)?), ((?:\d|[½¼¾⅓⅔])[^,]*(?:, [^,\d½¼¾⅓⅔]+)?)$/.exec(piece);
  // "2 garlic cloves and a 3cm piece of ginger, grated."
  const root =
    /^((?:\d|an?|one|two|three)\b[^,]*?) (?:and|&|\+|plus) ((?:an? )?(?:\d+(?:[.,]\d+)? ?(?:cm|mm|inch|in|")|thumb\S*)[ -]?(?:sized? )?(?:piece|knob|chunk|bit|thumb) (?:of )?[a-z ]+)(,.*)?$/i.exec(
      piece,
    );
  if (root !== null) {
    const [, first = '', second = '', manner = ''] = root;
    if (isKnown(first, context) && isKnown(second, context)) return [`${first}${manner}`, `${second}${manner}`];
  }
  if (pair === null || OF_A_CUT.test(pair[2] ?? '')) return undefined;
  const both = [pair[1] ?? '', pair[2] ?? ''];
  return both.every((one) => isKnown(one, context)) ? both : undefined;
}

const PART = String.raw`(\d{1,2}|one|two|three|four|five|six|half|the (?:other|rest)(?: (?:one|two|half))?|the others|rest|remainder)`;
const CUT_SO = String.raw`((?:left |kept |cut |into |in |very |finely |roughly |coarsely |thinly |thickly )*(?:[a-z]+(?:ed|en)|whole|cut|(?:half|halves|quarters|slices|chunks|cubes|dice|rings|strips|ribbons|matchsticks))(?: (?:[a-z]+ly|thin|thick|small|in half|lengthways|and [a-z]+ed|into [a-z ]+|for [a-z ]+|to [a-z ]+|whole))?)`;
/** "2 carrots, 1 halved and 1 finely diced", "500 g mushrooms (half sliced, half chopped)". */
const CUT_TWO_WAYS = new RegExp(
  `^(\\d+(?:[.,]\\d+)?) ?((?:kg|g|lbs?|oz|pounds?)\\b)? ?((?:[a-z'’-]+ ){0,3}[a-z'’-]+)(?:,|:| \\() ?${PART} ${CUT_SO}(?:,? and |, |; |,? but )${PART} ${CUT_SO}\\)?$`,
  'i',
);

/** A line that is prepared in two ways, as two lines; undefined where it is one, or its parts do not come to the whole. */
function cutTwoWays(piece: string): string[] | undefined {
  const [, count = '', unit = '', food = '', one = '', how = '', other = '', otherwise = ''] =
    CUT_TWO_WAYS.exec(piece.trim()) ?? [];
  if (count === '') return undefined;
  const whole = Number(count.replace(',', '.'));
  const partOf = (said: string): number | undefined =>
    /^half$/i.test(said) ? whole / 2 : /^(?:the|rest|remainder)/i.test(said) ? undefined : figureIn(said);
  const first = partOf(one);
  const second = partOf(other) ?? whole - (first ?? 0);
  if (first === undefined || !(second > 0) || Math.abs(first + second - whole) > 1e-9) return undefined;
  const row = (part: number, manner: string): string => `${String(part)} ${unit === '' ? '' : `${unit} `}${food}, ${manner}`;
  return [row(first, how), row(second, otherwise)];
}

/** A mirepoix by its weight, two parts of onion to one of carrot and one of celery: common practice. */
function mirepoixOf(piece: string): string[] | undefined {
  const hit =
    /^(\d+(?:[.,]\d+)?) ?(kg|g|lbs?|oz|pounds?) (?:of )?mirepoix\b/i.exec(piece) ??
    /^mirepoix\b[^\d]*(?:\([^)]*\))?\s*(\d+(?:[.,]\d+)?) ?(kg|g|lbs?|oz|pounds?)$/i.exec(piece);
  if (hit === null) return undefined;
  const whole = Number((hit[1] ?? '0').replace(',', '.'));
  return (
    [
      [0.5, 'onion'],
      [0.25, 'carrot'],
      [0.25, 'celery'],
    ] as const
  ).map(([share, food]) => `${String(Math.round(whole * share * 1000) / 1000)} ${hit[2] ?? 'g'} ${food}, diced`);
}

export const HUNDREDS = 100;
const TENS = 10;
/** A list of kitchen notes in which some stand by kilos leaves the grams out: "2kg parsnips / 500 onion / 30 ginger". */
export function inGrams(pieces: readonly string[], least = TENS): string[] {
  const isMetric = pieces.some((piece) => /^\s*\d[\d.,]* ?(?:kg|l|ltr|litres?|g|ml)\b/i.test(piece));
  if (!isMetric) return [...pieces];
  // "12 eggs" are twelve; "30 garlic" are grams, and hundreds of anything.
  return pieces.map((piece) =>
    piece.replace(
      /^(\s*)(\d{2,4}) (?=[a-z'’]{3})(?!(?:tins?|cans?|jars?|x|each|cloves?|sprigs?|leaves|slices?|pieces?|sheets?|bowls?|portions?|g(?:m|r|ram|ramme)s?|mls?|millilit(?:re|er)s?|cl|centilit(?:re|er)s?|lt?rs?|lit(?:re|er)s?|kilos?|kilogram(?:me)?s?|pounds?|ounces?|fluid|cups?|tbsps?|tablespoons?|tsps?|teaspoons?|pints?|quarts?|per)\b)([a-z'’]+)/i,
      (whole, lead: string, figure: string, word: string) =>
        Number(figure) >= HUNDREDS || (!/s$/i.test(word) && Number(figure) >= least) ? `${lead}${figure} g ${word}` : whole,
    ),
  );
}

/** Pieces of one written line, of one that says what goes on top too: several foods behind one another are parted, and salt from its pepper. */
export function splitFoods(line: string, alone: boolean, context: ReadingContext, isOnTop = false): string[] {
  const stroked = line.split(/ [/•·|] /);
  const isStroked = stroked.length >= LEAST_PARTS && stroked.filter((piece) => /\d/.test(piece)).length >= stroked.length - 1;
  const pieces = isStroked ? inGrams(stroked) : line.split(/ *;(?![^()]*\)) */);
  const split =
    alone && pieces.length === 1 ? line.split(/, ?(?=(?:\d|[½¼¾⅓⅔]|an? |one |two |three |half |salt\b|pepper\b))/i) : pieces;
  return split
    .map((piece) =>
      piece
        // "Reserved florets, 1 tsp cumin seeds": what was kept of another line is no food to buy.
        .replace(/^(?:the )?(?:reserved|remaining|saved) [a-z]+(?: [a-z]+)?, (?=[\d½¼¾])/i, '')
        .replace(/(?<=[a-zà-ÿ]{4})\.\s*$/i, '')
        .replace(/ \.{3,} ?/, ' ')
        .replace(/\([^()]*\)/g, (note) => note.replace(/;/g, ','))
        // "25 g butter, plus a knob to finish": so much is weighed, and the rest is by the hand.
        .replace(
          /,? (?:plus|\+) (?:an? )?(?:knob|splash|drizzle|swirl|little|spoonful|dollop|handful|few \w+|bit)(?: (?:more|extra|of it))?(?= (?:to|for) (?:the )?(?:serve|serving|finish|garnish|top|drizzl|fry|grease))/i,
          ', plus extra',
        )
        .replace(/,?\s+if you (?:have|['’]ve got|have got|got)(?: (?:it|one|some|any))?\s*$/i, '')
        .replace(
          /(?<=\b(?:salt|pepper|seasoning|s ?[&+] ?p)\b.*) (?:tt|t\.t\.|q\.?s\.?|,? ?as (?:needed|required|desired|wanted))$/i,
          ' to taste',
        )
        .replace(/^(?:plenty|lots|loads) of (?=.*\b(?:pepper|salt)\b)/i, '')
        // What is tied up and taken out again.
        .replace(
          /^(?:an? |1 |the )?(?:herb |spice )?(?:sachet(?: d['’][ée]pices)?|spice bag|bouquet garni)\s*(?:[:(–-]|of\b|with\b).*$/i,
          '1 bouquet garni',
        ),
    )
    .map((piece) =>
      amountFirst(piece.trim().replace(/^(?:(?:what )?you(?:['’]ll| will)? need|what I use|ingredients):\s*/i, ''), context),
    )
    .map((piece) =>
      piece.replace(/^(?:s\.? ?(?:&|\+|and) ?p(?:\.|\b)|salt ?(?:[+/]|['’]?n['’]?) ?pepper|seasoning$)/i, 'salt and pepper'),
    )
    .flatMap((piece) => {
      // "Salt, pepper, a pinch of chilli flakes".
      const seasoned =
        /^((?:sea |kosher |fine )*salt,? (?:(?:and|&) )?(?:(?:freshly )?(?:ground )?(?:black |white )?)?pepper), (?:and |& )?((?:an? |some |\d|[½¼]).+)$/i.exec(
          piece,
        );
      return seasoned === null ? [piece] : [(seasoned[1] ?? '').replace(/, ?(?!and)/i, ' and '), seasoned[2] ?? ''];
    })
    .flatMap((piece) => mirepoixOf(piece) ?? [piece])
    .flatMap(
      (piece) =>
        cutTwoWays(piece) ??
        oneOfEach(piece, context) ??
        amountsBehindOneAnother(piece, context) ??
        pairOf(piece, context) ?? [piece],
    )
    .flatMap((piece) => {
      if (piece.length > LONGEST_LINE) return [piece];
      const eachBehind =
        /^([a-z][a-z ]*(?:, [a-z][a-z ]*)+),? (\d[\d./]* ?(?:g|kg|ml|tsps?|tbsps?|tablespoons?|teaspoons?)) each$/i.exec(
          piece.trim(),
        );
      // "Cumin, coriander seed 2tsp each".
      if (eachBehind !== null) return (eachBehind[1] ?? '').split(/\s*,\s*/).map((food) => `${eachBehind[2] ?? ''} ${food}`);
      // "1 tsp each cumin and coriander", "2 cubes dissolved in 1 l water", "juice and zest of a lemon" are several things.
      const each = /^(.+?) each (?:of )?(?:the )?(.+)$/i.exec(piece.trim());
      const isMeasure = takeApart(`${each?.[1] ?? ''} salt`).value !== undefined;
      if (each !== null && isMeasure) {
        const ground = /^(?:ground|dried|fresh) /i.exec(each[2] ?? '')?.[0] ?? '';
        const isSpices = /\b(?:cumin|turmeric|paprika|cinnamon|cayenne)\b/i.test(each[2] ?? '');
        // "Cumin seeds and coriander seeds, crushed": how, and not what.
        const foods = (each[2] ?? '')
          .replace(EACH_MANNER, '')
          .split(/\s*,\s*(?:and\s+)?|\s+(?:and|&)\s+/i)
          .map((food) => (isSpices ? food.replace(/^coriander$/i, 'ground coriander') : food));
        return foods.map((food, n) => `${each[1] ?? ''} ${n === 0 || food.startsWith(ground) ? '' : ground}${food}`);
      }
      const plus =
        /^(.*?\d.*?|(?:an? )?(?:few )?(?:sprig|handful|bunch|pinch|knob|splash)(?:e?s)? (?:of )?[a-z ]+?) (?:plus|mixed with|\+|with) ((?:an? |another )?(?:[\d½¼¾⅓⅔]).*)$/i.exec(
          piece.trim(),
        ) ??
        /^(.*?\d.*?|(?:an? )?few sprigs (?:of )?[a-z]+) (?:and|&) ((?:[\d½¼¾⅓⅔]|a few|a couple|a sprig|some sprigs|two|three|four|one).*)$/i.exec(
          piece.trim(),
        );
      // "2 teaspoons lemon zest plus 1 tablespoon juice": of the same fruit.
      const fruitOf = /\b(lemon|lime|orange) (?:zest|juice)\b/i.exec(plus?.[1] ?? '')?.[1];
      const second = (plus?.[2] ?? '').replace(/ (?=(?:zest|juice)$)/i, fruitOf === undefined ? ' ' : ` ${fruitOf} `);
      const isTwo = isMeasured(plus?.[1] ?? '') || isKnown(plus?.[1] ?? '', context);
      if (plus !== null && isTwo && isKnown(second, context))
        return [...(amountsBehindOneAnother(plus[1] ?? '', context, 2) ?? [plus[1] ?? '']), second];
      const fruit =
        /^((?:\d+(?:[.,/]\d+)?|½|an?|one|two|half an?) .*?(?:lemon|lime|orange)s?),? (?:finely )?(?:zested and juiced|juiced and zested|(?:finely grated )?zest and juice|juice and (?:finely grated )?zest|grated zest and juice)\b.*$/i.exec(
          piece.trim(),
        );
      if (fruit !== null) return [`juice of ${fruit[1] ?? ''}`, `zest of ${fruit[1] ?? ''}`];
      const behind = FRUIT_COUNTED.exec(piece.trim());
      if (behind !== null) {
        const own = `${behind[2] ?? behind[3] ?? '1'} ${behind[1] ?? behind[4] ?? ''}`;
        return [`juice of ${own}`, `zest of ${own}`];
      }
      const dissolved =
        /^(.+?\b(?:cubes?|powder|pots?|bouillon)),? (?:dissolved|crumbled|mixed|made up|stirred) (?:in|into|with|to) (?:a |an )?(.*water.*)$/i.exec(
          piece.trim(),
        );
      const madeUp =
        /^(.*\b(?:stock|bouillon)) (?:cubes?|pots?|powder),? made (?:up )?(?:to|into|with) (?:about )?(\d[\d.,/]* ?(?:ml|l|litres?|pints?|cups?))\b.*$/i.exec(
          piece.trim(),
        );
      if (madeUp !== null) return [`${madeUp[2] ?? ''} ${(madeUp[1] ?? '').replace(/^\S+ /, '')} (from a cube)`];
      if (dissolved !== null) return [dissolved[1] ?? '', (dissolved[2] ?? '').replace(/ with (?=.*water)/i, ' ')];
      const both =
        /^(?:the )?(?:(?:finely )?(?:grated )?zest (?:and|&) juice|juice (?:and|&) (?:finely )?(?:grated )?zest)(?: of)? (.+)$/i.exec(
          piece.trim(),
        );
      return both === null ? [piece] : [`juice of ${both[1] ?? ''}`, `zest of ${both[1] ?? ''}`];
    })
    .flatMap((piece) => listed(piece.trim(), context, isOnTop) ?? [piece.trim()]);
}

const EACH_MANNER =
  /,\s*(?:both )?(?:lightly |finely |freshly |coarsely |roughly )?(?:crushed|ground|toasted|chopped|grated|minced|peeled|sliced|bruised|dried|cracked)(?: and (?:crushed|ground|toasted))?$/i;

const FRUIT =
  /^((?:\d+(?:[.,/]\d+)?|½|an?|one|two|three|half an?|half)? ?(?:(?:large|small|medium|unwaxed|organic|ripe|fresh) )*)(lemon|lime|orange)s?$/i;

/**
 * "1 lime" of which the method takes only the juice is that juice, and "1 lemon" whose zest and juice it takes is both: a whole
 * fruit with its peel would sour the soup by twice as much.
 *
 * @example asSqueezed('1 lime', 'Squeeze in the lime juice.') // ['juice of 1 lime']
 */
export function asSqueezed(food: string, method: string): string[] {
  const [, many = '', fruit = ''] =
    FRUIT.exec(
      food
        .trim()
        .replace(
          /^(lemon|lime|orange)s? ?(?:x|[-–:,]) ?(\d+|half|½)$/i,
          (_, fruit: string, many: string) => `${/^half$/i.test(many) ? '½' : many} ${fruit}`,
        ),
    ) ?? [];
  if (fruit === '') return [food];
  const said = (words: string): boolean => new RegExp(words.replaceAll('FRUIT', fruit), 'i').test(method);
  const isWhole = said(
    'FRUIT (?:wedges|slices|halves|quarters)|(?:wedges?|slices?|halves|quarters) of (?:the )?FRUIT|(?:slice|quarter|chop|cut) the FRUIT',
  );
  const isJuice = said(
    'FRUITs? juice|juice (?:of|from) (?:the |half |a |one |both |of )*FRUIT|squeez[^.;]{0,40}\\bFRUIT|(?<!un)juice (?:the )?FRUIT|FRUIT[^.;]{0,25}(?:juiced?|squeez)',
  );
  const isZest = said(
    "FRUIT(?:[’']s)? (?:zest|rind|peel)|(?:zest|rind) (?:of|from) (?:the |half |a |one |of )*FRUIT|zest (?:the )?FRUIT|grat[^.;]{0,20}\\bFRUIT",
  );
  if (isWhole || !(isJuice || isZest)) return [food];
  const of = `${many.trim() === '' ? '1' : many.trim()} ${fruit.toLowerCase()}`;
  return [...(isJuice ? [`juice of ${of}`] : []), ...(isZest ? [`zest of ${of}`] : [])];
}

/** "Oranges 2 (zest+juice)", "2 oranges (zest and juice)". */
const FRUIT_COUNTED =
  /^(?:(lemons?|limes?|oranges?) (\d+)|(\d+) (lemons?|limes?|oranges?)),? \(?(?:zest ?(?:\+|&|and) ?juice|juice ?(?:\+|&|and) ?zest)\)?$/i;

/** So much for each who eats: "20 g pp", "30 ml per bowl". */
const FOR_EACH =
  /\b(\d+(?:[.,]\d+)?) ?(g|ml)\b(?: each)? ?(?:pp|p\/p|per (?:person|head|bowl|portion|serving|serve|cover)|a (?:bowl|head|portion))\b\.?/i;

/** "Salt 12 g per litre", "10 g/kg salt": how salt the soup is to be, and no amount of the list. */
const SALT_PER_KG = /\b(\d+(?:[.,]\d+)?) ?g ?(?:\/|per|an?|to (?:the|each)) ?(?:finished )?(?:l|lt?r|litre|liter|kg|kilo)\b\.?/i;
const IS_SALT = /^(?:(?:sea|fine|kosher|table|coarse) )*salt\b|\bsalt$/i;

export function forAll(line: string, bowls: number | undefined): string {
  const perKg = IS_SALT.test(line.trim()) ? SALT_PER_KG.exec(line) : null;
  if (perKg !== null) return `salt to taste, to ${String(Number((perKg[1] ?? '').replace(',', '.')) / 10)} %`;
  if (bowls === undefined) return line;
  return line.replace(FOR_EACH, (_, figure: string, unit: string) => `${String(Number(figure.replace(',', '.')) * bowls)} ${unit}`);
}

const PERCENT = /^(.*?[a-z].*?)[\s:]+(\d+(?:[.,]\d+)?)\s*%$|^(\d+(?:[.,]\d+)?)\s*%\s+(.+)$/i;
const MAKES_KG = /\b(?:yield|batch|makes|total)\b:?\s*(\d+(?:[.,]\d+)?)\s*(?:kg|l|litres?)\b/i;
/** How far percentages may be from a hundred in all. */
const PERCENT_OFF = 12;

/** A formula in percent as kilos of the batch that it names, or of one kilo. */
export function byPercent<T extends { readonly text: string }>(foods: readonly T[], whole: string): readonly T[] {
  const parts = foods.map(({ text }) => PERCENT.exec(text));
  const shares = parts.map((hit) => (hit === null ? 0 : Number((hit[2] ?? hit[3] ?? '0').replace(',', '.'))));
  const sum = shares.reduce((all, share) => all + share, 0);
  if (shares.filter((share) => share > 0).length < LEAST_PARTS || Math.abs(sum - 100) > PERCENT_OFF) return foods;
  const batchKg = Number((MAKES_KG.exec(whole)?.[1] ?? '1').replace(',', '.'));
  return foods.map((food, n) => {
    const hit = parts[n] ?? null;
    const grams = Math.round(((shares[n] ?? 0) / 100) * batchKg * 1e4) / 10;
    return hit === null ? food : { ...food, text: `${String(grams)} g ${(hit[1] ?? hit[4] ?? '').trim()}` };
  });
}
