import { z } from 'zod';
import { areaM2 } from '../kit/index.js';
import { withLiquid, brownedParcel, potM3, type PotState } from '../pot/index.js';
import { actsThenStep, tookMinutes } from './entered.js';
import { stepKind } from './kind.js';
import { boilOffKgS, boiledOff, heatUp } from './boil.js';
import { cookedThrough } from './cooked.js';
import { brownness } from './dry-heat.js';
import { stepResult, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const FryPureeSchema = z.strictObject({ ...stepBase, op: z.literal('fryPuree'), minutes: minutesSchema });
export type FryPuree = z.infer<typeof FryPureeSchema>;

/** A thin layer in a hot wide pan steams this much faster than a rolling pot. Kitchen default. */
const SPREAD_OUT = 2;
/** Where the purée touches the pan, °C. Kitchen default. */
const PAN_C = 150;

/** A purée fried in fat until its colour deepens: it loses water fast and browns by what it has lost. */
export function fryPuree(pot: PotState, settings: FryPuree, context: StepContext): StepResult {
  const { vessel, boilC, parameters } = context;
  const levelM = potM3(pot) / areaM2(vessel);
  const up = heatUp(pot, boilC, vessel, levelM);
  const hot = cookedThrough(pot, { fromC: pot.tempC, toC: boilC, upMinutes: up.minutes, minutes: settings.minutes }, context);
  const { kgS } = boilOffKgS(vessel, levelM, boilC, { vigour: 'rolling', lid: 'off' }, parameters);
  const water = hot.liquid.mix[0];
  const boiled = boiledOff(hot, kgS * SPREAD_OUT * settings.minutes * 60, settings.minutes);
  const lost = water > 0 ? boiled.waterKg / water : 0;
  return stepResult(
    withLiquid(boiled.pot, brownedParcel(boiled.pot.liquid, brownness(lost, PAN_C))),
    [],
    boiled.outflows,
    up.minutes + settings.minutes,
    up.joules + boiled.joules,
    [{ code: 'HOT_FAT' }, ...(boiled.dry ? ([{ code: 'BOILED_DRY' }] as const) : []), ...up.cautions],
  );
}

export const fryPureeKind = stepKind<FryPuree>({
  op: 'fryPuree',
  run: fryPuree,
  attention: 1,
  entered: (step, entered) => actsThenStep(tookMinutes(step, entered), entered),
  actualMinutes: true,
  timed: true,
  cooks: true,
});
