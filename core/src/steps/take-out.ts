import { z } from 'zod';
import { scaleParcel, type Cohort, type Flow, type PotState } from '../pot/index.js';
import { lineIdSchema, stepBase, type StepResult } from './step.js';

export const TakeOutSchema = z.strictObject({
  ...stepBase,
  op: z.literal('takeOut'),
  lines: z.array(lineIdSchema).min(1),
  share: z.number().gt(0).max(1).optional(),
});
export type TakeOut = z.infer<typeof TakeOutSchema>;

/** Lifts pieces out whole: bay, a bundle, half a lemon. They leave with what they are; the liquid keeps what it drew. */
export function takeOut(pot: PotState, settings: TakeOut): StepResult {
  const share = settings.share ?? 1;
  const gave: Flow[] = [];
  const cohorts: Cohort[] = [];
  for (const cohort of pot.cohorts) {
    if (!settings.lines.includes(cohort.lineId)) {
      cohorts.push(cohort);
      continue;
    }
    gave.push({ kind: 'taken out', lineId: cohort.lineId, parcel: scaleParcel(cohort.parcel, share), tempC: pot.tempC });
    if (share < 1) cohorts.push({ ...cohort, parcel: scaleParcel(cohort.parcel, 1 - share) });
  }
  return { pot: { ...pot, cohorts }, took: [], gave, minutes: 0, joules: 0, cautions: [] };
}
