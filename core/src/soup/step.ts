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
  PeelSchema,
  PressureSchema,
  ReduceSchema,
  ReheatSchema,
  RestSchema,
  RoastSchema,
  SieveStepSchema,
  SimmerSchema,
  SkimSchema,
  SweatSchema,
  TakeOutSchema,
  ThickenSchema,
  ThinSchema,
  TrimStepSchema,
  stepBase,
  type LadleOut,
  type SimmerPart,
  type Refill,
  type Read,
  SeasonSchema,
  TuneSchema,
  CreamSchema,
  LiaisonSchema,
  FilmSchema,
  DishSchema,
  type DishByHand,
} from '../steps/index.js';

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
  PeelSchema,
  CoverSchema,
  DrainSchema,
  SkimSchema,
  SimmerSchema,
  PressureSchema,
  ReheatSchema,
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

/** A reading, soup ladled out before it is dished, a second pot poured in, a part of a simmer and bowls with something weighed in by hand are steps of a batch, never of a soup. */
export type BatchStep = Read | LadleOut | Refill | SimmerPart | DishByHand;

/** Whether a step can only stand in a batch. */
export function isBatchStep(step: SoupStep): step is BatchStep {
  return step.op === 'read' || step.op === 'ladleOut' || step.op === 'refill' || 'forMinutes' in step || 'byHand' in step;
}

/** A branch of its own that runs in here: the roast tray, the separately cooked flesh. */
export interface Join {
  readonly id: string;
  readonly say?: string | undefined;
  readonly photo?: string | undefined;
  readonly op: 'join';
  readonly branch: Branch;
}

export type SoupStep = PlainStep | Join | BatchStep;

export interface Branch {
  readonly id: string;
  readonly name: string;
  readonly vessel: 'tray' | 'pot';
  readonly steps: readonly SoupStep[];
}

const JoinSchema = z.strictObject({
  ...stepBase,
  op: z.literal('join'),
  get branch(): z.ZodType<Branch> {
    return BranchSchema;
  },
});

export const BranchSchema: z.ZodType<Branch> = z.strictObject({
  id: stepBase.id,
  name: z.string().min(1).max(80),
  vessel: z.enum(['tray', 'pot']),
  steps: z
    .array(z.discriminatedUnion('op', [...PlainStepSchema.options, JoinSchema]))
    .min(1)
    .max(60),
});
