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

/**
 * Puts entries on disk, those that came in while the disk was busy all together: the wait for the disk is by far the most
 * of it, and fifty screens share one. Each request keeps its own outcome, in the order in which they came.
 */
export class Appends {
  private readonly waiting: Waiting[] = [];
  private writing = false;

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

  private async together(group: readonly Waiting[]): Promise<Appended[]> {
    const { db } = this.database;
    const open = await db
      .select({ id: batches.id, closedAtMs: batches.closedAtMs })
      .from(batches)
      .where(inArray(batches.id, [...new Set(group.map(({ batchId }) => batchId))]));
    const closed = new Map(open.map(({ id, closedAtMs }) => [id, closedAtMs !== null]));
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
    for (const [batchId, nowMs] of touched) await this.settle(batchId, nowMs);
    return outcomes;
  }
}
