import { plain, type Amount } from '../amounts/index.js';
import type { IngredientRow } from '../larder/index.js';

/** What an ingredient does in a blended soup, in the order in which it goes into the pot. Common practice. */
export const ROLES = [
  'fat',
  'meat',
  'base',
  'spice',
  'vegetable',
  'wine',
  'flour',
  'liquid',
  'grain',
  'bundle',
  'greens',
  'herb',
  'salt',
  'season',
  'yolk',
  'cream',
  'finish',
  'garnish',
] as const;
export type Role = (typeof ROLES)[number];

const BY_GROUP: Readonly<Record<IngredientRow['group'], Role>> = {
  roots: 'vegetable',
  potatoes: 'vegetable',
  squashes: 'vegetable',
  alliums: 'base',
  stems: 'vegetable',
  leaves: 'greens',
  'fruit vegetables': 'vegetable',
  brassicas: 'vegetable',
  mushrooms: 'vegetable',
  pulses: 'grain',
  'canned goods': 'grain',
  fruit: 'vegetable',
  nuts: 'grain',
  liquids: 'liquid',
  drinks: 'wine',
  'coconut and plant creams': 'cream',
  dairy: 'cream',
  cheeses: 'finish',
  eggs: 'finish',
  fats: 'fat',
  'flours and starches': 'flour',
  breads: 'grain',
  seasoning: 'season',
  'pastes and sauces': 'spice',
  meat: 'meat',
  herbs: 'herb',
  spices: 'spice',
  chillies: 'base',
  'kept soup': 'grain',
};

/** Where an ingredient does not do what its group does. */
const BY_ID: Readonly<Record<string, Role>> = {
  'milk-powder': 'season',
  celery: 'base',
  ginger: 'base',
  galangal: 'base',
  'turmeric-root': 'base',
  'spring-onion': 'herb',
  chives: 'herb',
  bay: 'bundle',
  'herb-bundle': 'bundle',
  lemongrass: 'bundle',
  'lime-leaves': 'bundle',
  'star-anise': 'bundle',
  thyme: 'grain',
  rosemary: 'grain',
  sage: 'grain',
  lovage: 'grain',
  'dried-thyme': 'grain',
  'dried-oregano': 'grain',
  'dried-mint': 'grain',
  peas: 'greens',
  edamame: 'greens',
  milk: 'liquid',
  'semi-skimmed-milk': 'liquid',
  'skimmed-milk': 'liquid',
  'apple-juice': 'liquid',
  'carrot-juice': 'liquid',
  'tomato-juice': 'liquid',
  'orange-juice': 'season',
  'lemon-juice': 'season',
  'lime-juice': 'season',
  'lemon-zest': 'season',
  'lime-zest': 'season',
  lime: 'season',
  'dried-basil': 'grain',
  'dried-parsley': 'grain',
  'dried-rosemary': 'grain',
  'dried-sage': 'grain',
  'mixed-herbs': 'grain',
  croutons: 'garnish',
  'tortilla-strips': 'garnish',
  lemon: 'season',
  horseradish: 'season',
  'black-pepper': 'season',
  'white-pepper': 'season',
  nutmeg: 'season',
  'stock-cube': 'grain',
  'stock-cube-low-salt': 'grain',
  'fine-salt': 'salt',
  'flaked-salt': 'salt',
  'coarse-salt': 'salt',
  'egg-yolk': 'yolk',
  'truffle-oil': 'finish',
  'sesame-oil': 'finish',
  'white-rice': 'grain',
  'pearl-barley': 'grain',
  'rolled-oats': 'grain',
  miso: 'season',
  'soy-sauce': 'season',
  tamari: 'season',
  'fish-sauce': 'season',
  'worcester-sauce': 'season',
  'dijon-mustard': 'season',
  'wholegrain-mustard': 'season',
  'red-miso': 'season',
  'soya-bean-paste': 'season',
  'clam-juice': 'liquid',
  'coconut-water': 'liquid',
  'collard-greens': 'greens',
  'dried-chives': 'grain',
  'dried-dill': 'grain',
  'dried-tarragon': 'grain',
  'dried-marjoram': 'grain',
  'fenugreek-leaves': 'grain',
  'potato-flakes': 'flour',
  kimchi: 'grain',
  sauerkraut: 'grain',
  'bean-sprouts': 'greens',
  pesto: 'season',
  capers: 'season',
};

/** Words that put an ingredient on top of the bowl. */
const ON_TOP =
  /\b(?:to serve|for serving|to garnish|to decorate|garnish(?:es)?|on top|to top|toppings?|for sprinkling|to sprinkle|to swirl|for swirling|to drizzle|for drizzling|drizzle of|for the top)\b/i;
const CHOPPED = /\b(?:chopped|minced|sliced|grated|finely|pounded|crushed)\b/i;
const AT_THE_END = /\b(?:to finish|at the end|blended in last|cold, in cubes)\b/i;

