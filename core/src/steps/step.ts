import { z } from 'zod';
import type { Estimate } from '../body/index.js';
import type { Ingredient } from '../larder/index.js';
import type { ModelParameters, Kit, Vessel } from '../kit/index.js';
import {
  bodyMPas,
  cohortDraft,
  enthalpyJ,
  mixIn,
  type Caution,
  type Cohort,
  type Flow,
  type Parcel,
  type PotState,
  type Shape,
} from '../pot/index.js';

/** What every step has: an id that entries refer to, and the cook's own words if there are any. */
const photoSchema = z.string().regex(/^[0-9a-f]{64}$/);

export const stepBase = {
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/)
    .max(60),
  say: z.string().max(500).optional(),
  /** A picture of the step in this kitchen, by the SHA-256 of its file in hexadecimal. */
  photo: photoSchema.optional(),
};

/** What a step of any kind has. */
export interface AnyStep {
  readonly id: string;
  readonly op: string;
}

export const lineIdSchema = z
  .string()
  .regex(/^[a-z0-9-]+$/)
  .max(60);

/** The minutes that a step is set to; undefined for one that goes by something else. */
export function setMinutes(step: AnyStep): number | undefined {
  return 'minutes' in step && typeof step.minutes === 'number' ? step.minutes : undefined;
}

export const minutesSchema = z.number().min(0).max(1440);

/** Body wanted, mPa·s at 50 1/s and the serving temperature. */
export const bodySchema = z.number().min(1).max(20_000);

/** A line, a share of it, or so many kilos of it. */
export const UseSchema = z.strictObject({
  line: lineIdSchema,
  share: z.number().gt(0).max(1).optional(),
  kg: z.number().min(0).max(1e5).optional(),
});
export type Use = z.infer<typeof UseSchema>;

/** A line with its ingredient looked up and its kilos settled for one run. `massKg` is as bought, `keptShare` what trimming leaves. */
export interface SizedLine {
  readonly id: string;
  readonly ingredient: Ingredient;
  readonly massKg: number;
  readonly keptShare: number;
  /** Share of the salt that stays in what trimming leaves, where rinsing takes some. */
  readonly saltKept: number;
  readonly shape: Shape;
  readonly sizeM: number;
  /** Whether it goes in as a finish, so that bowls can count it. */
  readonly finish: boolean;
}

/** A line of other kilos, trim or make. Written out: every run makes its own. */
export function lineWith(line: SizedLine, massKg: number, keptShare = line.keptShare, ingredient = line.ingredient): SizedLine {
  return {
    id: line.id,
    ingredient,
    massKg,
    keptShare,
    saltKept: line.saltKept,
    shape: line.shape,
    sizeM: line.sizeM,
    finish: line.finish,
  };
}

/**
 * What later steps will bring to what stands in a pot: so much at all events, and so much for each kilo in it now. A step
 * that settles an amount counts it first, so that what is finished is as it is wanted, not what is only half made.
 */
export interface ToCome {
  readonly fixed: Parcel;
  readonly perKg: Parcel;
}

/** Where a soup is cooked and how it is served: the same for every step of it. */
export interface Surroundings {
  readonly kit: Kit;
  readonly parameters: ModelParameters;
  readonly vessel: Vessel;
  readonly boilC: number;
  /** At what temperature the soup is served, and its body counted. */
  readonly servedC: number;
  readonly bowlKg: number;
}

/** What a step may look at beside the pot. */
export interface StepContext extends Surroundings {
  /** A line by id; soups are checked before they run, so an unknown one is a bug and throws. */
  readonly line: (id: string) => SizedLine;
  /** What later steps will bring; known to steps that settle an amount by it. */
  readonly toCome: ToCome | undefined;
  /** Kilos that were settled beforehand for this step, when a plan's own amounts are held; undefined when it settles them itself. */
  readonly heldKg: number | undefined;
  /** Minutes that earlier parts of this very step were at the simmer; none where it is cooked in one go. */
  readonly simmeredMinutes?: number | undefined;
  /** How well what is in the pot is known. */
  readonly estimate: Estimate;
}

