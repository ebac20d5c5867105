import { plain } from '../amounts/index.js';
import type { TakenLine } from '../draft/index.js';
import {
  kindsOf,
  LEAST_SHORT,
  MAY_STAND_ALONE,
  OF_HEADINGS,
  PIECES,
  QUALITIES,
  UNIT_WORDS,
  foodWords,
  initialsOf,
  seedsMeant,
  headOf,
  tokens,
  type Token,
} from './food-words.js';
import { GARNISH_SECTION, VERBS } from './lexicon.js';

/** A line of the recipe that a method may speak of. */
export interface MethodLine {
  readonly id: string;
  readonly taken: TakenLine;
  readonly heading: string;
}

interface Name {
  readonly line: MethodLine;
  readonly words: readonly string[];
  /** Whether it is what the thing is, not what it is of: the tomato, and not the paste of it. */
  readonly isHead: boolean;
}

/** Whether a line is written with this word. */
function isWrittenIn(text: string, word: string): boolean {
  return tokens(text).some((one) => one.text === word);
}

/** What a recipe's lines are called, made ready once, and which of them some words name. */
export class NamesOfLines {
  protected readonly names: Name[] = [];
  /** Headings of the method. */
  protected readonly sections: ReadonlySet<string>;
  protected readonly saysCanned: boolean;
  /** Then "the seeds" are those that were scooped out. */
  protected readonly saysOwnSeeds: boolean;
  /** Then the cobs are what is left of them, and go into a stock. */
  protected readonly saysKernels: boolean;

  /** @param method what the whole method says, to tell by it which of two like things a word is kept for. */
  constructor(
    protected readonly lines: readonly MethodLine[],
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

  protected inSection(lines: readonly MethodLine[], section: string): readonly MethodLine[] {
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
  protected isApart(heading: string): boolean {
    if (heading === '' || /^(?:for )?(?:the )?(?:main )?soup\b/i.test(heading)) return false;
    return GARNISH_SECTION.test(heading) || this.sections.has(plain(heading));
  }

  /** The lines that the words from here name, by the longest name. */
  protected at(words: readonly Token[], n: number): { readonly lines: readonly MethodLine[]; readonly length: number } {
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
    // "The coriander" of "ground coriander" and "cilantro" is the one that is written so.
    const near = grown.length > 0 ? grown : all;
    const spelt = length === 1 && near.length > 1 ? near.filter(({ taken }) => isWrittenIn(taken.text, words[n]?.text ?? '')) : [];
    const lines = spelt.length > 0 ? spelt : near;
    const word = words[n]?.text ?? '';
    // "Lemon wedges" are of no lemon that was juiced.
    const isWedged = /^(?:wedge|slice|quarter|halve)$/.test(words[n + 1]?.text ?? '') && /^(?:lemon|lime|orange)$/.test(word);
    if (
      isWedged &&
      this.lines.filter(({ taken }) => taken.row.id.startsWith(word)).every(({ taken }) => /-(?:juice|zest)$/.test(taken.row.id))
    )
      return { lines: [], length: 0 };
    // "Chicken broth" is no chicken.
    const isOfStock = word === 'chicken' && /^(?:stock|broth|bouillon|cube|liquor)$/.test(words[n + 1]?.text ?? '');
    // "The rosemary stalk" is of the rosemary.
    const said = words[n - 1]?.text;
    const isPartOfIt =
      /^(?:stalk|stem|leaf|leave)$/.test(word) && this.names.some(({ words: own }) => own.length === 1 && own[0] === said);
    if (length <= 1 && !isOfStock && !isPartOfIt) {
      // "The herbs" are a group, which knows those that are for the top.
      for (const fits of /^herbs$/i.test(words[n]?.raw ?? '') ? [] : kindsOf(word)) {
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

  /** "Turm.", "parsn.": a name of one word, cut short with a full stop. */
  protected cutShort({ text }: Token, least = LEAST_SHORT + 1): readonly MethodLine[] {
    if (text.length < least || UNIT_WORDS.has(text) || /^(?:approx|mins?|secs?|temp)$/.test(text)) return [];
    const fits = this.names.filter(
      ({ words: [first = '', ...more] }) => more.length === 0 && first !== text && first.startsWith(text),
    );
    const lines = [...new Set(fits.map(({ line }) => line))];
    return lines.length === 1 ? lines : [];
  }

  /** "Snips", "shrooms", "toms": the end or the beginning of one vegetable's name, in the plural; "CF": what a name's words begin with. */
  protected nicknamed({ text, raw, at }: Token, written: string): readonly MethodLine[] {
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
  protected shortened(words: readonly Token[], n: number): Name[] {
    const [a, b] = [words[n]?.text ?? '', words[n + 1]?.text ?? ''];
    if (a.length < LEAST_SHORT || b.length < LEAST_SHORT || (words[n + 1]?.at ?? 0) - (words[n]?.end ?? 0) > 1) return [];
    const fits = this.names.filter(
      ({ words: [first = '', second = '', ...more] }) =>
        more.length === 0 &&
        ((first === a && second !== b && second.startsWith(b)) || (second === b && first !== a && first.startsWith(a))),
    );
    return new Set(fits.map(({ line }) => line)).size === 1 ? fits : [];
  }
}
