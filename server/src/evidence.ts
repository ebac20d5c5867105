import { asCooked, type BatchState } from '@tureen/core/batch';
import { evidenceOfBatch } from '@tureen/core/learn';
import { eq } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import type { Database } from './database.js';
import { batchEvidence, learnedStates } from './schema.js';

const changes = new WeakMap<Database, number>();

/** How often what batches teach has changed: what was worked out before is out of date. */
export function learnedVersion(database: Database): number {
  return changes.get(database) ?? 0;
}

/** What was learnt is worked out anew when it is asked for next. */
export function forgetLearned(database: Database): void {
  changes.set(database, learnedVersion(database) + 1);
}

/** What closing or opening a batch again writes of what it teaches. Once that is on disk, what was learnt is out of date (`forgetLearned`). */
export function evidenceStatements({ db, learns }: Database, batchId: string, state: BatchState): BatchItem<'sqlite'>[] {
  const evidence = learns && state.closed ? evidenceOfBatch(asCooked(state.planned, state.history.all)) : undefined;
  const atMs = state.history.all[0]?.atMs ?? 0;
  return [
    db.delete(learnedStates),
    db.delete(batchEvidence).where(eq(batchEvidence.batchId, batchId)),
    ...(evidence === undefined ? [] : [db.insert(batchEvidence).values({ batchId, atMs: Math.round(atMs), evidence })]),
  ];
}
