import { plain } from '../amounts/index.js';
import type { IngredientRow } from '../larder/index.js';
import type { Role, TakenLine } from '../draft/index.js';
import { GARNISH_SECTION } from './lexicon.js';
import { shareBefore } from './measures.js';

/** A line of the recipe that a method may speak of. */
export interface MethodLine {
  readonly id: string;
  readonly taken: TakenLine;
  readonly heading: string;
}

/** A line named in a clause, with how much of it is meant. */
export interface Mention {
  readonly line: string;
  readonly at: number;
  readonly length: number;
  readonly share?: number;
  readonly rest?: true;
  readonly vague?: true;
  /** By a group: "the vegetables", "everything else". */
  readonly byGroup?: true;
}

/** Words of names that do not name anything by themselves. */
const QUALITIES = new Set(
  (
    'medium small large big half whole fresh dried red white green black yellow ground smoked sweet floury waxy double single plain extra virgin vegetable chicken beef light dark low salt ' +
    'unsalted salted whole raw baby large small fine coarse flaked sea whipping heavy full fat reduced fat golden brown spring wild cold hot ' +
    'leaf leave stalk stick seed powder paste juice clove head bulb of in the a and with tin can carton jar bag free gluten cooking eating dry toasted boiling ' +
    'chopped sliced peeled frozen cooked skimmed semi long life no 10 style mild strong flat globe savoy roast roasted to taste for cover serve bunch handful sprig piece ' +
    'table teaspoon tablespoon tsp tbsp cup g kg ml l litre liter ounce oz pound lb pint quart inch cm mm can tin x few couple wedge ' +
    'quarter half third dozen one two three four five six eight ten warm iced lukewarm filtered tap pinch crispy crisp drizzle swirl splash dash drop good quality ripe plus more garnish oil sauce flour cube sun jerusalem new or ' +
    'added all back base based blade blend blended blood bottle bought boxed bundle button country cubed cured diced drained drink eye farmer fermented finishing fire firm ' +
    'fleshed flavoured flavourless from fried garden grain great hard heart holy home instant king land lower made mature mealy mixed mix natural navy northern pack packed ' +
    'pouring pointed powdered prepared purpose refined reduced ripened rolled salad shop silken smooth snap split spread sprouting star store strained strip summer tap thick thickened ' +
    'tinned top vacuum winter cane continental crusty medium seasoned shredded filtered living pale pitted rock slice strip chunk cube rib dutch english french italian swiss thai mexican moroccan spanish prince crown kent queensland himalayan'
  ).split(' '),
);
const UNIT_WORDS = new Set(
  'cup tbsp tablespoon tsp teaspoon tb tbs g kg gram ml l litre liter oz ounce lb pound pint quart gallon splash knob pinch glass ladle'.split(
    ' ',
  ),
);
const MAY_STAND_ALONE = new Set(['oil', 'flour', 'salt', 'paste']);

