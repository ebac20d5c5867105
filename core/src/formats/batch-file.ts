import { z } from 'zod';
import { EntryShape, type StoredEntry } from '../batch/index.js';
import { SnapshotSchema, type Snapshot } from '../plan/index.js';

/** Shape of a batch file as written now. */
export const BATCH_FILE_SHAPE = 1;

/** A batch as one file: everything that it was computed from, and every entry, so that another kitchen can read it. */
export const BatchFileSchema = z.object({
  shape: z.literal(BATCH_FILE_SHAPE),
  kind: z.literal('batch'),
  id: z.uuid(),
  soupName: z.string().max(120),
  startedAtMs: z.number().min(0).max(8.64e15),
  snapshot: SnapshotSchema,
  entries: z.array(EntryShape).max(100_000),
});
export type BatchFile = z.infer<typeof BatchFileSchema>;

/** A batch as the text of its file. */
export function toBatchFile(batch: {
  readonly id: string;
  readonly soupName: string;
  readonly startedAtMs: number;
  readonly snapshot: Snapshot;
  readonly entries: readonly StoredEntry[];
}): string {
  const { id, soupName, startedAtMs, snapshot } = batch;
  const entries = batch.entries.map((entry) => ({ ...entry, arrival: undefined }));
  return `${JSON.stringify({ shape: BATCH_FILE_SHAPE, kind: 'batch', id, soupName, startedAtMs, snapshot, entries }, undefined, 1)}\n`;
}
