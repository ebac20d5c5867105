import { plain } from '../amounts/index.js';
import type { IngredientRow } from '../larder/index.js';
import type { Role, TakenLine } from '../draft/index.js';
import { shareBefore } from './measures.js';

/** Words of names that do not name anything by themselves. */
export const QUALITIES = new Set(
  (
    'sour soured med medium small large big half whole fresh dried red white green black yellow ground smoked sweet floury waxy double single plain extra virgin vegetable chicken beef light dark low salt ' +
    'unsalted salted whole raw baby large small fine coarse flaked sea whipping heavy full fat reduced fat golden brown spring wild cold hot ' +
    'leaf leave stalk stick seed powder paste juice clove head bulb of in the a and with tin can carton jar bag free gluten cooking eating dry toasted boiling ' +
    'chopped sliced peeled frozen cooked skimmed semi long life no 10 style mild strong flat globe savoy roast roasted to taste for cover serve additional bunch handful sprig piece ' +
    'table teaspoon tablespoon tsp tbsp tbs tb tbl tbls tblsp cup g kg ml l litre liter ounce oz pound lb pint quart inch cm mm can tin x few couple wedge ' +
    'soup squeeze grating scraping grind twist pinch knob glug trickle baking parchment quarter half third dozen one two three four five six eight ten warm iced lukewarm filtered tap pinch crispy crisp drizzle swirl splash dash drop good quality ripe plus more garnish oil sauce flour cube sun jerusalem new or ' +
    'added all back base based blade blend blended blood bottle bought boxed bundle button country cubed cured diced drained drink eye farmer fermented finishing fire firm ' +
    'fleshed flavoured flavourless from fried garden grain great hard heart holy home instant king land lower made mature mealy mixed mix natural navy northern pack packed ' +
    'pouring pointed powdered prepared purpose refined reduced ripened rolled salad shop silken smooth snap split spread sprouting star store strained strip summer tap thick thickened ' +
    'tinned top vacuum winter cane continental crusty medium seasoned shredded filtered living pale pitted rock slice strip chunk cube rib dutch english french italian swiss thai mexican moroccan spanish prince crown kent queensland himalayan'
  ).split(' '),
);
export const UNIT_WORDS = new Set(
  'cup tbsp tablespoon tsp teaspoon tb tbs g kg gram ml l litre liter oz ounce lb pound pint quart gallon splash knob pinch glass ladle'.split(
    ' ',
  ),
);
export const MAY_STAND_ALONE = new Set(['oil', 'flour', 'salt', 'paste']);

/** Whether a word can mean an ingredient. */
export type Fits = (row: IngredientRow, role: Role) => boolean;

/** Greens of which the stalks go in before the leaves. */
const STALKY_GREENS = /^(?:chard|kale)$/;

