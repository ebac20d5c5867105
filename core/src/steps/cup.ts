import { z } from 'zod';
import { withLiquid, parcelKg, plusParcel, scaleParcel, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { goneFrom, stepBase, unchanged, type StepResult } from './step.js';

export const CupSchema = z.strictObject({ ...stepBase, op: z.literal('cup'), kg: z.number().gt(0).max(5) });
export type Cup = z.infer<typeof CupSchema>;

/** A cup weighed out to try a dose in: what it took is gone from the pot. */
export function cup(pot: PotState, settings: Cup): StepResult {
  const liquidKg = parcelKg(pot.liquid);
  if (liquidKg <= 0) return unchanged(pot);
  const parcel = scaleParcel(pot.liquid, Math.min(1, settings.kg / liquidKg));
  return goneFrom(withLiquid(pot, plusParcel(pot.liquid, parcel, -1)), [{ kind: 'cup', lineId: 'cup', parcel, tempC: pot.tempC }]);
}

export const cupKind = stepKind<Cup>({ op: 'cup', run: cup, entered: actsThenStep });