/** Counts that a step leaves beside its flows. */
export interface StepCounts {
  readonly trays?: number;
  readonly rounds?: number;
  readonly tosses?: number;
  readonly jugs?: number;
  /** Kilos of pieces and of liquid that go into each jug, so that all blend alike. */
  readonly jugPiecesKg?: number;
  readonly jugLiquidKg?: number;
  readonly bowls?: number;
  readonly toBoilMinutes?: number;
  /** Kilos that the step settled by itself: salt to a target, liquid to a body, water to boil away. */
  readonly settledKg?: number;
}

/** One finish of a batch in its bowls. Masses kg. */
export interface Serving {
  readonly id: string;
  readonly name: string;
  readonly bowls: number;
  readonly bowlKg: number;
  readonly parcel: Parcel;
  /** The soup in it, finish and all, without what lies on top. */
  readonly soup: Parcel;
  readonly tempC: number;
}

/**
 * The outcome of one step. `inflows` and `outflows` are computed by the step's own rules, never as differences, so that
 * in + heat = out + stayed can be checked for mass, every component and enthalpy.
 */
export interface StepResult {
  readonly pot: PotState;
  readonly inflows: readonly Flow[];
  readonly outflows: readonly Flow[];
  readonly minutes: number;
  readonly joules: number;
  readonly cautions: readonly Caution[];
  readonly counts?: StepCounts | undefined;
  readonly servings?: readonly Serving[] | undefined;
  /** What is known of the pot now, where a reading moved it. */
  readonly estimate?: Estimate | undefined;
}

const NONE: readonly never[] = [];

/** What a step came to. Always of one shape, since results of many shapes cost the runner more than the cooking does. */
export function stepResult(
  pot: PotState,
  inflows: readonly Flow[],
  outflows: readonly Flow[],
  minutes: number,
  joules: number,
  cautions: readonly Caution[],
  counts?: StepCounts,
  servings?: readonly Serving[],
  estimate?: Estimate,
): StepResult {
  return { pot, inflows, outflows, minutes, joules, cautions, counts, servings, estimate };
}

/** A step that changed nothing but the pot's state. */
export function unchanged(pot: PotState, cautions: readonly Caution[] = NONE): StepResult {
  return stepResult(pot, NONE, NONE, 0, 0, cautions);
}

/** A step at which something went in, at once, by the amount that it settled. */
export function settledAs(
  { pot, inflows }: Pick<StepResult, 'pot' | 'inflows'>,
  cautions: readonly Caution[],
  settledKg: number,
): StepResult {
  return stepResult(pot, inflows, NONE, 0, 0, cautions, { settledKg });
}

/** A step at which something went out, at once. */
export function goneFrom(pot: PotState, outflows: readonly Flow[]): StepResult {
  return stepResult(pot, NONE, outflows, 0, 0, NONE);
}

/** Two outcomes one after the other, as one. */
export function then(first: StepResult, second: StepResult): StepResult {
  return stepResult(
    second.pot,
    [...first.inflows, ...second.inflows],
    [...first.outflows, ...second.outflows],
    first.minutes + second.minutes,
    first.joules + second.joules,
    [...first.cautions, ...second.cautions],
    { ...first.counts, ...second.counts },
  );
}

/** Heat to bring a pot's contents from where they are to a temperature, J; negative when it cools. */
export function heatToJ(pot: PotState, tempC: number): number {
  const mix = mixIn(pot);
  return enthalpyJ(mix, tempC) - enthalpyJ(mix, pot.tempC);
}

/** Body of the pot at its serving temperature, mPa·s. */
export function servedBody(pot: PotState, context: Pick<StepContext, 'servedC' | 'parameters'>): number {
  return bodyMPas(pot, context.servedC, context.parameters.bodyA);
}

/** Pieces of the kitchen's own softening pace. */
export function paced(cohort: Cohort, context: Pick<StepContext, 'parameters'>): number {
  return cohort.softening * context.parameters.softening;
}

/** A cohort softer than it was. */
export function withSoftness(cohort: Cohort, softness: number, gelatinised: number): Cohort {
  const softer = cohortDraft(cohort);
  softer.softness = softness;
  softer.gelatinised = gelatinised;
  return softer;
}
