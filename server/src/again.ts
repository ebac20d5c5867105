import { againAndAgain, foldBatch, LOOKED_AT, writeBack, type Again } from '@tureen/core/batch';
import { and, desc, eq, isNotNull } from 'drizzle-orm';
import { readBatch } from './batches.js';
import type { Database } from './database.js';
import { readLearned } from './learned.js';
import { batchSummaries } from './schema.js';
import { readSoup, type StoredSoup } from './soups.js';

/** What a kitchen does to a soup again and again, beside the card as it is. */
export interface AgainAnswer extends StoredSoup {
  readonly again: readonly Again[];
  /** Batches that it was taken from, the newest first. */
  readonly batchIds: readonly string[];
}

/** Batches that are asked for, so that enough are left where some do not count. */
const ASKED = 3 * LOOKED_AT;

/** The differences that came up in most of a soup's last closed batches; those that teach nothing are passed over. */
export async function readAgain(database: Database, soupId: string): Promise<AgainAnswer | undefined> {
  const card = await readSoup(database, soupId);
  if (card === undefined) return undefined;
  const [rows, { batches: known }] = await Promise.all([
    database.db
      .select({ id: batchSummaries.batchId })
      .from(batchSummaries)
      .where(and(eq(batchSummaries.soupId, soupId), isNotNull(batchSummaries.closedAtMs)))
      .orderBy(desc(batchSummaries.startedAtMs))
      .limit(ASKED),
    readLearned(database),
  ]);
  const passed = new Set(known.filter(({ counts, waits }) => waits || !counts).map(({ batchId }) => batchId));
  const batchIds = rows
    .map(({ id }) => id)
    .filter((id) => !passed.has(id))
    .slice(0, LOOKED_AT);
  const batches = await Promise.all(
    batchIds.map(async (id) => {
      const batch = await readBatch(database, id);
      if (batch === undefined) return [];
      return [{ soup: batch.snapshot.soup, items: writeBack(foldBatch(batch.snapshot, batch.entries)) }];
    }),
  );
  return { ...card, again: againAndAgain(card.soup, batches.flat()), batchIds };
}
