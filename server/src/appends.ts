import type { Entry, KeptEntry } from '@tureen/core/batch';
import { inArray } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Outcome } from './failure.js';
import { batches, entries } from './schema.js';

/** What became of one request to append: the entries that were new, as kept, and how many were known already. */
export type Appended = Outcome<{ readonly kept: readonly KeptEntry[]; readonly known: number }>;

interface Waiting {
  readonly batchId: string;
  readonly list: readonly Entry[];
  readonly nowMs: number;
  readonly resolve: (outcome: Appended) => void;
  readonly reject: (error: unknown) => void;
}

/** Entries that go to the disk together at most: SQLite binds so many values in one statement, and nobody waits long. */
const MOST_AT_ONCE = 2000;

/** Whether a write was refused because an id is there already. */
function isTaken(error: unknown): boolean {
  for (let at = error; at instanceof Error; at = at.cause) if (at.message.includes('UNIQUE constraint failed')) return true;
  return false;
}

/**
 * Puts entries on disk, those that came in while the disk was busy all together: the wait for the disk is by far the most
 * of it, and fifty screens share one. Each request keeps its own outcome, in the order in which they came.
 */
export class Appends {
  private readonly waiting: Waiting[] = [];
  private writing = false;
  /** Of batches known to be on disk, whether they are closed. Nothing but `settle` changes that, and no batch goes away. */
  private readonly closed = new Map<string, boolean>();

  constructor(
    private readonly database: Database,
    /** Told of batches that an entry may have closed or opened again, still within the write. */
    private readonly settle: (batchId: string, nowMs: number) => Promise<void>,
  ) {}

  append(batchId: string, list: readonly Entry[], nowMs: number): Promise<Appended> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ batchId, list, nowMs, resolve, reject });
      if (!this.writing) void this.writeAll();
    });
  }

  private async writeAll(): Promise<void> {
    this.writing = true;
    while (this.waiting.length > 0) {
      const group: Waiting[] = [];
      let size = 0;
      for (;;) {
        const [next] = this.waiting;
        if (next === undefined || (group.length > 0 && size + next.list.length > MOST_AT_ONCE)) break;
        size += next.list.length;
        group.push(next);
        this.waiting.shift();
      }
      try {
        const outcomes = await this.database.write(() => this.together(group));
        for (const [n, outcome] of outcomes.entries()) group[n]?.resolve(outcome);
      } catch (error) {
        for (const { reject } of group) reject(error);
      }
    }
    this.writing = false;
  }

  /** Whether each batch is closed; those that do not exist are not in it. Asked of the disk once, then kept. */
  private async closedOf(ids: ReadonlySet<string>): Promise<Map<string, boolean>> {
    const unknown = [...ids].filter((id) => !this.closed.has(id));
    if (unknown.length > 0) {
      const found = await this.database.db
        .select({ id: batches.id, closedAtMs: batches.closedAtMs })
        .from(batches)
        .where(inArray(batches.id, unknown));
      for (const { id, closedAtMs } of found) this.closed.set(id, closedAtMs !== null);
    }
    return new Map([...ids].flatMap((id) => (this.closed.has(id) ? [[id, this.closed.get(id) === true] as const] : [])));
  }

  private async together(group: readonly Waiting[]): Promise<Appended[]> {
    const closed = await this.closedOf(new Set(group.map(({ batchId }) => batchId)));
    const all = group.flatMap(({ list }) => list);
    const plain =
      group.every(({ batchId }) => closed.has(batchId)) &&
      all.every(({ deed }) => deed.kind !== 'closed' && deed.kind !== 'undone') &&
      new Set(all.map(({ id }) => id)).size === all.length;
    return (plain ? await this.allNew(group, closed) : undefined) ?? this.oneByOne(group, closed);
  }

  /** One statement, on the bet that every entry is new, as nearly always; undefined when one was not, and then nothing was written. */
  private async allNew(group: readonly Waiting[], closed: ReadonlyMap<string, boolean>): Promise<Appended[] | undefined> {
    const late = (batchId: string): boolean => closed.get(batchId) === true;
    const rows = group.flatMap(({ batchId, list, nowMs }) =>
      list.map((entry) => ({ id: entry.id, batchId, entry, late: late(batchId), receivedAtMs: nowMs })),
    );
    try {
      await this.database.db.insert(entries).values(rows);
    } catch (error) {
      if (isTaken(error)) return undefined;
      throw error;
    }
    return group.map(({ batchId, list }) => done({ kept: list.map((entry) => ({ ...entry, late: late(batchId) })), known: 0 }));
  }

  private async oneByOne(group: readonly Waiting[], closed: Map<string, boolean>): Promise<Appended[]> {
    const { db } = this.database;
    const ids = group.flatMap(({ list }) => list.map(({ id }) => id));
    const have = await db.select({ id: entries.id, batchId: entries.batchId }).from(entries).where(inArray(entries.id, ids));
    const home = new Map(have.map(({ id, batchId }) => [id, batchId]));
    const rows: (typeof entries.$inferInsert)[] = [];
    const touched = new Map<string, number>();
    const outcomes = group.map(({ batchId, list, nowMs }): Appended => {
      if (!closed.has(batchId)) return failed({ code: 'NO_SUCH_BATCH', field: 'id' });
      const stranger = list.find(({ id }) => home.has(id) && home.get(id) !== batchId);
      if (stranger !== undefined) return failed({ code: 'ID_TAKEN', field: 'entries', id: stranger.id });
      const kept: KeptEntry[] = [];
      for (const entry of list) {
        if (home.has(entry.id)) continue;
        home.set(entry.id, batchId);
        const late = closed.get(batchId) === true;
        kept.push({ ...entry, late });
        rows.push({ id: entry.id, batchId, entry, late, receivedAtMs: nowMs });
        if (entry.deed.kind === 'closed') closed.set(batchId, true);
        if (entry.deed.kind === 'closed' || entry.deed.kind === 'undone') touched.set(batchId, nowMs);
      }
      return done({ kept, known: list.length - kept.length });
    });
    if (rows.length > 0) await db.insert(entries).values(rows);
    for (const [batchId, nowMs] of touched) {
      // Asked again next time: only the fold knows whether it is closed now.
      this.closed.delete(batchId);
      await this.settle(batchId, nowMs);
    }
    return outcomes;
  }
}