/** A part of it, or some of it, that is kept for the top. */
const PART =
  '(?:the |any |its |their )?(?:leafy |green |feathery |pretty |smallest |nicest )*(?:fronds?|leaves|tops?|tips|stalks?|stems?|seeds|florets|greens|heads?|slices?|pieces?|some|a few(?: (?:small|little|tiny|nice|pretty|good|whole))?(?: (?:ones|leaves|sprigs|slices|pieces))?|a little|a handful|a third|a quarter|half|one|two|[\\d½¼¾/ ]+ ?(?:cups?|tbsps?|tablespoons?|tsps?|teaspoons?|ml)|\\d+(?: ?g)?)(?: of (?:them|it))?';
const KEPT = '(?:kept|reserved|saved|set aside|held back|picked)(?: (?:back|by|whole|aside))?';
const A_PART_KEPT = new RegExp(
  `[,;(]\\s*(?:(?:and|with) )?(?:${PART} ${KEPT}|(?:keep|reserve|save|set aside|hold back)(?:ing)? ${PART}) (?:for|to) [^,;()]*\\)?`,
  'i',
);

/**
 * What an ingredient does in this soup, by its larder row, by what is written beside it and by the heading it stands
 * under. Carrot and parsnip are base when onion is there and they are little against the lead: `compose` decides that.
 */
export function roleOf(row: IngredientRow, text: string, heading = ''): Role {
  // "Cream, plus more to garnish" goes into the pot; the garnish is what is more.
  const own = text
    .replace(
      /[,;]?\s*(?:\band (?:some |a little |a bit )?(?:extra|more)\b|(?<=\S\s*)\bplus\b|(?<=\S\s)\+ (?:extra|more)\b).*$/i,
      '',
    )
    .replace(/\bto top up\b/i, '')
    // "Fennel, fronds kept for the top": the bulb is cooked.
    .replace(A_PART_KEPT, '');
  if (ON_TOP.test(own) || ON_TOP.test(heading)) return 'garnish';
  if (/^(?:breads|nuts)$/.test(row.group) && /\bto finish\b/i.test(own)) return 'garnish';
  // "Crumbled bacon", of which nobody says how much.
  if (
    row.group === 'meat' &&
    /\b(?:crumbled|crisp|crispy|crisped)\b/i.test(own) &&
    !/\d|[½¼¾⅓⅔]|\b(?:an?|one|two|three|few|some)\b/i.test(own)
  )
    return 'garnish';
  if (row.id === 'lemongrass' && CHOPPED.test(text)) return 'base';
  if (row.group === 'nuts' && /\b(?:toasted|roasted|chopped|crushed|flaked)\b/i.test(text)) return 'garnish';
  // "Pumpkin seeds", without an amount.
  if (row.group === 'nuts' && !/\d|[½¼¾⅓⅔]|\b(?:an?|one|two|few|handful|some)\b/i.test(text)) return 'garnish';
  const role = BY_ID[row.id] ?? BY_GROUP[row.group];
  return AT_THE_END.test(own) && role === 'fat' ? 'finish' : role;
}

export interface WrittenCut {
  readonly shape: 'slab' | 'cylinder' | 'cube';
  readonly sizeMm: number;
  readonly name: string;
}

const MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, inch: 25.4, in: 25.4, '"': 25.4 };

/** Cuts by their words, the first that fits. Usual sizes in mm: common practice. */
const CUTS: readonly (readonly [words: RegExp, shape: WrittenCut['shape'], sizeMm: number, name: string])[] = [
  [/\b(?:very finely|minced|crushed|grated|puréed)\b/, 'cube', 3, 'minced'],
  [/\bfinely (?:chopped|diced|cubed)\b|\bsmall dice\b/, 'cube', 6, 'finely chopped'],
  [/\b(?:thinly|finely) sliced\b|\bthin slices\b/, 'slab', 3, 'thinly sliced'],
  [/\bsliced\b|\bslices\b|\brings\b/, 'slab', 6, 'sliced'],
  [/\bsmall (?:cubes?|chunks?|pieces)\b/, 'cube', 8, 'small dice'],
  [/\b(?:roughly|coarsely) chopped\b|\bchunks?\b|\bcubed\b|\bcubes\b|\blarge dice\b/, 'cube', 25, 'chunks'],
  [/\bwedges?\b|\bquarter(?:s|ed)\b/, 'cube', 35, 'wedges'],
  [/\bhalved\b|\bhalves\b/, 'cube', 50, 'halves'],
  [/\bdiced?\b|\bchopped\b/, 'cube', 12, 'diced'],
];

/** A figure with a fraction in it. @example fractional('1 1/2') // 1.5 */
function fractional(figure: string): number {
  const vulgar: Readonly<Record<string, string>> = { '½': ' 1/2', '¼': ' 1/4', '¾': ' 3/4' };
  return figure
    .replace(/[½¼¾]/g, (sign) => vulgar[sign] ?? sign)
    .trim()
    .split(/\s+/)
    .reduce((sum, part) => {
      const [over, under] = part.split('/');
      return sum + (under === undefined ? Number(part.replace(',', '.')) : Number(over) / Number(under));
    }, 0);
}

