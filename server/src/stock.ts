import { USUAL_STORES, dayClock, dayOf, hotHolding } from '@tureen/core/kit';
import { daySheetRows, dayWarnings, type HotLook, type SheetRow } from '@tureen/core/messages';
import {
  daySheet,
  foldStock,
  keepingOf,
  tiesOf,
  type Container,
  type DaySheet,
  type StockEntry,
  type StockNotice,
  type StockRules,
} from '@tureen/core/stock';
import { and, asc, between, desc, eq, inArray, max } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { readKit } from './kitchen.js';
import { together, type Statement } from './projections.js';
import { batchSummaries, containers, entries, stockEntries, stockTies } from './schema.js';

/** A container with all that is on record of it and of what it is tied to. */
export interface KnownContainer {
  readonly container: Container;
  readonly entries: readonly StockEntry[];
  readonly notices: readonly StockNotice[];
}

export interface StockAppended {
  readonly kept: number;
  readonly known: number;
  /** What of these entries could not be booked as it was told; it is on record all the same. */
  readonly notices: readonly StockNotice[];
}

/** How far a counter may be ahead of all others: one that is at its end would let nothing come after it. */
const MOST_AHEAD = 1_000_000;

/** SQLite binds so many values in one statement. */
const AT_ONCE = 500;

async function rulesOf(database: Database): Promise<StockRules> {
  const kit = await readKit(database);
  return { keeping: keepingOf(kit?.keeps), dayOf: (ms) => dayOf(ms, kit?.zone) };
}

function chunks<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / AT_ONCE) }, (_, n) => list.slice(n * AT_ONCE, (n + 1) * AT_ONCE));
}

/** Arrivals of all entries that are tied, through others, to any of these containers and batches. */
async function tiedTo({ db }: Database, from: Iterable<string>): Promise<{ ties: Set<string>; arrivals: Set<number> }> {
  const ties = new Set(from);
  const arrivals = new Set<number>();
  let fresh = [...ties];
  while (fresh.length > 0) {
    const own: number[] = [];
    for (const some of chunks(fresh)) {
      const found = await db.select({ arrival: stockTies.arrival }).from(stockTies).where(inArray(stockTies.tie, some));
      for (const { arrival } of found) if (!arrivals.has(arrival)) own.push(arrival);
    }
    fresh = [];
    for (const some of chunks([...new Set(own)])) {
      for (const arrival of some) arrivals.add(arrival);
      const found = await db.select({ tie: stockTies.tie }).from(stockTies).where(inArray(stockTies.arrival, some));
      for (const { tie } of found) {
        if (ties.has(tie)) continue;
        ties.add(tie);
        fresh.push(tie);
      }
    }
  }
  return { ties, arrivals };
}

async function entriesAt({ db }: Database, arrivals: Iterable<number>): Promise<StockEntry[]> {
  const found: StockEntry[] = [];
  for (const some of chunks([...arrivals].sort((a, b) => a - b))) {
    const rows = await db
      .select({ entry: stockEntries.entry })
      .from(stockEntries)
      .where(inArray(stockEntries.arrival, some))
      .orderBy(asc(stockEntries.arrival));
    found.push(...rows.map(({ entry }) => entry));
  }
  return found;
}

function rowOf(container: Container): typeof containers.$inferInsert {
  return {
    id: container.id,
    leftoverId: container.from?.entryId ?? null,
    filledKg: container.filledKg,
    isGone: container.state === 'gone',
    useByDay: container.useBy.day,
    container,
  };
}

/** What is written of containers that were folded together; those that were taken back go. */
function containerStatements({ db }: Database, ties: ReadonlySet<string>, folded: ReadonlyMap<string, Container>): Statement[] {
  return [
    ...chunks([...ties]).map((some) => db.delete(containers).where(inArray(containers.id, some))),
    ...chunks([...folded.values()]).map((some) => db.insert(containers).values(some.map(rowOf))),
  ];
}

/**
 * Puts entries of the stock on disk, each once, with the containers that follow from them, all or nothing. Nothing is
 * refused: what can't be booked as it was told is said in `notices`.
 */
export function appendStock(database: Database, list: readonly StockEntry[], nowMs: number): Promise<Result<StockAppended>> {
  return database.write(async () => {
    const { db } = database;
    const unique = [...new Map(list.map((entry) => [entry.id, entry])).values()];
    const have = new Set<string>();
    for (const some of chunks(unique.map(({ id }) => id))) {
      const found = await db.select({ id: stockEntries.id }).from(stockEntries).where(inArray(stockEntries.id, some));
      for (const { id } of found) have.add(id);
    }
    const fresh = unique.filter(({ id }) => !have.has(id));
    if (fresh.length === 0) return done({ kept: 0, known: unique.length, notices: [] });
    const [highest] = await db.select({ counter: max(stockEntries.counter) }).from(stockEntries);
    const ahead = fresh.findIndex(({ stamp }) => stamp.counter > (highest?.counter ?? 0) + MOST_AHEAD);
    if (ahead >= 0)
      return failed({ code: 'BAD_INPUT', field: `entries.${String(ahead)}.stamp.counter`, why: 'it is far ahead of all others' });
    const [last] = await db
      .select({ arrival: stockEntries.arrival })
      .from(stockEntries)
      .orderBy(desc(stockEntries.arrival))
      .limit(1);
    const next = (last?.arrival ?? 0) + 1;
    const { ties, arrivals } = await tiedTo(database, fresh.flatMap(tiesOf));
    const stock = foldStock([...(await entriesAt(database, arrivals)), ...fresh], await rulesOf(database));
    const tieRows = fresh.flatMap((entry, n) => [...new Set(tiesOf(entry))].map((tie) => ({ tie, arrival: next + n })));
    await together(database, [
      ...chunks(fresh.map((entry, n) => ({ arrival: next + n, id: entry.id, entry, receivedAtMs: nowMs }))).map((some) =>
        db.insert(stockEntries).values(some),
      ),
      ...chunks(tieRows).map((some) => db.insert(stockTies).values(some)),
      ...containerStatements(database, ties, stock.containers),
    ]);
    const own = new Set(fresh.map(({ id }) => id));
    return done({
      kept: fresh.length,
      known: unique.length - fresh.length,
      notices: stock.notices.filter(({ entryId }) => own.has(entryId)),
    });
  });
}

