import { z } from 'zod';
import { IngredientSchema } from '../larder/index.js';
import { KEPT_SOUP } from '../soup/index.js';
import { AnchorSchema } from '../solve/index.js';

/** Most bowls that one plan is made for: more than any kitchen's day, less than a slip of the keys. */
export const MOST_BOWLS = 20_000;
/** A sip and a washing-up bowl, g: what lies beyond is a slip of the keys. */
export const LEAST_BOWL_G = 20;
export const MOST_BOWL_G = 2000;

/** Soup from the cold that goes in: out of which container, how much of it, and what it is. */
export const KeptPartSchema = z
  .strictObject({ container: z.uuid(), kg: z.number().gt(0).max(5000), row: IngredientSchema })
  .refine(({ container, row }) => row.id === `${KEPT_SOUP}${container}`, {
    path: ['row', 'id'],
    message: 'it has to be that of its container, and of nothing in the larder',
  });

/** What a cook asks for: this soup, so many bowls of so many grams, in that pot. */
export const PlanRequestSchema = z.strictObject({
  bowls: z.number().gt(0).max(MOST_BOWLS),
  bowlG: z.number().min(LEAST_BOWL_G).max(MOST_BOWL_G),
  potId: z.string().min(1).max(60),
  /** Other sides from which the batch is wanted; when there are any they decide, and `bowls` is what they come to. */
  anchors: z.array(AnchorSchema).min(1).max(6).optional(),
  /** A variant of the soup, by its id. */
  variant: z.string().max(60).optional(),
  /** Optional lines that are left out this time. */
  without: z.array(z.string().max(60)).max(40).optional(),
  /** Kept soup that is stirred in. */
  kept: z
    .array(KeptPartSchema)
    .min(1)
    .max(3)
    .refine((parts) => new Set(parts.map(({ container }) => container)).size === parts.length, { message: 'each container once' })
    .optional(),
  /** Bowls of the same soup that are brought back beside those that are cooked. */
  broughtBack: z.int().min(1).max(MOST_BOWLS).optional(),
});
export type PlanRequest = z.infer<typeof PlanRequestSchema>;