/** Kitchen words that stand for any ingredient of a kind. */
const CLASSES: readonly (readonly [words: RegExp, fits: (row: IngredientRow, role: Role) => boolean])[] = [
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
  [/^(?:spice)$/, (row) => row.group === 'spices' && !/pepper|nutmeg/.test(row.id)],
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
  [/^(?:paste)$/, (row) => row.id.endsWith("paste")],
  [/^(?:juice)$/, (row) => row.id.endsWith('-juice')],
  [/^(?:oj)$/, (row) => row.id === 'orange-juice'],
  [/^(?:chilli|chillie|chile|chili|chilie)$/, (row) => row.group === 'chillies' || row.id.includes('chilli')],
  [/^(?:floret)$/, (row) => row.id === 'cauliflower' || row.id === 'broccoli'],
  [/^(?:kernel|corn|sweetcorn|niblet)$/, (row) => row.id.includes('sweetcorn')],
  [/^(?:tip|spear|stalk|stem)$/, (row) => row.id === 'asparagus'],
  [/^(?:flesh)$/, (row) => row.group === 'squashes' || row.id === 'aubergine' || row.id === 'sweet-potato'],
  [/^(?:leaf|leave)$/, (row) => row.group === 'herbs' && !/bay|bundle|lime/.test(row.id)],
  [/^(?:frond)$/, (row) => row.id === 'fennel' || row.id === 'dill'],
  [/^(?:eggplant)$/, (row) => row.id === 'aubergine'],
  [/^(?:capsicum)$/, (row) => row.id.endsWith('pepper') && row.group === 'fruit vegetables'],
  [/^(?:bacon|pancetta|ham|lardon|rasher|hock|meat)$/, (row) => row.group === 'meat'],
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
    /\b(?:(?:chopped |prepared |diced |sliced |roasted |roast |cooked |root |remaining |other |all the |all your |hard )*(?:vegetables|veggies|veg|roots))\b/gi,
    (role) => role === 'vegetable' || role === 'base' || role === 'greens',
  ],
  [/\b(?:aromatics|soffritto|base vegetables)\b/gi, (role) => role === 'base'],
  [/\b(?:dry spices|spices|spice mix)\b/gi, (_role, row) => row.group === 'spices' && !row.id.includes('pepper')],
  [/\b(?:all the |chopped |fresh |soft )*herbs\b/gi, (_role, row) => row.group === 'herbs'],
  [
    /(?<!adjust |correct |check |taste )\bseasonings\b/gi,
    (role, row) => /^(?:spices|seasoning)$/.test(row.group) || (row.group === 'herbs' && role !== 'garnish') || role === 'season',
  ],
  [/\b(?:toppings|garnishes)\b/gi, (role) => role === 'garnish'],
  [/\b(?:greens|leaves)\b/gi, (role) => role === 'greens'],
];
/** Parts of a vegetable that go different ways: the tips, and the stalks that are left. Kitchen defaults. */
const PART_SHARES: Readonly<Record<string, ReturnType<typeof shareBefore>>> = {
  tip: { share: 0.25, vague: true },
  stalk: { rest: true },
  stem: { rest: true },
};
/** What is cooked stalks first and the rest later, and the share that the stalks are. Kitchen default. */
const STALKED = /^(?:broccoli|cauliflower|kale|chard|coriander|parsley|savoy-cabbage|watercress)$/;
const STALKS: ReturnType<typeof shareBefore> = { share: 0.3, vague: true };
/** All that has not gone in yet. */
const EVERYTHING =
  /\b(?:everything else|everything (?=except|but|apart|bar|other than)|all (?:of )?the (?:other |remaining )?ingredients|(?:the )?(?:rest of the|remaining|other) ingredients|the rest(?! of)|all the rest)\b/i;
