import {
  foldBatch,
  historyOf,
  isRemark,
  linesNamed,
  type Action,
  type Entry,
  type History,
  type StoredEntry,
} from '@tureen/core/batch';
import { eq, inArray, max, sql } from 'drizzle-orm';
import type { Database } from './database.js';
import { forgetLearned } from './evidence.js';
import { done, failed, type Failure, type Result } from './failure.js';
import {
  entriesOf,
  followedStatements,
  isFollowed,
  planOfBatch,
  settlingStatements,
  together,
  type Statement,
} from './projections.js';
import { batchSummaries, batches, entries } from './schema.js';

/** What became of one request to append: the entries that were new, as kept, which of them came too late, and how many were known already. */
export type Appended = Result<{ readonly kept: readonly StoredEntry[]; readonly late: readonly string[]; readonly known: number }>;

interface Waiting {
  readonly batchId: string;
  readonly list: readonly Entry[];
  readonly nowMs: number;
  readonly resolve: (result: Appended) => void;
  readonly reject: (error: unknown) => void;
}

/** Entries that go to the disk together at most: SQLite binds so many values in one statement, and nobody waits long. */
const MOST_AT_ONCE = 2000;

/** What is known of a batch without asking the disk: nothing but appending changes it, and no batch goes away. */
interface Known {
  readonly isClosed: boolean;
  /** Lines of its plan and those that were brought in. */
  readonly lines: ReadonlySet<string>;
}

/** Whether a write was refused because an id is there already. */
function isTaken(error: unknown): boolean {
  for (let at = error; at instanceof Error; at = at.cause) if (at.message.includes('UNIQUE constraint failed')) return true;
  return false;
}

function turns({ action }: Entry): boolean {
  return action.kind === 'closed' || action.kind === 'undone';
}

/** Lines that an entry leans on; those that it brings in are not among them. */
function linesOf(action: Action): readonly string[] {
  if (action.kind === 'corrected') return linesOf(action.to);
  if (action.kind === 'swapped' || action.kind === 'left out' || action.kind === 'cup' || action.kind === 'gave back')
    return [action.line];
  return linesNamed({ action });
}

function broughtBy(action: Action): readonly string[] {
  if (action.kind === 'corrected') return broughtBy(action.to);
  return action.kind === 'brought' ? [action.line] : [];
}

/**
 * Puts entries on disk, those that came in while the disk was busy all together: the wait for the disk is by far the most
 * of it, and fifty screens share one. Each request keeps its own result, in the order in which they came. What lists show
 * of an entry, and the figures that a close settles, are written with it or not at all.
 */
export class Appends {
  private readonly waiting: Waiting[] = [];
  private writing = false;
  private readonly known = new Map<string, Known>();
  private lastArrival: number | undefined;

