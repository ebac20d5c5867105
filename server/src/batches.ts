import { foldBatch, type Entry, type KeptEntry } from '@tureen/core/batch';
import { CORE_VERSION, type Ask, type Figures, type Snapshot } from '@tureen/core/plan';
import { asc, count, desc, eq, isNull, sql } from 'drizzle-orm';
import { Appends, type Appended } from './appends.js';
import type { Database } from './database.js';
import { done, failed, type Outcome } from './failure.js';
import { readPlan } from './plans.js';
import { batches, entries, plans, type ClosedFigures } from './schema.js';

export interface BatchSummary {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly soupName: string;
  readonly ask: Ask;
  readonly planned: Figures;
  readonly startedAtMs: number;
  readonly closedAtMs: number | null;
  readonly closedFigures: ClosedFigures | null;
  readonly lateEntries: number;
}

export interface KeptBatch extends BatchSummary {
  readonly snapshot: Snapshot;
  readonly entries: readonly KeptEntry[];
}

function lateCounts({ db }: Database): Promise<{ batchId: string; late: number }[]> {
  return db
    .select({ batchId: entries.batchId, late: count() })
    .from(entries)
    .where(eq(entries.late, true))
    .groupBy(entries.batchId);
}

const SUMMARY = {
  id: batches.id,
  soupId: plans.soupId,
  version: plans.version,
  soupName: sql<string>`json_extract(${plans.snapshot}, '$.soup.name')`,
  ask: plans.ask,
  planned: plans.figures,
  startedAtMs: batches.startedAtMs,
  closedAtMs: batches.closedAtMs,
  closedFigures: batches.closedFigures,
};

/** Batches, newest first. */
export async function listBatches(database: Database): Promise<BatchSummary[]> {
  const rows = await database.db
    .select(SUMMARY)
    .from(batches)
    .innerJoin(plans, eq(batches.planId, plans.id))
    .orderBy(desc(batches.startedAtMs))
    .limit(500);
  const late = new Map((await lateCounts(database)).map((row) => [row.batchId, row.late]));
  return rows.map((row) => ({ ...row, lateEntries: late.get(row.id) ?? 0 }));
}

async function entriesOf({ db }: Database, batchId: string): Promise<KeptEntry[]> {
  const rows = await db
    .select({ entry: entries.entry, late: entries.late })
    .from(entries)
    .where(eq(entries.batchId, batchId))
    .orderBy(asc(entries.arrival));
  return rows.map(({ entry, late }) => ({ ...entry, late }));
}

export async function readBatch(database: Database, id: string): Promise<KeptBatch | undefined> {
  const [row] = await database.db
    .select({ ...SUMMARY, snapshot: plans.snapshot })
    .from(batches)
    .innerJoin(plans, eq(batches.planId, plans.id))
    .where(eq(batches.id, id));
  if (row === undefined) return undefined;
  const own = await entriesOf(database, id);
  return { ...row, entries: own, lateEntries: own.filter(({ late }) => late).length };
}

/** The batch that was started last of those that are open, and how many entries it has; undefined when the stove is cold. */
export async function newestOpen({ db }: Database): Promise<{ readonly id: string; readonly entries: number } | undefined> {
  const [open] = await db
    .select({ id: batches.id })
    .from(batches)
    .where(isNull(batches.closedAtMs))
    .orderBy(desc(batches.startedAtMs))
    .limit(1);
  if (open === undefined) return undefined;
  const [row] = await db.select({ entries: count() }).from(entries).where(eq(entries.batchId, open.id));
  return { id: open.id, entries: row?.entries ?? 0 };
}

/** Starts a batch of a plan. Sent again with the same id it is the same batch. */
export async function startBatch(database: Database, id: string, planId: string, nowMs: number): Promise<Outcome<{ id: string }>> {
  if ((await readPlan(database, planId)) === undefined) return failed({ code: 'NO_SUCH_PLAN', field: 'planId' });
  return database.write(async () => {
    const [have] = await database.db.select().from(batches).where(eq(batches.id, id));
    if (have !== undefined) return have.planId === planId ? done({ id }) : failed({ code: 'ID_TAKEN', field: 'id', id });
    await database.db.insert(batches).values({ id, planId, startedAtMs: nowMs });
    return done({ id });
  });
}

async function settleClosing(database: Database, batchId: string, nowMs: number): Promise<void> {
  const batch = await readBatch(database, batchId);
  if (batch === undefined) return;
  const state = foldBatch(batch.snapshot, batch.entries);
  if (!state.closed) {
    await database.db.update(batches).set({ closedAtMs: null, closedFigures: null }).where(eq(batches.id, batchId));
    return;
  }
  if (batch.closedAtMs !== null) return;
  const closedFigures: ClosedFigures = {
    planned: state.plannedFigures,
    actual: state.forecast,
    dishedBowls: state.dishedBowls ?? null,
    coreVersion: CORE_VERSION,
  };
  await database.db.update(batches).set({ closedAtMs: nowMs, closedFigures }).where(eq(batches.id, batchId));
}

const appending = new WeakMap<Database, Appends>();

/**
 * Appends entries, each counted once by its id; what comes after the close is kept and marked late. Acknowledged only
 * once it is on disk. An id that already belongs to another batch is refused and nothing is kept.
 *
 * @returns the entries that are new, as kept.
 */
export function appendEntries(database: Database, batchId: string, list: readonly Entry[], nowMs: number): Promise<Appended> {
  let appends = appending.get(database);
  if (appends === undefined) {
    appends = new Appends(database, (id, atMs) => settleClosing(database, id, atMs));
    appending.set(database, appends);
  }
  return appends.append(batchId, list, nowMs);
}