/** What stands behind it is left out of a group. */
export const BUT =
  /\b(?:except(?: for)?|but not|apart from|all but|(?<=everything )but|bar the|other than)\b|\((?:not|no|except)\b/i;

/** Where a text says what a group leaves out: to the end, or to that of its brackets. */
function leftOut(text: string): { readonly from: number; readonly to: number } | undefined {
  const but = BUT.exec(text);
  if (but === null) return undefined;
  const close = but[0].startsWith('(') ? text.indexOf(')', but.index) : -1;
  const rest = /\b(?:in (?:a|the|your)|into|with|until|till|for \d)\b|[;.]/i.exec(text.slice(but.index + but[0].length));
  const end = rest === null || but[0].startsWith('(') ? text.length : but.index + but[0].length + rest.index;
  return { from: but.index, to: close < 0 ? end : close };
}

const LATER: ReadonlySet<Role> = new Set(['cream', 'finish', 'garnish', 'yolk', 'salt', 'season', 'herb']);

interface Name {
  readonly line: MethodLine;
  readonly words: readonly string[];
  /** Whether it is what the thing is, not what it is of: the tomato, and not the paste of it. */
  readonly isHead: boolean;
}

/** Words behind a name that only say which part of it. */
const PARTS = new Set('leaf leave seed clove stalk stick bulb head sprig floret rib wedge slice powder bunch'.split(' '));

function headOf(phrase: string): string | undefined {
  return phrase
    .split(' ')
    .filter((word) => word !== '' && !PARTS.has(word))
    .at(-1);
}

/** "Toss the cubes": what was cut so, where it is one line alone. */
const PIECES: Readonly<Record<string, RegExp>> = {
  cube: /\bcub(?:e|es|ed)\b/i,
  chunk: /\bchunks?\b/i,
  wedge: /\bwedges?\b/i,
  dice: /\bdice[ds]?\b/i,
  piece: /\b(?:pieces|chunks?|cub(?:es|ed))\b/i,
};

/** Letters that tell a word that is cut short. */
const LEAST_SHORT = 3;

interface Token {
  readonly text: string;
  readonly raw: string;
  readonly at: number;
  readonly end: number;
}

function tokens(text: string): Token[] {
  return [...text.matchAll(/[a-zà-ÿ]+(?:['’](?!s\b)[a-zà-ÿ]+)*|\d+/gi)].map((hit) => ({
    text: plain(hit[0]),
    raw: hit[0].toLowerCase(),
    at: hit.index,
    end: hit.index + hit[0].length,
  }));
}

/** Food words of a written line: without its amount and its manners. */
function foodWords(text: string): string[] {
  const head = text.replace(/\([^)]*\)/g, ' ').split(/,|;| - | – |\bfor\b|\bto (?:serve|taste|garnish|cover)\b/)[0] ?? text;
  return plain(head)
    .split(' ')
    .filter((word) => word !== '' && !/^[\d.%]+$/.test(word));
}

/** What a recipe's lines are called in its method, made ready once. */
export class LineNames {
  private readonly names: Name[] = [];
  /** Headings of the method. */
  private readonly sections: ReadonlySet<string>;
  private readonly saysCanned: boolean;
  /** Then the cobs are what is left of them, and go into a stock. */
  private readonly saysKernels: boolean;

  /** @param method what the whole method says, to tell by it which of two like things a word is kept for. */
  constructor(
    private readonly lines: readonly MethodLine[],
    method = '',
    sections: readonly string[] = [],
  ) {
    this.sections = new Set(sections.map((section) => plain(section)));
    this.saysKernels = /\bkernels?\b/i.test(method);
    this.saysCanned = /\b(?:canned|tinned|(?:can|tin)s? of(?: \w+)?) tomatoes\b/i.test(method);
    for (const line of lines) {
      const { row, text } = line.taken;
      const written = foodWords(text);
      const all = [row.name, row.us, row.au, ...(row.aka ?? [])].flatMap((name) => (name === undefined ? [] : [plain(name)]));
      const phrases = new Set<string>(all);
      for (const name of all) phrases.add(name.split(',')[0] ?? name);
      for (const phrase of phrases) this.names.push({ line, words: phrase.split(' '), isHead: true });
      const heads = new Set([...phrases].map((phrase) => headOf(phrase.split(',')[0] ?? phrase)));
      heads.add(headOf(written.join(' ')));
      // Any telling word of the name, and the last word of what is written, name it too.
      const telling = new Set(
        [...all.flatMap((name) => name.split(' ')), ...written].filter((word) => word.length > 2 && !QUALITIES.has(word)),
      );
      for (const word of telling) this.names.push({ line, words: [word], isHead: heads.has(word) });
      for (let n = 0; n + 1 < written.length; n += 1) {
        const pair = written.slice(n, n + 2);
        // "Cup water" of "4 cups water" is no name: its measure would be read as part of it.
        // "Sliced leeks" are no other leeks than those that are not yet sliced.
        const isCut = /^(?:sliced|diced|minced|peeled|thinly|finely|roughly)$/.test(pair[0] ?? '');
        if (!UNIT_WORDS.has(pair[0] ?? '') && !isCut && pair.some((word) => telling.has(word) || MAY_STAND_ALONE.has(word)))
          this.names.push({ line, words: pair, isHead: true });
      }
    }
  }

  /** Which lines a clause names, in order, each once. `isUsed` tells a line that has gone in whole. */
  mentions(text: string, section: string, isUsed: (line: string) => boolean): Mention[] {
    const but = leftOut(text);
    const grouped = this.grouped(text, section, isUsed);
    // "Everything except the cream": what stands behind it is left out.
    const named = this.named(text, section, isUsed).filter(
      ({ at }) => but === undefined || grouped.length === 0 || at < but.from || at >= but.to,
    );
    const found = [...named, ...grouped].sort((a, b) => a.at - b.at);
    const seen = new Map<string, Mention>();
    for (const one of found) {
      const before = seen.get(one.line);
      // "Everything, with half the stock": what is said of a line by its name counts.
      if (before === undefined) seen.set(one.line, one);
      else if (before.byGroup === true && one.share !== undefined)
        seen.set(one.line, { ...one, at: before.at, length: before.length });
    }
    return [...seen.values()];
  }

  private inSection(lines: readonly MethodLine[], section: string): readonly MethodLine[] {
    const own = plain(section);
    const same = lines.filter(({ heading }) => heading !== '' && own !== '' && plain(heading) === own);
    if (same.length > 0) return same;
    // "Make the crisps" is under "For the apple crisps".
    const said = own.split(' ').filter((word) => !OF_HEADINGS.has(word));
    const alike = lines.filter(({ heading }) => said.length > 0 && said.every((word) => plain(heading).split(' ').includes(word)));
    if (alike.length > 0) return alike;
    const free = lines.filter(({ heading }) => !this.isApart(heading));
    return free.length > 0 ? free : lines;
  }

  /** Whether what stands under a heading is made by itself: for the top, or under a heading of the method. */
  private isApart(heading: string): boolean {
    if (heading === '' || /^(?:for )?(?:the )?(?:main )?soup\b/i.test(heading)) return false;
    return GARNISH_SECTION.test(heading) || this.sections.has(plain(heading));
  }

  /** Lines that a group leaves out. */
  private except(text: string, section: string): ReadonlySet<string> {
    const but = leftOut(text);
    return new Set(but === undefined ? [] : this.named(text.slice(but.from, but.to), section, () => false).map(({ line }) => line));
  }

  private grouped(text: string, section: string, isUsed: (line: string) => boolean): Mention[] {
    const out: Mention[] = [];
    const mention = (line: MethodLine, at: number, length: number): Mention => ({ line: line.id, at, length, byGroup: true });
    const pool = this.inSection(this.lines, section);
    const isOwnSection =
      pool.length < this.lines.length && pool.every(({ heading }) => heading !== '' && plain(heading) === plain(section));
    // Before anything has gone in, "everything" is the list.
    const isFresh = pool.every(({ id }) => !isUsed(id));
    // "Mix it back with the rest": the rest of the soup.
    const isSoup = /\b(?:with|to|into) the rest\b(?! of)/i.test(text);
    const everything = isSoup
      ? null
      : (EVERYTHING.exec(text) ?? (isFresh ? /\b(?:everything|the (?:whole )?lot)\b/i.exec(text) : null));
    if (everything !== null) {
      const except = this.except(text, section);
      const isRest = /^(?:the|all the) rest$/i.test(everything[0]) && !/\beverything else\b/i.test(text);
      for (const line of pool) {
        if (isUsed(line.id) || except.has(line.id) || (line.taken.role === 'garnish' && !isOwnSection)) continue;
        const isBladed = /\b(?:blend|blender|whizz?|blitz|pur[ée]e|process|processor|liquidi[sz]er?)\b/i.test(text);
        if (!isRest && !isBladed && !isOwnSection && LATER.has(line.taken.role) && line.taken.role !== 'herb') continue;
        if (isRest && LATER.has(line.taken.role)) continue;
        out.push(mention(line, everything.index, everything[0].length));
      }
      return out;
    }
    const left = this.except(text, section);
    for (const [words, fits] of GROUPS) {
      for (const hit of text.matchAll(words)) {
        // "The vegetables (onion, carrots, celery)": those, and no others.
        const listed = /^\s*\((?!not\b|no\b|except|all but|bar\b)([^)]*)\)/i.exec(text.slice(hit.index + hit[0].length))?.[1];
        if (listed !== undefined && this.named(listed, section, isUsed).length > 0) continue;
        const near = pool.filter(({ id, taken }) => fits(taken.role, taken.row) && !left.has(id));
        const own =
          near.length > 0
            ? near
            : this.lines.filter(({ id, taken }) => fits(taken.role, taken.row) && !left.has(id) && taken.role === 'garnish');
        const fresh = own.filter(({ id }) => !isUsed(id));
        const isMade =
          /\b(?:roast|roasted|cooked)\b/i.test(hit[0]) ||
          (fresh.length < own.length &&
            /^(?:then |and |carefully )*(?:transfer|lift|scoop|ladle|mash|blend|pur[ée]e|return|drain|strain|remove)\b/i.test(
              text,
            ));
        for (const line of isMade ? own.filter(({ id }) => isUsed(id)) : fresh.length > 0 ? fresh : own)
          out.push(mention(line, hit.index, hit[0].length));
      }
    }
    return out;
  }

  private named(text: string, section: string, isUsed: (line: string) => boolean): Mention[] {
    const words = tokens(text);
    const out: Mention[] = [];
    const peppered = pepperAt(text);
    for (let n = 0; n < words.length; n += 1) {
      const word = words[n];
      if (word === undefined) break;
      if (peppered.some(([from, to]) => word.at >= from && word.at < to)) {
        const peppers = this.lines.filter(({ taken }) => /^(?:black|white)-pepper$/.test(taken.row.id));
        const own =
          peppers.find(({ taken }) =>
            text
              .slice(Math.max(0, word.at - 8), word.at)
              .toLowerCase()
              .includes(taken.row.id.slice(0, 5)),
          ) ?? peppers[0];
        if (own !== undefined) out.push({ line: own.id, at: word.at, length: word.raw.length });
        continue;
      }
      if (notAFood(words, n) || (this.saysKernels && word.text === 'cob')) continue;
      const found = this.at(words, n);
      const whole = found.lines;
      const length = Math.max(1, found.length);
      const lines = whole.length > 0 || (text[word.end] ?? '.') !== '.' ? whole : this.cutShort(word);
      if (lines.length === 0) continue;
      const last = words[n + length - 1] ?? word;
      const chosen = this.chosen(lines, last.raw, words, n, section, isUsed);
      const before = text.slice(Math.max(0, word.at - 60), word.at);
      const said = shareBefore(cutAtStop(before));
      const part = PART_SHARES[words[n + length]?.text ?? ''] === undefined ? word.text : (words[n + length]?.text ?? '');
      for (const line of chosen) {
        const isStalk = /^(?:stalk|stem)$/.test(part) && STALKED.test(line.taken.row.id);
        const measure =
          Object.keys(said).length > 0 ? said : isStalk && !isUsed(line.id) ? STALKS : (PART_SHARES[word.text] ?? said);
        out.push({ line: line.id, at: word.at, length: last.end - word.at, ...measure });
      }
      n += length - 1;
      // "Celery leaves" are of the celery, and no herb.
      if (isNext(words, n) && /^(?:leaf|leave|frond|top)$/.test(words[n + 1]?.text ?? '')) n += 1;
    }
    return out;
  }

  /** The lines that the words from here name, by the longest name. */
  private at(words: readonly Token[], n: number): { readonly lines: readonly MethodLine[]; readonly length: number } {
    let length = 0;
    let found: Name[] = [];
    for (const name of this.names) {
      if (name.words.length < length || !name.words.every((word, k) => words[n + k]?.text === word)) continue;
      if (name.words.length > length) found = [];
      length = name.words.length;
      found.push(name);
    }
    if (found.length === 0) found = this.shortened(words, n);
    if (found.length > 0 && length === 0) length = found[0]?.words.length ?? 0;
    if (found.length === 0 && words[n - 1]?.text === 'the') {
      const root = PIECES[words[n]?.text ?? ''];
      const cut = root === undefined ? [] : this.lines.filter(({ taken }) => root.test(taken.text));
      if (cut.length === 1) return { lines: cut, length: 1 };
    }
    const heads = found.filter(({ isHead }) => isHead);
    const lines = [...new Set((heads.length > 0 ? heads : found).map(({ line }) => line))];
    const word = words[n]?.text ?? '';
    if (length <= 1) {
      for (const [pattern, fits] of CLASSES) {
        if (!pattern.test(word)) continue;
        const own = seedsMeant(
          word,
          this.lines.filter(({ taken }) => fits(taken.row, taken.role)),
        );
        if (own.length > 0) return { lines: heads.length > 0 ? [...new Set([...lines, ...own])] : own, length: 1 };
      }
    }
    return { lines, length };
  }

  /** "Turm.", "parsn.": a name of one word, cut short with a full stop. */
  private cutShort({ text }: Token): readonly MethodLine[] {
    if (text.length < LEAST_SHORT + 1 || UNIT_WORDS.has(text) || /^(?:approx|mins?|secs?|temp)$/.test(text)) return [];
    const fits = this.names.filter(
      ({ words: [first = '', ...more] }) => more.length === 0 && first !== text && first.startsWith(text),
    );
    const lines = [...new Set(fits.map(({ line }) => line))];
    return lines.length === 1 ? lines : [];
  }

  /** "Sweet pot", "coc milk": names of two words of which one is cut short, as kitchens write. */
  private shortened(words: readonly Token[], n: number): Name[] {
    const [a, b] = [words[n]?.text ?? '', words[n + 1]?.text ?? ''];
    if (a.length < LEAST_SHORT || b.length < LEAST_SHORT || (words[n + 1]?.at ?? 0) - (words[n]?.end ?? 0) > 1) return [];
    const fits = this.names.filter(
      ({ words: [first = '', second = '', ...more] }) =>
        more.length === 0 &&
        ((first === a && second !== b && second.startsWith(b)) || (second === b && first !== a && first.startsWith(a))),
    );
    return new Set(fits.map(({ line }) => line)).size === 1 ? fits : [];
  }

  /** Of several lines that could be meant: the one whose own words stand before, this section's, one still to go in. */
  private chosen(
    lines: readonly MethodLine[],
    raw: string,
    words: readonly Token[],
    n: number,
    section: string,
    isUsed: (line: string) => boolean,
  ): readonly MethodLine[] {
    if (lines.length === 1) return lines;
    if (/^peppers$/i.test(raw)) {
      // "The peppers" are vegetables where some are a spice.
      const grown = lines.filter(({ taken }) => taken.row.group !== 'spices');
      if (grown.length > 0 && grown.length < lines.length) return this.chosen(grown, raw, words, n, section, isUsed);
    }
    if (
      /^pepper$/i.test(raw) &&
      !/^(?:the|your|red|green|yellow|orange|sweet|bell|roasted|charred|grilled|a|each)$/.test(words[n - 1]?.text ?? '')
    ) {
      // "Cream, pepper" is the spice where there is one.
      const spice = lines.filter(({ taken }) => taken.row.group === 'spices');
      if (spice.length > 0 && spice.length < lines.length) return this.chosen(spice, raw, words, n, section, isUsed);
    }
    if (/^both$/.test(words[n - 1]?.text ?? '') && !lines.some(({ id }) => isUsed(id))) return lines;
    if ((words[n]?.text ?? '').startsWith('mushroom') && !/^(?:dried|soaked)$/.test(words[n - 1]?.text ?? '')) {
      // "The mushrooms" are the fresh ones where some are dried.
      const freshOnes = lines.filter(({ taken }) => !taken.row.id.startsWith('dried'));
      if (freshOnes.length > 0 && freshOnes.length < lines.length) return this.chosen(freshOnes, raw, words, n, section, isUsed);
    }
    if (/^tomatoe?s?$/.test(words[n]?.text ?? '') && !/^(?:canned|tinned|can|tin|of|fresh|both)$/.test(words[n - 1]?.text ?? '')) {
      // "The tomatoes" are the fresh ones where the method calls the others canned.
      const grown = lines.filter(({ taken }) => !taken.row.id.startsWith('canned'));
      if (this.saysCanned && grown.length > 0 && grown.length < lines.length && grown.some(({ id }) => !isUsed(id)))
        return this.chosen(grown, raw, words, n, section, isUsed);
    }
    const before = new Set([words[n - 1]?.text, words[n - 2]?.text].filter((word) => word !== undefined && !PLAIN_WORDS.has(word)));
    const scored = lines.map((line) => ({
      line,
      score: [...plain(`${line.taken.row.name} ${line.taken.text}`).split(' ')].filter((word) => before.has(word)).length,
    }));
    const best = Math.max(...scored.map(({ score }) => score));
    const near = best > 0 ? scored.filter(({ score }) => score === best).map(({ line }) => line) : lines;
    const own = this.inSection(near, section);
    const rows = new Set(own.map(({ taken }) => taken.row.id));
    const isPlural = raw.endsWith('s') && !raw.endsWith('ss');
    const fresh = own.filter(({ id }) => !isUsed(id));
    if (rows.size > 1 && isPlural) return fresh.length > 0 ? fresh : own;
    const left = fresh.length > 0 ? fresh : own;
    // "A leek, for frying", without an amount, is not the one that the soup is of.
    const first = left.find(({ taken }) => taken.kg > 0 || taken.row.softening === 0) ?? left[0];
    return first === undefined ? [] : [first];
  }
}

