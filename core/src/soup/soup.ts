import { z } from 'zod';
import { AmountSchema } from '../amounts/index.js';
import { lineIdSchema } from '../steps/index.js';
import { BranchSchema } from './step.js';

/**
 * How a line's kilos follow the batch: as written times the scale; by the floor of the pan that it is fried in; or
 * settled by the step that takes it (stock to cover, salt and cream to a target).
 */
export const LineAmountSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('scaled'), amount: AmountSchema }),
  z.strictObject({ rule: z.literal('panFloor'), kgPerM2: z.number().positive().max(5) }),
  z.strictObject({ rule: z.literal('byStep') }),
]);

export const LineSchema = z.strictObject({
  id: lineIdSchema,
  ingredient: z.string().min(1).max(80),
  amount: LineAmountSchema,
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

/** The master: what we make and how. Amounts are as written for so many bowls. */
export const SoupSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/)
    .min(1)
    .max(60),
  name: z.string().min(1).max(80),
  lead: z.string().min(1).max(80),
  school: z.enum(['roast', 'sweat', 'raw']),
  served: z.enum(['hot', 'cold']),
  note: z.string().max(1000).optional(),
  writtenFor: z.strictObject({ bowls: z.number().positive().max(1000), bowlG: z.number().min(20).max(2000) }),
  lines: z.array(LineSchema).min(1).max(80),
  root: BranchSchema,
});
export type Soup = z.infer<typeof SoupSchema>;
