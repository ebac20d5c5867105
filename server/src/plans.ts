import { deepEqual } from 'fast-equals';
import { figuresOf, planToBuy, type PlanRequest, type Figures, type Snapshot } from '@tureen/core/plan';
import { desc, eq, sql } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { readKitAsLearned } from './learned.js';
import { readLarder } from './larder.js';
import { batches, plans } from './schema.js';
import { readSoup } from './soups.js';

export interface StoredPlan {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly request: PlanRequest;
  readonly snapshot: Snapshot;
  readonly figures: Figures;
  readonly createdAtMs: number;
  readonly ticks: readonly string[];
  readonly bowlPrice: number | null;
}

/** A plan in the list: whether its batch has started decides whether it can still be changed. */
export type PlanSummary = Omit<StoredPlan, 'snapshot'> & { readonly soupName: string; readonly batchId: string | null };

interface PlanWish {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly request: PlanRequest;
}

type Computed = Pick<StoredPlan, 'soupId' | 'version' | 'request' | 'snapshot' | 'figures'>;

/** Works a plan out from what the kitchen has now. */
async function computed(database: Database, wish: Omit<PlanWish, 'id'>, nowMs: number): Promise<Result<Computed>> {
  const kit = await readKitAsLearned(database);
  if (kit === undefined) return failed({ code: 'NO_KITCHEN' });
  const kept = await readSoup(database, wish.soupId, wish.version);
  if (kept === undefined) return failed({ code: 'NO_SUCH_SOUP', field: 'soupId' });
  const { rows } = await readLarder(database, nowMs);
  const planning = planToBuy(kept.soup, rows, kit, wish.request);
  if (!planning.ok) return failed({ code: 'PLAN_IMPOSSIBLE', field: 'request', error: planning.error });
  const { snapshot, run, prepared } = planning.plan;
  const { soupId, version, request } = wish;
  return done({ soupId, version, request, snapshot, figures: figuresOf(prepared, run) });
}

export async function readPlan({ db }: Database, id: string): Promise<StoredPlan | undefined> {
  const [row] = await db.select().from(plans).where(eq(plans.id, id));
  return row;
}

/** Plans, newest first, each with the batch that was started from it. */
export async function listPlans({ db }: Database): Promise<PlanSummary[]> {
  const { id, soupId, version, request, figures, createdAtMs, ticks, bowlPrice } = plans;
  const soupName = sql<string>`coalesce(json_extract(${plans.snapshot}, '$.value.soup.name'), json_extract(${plans.snapshot}, '$.soup.name'))`;
  return db
    .select({ id, soupId, version, request, figures, createdAtMs, ticks, bowlPrice, soupName, batchId: batches.id })
    .from(plans)
    .leftJoin(batches, eq(batches.planId, plans.id))
    .orderBy(desc(createdAtMs))
    .limit(200);
}

/** Plans and keeps a snapshot of all that the plan was computed from. Sent again with the same id it is the same plan. */
export async function savePlan(database: Database, wish: PlanWish, nowMs: number): Promise<Result<StoredPlan>> {
  const worked = await computed(database, wish, nowMs);
  if (!worked.ok) return worked;
  const plan: StoredPlan = { id: wish.id, ...worked.value, createdAtMs: nowMs, ticks: [], bowlPrice: null };
  return database.write(async () => {
    const have = await readPlan(database, wish.id);
    if (have !== undefined) {
      const same = have.soupId === wish.soupId && have.version === wish.version && deepEqual(have.request, wish.request);
      return same ? done(have) : failed({ code: 'ID_TAKEN', field: 'id', id: wish.id });
    }
    await database.db.insert(plans).values(plan);
    return done(plan);
  });
}

async function isStarted({ db }: Database, planId: string): Promise<boolean> {
  const [row] = await db.select({ id: batches.id }).from(batches).where(eq(batches.planId, planId)).limit(1);
  return row !== undefined;
}

/** Works a kept plan out anew, for another request or a newer version of its soup, as long as no batch of it has started. */
export async function changePlan(
  database: Database,
  planId: string,
  wish: { readonly version: number; readonly request: PlanRequest },
  nowMs: number,
): Promise<Result<StoredPlan>> {
  const have = await readPlan(database, planId);
  if (have === undefined) return failed({ code: 'NO_SUCH_PLAN', field: 'id' });
  const worked = await computed(database, { ...wish, soupId: have.soupId }, nowMs);
  if (!worked.ok) return worked;
  return database.write(async () => {
    if (await isStarted(database, planId)) return failed({ code: 'PLAN_STARTED', field: 'id' });
    await database.db.update(plans).set(worked.value).where(eq(plans.id, planId));
    return done({ ...have, ...worked.value });
  });
}

/** Keeps what is ticked on a plan's pull list and what a bowl of it is sold for. That goes on while its batch cooks. */
export async function notePlan(
  database: Database,
  planId: string,
  note: { readonly ticks: readonly string[]; readonly bowlPrice: number | null },
): Promise<Result<{ id: string }>> {
  return database.write(async () => {
    if ((await readPlan(database, planId)) === undefined) return failed({ code: 'NO_SUCH_PLAN', field: 'id' });
    await database.db.update(plans).set(note).where(eq(plans.id, planId));
    return done({ id: planId });
  });
}

/** Drops a plan that no batch was started from. */
export async function dropPlan(database: Database, planId: string): Promise<Result<{ id: string }>> {
  return database.write(async () => {
    if ((await readPlan(database, planId)) === undefined) return failed({ code: 'NO_SUCH_PLAN', field: 'id' });
    if (await isStarted(database, planId)) return failed({ code: 'PLAN_STARTED', field: 'id' });
    await database.db.delete(plans).where(eq(plans.id, planId));
    return done({ id: planId });
  });
}
