import { historyOf } from '@tureen/core/batch';
import { eq, sql } from 'drizzle-orm';
import { readBatch } from './batches.js';
import type { Database } from './database.js';
import { entries } from './schema.js';

/** Soup that was left over and is to be cooled and kept: which, how much, since when. */
export interface Stored {
  readonly entryId: string;
  readonly batchId: string;
  readonly soupName: string;
  readonly kg: number;
  readonly atMs: number;
  readonly who: string;
}

/** What batches have left over for the cold, the newest first; what was taken back is not among it. */
export async function listStored(database: Database): Promise<Stored[]> {
  const rows = await database.db
    .selectDistinct({ batchId: entries.batchId })
    .from(entries)
    .where(eq(sql`json_extract(${entries.entry}, '$.deed.kind')`, 'stored'));
  const stored: Stored[] = [];
  for (const { batchId } of rows) {
    const batch = await readBatch(database, batchId);
    if (batch === undefined) continue;
    for (const { id, deed, atMs, who } of historyOf(batch.entries).counted) {
      if (deed.kind === 'stored') stored.push({ entryId: id, batchId, soupName: batch.soupName, kg: deed.kg, atMs, who });
    }
  }
  return stored.sort((a, b) => b.atMs - a.atMs);
}
