import { z } from 'zod';
import { WATER, vapourMix } from '../larder/index.js';
import { EMPTY, plusParcel, potKg, type Flow, type Parcel, type PotState } from '../pot/index.js';
import { stepBase, type StepResult } from './step.js';

export const ReadSchema = z.strictObject({
  ...stepBase,
  op: z.literal('read'),
  /** What the scale or the dip says is in the pot, kg, and how far it may be off (1 sd). */
  massKg: z.number().min(0).max(1e4),
  sdKg: z.number().positive().max(1e3),
});
export type Read = z.infer<typeof ReadSchema>;

/** From here a reading is questioned, not averaged, in sd of the difference. */
const QUESTIONED_SD = 3;

/**
 * Moves the estimate of what is in the pot towards a reading, each weighted by the inverse of its variance. The
 * difference is put down to water, since boil-off and uncounted liquid are what a run knows least about; it shows as a
 * flow of its own. A reading more than 3 sd off leaves the pot as it was and says so.
 */
export function read(pot: PotState, settings: Read): StepResult {
  const expectedKg = potKg(pot);
  const expectedVar = (pot.massSd * expectedKg) ** 2;
  const readVar = settings.sdKg ** 2;
  const same = { took: [], gave: [], minutes: 0, joules: 0 };
  if (Math.abs(settings.massKg - expectedKg) > QUESTIONED_SD * Math.sqrt(expectedVar + readVar)) {
    return { ...same, pot, cautions: [{ code: 'READING_QUESTIONED', readKg: settings.massKg, expectedKg }] };
  }
  const weight = expectedVar / (expectedVar + readVar);
  const wantedKg = (settings.massKg - expectedKg) * weight;
  const changeKg = Math.max(wantedKg, -0.9 * pot.liquid.mix[WATER]);
  const water: Parcel = { ...EMPTY, mix: vapourMix(Math.abs(changeKg), 0) };
  const flow: Flow = { kind: 'correction', lineId: 'reading', parcel: water, tempC: pot.tempC };
  const estimateKg = expectedKg + changeKg;
  const massSd = estimateKg > 0 ? Math.sqrt((expectedVar * readVar) / (expectedVar + readVar)) / estimateKg : pot.massSd;
  return {
    ...same,
    pot: { ...pot, liquid: plusParcel(pot.liquid, water, Math.sign(changeKg)), massSd },
    took: changeKg > 0 ? [flow] : [],
    gave: changeKg < 0 ? [flow] : [],
    cautions: [],
  };
}
