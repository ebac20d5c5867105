import { historyOf } from '@tureen/core/batch';
import { dayOf } from '@tureen/core/kit';
import { monthSheet, type MonthBatch, type MonthSheet, type Waste } from '@tureen/core/month';
import { and, between, eq, inArray } from 'drizzle-orm';
import { readKit } from './kitchen.js';
import type { Database } from './database.js';
import { batchSummaries, batchUses, entries, leftovers, lineYields, stockEntries, supplyEntries } from './schema.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Months begin up to so much before or after those of UTC. */
const ZONES_MS = 14 * HOUR_MS;
/** SQLite binds so many values in one statement. */
const AT_ONCE = 500;

/** The longest that a month may be in any zone, as moments. */
function around(month: string): readonly [fromMs: number, toMs: number] {
  const startMs = Date.parse(`${month}-01T00:00:00Z`);
  return [startMs - ZONES_MS, startMs + 31 * DAY_MS + ZONES_MS];
}

/** What says what was ladled out, and what takes that back. */
const LADLED = ['ladled out', 'undone', 'corrected', 'closed'];

function addTo(sums: Map<string, number>, key: string, kg: number): void {
  sums.set(key, (sums.get(key) ?? 0) + kg);
}

interface Sums {
  readonly used: ReadonlyMap<string, number>;
  readonly trimmed: ReadonlyMap<string, number>;
  readonly stored: ReadonlyMap<string, number>;
  readonly ladled: ReadonlyMap<string, Readonly<Record<string, number>>>;
}

/** What went in, was trimmed, ladled out and stored of these batches, by batch. */
async function sumsOf({ db }: Database, ids: readonly string[]): Promise<Sums> {
  const used = new Map<string, number>();
  const trimmed = new Map<string, number>();
  const stored = new Map<string, number>();
  const ladled = new Map<string, Record<string, number>>();
  for (let from = 0; from < ids.length; from += AT_ONCE) {
    const some = ids.slice(from, from + AT_ONCE);
    const [uses, yields, lefts, taken] = await Promise.all([
      db.select().from(batchUses).where(inArray(batchUses.batchId, some)),
      db.select().from(lineYields).where(inArray(lineYields.batchId, some)),
      db.select().from(leftovers).where(inArray(leftovers.batchId, some)),
      db
        .select({ id: entries.subjectId, entry: entries.entry })
        .from(entries)
        .where(and(eq(entries.subject, 'batch'), inArray(entries.subjectId, some), inArray(entries.kind, LADLED))),
    ]);
    for (const { batchId, kg } of uses) addTo(used, batchId, kg);
    for (const { batchId, boughtKg, keptKg } of yields) addTo(trimmed, batchId, boughtKg - keptKg);
    for (const { batchId, kg } of lefts) addTo(stored, batchId, kg);
    for (const id of new Set(taken.map(({ id: batchId }) => batchId))) {
      const own: Record<string, number> = {};
      // What was taken back or corrected does not count.
      for (const { action } of historyOf(taken.filter((one) => one.id === id).map(({ entry }) => entry)).counted)
        if (action.kind === 'ladled out') own[action.as] = (own[action.as] ?? 0) + action.kg;
      ladled.set(id, own);
    }
  }
  return { used, trimmed, stored, ladled };
}

/** What was thrown away of containers and of the store in a month. */
async function thrownAway({ db }: Database, month: string, zone: string | undefined): Promise<Waste[]> {
  const [fromMs, toMs] = around(month);
  const isIn = (ms: number): boolean => dayOf(ms, zone).startsWith(month);
  const cold = await db
    .select({ entry: stockEntries.entry })
    .from(stockEntries)
    .where(between(stockEntries.atMs, fromMs, toMs));
  const undone = new Set(cold.flatMap(({ entry: { action } }) => (action.kind === 'undone' ? [action.target] : [])));
  const store = await db.select({ entry: supplyEntries.entry }).from(supplyEntries);
  return [
    ...cold.flatMap(({ entry: { id, action, atMs } }) =>
      action.kind === 'threw away' && isIn(atMs) && !undone.has(id) ? [{ reason: `kept soup: ${action.why}`, kg: action.kg }] : [],
    ),
    ...store.flatMap(({ entry: { action, atMs } }) =>
      action.kind === 'thrown' && isIn(atMs) ? [{ reason: `out of the store: ${action.why}`, kg: action.kg }] : [],
    ),
  ];
}

/**
 * What a month came to, by the record as it is now.
 *
 * @param month YYYY-MM where the kitchen stands.
 */
export async function readMonth(database: Database, month: string): Promise<MonthSheet> {
  const zone = (await readKit(database))?.zone;
  const [fromMs, toMs] = around(month);
  const rows = await database.db
    .select()
    .from(batchSummaries)
    .where(between(batchSummaries.startedAtMs, fromMs, toMs));
  const own = rows.filter(({ startedAtMs }) => dayOf(startedAtMs, zone).startsWith(month));
  const sums = await sumsOf(
    database,
    own.map(({ batchId }) => batchId),
  );
  const batches = own.map(({ batchId, soupName, request, planned, closedFigures }): MonthBatch => ({
    soupName,
    askedBowls: request.bowls,
    bowlG: request.bowlG,
    plannedKg: planned.cookedKg,
    closed:
      closedFigures === null
        ? undefined
        : {
            cookedKg: closedFigures.actual.cookedKg,
            cost: closedFigures.actual.cost,
            bowls: closedFigures.actual.bowls,
            countedBowls: closedFigures.dishedBowls ?? undefined,
            boughtKg: sums.used.get(batchId) ?? 0,
            trimmedKg: sums.trimmed.get(batchId) ?? 0,
            ladledKg: sums.ladled.get(batchId) ?? {},
            storedKg: sums.stored.get(batchId) ?? 0,
          },
  }));
  return monthSheet(month, batches, await thrownAway(database, month, zone));
}
