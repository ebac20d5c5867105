import { plain } from '../amounts/index.js';
import type { TakenLine } from '../draft/index.js';
import { byPlace } from './by-place.js';
import {
  EVERYTHING,
  groupsIn,
  kindsOf,
  LATER,
  LEAST_SHORT,
  MAY_STAND_ALONE,
  OF_HEADINGS,
  PART_SHARES,
  PIECES,
  PLAIN_WORDS,
  QUALITIES,
  STALKED,
  STALKS,
  UNIT_WORDS,
  cutAtStop,
  foodWords,
  initialsOf,
  REST,
  pepperAt,
  seedsMeant,
  headOf,
  isNext,
  leftOut,
  notAFood,
  tokens,
  type Token,
} from './food-words.js';
import { GARNISH_SECTION, VERBS } from './lexicon.js';
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

interface Name {
  readonly line: MethodLine;
  readonly words: readonly string[];
  /** Whether it is what the thing is, not what it is of: the tomato, and not the paste of it. */
  readonly isHead: boolean;
}

/** "Three-quarters of the squash and onions" is so much of either, where both are pieces: the share of what was named before. */
function sharedWith(
  before: Mention | undefined,
  lines: readonly MethodLine[],
  all: readonly MethodLine[],
  text: string,
): Pick<Mention, 'share' | 'vague'> {
  if (before?.share === undefined || before.length === 0) return {};
  const isPiece = (line: MethodLine | undefined): boolean => (line?.taken.row.softening ?? 0) > 0;
  const isOfAll = /\bof (?:the|your|these|those) (?:[a-z]+ ){0,2}$/i.test(text.slice(0, before.at));
  const isBeside = /^(?:,? and | & |, )(?:[a-z]+ed )?$/i.test(text.slice(before.at + before.length));
  if (!isOfAll || !isBeside || ![all.find(({ id }) => id === before.line), ...lines].every(isPiece)) return {};
  return { share: before.share, ...(before.vague === true ? { vague: true } : {}) };
}

