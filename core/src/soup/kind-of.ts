import { STEP_KINDS, type StepKind } from '../steps/index.js';
import type { Join, SoupStep } from './step.js';

export type PotStep = Exclude<SoupStep, Join>;

/** Every kind that a step can be is in the registry: one that is not does not compile. */
const KINDS: Readonly<Record<PotStep['op'], unknown>> = STEP_KINDS;

/** What is known of a step's kind; a branch that runs in is none of its own. */
export function kindOf<S extends PotStep>(step: S): StepKind<S> {
  return KINDS[step.op] as StepKind<S>;
}
