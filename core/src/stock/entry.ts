import { z } from 'zod';
import { StampSchema } from '../batch/index.js';
import { HINDRANCES } from '../cold/index.js';
import { OwnCoolingRuleSchema } from '../kit/index.js';
import { IngredientSchema } from '../larder/index.js';

/** Shape of entries of the stock as written now. */
export const STOCK_SHAPE = 1;

const id = z.uuid();
const kg = z.number().gt(0).max(5000);
const tempC = z.number().min(-60).max(120);
const name = z.string().trim().min(1).max(80);
/** Before the year 9900: days after it can still be written. */
const atMs = z.number().min(0).max(2.5e14);

/** Where containers stand. What is moved into a freezer freezes, what comes out of one thaws. */
export const StoreSchema = z.strictObject({
  id: z.string().min(1).max(60),
  name,
  kind: z.enum(['fridge', 'freezer', 'room']),
});
export type Store = z.infer<typeof StoreSchema>;

/** What shortens how long a soup keeps. */
export const SHORTENERS = ['cream', 'egg', 'shellfish'] as const;
export const DIETS = ['vegan', 'vegetarian', 'gluten-free', 'dairy-free'] as const;

/**
 * What is in a container, as it was when it was filled: a later version of the soup or of the larder does not rewrite it.
 * `row` is the soup as an ingredient: composition, salt, allergens and price; so it can go into another soup as it is.
 */
export const ContentsSchema = z.strictObject({
  name,
  soupId: z.string().max(60).optional(),
  version: z.int().min(1).optional(),
  share: z.string().max(60).optional(),
  bowlG: z.number().gt(0).max(5000),
  isServedCold: z.boolean(),
  bodyMPas: z.number().min(0).max(1e7),
  /** Freeze-dried: what a bowl weighed as soup, g; `bowlG` is what is left of it. */
  wetBowlG: z.number().gt(0).max(5000).optional(),
  holds: z.array(z.enum(SHORTENERS)),
  diets: z.array(z.enum(DIETS)),
  row: IngredientSchema,
});
export type Contents = z.infer<typeof ContentsSchema>;

/** Why soup left a container for good. */
export const TAKEN_AS = ['bowls', 'staff', 'sample', 'used', 'other'] as const;
export type TakenAs = (typeof TAKEN_AS)[number];

/** What happened to a container. Masses kg, lengths m, temperatures °C. */
export const StockActionSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('filled'),
    container: id,
    vessel: name,
    kg,
    /** Ice and salt of it that did not come out of the pot. */
    addedKg: kg.optional(),
    madeMs: atMs,
    /** The batch, and its entry that says what was left over. */
    from: z.strictObject({ batchId: id, entryId: id.optional() }).optional(),
    store: StoreSchema,
    contents: ContentsSchema,
  }),
  /** Set to cool: from now on its temperature is watched against a rule. */
  z.strictObject({
    kind: z.literal('set to cool'),
    container: id,
    startC: tempC,
    depthM: z.number().gt(0).max(1),
    place: z.string().min(1).max(60),
    isStirred: z.boolean(),
    /** What keeps the air from it. */
    hindered: z.array(z.enum(HINDRANCES)).max(3).optional(),
    rule: z.string().min(1).max(60),
    words: z.string().max(300),
    /** The kitchen's own rule as it was then, where it is cooled by that. */
    own: OwnCoolingRuleSchema.optional(),
    /** Since when its rule counts, where that is not this moment: a pan that is rescued goes on with the time it had. */
    countsFromMs: atMs.optional(),
  }),
  z.strictObject({ kind: z.literal('read'), container: id, tempC, from: z.string().max(60).optional() }),
  /** Cold enough: out of the watch, into its store. */
  z.strictObject({ kind: z.literal('cooled'), container: id, store: StoreSchema }),
  z.strictObject({ kind: z.literal('moved'), container: id, store: StoreSchema }),
  z.strictObject({ kind: z.literal('opened'), container: id }),
  /** Into a freeze-dryer, in so many trays. */
  z.strictObject({
    kind: z.literal('set to dry'),
    container: id,
    trays: z.int().min(1).max(200),
    squares: z.int().min(1).max(200),
  }),
  /** What all its cakes weigh by now, without their trays. */
  z.strictObject({ kind: z.literal('weighed dry'), container: id, kg }),
  /** Dry: so much is left of it, and stands there now. */
  z.strictObject({ kind: z.literal('dried'), container: id, kg, store: StoreSchema }),
  /** Some of it into a container of its own. */
  z.strictObject({ kind: z.literal('split'), container: id, into: id, vessel: name, kg }),
  /** Some or all of another container into this one. */
  z.strictObject({ kind: z.literal('joined'), container: id, other: id, kg }),
  z.strictObject({ kind: z.literal('took'), container: id, kg, as: z.enum(TAKEN_AS), batchId: id.optional() }),
  /** Brought back for service: it leaves the stock hot, and does not come back. */
  z.strictObject({ kind: z.literal('reheated'), container: id, kg, toC: tempC, minutes: z.number().min(0).max(1440) }),
  z.strictObject({ kind: z.literal('threw away'), container: id, kg, why: z.string().trim().min(1).max(200) }),
  /** What is really there, counted or weighed. */
  z.strictObject({ kind: z.literal('recounted'), container: id, kg: z.number().min(0).max(5000) }),
  z.strictObject({ kind: z.literal('note'), container: id, text: z.string().trim().min(1).max(500) }),
  z.strictObject({ kind: z.literal('undone'), container: id, target: id }),
  /** A fridge or freezer was looked at. `corrects` an earlier look, with why: what was written first stays on record. */
  z.strictObject({
    kind: z.literal('checked'),
    store: StoreSchema,
    tempC,
    corrects: z.strictObject({ entryId: id, why: z.string().trim().min(1).max(200) }).optional(),
  }),
]);
export type StockAction = z.infer<typeof StockActionSchema>;

/** One thing that happened to the stock, named in the browser where it was entered. */
export const StockEntrySchema = z.strictObject({
  of: z.literal('stock'),
  id,
  shape: z.literal(STOCK_SHAPE),
  stamp: StampSchema,
  atMs,
  who: z.string().max(40),
  action: StockActionSchema,
});
export type StockEntry = z.infer<typeof StockEntrySchema>;

/**
 * What an entry ties together: every container that it touches, and the batch that it filled from or was used in. What is
 * tied must be folded together, since what one container got another gave.
 */
export function tiesOf({ action }: Pick<StockEntry, 'action'>): readonly string[] {
  if (action.kind === 'checked') return [];
  const own = [action.container];
  if (action.kind === 'split') own.push(action.into);
  if (action.kind === 'joined') own.push(action.other);
  if (action.kind === 'filled' && action.from !== undefined) own.push(action.from.batchId);
  if (action.kind === 'took' && action.batchId !== undefined) own.push(action.batchId);
  return own;
}
