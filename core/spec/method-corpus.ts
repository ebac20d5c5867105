import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Country } from '../src/amounts/index.js';
import { namesOf } from '../src/amounts/index.js';
import { takeLine, type TakenLine } from '../src/draft/index.js';
import { LARDER_ROWS, makeLarder } from '../src/larder/index.js';
import { readMethod, readPaste, type Action, type MethodReading } from '../src/method/index.js';

/** A recipe written for the corpus, with what it says worked out by hand before the reader was run on it. */
export interface CorpusRecipe {
  readonly file: string;
  readonly country: Country;
  readonly text: string;
  readonly lines: readonly { readonly ingredient: string; readonly kg: number | undefined }[];
  readonly facts: readonly Fact[];
}

/** One thing that the method says: what is done, to which lines, with which figures. */
export interface Fact {
  readonly does: string;
  readonly lines: readonly string[];
  readonly figures: Readonly<Record<string, string>>;
  /** Whether something at it was taken for granted, and shown so. */
  readonly isMarked?: boolean;
}

export interface Score {
  right: number;
  missed: number;
  invented: number;
  readonly wrong: string[];
  readonly linesRight: number;
  readonly lines: number;
  /** Wrong things that nothing on the page points at. */
  readonly unmarked: number;
  /** What a cook does from the paste to the right card: the paste, one for a question, two for a wrong thing, the save. */
  readonly touches: number;
}

const HERE = 'core/spec/method-corpus';

/** Names of doings in the corpus, in one word each. */
const SPOKEN: Readonly<Record<string, string>> = {
  takeout: 'takeOut',
  giveback: 'giveBack',
  frypuree: 'fryPuree',
};

function factOf(row: string): Fact {
  const [does = '', ...rest] = row.trim().split(/\s+/);
  const figures: Record<string, string> = {};
  const lines: string[] = [];
  for (const word of rest) {
    if (word === 'card') continue;
    const [key, value] = word.split('=');
    if (value !== undefined && key !== undefined) figures[key] = value;
    else lines.push(word);
  }
  return { does: SPOKEN[does.toLowerCase()] ?? does, lines, figures };
}

/** The recipes of one half of the corpus. */
export function corpusOf(half: 'seen' | 'apart'): CorpusRecipe[] {
  return readdirSync(join(HERE, half))
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .map((file) => {
      const [country = 'gb', text = '', lines = '', facts = ''] = readFileSync(join(HERE, half, file), 'utf8').split(/^===$/m);
      return {
        file: `${half}/${file}`,
        country: country.trim() as Country,
        text: text.trim(),
        lines: rows(lines).map((row) => {
          const [ingredient = '', kg] = row.split(/\s+/);
          return { ingredient, kg: kg === undefined || !/^[\d.]+$/.test(kg) ? undefined : Number(kg) };
        }),
        facts: rows(facts).map(factOf),
      };
    });
}

function rows(text: string): string[] {
  return text
    .split('\n')
    .map((row) => row.trim())
    .filter((row) => row !== '');
}

const larder = makeLarder(LARDER_ROWS);
const names = namesOf(LARDER_ROWS);

export interface CorpusReading {
  readonly reading: MethodReading;
  readonly taken: readonly TakenLine[];
  readonly unread: readonly string[];
  /** Lines that were asked about. */
  readonly asked: number;
  /** Bowls that it says it is for. */
  readonly stated: number | undefined;
}

/** A recipe read as it would be pasted, with the first answer to what is asked. */
export function readCorpus({ text, country }: Pick<CorpusRecipe, 'text' | 'country'>): CorpusReading {
  const context = { larder, names, country };
  const pasting = readPaste(text, context);
  if (!pasting.ok) throw new Error(pasting.code);
  const { pasted } = pasting;
  const bowls = pasted.bowls ?? 4;
  const unread: string[] = [];
  let asked = 0;
  const lines = pasted.lines.flatMap(({ reading, heading }) => {
    const first = reading.code === 'ASK' ? reading.options[0] : undefined;
    if (first !== undefined) asked += 1;
    const taken = takeLine(reading, { larder, heading, bowls }, first);
    if (taken === undefined) unread.push(`${reading.code}: ${reading.text}`);
    return taken === undefined ? [] : [{ taken, heading }];
  });
  const reading = readMethod(
    pasted.methodText,
    lines,
    { id: 'read', name: pasted.title ?? 'Soup', bowls, bowlG: 300 },
    { ...context, bowls, blenders: ['jug', 'stick'] },
  );
  return { reading, taken: lines.map(({ taken }) => taken), unread, asked, stated: pasted.bowls };
}

