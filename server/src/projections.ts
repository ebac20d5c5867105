import { foldBatch, historyOf, timersOf, type BatchState, type Action, type History, type StoredEntry } from '@tureen/core/batch';
import { CORE_VERSION, type Snapshot } from '@tureen/core/plan';
import { parcelKg } from '@tureen/core/pot';
import { MOST_BATCHES } from '@tureen/core/learn';
import { and, asc, desc, eq, inArray } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import type { Database } from './database.js';
import { evidenceStatements, forgetLearned } from './evidence.js';
import {
  batchEvidence,
  learnedStates,
  batchSummaries,
  batchUses,
  batches,
  entries,
  leftovers,
  lineYields,
  openTimers,
  plans,
  projectionDays,
  type ClosedFigures,
} from './schema.js';

export type Statement = BatchItem<'sqlite'>;

/** Shape of what is projected: one that is older is made anew at the next start. */
const PROJECTIONS = '3';

/** Actions that lists follow, and what opens, closes and takes back. */
const FOLLOWED: ReadonlySet<Action['kind']> = new Set([
  'timed',
  'longer',
  'silenced',
  'done',
  'skipped',
  'stored',
  'undone',
  'corrected',
  'closed',
]);

/** Whether an entry changes anything that a list shows. */
export function isFollowed({ action }: Pick<StoredEntry, 'action'>): boolean {
  return FOLLOWED.has(action.kind);
}

/** Entries of a batch in their order of arrival: all of them, or those that lists follow. */
export async function entriesOf({ db }: Database, batchId: string, onlyFollowed = false): Promise<StoredEntry[]> {
  const own = and(eq(entries.subject, 'batch'), eq(entries.subjectId, batchId));
  const rows = await db
    .select({ entry: entries.entry, arrival: entries.arrival })
    .from(entries)
    .where(onlyFollowed ? and(own, inArray(entries.kind, [...FOLLOWED])) : own)
    .orderBy(asc(entries.arrival));
  return rows.map(({ entry, arrival }) => ({ ...entry, arrival }));
}

/** What lists read of a batch's timers and leftovers, from the entries that they follow. */
export function followedStatements({ db }: Database, batchId: string, history: History): Statement[] {
  const timers = history.closed === undefined ? timersOf(history).filter(({ silenced }) => !silenced) : [];
  const stored = history.counted.flatMap(({ id, action, atMs, who }) =>
    action.kind === 'stored' ? [{ entryId: id, batchId, kg: action.kg, atMs, who }] : [],
  );
  return [
    db.delete(openTimers).where(eq(openTimers.batchId, batchId)),
    db.delete(leftovers).where(eq(leftovers.batchId, batchId)),
    ...(timers.length === 0 ? [] : [db.insert(openTimers).values(timers.map((timer) => ({ batchId, timerId: timer.id, timer })))]),
    ...(stored.length === 0 ? [] : [db.insert(leftovers).values(stored)]),
  ];
}

/** What each line that was trimmed gave, kg as bought and as it went on. */
function yieldsOf({ happened, prepared }: BatchState): { line: string; ingredient: string; boughtKg: number; keptKg: number }[] {
  const sums = new Map<string, { boughtKg: number; wasteKg: number }>();
  for (const { step, inflows, outflows } of happened) {
    if (step.op !== 'trim') continue;
    for (const { lineId, parcel } of inflows) {
      const have = sums.get(lineId) ?? { boughtKg: 0, wasteKg: 0 };
      sums.set(lineId, { ...have, boughtKg: have.boughtKg + parcelKg(parcel) });
    }
    for (const { kind, lineId, parcel } of outflows) {
      const have = sums.get(lineId);
      if (kind === 'trim' && have !== undefined) sums.set(lineId, { ...have, wasteKg: have.wasteKg + parcelKg(parcel) });
    }
  }
  const ingredients = new Map(prepared.lines.map(({ line }) => [line.id, line.ingredient.row.id]));
  return [...sums].flatMap(([line, { boughtKg, wasteKg }]) => {
    const ingredient = ingredients.get(line);
    return ingredient === undefined || boughtKg <= 0 ? [] : [{ line, ingredient, boughtKg, keptKg: boughtKg - wasteKg }];
  });
}

/** Cards are made here, not bought. */
const MADE = 'card:';

/** What a batch took of each ingredient, kg as bought. */
function usesOf({ happened, prepared }: BatchState): { ingredient: string; kg: number }[] {
  const ingredients = new Map(prepared.lines.map(({ line }) => [line.id, line.ingredient.row.id]));
  const sums = new Map<string, number>();
  for (const { inflows } of happened) {
    for (const { kind, lineId, parcel } of inflows) {
      const ingredient = ingredients.get(lineId);
      if (kind !== 'ingredient' || ingredient === undefined || ingredient.startsWith(MADE)) continue;
      sums.set(ingredient, (sums.get(ingredient) ?? 0) + parcelKg(parcel));
    }
  }
  return [...sums].flatMap(([ingredient, kg]) => (kg > 0 ? [{ ingredient, kg }] : []));
}

/** When a batch was over: one that was opened again to put its record right was over when it was closed first. */
function closedAtMs({ history }: BatchState, nowMs: number): number {
  const [first, ...again] = history.all.filter(({ action }) => action.kind === 'closed');
  return first === undefined || again.length === 0 ? nowMs : Math.round(Math.min(first.atMs, nowMs));
}

