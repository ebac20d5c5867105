import Fuse from 'fuse.js';
import type { IngredientRow } from '../larder/index.js';

/** Where a kitchen buys and speaks: decides spoons, cups, pints and which of two names is meant. */
export const COUNTRIES = ['gb', 'us', 'au'] as const;
export type Country = (typeof COUNTRIES)[number];

/** Words that say how food is cut, kept or chosen, not what it is. */
const MANNERS = new Set(
  (
    'fresh freshly large medium small big little ripe raw organic good best quality thick thin thinly thickly finely roughly coarsely ' +
    'chopped diced sliced grated peeled unpeeled trimmed cubed minced crushed shredded shaved picked washed cleaned cored seeded deseeded ' +
    'halved quartered topped tailed stripped drained rinsed scrubbed soaked toasted roasted cooked ground whole cut into pieces cubes ' +
    'chunks wedges slices dice strips extra plus more about approximately around optional room temperature cold hot warm boiling ' +
    'lukewarm melted softened runny strong mild leaves leaf stalks stalk sprigs only to taste cover serve garnish for the of a an and or with ' +
    'without from in on skin at well one each no not unsalted heaped level rounded scant generous store bought shop additional tinned jarred packed ' +
    'no10 piece cube chunk wedge slice strip sprig stick topping top sprinkle swirl finish finishing serving garnishing ' +
    'frying roasting drizzling knob splash drizzle handful mm cm inch middling skinned stoned podded shelled defrosted thawed ' +
    'cracked freshly-cracked just enough sufficient dollop pat glug bit sized thumb husked shucked picked fat plump hand torn snipped crumbled more if liked ' +
    'frozen day old crust removed kernel pak tetra packet package bag punnet ' +
    'shaving needed using inner outer own home made homemade favourite about light long slit smashed bruised stale bunch bundle squeezed pressed ' +
    'zested juiced wedged segmented blanched salted pitted crustless english persian lebanese extra virgin quick washed ready floret head pure pre ea each filtered unbleached unsweetened very crispy fried undyed smooth loosely firmly lightly tightly brick uncooked strand thread eat san marzano natural creamy crunchy flatleaf fire'
  ).split(' '),
);

/** Words of some names that tell none from another. */
const SAYS_LITTLE = new Set(['ripe', 'fresh', 'raw', 'whole', 'good']);

/** Lower case, no accents, no remarks in brackets, single forms. @example plain('Ripe Tomatoes (about six)') // 'ripe tomato' */
export function plain(text: string): string {
  return text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/[’']s?\b/g, '')
    .replace(/[^a-z0-9%. -]|\.(?!\d)/g, ' ')
    .replace(/-/g, ' ')
    .split(/\s+/)
    .filter((word) => word !== '')
    .map(single)
    .join(' ');
}

/** Short and local words for food. */
const SAME: Readonly<Partial<Record<string, string>>> = {
  veg: 'vegetable',
  veggie: 'vegetable',
  veggies: 'vegetable',
  tom: 'tomato',
  toms: 'tomato',
  tattie: 'potato',
  tatties: 'potato',
  taters: 'potato',
  spud: 'potato',
  spuds: 'potato',
  yog: 'yoghurt',
  snip: 'parsnip',
  snips: 'parsnip',
  mush: 'mushroom',
  mushies: 'mushroom',
  shrooms: 'mushroom',
  parm: 'parmesan',
  vin: 'vinegar',
};

/** English plurals, as far as food needs them. */
function single(word: string): string {
  if (/^chill?i$|^chile$/.test(word)) return 'chilli';
  const same = SAME[word];
  if (same !== undefined) return same;
  if (word.length < 4 || /(ss|us|is|as)$/.test(word)) return word;
  if (/(oes|shes|ches|xes)$/.test(word)) return word.slice(0, -2);
  if (/^chil(?:l?i|e)e?s$|^chill?y$/.test(word)) return 'chilli';
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.endsWith('leaves')) return `${word.slice(0, -6)}leaf`;
  return word.endsWith('s') ? word.slice(0, -1) : word;
}

/** How little salt a stock has, in every way of saying it; and how fat a yoghurt or a cheese is, which decides nothing here. */
const NO_SALT = /\bno (?:added )?(?:salt|sodium)(?: added)?\b|\b(?:salt|sodium) free\b|\bwithout (?:added )?salt\b/g;
const LESS_SALT = /\b(?:less|lower|low|reduced) (?:salt|sodium)\b|\b(?:salt|sodium) reduced\b/g;
const FATNESS =
  /\b(?:whole milk|full fat|low fat|half fat|reduced fat|fat free|non ?fat|light|[\d.]+%(?: fat)?) (?=.*(?:sour cream|soured cream|yoghurt|yogurt|ricotta|cheese|fraiche|cottage|quark))|\bfull fat (?=coconut milk)/g;

