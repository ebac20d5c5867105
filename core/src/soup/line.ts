import { z } from 'zod';
import { AmountSchema } from '../amounts/index.js';
import { SPICE_SCALINGS } from '../season/index.js';
import { lineIdSchema } from '../steps/index.js';

/**
 * How a line's kilos follow the batch: as written times the scale; as spice, by the soup's school; by the floor of the
 * pan that it is fried in; fixed; or settled by the step that takes it (stock to cover, salt and cream to a target).
 */
export const LineAmountSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('scaled'), amount: AmountSchema }),
  z.strictObject({ rule: z.literal('spice'), amount: AmountSchema }),
  z.strictObject({ rule: z.literal('panFloor'), kgPerM2: z.number().positive().max(5) }),
  z.strictObject({ rule: z.literal('byStep') }),
  /** So many kilos, whatever the batch. */
  z.strictObject({ rule: z.literal('fixed'), kg: z.number().gt(0).max(5000) }),
]);

/** What a line's ingredient begins with when it is another card's outcome. */
export const CARD = 'card:';

export const LineSchema = z.strictObject({
  id: lineIdSchema,
  /** A larder id, or `card:` and the id of a card of this soup. */
  ingredient: z.string().min(1).max(80),
  amount: LineAmountSchema,
  /** The line as the cook wrote it, where it was read from words. */
  written: z.string().min(1).max(300).optional(),
  /** May be left out; the soup is none the worse. */
  optional: z.boolean().optional(),
  /** A way of trimming that the larder row knows; left out when nothing is trimmed. */
  way: z.string().min(1).max(60).optional(),
  cut: z
    .strictObject({
      shape: z.enum(['slab', 'cylinder', 'cube']),
      sizeMm: z.number().positive().max(400),
      name: z.string().min(1).max(40),
    })
    .optional(),
});
export type Line = z.infer<typeof LineSchema>;

/**
 * Where cooks disagree, as settings: each changes the steps in its own way when the soup is prepared, so that one
 * soup can be run under two of them. What is left out stays as the steps say.
 */
export const MethodChoicesSchema = z.strictObject({
  colour: z.enum(['roast', 'sweat']).optional(),
  liquid: z.enum(['stock', 'water', 'half']).optional(),
  finish: z.enum(['cream', 'coconut', 'potato', 'none']).optional(),
  thickness: z.enum(['thick-then-thin', 'exact']).optional(),
  concentrate: z.enum(['reduce', 'thicken']).optional(),
  sieve: z.boolean().optional(),
  salt: z.enum(['early', 'late']).optional(),
  garlic: z.enum(['first', 'with the onion', 'after the onion', 'roasted whole']).optional(),
  sweatHeat: z.enum(['gentle', 'high']).optional(),
  cream: z.enum(['hot', 'rested']).optional(),
  thin: z.enum(['before the blade', 'after the blade']).optional(),
  spices: z.enum(SPICE_SCALINGS).optional(),
  moreSaltWhenCold: z.boolean().optional(),
});
export type MethodChoices = z.infer<typeof MethodChoicesSchema>;