/** What closing or opening a batch again writes: the batch itself, its place in the lists, and what its lines yielded. */
export function settlingStatements(database: Database, batchId: string, state: BatchState, nowMs: number): Statement[] {
  const { db } = database;
  const closedFigures: ClosedFigures | null = state.closed
    ? {
        planned: state.plannedFigures,
        actual: state.forecast,
        dishedBowls: state.dishedBowls ?? null,
        coreVersion: CORE_VERSION,
      }
    : null;
  const set = { closedAtMs: state.closed ? closedAtMs(state, nowMs) : null, closedFigures };
  const yields = state.closed ? yieldsOf(state) : [];
  const uses = state.closed ? usesOf(state).map((own) => ({ batchId, ...own, atMs: closedAtMs(state, nowMs) })) : [];
  return [
    db.update(batches).set(set).where(eq(batches.id, batchId)),
    db.update(batchSummaries).set(set).where(eq(batchSummaries.batchId, batchId)),
    db.delete(lineYields).where(eq(lineYields.batchId, batchId)),
    ...(yields.length === 0 ? [] : [db.insert(lineYields).values(yields.map((own) => ({ batchId, ...own })))]),
    db.delete(batchUses).where(eq(batchUses.batchId, batchId)),
    ...(uses.length === 0 ? [] : [db.insert(batchUses).values(uses)]),
    ...evidenceStatements(database, batchId, state),
  ];
}

/** A batch as it is started, for the lists. */
export function startedSummary(
  { id, startedAtMs }: { readonly id: string; readonly startedAtMs: number },
  plan: Pick<typeof plans.$inferSelect, 'soupId' | 'version' | 'request' | 'figures' | 'snapshot'>,
): typeof batchSummaries.$inferInsert {
  const { soupId, version, request, figures, snapshot } = plan;
  return {
    batchId: id,
    soupId,
    version,
    soupName: snapshot.soup.name,
    request,
    planned: figures,
    startedAtMs,
    closedAtMs: null,
    closedFigures: null,
    lateEntries: 0,
  };
}

async function snapshotOf({ db }: Database, planId: string): Promise<typeof plans.$inferSelect | undefined> {
  const [plan] = await db.select().from(plans).where(eq(plans.id, planId));
  return plan;
}

/** Everything that lists show of one batch, made from its plan and its entries. Closed figures stay what they were. */
async function batchStatements(database: Database, batch: typeof batches.$inferSelect, teaches: boolean): Promise<Statement[]> {
  const { db } = database;
  const plan = await snapshotOf(database, batch.planId);
  if (plan === undefined) return [];
  const own = await entriesOf(database, batch.id);
  const history = historyOf(own);
  const summary = {
    ...startedSummary(batch, plan),
    closedAtMs: batch.closedAtMs,
    closedFigures: batch.closedFigures,
    lateEntries: history.late.size,
  };
  const isSettled = (history.closed !== undefined) === (batch.closedAtMs !== null && batch.closedFigures !== null);
  const state = history.closed === undefined && isSettled ? undefined : foldBatch(plan.snapshot, own);
  const yields = state?.closed === true ? yieldsOf(state) : [];
  return [
    db.insert(batchSummaries).values(summary),
    ...followedStatements(database, batch.id, history),
    ...(yields.length === 0 ? [] : [db.insert(lineYields).values(yields.map((one) => ({ batchId: batch.id, ...one })))]),
    ...(teaches && state?.closed === true && isSettled ? evidenceStatements(database, batch.id, state) : []),
    // A server that died between keeping a close and settling it left this behind: it is put right here.
    ...(isSettled || state === undefined
      ? []
      : settlingStatements(database, batch.id, state, own.at(-1)?.atMs ?? batch.startedAtMs)),
  ];
}

/** Batches of which the lists are made in one write. */
const AT_ONCE = 50;

/** Makes every list anew from the entries, the plans and the batches. */
export async function rebuildProjections(database: Database): Promise<{ readonly batches: number }> {
  const { db } = database;
  return database.write(async () => {
    await db.batch([
      db.delete(batchSummaries),
      db.delete(openTimers),
      db.delete(leftovers),
      db.delete(lineYields),
      db.delete(projectionDays),
      db.delete(batchEvidence),
      db.delete(learnedStates),
    ]);
    const all = await db.select().from(batches).orderBy(desc(batches.startedAtMs));
    // Older ones would not count: what they teach is not worth the wait at a start.
    const teaching = new Set(all.slice(0, MOST_BATCHES).map(({ id }) => id));
    for (let from = 0; from < all.length; from += AT_ONCE) {
      const statements = (
        await Promise.all(all.slice(from, from + AT_ONCE).map((batch) => batchStatements(database, batch, teaching.has(batch.id))))
      ).flat();
      await together(database, statements);
    }
    await db.insert(projectionDays).values({ projection: 'batches', day: PROJECTIONS });
    forgetLearned(database);
    return { batches: all.length };
  });
}

/** At a start: lists of an older shape, or of a run that died while making them, are made anew. */
export async function projectionsUpToDate(database: Database): Promise<void> {
  const [made] = await database.db.select().from(projectionDays).where(eq(projectionDays.projection, 'batches'));
  if (made?.day !== PROJECTIONS) await rebuildProjections(database);
}

/** All of them or none. */
export async function together({ db }: Database, statements: readonly Statement[]): Promise<void> {
  const [first, ...others] = statements;
  if (first !== undefined) await db.batch([first, ...others]);
}

/** A batch's plan, as far as its entries need it. */
export async function planOfBatch({ db }: Database, batchId: string): Promise<Snapshot | undefined> {
  const [row] = await db
    .select({ snapshot: plans.snapshot })
    .from(batches)
    .innerJoin(plans, eq(batches.planId, plans.id))
    .where(eq(batches.id, batchId));
  return row?.snapshot;
}
