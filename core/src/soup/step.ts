import { z } from 'zod';
import {
  AddSchema,
  BlendSchema,
  CoverSchema,
  CupSchema,
  DeglazeSchema,
  DrainSchema,
  FryPureeSchema,
  FrySchema,
  GiveBackSchema,
  HoldSchema,
  PressureSchema,
  ReduceSchema,
  RestSchema,
  RoastSchema,
  SieveStepSchema,
  SimmerSchema,
  SweatSchema,
  TakeOutSchema,
  ThickenSchema,
  ThinSchema,
  TrimStepSchema,
  stepBase,
  type Read,
} from '../steps/index.js';
import { SeasonSchema, TuneSchema } from '../season/index.js';
import { CreamSchema, LiaisonSchema } from '../finish/index.js';
import { FilmSchema } from '../film/index.js';
import { DishSchema } from '../dish/index.js';

export const PlainStepSchema = z.discriminatedUnion('op', [
  TrimStepSchema,
  RoastSchema,
  SweatSchema,
  FrySchema,
  FryPureeSchema,
  DeglazeSchema,
  AddSchema,
  TakeOutSchema,
  GiveBackSchema,
  CoverSchema,
  DrainSchema,
  SimmerSchema,
  PressureSchema,
  RestSchema,
  BlendSchema,
  SieveStepSchema,
  ThinSchema,
  ReduceSchema,
  ThickenSchema,
  SeasonSchema,
  TuneSchema,
  CupSchema,
  CreamSchema,
  LiaisonSchema,
  HoldSchema,
  FilmSchema,
  DishSchema,
]);
export type PlainStep = z.infer<typeof PlainStepSchema>;

/** A reading is a step of a batch, never of a soup. */
export type Reading = Read;

/** A branch of its own that runs in here: the roast tray, the separately cooked flesh. */
export interface Join {
  readonly id: string;
  readonly say?: string | undefined;
  readonly op: 'join';
  readonly branch: Branch;
}

export type SoupStep = PlainStep | Join | Reading;

export interface Branch {
  readonly id: string;
  readonly name: string;
  readonly vessel: 'tray' | 'pot';
  readonly steps: readonly SoupStep[];
}

/** Deepest nesting of branches: far beyond a kitchen's, and it keeps a hostile file from exhausting the stack. */
const DEEPEST = 6;

function branchSchema(depth: number): z.ZodType<Branch> {
  const step: z.ZodType<SoupStep> =
    depth >= DEEPEST
      ? PlainStepSchema
      : z.union([PlainStepSchema, z.strictObject({ ...stepBase, op: z.literal('join'), branch: branchSchema(depth + 1) })]);
  return z.strictObject({
    id: stepBase.id,
    name: z.string().min(1).max(80),
    vessel: z.enum(['tray', 'pot']),
    steps: z.array(step).min(1).max(60),
  });
}

export const BranchSchema: z.ZodType<Branch> = branchSchema(0);
