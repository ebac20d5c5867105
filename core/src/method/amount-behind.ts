import { readLine, takeApart, type ReadingContext } from '../amounts/index.js';

export function isKnown(piece: string, context: ReadingContext): boolean {
  const { code } = readLine(piece, { ...context, guesses: false });
  return code === 'READ' || code === 'ASK';
}

/** "Celery, 3 sticks, diced", "tomatoes, 2 x 400 g tins"; a measure of the cut is no amount. */
const FOOD_THEN_AMOUNT = /^([a-z][a-z' -]{1,40}?), ((?:\d|[½¼¾⅓⅔])[^,]{0,40}?)(?:, (.*))?$/i;
/** A measure of the cut is no amount. */
export const OF_A_CUT = /^\d+(?:[.,]\d+)? ?(?:-|–)? ?\d* ?(?:cm|mm|inch|in\b|")/i;
/** "Onion - 1 small, sliced", "Garlic: 5-6 cloves". */
const FOOD_DASH_AMOUNT =
  /^([a-z][a-z'’() -]{1,40}?)\s*(?:\s[-–—]\s|:\s)\s*((?:\d|[½¼¾⅓⅔]|(?:an?|few|some|half|one|two|three|four|five|six)\b)[^,]{0,40}?)(?:, (.*))?$/i;
/** An amount that has a column to itself, of one unit or two: "2 lb 8 oz". */
export const COLUMN_AMOUNT = String.raw`(?:(?:\d[\d.,/ ]*|\d? ?[½¼¾⅓⅔])\s*(?:kg|g|ml|l|litres?|tbsps?|tsps?|t|lbs?|oz|#|gal|gallons?|qts?|quarts?|pts?|pints?|cups?|each|ea|cans?|bunch(?:es)?|cloves?)?\.?\s*){1,2}`;
/** A food and its amount in two columns: "Onions, yellow, chopped        6 lb". */
const IN_COLUMNS = new RegExp(`^([a-z].{2,60}?)(?:\\s{2,}|\\t)(${COLUMN_AMOUNT})$`, 'i');

/** Units as they are written in kitchens that cook by the "gm" and the "ltr", and in full. */
const UNITS_SHORT = /(\d) ?(gms?|grms?|grammes?|kgs|kilogrammes?|kilograms?|mls|millilit(?:re|er)s?|ltrs?|lts?)\b\.?/gi;

/** Whether all words of a line are a food's own name: "white pepper" is the pepper that is meant, "pepper, white" any. */
function isNamed(line: string, context: ReadingContext): boolean {
  return readLine(line, { ...context, guesses: false }).code === 'READ';
}

/** "Oil, sunflower 150 ml": a name from behind, and its amount. */
const NAME_FROM_BEHIND = /^([a-z]+), ([a-z]+) (\d[\d.,]* ?(?:kg|g|ml|l|litres?|tbsp|tsp|lb|oz|cups?))$/i;

/** "Cinnamon ½ tsp". */
const SPOONED_BEHIND =
  /^([a-z][a-z ]*[a-z]) ((?:\d+ )?(?:[½¼¾⅓⅔]|\d\/\d|\d+)) ?(tsps?|tbsps?|teaspoons?|tablespoons?|cups?|pinch(?:es)?|cloves?|sticks?)$/i;

const COUNT = String.raw`(?:\d+ \d\/\d|\d+ ?[½¼¾⅓⅔]|[½¼¾⅓⅔]|\d\/\d|\d+(?:[.,]\d+)?)`;
const COUNTED_IN =
  '(?:large|medium|small|big|cloves?|sticks?|stalks?|bulbs?|heads?|tins?|cans?|jars?|packs?|bunch(?:es)?|sprigs?|leaves|ears?|rashers?|slices?|kg|g|ml|l|litres?|tbsps?|tsps?|tablespoons?|teaspoons?|cups?|lbs?|oz)';
/** "Spring onions 6, sliced", "garlic 3 cloves, crushed", "curry paste 4 tbsp (we use medium)". */
const BEHIND_WITH_MANNER = new RegExp(
  `^([a-z][a-z'’ -]{1,30}?),? (?:[x×] ?)?(${COUNT})(?: ?(${COUNTED_IN}))?\\.?\\s*((?:,|\\().*)?$`,
  'i',
);
/** "Onion (1 large), diced", "parsley (a bunch)". */
const IN_BRACKETS_BEHIND = new RegExp(
  `^([a-z][a-z'’ -]{1,30}?) \\((${COUNT}|an?|one|two|three)(?: (${COUNTED_IN}|handful|pinch|knob))?\\)(,.*)?$`,
  'i',
);

/** An amount that stands somewhere behind its food, in front; undefined where that makes no food that is known. */
function turnedRound(line: string, context: ReadingContext): string | undefined {
  const tins = /^(tins?|cans?|jars?|cartons?) (?:of )?([a-z][a-z ]+?) [x×] ?(\d+)$/i.exec(line);
  if (tins !== null) return `${tins[3] ?? ''} ${tins[1] ?? ''} ${tins[2] ?? ''}`;
  const times = /^[x×] ?(\d+) ([a-z].*)$/i.exec(line);
  if (times !== null) return `${times[1] ?? ''} ${times[2] ?? ''}`;
  const juiced = /^(lemon|lime|orange)s? (?:[x×] ?)?(\d+|½|half)(?:,| )? ?\(?(?:juiced?|juice (?:only|of))\)?$/i.exec(line);
  if (juiced !== null) return `juice of ${juiced[2] ?? ''} ${juiced[1] ?? ''}`;
  const half = /^([a-z]+(?: [a-z]+)?),? half(,.*)?$/i.exec(line);
  if (half !== null && isKnown(`half a ${half[1] ?? ''}`, context)) return `half a ${half[1] ?? ''}${half[2] ?? ''}`;
  const hit = BEHIND_WITH_MANNER.exec(line) ?? IN_BRACKETS_BEHIND.exec(line);
  if (hit === null || takeApart(line).value !== undefined) return undefined;
  const [, food = '', count = '', unit, manner = ''] = hit;
  if (OF_A_CUT.test(`${count} ${unit ?? ''}`)) return undefined;
  const turned = `${count}${unit === undefined ? '' : ` ${unit}`} ${food}`;
  return isNamed(turned, context) ? `${turned}${manner.startsWith('(') ? ' ' : ''}${manner}` : undefined;
}

/** "Veg stock 1 L + 200 ml". */
const SUM_BEHIND =
  /^([a-z][a-z'’ -]{1,30}?),? (\d[\d.,]* ?(?:kg|g|ml|l|litres?|cups?|tbsps?|tsps?) ?(?:\+|plus|&|and) ?\d[\d.,]* ?(?:kg|g|ml|l|litres?|cups?|tbsps?|tsps?))$/i;
/** "Watercress 4 bags (85 g each)". */
const PACKS_BEHIND =
  /^([a-z][a-z'’ -]{1,30}?),?\s+(\d{1,3}) ?(bags?|packs?|packets?|tins?|cans?|jars?|cartons?|tubs?|blocks?|bottles?) ?\((?:of )?(\d[\d.,]* ?(?:kg|g|ml|l|oz|lb))(?: each)?\)$/i;
/** "Coriander small bunch – stalks and leaves kept apart". */
const BUNCH_BEHIND =
  /^([a-z][a-z'’ -]{1,30}?),? ((?:(?:an? )?(?:small|large|big|good|medium|generous) )?(?:bunch|handful|knob|pinch|bulb|head))\b\s*(?:[–—-]\s+|,\s*)?(.*)$/i;

/** A line whose amount stands behind its food, turned to the way in which lines are read. */
export function amountFirst(written: string, context: ReadingContext): string {
  const line = written.replace(UNITS_SHORT, (_all, figure: string, unit: string) => {
    const short = unit.toLowerCase();
    return `${figure} ${short.startsWith('g') ? 'g' : short.startsWith('k') ? 'kg' : short.startsWith('m') ? 'ml' : 'l'}`;
  });
  const behind = NAME_FROM_BEHIND.exec(line);
  if (behind !== null) {
    const turned = `${behind[3] ?? ''} ${behind[2] ?? ''} ${behind[1] ?? ''}`;
    if (isKnown(turned, context)) return turned;
  }
  const spooned = SPOONED_BEHIND.exec(line);
  if (spooned !== null) return `${spooned[2] ?? ''} ${spooned[3] ?? ''} ${spooned[1] ?? ''}`;
  const dashed = FOOD_DASH_AMOUNT.exec(line);
  if (dashed !== null && !isKnown(line, context)) {
    const [, food = '', amount = '', manner] = dashed;
    const tail = manner === undefined ? '' : `, ${manner}`;
    const turned = [`${amount} ${food}`, `${amount} of ${food}`].find((one) => isKnown(one, context));
    if (turned !== undefined) return `${turned}${tail}`;
  }
  const sum = SUM_BEHIND.exec(line);
  if (sum !== null && isKnown(`${/^[\d.,]+ ?[a-z]+/i.exec(sum[2] ?? '')?.[0] ?? ''} ${sum[1] ?? ''}`, context))
    return `${sum[2] ?? ''} ${sum[1] ?? ''}`;
  const packs = PACKS_BEHIND.exec(line);
  if (packs !== null && isKnown(`${packs[4] ?? ''} ${packs[1] ?? ''}`, context))
    return `${packs[2] ?? ''} x ${packs[4] ?? ''} ${packs[3] ?? ''} ${packs[1] ?? ''}`;
  const bunch = BUNCH_BEHIND.exec(line);
  if (bunch !== null && isKnown(`1 ${bunch[2] ?? ''} ${bunch[1] ?? ''}`, context)) {
    const [, food = '', measure = '', manner = ''] = bunch;
    return `1 ${measure.replace(/^an? /i, '')} ${food}${manner === '' ? '' : `, ${manner}`}`;
  }
  const round = turnedRound(line, context);
  if (round !== undefined) return round;
  const byCan = /^(.+?) \((#?10) can\) (\d+)(?: ?(?:ea|each))?$/i.exec(line);
  if (byCan !== null) return `${byCan[3] ?? '1'} #10 can ${byCan[1] ?? ''}`;
  const column = IN_COLUMNS.exec(line);
  if (column !== null && !isKnown(column[1] ?? '', context)) {
    const [, food = '', amount = ''] = column;
    const [name = '', kind = '', ...manners] = food.split(/\s*,\s*/);
    const tail = manners.length > 0 ? `, ${manners.join(', ')}` : '';
    // "Squash, butternut, peeled   32 lb": the kind stands behind the name.
    const turned = [`${amount} ${kind} ${name.replace(/s$/i, '')}${tail}`, `${amount} ${kind} ${name}${tail}`, `${amount} ${food}`];
    const found = (kind === '' ? turned.slice(2) : turned).find((one) => isNamed(one, context));
    if (found !== undefined) return found;
  }
  const parts = FOOD_THEN_AMOUNT.exec(line);
  if (parts === null) return line;
  const [, food = '', amount = '', manner] = parts;
  const isCounted = /^[\d½¼¾]+ (?:cloves?|sticks?|stalks?|heads?|bulbs?|leaves|sprigs?|ears?|cobs?)$/i.test(amount);
  if (OF_A_CUT.test(amount) || (!isCounted && isKnown(amount, context))) return line;
  const turned = `${amount} ${food}`;
  return isKnown(turned, context) ? `${turned}${manner === undefined ? '' : `, ${manner}`}` : line;
}
