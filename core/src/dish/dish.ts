import { z } from 'zod';
import { contents, EMPTY_POT, parcelKg, type PotState } from '../pot/index.js';
import { stepBase, type StepContext, type StepResult } from '../steps/index.js';

export const DishSchema = z.strictObject({ ...stepBase, op: z.literal('dish') });
export type Dish = z.infer<typeof DishSchema>;

/** Hot and cold holding: FDA Food Code 2022, 3-501.16, °C. */
const HOT_C = 57;
const COLD_C = 5;

/** Everything left goes out in bowls of the weight asked for; the count keeps its fraction. */
export function dish(pot: PotState, _settings: Dish, context: StepContext): StepResult {
  const all = contents(pot);
  return {
    pot: { ...EMPTY_POT, tempC: pot.tempC },
    took: [],
    gave: [{ kind: 'bowls', lineId: 'bowls', parcel: all, tempC: pot.tempC }],
    minutes: 0,
    joules: 0,
    cautions: [{ code: 'KEEP_WARM_OR_COLD', hotC: HOT_C, coldC: COLD_C }],
    counts: { bowls: parcelKg(all) / context.bowlKg },
  };
}
