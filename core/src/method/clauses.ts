import type { Clause, Sentence } from './sentences.js';

export type { Clause } from './sentences.js';
import { gerundAt, isHowOnly, verbGoing, type Word } from './gerunds.js';
import { ADVERBS, GERUNDS, NOUN_VERBS, OPENERS, PARTICIPLES, STRONG_VERBS, VERBS, type Sense } from './lexicon.js';
import { inFull } from './in-full.js';
import { AFTER, BEFORE_END, GOES_ON, placeEnd } from './openings.js';
import { eachItsTime, partedBehind } from './parted.js';

function wordsOf(text: string): Word[] {
  return [...text.matchAll(/[a-zà-ÿ]+(?:['’-][a-zà-ÿ]+)*|\d+(?:[.,/]\d+)*|[½¼¾⅓⅔]|[,;:()–—&+]|(?<= )-(?= )/gi)].map((hit) => ({
    // "Carrots, stock - boil": a dash, as it is typed.
    text: hit[0] === '-' ? '–' : hit[0].toLowerCase(),
    at: hit.index,
  }));
}

/** Words that say after a noun-like verb that it is one: "salt the water", "top with". */
const AFTER_VERB =
  /^(?:the|a|an|each|your|it|them|with|in|into|on|over|to|through|up|down|off|out|away|for|until|lightly|well|half|all|some|any|everything|both|this|that|gently|by|[\d½¼¾⅓⅔].*)$/;

/** Seasonings by themselves: "salt to taste", "juice of a lemon". */
const SEASONINGS: ReadonlySet<string> = new Set(['salt', 'pepper', 'juice', 'zest', 'oil', 'butter']);

/** Ways to brown that stand alone behind "and": "add the mushrooms and brown, 8 minutes". */
const BROWNED: ReadonlySet<string> = new Set(['brown', 'colour', 'color', 'toast', 'crisp', 'char', 'wilt', 'steam']);

/** What a knife does and what it does it to, by one word. */
const PART_VERBS: ReadonlySet<string> = new Set(['core', 'stem', 'skin', 'zest', 'shell', 'pod', 'peel']);

const SERVING: ReadonlySet<Sense> = new Set(['serve', 'top']);

function isVerb(words: readonly Word[], n: number, startsSentence: boolean, before: string | undefined): boolean {
  const word = words[n]?.text ?? '';
  if (VERBS[word] === undefined) return false;
  // "Serve with yoghurt, pesto and toast."
  if (
    word === 'toast' &&
    SERVING.has(VERBS[before ?? ''] ?? 'check') &&
    !/^(?:the|it|them|some|until|in|for)$/.test(words[n + 1]?.text ?? '')
  )
    return false;
  const next = words[n + 1]?.text;
  const isLook = words.slice(Math.max(0, n - 6), n).some(({ text }) => /^(?:until|till|golden|is|are)$/.test(text));
  if (/^(?:cut|skin)$/.test(word) && /^sides?$/.test(next ?? '')) return false;
  // "Roast it, skin on, 180C, 1 hr."
  if (/^(?:skin|peel|shell)$/.test(word) && next === 'on') return false;
  // "Cook and stir onion and carrot 5 mins" is one thing.
  if (word === 'stir' && words[n - 1]?.text === 'and' && words[n - 2]?.text === 'cook') return false;
  if (word === 'fish') return next === 'out';
  // "Cook the shallots, garlic and core over a low heat": a part of the vegetable.
  if (PART_VERBS.has(word) && words[n - 1]?.text === 'and' && /^(?:over|for|on|until|till|with)$/.test(next ?? '')) return false;
  if (
    word === 'heat' &&
    /^(?:(?:[a-z]+-)?(?:medium|high|low)|gentle|moderate|strong|full|fierce|lowest|the|a)$/.test(words[n - 1]?.text ?? '')
  )
    return false;
  if (word === 'cut' && next === 'up' && words[n - 1]?.text === 'and' && PARTICIPLES[words[n - 2]?.text ?? ''] !== undefined)
    return false;
  // "Add the cumin and purée, 2 min" is the paste of tomatoes.
  if (/^pur[ée]e$/.test(word) && words[n - 1]?.text === 'and' && next === ',' && /^\d/.test(words[n + 2]?.text ?? '')) return false;
  // And so it is in a list of foods: "the garlic, purée and flour".
  if (/^pur[ée]e$/.test(word) && /^(?:,|and)$/.test(words[n - 1]?.text ?? '') && /^(?:,|and)$/.test(next ?? '')) {
    const after = words[n + 2]?.text ?? '';
    if (VERBS[after] === undefined && !OPENERS.has(after) && !ADVERBS.has(after)) return false;
  }
  // "Until tender and brown in spots."
  if (BROWNED.has(word) && isLook && words[n - 1]?.text === 'and') return false;
  if (BROWNED.has(word) && !isLook && words[n - 1]?.text === 'and' && (next === undefined || next === ',')) return true;
  if (SEASONINGS.has(word)) return next !== undefined && /^(?:the|your|it|them|both|each|lightly|well|generously)$/.test(next);
  if (!NOUN_VERBS.has(word) || STRONG_VERBS.has(word)) return next !== 'of';
  if (next === undefined) return startsSentence;
  if (next === 'of') return false;
  if (next === ',' || next === 'and' || next === 'or') {
    const after = words[n + 2]?.text ?? '';
    return VERBS[after] !== undefined && !SEASONINGS.has(after);
  }
  return AFTER_VERB.test(next) || (startsSentence && next !== 'in');
}

/** The clauses of a method: one for each thing that is done, in the order in which they are written. */
export function clausesOf(sentences: readonly Sentence[]): Clause[] {
  return sentences.flatMap((sentence, n) => clausesIn(sentence, n)).map(spelt);
}

/** Verbs that may follow "when it sizzles" without a comma. */
const LATE_VERBS: ReadonlySet<string> = new Set('add stir pour tip remove season serve blend'.split(' '));
const BE = /^(?:is|are|was|were|be|get|gets|being)$/;
const SUBORDINATE = /\b(?:until|till|when|once|if|while|as|before|after|that|which|so)\b/i;

function clausesIn(sentence: Sentence, n: number): Clause[] {
  const words = wordsOf(sentence.text);
  const opening = placeEnd(sentence.text);
  let passive = false;
  const starts: { at: number; verb: string; verbAt: number }[] = [];
  let depth = 0;
  let mayStart = true;
  const habit = /^(?:[a-z'’]+ ){1,3}?(?:used to|would|always|likes? to)\s/i.exec(sentence.text)?.[0].length ?? 0;
  let from = 0;
  let isFirst = true;
  for (let i = 0; i < words.length; i += 1) {
    const word = words[i];
    if (word === undefined) break;
    // "Heat off add the basil": no heating.
    if (word.text === 'heat' && word.at < opening) continue;
    if (word.text === '(') depth += 1;
    if (word.text === ')') depth = Math.max(0, depth - 1);
    if (
      /^[,;:–—&+]$/.test(word.text) ||
      word.text === 'and' ||
      word.text === 'then' ||
      word.text === 'but' ||
      word.text === 'before' ||
      word.text === '('
    ) {
      if (!mayStart || /^[,;:–—(]$/.test(word.text)) from = /^[,;:–—(]$/.test(word.text) ? word.at + 1 : word.at;
      mayStart = true;
      continue;
    }
    const free = sentence.text.slice(starts.at(-1)?.at ?? 0, word.at);
    if (/^(?:motor|machine|blender|blades?)$/.test(words[i - 1]?.text ?? '') && word.text === 'running') {
      mayStart = true;
      continue;
    }
    if (!mayStart && depth === 0 && BE.test(word.text) && (starts.length === 0 || passive) && !SUBORDINATE.test(free)) {
      let at = i + 1;
      while (ADVERBS.has(words[at]?.text ?? '') || OPENERS.has(words[at]?.text ?? '')) at += 1;
      const done = words[at];
      const verb = PARTICIPLES[done?.text ?? ''];
      if (done !== undefined && verb !== undefined) {
        starts.push({ at: starts.length === 0 ? 0 : from, verb, verbAt: 0 });
        passive = true;
        i = at;
        continue;
      }
    }
    const since = sentence.text.slice(from, word.at);
    if (
      !mayStart &&
      depth === 0 &&
      LATE_VERBS.has(word.text) &&
      /^[\s,]*(?:and |then |but )?(?:when|once|if|as soon as) \S+ /i.test(since) &&
      !/\b(?:to|the|a|and)\s+$/i.test(since)
    ) {
      starts.push({ at: starts.length === 0 ? 0 : from, verb: word.text, verbAt: word.at });
      continue;
    }
    // "She added the stock and simmered it": told as it was.
    const past = PARTICIPLES[word.text];
    const isTold =
      // "The milk you kept back" tells which milk.
      (/^(?:she|he|i|we|they|you|mum|mother)$/.test(words[i - 1]?.text ?? '') &&
        (i < 2 || /^(?:[,;:–—(]|and|then|when|once|so|but|first|next)$/.test(words[i - 2]?.text ?? ''))) ||
      (i === 0 &&
        past !== undefined &&
        VERBS[word.text] === undefined &&
        /^(?:in|with|until|till|for|it|them|by|over|to)$/.test(words[1]?.text ?? ''));
    if (depth === 0 && isTold && past !== undefined && past !== 'use' && word.text !== past) {
      starts.push({ at: starts.length === 0 ? 0 : from, verb: past, verbAt: word.at });
      passive = true;
      mayStart = false;
      continue;
    }
    if (opening > 0 && starts.length === 0 && word.at >= opening) mayStart = true;
    if (habit > 0 && starts.length === 0 && word.at === habit) mayStart = true;
    // "The bay is removed and the soup blended."
    const isElided =
      passive &&
      depth === 0 &&
      past !== undefined &&
      past !== 'cover' &&
      /^(?:,|and|then)\s+(?:then )?(?:the|all) [a-z ]{2,30}$/i.test(sentence.text.slice(from, word.at).trim()) &&
      (words[i + 1] === undefined || /^(?:,|and|until|for|in|with|then|through)$/.test(words[i + 1]?.text ?? ''));
    if (isElided) {
      starts.push({ at: from, verb: past, verbAt: word.at });
      mayStart = false;
      continue;
    }
    if (
      !mayStart &&
      depth === 0 &&
      starts.length === 0 &&
      word.text === 'blend' &&
      i > 0 &&
      i < 4 &&
      MACHINES.test(words[i - 1]?.text ?? '')
    ) {
      // "Jug blend 4 min."
      starts.push({ at: 0, verb: 'blend', verbAt: word.at });
      continue;
    }
    if (
      mayStart &&
      depth === 0 &&
      word.text === 'cut' &&
      starts.length > 0 &&
      words[i - 1]?.text === ',' &&
      /^cut (?:in|into|to) [^,;.]{3,40}, (?:and )?/i.test(sentence.text.slice(word.at))
    ) {
      // "Add the carrots, cut in even pieces, and the stock."
      mayStart = false;
      continue;
    }
    if (mayStart && depth === 0 && word.text === 'make' && MADE_TO.test(words[i + 1]?.text ?? '')) {
      // "Make cook for 30 minutes", "make melt the butter", as it is said in other tongues.
      starts.push({ at: starts.length === 0 ? 0 : from, verb: words[i + 1]?.text ?? '', verbAt: words[i + 1]?.at ?? word.at });
      mayStart = false;
      isFirst = false;
      i += 1;
      continue;
    }
    if (mayStart && depth === 0 && GOES_ON.test(sentence.text.slice(word.at))) {
      // "Then carry on cooking for 8 minutes."
      starts.push({ at: starts.length === 0 ? 0 : from, verb: 'continue', verbAt: word.at });
      mayStart = false;
      isFirst = false;
      continue;
    }
    if (!mayStart && depth === 0 && starts.length === 0 && NOTED.has(word.text) && /^\d/.test(words[i + 1]?.text ?? '')) {
      // "1/3 leeks roast 200C 20 min."
      starts.push({ at: 0, verb: word.text, verbAt: word.at });
      continue;
    }
    if (!mayStart) {
      // "the quince joining them": what comes before it is what joins.
      if (depth === 0 && /^join(?:ing|s)$/.test(word.text) && starts.length > 0)
        starts.push({ at: from, verb: 'join', verbAt: word.at });
      continue;
    }
    const soLong =
      depth !== 0
        ? null
        : word.text === 'after'
          ? AFTER.exec(sentence.text.slice(word.at))
          : starts.length === 0 || word.text === 'for' || word.text === 'with' || word.text === 'about'
            ? BEFORE_END.exec(sentence.text.slice(word.at))
            : null;
    if (soLong !== null) {
      // "After 5 minutes add the garlic."
      while ((words[i + 1]?.at ?? Infinity) < word.at + soLong[0].length) i += 1;
      continue;
    }
    if (/^(?:beginning|starting|about)$/.test(word.text) && words[i + 1]?.text === 'to' && starts.length > 0) {
      // "Until soft and just beginning to take on colour."
      mayStart = false;
      continue;
    }
    if (/^(?:after|having)$/.test(word.text) && i === 0 && GERUNDS[words[1]?.text ?? ''] !== undefined) continue;
    if (word.text === 'serving' && words[i - 1]?.text === 'before') continue;
    if (passive && word.text === 'never') {
      mayStart = false;
      continue;
    }
    if (word.text === 'to' && starts.length === 0 && VERBS[words[i + 1]?.text ?? ''] !== undefined && i === 0) {
      // "To serve, melt the butter" says what for.
      mayStart = false;
      continue;
    }
    if (OPENERS.has(word.text) || ADVERBS.has(word.text)) {
      continue;
    }
    const also = PARTICIPLES[word.text];
    const prior = words[i - 1]?.text ?? '';
    if (passive && depth === 0 && also !== undefined && also !== 'cover' && !/^(?:never|not)$/.test(prior)) {
      // "... is blended and passed through a sieve"
      starts.push({ at: from, verb: also, verbAt: word.at });
      mayStart = false;
      continue;
    }
    // "Get that squash roasting first."
    const going =
      word.text === 'get'
        ? verbGoing(
            words.slice(i + 2, i + 6).map(({ text }) => text),
            words[i + 1]?.text,
          )
        : undefined;
    if (going !== undefined && depth === 0) {
      starts.push({ at: starts.length === 0 ? 0 : from, verb: going, verbAt: word.at });
      mayStart = false;
      isFirst = false;
      continue;
    }
    const gerund = gerundAt(words, i);
    const startsSentence =
      isFirst &&
      words
        .slice(0, i)
        .every(({ text }) => OPENERS.has(text) || ADVERBS.has(text) || text === 'and' || text === 'then' || text === ',');
    if (depth === 0 && isVerb(words, i, startsSentence, starts.at(-1)?.verb)) {
      starts.push({ at: starts.length === 0 ? 0 : from, verb: word.text, verbAt: word.at });
      mayStart = false;
      isFirst = false;
    } else if (
      depth === 0 &&
      gerund !== undefined &&
      !(starts.length > 0 && isHowOnly(words, i)) &&
      // "Serve, passing extra cheese."
      !(word.text === 'passing' && SERVING.has(VERBS[starts.at(-1)?.verb ?? ''] ?? 'check'))
    ) {
      starts.push({ at: starts.length === 0 ? 0 : from, verb: gerund, verbAt: word.at });
      mayStart = false;
      isFirst = false;
    } else {
      mayStart = false;
    }
  }
  const place = (start: number, end: number, verb: string | undefined, verbAt: number): Clause => {
    const raw = sentence.text.slice(start, end);
    const lead = /^[\s,;:–—(]*/.exec(raw)?.[0].length ?? 0;
    const written = raw.slice(lead).replace(/[\s,;:.!–—)]+$/, '');
    const at = sentence.start + start + lead;
    return {
      start: at,
      end: at + written.length,
      text: written,
      verb,
      verbAt: Math.max(0, verbAt - start - lead),
      sentence: n,
      section: sentence.section,
      ...(ANNOUNCED.test(written) && /^\s*:\s*[a-z]/.test(sentence.text.slice(at - sentence.start + written.length))
        ? { announces: true as const }
        : {}),
    };
  };
  if (starts.length === 0) return verbless(sentence, place);
  const clauses = starts.map(({ at, verb, verbAt }, k) => place(at, starts[k + 1]?.at ?? sentence.text.length, verb, verbAt));
  const parted = clauses.flatMap((clause) => partedBehind(clause)).flatMap((clause) => eachItsTime(clause));
  if (parted.length > clauses.length) return parted.filter(({ text }) => text !== '');
  // "Onions in, cook till golden": what stands before the first verb and says itself where it goes is a clause of its own.
  const [first] = starts;
  const [head] = clauses;
  if (first !== undefined && head !== undefined) {
    const before = sentence.text.slice(0, first.verbAt);
    const lead =
      /^(.*?\b(?:in|goes? in|go in|out|on top))\s*,/i.exec(before) ??
      // "Then in goes the milk and give it a good blast."
      /^((?:and |then |now |next )*in go(?:es)? [a-z, ]+?)\s*(?:,|;|\band\b)\s*(?:and |then )*$/i.exec(before);
    if (lead !== null && !/^(?:in|with|once|when|while|after|as|if|put)\b/i.test(sentence.text)) {
      const cut = lead[0].length;
      return [
        place(0, cut, undefined, 0),
        place(cut, starts[1]?.at ?? sentence.text.length, first.verb, first.verbAt),
        ...clauses.slice(1),
      ];
    }
  }
  return clauses.filter(({ text }) => text !== '');
}

const MADE_TO = /^(?:melt|cook|boil|simmer|fry|toast|brown|soften|roast|reduce|cool)$/;
const MACHINES = /^(?:jug|stick|hand|bar|thermo|immersion|power|speed|machine|high-speed|hi-speed)$/;
/** Heats that a kitchen note names behind what is heated. */
const NOTED: ReadonlySet<string> = new Set(['roast', 'bake', 'sweat', 'fry', 'simmer', 'boil', 'grill', 'blanch']);

const ANNOUNCED =
  /^(?:(?:first|next|then|now|meanwhile|in the meantime|to start),? )?(?:roast|sweat|soften|fry|blend|simmer|cook|make|bake) (?:the|your) [a-z ]{3,30}$/i;

/** A clause in full words; its place stays that of what is written. */
function spelt(clause: Clause): Clause {
  return { ...clause, text: inFull(clause.text), verbAt: inFull(clause.text.slice(0, clause.verbAt)).length };
}

function verbless(
  sentence: Sentence,
  place: (start: number, end: number, verb: string | undefined, at: number) => Clause,
): Clause[] {
  const pieces: Clause[] = [];
  let from = 0;
  for (const hit of sentence.text.matchAll(
    /,\s+(?=(?:in goes?|then|now|and after|followed by|(?:and )?the (?:other (?:half|third)|remaining|rest))\b)|\s+(?=and in (?:with|goes)\b)/gi,
  )) {
    pieces.push(place(from, hit.index, undefined, from));
    from = hit.index + hit[0].length;
  }
  pieces.push(place(from, sentence.text.length, undefined, from));
  return pieces.filter(({ text }) => text !== '');
}
