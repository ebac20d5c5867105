import { z } from 'zod';
import { DEFAULT_PARAMETERS, type ModelParameters } from '../kit/index.js';
import type { PotState } from '../pot/index.js';
import { stepThenActs, tookMinutes, type ActualMinutes } from './entered.js';
import { overRounds, stepKind } from './kind.js';
import { cautioned, panHeated } from './pan.js';
import { minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const SweatSchema = z.strictObject({
  ...stepBase,
  op: z.literal('sweat'),
  minutes: minutesSchema,
  heat: z.enum(['gentle', 'high']),
  lid: z.enum(['on', 'off']),
});
export type Sweat = z.infer<typeof SweatSchema>;

/** Reference of the pan: 6 mm, gentle, lid off. Kitchen defaults. */
const REFERENCE_M = 0.006;
const SIZE_POWER = 0.8;
const LID_SLOWS = 3;
const HIGH_HASTENS = 2;
/** Pieces in pan steam stand this much under boiling, and heat gets in at this pace against boiling liquid. Kitchen defaults. */
export const STEAM_BELOW_BOILING_C = 4;
export const PAN_PACE = 0.5;

/** Time constant of water loss in the pan, minutes. @example sweatTau(0.006, 'gentle', 'off') // 22 */
export function sweatTau(
  sizeM: number,
  heat: Sweat['heat'],
  lid: Sweat['lid'],
  parameters: ModelParameters = DEFAULT_PARAMETERS,
): number {
  const lidded = lid === 'on' ? LID_SLOWS : 1;
  return parameters.sweatTauMin * (sizeM / REFERENCE_M) ** SIZE_POWER * lidded * (heat === 'high' ? 1 / HIGH_HASTENS : 1);
}

/** A gentle flame is at most so much of what the burner has. Kitchen default. */
const GENTLE_SHARE = 0.5;

/** Softens in fat without colour; loses water by size, heat, lid and time, as far as the burner goes. */
export function sweat(pot: PotState, settings: Sweat & ActualMinutes, context: StepContext): StepResult {
  const heated = panHeated(
    pot,
    {
      most: context.parameters.sweatMost,
      tauMinutes: (sizeM) => sweatTau(sizeM, settings.heat, settings.lid, context.parameters),
      minutes: settings.minutes,
      outerC: context.boilC - STEAM_BELOW_BOILING_C,
      pace: () => PAN_PACE,
      brownsAtC: undefined,
    },
    { heatShare: settings.heat === 'gentle' ? GENTLE_SHARE : 1, isFixed: settings.isActual === true },
    context,
  );
  return cautioned(heated, [{ code: 'HOT_FAT' }]);
}

export const sweatKind = stepKind<Sweat>({
  op: 'sweat',
  run: sweat,
  attention: 0.5,
  entered: (step, entered) => stepThenActs(tookMinutes(step, entered), entered),
  actualMinutes: true,
  ofClock: overRounds,
  timed: true,
  cooks: true,
});
