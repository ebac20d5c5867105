import { shortened, type Shortened } from '@tureen/core/batch';
import type { Soup } from '@tureen/core/soup';
import { and, eq, max } from 'drizzle-orm';
import type { Database } from './database.js';
import { entriesOf } from './projections.js';
import { entries } from './schema.js';

/** Long batches that are remembered at a time. */
const MOST_REMEMBERED = 8;

interface Remembered {
  readonly lastArrival: number;
  readonly short: Shortened;
}

const remembered = new WeakMap<Database, Map<string, Remembered>>();

/** Entries of a batch with fewer of them where they are many; worked out once until another one arrives. */
export async function shortenedOf(database: Database, batchId: string, soup: Soup): Promise<Shortened> {
  const own = remembered.get(database) ?? new Map<string, Remembered>();
  remembered.set(database, own);
  const [row] = await database.db
    .select({ last: max(entries.arrival) })
    .from(entries)
    .where(and(eq(entries.subject, 'batch'), eq(entries.subjectId, batchId)));
  const lastArrival = row?.last ?? 0;
  const have = own.get(batchId);
  if (have?.lastArrival === lastArrival) return have.short;
  const all = await entriesOf(database, batchId);
  const short = shortened(all, soup);
  own.delete(batchId);
  if (short.entries.length === all.length) return short;
  // What arrived while it was read belongs to it.
  own.set(batchId, { lastArrival: all.at(-1)?.arrival ?? 0, short });
  const [oldest] = own.keys();
  if (own.size > MOST_REMEMBERED && oldest !== undefined) own.delete(oldest);
  return short;
}
