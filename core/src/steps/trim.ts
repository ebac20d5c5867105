import { z } from 'zod';
import { joined, parcelOf, type Caution, type Flow, type PotState } from '../pot/index.js';
import { ingredientFlow, standing, useKg } from './add.js';
import { UseSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const TrimStepSchema = z.strictObject({ ...stepBase, op: z.literal('trim'), uses: z.array(UseSchema).min(1) });
export type TrimStep = z.infer<typeof TrimStepSchema>;

/** Minutes at the board per kilo as bought, peeled and cut. Kitchen default. */
const BOARD_MIN_PER_KG = 3;

const HARD = new Set(['roots', 'squashes']);

/**
 * As purchased to edible: each line gives up the share that its way of trimming takes (the larder's yield table).
 * Peel and flesh are taken to have one composition.
 */
export function trim(pot: PotState, settings: TrimStep, context: StepContext): StepResult {
  const took: Flow[] = [];
  const gave: Flow[] = [];
  const hard: string[] = [];
  let state = pot;
  let boughtKg = 0;
  for (const use of settings.uses) {
    const line = context.line(use.line);
    const massKg = useKg(use, line);
    const arrives = ingredientFlow(line, massKg);
    took.push(arrives);
    const wasteKg = massKg * (1 - line.keptShare);
    if (wasteKg > 0) {
      gave.push({ kind: 'trim', lineId: line.id, parcel: parcelOf(line.ingredient, wasteKg), tempC: arrives.tempC });
    }
    state = joined(state, standing(line, massKg * line.keptShare));
    boughtKg += massKg;
    if (HARD.has(line.ingredient.row.group)) hard.push(line.id);
  }
  const cautions: Caution[] = hard.length > 0 ? [{ code: 'HARD_TO_CUT', lineIds: hard }] : [];
  return { pot: state, took, gave, minutes: boughtKg * BOARD_MIN_PER_KG, joules: 0, cautions };
}
