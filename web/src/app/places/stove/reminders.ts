import type { Caution } from '@tureen/core/pot';
import type { SoupStep } from '@tureen/core/soup';

/** How often a pan is stirred while it sweats, and a thick pot while it simmers, minutes. Common practice. */
const STIR_PAN_MIN = 3;
const STIR_HOT_PAN_MIN = 1;
const STIR_POT_MIN = 5;

/** What a step's timer reminds of on the way to its end; nothing where it can be left alone. */
export function remindedOf(
  step: SoupStep,
  cautions: readonly Caution[],
): { readonly minutes: number; readonly of: string } | undefined {
  if (step.op === 'roast') return step.tossEveryMin === undefined ? undefined : { minutes: step.tossEveryMin, of: 'toss' };
  if (step.op === 'sweat') return { minutes: step.heat === 'high' ? STIR_HOT_PAN_MIN : STIR_PAN_MIN, of: 'stir' };
  if (step.op === 'simmer' || step.op === 'fryPuree') {
    const catches = cautions.some(({ code }) => code === 'CATCHES' || code === 'TOO_THICK_TO_BOIL_HARD');
    return catches || step.op === 'fryPuree' ? { minutes: STIR_POT_MIN, of: 'stir' } : undefined;
  }
  return undefined;
}
