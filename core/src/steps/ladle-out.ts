import { z } from 'zod';
import { potKg, scaleParcel, type Flow, type PotState } from '../pot/index.js';
import { stepBase, unchanged, type StepResult } from './step.js';

/** Why soup leaves the pot other than in a guest's bowl. */
export const LEAVES_AS = ['staff meal', 'spilt', 'thrown away', 'to another pot', 'kept'] as const;
export type LeavesAs = (typeof LEAVES_AS)[number];

/** Some of all that stands in the pot, pieces and liquid alike, taken out. A step of a batch only. */
export const LadleOutSchema = z.strictObject({
  ...stepBase,
  op: z.literal('ladleOut'),
  kg: z.number().gt(0).max(5000),
  as: z.enum(LEAVES_AS),
});
export type LadleOut = z.infer<typeof LadleOutSchema>;

/** Takes so many kilos out as they stand; no more than there are. */
export function ladleOut(pot: PotState, { kg, as }: LadleOut): StepResult {
  const all = potKg(pot);
  if (all <= 0) return unchanged(pot);
  const share = Math.min(1, kg / all);
  const gave: Flow[] = [pot.liquid, ...pot.cohorts.map(({ parcel }) => parcel)].map((parcel) => ({
    kind: 'ladled out',
    lineId: as,
    parcel: scaleParcel(parcel, share),
    tempC: pot.tempC,
  }));
  const left = 1 - share;
  return {
    ...unchanged({
      ...pot,
      liquid: scaleParcel(pot.liquid, left),
      cohorts: left === 0 ? [] : pot.cohorts.map((cohort) => ({ ...cohort, parcel: scaleParcel(cohort.parcel, left) })),
    }),
    gave,
  };
}
