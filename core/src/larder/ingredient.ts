import { z } from 'zod';
import { ALLERGENS, ORIGINS } from './allergen.js';

const share = z.number().gt(0).max(1);
const per100 = z.number().min(0).max(100);
const grams = z.number().positive().max(5000);

export const GROUPS = [
  'roots',
  'squashes',
  'alliums',
  'stems',
  'leaves',
  'fruit vegetables',
  'brassicas',
  'mushrooms',
  'pulses',
  'fruit',
  'liquids',
  'fats',
  'dairy',
  'seasoning',
  'herbs',
] as const;

/** One way of trimming: the share of what was bought that goes on, as a mean and a spread, with its source. */
export const TrimSchema = z.strictObject({
  way: z.string().min(1),
  share,
  sd: z.number().min(0).max(0.3),
  source: z.string().min(1),
});

/**
 * A row of the larder. Composition is grams per 100 g of the edible part; pieces, cups and spoons are grams of the
 * edible part (cup 236.6 mL, spoons US); intrinsic sodium does not count the NaCl in the salt column.
 */
export const IngredientSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  name: z.string().min(1),
  us: z.string().min(1).optional(),
  au: z.string().min(1).optional(),
  group: z.enum(GROUPS),
  composition: z.strictObject({
    water: per100,
    fat: per100,
    protein: per100,
    starch: per100,
    sugars: per100,
    fibre: per100,
    salt: per100,
    acid: per100,
    ethanol: per100,
    ash: per100,
    sodiumMg: z.number().min(0).max(40000),
    potassiumMg: z.number().min(0).max(20000),
    source: z.string().min(1),
  }),
  trims: z.array(TrimSchema).min(1),
  pieces: z.record(z.string(), grams).optional(),
  cups: z.record(z.string(), grams).optional(),
  spoons: z.strictObject({ tsp: grams.optional(), tbsp: grams.optional() }).optional(),
  /** Density of the ingredient itself, for liquids; kg/m3. */
  densityKgM3: z.number().min(300).max(2500).optional(),
  /** How it looks cooked and blended alone, and how strongly it covers other colours by its scattering (a vegetable is 1, water 0, double cream 25: kitchen defaults). */
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
  covering: z.number().min(0).max(60),
  /** Softening rate against the kitchen default (1): 0 for what never softens or is liquid already. */
  softening: z.number().min(0).max(4),
  storedAtC: z.number().min(-30).max(40),
  allergens: z.array(z.enum(ALLERGENS)),
  origin: z.enum(ORIGINS),
  weightsSource: z.string().optional(),
});

export type IngredientRow = z.infer<typeof IngredientSchema>;
export type Trim = z.infer<typeof TrimSchema>;
