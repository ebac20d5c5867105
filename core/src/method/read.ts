import type { Soup } from '../soup/index.js';
import type { TakenLine } from '../draft/index.js';
import { freeId } from '../draft/index.js';
import type { Action } from './action.js';
import { clausesOf, type Clause } from './clauses.js';
import { sentencesOf } from './sentences.js';
import { cookInMind } from './clause.js';
import type { KitchenContext } from './words-in-use.js';
import type { MethodLine } from './mentions.js';
import { treeOf, type MethodTree, type TreeAsk } from './tree.js';

/** What was understood of a written method, clause by clause. */
export interface MethodReading {
  readonly clauses: readonly Clause[];
  readonly actions: readonly Action[];
  readonly tree: MethodTree;
}

/** Lines of a recipe under ids of their own, for a method to speak of. */
export function methodLines(lines: readonly { readonly taken: TakenLine; readonly heading: string }[]): MethodLine[] {
  const ids = new Set<string>();
  return lines.map(({ taken, heading }) => {
    const id = freeId(taken.row.id.slice(0, 50), ids);
    ids.add(id);
    return { id, taken, heading };
  });
}

/**
 * Reads a method: its clauses with their places in the text, what each asks for, and the soup that comes of it. Nothing is
 * dropped silently: a clause without an action is a remark and says so, a line in no sentence is placed and marked.
 */
export function readMethod(
  text: string,
  lines: readonly { readonly taken: TakenLine; readonly heading: string }[],
  ask: TreeAsk,
  context: KitchenContext,
): MethodReading {
  const sentences = sentencesOf(
    text,
    lines.map(({ heading }) => heading),
  );
  const clauses = clausesOf(sentences);
  const kitchen = cookInMind(methodLines(lines), clauses, context);
  const tree = treeOf(
    kitchen,
    clauses,
    sentences.map((sentence) => sentence.text),
    ask,
    context,
  );
  return { clauses, actions: kitchen.actions, tree };
}

export type { Soup };