/** "The seeds" are those that are eaten as such where there are some, and never a ground spice. */
function seedsMeant(word: string, lines: readonly MethodLine[]): readonly MethodLine[] {
  if (word !== 'seed') return lines;
  const whole = lines.filter(({ taken }) => !/\bground\b/i.test(taken.text));
  const eaten = whole.filter(({ taken }) => taken.row.group !== 'spices');
  return eaten.length > 0 ? eaten : whole;
}

/** Words of headings that do not say over what they stand. */
const OF_HEADINGS = new Set(['for', 'the', 'a', 'to', 'make', 'prepare', 'soup']);
/** Words that tell no line from another. */
const PLAIN_WORDS = new Set(['the', 'in', 'with', 'of', 'and', 'to', 'a', 'an', 'for', 'rest', 'half', 'over', 'on', 'it']);

/** Only the words since the last comma or conjunction say how much is meant. */
function cutAtStop(whole: string): string {
  // "3/4 of the deseeded and finely chopped chillies": what is done to them parts nothing.
  const before = whole.replace(/\b([a-z]+ed),? and (?=(?:finely |roughly |thinly |coarsely )?[a-z]+ed\b)/gi, '$1 ');
  const parts = before.split(/[,;:.()]|\b(?:and|with|then|in|into|to|add|over)\b/i);
  return parts.at(-1) ?? before;
}

