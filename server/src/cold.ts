import type { Container, Contents } from '@tureen/core/stock';
import { and, asc, desc, eq, max, sql } from 'drizzle-orm';
import type { Database } from './database.js';
import { batchSummaries, containers, leftovers, stockEntries } from './schema.js';

/** Soup that was left over and is to be cooled and kept: which, how much, since when, and how much of it is in containers. */
export interface Leftover {
  readonly entryId: string;
  readonly batchId: string;
  readonly soupName: string;
  readonly kg: number;
  readonly filledKg: number;
  readonly atMs: number;
  readonly who: string;
}

/** Contents stand once, since most containers of a batch hold the same: each names its own by place. */
export interface ColdAnswer {
  readonly stored: readonly Leftover[];
  readonly contents: readonly Contents[];
  readonly containers: readonly (Omit<Container, 'contents'> & { readonly contentsAt: number })[];
  /** The newest entries that are in all this: what a screen has sent and does not find here yet it goes on showing itself. */
  readonly recent: readonly string[];
  /** The highest counter among them: what is entered next comes after it. */
  readonly counter: number;
}

/** What is kept longer than anything is good for is not listed. */
const MOST_STORED = 200;
const MOST_RECENT = 500;

/** What batches have left over for the cold, the newest first; what was taken back is not among it. */
export async function listLeftovers({ db }: Database, most = MOST_STORED): Promise<Leftover[]> {
  const { entryId, batchId, kg, atMs, who } = leftovers;
  const filledKg = sql<number>`coalesce((select sum(${containers.filledKg}) from ${containers} where ${containers.leftoverId} = ${entryId}), 0)`;
  return db
    .select({ entryId, batchId, soupName: batchSummaries.soupName, kg, filledKg, atMs, who })
    .from(leftovers)
    .innerJoin(batchSummaries, eq(batchSummaries.batchId, batchId))
    .orderBy(desc(atMs))
    .limit(most);
}

/** Less than this left of it is what sticks to the pot, kg. */
const STICKS_KG = 0.05;

/** What was left over last, where some of it still stands in its pot. */
export async function newestLeftInPot(database: Database): Promise<Leftover | undefined> {
  const [newest] = await listLeftovers(database, 1);
  return newest !== undefined && newest.kg - newest.filledKg > STICKS_KG ? newest : undefined;
}

/** Containers that cool now, the one that was set to last first. */
export async function listCooling({ db }: Database, most: number): Promise<Container[]> {
  const rows = await db
    .select({ container: containers.container })
    .from(containers)
    .where(and(eq(containers.isGone, false), sql`${containers.container} like '%"state":"cooling"%'`));
  return rows
    .map(({ container }) => container)
    .filter(({ state }) => state === 'cooling')
    .sort((a, b) => (b.cooling?.startMs ?? 0) - (a.cooling?.startMs ?? 0))
    .slice(0, most);
}

/** When the last entry of the stock arrived, as a number that grows; 0 where there is none. */
export async function newestStock({ db }: Database): Promise<number> {
  const [row] = await db.select({ arrival: max(stockEntries.arrival) }).from(stockEntries);
  return row?.arrival ?? 0;
}

/** What waits to be put away, and every container that is not gone, soonest day first. */
export async function readCold(database: Database): Promise<ColdAnswer> {
  const { db } = database;
  const [stored, rows, newest] = await Promise.all([
    listLeftovers(database),
    db
      .select({ container: containers.container })
      .from(containers)
      .where(eq(containers.isGone, false))
      .orderBy(asc(containers.useByDay)),
    db
      .select({ id: stockEntries.id, counter: stockEntries.counter })
      .from(stockEntries)
      .orderBy(desc(stockEntries.arrival))
      .limit(MOST_RECENT),
  ]);
  const places = new Map<string, number>();
  const contents: Contents[] = [];
  const listed = rows.map(({ container: { contents: own, ...container } }) => {
    const key = JSON.stringify(own);
    let contentsAt = places.get(key);
    if (contentsAt === undefined) {
      contentsAt = contents.push(own) - 1;
      places.set(key, contentsAt);
    }
    return { ...container, contentsAt };
  });
  return {
    stored,
    contents,
    containers: listed,
    recent: newest.map(({ id }) => id),
    counter: Math.max(0, ...newest.map(({ counter }) => counter ?? 0)),
  };
}
