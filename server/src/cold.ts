import { desc, eq } from 'drizzle-orm';
import type { Database } from './database.js';
import { batchSummaries, leftovers } from './schema.js';

/** Soup that was left over and is to be cooled and kept: which, how much, since when. */
export interface Stored {
  readonly entryId: string;
  readonly batchId: string;
  readonly soupName: string;
  readonly kg: number;
  readonly atMs: number;
  readonly who: string;
}

/** What is kept longer than anything is good for is not listed. */
const MOST_STORED = 200;

/** What batches have left over for the cold, the newest first; what was taken back is not among it. */
export function listStored({ db }: Database): Promise<Stored[]> {
  const { entryId, batchId, kg, atMs, who } = leftovers;
  return db
    .select({ entryId, batchId, soupName: batchSummaries.soupName, kg, atMs, who })
    .from(leftovers)
    .innerJoin(batchSummaries, eq(batchSummaries.batchId, batchId))
    .orderBy(desc(atMs))
    .limit(MOST_STORED);
}
