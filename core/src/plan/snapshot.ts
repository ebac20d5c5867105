import { z } from 'zod';
import { KitShape } from '../kit/index.js';
import { IngredientSchema } from '../larder/index.js';
import { SoupShape } from '../soup/index.js';
import { PlanRequestSchema } from './request.js';

/** A plan's snapshot as it is kept and as a file brings it. */
export const SnapshotSchema = z.object({
  soup: SoupShape,
  kit: KitShape,
  rows: z.array(IngredientSchema),
  request: PlanRequestSchema,
  scale: z.number(),
  cardKg: z.record(z.string(), z.number()).optional(),
  lineKg: z.record(z.string(), z.number()).optional(),
  coreVersion: z.string(),
});