/** Kitchen words that stand for any ingredient of a kind. */
const CLASSES: readonly (readonly [words: RegExp, fits: Fits])[] = [
  [/^(?:stock|broth|bouillon)$/, (row) => row.group === 'liquids' && row.id.includes('stock')],
  [/^(?:oil)$/, (row) => row.group === 'fats' && row.id.includes('oil')],
  [/^(?:fat|dripping)$/, (row) => row.group === 'fats'],
  [/^(?:butter|margarine)$/, (row) => row.id === 'butter' || row.id === 'salted-butter'],
  [/^(?:squash|pumpkin|gourd)$/, (row) => row.group === 'squashes'],
  [/^(?:onion)$/, (row) => row.id.includes('onion') && row.group === 'alliums'],
  [/^(?:mushroom)$/, (row) => row.group === 'mushrooms'],
  [/^(?:tomato|tomatoe)$/, (row) => /tomato|passata/.test(row.id) && row.group !== 'pastes and sauces'],
  [/^(?:potato|spud|tater|tattie)$/, (row) => row.group === 'potatoes'],
  [/^(?:bean)$/, (row) => row.id.includes('bean')],
  [/^(?:chickpea)$/, (row) => row.id.includes('chickpeas')],
  [/^(?:lentil|pulse|dal|dhal)$/, (row) => row.group === 'pulses' || row.id.includes('lentil')],
  [/^(?:herb)$/, (row) => row.group === 'herbs' && !/bay|bundle/.test(row.id)],
  [/^(?:bouquet|bundle)$/, (row) => row.id === 'herb-bundle'],
  [/^(?:bay)$/, (row) => row.id === 'bay'],
  [/^(?:spice)$/, (row, role) => row.group === 'spices' && role !== 'garnish' && !/pepper|nutmeg/.test(row.id)],
  [/^(?:cheese)$/, (row) => row.group === 'cheeses'],
  [
    /^(?:cream|crema)$/,
    (row) => /cream|fraiche|half-and-half/.test(row.id) && (row.group === 'dairy' || row.group === 'coconut and plant creams'),
  ],
  [/^(?:yoghurt|yogurt|yoghourt)$/, (row) => row.id.includes('yoghurt')],
  [/^(?:egg|yolk)$/, (row) => row.group === 'eggs'],
  [/^(?:wine|sherry|vermouth|cider|alcohol)$/, (row) => row.group === 'drinks' && !row.id.includes('juice')],
  [/^(?:vinegar)$/, (row) => row.id.includes('vinegar')],
  [/^(?:bread|sourdough|crouton|toast)$/, (row) => row.group === 'breads'],
  [/^(?:crumb|breadcrumb)$/, (row) => row.group === 'breads'],
  [/^(?:flour)$/, (row) => row.id.includes('flour')],
  [/^(?:cornflour|cornstarch|starch)$/, (row) => /cornflour|starch/.test(row.id)],
  [/^(?:seed)$/, (row) => /seeds?$|^cumin$|^caraway$|^fenugreek$/.test(row.id)],
  [/^(?:nut)$/, (row) => row.group === 'nuts'],
  [/^(?:lemon)$/, (row) => row.id.startsWith('lemon') && row.id !== 'lemongrass'],
  [/^(?:lime)$/, (row) => row.id.startsWith('lime') && row.id !== 'lime-leaves'],
  [/^(?:paste)$/, (row) => row.id.endsWith('paste')],
  [/^(?:juice)$/, (row) => row.id.endsWith('-juice')],
  [/^(?:juice)$/, (row) => /^(?:lemon|lime|orange)$/.test(row.id)],
  [/^(?:sauce)$/, (row) => row.id.endsWith('-sauce')],
  [/^(?:oj)$/, (row) => row.id === 'orange-juice'],
  [/^(?:chilli|chillie|chile|chili|chilie)$/, (row) => row.group === 'chillies' || row.id.includes('chilli')],
  [/^(?:floret)$/, (row) => row.id === 'cauliflower' || row.id === 'broccoli'],
  [/^(?:kernel|corn|sweetcorn|niblet)$/, (row) => row.id.includes('sweetcorn')],
  [/^(?:tip|spear|stalk|stem)$/, (row) => row.id === 'asparagus'],
  [/^(?:stalk|stem)$/, (row) => STALKY_GREENS.test(row.id)],
  [/^(?:flesh)$/, (row) => row.group === 'squashes' || row.id === 'aubergine' || row.id === 'sweet-potato'],
  [
    /^(?:leaf|leave)$/,
    (row) => STALKY_GREENS.test(row.id) || (row.group === 'herbs' && !/bay|bundle|lime|rosemary|thyme/.test(row.id)),
  ],
  [/^(?:frond)$/, (row) => row.id === 'fennel' || row.id === 'dill'],
  [/^(?:eggplant)$/, (row) => row.id === 'aubergine'],
  [/^(?:capsicum)$/, (row) => row.id.endsWith('pepper') && row.group === 'fruit vegetables'],
  [/^(?:bacon|pancetta|ham|lardon|rasher|hock|shank|knuckle|gammon|meat)$/, (row) => row.group === 'meat'],
  [/^(?:chicken|poultry|bird)$/, (row) => row.group === 'meat' && row.id.includes('chicken')],
  [/^(?:rice|barley|oat|grain)$/, (row) => row.group === 'flours and starches'],
  [/^(?:curry)$/, (row) => row.id.includes('curry')],
  [/^(?:sugar|honey|syrup)$/, (row) => /sugar|honey|syrup/.test(row.id)],
  [/^(?:salt)$/, (row) => row.id.endsWith('salt') && row.group === 'seasoning'],
  [/^(?:zest|rind)$/, (row) => row.id === 'lemon-zest'],
  [/^(?:tin|can)$/, (row) => row.group === 'canned goods'],
];

