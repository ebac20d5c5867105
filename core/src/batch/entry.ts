import { z } from 'zod';
import { lineIdSchema, minutesSchema } from '../steps/index.js';

/** Shape of entries as written now; older ones are lifted when read. */
export const ENTRY_SHAPE = 1;

/**
 * Orders entries by cause, not by clock: a counter that is one more than any seen (Lamport 1978), then the device,
 * then its own sequence. Wall time only measures durations.
 */
export const StampSchema = z.strictObject({
  counter: z
    .int()
    .min(0)
    .max(2 ** 50),
  device: z.string().regex(/^[A-Za-z0-9-]{4,60}$/),
  seq: z
    .int()
    .min(0)
    .max(2 ** 50),
});
export type Stamp = z.infer<typeof StampSchema>;

const stepId = z.string().min(1).max(60);
const kg = z.number().gt(0).max(5000);

/** What happened. Masses kg, volumes m3, lengths m. */
export const DeedSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started'), stepId }),
  z.strictObject({ kind: z.literal('done'), stepId, minutes: minutesSchema.optional() }),
  /** So many of a vessel of known volume of one line. */
  z.strictObject({
    kind: z.literal('poured'),
    stepId,
    line: lineIdSchema,
    vessel: z.string().min(1).max(60),
    volumeM3: z.number().gt(0).max(1),
  }),
  z.strictObject({ kind: z.literal('added'), stepId, line: lineIdSchema, kg }),
  z
    .strictObject({ kind: z.literal('weighed'), stepId, grossKg: z.number().min(0).max(5000), tareKg: z.number().min(0).max(1000) })
    .refine(({ grossKg, tareKg }) => grossKg >= tareKg, { path: ['grossKg'], message: 'BELOW_TARE' }),
  z.strictObject({ kind: z.literal('dipped'), stepId, belowRimM: z.number().min(0).max(3) }),
  z.strictObject({ kind: z.literal('dished'), bowls: z.number().min(0).max(20_000) }),
  z.strictObject({ kind: z.literal('note'), text: z.string().min(1).max(1000) }),
  z.strictObject({ kind: z.literal('undone'), target: z.uuid() }),
  z.strictObject({ kind: z.literal('closed') }),
]);
export type Deed = z.infer<typeof DeedSchema>;

/** One thing a cook did, named in the browser where it was done. */
export const EntrySchema = z.strictObject({
  id: z.uuid(),
  shape: z.literal(ENTRY_SHAPE),
  stamp: StampSchema,
  atMs: z.number().min(0).max(8.64e15),
  who: z.string().max(40),
  deed: DeedSchema,
});
export type Entry = z.infer<typeof EntrySchema>;

/** An entry as the server keeps it; `late` when it came after the batch was closed. */
export interface KeptEntry extends Entry {
  readonly late: boolean;
}

/** Negative when a comes before b. A total order: ids break what stamps leave open. */
export function compareEntries(a: Entry, b: Entry): number {
  if (a.stamp.counter !== b.stamp.counter) return a.stamp.counter - b.stamp.counter;
  if (a.stamp.device !== b.stamp.device) return a.stamp.device < b.stamp.device ? -1 : 1;
  if (a.stamp.seq !== b.stamp.seq) return a.stamp.seq - b.stamp.seq;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
