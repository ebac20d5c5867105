import { z } from 'zod';
import { BodyReadingSchema } from '../body/index.js';
import { IngredientSchema } from '../larder/index.js';
import { renamed } from '../shape/index.js';
import { LEAVES_AS, LIDS, bodySchema, lineIdSchema, minutesSchema } from '../steps/index.js';

/** Shape of entries as written now; older ones are lifted when read. */
export const ENTRY_SHAPE = 2;

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
const timer = z.string().regex(/^[A-Za-z0-9-]{1,60}$/);
const timerMinutes = z.number().gt(0).max(2880);

/** Tasted in this order, one at a time: common practice. */
export const TASTED = ['salt', 'sour', 'sweet', 'heat', 'body'] as const;
export type Tasted = (typeof TASTED)[number];

/** What happened. Masses kg, volumes m3, lengths m. */
const HappenedSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started'), stepId }),
  /** `gaveKg`: what the page said it wants when it was ticked, where a record that was put right would say something else now. */
  z.strictObject({
    kind: z.literal('done'),
    stepId,
    minutes: minutesSchema.optional(),
    gaveKg: z.number().min(0).max(5000).optional(),
  }),
  /** A step that is not done at all; a reason may be given. */
  z.strictObject({ kind: z.literal('skipped'), stepId, why: z.string().max(200).optional() }),
  /** A timer from this moment on, of a step or free; its end is a time of day, so that nothing stops it. */
  z.strictObject({
    kind: z.literal('timed'),
    timer,
    name: z.string().min(1).max(60),
    stepId: stepId.optional(),
    minutes: timerMinutes,
    /** Reminded on the way, every so many minutes: of tossing, of stirring. */
    every: z.strictObject({ minutes: timerMinutes, of: z.string().min(1).max(40) }).optional(),
  }),
  z.strictObject({ kind: z.literal('longer'), timer, minutes: z.number().min(-240).max(240) }),
  z.strictObject({ kind: z.literal('silenced'), timer }),
  /** So many of a vessel of known volume of one line. */
  z.strictObject({
    kind: z.literal('poured'),
    stepId,
    line: lineIdSchema,
    vessel: z.string().min(1).max(60),
    volumeM3: z.number().gt(0).max(1),
  }),
  z.strictObject({ kind: z.literal('added'), stepId, line: lineIdSchema, kg }),
  /** By the scale, with what the empty pot weighs; 0 where the scale was tared. Less than the empty pot is kept and not used. */
  z.strictObject({ kind: z.literal('weighed'), stepId, grossKg: z.number().min(0).max(5000), tareKg: z.number().min(0).max(1000) }),
  z.strictObject({ kind: z.literal('dipped'), stepId, belowRimM: z.number().min(0).max(3) }),
  z.strictObject({ kind: z.literal('body'), stepId, reading: BodyReadingSchema }),
  /** Salt of the soup by a meter, %. */
  z.strictObject({ kind: z.literal('salt'), stepId, saltPct: z.number().gt(0).max(20) }),
  z.strictObject({ kind: z.literal('temperature'), stepId, tempC: z.number().min(-40).max(400) }),
  /** How it tastes, from far too little to far too much; 0 is right. */
  z.strictObject({
    kind: z.literal('tasted'),
    stepId,
    taste: z.enum(TASTED),
    side: z.int().min(-2).max(2),
    taster: z.string().trim().min(1).max(12).optional(),
  }),
  /** A cup weighed out, dosed, and liked: what it took of the pot is gone from it. The dose went into the cup and is on record only. */
  z.strictObject({
    kind: z.literal('cup'),
    stepId,
    cupKg: z.number().gt(0).max(5),
    line: lineIdSchema,
    doseKg: z.number().min(0).max(1),
  }),
  /** One jug filled to a share of it, at a temperature, and blended. `read`: the reason against so full a jug was read. */
  z.strictObject({
    kind: z.literal('jugged'),
    stepId,
    fillShare: z.number().gt(0).max(1),
    tempC: z.number().min(-40).max(400),
    read: z.boolean(),
  }),
  /** What stayed in the sieve, weighed. */
  z.strictObject({ kind: z.literal('sieved'), stepId, lostKg: z.number().min(0).max(500) }),
  /** Of what lies beside the pot, so much is given back. */
  z.strictObject({ kind: z.literal('gave back'), stepId, line: lineIdSchema, share: z.number().gt(0).max(1) }),
  /** Kept hot for a while, in the pot, before or between bowls. */
  z.strictObject({
    kind: z.literal('held'),
    stepId,
    minutes: z.number().gt(0).max(1440),
    atC: z.number().min(40).max(95),
    lid: z.enum(LIDS),
    topUp: lineIdSchema.optional(),
  }),
  z.strictObject({ kind: z.literal('ladled out'), stepId, kg, as: z.enum(LEAVES_AS) }),
  /** Filled up from a second pot of the same soup, at its temperature. */
  z.strictObject({ kind: z.literal('refilled'), stepId, kg, tempC: z.number().min(0).max(110) }),
  /** Another ingredient in the place of a line's, with all that is known of it, so that its allergens count at once. */
  z.strictObject({ kind: z.literal('swapped'), line: lineIdSchema, row: IngredientSchema }),
  /** Something that was never planned. */
  z.strictObject({
    kind: z.literal('brought'),
    stepId,
    line: lineIdSchema,
    row: IngredientSchema,
    kg,
    /** Kept soup: the container that it came out of, and the entry of the stock that says so. */
    kept: z.strictObject({ container: z.uuid(), entryId: z.uuid() }).optional(),
  }),
  /** A line that does not go in this time. */
  z.strictObject({ kind: z.literal('left out'), line: lineIdSchema }),
  /** Bowls that went out, of one share where the soup has several; `sitting` counts services. */
  z.strictObject({
    kind: z.literal('dished'),
    bowls: z.number().min(0).max(20_000),
    share: lineIdSchema.optional(),
    sitting: z.int().min(1).max(9).optional(),
  }),
  /** What is left when service is over goes to be cooled and kept. */
  z.strictObject({ kind: z.literal('stored'), kg }),
  /** A body that the cook asks for where the card asks for none, mPa·s as it is served. */
  z.strictObject({ kind: z.literal('wanted'), mPas: bodySchema }),
  z.strictObject({
    kind: z.literal('note'),
    text: z.string().max(1000),
    stepId: stepId.optional(),
    photo: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional(),
  }),
  z.strictObject({ kind: z.literal('undone'), target: z.uuid() }),
  z.strictObject({ kind: z.literal('closed') }),
]);

