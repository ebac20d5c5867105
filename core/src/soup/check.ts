import { weigh, type AmountError } from '../amounts/index.js';
import type { Kit } from '../kit/index.js';
import type { Ingredient, Larder } from '../larder/index.js';
import { CARD, type Line } from './line.js';
import type { Soup } from './soup.js';
import { strayLines } from './varied.js';
import { linesNamedBy, linesOf, walk } from './walk.js';

/** What is wrong with a soup, where in its file, and the figures to say it with. */
export type SoupProblem = { readonly path: string } & (
  | { readonly code: 'UNKNOWN_INGREDIENT'; readonly ingredient: string }
  | { readonly code: 'UNKNOWN_WAY'; readonly way: string; readonly known: readonly string[] }
  | { readonly code: 'UNKNOWN_LINE'; readonly line: string }
  | { readonly code: 'LINE_NOT_USED'; readonly line: string }
  | { readonly code: 'SHARES_PASS_ONE'; readonly line: string; readonly sum: number }
  | { readonly code: 'SAME_ID'; readonly id: string }
  | { readonly code: 'STEP_MUST_SETTLE'; readonly line: string }
  | { readonly code: 'TRIM_WITHOUT_BOARD'; readonly line: string }
  | { readonly code: 'NO_DISH' }
  | { readonly code: 'UNKNOWN_CARD'; readonly card: string; readonly known: readonly string[] }
  | { readonly code: 'CARD_CIRCLE'; readonly circle: readonly string[] }
  | { readonly code: 'CARD_MAKES_NOTHING'; readonly card: string }
  | { readonly code: 'NOTHING_TO_GIVE_BACK'; readonly line: string }
  | { readonly code: 'NO_TRAYS' }
  | { readonly code: 'NO_BLENDER'; readonly blender: string }
  | AmountError
);

const SLACK = 1e-9;

/** Everything that would keep a soup from being run, all at once; empty when nothing does. Against a kit only when one is given. */
export function checkSoup(soup: Soup, larder: Larder, kit?: Kit): SoupProblem[] {
  const problems: SoupProblem[] = [];
  const used = new Map<string, number>();
  const settled = new Set<string>();
  const trimmed = new Set<string>();
  const ids = new Set<string>();
  const aside = new Set<string>();
  const lines = new Map(soup.lines.map((line) => [line.id, line]));
  const steps = walk(soup.root);

  for (const { step, path } of steps) {
    if (ids.has(step.id)) problems.push({ path: `${path}.id`, code: 'SAME_ID', id: step.id });
    ids.add(step.id);
    for (const { line, share, settles } of linesOf(step)) {
      if (!lines.has(line)) problems.push({ path, code: 'UNKNOWN_LINE', line });
      used.set(line, (used.get(line) ?? 0) + share);
      if (settles) settled.add(line);
      if (step.op === 'trim' || step.op === 'dish') trimmed.add(line);
    }
    for (const line of linesNamedBy(step)) if (!lines.has(line)) problems.push({ path, code: 'UNKNOWN_LINE', line });
    if (step.op === 'takeOut' && step.keep === true) for (const line of step.lines) aside.add(line);
    if (step.op === 'giveBack') {
      for (const line of step.lines) if (!aside.has(line)) problems.push({ path, code: 'NOTHING_TO_GIVE_BACK', line });
    }
    if (step.op === 'blend' && kit !== undefined && !kit.blenders.some(({ kind }) => kind === step.blender)) {
      problems.push({ path, code: 'NO_BLENDER', blender: step.blender });
    }
    if (step.op === 'roast' && kit?.trays.length === 0) problems.push({ path, code: 'NO_TRAYS' });
  }
  for (const { variant, line } of strayLines(soup)) problems.push({ path: `variants.${variant}`, code: 'UNKNOWN_LINE', line });
  if (soup.root.steps.at(-1)?.op !== 'dish') problems.push({ path: 'root.steps', code: 'NO_DISH' });

  const seen = new Set<string>();
  for (const [n, line] of soup.lines.entries()) {
    const path = `lines.${String(n)}`;
    if (seen.has(line.id)) problems.push({ path: `${path}.id`, code: 'SAME_ID', id: line.id });
    seen.add(line.id);
    const share = used.get(line.id) ?? 0;
    if (share === 0) problems.push({ path, code: 'LINE_NOT_USED', line: line.id });
    if (share > 1 + SLACK && !settled.has(line.id)) problems.push({ path, code: 'SHARES_PASS_ONE', line: line.id, sum: share });
    if (line.amount.rule === 'byStep' && !settled.has(line.id)) problems.push({ path, code: 'STEP_MUST_SETTLE', line: line.id });
    const ingredient = larder.get(line.ingredient);
    if (ingredient === undefined) {
      // A card's outcome is looked up by its soup; what is wrong with cards is said by `checkCards`.
      if (!line.ingredient.startsWith(CARD)) {
        problems.push({ path: `${path}.ingredient`, code: 'UNKNOWN_INGREDIENT', ingredient: line.ingredient });
      }
      continue;
    }
    problems.push(...lineProblems(line, ingredient, path));
    if (line.way !== undefined && !trimmed.has(line.id))
      problems.push({ path: `${path}.way`, code: 'TRIM_WITHOUT_BOARD', line: line.id });
  }
  return problems;
}

/** What keeps one line from being weighed and trimmed as it says, once its ingredient is known. */
export function lineProblems(line: Line, ingredient: Ingredient, path: string): SoupProblem[] {
  const problems: SoupProblem[] = [];
  if (line.amount.rule === 'scaled' || line.amount.rule === 'spice') {
    const weighed = weigh(line.amount.amount, ingredient);
    if (!weighed.ok) problems.push({ path: `${path}.amount`, ...weighed.error });
  }
  const known = ingredient.row.trims.map(({ way }) => way);
  if (line.way !== undefined && !known.includes(line.way)) {
    problems.push({ path: `${path}.way`, code: 'UNKNOWN_WAY', way: line.way, known });
  }
  return problems;
}

/**
 * What is wrong with the cards that a soup's lines take from: one that is not there, or one that would need itself.
 * `within` are the cards around this one.
 */
export function checkCards(soup: Soup, cards: ReadonlyMap<string, Soup>, within: readonly string[] = [], path = ''): SoupProblem[] {
  const chain = [...within, soup.id];
  return soup.lines.flatMap((line, n): SoupProblem[] => {
    if (!line.ingredient.startsWith(CARD)) return [];
    const id = line.ingredient.slice(CARD.length);
    const here = `${path}lines.${String(n)}.ingredient`;
    const card = cards.get(id);
    if (card === undefined) return [{ path: here, code: 'UNKNOWN_CARD', card: id, known: [...cards.keys()] }];
    if (chain.includes(id)) return [{ path: here, code: 'CARD_CIRCLE', circle: [...chain.slice(chain.indexOf(id)), id] }];
    return checkCards(card, cards, chain, `cards.${id}.`);
  });
}

/** All cards that a soup brings, its own and those within them, by id; the outermost of one id counts. */
export function cardsOf(soup: Soup): ReadonlyMap<string, Soup> {
  const all = new Map<string, Soup>();
  const collect = (one: Soup): void => {
    for (const card of one.cards ?? []) if (!all.has(card.id)) all.set(card.id, card);
    for (const card of one.cards ?? []) collect(card);
  };
  collect(soup);
  return all;
}