function saltAlike(text: string): string {
  return text.replace(NO_SALT, 'unsalted').replace(LESS_SALT, 'low salt');
}

interface Name {
  readonly name: string;
  readonly words: readonly string[];
  readonly id: string;
  /** Whose name it is; a country's own name wins there. */
  readonly country: Country | undefined;
}

export interface Names {
  readonly all: readonly Name[];
  readonly exact: ReadonlyMap<string, readonly Name[]>;
  /** Names by their first word. */
  readonly byWord: ReadonlyMap<string, readonly Name[]>;
  /** Places in `all` of the names with these three letters behind one another. */
  readonly byLetters: ReadonlyMap<string, readonly number[]>;
  /** What was found before: while a cook types, all lines but one are asked for again. */
  readonly before: Map<string, Found>;
}

/** Ids whose words alone could be any of several things: those are asked. */
const TOO_PLAIN: ReadonlySet<string> = new Set(['lentil', 'new potato', 'seed oil']);

/**
 * Every name of a larder, prepared to be searched once. "Butter, salted" also answers to "butter" unless a row before
 * it does already: the plain form stands first in its file.
 */
export function namesOf(rows: readonly IngredientRow[]): Names {
  const all: Name[] = [];
  const exact = new Map<string, Name[]>();
  const put = (id: string, text: string, country?: Country): void => {
    const name = saltAlike(plain(text));
    const one: Name = { name, words: name.split(' '), id, country };
    all.push(one);
    exact.set(name, [...(exact.get(name) ?? []), one]);
  };
  for (const { id, name, us, au, aka } of rows) {
    put(id, name);
    if (us !== undefined) put(id, us, 'us');
    if (au !== undefined) put(id, au, 'au');
    for (const other of aka ?? []) put(id, other);
  }
  for (const { id, name, us } of rows) {
    for (const full of [name, us ?? name]) {
      const [short] = full.split(',');
      if (short !== undefined && short !== full && !exact.has(plain(short))) put(id, short);
    }
  }
  for (const { id } of rows) {
    const words = plain(id.replace(/-/g, ' '));
    if (!exact.has(words) && !TOO_PLAIN.has(words)) put(id, words);
  }
  // What is a stock on one side of the sea is a broth on the other.
  for (const { id, words } of [...all]) {
    const broth = words.at(-1) === 'stock' ? [...words.slice(0, -1), 'broth'].join(' ') : undefined;
    if (broth !== undefined && !exact.has(broth)) put(id, broth);
  }
  const byWord = new Map<string, Name[]>();
  for (const one of all) {
    const [first = ''] = one.words;
    const others = byWord.get(first);
    if (others === undefined) byWord.set(first, [one]);
    else others.push(one);
  }
  const byLetters = new Map<string, number[]>();
  for (const [n, { name }] of all.entries()) {
    for (const letters of threes(name)) {
      const others = byLetters.get(letters);
      if (others === undefined) byLetters.set(letters, [n]);
      else others.push(n);
    }
  }
  return { all, exact, byWord, byLetters, before: new Map() };
}

export type Found =
  | { readonly code: 'FOUND'; readonly id: string }
  | { readonly code: 'WHICH'; readonly ids: readonly string[] }
  | { readonly code: 'UNKNOWN'; readonly nearest: readonly string[] };

function distinct(ids: readonly string[]): string[] {
  return [...new Set(ids)];
}

/** One id where the country decides between rows that share a name; several where it does not. */
function chosen(names: readonly Name[], country: Country | undefined): readonly string[] {
  const own = names.filter((one) => one.country !== undefined && one.country === country);
  if (own.length > 0) return distinct(own.map(({ id }) => id));
  const common = names.filter((one) => one.country === undefined);
  return distinct((common.length > 0 ? common : names).map(({ id }) => id));
}

/** One name for two things, by country. */
const LOCAL: Readonly<Record<string, Readonly<Partial<Record<Country, string>>>>> = {
  'corn flour': { gb: 'cornflour', au: 'cornflour', us: 'masa-harina' },
};

/** Similarity that a guess must have to be offered, 0 alike to 1 unlike. */
const NEAR = 0.4;
const OFFERED = 3;

/** Answers remembered at most. */
const REMEMBERED = 4000;
/** Names that are compared letter by letter, and the letters of a phrase that are: the rest is talk. */
const COMPARED = 80;
const LONGEST_COMPARED = 48;