  constructor(private readonly database: Database) {}

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
        for (const [n, result] of outcomes.entries()) group[n]?.resolve(result);
      } catch (error) {
        // What is remembered may be ahead of what is on disk now: it is asked for again.
        this.known.clear();
        this.lastArrival = undefined;
        for (const { reject } of group) reject(error);
      }
    }
    this.writing = false;
  }

  /** What is known of each batch; those that do not exist are not in it. Asked of the disk once, then kept. */
  private async knownOf(ids: ReadonlySet<string>): Promise<void> {
    const unknown = [...ids].filter((id) => !this.known.has(id));
    if (unknown.length === 0) return;
    const found = await this.database.db
      .select({ id: batches.id, closedAtMs: batches.closedAtMs })
      .from(batches)
      .where(inArray(batches.id, unknown));
    for (const { id, closedAtMs } of found) {
      const plan = await planOfBatch(this.database, id);
      const brought = await this.database.db
        .select({ entry: entries.entry })
        .from(entries)
        .where(sql`${entries.subject} = 'batch' and ${entries.subjectId} = ${id} and ${entries.kind} in ('brought', 'corrected')`);
      const lines = new Set([
        ...(plan?.soup.lines ?? []).map((line) => line.id),
        ...brought.flatMap(({ entry }) => broughtBy(entry.action)),
      ]);
      this.known.set(id, { isClosed: closedAtMs !== null, lines });
    }
  }

  private async nextArrival(): Promise<number> {
    if (this.lastArrival === undefined) {
      const [row] = await this.database.db.select({ last: max(entries.arrival) }).from(entries);
      this.lastArrival = row?.last ?? 0;
    }
    this.lastArrival += 1;
    return this.lastArrival;
  }

  /** Why a request can't be kept as a whole; lines that it brings in itself are known to what follows. */
  private refused({ batchId, list }: Waiting): Failure | undefined {
    const known = this.known.get(batchId);
    if (known === undefined) return { code: 'NO_SUCH_BATCH', field: 'id' };
    const brought = new Set(list.flatMap(({ action }) => broughtBy(action)));
    for (const { id, action } of list) {
      const line = linesOf(action).find((one) => !known.lines.has(one) && !brought.has(one));
      if (line !== undefined) return { code: 'NO_SUCH_LINE', field: 'entries', id, line };
    }
    if (brought.size > 0) this.known.set(batchId, { ...known, lines: new Set([...known.lines, ...brought]) });
    return undefined;
  }

  private async together(group: readonly Waiting[]): Promise<Appended[]> {
    await this.knownOf(new Set(group.map(({ batchId }) => batchId)));
    const refusals = group.map((one) => this.refused(one));
    const all = group.flatMap(({ list }) => list);
    const isPlain = refusals.every((refusal) => refusal === undefined) && new Set(all.map(({ id }) => id)).size === all.length;
    if (isPlain) {
      const bet = await this.written(group, refusals, new Map());
      if (bet !== undefined) return bet;
    }
    const have = await this.database.db
      .select({ id: entries.id, subjectId: entries.subjectId })
      .from(entries)
      .where(
        inArray(
          entries.id,
          all.map(({ id }) => id),
        ),
      );
    const outcomes = await this.written(group, refusals, new Map(have.map(({ id, subjectId }) => [id, subjectId])));
    if (outcomes === undefined) throw new Error('Entries that were looked up first are written.');
    return outcomes;
  }

  /**
   * Writes what is new of a group, with all that follows from it. `home` says of ids that are on disk where; one that is
   * there and was not looked up is a lost bet: undefined, and nothing was written.
   */
  private async written(
    group: readonly Waiting[],
    refusals: readonly (Failure | undefined)[],
    home: Map<string, string>,
  ): Promise<Appended[] | undefined> {
    const rows: (typeof entries.$inferInsert)[] = [];
    const fresh = new Map<string, { readonly list: StoredEntry[]; nowMs: number }>();
    const arrivedBefore = this.lastArrival;
    const sorted: { readonly refusal?: Failure; readonly kept: readonly StoredEntry[]; readonly known: number }[] = [];
    for (const [n, { batchId, list, nowMs }] of group.entries()) {
      const stranger = list.find(({ id }) => home.has(id) && home.get(id) !== batchId);
      const refusal =
        refusals[n] ?? (stranger === undefined ? undefined : ({ code: 'ID_TAKEN', field: 'entries', id: stranger.id } as const));
      if (refusal !== undefined) {
        sorted.push({ refusal, kept: [], known: 0 });
        continue;
      }
      const kept: StoredEntry[] = [];
      for (const entry of list) {
        if (home.has(entry.id)) continue;
        home.set(entry.id, batchId);
        const arrival = await this.nextArrival();
        kept.push({ ...entry, arrival });
        rows.push({ arrival, id: entry.id, subject: 'batch', subjectId: batchId, entry, receivedAtMs: nowMs });
      }
      const own = fresh.get(batchId) ?? { list: [], nowMs };
      own.list.push(...kept);
      own.nowMs = nowMs;
      fresh.set(batchId, own);
      sorted.push({ kept, known: list.length - kept.length });
    }
    const late = new Set<string>();
    const statements: Statement[] = rows.length === 0 ? [] : [this.database.db.insert(entries).values(rows)];
    const closedNow = new Map<string, boolean>();
    for (const [batchId, { list, nowMs }] of fresh) {
      if (list.length > 0) statements.push(...(await this.following(batchId, list, nowMs, late, closedNow)));
    }
    try {
      await together(this.database, statements);
    } catch (error) {
      this.lastArrival = arrivedBefore;
      if (isTaken(error)) return undefined;
      throw error;
    }
    // Only now: who asks while it is written must not keep what was there before as if it were new.
    if (closedNow.size > 0) forgetLearned(this.database);
    for (const [batchId, isClosed] of closedNow) {
      const known = this.known.get(batchId);
      if (known !== undefined) this.known.set(batchId, { ...known, isClosed });
    }
    return sorted.map(({ refusal, kept, known }) =>
      refusal === undefined
        ? done({ kept, late: kept.filter(({ id }) => late.has(id)).map(({ id }) => id), known })
        : failed(refusal),
    );
  }

  /** What is written with new entries of a batch: its lists, and its figures where it was closed or opened. */
  private async following(
    batchId: string,
    list: readonly StoredEntry[],
    nowMs: number,
    late: Set<string>,
    closedNow: Map<string, boolean>,
  ): Promise<Statement[]> {
    const { db } = this.database;
    const isClosed = this.known.get(batchId)?.isClosed === true;
    if (!list.some(turns)) {
      // While a batch is closed nothing but what opens it changes what lists show of it.
      if (isClosed) {
        const tooLate = list.filter(({ action }) => !isRemark(action));
        for (const { id } of tooLate) late.add(id);
        if (tooLate.length === 0) return [];
        return [
          db
            .update(batchSummaries)
            .set({ lateEntries: sql`${batchSummaries.lateEntries} + ${tooLate.length}` })
            .where(eq(batchSummaries.batchId, batchId)),
        ];
      }
      if (!list.some(isFollowed)) return [];
      const followed = await entriesOf(this.database, batchId, true);
      return followedStatements(this.database, batchId, historyOf([...followed, ...list.filter(isFollowed)]));
    }
    const before = await entriesOf(this.database, batchId);
    const after = [...before, ...list];
    const now = historyOf(after);
    for (const { id } of list) if (now.late.has(id)) late.add(id);
    const statements = [
      db.update(batchSummaries).set({ lateEntries: now.late.size }).where(eq(batchSummaries.batchId, batchId)),
      ...followedStatements(this.database, batchId, now),
    ];
    if (lastTurn(historyOf(before)) === lastTurn(now) && isClosed === (now.closed !== undefined)) return statements;
    closedNow.set(batchId, now.closed !== undefined);
    const snapshot = await planOfBatch(this.database, batchId);
    if (snapshot === undefined) return statements;
    return [...statements, ...settlingStatements(this.database, batchId, foldBatch(snapshot, after), nowMs)];
  }
}

function lastTurn({ closedBy }: History): string | undefined {
  return closedBy?.id;
}
