import { z } from 'zod';
import { DEFAULT_PARAMETERS, type ModelParameters } from '../kit/index.js';
import type { Caution, PotState } from '../pot/index.js';
import { actsThenStep, tookMinutes, type ActualMinutes } from './entered.js';
import { overRounds, stepKind } from './kind.js';
import { cautioned, panHeated } from './pan.js';
import { minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';
import { PAN_PACE, STEAM_BELOW_BOILING_C, sweatTau } from './sweat.js';

/**
 * What is fried or dried for colour and smell: sauté to gold, toast spices, chillies or nuts in a dry pan, bloom
 * spices and pastes in hot fat, smoke over a tray.
 */
export const FrySchema = z.strictObject({
  ...stepBase,
  op: z.literal('fry'),
  how: z.enum(['sauté', 'toast', 'bloom', 'smoke']),
  minutes: minutesSchema,
});
export type Fry = z.infer<typeof FrySchema>;

interface FryWay {
  readonly tau: number;
  readonly most: number;
  readonly brownsAtC: number;
  readonly safeMin: number;
  /** Over before the burner can make up for what it is short of. */
  readonly isShort: boolean;
}

/**
 * Against the pan's own time constant: how fast water goes, the heat that colours, and how it ends. A sauté and a
 * smoker leave pieces wet inside; toasting and blooming are seconds, and burn in seconds. Kitchen defaults.
 */
const WAYS: Readonly<Record<Fry['how'], FryWay>> = {
  sauté: { tau: 0.5, most: 0.7, brownsAtC: 175, safeMin: 20, isShort: false },
  toast: { tau: 0.1, most: 0.9, brownsAtC: 190, safeMin: 1, isShort: true },
  bloom: { tau: 0.2, most: 0.8, brownsAtC: 170, safeMin: 1, isShort: true },
  smoke: { tau: 2, most: 0.4, brownsAtC: 150, safeMin: 30, isShort: false },
};

/** What a piece can lose at most, in a kitchen whose pans take more or less than the default: as far off, on the logit, as its sweat is. */
function mostOf({ most }: FryWay, { sweatMost }: ModelParameters): number {
  const usual = DEFAULT_PARAMETERS.sweatMost;
  if (sweatMost === usual) return most;
  const odds = ((most / (1 - most)) * (sweatMost / (1 - sweatMost)) * (1 - usual)) / usual;
  return odds / (1 + odds);
}

/** Same form as the sweat, with colour; the caution is the one that belongs to the way. */
export function fry(pot: PotState, settings: Fry & ActualMinutes, context: StepContext): StepResult {
  const way = WAYS[settings.how];
  const heated = panHeated(
    pot,
    {
      most: mostOf(way, context.parameters),
      tauMinutes: (sizeM) => sweatTau(sizeM, 'gentle', 'off', context.parameters) * way.tau,
      minutes: settings.minutes,
      outerC: context.boilC - STEAM_BELOW_BOILING_C,
      pace: () => PAN_PACE,
      brownsAtC: way.brownsAtC,
    },
    { heatShare: 1, isFixed: way.isShort || settings.isActual === true },
    context,
  );
  const cautions: Caution[] = [settings.how === 'smoke' ? { code: 'SMOKE_INDOORS' } : { code: 'HOT_FAT' }];
  if (settings.minutes > way.safeMin || way.isShort) {
    cautions.push({ code: 'BURNS_IN_SECONDS', lineIds: pot.cohorts.map(({ lineId }) => lineId) });
  }
  return cautioned(heated, cautions);
}

export const fryKind = stepKind<Fry>({
  op: 'fry',
  run: fry,
  attention: 0.8,
  entered: (step, entered) => actsThenStep(tookMinutes(step, entered), entered),
  actualMinutes: true,
  ofClock: overRounds,
  timed: true,
  cooks: true,
});