/** Words for several lines at once. */
const GROUPS: readonly (readonly [words: RegExp, fits: (role: Role, row: IngredientRow) => boolean])[] = [
  [
    /\b(?:(?:chopped |prepared |diced |sliced |roasted |roast |cooked |root |remaining |other |all the |all your |hard )*(?:vegetables|vegetable(?!s| (?:stock|broth|bouillon|oil|peeler|cube|mixture|soup|pur[ée]e|water))|veggies|veg(?! (?:stock|broth|bouillon|oil|cube))|roots))\b/gi,
    (role) => role === 'vegetable' || role === 'base' || role === 'greens',
  ],
  [/\b(?:aromatics|soffritto|base vegetables)\b/gi, (role) => role === 'base'],
  [/\b(?:mire ?poix)\b/gi, (_role, { id }) => /onion|^(?:carrot|celery|leek)$/.test(id)],
  [
    /\b(?:dry spices|spices|spice mix)\b/gi,
    (role, row) => row.group === 'spices' && role !== 'garnish' && !row.id.includes('pepper'),
  ],
  [/\b(?:all the |chopped |fresh |soft )*herbs\b/gi, (_role, row) => row.group === 'herbs'],
  [
    /(?<!adjust |correct |check |taste )\bseasonings\b/gi,
    (role, row) => /^(?:spices|seasoning)$/.test(row.group) || (row.group === 'herbs' && role !== 'garnish') || role === 'season',
  ],
  [/\b(?:toppings|garnishes)\b/gi, (role) => role === 'garnish'],
  [/\b(?:greens|leaves)\b/gi, (role) => role === 'greens'],
];
/** The kinds that a word of the kitchen can stand for. */
export function kindsOf(word: string): readonly Fits[] {
  return CLASSES.flatMap(([words, fits]) => (words.test(word) ? [fits] : []));
}

/** Words for several lines at once in a text, with what each can mean. */
export function groupsIn(text: string): readonly { readonly at: number; readonly said: string; readonly fits: Fits }[] {
  return GROUPS.flatMap(([words, fits]) =>
    [...text.matchAll(words)].map((hit) => ({ at: hit.index, said: hit[0], fits: (row, role) => fits(role, row) })),
  );
}

/** Parts of a vegetable that go different ways: the tips, and the stalks that are left. Kitchen defaults. */
export const PART_SHARES: Readonly<Record<string, ReturnType<typeof shareBefore>>> = {
  tip: { share: 0.25, vague: true },
  stalk: { rest: true },
  stem: { rest: true },
};
/** What is cooked stalks first and the rest later, and the share that the stalks are. Kitchen default. */
export const STALKED = /^(?:broccoli|cauliflower|kale|chard|coriander|parsley|savoy-cabbage|watercress)$/;
export const STALKS: ReturnType<typeof shareBefore> = { share: 0.3, vague: true };
/** All that has not gone in yet. */
export const EVERYTHING =
  /\b(?:everything else|everything (?=exc\b|except|but\b|apart|bar\b|other than)|all (?=exc\b|except)|all (?:of )?the (?:other |remaining )?ingredients|(?:the )?(?:rest of the|remaining|other) ingredients|(?<=\b(?:layer|put|place|combine|add|mix|throw|dump|tip|load) )(?:the |your )?ingredients(?= (?:in|into|to|together)\b)|the rest(?! of)|all the rest)\b/i;
