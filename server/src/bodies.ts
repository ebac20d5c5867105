import { EntrySchema } from '@tureen/core/batch';
import { DaySchema, MenuCycleSchema } from '@tureen/core/board';
import { KitSchema, KitShape } from '@tureen/core/kit';
import { IngredientSchema } from '@tureen/core/larder';
import { PlanRequestSchema } from '@tureen/core/plan';
import { renamed } from '@tureen/core/shape';
import { SoupSchema } from '@tureen/core/soup';
import { SupplyEntrySchema } from '@tureen/core/shop';
import { StockEntrySchema } from '@tureen/core/stock';
import { z } from 'zod';

/* What requests may bring: everything from outside passes one of these before it is looked at. */

/** Entries that one request may bring: a whole day offline. */
const MOST_ENTRIES = 1000;

const uuid = z.uuid();
/** Where a new kitchen stands; what is left out is left open. */
export const PlaceSchema = KitShape.pick({ country: true, units: true, currency: true, zone: true });
export const KitchenChoiceSchema = z.union([
  z.strictObject({ ready: z.enum(['home', 'cafe', 'canteen']), place: PlaceSchema.optional() }),
  z.strictObject({ kit: KitSchema }),
]);
export const SoupBodySchema = z.strictObject({ soup: SoupSchema, basedOn: z.int().min(0), note: z.string().max(500) });
/** A page from before an update calls the request of a plan what it asks. */
export function withRequest<Body extends z.ZodType>(schema: Body): z.ZodType<z.output<Body>, z.input<Body>> {
  return z.preprocess((body) => renamed(body, { ask: 'request' }), schema);
}

export const PlanBodySchema = z.strictObject({
  id: uuid,
  soupId: z.string().max(60),
  version: z.int().min(1),
  request: PlanRequestSchema,
});
export const ShelfBodySchema = z.strictObject({ tags: z.array(z.string().trim().max(40)).max(30), retired: z.boolean() });
export const PlanChangeSchema = z.strictObject({ version: z.int().min(1), request: PlanRequestSchema });
export const PlanNoteSchema = z.strictObject({
  ticks: z.array(z.string().max(160)).max(400),
  bowlPrice: z.number().min(0).max(10_000).nullable(),
});
export const CorrectionSchema = z.strictObject({ row: IngredientSchema.nullable(), why: z.string().trim().min(1).max(300) });
export const PricesSchema = z.strictObject({
  source: z.string().trim().min(1).max(120),
  prices: z
    .array(
      z.strictObject({
        ingredient: z.string().max(60),
        pricePerKg: z.number().min(0).max(20_000),
        day: z.iso.date().optional(),
      }),
    )
    .min(1)
    .max(5000),
});
/** `startedAtMs`: of a batch that is entered after it was cooked; one that starts now leaves it out. */
export const BatchBodySchema = z.strictObject({
  id: uuid,
  planId: uuid,
  startedAtMs: z.number().int().min(0).max(8.64e15).optional(),
});
export const EntriesBodySchema = z.strictObject({ entries: z.array(EntrySchema).min(1).max(MOST_ENTRIES) });
export const StockBodySchema = z.strictObject({ entries: z.array(StockEntrySchema).min(1).max(MOST_ENTRIES) });
/** A learnt figure held at an offset, or learnt anew from a moment on; neither takes back what was said. */
export const FigureChoiceSchema = z
  .strictObject({
    key: z.string().min(1).max(140),
    holds: z.number().min(-3).max(3).optional(),
    sinceMs: z.number().int().min(0).max(8.64e15).optional(),
  })
  .refine(({ holds, sinceMs }) => holds === undefined || sinceMs === undefined, { message: 'it is either held or learnt anew' });
/** A day, and which state of it was seen; null where there was none. */
export const DayBodySchema = z.strictObject({ day: DaySchema, seenMs: z.number().int().nullable() });
export const MenuBodySchema = z.strictObject({ cycle: MenuCycleSchema, seenMs: z.number().int().nullable() });
export const SuppliesBodySchema = z.strictObject({ entries: z.array(SupplyEntrySchema).min(1).max(500) });
export const TeachingSchema = z.strictObject({ counts: z.boolean().nullable() });
/** What the clock of a practice says now, and how many times as fast as the wall's it goes; 0 where it is stopped. */
export const PracticeClockSchema = z.strictObject({
  practiceMs: z.int().min(0).max(8_640_000_000_000_000),
  speed: z.int().min(0).max(600),
});

/** A practice that begins: its batch and plan, the lesson and its way where it has several, which hidden kitchen, and who practises. */
export const PracticeBodySchema = z.strictObject({
  batchId: z.uuid(),
  planId: z.uuid(),
  lesson: z.string().min(1).max(60),
  way: z.enum(['roast', 'sweat']).optional(),
  seed: z.int().min(1).max(1_000_000),
  who: z.string().trim().max(40),
});
