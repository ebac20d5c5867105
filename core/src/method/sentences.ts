import { NOUN_VERBS, VERBS, type Sense } from './lexicon.js';

export interface Sentence {
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly section: string;
}

/** A piece of the method with one thing to do, and where it stands in the text that was read. */
export interface Clause {
  readonly start: number;
  readonly end: number;
  readonly text: string;
  /** The word that says what is done; undefined in "Onions in." and in a remark. */
  readonly verb: string | undefined;
  /** Where the verb stands in the clause. */
  readonly verbAt: number;
  /** "Roast your squash: coat it in oil": says ahead what the rest of its sentence tells. */
  readonly announces?: true;
  /** The sentence that it is part of. */
  readonly sentence: number;
  /** Heading over it: "For the croutons". */
  readonly section: string;
}

const HEADED = /^(?:#+\s*)?((?:for|to make|to prepare|to serve|to finish|to garnish)\b[\w ,&'’-]{0,50}|[A-Z][\w ,&'’-]{0,40}):$/i;
/** A heading before the sentence in one line: "For the croutons: toss ..." */
const HEAD_OF_LINE =
  /^((?:for|to make|to prepare) (?:the |a )?[\w &'’-]{2,40}|(?:the )?(?:toppings?|croutons?|crumbs|crisps)):\s+(?=\S)/i;
/** The same in capitals: "PESTO: blitz everything". */
const LOUD_HEAD = /^(?!CCP|HACCP|NOTE|TIP|STEP|NB|WARNING|ALLERGEN|CONTAINS|SHELF|STORAGE)([A-Z][A-Z &'’-]{2,30}):\s+(?=\S)/;
/** The same before a comma, where something to do follows: "For the soup, heat the oil", "Meanwhile, for the sage, ...". */
const HEAD_BEFORE_COMMA = /^((?:meanwhile|then|next),? )?(for the [\w &'’-]{2,30}), (?=([a-z]+)\b)/i;
const LISTED_HEAD = /^([A-Za-z][\w &'’-]{2,40}):\s+(?=\S)/;
/** Words that turn from something made beside the soup to the soup itself. */
const BACK_AT_THE_POT =
  /^(?:meanwhile|in the meantime|for the soup),? .*\b(?:large|big|heavy|deep|stock|soup|main)[\w -]*\b(?:pan|pot|saucepan|casserole)\b/i;
/** What a step is called before it is told: "Simmer: Add the stock and ..." */
const STEP_TITLE = /^([A-Z][a-zà-ÿ'’-]*)(?: [\wà-ÿ'’&,-]+){0,4}:\s+(?=[A-Z])/;
/** A paragraph that says first what it makes: "First make the crisps." */
const MAKES_FIRST =
  /^(?:first(?:ly)?,? |start (?:by|with) |begin (?:by|with) |to start,? |meanwhile,? |in the meantime,? |while [\w ]{3,40}, )?(?:mak(?:e|ing)|prepar(?:e|ing)) (?:the|your) ([a-z]+(?: [a-z]+){0,2}?)(?: first)?[.:](?=\s)/i;
/** The same within a paragraph: "Meanwhile, make the croutons: ...". */
const MAKES_BESIDE =
  /^(?:meanwhile|in the meantime|while [\w ]{3,40}),? (?:make|prepare) (?:(?:the|your) )?([a-z]+(?: [a-z]+){0,2}?): (?=\S)/i;
const NOT_AN_END =
  /(?:\b(?:approx|excl?|incl|seas|max|min|mins|secs?|hrs?|tsps?|tbsps?|tbs|oz|lbs?|pts?|qts?|gals?|pkgs?|med|lg|sm|doz|in|cm|mm|ml|temp|no|deg|e\.g|i\.e|vs|ca|[a-z])|\d)\.$/i;

/**
 * Sentences of a method with their places, under their headings. Numbering and bullets are left out.
 *
 * @param headings those of the list of foods: a row that begins with one of them is of that part.
 */
export function sentencesOf(text: string, headings: readonly string[] = []): Sentence[] {
  const known = new Set(headings.map((heading) => heading.toLowerCase()).filter((heading) => heading !== ''));
  const found: Sentence[] = [];
  let section = '';
  let at = 0;
  const isTitled = hasDottedTitles(text);
  for (const row of text.split(/(?<=\n)/).flatMap(numberedApart)) {
    const own = row.trim();
    const from = at + row.indexOf(own);
    at += row.length;
    if (own === '') continue;
    const head = HEADED.exec(own);
    if (head !== null && !/\d/.test(own)) {
      section = head[1] ?? '';
      continue;
    }
    const numbered =
      /^(?:(?:step\s*)?\d{1,2}\s*(?:[.):]|\/(?!\d))\s*|[a-h]\)\s+|\d{1,2}\s?[–—-]\s+(?=[A-Z])|[-*•·▢☐□■▪▫●○◦◆◇★☆➤►▶▸‣⁃∙]\s*|step \d{1,2}\s+)/i.exec(
        own,
      ) ?? bareNumber(own);
    let start = numbered?.[0].length ?? 0;
    const making = MAKES_FIRST.exec(own.slice(start));
    start += stepTitle(own.slice(start)).length;
    start += loudStep(own.slice(start)).length;
    if (isTitled) start += dottedTitle(own.slice(start)).length;
    const loud = LOUD_HEAD.exec(own.slice(start));
    const isStep = loud !== null && VERBS[(loud[1] ?? '').split(' ')[0]?.toLowerCase() ?? ''] !== undefined;
    const listed = LISTED_HEAD.exec(own.slice(start));
    const isListed = listed !== null && known.has((listed[1] ?? '').toLowerCase());
    const inLine = (isListed ? listed : null) ?? HEAD_OF_LINE.exec(own.slice(start)) ?? (isStep ? null : loud);
    let here = section;
    const spoken = HEAD_BEFORE_COMMA.exec(own.slice(start));
    if (spoken !== null && VERBS[(spoken[3] ?? '').toLowerCase()] !== undefined) {
      here = spoken[2] ?? '';
      // "Meanwhile" stays: it says that this goes on beside the rest.
      if (spoken[1] === undefined) start += spoken[0].length;
    }
    if (inLine !== null) {
      here = inLine[1] ?? '';
      start += inLine[0].length;
    }
    if (making !== null) here = `for the ${making[1] ?? ''}`;
    const before = found.length;
    for (const end of endsIn(own)) {
      if (end <= start) continue;
      const piece = own.slice(start, end);
      const lead = piece.length - piece.trimStart().length;
      const trimmed = piece.trim();
      const turn = start === (numbered?.[0].length ?? 0) ? null : HEAD_BEFORE_COMMA.exec(trimmed);
      if (turn !== null && (VERBS[(turn[3] ?? '').toLowerCase()] !== undefined || /^(?:dry|pat)$/.test(turn[3] ?? '')))
        here = turn[2] ?? '';
      // "Meanwhile heat the oil in a large pan", behind the words about the topping: the soup.
      else if (start > 0 && here !== section && BACK_AT_THE_POT.test(trimmed)) here = section;
      here = MAKES_BESIDE.exec(trimmed)?.[1] === undefined ? here : `for the ${MAKES_BESIDE.exec(trimmed)?.[1] ?? ''}`;
      if (trimmed !== '') {
        found.push({ start: from + start + lead, end: from + start + lead + trimmed.length, text: trimmed, section: here });
      }
      start = end;
    }
    if (making !== null) backToSoup(found, before, section);
  }
  return found;
}

/** "First make the croutons. ... Set aside. Sweat the leeks, add the stock": the croutons end where they are done, and the soup begins. */
function backToSoup(found: Sentence[], from: number, section: string): void {
  const own = found.slice(from);
  const soup = own.findIndex(({ text }) => /\b(?:stock|broth|bouillon)\b/i.test(text));
  if (soup < 1) return;
  const done = own
    .slice(0, soup)
    .findLastIndex(({ text }) => /\b(?:aside|golden|crisp\w*|brown(?:ed)?|drain|cool|toasted)\b/i.test(text));
  for (let n = done < 0 ? soup : done + 1; n < own.length; n += 1) {
    const one = own[n];
    const isOwn = one !== undefined && one.section === own[0]?.section;
    if (isOwn) found[from + n] = { ...one, section };
  }
}

/** "1. Sweat the onion. 2. Add the stock." in one row: a row each. */
function numberedApart(row: string): string[] {
  if (!/^\s*1[.):]\s/.test(row) || !/\s2[.):]\s+[A-Z]/.test(row)) return [row];
  return row.split(/(?<=\s)(?=\d{1,2}[.):]\s+[A-Z])/);
}

/** The name of a step before its sentences, where it is a thing to do and they say themselves what; nothing otherwise. */
function stepTitle(text: string): string {
  const title = STEP_TITLE.exec(text);
  if (title === null || VERBS[(title[1] ?? '').toLowerCase()] === undefined) return '';
  const said = wordsIn(text.slice(title[0].length));
  return said.some((word, n) => VERBS[word] !== undefined && (n === 0 || !NOUN_VERBS.has(word))) ? title[0] : '';
}

function wordsIn(text: string): readonly string[] {
  return text.toLowerCase().match(/[a-zà-ÿ-]+/g) ?? [];
}

/** "SIMMER: add the squash ...": what a step does in capitals, where its words say themselves what is done. */
function loudStep(text: string): string {
  const head = /^([A-ZÉ]{4,14}):\s+(?=\S)/.exec(text);
  if (head === null || VERBS[(head[1] ?? '').toLowerCase()] === undefined) return '';
  const said = wordsIn(text.slice(head[0].length));
  return VERBS[said[0] ?? ''] !== undefined ? head[0] : '';
}

/** "1. Sauté the aromatics. Melt the butter ...": a step's name that ends on a full stop. */
const DOTTED = /^([A-Z][^.:!?\d]{2,40})\.\s+(?=[A-Z])(.{30,})$/;
const NUMBERED_ROW = /^\s*(?:step )?\d{1,2}[.):]\s+(.*)$/i;
const MOST_TITLE_WORDS = 5;
const LEAST_TITLED = 3;
/** Of the steps so many have a name where steps are named. */
const TITLED_SHARE = 0.6;
/** Names of steps speak of kinds, where a step speaks of foods. */
const KINDS =
  /^(?:[a-zà-ÿ]+|(?:[a-zà-ÿ]+ )(?:(?:in|up) )?(?:the |your )?(?:base|aromatics|roux|liquids?|veg(?:gies|etables)?|soup|broth|garnish(?:es)?|toppings?|everything|flavou?rs?|ingredients))$/i;

/** Doings that are no more than their word: a name with one of them is a name where its sentences do it too. */
const DONE_IN_WORDS: ReadonlySet<Sense> = new Set([
  'blend',
  'simmer',
  'boil',
  'roast',
  'season',
  'strain',
  'chill',
  'skim',
  'cool',
]);

function hasDottedTitles(text: string): boolean {
  const rows = text.split('\n').flatMap((row) => NUMBERED_ROW.exec(row)?.[1] ?? []);
  const short = rows.filter((row) => (DOTTED.exec(row)?.[1] ?? 'a b c d e f').split(/\s+/).length <= MOST_TITLE_WORDS);
  return short.length >= LEAST_TITLED && short.length >= rows.length * TITLED_SHARE;
}

/** The name of a step where steps are named: one that says of no food anything that its sentences do not say again. */
function dottedTitle(text: string): string {
  const hit = DOTTED.exec(text);
  const [whole = '', title = '', rest = ''] = hit ?? [];
  if (hit === null || title.split(/\s+/).length > MOST_TITLE_WORDS) return '';
  const said = rest.toLowerCase();
  const foods = title
    .toLowerCase()
    .split(/[^a-zà-ÿ-]+/)
    .filter((word) => word.length > 3 && VERBS[word] === undefined && word !== 'with');
  const isAgain = foods.length > 0 && foods.every((word) => said.includes(word.replace(/s$/, '')));
  // "Blend the soup. Season it" is a step and no name: nothing behind it blends.
  const sense = VERBS[title.split(' ')[0]?.toLowerCase() ?? ''];
  const isDone = sense !== undefined && DONE_IN_WORDS.has(sense);
  const isSaid = !isDone || (said.match(/[a-zà-ÿ-]+/g) ?? []).some((word) => VERBS[word] === sense);
  return isSaid && (KINDS.test(title) || isAgain) ? whole.slice(0, whole.length - rest.length) : '';
}

/** "2 Put the peppers ...": a number of a step without a point behind it. */
export function bareNumber(row: string): RegExpExecArray | null {
  const hit = /^\d{1,2}\s+(?=([A-Z][a-z]+)\b)/.exec(row);
  return hit !== null && VERBS[(hit[1] ?? '').toLowerCase()] !== undefined ? hit : null;
}

/** An abbreviated time, behind which a sentence may end: "simmer 10 min. blend." */
/** "Bring to 85. off heat whisk in the cheese": a heat ends a note. */
const DEGREES_END = /\b(?:to|at) \d{2,3}\.$/i;
const A_TIME = /\b(?:mins?|secs?|hrs?)\.$/i;

/** Characters of the longest sentence that is read as one, and those that tell an abbreviation from an end. */
const LONGEST_SENTENCE = 600;
const LONGEST_ABBREVIATION = 12;

function endsIn(row: string): number[] {
  const ends: number[] = [];
  for (const hit of row.matchAll(
    /[.!?]{1,9}[)\]]?(?=\s{1,9}["“(]?[a-z\d]|\s{1,9}[+&]\s|\s*$)|;(?=\s)|\s(?:->|=>|→|>(?!\s*\d))(?=\s)/gi,
  )) {
    const end = hit.index + hit[0].length;
    const before = row.slice(Math.max(0, end - LONGEST_ABBREVIATION), end);
    const next = row.slice(end, end + LONGEST_ABBREVIATION).trimStart();
    // "(In batches. Mind the steam.) Bring it to a simmer."
    if (/[)\]]$/.test(hit[0]) && !/^[A-Z]/.test(next)) continue;
    // "2.5 litres" and "approx. 20" go on.
    const isNextDone = A_TIME.test(before) && VERBS[/^[a-z-]+/.exec(next)?.[0] ?? ''] !== undefined;
    if (NOT_AN_END.test(before) && next !== '' && !/^[A-Z]/.test(next) && !isNextDone && !DEGREES_END.test(before)) continue;
    ends.push(end);
  }
  if (ends.at(-1) !== row.length) ends.push(row.length);
  return ends.flatMap((end, n) => cutsOf(row, n === 0 ? 0 : (ends[n - 1] ?? 0), end));
}

/** Ends that part a text without a stop, at a comma or a space where it has one. */
function cutsOf(row: string, start: number, end: number): number[] {
  const cuts: number[] = [];
  let from = start;
  while (end - from > LONGEST_SENTENCE) {
    const piece = row.slice(from, from + LONGEST_SENTENCE);
    const at = Math.max(piece.lastIndexOf(', '), piece.lastIndexOf(' and '));
    from += at > 0 ? at + 1 : LONGEST_SENTENCE;
    cuts.push(from);
  }
  return [...cuts, end];
}
