import { z } from 'zod';
import type { Ingredient } from '../larder/index.js';
import type { Kit, Vessel } from '../kit/index.js';
import { contents, enthalpyJ, type Caution, type Flow, type PotState, type Shape } from '../pot/index.js';

/** What every step has: an id that entries refer to, and the cook's own words if there are any. */
export const stepBase = {
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/)
    .max(60),
  say: z.string().max(500).optional(),
};

export const lineIdSchema = z
  .string()
  .regex(/^[a-z0-9-]+$/)
  .max(60);

export const minutesSchema = z.number().min(0).max(1440);

/** A line, a share of it, or so many kilos of it. */
export const UseSchema = z.strictObject({
  line: lineIdSchema,
  share: z.number().gt(0).max(1).optional(),
  kg: z.number().min(0).max(1e5).optional(),
});
export type Use = z.infer<typeof UseSchema>;

/** A line with its ingredient looked up and its kilos settled for one run. `massKg` is as bought, `keptShare` what trimming leaves. */
export interface ReadyLine {
  readonly id: string;
  readonly ingredient: Ingredient;
  readonly massKg: number;
  readonly keptShare: number;
  readonly shape: Shape;
  readonly sizeM: number;
  /** Whether it goes in as a finish, so that bowls can count it. */
  readonly finish: boolean;
}

/** What a step may look at beside the pot. */
export interface StepContext {
  readonly kit: Kit;
  readonly vessel: Vessel;
  readonly boilC: number;
  readonly bowlKg: number;
  /** A line by id; soups are checked before they run, so an unknown one is a bug and throws. */
  readonly line: (id: string) => ReadyLine;
  /** Cream that a later step will bring: its share of the finished soup and its salt per kg. */
  readonly creamToCome: { readonly share: number; readonly saltShare: number } | undefined;
}

/** Counts that a step leaves beside its flows. */
export interface StepCounts {
  readonly trays?: number;
  readonly rounds?: number;
  readonly jugs?: number;
  readonly bowls?: number;
  readonly toBoilMinutes?: number;
}

/**
 * The outcome of one step. `took` and `gave` are computed by the step's own rules, never as differences, so that
 * in + heat = out + stayed can be checked for mass, every component and enthalpy.
 */
export interface StepResult {
  readonly pot: PotState;
  readonly took: readonly Flow[];
  readonly gave: readonly Flow[];
  readonly minutes: number;
  readonly joules: number;
  readonly cautions: readonly Caution[];
  readonly counts?: StepCounts | undefined;
}

/** Heat to bring a pot's contents from where they are to a temperature, J; negative when it cools. */
export function heatToJ(pot: PotState, tempC: number): number {
  const { mix } = contents(pot);
  return enthalpyJ(mix, tempC) - enthalpyJ(mix, pot.tempC);
}
