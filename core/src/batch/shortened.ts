import { kindOf, walk, type Soup } from '../soup/index.js';
import type { Action, StoredEntry } from './entry.js';
import { historyOf, turningIds } from './history.js';

/** The newest entries stand as they were made, so that a hand can take them back one by one. */
const NEWEST = 200;
/** A batch of fewer entries is told whole. */
const LEAST = 1000;

/** A batch's entries with fewer of them, of which the same is folded. */
export interface Shortened {
  readonly entries: readonly StoredEntry[];
  /** How many the batch has. */
  readonly total: number;
  /** All that came behind this counter of cause stands as it was made. */
  readonly wholeAfter: number;
}

type Given = Extract<Action, { kind: 'poured' | 'added' }>;

function isGiven(action: Action): action is Given {
  return action.kind === 'poured' || action.kind === 'added';
}

/** What two amounts have to share so that they are one: step, line and how they were measured. */
function likenessOf(action: Given): string {
  return JSON.stringify([action.kind, action.stepId, action.line, action.kind === 'poured' ? action.vessel : '']);
}

function both(a: Given, b: Given): Given {
  return a.kind === 'poured'
    ? { ...a, volumeM3: a.volumeM3 + (b.kind === 'poured' ? b.volumeM3 : 0) }
    : { ...a, kg: a.kg + (b.kind === 'added' ? b.kg : 0) };
}

/**
 * Entries of a long batch as fewer of the same fold, so that it opens as fast as a short one: amounts of one line that
 * followed each other at a step become one, what was poured and taken back goes, and so do notes. Never touched are the
 * newest, what a correction is about, what arrived behind a close or an opening, and steps at which minutes count. Who
 * wants to see or take back what is drawn together asks for the whole. Entries without an arrival are not on record yet.
 */
export function shortened(entries: readonly StoredEntry[], soup: Soup, { least = LEAST, newest = NEWEST } = {}): Shortened {
  const total = entries.length;
  if (total < least) return { entries, total, wholeAfter: -1 };
  const history = historyOf(entries);
  const oldest = history.all.slice(0, Math.max(0, history.all.length - newest));
  const wholeAfter = oldest.at(-1)?.stamp.counter ?? -1;
  const turns = turningIds(history.all);
  const firstTurn = history.all.reduce(
    (first, { id, arrival }) => (turns.has(id) ? Math.min(first, arrival ?? 0) : first),
    Number.POSITIVE_INFINITY,
  );
  const untimed = new Set(
    walk(soup.root).flatMap(({ step }) =>
      step.op === 'join' || kindOf(step).timed || kindOf(step).actualMinutes ? [] : [step.id],
    ),
  );
  const aimedAt = new Set(
    history.all.flatMap(({ action }) => (action.kind === 'undone' || action.kind === 'corrected' ? [action.target] : [])),
  );
  const old = new Map(oldest.filter(({ arrival = Infinity }) => arrival < firstTurn).map((entry) => [entry.id, entry]));
  const undos = new Map<string, StoredEntry[]>();
  for (const entry of history.all) {
    if (entry.action.kind !== 'undone') continue;
    const have = undos.get(entry.action.target);
    if (have === undefined) undos.set(entry.action.target, [entry]);
    else have.push(entry);
  }
  const corrected = new Set(history.all.flatMap(({ action }) => (action.kind === 'corrected' ? [action.target] : [])));
  // Poured, taken back, and nothing said of either since.
  const gone = new Set<string>();
  for (const [target, of] of undos) {
    const entry = old.get(target);
    const isPlain = of.every(({ id }) => old.has(id) && !aimedAt.has(id));
    if (entry === undefined || !isGiven(entry.action) || corrected.has(target) || !isPlain) continue;
    gone.add(target);
    for (const { id } of of) gone.add(id);
  }
  const out: StoredEntry[] = [];
  /** By step, where in `out` its last amounts stand that more of the same may still join. */
  const open = new Map<string, Map<string, number>>();
  for (const entry of history.all) {
    const { action, id } = entry;
    if (gone.has(id)) continue;
    const isOld = old.has(id) && !aimedAt.has(id);
    if (isOld && action.kind === 'note') continue;
    if (!isOld || !isGiven(action) || !untimed.has(action.stepId)) {
      // Whatever else happened stands between what came before it and what came after.
      if (action.kind !== 'note') open.clear();
      out.push(entry);
      continue;
    }
    const here = open.get(action.stepId) ?? new Map<string, number>();
    open.set(action.stepId, here);
    const likeness = likenessOf(action);
    const at = here.get(likeness);
    const before = at === undefined ? undefined : out[at];
    if (at === undefined || before === undefined || !isGiven(before.action)) {
      here.set(likeness, out.length);
      out.push(entry);
      continue;
    }
    // It stands where the first of them stood, so that what came between keeps its place.
    out[at] = {
      ...before,
      action: both(before.action, action),
      arrival: Math.max(before.arrival ?? 0, entry.arrival ?? 0),
      together: (before.together ?? 1) + 1,
    };
  }
  return { entries: out, total, wholeAfter };
}

/** Whether an entry that arrives asks for something that a shortened batch does not hold, so that it is asked for anew. */
export function reachesBack(entry: StoredEntry, short: Pick<Shortened, 'wholeAfter'>, isWhole: (id: string) => boolean): boolean {
  const { action, stamp } = entry;
  if (stamp.counter <= short.wholeAfter) return true;
  return (action.kind === 'undone' || action.kind === 'corrected') && !isWhole(action.target);
}
