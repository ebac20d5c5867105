import { z } from 'zod';
import { FAT, type Mix } from '../larder/index.js';
import { withLiquid, bare, parcelKg, plusParcel, scaleParcel, type PotState } from '../pot/index.js';
import { actsThenStep } from './entered.js';
import { stepKind } from './kind.js';
import { goneFrom, stepBase, unchanged, type StepResult } from './step.js';

export const SkimSchema = z.strictObject({
  ...stepBase,
  op: z.literal('skim'),
  /** Share of the fat that floats which the spoon lifts off. */
  share: z.number().gt(0).max(1),
});
export type Skim = z.infer<typeof SkimSchema>;

/** Liquid that comes off with the fat, kg per kg of it. Kitchen default. */
const CLINGS = 0.5;
/** No spoon takes more of the pot than this along with the fat. Kitchen default. */
const MOST_LIQUID = 0.1;

/**
 * Lifts floating fat off with a spoon, and some liquid with it. Behind the blade nothing floats any more: the fat is in the
 * soup to stay.
 *
 * @example 50 g of floating fat, half of it lifted: 25 g of fat and 12.5 g of liquid go
 */
export function skim(pot: PotState, settings: Skim): StepResult {
  const fatKg = pot.grainM > 0 ? 0 : pot.liquid.mix[FAT] * settings.share;
  if (fatKg <= 0) return unchanged(pot);
  const mix: Mix = [0, fatKg, 0, 0, 0, 0, 0, 0, 0, 0];
  const fat = bare(mix);
  const rest = plusParcel(pot.liquid, fat, -1);
  const restKg = parcelKg(rest);
  const clings = scaleParcel(rest, restKg > 0 ? Math.min(MOST_LIQUID, (CLINGS * fatKg) / restKg) : 0);
  return goneFrom(withLiquid(pot, plusParcel(rest, clings, -1)), [
    { kind: 'taken out', lineId: 'fat', parcel: plusParcel(clings, fat), tempC: pot.tempC },
  ]);
}

export const skimKind = stepKind<Skim>({ op: 'skim', run: skim, entered: actsThenStep });
