import { z } from 'zod';
import { areaM2 } from '../kit/index.js';
import { potM3, type PotState } from '../pot/index.js';
import { actsBut, actsOf, asGiven, restOf, tookMinutes } from './entered.js';
import { asItTakes } from './to-come.js';
import { stepKind } from './kind.js';
import { pouredIn, useKg } from './add.js';
import { boilOffKgS, boiledOff, heatUp } from './boil.js';
import { cookedThrough } from './cooked.js';
import { stepResult, UseSchema, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const DeglazeSchema = z.strictObject({ ...stepBase, op: z.literal('deglaze'), use: UseSchema, minutes: minutesSchema });
export type Deglaze = z.infer<typeof DeglazeSchema>;

/** The first splash of cold liquid lifts what is stuck; it boils hard for as long as is set. */
export function deglaze(before: PotState, settings: Deglaze, context: StepContext): StepResult {
  const line = context.line(settings.use.line);
  const { pot, inflows } = pouredIn(before, line, useKg(settings.use, line));
  const { vessel, boilC, parameters } = context;
  const levelM = potM3(pot) / areaM2(vessel);
  const up = heatUp(pot, boilC, vessel, levelM);
  const hot = cookedThrough(pot, { fromC: pot.tempC, toC: boilC, upMinutes: up.minutes, minutes: settings.minutes }, context);
  const { kgS } = boilOffKgS(vessel, levelM, boilC, { vigour: 'rolling', lid: 'off' }, parameters);
  const boiled = boiledOff(hot, kgS * settings.minutes * 60, settings.minutes);
  return stepResult(boiled.pot, inflows, boiled.outflows, up.minutes + settings.minutes, up.joules + boiled.joules, [
    { code: 'STEAM' },
    ...up.cautions,
  ]);
}

export const deglazeKind = stepKind<Deglaze>({
  op: 'deglaze',
  run: deglaze,
  attention: 1,
  lines: (step, change) => {
    const line = change({ line: step.use.line, share: step.use.share ?? 1, settles: false });
    return line === undefined ? undefined : { ...step, use: { ...step.use, line } };
  },
  entered: (step, entered) => {
    const own = tookMinutes(step, entered);
    if (!entered.isDone) return { now: actsOf(entered), ahead: [{ ...own, use: restOf(step.use, entered) }] };
    return { now: [...actsBut(entered, [step.use.line]), { ...own, use: asGiven(step.use, entered) }], ahead: [] };
  },
  actualMinutes: true,
  cooks: true,
  brings: asItTakes(deglaze),
});