/** Every three letters behind one another, with a space before and behind. */
function threes(text: string): Set<string> {
  const padded = ` ${text} `;
  return new Set(Array.from({ length: padded.length - 2 }, (_, n) => padded.slice(n, n + 3)));
}

function nearest(names: Names, phrase: string): string[] {
  const text = phrase.slice(0, LONGEST_COMPARED);
  const shared = new Map<number, number>();
  for (const letters of threes(text)) for (const n of names.byLetters.get(letters) ?? []) shared.set(n, (shared.get(n) ?? 0) + 1);
  const likely = [...shared].sort(([a, more], [b, less]) => less - more || a - b).slice(0, COMPARED);
  const some = likely.flatMap(([n]) => names.all[n] ?? []);
  const fuse = new Fuse(some, { keys: ['name'], includeScore: true, threshold: NEAR, ignoreLocation: true });
  const hits = fuse.search(text, { limit: 12 }).filter(({ score }) => (score ?? 1) <= NEAR);
  return distinct(hits.map(({ item }) => item.id)).slice(0, OFFERED);
}

/**
 * Which ingredient a phrase names: the whole phrase, else the longest name all of whose words are in it with nothing
 * but manners left over. Misspellings and leftovers are never taken for granted: they come back as a question.
 *
 * @param guesses whether names that are merely alike are looked for, which takes long
 * @example findName(names, 'finely chopped brown onions', 'au') // { code: 'FOUND', id: 'onion' }
 */
export function findName(names: Names, phrase: string, country: Country | undefined, guesses = true): Found {
  const key = `${guesses ? '' : '='}${country ?? ''} ${phrase}`;
  const before = names.before.get(key);
  if (before !== undefined) return before;
  const found = searched(names, phrase, country, guesses);
  if (names.before.size >= REMEMBERED) names.before.clear();
  names.before.set(key, found);
  return found;
}

/** A name that a proper one beside it makes idle. */
const GENERIC = 'cheese';

function searched(names: Names, phrase: string, country: Country | undefined, guesses: boolean): Found {
  const text = saltAlike(plain(phrase)).replace(FATNESS, '');
  const local = country === undefined ? undefined : LOCAL[text]?.[country];
  if (local !== undefined) return { code: 'FOUND', id: local };
  const whole = names.exact.get(text);
  if (whole !== undefined) {
    const ids = chosen(whole, country);
    return ids.length === 1 && ids[0] !== undefined ? { code: 'FOUND', id: ids[0] } : { code: 'WHICH', ids };
  }
  const words = text.split(' ');
  const has = new Set(words);
  const inside = [...has].flatMap((first) =>
    (names.byWord.get(first) ?? []).filter((name) => name.words.every((word) => has.has(word))),
  );
  // "Ripe plum tomatoes" are plum tomatoes, and not ripe ones.
  // And "hot horseradish sauce" is no hot sauce: the words of a name stand together.
  const weighs = ({ words: own }: Name): number =>
    own.length + (own.some((word) => SAYS_LITTLE.has(word)) ? 0 : 0.5) + (` ${text} `.includes(` ${own.join(' ')} `) ? 0.25 : 0);
  const most = Math.max(0, ...inside.map(weighs));
  // "Sugar pumpkin" is a pumpkin: what stands last is what it is.
  const heads = words.filter((word) => !MANNERS.has(word));
  const isHead = ({ words: own }: Name): number => (own.at(-1) === heads.at(-1) ? 0 : 1);
  // "Mozzarella cheese" is mozzarella, whatever plain cheese is taken to be.
  const called = inside.filter((name) => weighs(name) === most);
  const proper = called.filter(({ words: own }) => own.join(' ') !== GENERIC);
  const longest = (proper.length > 0 ? proper : called).sort((a, b) => isHead(a) - isHead(b));
  if (longest.length > 0) {
    const ids = chosen(longest, country);
    const taken = new Set(called.flatMap((name) => name.words));
    const left = words.filter((word) => !taken.has(word) && !MANNERS.has(word) && !/^[\d.%]+$/.test(word));
    if (left.length === 0 && ids.length === 1 && ids[0] !== undefined) return { code: 'FOUND', id: ids[0] };
    return {
      code: 'WHICH',
      ids: distinct([...ids, ...(left.length === 0 || !guesses ? [] : nearest(names, text))]).slice(0, OFFERED),
    };
  }
  const bare = words.filter((word) => !MANNERS.has(word)).join(' ');
  return { code: 'UNKNOWN', nearest: guesses ? nearest(names, bare === '' ? text : bare) : [] };
}