/**
 * What happened, or that an earlier entry said it wrongly: what stands here counts in its place, at its moment, and the
 * entry itself is kept as it was written.
 */
export const ActionSchema = z.discriminatedUnion('kind', [
  ...HappenedSchema.options,
  z.strictObject({
    kind: z.literal('corrected'),
    target: z.uuid(),
    to: HappenedSchema,
    /** What was found wrong. */
    why: z.string().max(200).optional(),
  }),
]);
export type Action = z.infer<typeof ActionSchema>;

/** One thing a cook did, named in the browser where it was done. */
export const EntryShape = z.strictObject({
  id: z.uuid(),
  shape: z.literal(ENTRY_SHAPE),
  stamp: StampSchema,
  atMs: z.number().min(0).max(8.64e15),
  who: z.string().max(40),
  action: ActionSchema,
});
export type Entry = z.infer<typeof EntryShape>;

/** Shape 1 called an action a deed. */
export function liftEntry(value: unknown): unknown {
  const isFirst = typeof value === 'object' && value !== null && 'shape' in value && value.shape === 1;
  return isFirst ? { ...(renamed(value, { deed: 'action' }) as object), shape: ENTRY_SHAPE } : value;
}

/** An entry as a request brings it: a tablet that was away may still send an older shape. */
export const EntrySchema = z.unknown().transform(liftEntry).pipe(EntryShape);

/** An entry on record: `arrival` says as which one the server got it, over all batches; undefined until it has. */
export interface StoredEntry extends Entry {
  readonly arrival?: number | undefined;
  /** Of a batch that is told shortened: how many entries it stands for. */
  readonly together?: number;
}

/** Negative when a comes before b. A total order: ids break what stamps leave open. */
export function compareEntries(a: Pick<Entry, 'id' | 'stamp'>, b: Pick<Entry, 'id' | 'stamp'>): number {
  if (a.stamp.counter !== b.stamp.counter) return a.stamp.counter - b.stamp.counter;
  if (a.stamp.device !== b.stamp.device) return a.stamp.device < b.stamp.device ? -1 : 1;
  if (a.stamp.seq !== b.stamp.seq) return a.stamp.seq - b.stamp.seq;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