/** What a recipe's lines are called in its method, made ready once. */
export class LineNames {
  private readonly names: Name[] = [];
  /** Headings of the method. */
  private readonly sections: ReadonlySet<string>;
  private readonly saysCanned: boolean;
  /** Then "the seeds" are those that were scooped out. */
  private readonly saysOwnSeeds: boolean;
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
    this.saysOwnSeeds =
      /\b(?:squash|pumpkin|butternut|melon)(?:['’]s)? seeds\b|\bseeds \((?:keep|save|reserve)|\b(?:keep|save|reserve|rinse|wash)(?:ing)? the (?:squash |pumpkin )?seeds\b/i.test(
        method,
      );
    this.saysCanned = /\b(?:canned|tinned|(?:can|tin)s? of(?: \w+)?) tomatoes\b/i.test(method);
    for (const line of lines) {
      const { row, text } = line.taken;
      const written = foodWords(text);
      const all = [row.name, row.us, row.au, ...(row.aka ?? [])].flatMap((name) => (name === undefined ? [] : [plain(name)]));
      const phrases = new Set<string>(all);
      for (const name of all) phrases.add(name.split(',')[0] ?? name);
      for (const phrase of phrases) this.names.push({ line, words: phrase.split(' '), isHead: true });
      // Out of a can or a tube it has another name too, and is not the fresh thing: passata is no "tomatoes".
      const isMade = row.group === 'canned goods' || row.group === 'pastes and sauces';
      const called = isMade
        ? [row.name, row.us, row.au].flatMap((name) => (name === undefined ? [] : [plain(name)]))
        : [...phrases];
      const heads = new Set(called.map((phrase) => headOf(phrase.split(',')[0] ?? phrase)));
      heads.add(headOf(written.join(' ')));
      // Any telling word of the name, and the last word of what is written, name it too.
      // Of its other names only the last word: an oil that may be of lemon is not called lemon.
      const own = [row.name, row.us, row.au].flatMap((name) => (name === undefined ? [] : plain(name).split(' ')));
      const telling = new Set(
        [...own, ...heads, ...written].filter(
          (word): word is string => word !== undefined && word.length > 2 && !QUALITIES.has(word),
        ),
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
    const listed = byPlace(this.lines, text, isUsed, (words) => this.named(words, '', () => false)[0]?.line);
    if (listed !== undefined) return listed.lines.map((line) => mention(line, listed.at, listed.length));
    const left = this.except(text, section);
    for (const { at, said, fits } of groupsIn(text)) {
      // "The vegetables (onion, carrots, celery)": those, and no others.
      const listed = /^\s*\((?!not\b|no\b|except|all but|bar\b)([^)]*)\)/i.exec(text.slice(at + said.length))?.[1];
      if (listed !== undefined && this.named(listed, section, isUsed).length > 0) continue;
      const near = pool.filter(({ id, taken }) => fits(taken.row, taken.role) && !left.has(id));
      const own =
        near.length > 0
          ? near
          : this.lines.filter(({ id, taken }) => fits(taken.row, taken.role) && !left.has(id) && taken.role === 'garnish');
      const fresh = own.filter(({ id }) => !isUsed(id));
      const isMade =
        /\b(?:roast|roasted|cooked)\b/i.test(said) ||
        (fresh.length < own.length &&
          /^(?:then |and |carefully )*(?:transfer|lift|scoop|ladle|mash|blend|pur[ée]e|return|drain|strain|remove|discard|fish|pick|pluck|pull|hook|take out)\b/i.test(
            text,
          ));
      for (const line of isMade ? own.filter(({ id }) => isUsed(id)) : fresh.length > 0 ? fresh : own)
        out.push(mention(line, at, said.length));
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
      const isSlashed = text[word.end] === '/' || text[word.at - 1] === '/';
      const short =
        whole.length > 0 || (!isSlashed && (text[word.end] ?? '.') !== '.')
          ? whole
          : this.cutShort(word, isSlashed ? 2 : undefined);
      const lines = short.length > 0 ? short : this.nicknamed(word, text);
      if (lines.length === 0) continue;
      const last = words[n + length - 1] ?? word;
      const chosen = this.chosen(lines, last.raw, words, n, section, isUsed);
      const before = text.slice(Math.max(0, word.at - 60), word.at);
      // "The other tin of chickpeas" is what is left of them.
      const isOther = /\b(?:the )?(?:other|second|remaining|last) (?:tin|can|jar|pack|packet|bunch|half)(?: of)?(?: the)? $/i.test(
        before,
      );
      const [alone, ...others] = chosen;
      const isOtherPiece =
        others.length === 0 &&
        alone?.taken.amount.rule === 'scaled' &&
        alone.taken.amount.amount.unit === 'piece' &&
        !isUsed(alone.id) &&
        /\b(?:the|your|that) (?:other|second|last) (?:(?:large|small|halved|chopped|peeled|sliced) )*$/i.test(before);
      const own = isOther || isOtherPiece ? REST : shareBefore(cutAtStop(before));
      const said = Object.keys(own).length > 0 ? own : sharedWith(out.at(-1), chosen, this.lines, text.slice(0, word.at));
      const part = PART_SHARES[words[n + length]?.text ?? ''] === undefined ? word.text : (words[n + length]?.text ?? '');
      for (const line of chosen) {
        // "Watercress (stalks and all)" is all of it.
        const isAll = /^[^.;,]{0,4}(?:stalks?|stems?) and all\b/i.test(text.slice(last.end));
        const isStalk = !isAll && /^(?:stalk|stem)$/.test(part) && STALKED.test(line.taken.row.id);
        const isPart = line.taken.row.id === 'asparagus' && !isUsed(line.id) ? PART_SHARES[part] : undefined;
        const measure =
          Object.keys(said).length > 0 ? said : isStalk && !isUsed(line.id) ? STALKS : (isPart ?? PART_SHARES[word.text] ?? said);
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
    // "The pieces of bay leaf" are of the bay.
    if (found.length === 0 && words[n - 1]?.text === 'the' && words[n + 1]?.text !== 'of') {
      const root = PIECES[words[n]?.text ?? ''];
      const cut = root === undefined ? [] : this.lines.filter(({ taken }) => root.test(taken.text));
      if (cut.length === 1) return { lines: cut, length: 1 };
    }
    const heads = found.filter(({ isHead }) => isHead);
    const all = [...new Set((heads.length > 0 ? heads : found).map(({ line }) => line))];
    // "The pumpkin" is not its seeds.
    const grown = words[n + 1]?.text === 'seed' ? all : all.filter(({ taken }) => !taken.row.id.endsWith('-seeds'));
    const lines = grown.length > 0 ? grown : all;
    const word = words[n]?.text ?? '';
    // "Chicken broth" is no chicken.
    const isOfStock = word === 'chicken' && /^(?:stock|broth|bouillon|cube|liquor)$/.test(words[n + 1]?.text ?? '');
    // "The rosemary stalk" is of the rosemary.
    const said = words[n - 1]?.text;
    const isPartOfIt =
      /^(?:stalk|stem|leaf|leave)$/.test(word) && this.names.some(({ words: own }) => own.length === 1 && own[0] === said);
    if (length <= 1 && !isOfStock && !isPartOfIt) {
      for (const fits of kindsOf(word)) {
        const own = seedsMeant(
          word,
          this.saysOwnSeeds,
          this.lines.filter(({ taken }) => fits(taken.row, taken.role)),
        );
        const both = heads.length > 0 ? [...new Set([...lines, ...own])] : own;
        // "The tomatoes" are no passata where there are some.
        const whole = both.filter(({ taken }) => taken.row.id !== 'passata');
        if (own.length > 0) return { lines: whole.length > 0 ? whole : both, length: 1 };
      }
    }
    return { lines, length };
  }

  /** "Tomatoes, pepper and onion": between two vegetables a pepper is one. */
  private isAmongVegetables(words: readonly Token[], n: number): boolean {
    const isVegetable = (at: number): boolean =>
      this.at(words, at).lines.some(({ taken }) => /^(?:vegetable|base)$/.test(taken.role));
    const before = [n - 1, n - 2, n - 3, n - 4].some((at) => at >= 0 && isVegetable(at));
    return before && [n + 1, n + 2, n + 3].some((at) => at < words.length && isVegetable(at));
  }

  /** "Turm.", "parsn.": a name of one word, cut short with a full stop. */
  private cutShort({ text }: Token, least = LEAST_SHORT + 1): readonly MethodLine[] {
    if (text.length < least || UNIT_WORDS.has(text) || /^(?:approx|mins?|secs?|temp)$/.test(text)) return [];
    const fits = this.names.filter(
      ({ words: [first = '', ...more] }) => more.length === 0 && first !== text && first.startsWith(text),
    );
    const lines = [...new Set(fits.map(({ line }) => line))];
    return lines.length === 1 ? lines : [];
  }

  /** "Snips", "shrooms", "toms": the end or the beginning of one vegetable's name, in the plural; "CF": what a name's words begin with. */
  private nicknamed({ text, raw, at }: Token, written: string): readonly MethodLine[] {
    const said = written.slice(at, at + raw.length);
    if (/^[A-Z]{2,4}$/.test(said)) {
      const own = this.lines.filter(({ taken: { row } }) =>
        [row.name, row.us, row.au].some((name) => name !== undefined && initialsOf(name) === said),
      );
      return own.length === 1 ? own : [];
    }
    const isPlural = /s$/i.test(raw);
    if (text.length < (isPlural ? LEAST_SHORT : LEAST_SHORT + 1) || VERBS[raw] !== undefined || UNIT_WORDS.has(text)) return [];
    const own = this.lines.filter(
      ({ taken: { row, role } }) =>
        /^(?:vegetable|base|greens)$/.test(role) &&
        [row.name, row.us, row.au].some((name) => {
          const head = headOf(plain(name?.split(',')[0] ?? '')) ?? '';
          return head.length >= text.length + 2 && ((isPlural && head.endsWith(text)) || head.startsWith(text));
        }),
    );
    return own.length === 1 ? own : [];
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
      const grown = lines.filter(({ id, taken }) => taken.row.group !== 'spices' && !isUsed(id));
      if (grown.length > 0 && this.isAmongVegetables(words, n)) return this.chosen(grown, raw, words, n, section, isUsed);
      // "Cream, pepper" is the spice where there is one.
      const spice = lines.filter(({ taken }) => taken.row.group === 'spices');
      if (spice.length > 0 && spice.length < lines.length) return this.chosen(spice, raw, words, n, section, isUsed);
    }
    const leafy = lines.filter(({ taken }) => taken.row.group === 'herbs');
    if (leafy.length > 0 && leafy.length < lines.length && lines.every(({ taken }) => /^(?:herbs|spices)$/.test(taken.row.group))) {
      // "Coriander" is the leaf, unless it stands among spices or is called ground.
      const isSpice =
        /^(?:seed|powder)$/.test(words[n + 1]?.text ?? '') ||
        /^(?:ground|dried)$/.test(words[n - 1]?.text ?? '') ||
        this.lines.some(
          (line) =>
            line.taken.row.group === 'spices' &&
            !/pepper|nutmeg/.test(line.id) &&
            !lines.includes(line) &&
            words.some(({ text }) => text === plain(line.taken.row.name).split(' ')[0]),
        );
      const meant = isSpice ? lines.filter((line) => !leafy.includes(line)) : leafy;
      return this.chosen(meant, raw, words, n, section, isUsed);
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
    // "Vegetable oil" is the line that says so, "parsnip ribbons" those that were cut so.
    const behind = (words[n + 1]?.at ?? Infinity) - (words[n]?.end ?? 0) <= 1 ? words[n + 1]?.text : undefined;
    const self = new Set([words[n]?.text, behind].filter((word) => word !== undefined && !PLAIN_WORDS.has(word)));
    const scored = lines.map((line) => ({
      line,
      score:
        [...plain(`${line.taken.row.name} ${line.taken.text}`).split(' ')].filter((word) => before.has(word)).length +
        new Set(
          plain(line.taken.text)
            .split(' ')
            .filter((word) => self.has(word)),
        ).size,
    }));
    const best = Math.max(...scored.map(({ score }) => score));
    const near = best > 0 ? scored.filter(({ score }) => score === best).map(({ line }) => line) : lines;
    const own = this.inSection(near, section);
    const rows = new Set(own.map(({ taken }) => taken.row.id));
    // "Half the spice" is of all of them.
    const isPlural = (raw.endsWith('s') && !raw.endsWith('ss')) || raw === 'spice';
    // "The reserved bacon" is what was cooked and kept, and not the other line of it.
    const isKept = /^(?:reserved|kept|saved)$/.test(words[n - 1]?.text ?? '') && own.some(({ id }) => isUsed(id));
    const fresh = own.filter(({ id }) => isUsed(id) === isKept);
    if (rows.size > 1 && isPlural) return fresh.length > 0 ? fresh : own;
    const left = fresh.length > 0 ? fresh : own;
    // "A leek, for frying", without an amount, is not the one that the soup is of.
    const first = left.find(({ taken }) => taken.kg > 0 || taken.row.softening === 0) ?? left[0];
    return first === undefined ? [] : [first];
  }
}
