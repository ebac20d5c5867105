import { z } from 'zod';
import { lineIdSchema } from '../steps/index.js';
import { LineSchema, MethodChoicesSchema } from './line.js';

/**
 * The same soup in another direction: another spice set, another finish. It says only what differs: lines that take the
 * place of the soup's own, lines that go in beside one of them, lines left out, method choices.
 */
export const VariantSchema = z.strictObject({
  id: lineIdSchema,
  name: z.string().min(1).max(60),
  instead: z.array(LineSchema).max(20).optional(),
  beside: z
    .array(z.strictObject({ of: lineIdSchema, line: LineSchema }))
    .max(20)
    .optional(),
  without: z.array(lineIdSchema).max(20).optional(),
  methodChoices: MethodChoicesSchema.optional(),
});
export type Variant = z.infer<typeof VariantSchema>;