/** What stands behind it is left out of a group. */
export const BUT =
  /\b(?:except(?: for)?|exc\b\.?|but not|apart from|all but|(?<=everything )but|bar the|other than)\b|\((?:not|no|except)\b/i;

/** Where a text says what a group leaves out: to the end, or to that of its brackets. */
export function leftOut(text: string): { readonly from: number; readonly to: number } | undefined {
  const but = BUT.exec(text);
  if (but === null) return undefined;
  const close = but[0].startsWith('(') ? text.indexOf(')', but.index) : -1;
  const rest = /\b(?:in (?:a|the|your)|into|with|until|till|for \d)\b|[;.]/i.exec(
    text.slice(but.index + but[0].length).replace(/^\./, ' '),
  );
  const end = rest === null || but[0].startsWith('(') ? text.length : but.index + but[0].length + rest.index;
  return { from: but.index, to: close < 0 ? end : close };
}

export const LATER: ReadonlySet<Role> = new Set(['cream', 'finish', 'garnish', 'yolk', 'salt', 'season', 'herb']);

/** Words behind a name that only say which part of it. */
export const PARTS = new Set('leaf leave seed clove stalk stick bulb head sprig floret rib wedge slice powder bunch'.split(' '));

export function headOf(phrase: string): string | undefined {
  return phrase
    .split(' ')
    .filter((word) => word !== '' && !PARTS.has(word))
    .at(-1);
}

/** "Toss the cubes": what was cut so, where it is one line alone. */
export const PIECES: Readonly<Record<string, RegExp>> = {
  cube: /\bcub(?:e|es|ed)\b/i,
  chunk: /\bchunks?\b/i,
  wedge: /\bwedges?\b/i,
  dice: /\bdice[ds]?\b/i,
  piece: /\b(?:pieces|chunks?|cub(?:es|ed))\b/i,
};

/** Letters that tell a word that is cut short. */
export const LEAST_SHORT = 3;

/** Words of headings that do not say over what they stand. */
export const OF_HEADINGS = new Set(['for', 'the', 'a', 'to', 'make', 'prepare', 'soup']);
/** Words that tell no line from another. */
export const PLAIN_WORDS = new Set(['the', 'in', 'with', 'of', 'and', 'to', 'a', 'an', 'for', 'rest', 'half', 'over', 'on', 'it']);

/** A word of a clause, in its plain form and as it is written. */
export interface Token {
  readonly text: string;
  readonly raw: string;
  readonly at: number;
  readonly end: number;
}

export function tokens(text: string): Token[] {
  return [...text.matchAll(/[a-zà-ÿ]+(?:['’](?!s\b)[a-zà-ÿ]+)*|\d+/gi)].map((hit) => ({
    text: plain(hit[0]),
    raw: hit[0].toLowerCase(),
    at: hit.index,
    end: hit.index + hit[0].length,
  }));
}

export function isNext(words: readonly Token[], n: number): boolean {
  return (words[n + 1]?.at ?? Infinity) - (words[n]?.end ?? 0) <= 1;
}

/** Words that look like a food and are not one here: a stock pot, the cream of the crop, a blender's butter. */
export function notAFood(words: readonly Token[], n: number): boolean {
  const word = words[n]?.text;
  const next = words[n + 1]?.text;
  const before = words[n - 1]?.text;
  // "The oil left on the tray" is out of no bottle.
  if (/^(?:oil|fat|butter)$/.test(word ?? '') && next === 'left' && /^(?:on|in|behind|over)$/.test(words[n + 2]?.text ?? ''))
    return true;
  if (word === 'stock' && next === 'pot') return true;
  // "In a big pot" is no pot of stock.
  if (words[n]?.raw === 'pot' && !/^(?:stock|sweet)$/.test(before ?? '')) return true;
  if (word === 'shell') return true;
  // A roasting tin, and what is in the tin.
  const isVessel = /^(?:roasting|baking|oven|loaf|cake|deep|large|big|lined|shallow|hot|same)$/.test(before ?? '');
  if (word === 'tin' && next !== 'of' && (isVessel || /^(?:from|in|into|on|to)$/.test(words[n - 2]?.text ?? ''))) return true;
  // "The onion's cloves" are no onion.
  if (words[n + 1]?.raw === 's' && (words[n + 1]?.at ?? 0) === (words[n]?.end ?? 0) + 1 && words[n + 2] !== undefined) return true;
  // "Add the broccoli to the broth mixture" says where, and pours no more of the broth.
  const isTo = before === 'the' && /^(?:to|into)$/.test(words[n - 2]?.text ?? '');
  if (isTo && isNext(words, n) && next === 'mixture' && /^(?:stock|broth|water|milk)$/.test(word ?? '')) return true;
  if (word === 'salt' && next === 'water') return true;
  // "The bacon fat" is out of the bacon.
  if (
    /^(?:fat|dripping)$/.test(word ?? '') &&
    /^(?:bacon|pancetta|chorizo|ham|sausage|rendered|residual|it|their|that|pan|same)$/.test(before ?? '')
  )
    return true;
  if (/^(?:bacon|pancetta|chorizo|ham|sausage)$/.test(word ?? '') && isNext(words, n) && /^(?:fat|dripping)$/.test(next ?? ''))
    return true;
  // What was drawn from the cobs or the pods is no corn and no pea: "corn milk", and not "corn, milk".
  // "The asparagus liquid" is what it was cooked in.
  if (isNext(words, n) && /^(?:liquid|liquor)$/.test(next ?? '') && !/^(?:stock|broth|milk|water)$/.test(word ?? '')) return true;
  const isDrawn = isNext(words, n) && /^(?:milk|stock|broth|liquor|water)$/.test(next ?? '');
  if (isDrawn && /^(?:corn|cob|pea|pod|mushroom|onion|ham|porcini)$/.test(word ?? '')) return true;
  if (word === 'water' && before === 'salted') return false;
  // "Juices and all" are what came out of it.
  if (word === 'juice' && /^juices$/i.test(words[n]?.raw ?? '')) return true;
  if (word === 'juice' && /^(?:their|it|any|pan|can|tin|own|cooking|all)$/.test(before ?? '')) return true;
  if (/^(?:leaf|leave)$/.test(word ?? '') && words[n]?.raw !== 'leaves') return true;
  if (word === 'seed' && words[n]?.raw !== 'seeds') return true;
  // "Scoop out the seeds" is of the squash.
  if (
    word === 'seed' &&
    words
      .slice(Math.max(0, n - 5), n)
      .some(({ text }) => /^(?:scoop|scrape|discard|bin|ditch|remove|membrane|pith|deseed|pip)$/.test(text))
  )
    return true;
  // "To a pouring-cream consistency" is no cream.
  if (word === 'cream' && /^(?:consistency|thickness)$/.test(next ?? '')) return true;
  const isServedToast =
    (before === 'the' && /^(?:with|on|over|alongside|float)$/.test(words[n - 2]?.text ?? '')) ||
    (before === 'of' && /^(?:slice|square|piece|finger|triangle|round|circle)$/.test(words[n - 2]?.text ?? '')) ||
    /^(?:hot|buttered|cheese|melba|some|thin)$/.test(before ?? '');
  if (word === 'toast' && words[n]?.raw !== 'toasts' && !isServedToast) return true;
  if (word === 'bean' && before === 'jelly') return true;
  return (word === 'single' || word === 'double') && next === 'layer';
}

/** Food words of a written line: without its amount and its manners. */
export function foodWords(text: string): string[] {
  const head =
    text.replace(/\([^)]*\)/g, ' ').split(/,|;| - | – |\b(?:for|into|onto)\b|\bto (?:serve|taste|garnish|cover)\b/)[0] ?? text;
  return plain(head)
    .split(' ')
    .filter((word) => word !== '' && !/^[\d.%]+$/.test(word));
}

/** "Crème fraîche" is CF. */
export function initialsOf(name: string): string {
  return plain(name.split(',')[0] ?? '')
    .split(' ')
    .map((word) => word.charAt(0).toUpperCase())
    .join('');
}

/** Only the words since the last comma or conjunction say how much is meant. */
export function cutAtStop(whole: string): string {
  // "3/4 of the deseeded and finely chopped chillies": what is done to them parts nothing.
  const before = whole.replace(/\b([a-z]+ed),? and (?=(?:finely |roughly |thinly |coarsely )?[a-z]+ed\b)/gi, '$1 ');
  const parts = before.split(/[,;:.()]|\b(?:and|with|then|in|into|to|add|over)\b/i);
  return parts.at(-1) ?? before;
}

/** "Salt and pepper", "plenty of black pepper": the spice, not the vegetable. */
export function pepperAt(text: string): [number, number][] {
  const spots: [number, number][] = [];
  for (const hit of text.matchAll(
    /(?:(?:salt|seasoning)\s*(?:,\s*(?:and|&)|and|&|,|\+|then)\s*(?:(?:a|some|plenty of|lots of|freshly|ground|cracked|black|white|more|little|good|grinding|twist|of)\s+)*|(?:ground|cracked|black|white|lots of|plenty of|grind of|grinding of|twist of|some|more)\s+(?:\w+\s+)?)pepper\b(?!\w)/gi,
  )) {
    const at = hit.index + hit[0].length - 'pepper'.length;
    spots.push([at, at + 'pepper'.length]);
  }
  return spots;
}

/** "The seeds" are those that are eaten as such where there are some, and never a ground spice. */
export function seedsMeant<T extends { readonly taken: TakenLine }>(
  word: string,
  isOwn: boolean,
  lines: readonly T[],
): readonly T[] {
  if (word !== 'seed') return lines;
  const whole = lines.filter(({ taken }) => !/\bground\b/i.test(taken.text));
  if (isOwn) return whole.filter(({ taken }) => taken.row.group !== 'spices');
  const eaten = whole.filter(({ taken }) => taken.row.group !== 'spices');
  return eaten.length > 0 ? eaten : whole;
}

/** All that has not gone in yet, of one line. */
export const REST: ReturnType<typeof shareBefore> = { rest: true };