/** One container, with what is on record of all that it is tied to. */
export async function readContainer(database: Database, id: string): Promise<KnownContainer | undefined> {
  const { arrivals } = await tiedTo(database, [id]);
  const own = await entriesAt(database, arrivals);
  const { containers: folded, notices } = foldStock(own, await rulesOf(database));
  const container = folded.get(id);
  return container === undefined ? undefined : { container, entries: own, notices };
}

/** All that is on record of containers that were filled from a batch, and of what those are tied to. */
export async function readStockOf(database: Database, batchId: string): Promise<StockEntry[]> {
  const { arrivals } = await tiedTo(database, [batchId]);
  return entriesAt(database, arrivals);
}

/** What the log of one day is made of: entries of that day and what they are tied to, and looks at what was kept hot. */
interface DayLog {
  readonly entries: readonly StockEntry[];
  readonly hot: readonly HotLook[];
}

const HOUR_MS = 3_600_000;
/** Days begin up to so many hours before or after those of UTC. */
const ZONES_H = 14;
/** A correction may come so many days later. */
const CORRECTED_DAYS = 7;
const HOT_KINDS = ['held', 'temperature'];

/** @param day YYYY-MM-DD where the kitchen stands. */
async function readDayLog(database: Database, day: string): Promise<DayLog> {
  const { db } = database;
  const startMs = Date.parse(`${day}T00:00:00Z`) - ZONES_H * HOUR_MS;
  const endMs = startMs + (24 + 2 * ZONES_H) * HOUR_MS;
  const rows = await db
    .select({ entry: stockEntries.entry })
    .from(stockEntries)
    .where(between(stockEntries.atMs, startMs, endMs + CORRECTED_DAYS * 24 * HOUR_MS));
  const own = rows.map(({ entry }) => entry).filter(({ atMs, action }) => atMs <= endMs || action.kind === 'checked');
  const { arrivals } = await tiedTo(database, own.flatMap(tiesOf));
  const tied = await entriesAt(database, arrivals);
  const rules = await rulesOf(database);
  const hot = await db
    .select({ entry: entries.entry, batchId: batchSummaries.batchId, soupName: batchSummaries.soupName })
    .from(batchSummaries)
    .innerJoin(entries, and(eq(entries.subject, 'batch'), eq(entries.subjectId, batchSummaries.batchId)))
    .where(and(between(batchSummaries.startedAtMs, startMs - 24 * HOUR_MS, endMs), inArray(entries.kind, HOT_KINDS)));
  return {
    entries: [...new Map([...tied, ...own].map((entry) => [entry.id, entry])).values()],
    hot: hot
      .filter(({ entry }) => rules.dayOf(entry.atMs) === day)
      .flatMap(({ entry: { atMs, who, action }, soupName }): HotLook[] =>
        action.kind === 'held'
          ? [{ atMs, who, soupName, tempC: action.atC, minutes: action.minutes }]
          : action.kind === 'temperature'
            ? [{ atMs, who, soupName, tempC: action.tempC }]
            : [],
      ),
  };
}

/** The log that a kitchen is asked for, of one day: its lines, what is missing, and the looks that are due. */
export interface ColdLog {
  readonly day: string;
  readonly kitchen: string;
  readonly rows: readonly SheetRow[];
  readonly warnings: readonly string[];
  readonly stores: DaySheet['stores'];
}

export async function readColdLog(database: Database, day: string, nowMs: number): Promise<ColdLog> {
  const [log, kit] = await Promise.all([readDayLog(database, day), readKit(database)]);
  const clock = dayClock(kit?.zone, nowMs);
  const { containers: folded, counted } = foldStock(log.entries, { keeping: keepingOf(kit?.keeps), dayOf: clock.dayOf });
  const sheet = daySheet(day, counted, folded.values(), kit?.coldStores ?? USUAL_STORES, clock);
  return {
    day,
    kitchen: kit?.kitchen ?? '',
    rows: daySheetRows(sheet, folded, log.hot, hotHolding(kit?.country).leastC, clock, kit?.units ?? 'metric'),
    warnings: dayWarnings(sheet),
    stores: sheet.stores,
  };
}

/** Makes every container anew from the entries, by the kitchen's rules of today. */
export function rebuildStock(database: Database): Promise<{ readonly containers: number }> {
  return database.write(async () => {
    const { db } = database;
    const rows = await db.select({ entry: stockEntries.entry }).from(stockEntries).orderBy(asc(stockEntries.arrival));
    const { containers: folded } = foldStock(
      rows.map(({ entry }) => entry),
      await rulesOf(database),
    );
    await together(database, [
      db.delete(containers),
      ...chunks([...folded.values()]).map((some) => db.insert(containers).values(some.map(rowOf))),
    ]);
    return { containers: folded.size };
  });
}