const SILENT = new Set(['prepare', 'setting', 'remark', 'serve', 'hold']);
const HEATS = new Set(['roast', 'sweat', 'fry', 'bloom', 'toast', 'smoke', 'simmer', 'fryPuree', 'blend']);

/** Lines that go in with a heat as one thing, so that "roast the parsnips" and "add the parsnips; roast" say the same. */
function split(facts: readonly Fact[]): Fact[] {
  return facts.flatMap((fact) =>
    HEATS.has(fact.does) && fact.lines.length > 0
      ? [
          { does: 'add', lines: fact.lines, figures: {} },
          { ...fact, lines: [] },
        ]
      : [fact],
  );
}

/** Adds one behind another are one. */
function gathered(facts: readonly Fact[]): Fact[] {
  const out: Fact[] = [];
  // "Add the broth and the cauliflower": which of the two goes in first is not said.
  const ordered = [...facts];
  for (let n = 1; n < ordered.length; n += 1) {
    const [before, fact] = [ordered[n - 1], ordered[n]];
    if (fact?.does === 'join' && before?.does === 'add') [ordered[n - 1], ordered[n]] = [fact, before];
  }
  for (const fact of ordered) {
    const last = out.at(-1);
    // Two trays tipped in one behind the other are one thing or two.
    if (/^(?:add|garnish|join)$/.test(fact.does) && last?.does === fact.does)
      out[out.length - 1] = {
        ...last,
        lines: [...new Set([...last.lines, ...fact.lines])],
        isMarked: last.isMarked === true || fact.isMarked === true,
      };
    else out.push(fact);
  }
  return out;
}

function said(action: Action, ingredientOf: (line: string) => string): Fact {
  const middle = action.minutes === undefined ? undefined : (action.minutes.low + action.minutes.high) / 2;
  const isAssumed = action.assumed.includes('MINUTES');
  return {
    does: action.does,
    lines: /^(?:join|boil|season|drain)$/.test(action.does) ? [] : action.lines.map(({ line }) => ingredientOf(line)),
    figures: {
      ...(middle === undefined || isAssumed ? {} : { min: String(Math.round(middle * 100) / 100) }),
      ...(action.ovenC === undefined || action.assumed.includes('OVEN') ? {} : { oven: String(action.ovenC) }),
      ...(action.lid === undefined ? {} : { lid: action.lid }),
      ...(action.blender === undefined ? {} : { blender: action.blender }),
      ...(action.share === undefined || action.assumed.includes('SHARE')
        ? {}
        : { share: String(Math.round(action.share * 100) / 100) }),
    },
    isMarked: action.assumed.length > 0,
  };
}

/** What the reader says that the method says. */
export function factsOf({ reading }: CorpusReading): Fact[] {
  const ingredients = new Map<string, string>();
  const collect = (lines: readonly { readonly id: string; readonly ingredient: string }[]): void => {
    for (const { id, ingredient } of lines) ingredients.set(id, ingredient);
  };
  collect(reading.tree.soup.lines);
  for (const card of reading.tree.soup.cards ?? []) collect(card.lines);
  const nameOf = (line: string): string => ingredients.get(line) ?? line.replace(/-(?:\d+|top)$/, '');
  return reading.actions.filter(({ does }) => !SILENT.has(does)).map((action) => said(action, nameOf));
}

/** A wrong clause is opened and set; a line that is not understood is opened and named, or left out. */
const TO_SET_RIGHT = 2;

