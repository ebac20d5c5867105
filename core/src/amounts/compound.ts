import { FIGURE, mixed } from './fractions.js';

const UNIT =
  'kg|kilos?|g|grams?|lbs?|pounds?|oz|ounces?|fl\\.? ?oz|fluid ounces?|ml|l|litres?|liters?|cups?|tbsps?|tbs|tablespoons?|tsps?|teaspoons?|pints?|pts?|quarts?|qts?|gallons?|gal';

/** Larger units that are followed by a smaller one with no word between: "2 lb 8 oz". With others that is the same amount twice. */
const FOLLOWED: readonly (readonly [larger: RegExp, smaller: RegExp])[] = [
  [/^(?:lbs?|pounds?)$/i, /^(?:oz|ounces?)$/i],
  [/^(?:kg|kilos?)$/i, /^(?:g|grams?)$/i],
  [/^(?:l|litres?|liters?)$/i, /^ml$/i],
  [/^(?:pints?|pts?)$/i, /^fl/i],
  [/^cups?$/i, /^(?:tbsps?|tbs|tablespoons?)$/i],
  [/^(?:tbsps?|tbs|tablespoons?)$/i, /^(?:tsps?|teaspoons?)$/i],
  [/^(?:gallons?|gal)$/i, /^(?:quarts?|qts?|pints?|pts?)$/i],
  [/^(?:quarts?|qts?)$/i, /^(?:cups?|pints?|pts?)$/i],
];

const BEFORE_FOOD = new RegExp(
  `^(${FIGURE}) ?(${UNIT})\\b\\.?(,? ?(?:\\+|plus|and|&)|,)? ?(${FIGURE}) ?(${UNIT})\\b\\.? (?:of )?(?=.*[a-z]{3})(.+)$`,
  'i',
);
const BEHIND_FOOD = new RegExp(
  `^((?:${FIGURE}) ?(?:${UNIT})\\b\\.? (?:of )?([^,(]*[a-z]{3}[^,(]*?)(?:,[^(]*?)?),? \\(?(?:plus|\\+) (?:an? (?:extra|additional) |another )?((?:${FIGURE}) ?(?:${UNIT})\\b\\.?)(?: (?:more|extra))?(?:,? (?:for|to) [^\\d]*)?\\)?$`,
  'i',
);

/** "1 onion, halved, plus 1 onion, finely chopped". */
const COUNTED_TWICE =
  /^(\d+|an?|one|two|three) ((?:(?:large|medium|small|red|white|brown|yellow) )*[a-z]+?)(?:e?s)?(?:,[^,+]*)?,? (?:plus|\+) (\d+|an?|one|two|three|half an?) (?:more |extra |another )?\2(?:e?s)?\b/i;
/** Where the second has another use, it is a line of its own. */
const NOT_THE_SAME = /\b(?:serve|serving|garnish|wedges|juiced?|zest\w*)\b/i;

/**
 * A line whose amount is two amounts of one food, as two lines: "2 lb 8 oz onions", "1/4 cup plus 1 tbsp oil", "1/2 cup cream, plus
 * 2 tbsp to serve". Undefined where it is one.
 *
 * @example summed('2 lb 8 oz onions') // ['2 lb onions', '8 oz onions']
 */
export function summed(line: string): readonly [string, string] | undefined {
  const before = BEFORE_FOOD.exec(line);
  if (before !== null) {
    const [, figure = '', unit = '', joined, second = '', secondUnit = '', food = ''] = before;
    const isFollowed = FOLLOWED.some(([larger, smaller]) => larger.test(unit) && smaller.test(secondUnit));
    if ((joined === undefined || joined === ',') && !isFollowed) return undefined;
    return [`${figure} ${unit} ${food}`, `${second} ${secondUnit} ${food}`];
  }
  const counts = COUNTED_TWICE.exec(line);
  if (counts !== null && !NOT_THE_SAME.test(line))
    return [`${counts[1] ?? ''} ${counts[2] ?? ''}`, `${counts[3] ?? ''} ${counts[2] ?? ''}`];
  const behind = BEHIND_FOOD.exec(line);
  return behind === null ? undefined : [behind[1] ?? '', `${behind[3] ?? ''} ${behind[2] ?? ''}`];
}

const IN_SMALLER: Readonly<Record<string, readonly [times: number, unit: string]>> = { kg: [1000, 'g'], l: [1000, 'ml'] };
const TWO_ENDS = new RegExp(`^(${FIGURE}) ?(${UNIT})\\b\\.? ?(?:-|–|to|or) ?(${FIGURE}) ?(${UNIT})\\b\\.?`, 'i');

/** A range with its unit at both ends as one with it behind. @example oneRange('750g-1kg squash') // '750-1000 g squash' */
export function oneRange(line: string): string {
  return line.replace(TWO_ENDS, (whole, low: string, lowUnit: string, high: string, highUnit: string) => {
    const [one, other] = [lowUnit.toLowerCase().replace(/s$/, ''), highUnit.toLowerCase().replace(/s$/, '')];
    if (one === other) return `${low}-${high} ${highUnit}`;
    const smaller = IN_SMALLER[other];
    return smaller?.[1] === one ? `${low}-${String(mixed(high) * smaller[0])} ${one}` : whole;
  });
}
