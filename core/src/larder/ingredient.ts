import { z } from 'zod';
import { ALLERGENS, ORIGINS, OTHER_CEREALS } from './allergen.js';

const share = z.number().gt(0).max(1);
const per100 = z.number().min(0).max(100).default(0);
const grams = z.number().positive().max(5000);
const scoville = z.number().min(0).max(4_000_000);
const name = z.string().min(1).max(80);

/** What an ingredient's grams are of. */
const PARTS = ['water', 'fat', 'protein', 'starch', 'sugars', 'other', 'fibre', 'salt', 'acid', 'ethanol', 'ash'] as const;

/** Larder groups, in the order in which a list is walked. */
export const GROUPS = [
  'roots',
  'potatoes',
  'squashes',
  'alliums',
  'stems',
  'leaves',
  'fruit vegetables',
  'brassicas',
  'mushrooms',
  'pulses',
  'canned goods',
  'fruit',
  'nuts',
  'liquids',
  'drinks',
  'coconut and plant creams',
  'dairy',
  'cheeses',
  'eggs',
  'fats',
  'flours and starches',
  'breads',
  'seasoning',
  'pastes and sauces',
  'meat',
  'herbs',
  'spices',
  'chillies',
  'kept soup',
] as const;

/**
 * One way of trimming: the share of what was bought that goes on, as a mean and a spread, with its source. `saltKept`
 * is the share of the salt in what goes on that stays there, where rinsing takes some (drained cans, capers).
 */
export const TrimSchema = z.strictObject({
  way: z.string().min(1).max(60),
  share,
  sd: z.number().min(0).max(0.3),
  saltKept: share.optional(),
  source: z.string().min(1),
});

/**
 * A row of the larder. Composition is grams per 100 g of the edible part; `other` is soluble carbohydrate that is
 * neither starch nor sugar (fructans, gums); pieces, cups and spoons are grams of the edible part (cup 236.6 mL,
 * spoons US), cans and cartons of the contents; intrinsic sodium does not count the NaCl in the salt column.
 */
export const IngredientSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/)
    .max(60),
  /** Name in British use, and in American and Australian where they differ; `aka` is what else people write. */
  name,
  us: name.optional(),
  au: name.optional(),
  aka: z.array(name).max(20).optional(),
  varietyOf: z.string().min(1).optional(),
  group: z.enum(GROUPS),
  composition: z
    .strictObject({
      water: per100,
      fat: per100,
      protein: per100,
      starch: per100,
      sugars: per100,
      other: per100,
      fibre: per100,
      salt: per100,
      acid: per100,
      ethanol: per100,
      ash: per100,
      sodiumMg: z.number().min(0).max(40000).default(0),
      potassiumMg: z.number().min(0).max(20000).default(0),
      source: z.string().min(1),
    })
    // A kilo of nothing can't be weighed out: whatever was made of it would be no number.
    .refine((c) => PARTS.some((part) => c[part] > 0), { message: 'it has nothing in it' }),
  trims: z.array(TrimSchema).min(1),
  pieces: z.record(z.string(), grams).optional(),
  cups: z.record(z.string(), grams).optional(),
  spoons: z.strictObject({ tsp: grams.optional(), tbsp: grams.optional() }).optional(),
  weightsSource: z.string().optional(),
  /** Density of the ingredient itself, for liquids; kg/m3. */
  densityKgM3: z.number().min(300).max(2500).optional(),
  /** How it looks cooked and blended alone, and how strongly it covers other colours by its scattering (a vegetable is 1, water 0, double cream 25: kitchen defaults). */
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
  covering: z.number().min(0).max(60),
  /** Softening rate against the kitchen default (1): 0 for what never softens or is liquid already. */
  softening: z.number().min(0).max(4),
  /** Thickest that a piece of it gets, however large it is cut: the wall of a pepper, a leaf; mm. Kitchen default. */
  wallMm: z.number().min(0.5).max(100).optional(),
  /** Least minutes hot until its rawness has cooked out; kitchen default. */
  meldMinutes: z.number().min(0).max(240).default(0),
  /** Seeds and skins that a sieve holds back, as a share of the edible part; kitchen default. */
  skins: z.number().min(0).max(0.5).default(0),
  /** How its fibre and its starch thicken, where it is not as its kind: against free fibre and free starch, which are 1. */
  thickens: z
    .strictObject({ pulp: z.number().min(0).max(6), starch: z.number().min(0).max(3) })
    .partial()
    .optional(),
  /** Range of its heat, Scoville units by mass as it comes. */
  scoville: z.strictObject({ low: scoville, high: scoville }).optional(),
  /** Bite of pepper, ginger, mustard, horseradish, against ground black pepper, which is 1; kitchen default. */
  bite: z.number().min(0).max(2).default(0),
  storedAtC: z.number().min(-30).max(40),
  allergens: z.array(z.enum(ALLERGENS)),
  cereal: z.enum(OTHER_CEREALS).optional(),
  origin: z.enum(ORIGINS),
  /** Default price in the kitchen's currency, per kg as bought: a kitchen default, there to be corrected. */
  pricePerKg: z.number().min(0).max(20_000).default(0),
});

/**
 * Groups that nobody tries with a fork: what comes cooked, what is soft as soon as it is hot, and what only flavours.
 * Common practice.
 */
const NO_FORK: ReadonlySet<(typeof GROUPS)[number]> = new Set([
  'canned goods',
  'breads',
  'pastes and sauces',
  'meat',
  'mushrooms',
  'leaves',
  'fruit',
  'nuts',
  'herbs',
  'spices',
  'chillies',
  'kept soup',
]);
/** Groups whose starch has been cooked before it is bought. */
const COOKED: ReadonlySet<(typeof GROUPS)[number]> = new Set(['canned goods', 'breads', 'kept soup']);

/** Whether its pieces are cooked until a fork goes in. */
export function isForked({ group }: Pick<IngredientRow, 'group'>): boolean {
  return !NO_FORK.has(group);
}

export function comesCooked({ group }: Pick<IngredientRow, 'group'>): boolean {
  return COOKED.has(group);
}

/** A row as read, with what was left out filled in. */
export type IngredientRow = z.infer<typeof IngredientSchema>;
export type Trim = z.infer<typeof TrimSchema>;

/** A data file of the larder: what ships, or a cook's own beside it. */
export const LarderFileSchema = z.strictObject({
  $schema: z.string().optional(),
  ingredients: z.array(IngredientSchema).min(1).max(5000),
});
