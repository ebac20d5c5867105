import { makeIngredient, type Ingredient, type IngredientRow } from '../larder/index.js';
import { UNCUT, type PreparedSoup, type PreparedLine } from '../runner/index.js';
import { linesOf, mapSteps, stepWithout, walk, type Line, type SoupStep } from '../soup/index.js';
import type { StoredEntry } from './entry.js';
import type { History } from './history.js';

/** Why a change that a cook entered could not be made as it stands, for the record. */
export interface ChangeNotice {
  readonly entryId: string;
  readonly line: string;
  readonly code:
    | 'UNKNOWN_LINE'
    /** It was left out after it had gone in. */
    | 'IN_ALREADY'
    /** Some had gone in when something else took its place: that stays what it was. */
    | 'PARTLY_IN'
    /** What was brought in was taken back, and some of it had been added by then. */
    | 'STILL_ADDED';
}

/** What a cook changed of the soup itself while it was cooked. */
export interface BatchChanges {
  readonly prepared: PreparedSoup;
  /** Lines that do not go in, and those whose ingredient is another or that came on the way. */
  readonly leftOut: readonly string[];
  readonly swapped: readonly string[];
  readonly brought: readonly string[];
  readonly notices: readonly ChangeNotice[];
  /** Steps that have nothing left to take, kept because something was entered at them. */
  readonly emptied: ReadonlySet<string>;
  /**
   * Under which key the runner knows a line as it was at an entry, or as it is now where none is given; undefined when no
   * such line is known.
   */
  readonly keyOf: (line: string, at?: StoredEntry) => string | undefined;
}

/** Lines that an entry gives or names as going in; empty for other entries. */
export function linesNamed({ action }: Pick<StoredEntry, 'action'>): readonly string[] {
  switch (action.kind) {
    case 'poured':
    case 'added':
      return [action.line];
    case 'held':
      return action.topUp === undefined ? [] : [action.topUp];
    default:
      return [];
  }
}

/** When a line's steps were over and when some of it went in, by place in the causal order. */
interface Use {
  readonly takers: readonly string[];
  readonly byHandAt: readonly number[];
}

function usesOf(prepared: PreparedSoup, { counted }: History): (line: string) => Use {
  const takers = new Map<string, string[]>();
  for (const { step } of walk(prepared.soup.root)) {
    for (const { line } of linesOf(step)) takers.set(line, [...(takers.get(line) ?? []), step.id]);
  }
  const byHand = new Map<string, number[]>();
  for (const [n, entry] of counted.entries()) {
    const given = entry.action.kind === 'brought' ? [entry.action.line] : linesNamed(entry);
    for (const line of given) {
      const own = byHand.get(line) ?? [];
      own.push(n);
      byHand.set(line, own);
    }
  }
  return (line) => ({ takers: takers.get(line) ?? [], byHandAt: byHand.get(line) ?? [] });
}

function union(one: Ingredient, other: Ingredient): Ingredient {
  return { ...one, allergens: one.allergens | other.allergens, origins: one.origins | other.origins };
}

/** The same edible kilos of something else: trimmed the same way where it can be, otherwise as it is. */
function inPlaceOf(own: PreparedLine, line: Line, ingredient: Ingredient): PreparedLine {
  const trim = line.way === undefined ? undefined : ingredient.row.trims.find(({ way }) => way === line.way);
  const keptShare = trim?.share ?? 1;
  const { massKg, keptShare: before } = own.line;
  const edible = own.follows === 'nothing' ? massKg : (massKg * before) / keptShare;
  return { ...own, line: { ...own.line, ingredient, massKg: edible, keptShare, saltKept: trim?.saltKept ?? 1 } };
}

/** What was never planned, as a line that no step takes. */
function broughtLine(
  id: string,
  row: IngredientRow,
  kg: number,
  scale: number,
): { readonly line: Line; readonly own: PreparedLine } {
  return {
    line: { id, ingredient: row.id, amount: { rule: 'scaled', amount: { value: kg / scale, unit: 'kg' } } },
    own: {
      follows: 'scale',
      line: {
        id,
        ingredient: makeIngredient(row),
        massKg: kg / scale,
        keptShare: 1,
        saltKept: 1,
        shape: UNCUT.shape,
        sizeM: UNCUT.sizeMm / 1000,
        finish: false,
      },
    },
  };
}

/**
 * The plan's soup with what the cook put in another's place, brought, or left out, each change by itself and in its order.
 * What had gone in before something took its place stays what it was; where nothing of a line was still to come, the change
 * says what it was all along. Allergens are those of everything that may be in. Never throws; what can't be done is told.
 */
