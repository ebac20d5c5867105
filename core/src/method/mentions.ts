import { plain } from '../amounts/index.js';
import { byPlace } from './by-place.js';
import {
  EVERYTHING,
  groupsIn,
  LATER,
  PART_SHARES,
  PLAIN_WORDS,
  STALKED,
  STALKS,
  cutAtStop,
  REST,
  pepperAt,
  isNext,
  leftOut,
  notAFood,
  tokens,
  type Token,
} from './food-words.js';
import { shareBefore } from './measures.js';
import { NamesOfLines, type MethodLine } from './line-names.js';

export type { MethodLine } from './line-names.js';
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
/** Which lines the clauses of a method name, and how much of each. */
export class LineNames extends NamesOfLines {
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
        // "Place everything in the slow cooker": with the salt and pepper that have a measure.
        const isMeasured = isFresh && line.taken.kg > 0 && /salt$|^(?:black|white)-pepper$/.test(line.taken.row.id);
        const isLater = LATER.has(line.taken.role) && line.taken.role !== 'herb' && !isMeasured;
        if (!isRest && !isBladed && !isOwnSection && isLater) continue;
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
      const fitting = pool.filter(({ id, taken }) => fits(taken.row, taken.role) && !left.has(id));
      // Where some of a kind are for the top, the others are meant as long as there are any.
      const inside = fitting.filter(({ taken }) => taken.role !== 'garnish');
      const near = inside.some(({ id }) => !isUsed(id)) ? inside : fitting;
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

  /** "Tomatoes, pepper and onion": between two vegetables a pepper is one. */
  private isAmongVegetables(words: readonly Token[], n: number): boolean {
    const isVegetable = (at: number): boolean =>
      this.at(words, at).lines.some(({ taken }) => /^(?:vegetable|base)$/.test(taken.role));
    const before = [n - 1, n - 2, n - 3, n - 4].some((at) => at >= 0 && isVegetable(at));
    return before && [n + 1, n + 2, n + 3].some((at) => at < words.length && isVegetable(at));
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
      // "Brown the mushrooms" is all kinds of them.
      const isBare = /^(?:the|all|your|these|those|and|with|both)?$/.test(words[n - 1]?.text ?? '');
      if (/^mushrooms$/i.test(raw) && isBare && lines.every(({ taken }) => taken.row.group === 'mushrooms')) {
        const own = this.inSection(lines, section);
        const left = own.filter(({ id }) => !isUsed(id));
        return left.length > 0 ? left : own;
      }
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
