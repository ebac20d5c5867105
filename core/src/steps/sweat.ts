import { z } from 'zod';
import type { PotState } from '../pot/index.js';
import { dryHeated } from './dry-heat.js';
import { minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const SweatSchema = z.strictObject({
  ...stepBase,
  op: z.literal('sweat'),
  minutes: minutesSchema,
  heat: z.enum(['gentle', 'high']),
  lid: z.enum(['on', 'off']),
});
export type Sweat = z.infer<typeof SweatSchema>;

/** Kitchen defaults of the sweat: reference 6 mm, gentle, lid off. */
const MOST_WATER_LOST = 0.6;
const TAU_MIN = 22;
const REFERENCE_M = 0.006;
const SIZE_POWER = 0.8;
const LID_SLOWS = 3;
const HIGH_HASTENS = 2;
const STEAM_BELOW_BOILING_C = 4;
const PAN_PACE = 0.5;

/** Time constant of water loss in the pan, minutes. @example sweatTau(0.006, 'gentle', 'off') // 22 */
export function sweatTau(sizeM: number, heat: Sweat['heat'], lid: Sweat['lid']): number {
  return TAU_MIN * (sizeM / REFERENCE_M) ** SIZE_POWER * (lid === 'on' ? LID_SLOWS : 1) * (heat === 'high' ? 1 / HIGH_HASTENS : 1);
}

/** Softens in fat without colour; loses water by size, heat, lid and time. */
export function sweat(pot: PotState, settings: Sweat, context: StepContext): StepResult {
  const heated = dryHeated(pot, {
    most: MOST_WATER_LOST,
    tauMinutes: (sizeM) => sweatTau(sizeM, settings.heat, settings.lid),
    minutes: settings.minutes,
    outerC: context.boilC - STEAM_BELOW_BOILING_C,
    pace: PAN_PACE,
  });
  return { ...heated, took: [], minutes: settings.minutes, cautions: [{ code: 'HOT_FAT' }] };
}
