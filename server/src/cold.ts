import type { Container, Contents } from '@tureen/core/stock';
import { asc, desc, eq, sql } from 'drizzle-orm';
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
export async function listLeftovers({ db }: Database): Promise<Leftover[]> {
  const { entryId, batchId, kg, atMs, who } = leftovers;
  const filledKg = sql<number>`coalesce((select sum(${containers.filledKg}) from ${containers} where ${containers.leftoverId} = ${entryId}), 0)`;
  return db
    .select({ entryId, batchId, soupName: batchSummaries.soupName, kg, filledKg, atMs, who })
    .from(leftovers)
    .innerJoin(batchSummaries, eq(batchSummaries.batchId, batchId))
    .orderBy(desc(atMs))
    .limit(MOST_STORED);
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
