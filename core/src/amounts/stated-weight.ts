import { FIGURE, mixed } from './fractions.js';

/** What food comes in, to be put into a pattern. */
export const CONTAINERS =
  '(?:can|tin|carton|packet|pack|package|jar|bottle|tube|box|tub|bag|container|sachet|pot|punnet|pouch|block)s?';

const WEIGHT = String.raw`(${FIGURE})[\s-]*(kg|kilos?|g|gm|grams?|ml|l|ltrs?|litres?|litre|lb|lbs|pounds?|oz|ounces?)\b\.?`;

/**
 * A weight that stands behind the food, put before it: "celeriac, about 800 g", "2 leeks (400 g)", "onions 200 g, sliced". It
 * tells more than a count of pieces. Undefined where the line begins with a measure of its own.
 */
export function statedWeight(head: string): string | undefined {
  // "5 cups (about 1 1/2 lb) florets": who weighed it knows better than a cup.
  const cups = new RegExp(`^[\\d./½¼¾⅓⅔ ]+cups?\\s*\\((?:about |approx\\.? )?${WEIGHT}\\)\\s*(?:of )?(.+)$`, 'i').exec(head);
  if (cups !== null && /^(?:kg|kilos?|g|gm|grams?|lbs?|pounds?)$/i.test(cups[2] ?? ''))
    return `${String(mixed(cups[1] ?? ''))} ${cups[2] ?? ''} ${cups[3] ?? ''}`;
  if (
    new RegExp(`^${WEIGHT}`, 'i').test(head) ||
    /^[\d./½¼¾⅓⅔ ]+\s*(?:tbsp|tsp|tablespoon|teaspoon|cup|oz|ounce|pint|quart|fl|stick)/i.test(head)
  )
    return undefined;
  // Of a pack only what stands in brackets behind it is its weight.
  const isHeld = new RegExp(`^[\\d./½¼¾⅓⅔ ]+\\s*(?:${CONTAINERS}|tetra pak)`, 'i').test(head);
  if (isHeld && !/\(\s*(?:about )?\d|, (?:about )?\d[\d.,]* ?(?:g|kg)\b/.test(head)) return undefined;
  if (/\b(?:portions?|servings?|serves|bowls|people|covers)\b/i.test(head)) return undefined;
  const hit = new RegExp(
    `^(.*?[a-z].*?)[\\s,(]+(?:(?:about|say|approx\\.?|approximately|around|roughly|weighing|weighs?|total(?: weight)?|or|circa|c(?:irc)?a?\\.)\\s+|[~≈]\\s*)*${WEIGHT}(?:\\s*/[^),]*)?( each)?(?: (?:in total|total|peeled weight|trimmed weight|prepared weight|in all))?\\)?(.*)$`,
    'i',
  ).exec(head);
  if (hit === null) return undefined;
  const [whole, food = '', figure = '', unit = '', each, rest = ''] = hit;
  const count = /^(\d+(?:[.,]\d+)?)\s/.exec(food);
  const value = mixed(figure) * (each !== undefined && count !== null ? Number(count[1]) : 1);
  if (!Number.isFinite(value) || value <= 0) return undefined;
  const edible = /(?:peeled|trimmed|prepared) weight/i.test(whole) ? 'peeled ' : '';
  if (/\b(?:in|with|plus|and|to|from)$/i.test(food.trim())) return undefined;
  const name = food
    .replace(/^(?:\d+(?:[.,]\d+)?(?:\/\d)?|[½¼¾])\s+/, '')
    .replace(/^(?:first |then )?(?:you(?:'ll|’ll)? )?(?:need |want |take |get )/i, '')
    .replace(/^(?:an?|the|some|1)\s+/i, '')
    .replace(
      /^(?:heads?|bulbs?|bunch(?:es)?|bags?|packs?|packets?|punnets?|tetra pak|tubs?|cans?|tins?|jars?|cartons?)\s+(?:of\s+)?/i,
      '',
    )
    .replace(/^(?:(?:good |little |big )?(?:bit|lump|piece|knob|chunk|amount) of )/i, '')
    .replace(/[\s,(–-]+$/, '');
  // "1 bunch (about 12 oz) chard": the food stands behind.
  const isSizeOnly = /^(?:heads?|bulbs?|bunch(?:es)?|bags?|packs?|packets?|punnets?|tubs?|large|medium|small|whole)$/i.test(name);
  if (isSizeOnly && /^\s*(?:of )?[a-z]/i.test(rest)) return `${String(value)} ${unit} ${edible}${rest.trim()}`;
  if (!/[a-z]{3}/i.test(name.replace(/^[\d/.½¼¾ ]+(?:cans?|tins?)?\b/i, ''))) return undefined;
  return `${String(value)} ${unit.replace(/^ltrs?$/i, 'litre')} ${edible}${name}${/^\s*[,;]/.test(rest) || rest.trim() === '' ? rest : `, ${rest.trim()}`}`;
}

const TIMES_BEHIND = new RegExp(`^([a-z][^\\d]*?)[\\s,(–-]+(\\d{1,2})\\s?[x×]\\s?${WEIGHT}\\s*(${CONTAINERS})?\\)?$`, 'i');

/** So many of a size that stand behind their food, put before it. @example countFirst('Coconut milk 4 x 400ml') // '1600 ml Coconut milk' */
export function countFirst(line: string): string {
  return line.replace(TIMES_BEHIND, (_, food: string, count: string, figure: string, unit: string, held: string | undefined) =>
    held === undefined
      ? `${String(Number(count) * mixed(figure))} ${unit.replace(/^ltrs?$/i, 'litre')} ${food}`
      : `${count} x ${figure} ${unit} ${held} ${food}`,
  );
}
