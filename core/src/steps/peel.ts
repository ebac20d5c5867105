import { z } from 'zod';
import { potWith, withParcel, scaleParcel, type Caution, type Cohort, type Flow, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { namedLeft, stepKind } from './kind.js';
import { TOUCH_C } from './rest.js';
import { stepResult, lineIdSchema, stepBase, type StepResult } from './step.js';

export const PeelSchema = z.strictObject({
  ...stepBase,
  op: z.literal('peel'),
  lines: z.array(lineIdSchema).min(1),
  /** Of their weight as it is now: the flesh that goes on. */
  keeps: z.number().gt(0).max(1),
});
export type Peel = z.infer<typeof PeelSchema>;

/** Minutes a kilo, skins slipped off or flesh scooped out. Kitchen default. */
const MIN_PER_KG = 4;
/** Flesh that has gone cold and stiff leaves this much of itself on the skin besides, where it is below so many °C. Kitchen defaults. */
const STIFF_C = 30;
const STIFF_LOSES = 0.04;

/**
 * Skins, seeds and cores off what has been cooked in them: scooped, slipped off, squeezed out. It is the part of the trim
 * that is left after the heat; what leaves has the composition of the whole.
 */
export function peel(pot: PotState, settings: Peel): StepResult {
  const outflows: Flow[] = [];
  const keeps = settings.keeps < 1 && pot.tempC < STIFF_C ? settings.keeps * (1 - STIFF_LOSES) : settings.keeps;
  let handledKg = 0;
  const cohorts = pot.cohorts.map((cohort): Cohort => {
    if (!settings.lines.includes(cohort.lineId)) return cohort;
    handledKg += cohort.parcel.mix.reduce((sum, kg) => sum + kg, 0);
    outflows.push({ kind: 'trim', lineId: cohort.lineId, parcel: scaleParcel(cohort.parcel, 1 - keeps), tempC: pot.tempC });
    return withParcel(cohort, scaleParcel(cohort.parcel, keeps));
  });
  const cautions: Caution[] = handledKg > 0 && pot.tempC > TOUCH_C ? [{ code: 'STEAM' }] : [];
  const peeled = potWith(pot, pot.liquid, cohorts, pot.tempC);
  return stepResult(peeled, [], keeps < 1 ? outflows : [], handledKg * MIN_PER_KG, 0, cautions);
}

export const peelKind = stepKind<Peel>({
  op: 'peel',
  run: peel,
  attention: 1,
  lines: (step, change) => {
    const lines = namedLeft(step.lines, change);
    return lines.length === 0 ? undefined : { ...step, lines };
  },
  entered: actsThenStep,
});
