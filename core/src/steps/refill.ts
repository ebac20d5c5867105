import { z } from 'zod';
import { potDraft, joined, potKg, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { flowsOf, portion, shareOfPot } from './portion.js';
import { stepResult, stepBase, unchanged, type StepResult } from './step.js';

/** Filled up from a second pot of the same soup. A step of a batch only. */
export const RefillSchema = z.strictObject({
  ...stepBase,
  op: z.literal('refill'),
  kg: z.number().gt(0).max(5000),
  tempC: z.number().min(0).max(110),
});
export type Refill = z.infer<typeof RefillSchema>;

/** Less than a spoonful says nothing of what the second pot may hold, kg. Kitchen default. */
const LEAST_KG = 0.01;

/**
 * So many kilos more of what stands in the pot already, at a temperature of their own. What the second pot really holds
 * is not known here: it is taken to be the same soup, salt and body alike; into a pot that holds next
 * to nothing it can't be told what goes.
 */
export function refill(pot: PotState, { kg, tempC }: Refill): StepResult {
  if (potKg(pot) < LEAST_KG) return unchanged(pot);
  const share = shareOfPot(pot, kg);
  const second = potDraft(portion(pot, share));
  second.tempC = tempC;
  second.aside = [];
  return stepResult(joined(pot, second), flowsOf(second, 'refilled', 'second pot'), [], 0, 0, []);
}

export const refillKind = stepKind<Refill>({ op: 'refill', run: refill, entered: actsThenStep });