/** How many of a recipe's lines and facts are right, missed, invented. The longest run of doings in the same order is matched. */
export function score(recipe: CorpusRecipe): Score {
  const read = readCorpus(recipe);
  const wanted = gathered(split(recipe.facts.filter(({ does }) => !SILENT.has(does))));
  const got = gathered(split(factsOf(read)));
  const pairs = aligned(wanted, got);
  const wrong: string[] = [];
  let right = 0;
  let missed = 0;
  let invented = 0;
  let unmarked = 0;
  let lost = 0;
  for (const [want, have] of pairs) {
    const before = wrong.length;
    if (want === undefined && have !== undefined) {
      invented += 1;
      wrong.push(`invented ${show(have)}`);
    } else if (want !== undefined && have === undefined) {
      missed += 1 + (want.lines.length > 0 ? 1 : 0) + Object.keys(want.figures).length;
      lost += 1;
      wrong.push(`missed ${show(want)}`);
    } else if (want !== undefined && have !== undefined) {
      right += 1;
      if (want.lines.length > 0) {
        if (same(want.lines, have.lines)) right += 1;
        else {
          missed += 1;
          wrong.push(`lines of ${show(want)}: got ${show(have)}`);
        }
      } else if (want.does === 'add' && have.lines.length > 0) invented += 1;
      for (const [key, value] of Object.entries(want.figures)) {
        if (near(have.figures[key], value)) right += 1;
        else {
          missed += 1;
          wrong.push(`${key} of ${show(want)}: got ${show(have)}`);
        }
      }
      for (const key of Object.keys(have.figures)) {
        // An oven that stays as it was set is said once.
        const isKept = key === 'oven' && recipe.facts.some(({ figures }) => near(have.figures.oven, figures.oven ?? ''));
        if (want.figures[key] === undefined && !isKept && /^(?:min|oven|share)$/.test(key)) {
          invented += 1;
          wrong.push(`invented ${key} of ${show(have)}`);
        }
      }
    }
    if (have !== undefined && have.isMarked !== true) unmarked += wrong.length - before;
  }
  // A clause that is shown as no step is marked: what is missed beyond those is not.
  const remarks = read.reading.actions.filter(({ does }) => does === 'remark').length;
  unmarked += Math.max(0, lost - remarks);
  const touches = 2 + read.asked + TO_SET_RIGHT * (read.unread.length + wrong.length);
  const taken = new Map(read.taken.map((one, n) => [n, one]));
  let linesRight = 0;
  for (const line of recipe.lines) {
    const own = [...taken].find(
      ([, one]) => one.row.id === line.ingredient && (line.kg === undefined || Math.abs(one.kg / line.kg - 1) < 0.02),
    );
    if (own !== undefined) {
      linesRight += 1;
      taken.delete(own[0]);
    } else wrong.push(`line ${line.ingredient} ${String(line.kg ?? '')}`);
  }
  return { right, missed, invented, wrong, linesRight, lines: recipe.lines.length, unmarked, touches };
}

function near(a: string | undefined, b: string): boolean {
  if (a === undefined) return false;
  return a === b || Math.abs(Number(a) - Number(b)) <= 0.02 * Math.abs(Number(b)) + 0.01;
}

function same(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((one) => b.includes(one));
}

function show({ does, lines, figures }: Fact): string {
  return [does, ...lines, ...Object.entries(figures).map(([key, value]) => `${key}=${value}`)].join(' ');
}

/** The two lists side by side: the same doings in the same order, lines and figures alike counting more. */
function aligned(a: readonly Fact[], b: readonly Fact[]): [Fact | undefined, Fact | undefined][] {
  const best: number[][] = Array.from({ length: a.length + 1 }, () => Array.from({ length: b.length + 1 }, () => 0));
  const at = (i: number, j: number): number => best[i]?.[j] ?? 0;
  const likeness = (i: number, j: number): number => {
    const [x, y] = [a[i], b[j]];
    if (x?.does !== y?.does || x === undefined || y === undefined) return -1;
    return (
      1 + (same(x.lines, y.lines) ? 1 : 0) + Object.entries(x.figures).filter(([key, value]) => near(y.figures[key], value)).length
    );
  };
  for (let i = a.length - 1; i >= 0; i -= 1) {
    for (let j = b.length - 1; j >= 0; j -= 1) {
      const both = likeness(i, j);
      const row = best[i];
      if (row !== undefined) row[j] = Math.max(at(i + 1, j), at(i, j + 1), both < 0 ? 0 : both + at(i + 1, j + 1));
    }
  }
  const pairs: [Fact | undefined, Fact | undefined][] = [];
  let i = 0;
  let j = 0;
  while (i < a.length || j < b.length) {
    const both = i < a.length && j < b.length ? likeness(i, j) : -1;
    if (both >= 0 && at(i, j) === both + at(i + 1, j + 1)) {
      pairs.push([a[i], b[j]]);
      i += 1;
      j += 1;
    } else if (i < a.length && (j >= b.length || at(i, j) === at(i + 1, j))) {
      pairs.push([a[i], undefined]);
      i += 1;
    } else {
      pairs.push([undefined, b[j]]);
      j += 1;
    }
  }
  return pairs;
}