export function changesOf(plan: PreparedSoup, history: History, scale: number): BatchChanges {
  const { counted } = history;
  const useOf = usesOf(plan, history);
  const overAt = new Map<string, number>();
  for (const [n, { action }] of counted.entries())
    if (action.kind === 'done' || action.kind === 'skipped') overAt.set(action.stepId, n);
  const doneAt = new Map<string, number>();
  for (const [n, { action }] of counted.entries()) if (action.kind === 'done') doneAt.set(action.stepId, n);

  const notices: ChangeNotice[] = [];
  const planned = new Set(plan.lines.map(({ line }) => line.id));
  const lines = new Map(plan.lines.map((own) => [own.line.id, own]));
  const soupLines = new Map(plan.soup.lines.map((line) => [line.id, line]));
  const earlier = new Map<string, PreparedLine>();
  /** Keys of a line up to a place in the causal order, oldest first; its own id holds from there on. */
  const until = new Map<string, { readonly before: number; readonly key: string }[]>();
  const leftOut = new Set<string>();
  const swapped = new Set<string>();
  const brought = new Set<string>();
  const place = new Map(counted.map(({ id }, n) => [id, n]));

  const keepEarlier = (id: string, own: PreparedLine, entry: StoredEntry, n: number): void => {
    const key = `${id} until ${entry.id}`;
    earlier.set(key, own);
    until.set(id, [...(until.get(id) ?? []), { before: n, key }]);
  };

  const bring = (entry: StoredEntry, n: number): void => {
    if (entry.action.kind !== 'brought') return;
    const { line: id, row, kg } = entry.action;
    const made = broughtLine(id, row, kg, scale);
    if (planned.has(id)) {
      earlier.set(`${id} by ${entry.id}`, made.own);
      return;
    }
    const have = lines.get(id);
    if (have !== undefined) keepEarlier(id, have, entry, n);
    lines.set(id, made.own);
    soupLines.set(id, made.line);
    brought.add(id);
  };

  const swap = (entry: StoredEntry, n: number): void => {
    if (entry.action.kind !== 'swapped') return;
    const { line: id, row } = entry.action;
    const own = lines.get(id);
    const written = soupLines.get(id);
    if (own === undefined || written === undefined) {
      notices.push({ entryId: entry.id, line: id, code: 'UNKNOWN_LINE' });
      return;
    }
    const { takers, byHandAt } = useOf(id);
    const nothingToCome = takers.every((stepId) => (overAt.get(stepId) ?? Infinity) < n);
    const wasIn = byHandAt.some((at) => at < n) || takers.some((stepId) => (doneAt.get(stepId) ?? Infinity) < n);
    const fresh = makeIngredient(row);
    const other = inPlaceOf(own, written, nothingToCome && wasIn ? union(fresh, own.line.ingredient) : fresh);
    if (wasIn && !nothingToCome) {
      keepEarlier(id, own, entry, n);
      notices.push({ entryId: entry.id, line: id, code: 'PARTLY_IN' });
    }
    lines.set(id, other);
    const { way } = written;
    soupLines.set(id, { ...written, ingredient: row.id, way: row.trims.some((trim) => trim.way === way) ? way : undefined });
    swapped.add(id);
  };

  const leave = (entry: StoredEntry, n: number): void => {
    if (entry.action.kind !== 'left out') return;
    const { line: id } = entry.action;
    if (!lines.has(id)) {
      notices.push({ entryId: entry.id, line: id, code: 'UNKNOWN_LINE' });
      return;
    }
    const { takers, byHandAt } = useOf(id);
    const isIn = byHandAt.some((at) => at < n) || takers.some((stepId) => (doneAt.get(stepId) ?? Infinity) < n);
    if (isIn) notices.push({ entryId: entry.id, line: id, code: 'IN_ALREADY' });
    else leftOut.add(id);
  };

  /** What was brought in and taken back, but of which some had been added: it is in the pot, so its line is known. */
  const bringBack = (entry: StoredEntry, id: string): void => {
    const from = history.all.findLast(
      ({ id: own, action }) => action.kind === 'brought' && action.line === id && history.undone.has(own) && !history.late.has(own),
    );
    if (from?.action.kind !== 'brought') {
      notices.push({ entryId: entry.id, line: id, code: 'UNKNOWN_LINE' });
      return;
    }
    const made = broughtLine(id, from.action.row, from.action.kg, scale);
    lines.set(id, made.own);
    soupLines.set(id, made.line);
    brought.add(id);
    notices.push({ entryId: entry.id, line: id, code: 'STILL_ADDED' });
  };

  const comes = new Set(counted.flatMap(({ action }) => (action.kind === 'brought' ? [action.line] : [])));
  for (const entry of counted) {
    for (const id of linesNamed(entry)) if (!lines.has(id) && !comes.has(id)) bringBack(entry, id);
  }
  for (const [n, entry] of counted.entries()) {
    bring(entry, n);
    swap(entry, n);
    leave(entry, n);
  }

  const changed = swapped.size > 0 || brought.size > 0 || leftOut.size > 0 || earlier.size > 0;
  const touched = new Set(
    counted.flatMap(({ action }) => ('stepId' in action && action.stepId !== undefined ? [action.stepId] : [])),
  );
  const emptied = new Set<string>();
  const reduced = (step: SoupStep): readonly SoupStep[] => {
    const left = stepWithout(step, leftOut);
    if (left !== undefined) return [left];
    if (!touched.has(step.id)) return [];
    emptied.add(step.id);
    return [step];
  };
  const root = leftOut.size === 0 ? plan.soup.root : mapSteps(plan.soup.root, reduced);
  // A step that is kept for what was entered at it still names its lines, and so may a hand that added some all the same.
  const gone = emptied.size === 0 ? new Set([...leftOut].filter((id) => useOf(id).byHandAt.length === 0)) : new Set<string>();
  return {
    prepared: !changed
      ? plan
      : {
          ...plan,
          lines: [...lines.values()].filter(({ line }) => !gone.has(line.id)),
          earlier,
          soup: { ...plan.soup, root, lines: [...soupLines.values()].filter(({ id }) => !gone.has(id)) },
        },
    leftOut: [...leftOut],
    swapped: [...swapped],
    brought: [...brought],
    notices,
    emptied,
    keyOf: (id, at) => {
      if (at?.action.kind === 'brought' && planned.has(id)) return `${id} by ${at.id}`;
      if (!lines.has(id) || gone.has(id)) return undefined;
      const n = at === undefined ? undefined : place.get(at.id);
      return (n === undefined ? undefined : until.get(id)?.find(({ before }) => n < before)?.key) ?? id;
    },
  };
}
