import { compareEntries, type Action, type Entry, type StoredEntry } from './entry.js';

/** Entries sorted out: what counts, what was taken back, what came too late to count. */
export interface History {
  readonly counted: readonly StoredEntry[];
  readonly undone: ReadonlySet<string>;
  /** Entries that a later one has corrected, and by which. */
  readonly corrected: ReadonlyMap<string, string>;
  readonly late: ReadonlySet<string>;
  readonly closed: StoredEntry | undefined;
  /** What it was last closed by: a closing, or the taking back of an opening. */
  readonly closedBy: StoredEntry | undefined;
  /** Every entry once, in causal order. */
  readonly all: readonly StoredEntry[];
}

/**
 * What an entry only marks, so that it is the same said once or twice: an undo takes every earlier one of the same mark
 * back. Undefined for what adds up.
 */
function markOf(action: Action): string | undefined {
  switch (action.kind) {
    case 'done':
    case 'skipped':
      return `over ${action.stepId}`;
    case 'started':
      return `started ${action.stepId}`;
    case 'left out':
      return `left out ${action.line}`;
    case 'silenced':
      return `silenced ${action.timer}`;
    case 'closed':
      return 'closed';
    default:
      return undefined;
  }
}

/** Entries that open, close or take back are what they are; nothing else becomes one of them. */
const NEVER_CORRECTED: ReadonlySet<Action['kind']> = new Set(['undone', 'closed', 'corrected']);

function canCorrect(from: Action, to: Action): boolean {
  return !NEVER_CORRECTED.has(from.kind) && !NEVER_CORRECTED.has(to.kind);
}

/** Which entries are taken back. An undo may itself be undone; the later by cause decides, whatever came in first. */
function undoneIds(ordered: readonly StoredEntry[], counts: (undo: StoredEntry) => boolean): Set<string> {
  const undone = new Set<string>();
  const byId = new Map(ordered.map((entry) => [entry.id, entry]));
  const marks = new Map<string, StoredEntry[]>();
  for (const entry of ordered) {
    const mark = markOf(entry.action);
    if (mark === undefined) continue;
    const alike = marks.get(mark);
    if (alike === undefined) marks.set(mark, [entry]);
    else alike.push(entry);
  }
  for (const undo of ordered.toReversed()) {
    if (undo.action.kind !== 'undone' || undone.has(undo.id) || !counts(undo)) continue;
    undone.add(undo.action.target);
    const target = byId.get(undo.action.target);
    const mark = target === undefined ? undefined : markOf(target.action);
    for (const same of mark === undefined ? [] : (marks.get(mark) ?? [])) {
      if (compareEntries(same, undo) < 0) undone.add(same.id);
    }
  }
  return undone;
}

/** Negative when a reached the record before b; what has not reached it yet comes last, in causal order. */
function byArrival(a: StoredEntry, b: StoredEntry): number {
  const first = a.arrival ?? Number.POSITIVE_INFINITY;
  const second = b.arrival ?? Number.POSITIVE_INFINITY;
  return first === second ? compareEntries(a, b) : first - second;
}

/** Entries that open and close the batch: the closings, and undos whose chain of targets ends at one. */
export function turningIds(
  all: readonly StoredEntry[],
  byId: ReadonlyMap<string, StoredEntry> = new Map(all.map((entry) => [entry.id, entry])),
): Set<string> {
  const ids = new Set<string>();
  for (const entry of all) {
    const seen = new Set<string>();
    let at: StoredEntry | undefined = entry;
    while (at?.action.kind === 'undone' && !seen.has(at.id)) {
      seen.add(at.id);
      at = byId.get(at.action.target);
    }
    if (at?.action.kind === 'closed') ids.add(entry.id);
  }
  return ids;
}

/** Whether something is only said of a batch, at no step of it: it moves no figure, and may be said when all is over. */
export function isRemark(action: Action): boolean {
  return action.kind === 'note' && action.stepId === undefined;
}

/**
 * What came too late: it reached the record after the batch was last closed. Whatever it says, it changes nothing that
 * was closed; opening the batch again lets all in that is on record by then. Remarks, and taking them back, are never late.
 */
function latenessOf(
  all: readonly StoredEntry[],
  byId: ReadonlyMap<string, StoredEntry>,
  turns: ReadonlySet<string>,
): { readonly late: ReadonlySet<string>; readonly closedBy: StoredEntry | undefined } {
  const late = new Set<string>();
  const turned: StoredEntry[] = [];
  let closedBy: StoredEntry | undefined;
  if (turns.size === 0) return { late, closedBy };
  const isSaid = ({ action }: StoredEntry): boolean => {
    const of = action.kind === 'undone' ? byId.get(action.target)?.action : action;
    return of !== undefined && isRemark(of);
  };
  for (const entry of [...all].sort(byArrival)) {
    if (!turns.has(entry.id)) {
      if (closedBy !== undefined && !isSaid(entry)) late.add(entry.id);
      continue;
    }
    turned.push(entry);
    const ordered = [...turned].sort(compareEntries);
    const undone = undoneIds(ordered, () => true);
    const isClosed = ordered.some(({ id, action }) => action.kind === 'closed' && !undone.has(id));
    closedBy = isClosed ? (closedBy ?? entry) : undefined;
    if (!isClosed) late.clear();
  }
  return { late, closedBy };
}

/**
 * Sorts entries out, whatever order they are given in and however often: each id once, in causal order, undos applied,
 * what reached the record after the close set aside as late but kept. Only by `arrival` does the order of arrival count,
 * and only against a close.
 */
export function historyOf(entries: readonly (Entry | StoredEntry)[]): History {
  const byId = new Map<string, StoredEntry>();
  for (const entry of entries) {
    const have = byId.get(entry.id);
    if (have === undefined || (have.arrival === undefined && 'arrival' in entry)) byId.set(entry.id, entry);
  }
  const all = [...byId.values()].sort(compareEntries);
  const { late, closedBy } = latenessOf(all, byId, turningIds(all, byId));
  const undone = undoneIds(all, ({ id }) => !late.has(id));
  const standing = all.filter(({ id, action }) => !undone.has(id) && !late.has(id) && action.kind !== 'undone');
  // The last correction of an entry is the one that counts.
  const corrections = new Map(
    standing.flatMap((entry) => (entry.action.kind === 'corrected' ? [[entry.action.target, entry] as const] : [])),
  );
  return {
    all,
    undone,
    corrected: new Map([...corrections].map(([target, { id }]) => [target, id])),
    late,
    closedBy,
    closed: all.find(({ action, id }) => action.kind === 'closed' && !undone.has(id)),
    counted: standing.flatMap((entry) => {
      if (entry.action.kind === 'corrected') return [];
      const by = corrections.get(entry.id)?.action;
      return [by?.kind === 'corrected' && canCorrect(entry.action, by.to) ? { ...entry, action: by.to } : entry];
    }),
  };
}
