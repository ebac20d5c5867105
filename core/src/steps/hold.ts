import { z } from 'zod';
import { areaM2, hotHolding, type ModelParameters } from '../kit/index.js';
import { withHeat, latentJKg, type Caution, type PotState } from '../pot/index.js';
import { actsThenStep, tookMinutes } from './entered.js';
import { stepKind } from './kind.js';
import { NOTHING_TO_COME, steamsAway } from './to-come.js';
import { pouredIn } from './add.js';
import { LIDS, boiledOff, lidLeaves } from './boil.js';
import { cookedThrough } from './cooked.js';
import { stepResult, heatToJ, lineIdSchema, minutesSchema, stepBase, then, type StepContext, type StepResult } from './step.js';

export const HoldSchema = z.strictObject({
  ...stepBase,
  op: z.literal('hold'),
  minutes: minutesSchema,
  atC: z.number().min(40).max(95),
  lid: z.enum(LIDS),
  /** Liquid that replaces what steams away, so that the last bowl is like the first. */
  topUp: lineIdSchema.optional(),
});
export type Hold = z.infer<typeof HoldSchema>;

/** Steaming against that at 70 °C: vapour pressure rises some 4.5 % a kelvin there. */
const HOLD_REFERENCE_C = 70;
const PER_KELVIN = 0.045;

/** Water that steams from an open face at rest, kg/(m2 h): the kitchen's rate at 70 °C, by vapour pressure. */
export function openFluxKgM2H(tempC: number, parameters: ModelParameters): number {
  return parameters.holdFlux * Math.exp(PER_KELVIN * (tempC - HOLD_REFERENCE_C));
}

/** Water that steams away in a hold, kg. */
function heldKg({ atC, lid, minutes }: Hold, { parameters, vessel }: StepContext): number {
  return (openFluxKgM2H(atC, parameters) * lidLeaves(lid, parameters) * areaM2(vessel) * minutes) / 60;
}

/** Kept hot through a service: water steams away and the soup thickens; a top-up puts it back. */
export function hold(pot: PotState, settings: Hold, context: StepContext): StepResult {
  const { kit } = context;
  const { leastC, source } = hotHolding(kit.country);
  const cautions: Caution[] = settings.atC < leastC ? [{ code: 'HOLD_TOO_COOL', tempC: settings.atC, leastC, source }] : [];
  const warm = cookedThrough(pot, { fromC: pot.tempC, toC: settings.atC, upMinutes: 0, minutes: settings.minutes }, context);
  const boiled = boiledOff(warm, heldKg(settings, context), 0);
  const heldJ = heatToJ(pot, settings.atC) + boiled.waterKg * latentJKg(settings.atC);
  const held = stepResult(boiled.pot, [], boiled.outflows, settings.minutes, heldJ, cautions);
  if (settings.topUp === undefined) return held;
  const poured = pouredIn(boiled.pot, context.line(settings.topUp), boiled.waterKg);
  const joules = heatToJ(poured.pot, settings.atC);
  return then(
    held,
    stepResult(withHeat(poured.pot, settings.atC), poured.inflows, [], 0, joules, [], { settledKg: boiled.waterKg }),
  );
}

export const holdKind = stepKind<Hold>({
  op: 'hold',
  run: hold,
  lines: (step, change) =>
    step.topUp === undefined ? step : { ...step, topUp: change({ line: step.topUp, share: 1, settles: true }) },
  entered: (step, entered) => {
    const own = tookMinutes(step, entered);
    return actsThenStep(own.topUp !== undefined && entered.enteredByHand(own.topUp) ? { ...own, topUp: undefined } : own, entered);
  },
  actualMinutes: true,
  timed: true,
  cooks: true,
  // A top-up puts back what has steamed away.
  brings: (step, _pot, context) => (step.topUp === undefined ? steamsAway(heldKg(step, context)) : NOTHING_TO_COME),
});
