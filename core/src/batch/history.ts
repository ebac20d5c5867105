import { compareEntries, type Entry, type KeptEntry } from './entry.js';

/** Entries sorted out: what counts, what was taken back, what came too late to count. */
export interface History {
  readonly counted: readonly KeptEntry[];
  readonly undone: ReadonlySet<string>;
  readonly late: ReadonlySet<string>;
  readonly closed: KeptEntry | undefined;
  /** Every entry once, in causal order. */
  readonly all: readonly KeptEntry[];
}

/** Which entries are taken back. An undo may itself be undone; the later by cause decides, whatever came in first. */
function undoneIds(ordered: readonly KeptEntry[], counts: (undo: KeptEntry) => boolean): Set<string> {
  const undone = new Set<string>();
  for (const entry of ordered.toReversed()) {
    if (entry.deed.kind === 'undone' && !undone.has(entry.id) && counts(entry)) undone.add(entry.deed.target);
  }
  return undone;
}

/**
 * Sorts entries out, whatever order they came in and however often: each id once, in causal order, undos applied,
 * what follows the close (by cause, or by arrival as the server marked it) set aside as late but kept.
 */
export function historyOf(entries: readonly (Entry | KeptEntry)[]): History {
  const byId = new Map<string, KeptEntry>();
  for (const entry of entries) {
    const late = 'late' in entry && entry.late;
    const have = byId.get(entry.id);
    if (have === undefined || (late && !have.late)) byId.set(entry.id, { ...entry, late });
  }
  const all = [...byId.values()].sort(compareEntries);
  const openAll = undoneIds(all, () => true);
  const closed = all.find(({ deed, id }) => deed.kind === 'closed' && !openAll.has(id));
  const late = new Set<string>();
  if (closed === undefined) {
    return {
      all,
      undone: openAll,
      late,
      closed,
      counted: all.filter(({ id, deed }) => !openAll.has(id) && deed.kind !== 'undone'),
    };
  }
  const kindOf = (id: string): string | undefined => byId.get(id)?.deed.kind;
  for (const entry of all) {
    if (entry.id === closed.id) continue;
    // Only an undo that bears on the closing itself may still count.
    if (entry.deed.kind === 'undone' && ['closed', 'undone'].includes(kindOf(entry.deed.target) ?? '')) continue;
    if (entry.late || compareEntries(entry, closed) > 0) late.add(entry.id);
  }
  const undone = undoneIds(all, ({ id }) => !late.has(id));
  return {
    all,
    undone,
    late,
    closed,
    counted: all.filter(({ id, deed }) => !undone.has(id) && !late.has(id) && deed.kind !== 'undone'),
  };
}
