import type { BatchTimer, Entry, Shortened, StoredEntry } from '@tureen/core/batch';
import type { PlanRequest, Figures, Snapshot } from '@tureen/core/plan';
import { and, count, desc, eq, gte, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import { Appends, type Appended } from './appends.js';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { shortenedOf } from './long-batches.js';
import { readPlan } from './plans.js';
import { entriesOf, planOfBatch, startedSummary, together } from './projections.js';
import { batchSummaries, batches, entries, openTimers, type ClosedFigures } from './schema.js';

export interface BatchSummary {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly soupName: string;
  readonly request: PlanRequest;
  readonly planned: Figures;
  readonly startedAtMs: number;
  readonly closedAtMs: number | null;
  readonly closedFigures: ClosedFigures | null;
  readonly lateEntries: number;
}

export interface StoredBatch extends BatchSummary {
  readonly snapshot: Snapshot;
  readonly entries: readonly StoredEntry[];
  /** Of a long batch that was asked for shortened: how many entries it has, and from which counter on they are all here. */
  readonly short?: Pick<Shortened, 'total' | 'wholeAfter'> | undefined;
}

/** A timer that runs, with the batch that it belongs to. */
export interface OpenTimer {
  readonly batchId: string;
  readonly soupName: string;
  readonly timer: BatchTimer;
}

const {
  batchId: id,
  soupId,
  version,
  soupName,
  request,
  planned,
  startedAtMs,
  closedAtMs,
  closedFigures,
  lateEntries,
} = batchSummaries;
const SUMMARY = { id, soupId, version, soupName, request, planned, startedAtMs, closedAtMs, closedFigures, lateEntries };

/** Batches that one answer holds at most. */
export const MOST_BATCHES = 100;

/** Where a list of batches goes on: after the one of this start and id. */
export interface BatchCursor {
  readonly startedAtMs: number;
  readonly id: string;
}

/** Which batches are looked for: what is left out asks for all. */
export interface BatchFind {
  /** Each of these words is in the soup's name or in a note of the batch. */
  readonly words?: readonly string[] | undefined;
  /** Begun from this moment on, and before that one. */
  readonly sinceMs?: number | undefined;
  readonly beforeMs?: number | undefined;
  /** Closed with so much less, or more, cooked than was planned. */
  readonly apart?: 'short' | 'over' | undefined;
}

/** Apart by so much of the planned yield is worth being looked for. */
const APART = 0.05;

/** A word as SQL's `like` takes it: what stands for any letter there stands for itself. */
function like(word: string): string {
  return `%${word.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`;
}

function noted(word: string): SQL {
  const text = sql`coalesce(json_extract(${entries.entry}, '$.value.action.text'), json_extract(${entries.entry}, '$.deed.text'))`;
  return sql`${batchSummaries.batchId} in (select ${entries.subjectId} from ${entries} where ${entries.subject} = 'batch' and ${entries.kind} = 'note' and ${text} like ${like(word)} escape '\\')`;
}

function found({ words = [], sinceMs, beforeMs, apart }: BatchFind): (SQL | undefined)[] {
  const actual = sql`json_extract(${closedFigures}, '$.value.actual.cookedKg')`;
  const share = sql`${actual} / json_extract(${planned}, '$.value.cookedKg')`;
  return [
    ...words.map((word) => or(sql`${soupName} like ${like(word)} escape '\\'`, noted(word))),
    sinceMs === undefined ? undefined : gte(startedAtMs, sinceMs),
    beforeMs === undefined ? undefined : lt(startedAtMs, beforeMs),
    apart === undefined ? undefined : apart === 'short' ? sql`${share} < ${1 - APART}` : sql`${share} > ${1 + APART}`,
  ];
}

/** Batches, newest first, at most a hundred; `next` says where the older ones begin, undefined when there are none. */
export async function listBatches(
  { db }: Database,
  from?: BatchCursor,
  find: BatchFind = {},
): Promise<{ readonly batches: BatchSummary[]; readonly next: BatchCursor | undefined }> {
  const older =
    from === undefined
      ? undefined
      : or(lt(startedAtMs, from.startedAtMs), and(eq(startedAtMs, from.startedAtMs), lt(batchSummaries.batchId, from.id)));
  const rows = await db
    .select(SUMMARY)
    .from(batchSummaries)
    .where(and(older, ...found(find)))
    .orderBy(desc(startedAtMs), desc(batchSummaries.batchId))
    .limit(MOST_BATCHES + 1);
  const last = rows.length > MOST_BATCHES ? rows[MOST_BATCHES - 1] : undefined;
  return {
    batches: rows.slice(0, MOST_BATCHES),
    next: last === undefined ? undefined : { startedAtMs: last.startedAtMs, id: last.id },
  };
}

/** Batches that are being cooked, newest first. */
export async function listOpen({ db }: Database): Promise<BatchSummary[]> {
  return db.select(SUMMARY).from(batchSummaries).where(isNull(closedAtMs)).orderBy(desc(startedAtMs)).limit(MOST_BATCHES);
}

/** Timers that run in batches that are being cooked, whoever started them. */
export async function listTimers({ db }: Database): Promise<OpenTimer[]> {
  return db
    .select({ batchId: openTimers.batchId, soupName, timer: openTimers.timer })
    .from(openTimers)
    .innerJoin(batchSummaries, eq(batchSummaries.batchId, openTimers.batchId));
}

/** @param isShort whether a long batch is told with fewer entries, of which the same is folded. */
export async function readBatch(database: Database, batchId: string, isShort = false): Promise<StoredBatch | undefined> {
  const [row] = await database.db.select(SUMMARY).from(batchSummaries).where(eq(batchSummaries.batchId, batchId));
  const snapshot = row === undefined ? undefined : await planOfBatch(database, batchId);
  if (row === undefined || snapshot === undefined) return undefined;
  if (!isShort) return { ...row, snapshot, entries: await entriesOf(database, batchId) };
  const { entries: fewer, total, wholeAfter } = await shortenedOf(database, batchId, snapshot.soup);
  return { ...row, snapshot, entries: fewer, ...(fewer.length < total ? { short: { total, wholeAfter } } : {}) };
}

/** The batch that was started last of those that are open, and how many entries it has; undefined when the stove is cold. */
export async function newestOpen(database: Database): Promise<{ readonly id: string; readonly entries: number } | undefined> {
  const [open] = await database.db
    .select({ id: batches.id })
    .from(batches)
    .where(isNull(batches.closedAtMs))
    .orderBy(desc(batches.startedAtMs))
    .limit(1);
  if (open === undefined) return undefined;
  const own = and(eq(entries.subject, 'batch'), eq(entries.subjectId, open.id));
  const [row] = await database.db.select({ entries: count() }).from(entries).where(own);
  return { id: open.id, entries: row?.entries ?? 0 };
}

/** A tablet's clock may run ahead of the server's by so much. */
const CLOCKS_APART_MS = 5 * 60_000;

/**
 * Starts a batch of a plan. Sent again with the same id it is the same batch.
 *
 * @param startedAtMs when it was begun, where it is entered after it was cooked; never later than now.
 */
export async function startBatch(
  database: Database,
  batchId: string,
  planId: string,
  nowMs: number,
  startedAtMs = nowMs,
): Promise<Result<{ id: string }>> {
  if (startedAtMs > nowMs + CLOCKS_APART_MS) return failed({ code: 'NOT_YET', field: 'startedAtMs' });
  const plan = await readPlan(database, planId);
  if (plan === undefined) return failed({ code: 'NO_SUCH_PLAN', field: 'planId' });
  return database.write(async () => {
    const [have] = await database.db.select().from(batches).where(eq(batches.id, batchId));
    if (have !== undefined) {
      return have.planId === planId ? done({ id: batchId }) : failed({ code: 'ID_TAKEN', field: 'id', id: batchId });
    }
    const row = { id: batchId, planId, startedAtMs: Math.min(startedAtMs, nowMs) };
    await together(database, [
      database.db.insert(batches).values(row),
      database.db.insert(batchSummaries).values(startedSummary(row, plan)),
    ]);
    return done({ id: batchId });
  });
}

const appending = new WeakMap<Database, Appends>();

/**
 * Appends entries, each counted once by its id; what comes after the close is kept and called late. Acknowledged only
 * once it is on disk. An id that already belongs to another batch is refused and nothing is kept, and so is an entry of a
 * line that neither the plan nor the record knows.
 *
 * @returns the entries that are new, as kept.
 */
export function appendEntries(database: Database, batchId: string, list: readonly Entry[], nowMs: number): Promise<Appended> {
  let appends = appending.get(database);
  if (appends === undefined) {
    appends = new Appends(database);
    appending.set(database, appends);
  }
  return appends.append(batchId, list, nowMs);
}