/** "Salt and pepper", "plenty of black pepper": the spice, not the vegetable. */
function pepperAt(text: string): [number, number][] {
  const spots: [number, number][] = [];
  for (const hit of text.matchAll(
    /(?:(?:salt|seasoning)\s*(?:,\s*(?:and|&)|and|&|,|\+|then)\s*(?:(?:a|some|plenty of|lots of|freshly|ground|cracked|black|white|more|little|good|grinding|twist|of)\s+)*|(?:ground|cracked|black|white|lots of|plenty of|grind of|grinding of|twist of|some|more)\s+(?:\w+\s+)?)pepper\b(?!\w)/gi,
  )) {
    const at = hit.index + hit[0].length - 'pepper'.length;
    spots.push([at, at + 'pepper'.length]);
  }
  return spots;
}

function isNext(words: readonly Token[], n: number): boolean {
  return (words[n + 1]?.at ?? Infinity) - (words[n]?.end ?? 0) <= 1;
}

/** Words that look like a food and are not one here: a stock pot, the cream of the crop, a blender's butter. */
function notAFood(words: readonly Token[], n: number): boolean {
  const word = words[n]?.text;
  const next = words[n + 1]?.text;
  const before = words[n - 1]?.text;
  // "The oil left on the tray" is out of no bottle.
  if (/^(?:oil|fat|butter)$/.test(word ?? '') && next === 'left' && /^(?:on|in|behind|over)$/.test(words[n + 2]?.text ?? ''))
    return true;
  if (word === 'stock' && next === 'pot') return true;
  // A roasting tin, and what is in the tin.
  const isVessel = /^(?:roasting|baking|oven|loaf|cake|deep|large|big|lined|shallow|hot|same)$/.test(before ?? '');
  if (word === 'tin' && next !== 'of' && (isVessel || /^(?:from|in|into|on|to)$/.test(words[n - 2]?.text ?? ''))) return true;
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
  const isDrawn = isNext(words, n) && /^(?:milk|stock|broth|liquor|water)$/.test(next ?? '');
  if (isDrawn && /^(?:corn|cob|pea|pod|mushroom|onion|ham|porcini)$/.test(word ?? '')) return true;
  if (word === 'water' && before === 'salted') return false;
  if (word === 'juice' && /^(?:their|it|any|pan|can|tin|own|cooking|all)$/.test(before ?? '')) return true;
  if (/^(?:leaf|leave)$/.test(word ?? '') && words[n]?.raw !== 'leaves') return true;
  if (word === 'seed' && words[n]?.raw !== 'seeds') return true;
  // "Scoop out the seeds" is of the squash.
  if (
    word === 'seed' &&
    words.slice(Math.max(0, n - 5), n).some(({ text }) => /^(?:scoop|scrape|discard|remove|membrane|pith|deseed|pip)$/.test(text))
  )
    return true;
  // "To a pouring-cream consistency" is no cream.
  if (word === 'cream' && /^(?:consistency|thickness)$/.test(next ?? '')) return true;
  const isServedToast = before === 'the' && /^(?:with|on|over|alongside)$/.test(words[n - 2]?.text ?? '');
  if (word === 'toast' && words[n]?.raw !== 'toasts' && !isServedToast) return true;
  if (word === 'bean' && before === 'jelly') return true;
  return (word === 'single' || word === 'double') && next === 'layer';
}