/** The cut that a line asks for, undefined where it says nothing. @example cutOf('celeriac, in 2 cm dice') // a cube of 20 mm */
export function cutOf(text: string): WrittenCut | undefined {
  // "3-inch piece fresh ginger, grated": the piece is bought, and is no cut.
  const words = text
    .toLowerCase()
    .replace(
      /^(?:an? |one )?[\d½¼¾ ]*\(?\s*[\d½¼¾.,/]+ ?-? ?(?:cm|inch(?:es)?|in|")\)? ?(?:piece|knob|thumb|length|chunk|nub|stick)s?\b/,
      '',
    )
    // "1 knob ginger (about 1 inch)".
    .replace(
      /(?<=\b(?:piece|knob|thumb|nub|stick)\b.{0,30})\((?:about |approx\.? |around )?[\d½¼¾.,/]+ ?-? ?(?:cm|inch(?:es)?|in|")[^)]*\)/,
      ' ',
    );
  const sized =
    /(\d+\s+\d\/\d|\d+\s*[½¼¾]|\d\/\d|[½¼¾]|\d+(?:[.,]\d+)?)\s*-?\s*(mm|cm|inch|in\b|")(?:es)?[- ]*(slices?|thick|dice|cubes?|chunks?|pieces?|rounds?)?/.exec(
      words,
    );
  if (sized !== null) {
    const [, figure = '', unit = 'mm', shape] = sized;
    const sizeMm = fractional(figure) * (MM[unit] ?? 1);
    const isSlab = shape !== undefined && /slice|thick|round/.test(shape);
    if (sizeMm > 0 && sizeMm <= 400) {
      return { shape: isSlab ? 'slab' : 'cube', sizeMm, name: `${String(Math.round(sizeMm))} mm ${isSlab ? 'slices' : 'dice'}` };
    }
  }
  const found = CUTS.find(([pattern]) => pattern.test(words));
  return found === undefined ? undefined : { shape: found[1], sizeMm: found[2], name: found[3] };
}

/** Cut where none is written. Kitchen defaults: base in 12 mm dice, the rest in 20 mm. */
export function usualCut(role: Role, row: IngredientRow): WrittenCut | undefined {
  if (row.softening === 0 || row.densityKgM3 !== undefined) return undefined;
  if (role === 'base')
    return { shape: 'cube', sizeMm: row.id === 'garlic' ? 4 : 12, name: row.id === 'garlic' ? 'chopped' : 'diced' };
  return role === 'vegetable' ? { shape: 'cube', sizeMm: 20, name: '20 mm dice' } : undefined;
}

/** Kitchen defaults for what is written "to taste", g a bowl; each is marked as assumed. */
const TO_TASTE_G: Readonly<Partial<Record<Role, number>>> = {
  season: 1,
  spice: 0.2,
  herb: 1,
  bundle: 0.05,
  finish: 3,
  garnish: 3,
  fat: 3,
  cream: 20,
};
/** Flakes of salt on a bowl. Kitchen default. */
const PINCH_G = 0.3;
const PEPPERS = /pepper$|nutmeg|cayenne|chilli/;
/** What goes on top by the spoonful or the slice, and not by the pinch, g a bowl. Kitchen defaults. */
const ON_TOP_G: Readonly<Record<string, number>> = {
  dairy: 15,
  'coconut and plant creams': 15,
  cheeses: 5,
  nuts: 5,
  'white-rice': 20,
  'brown-rice': 20,
  meat: 8,
  'pastes and sauces': 5,
  breads: 40,
  croutons: 8,
  'tortilla-strips': 8,
  // A dusting.
  spices: 0.2,
  // By the drop.
  'truffle-oil': 0.5,
};

const ON_THE_BOWL: ReadonlySet<Role> = new Set(['garnish', 'finish']);

/** An amount for what is written without one, or undefined where it has to be asked. */
export function assumedAmount(role: Role, row: IngredientRow, bowls: number): Amount | undefined {
  const onTop = (ON_THE_BOWL.has(role) ? ON_TOP_G[row.id] : undefined) ?? (role === 'garnish' ? ON_TOP_G[row.group] : undefined);
  const isPepper = PEPPERS.test(plain(row.id).replaceAll(' ', '-')) && row.group === 'spices';
  const isSalt = row.group === 'seasoning' && row.id.endsWith('salt');
  const grams = isPepper ? 0.1 : isSalt && role === 'garnish' ? PINCH_G : (onTop ?? TO_TASTE_G[role]);
  return grams === undefined ? undefined : { value: Math.round(grams * bowls * 100) / 100, unit: 'g', basis: 'edible' };
}
