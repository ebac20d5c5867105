import { z } from 'zod';
import { FIBRE, SKINS_DRY, SKINS_THICKEN, WATER, type Mix } from '../larder/index.js';
import {
  potDraft,
  PULP_KG,
  SKINS_KG,
  bare,
  parcelKg,
  plusParcel,
  scaleParcel,
  withCarried,
  type PotState,
  type Flow,
} from '../pot/index.js';
import { stepThenActs } from './entered.js';
import { stepKind } from './kind.js';
import { stepResult, stepBase, unchanged, type StepContext, type StepResult } from './step.js';

export const SieveStepSchema = z.strictObject({
  ...stepBase,
  op: z.literal('sieve'),
  meshMm: z.number().min(0.1).max(10),
  scraped: z.boolean(),
  /** What stayed in it, where that has been weighed, kg. */
  weighedKg: z.number().min(0).max(500).optional(),
});
export type SieveStep = z.infer<typeof SieveStepSchema>;

/** Skins and seeds are this much coarser than the rest after the same blade. Kitchen default. */
const SKINS_COARSER = 4;
/** Spread of sizes under the blade: Rosin and Rammler's exponent. Kitchen default. */
const SPREAD = 1.5;
/** Purée that stays with what is held back, kg per kg of it: sides scraped or not. Kitchen defaults. */
const CLINGS_SCRAPED = 0.6;
const CLINGS_LEFT = 1.6;
/** Most of the fibre that leaves with seeds and skins; the pulp passes. Kitchen default. */
const MOST_FIBRE = 0.35;
/** Minutes a litre through a sieve with a ladle. Kitchen default. */
const MIN_PER_KG = 0.5;

/** Share of something with a size that stays on a mesh: Rosin and Rammler (1933). @example heldShare(0.001, 0.001) // 0.368 */
export function heldShare(sizeM: number, meshM: number): number {
  return sizeM <= 0 ? 0 : Math.exp(-((meshM / sizeM) ** SPREAD));
}

/**
 * What stays in the sieve, as weighed or else estimated: the product's seeds and skins as far as they are coarser than the mesh, and the purée that
 * clings to them. They leave as fibre, which has
 * thickened little, and water; the rest leaves as the soup is.
 */
export function sieve(pot: PotState, settings: SieveStep, context: StepContext): StepResult {
  const liquidKg = parcelKg(pot.liquid);
  if (liquidKg <= 0) return unchanged(pot);
  const skinsKg = pot.liquid.carried[SKINS_KG];
  const share = heldShare(pot.grainM * SKINS_COARSER, settings.meshMm / 1000);
  const { weighedKg } = settings;
  const heldKg = Math.min(skinsKg * share * context.parameters.sieveHolds, skinsKg, weighedKg ?? Infinity);
  const fibreKg = Math.min(heldKg * SKINS_DRY, MOST_FIBRE * pot.liquid.mix[FIBRE]);
  const waterKg = Math.min(heldKg - fibreKg, 0.5 * pot.liquid.mix[WATER]);
  const skins: Mix = [waterKg, 0, 0, 0, 0, fibreKg, 0, 0, 0, 0];
  const rest = plusParcel(pot.liquid, bare(skins), -1);
  const estimated = ((settings.scraped ? CLINGS_SCRAPED : CLINGS_LEFT) * heldKg) / liquidKg;
  const clings = Math.min(0.5, weighedKg === undefined ? estimated : (weighedKg - heldKg) / (liquidKg - heldKg));
  const thinner = withCarried(rest, PULP_KG, Math.max(0, pot.liquid.carried[PULP_KG] - SKINS_THICKEN * fibreKg));
  const without = withCarried(thinner, SKINS_KG, skinsKg - heldKg);
  const lost = plusParcel(scaleParcel(without, clings), withCarried(bare(skins), SKINS_KG, heldKg));
  const through = potDraft(pot);
  through.liquid = scaleParcel(without, 1 - clings);
  through.grainM = Math.min(pot.grainM, settings.meshMm / 1000);
  const outflows: Flow[] = parcelKg(lost) > 0 ? [{ kind: 'sieved off', lineId: 'sieve', parcel: lost, tempC: pot.tempC }] : [];
  return stepResult(through, [], outflows, liquidKg * MIN_PER_KG, 0, []);
}

export const sieveKind = stepKind<SieveStep>({
  op: 'sieve',
  run: sieve,
  attention: 1,
  entered: (step, entered) => {
    const { sievedKg } = entered;
    return stepThenActs(sievedKg === undefined ? step : { ...step, weighedKg: sievedKg }, entered);
  },
});
