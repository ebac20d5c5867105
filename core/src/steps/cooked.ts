import {
  withParcel,
  SCOVILLE_KG,
  diffusivityM2S,
  gelatinised,
  potWith,
  soften,
  withCarried,
  type Cohort,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { paced, withSoftness, type StepContext } from './step.js';

/** Liquid this hot cooks the starch in it, °C: raw starch gives nothing below about 65. Kitchen default. */
const STARCH_COOKS_C = 70;
/** A whole chilli of this size gives up its heat at the kitchen's pace; smaller pieces faster, by their size. */
const WHOLE_M = 0.025;

interface Cooking {
  readonly fromC: number;
  readonly toC: number;
  readonly upMinutes: number;
  readonly minutes: number;
}

/**
 * One cohort through the way up and the simmer. While the pot warms, the centre is taken to trail it by a steady lag
 * (rate x half thickness squared / diffusivity, over 2, 4 or 6 by shape), at most the whole rise.
 */
function cookedCohort(cohort: Cohort, cooking: Cooking, context: StepContext): Cohort {
  if (cohort.softening === 0) return cohort;
  const { fromC, toC, upMinutes, minutes } = cooking;
  const piece = { shape: cohort.shape, sizeM: cohort.sizeM, mix: cohort.parcel.mix, softening: paced(cohort, context) };
  const rise = toC - fromC;
  const sides = cohort.shape === 'slab' ? 2 : cohort.shape === 'cylinder' ? 4 : 6;
  const perS = upMinutes > 0 ? rise / (upMinutes * 60) : Number.POSITIVE_INFINITY;
  const lag =
    rise <= 0 ? 0 : Math.min(rise, (perS * (cohort.sizeM / 2) ** 2) / (sides * diffusivityM2S(piece.mix, (fromC + toC) / 2)));
  const softened = soften(piece, cohort, { fromC: toC - lag, outerC: toC, minutes, pace: 1 });
  return withSoftness(cohort, softened.softness, softened.gelatinised);
}

/** Heat that pieces of chilli give to the liquid while they simmer. */
function leached(
  liquid: Parcel,
  cohorts: readonly Cohort[],
  minutes: number,
  perMin: number,
): { liquid: Parcel; cohorts: readonly Cohort[] } {
  if (!cohorts.some((cohort) => cohort.parcel.carried[SCOVILLE_KG] > 0)) return { liquid, cohorts };
  let given = 0;
  const left = cohorts.map((cohort) => {
    const has = cohort.parcel.carried[SCOVILLE_KG];
    if (has === 0) return cohort;
    const gone = has * (1 - Math.exp(-perMin * Math.max(1, WHOLE_M / cohort.sizeM) * minutes));
    given += gone;
    return withParcel(cohort, withCarried(cohort.parcel, SCOVILLE_KG, has - gone));
  });
  if (given === 0) return { liquid, cohorts };
  return { liquid: withCarried(liquid, SCOVILLE_KG, liquid.carried[SCOVILLE_KG] + given), cohorts: left };
}

/** What hot liquid does to everything in it: pieces soften, starch swells, chillies give up their heat. */
export function cookedThrough(pot: PotState, cooking: Cooking, context: StepContext): PotState {
  const softer = pot.cohorts.map((cohort) => cookedCohort(cohort, cooking, context));
  const hot = leached(pot.liquid, softer, cooking.minutes, context.parameters.wholeGives);
  const liquid = cooking.toC >= STARCH_COOKS_C ? gelatinised(hot.liquid) : hot.liquid;
  return potWith(pot, liquid, hot.cohorts, cooking.toC);
}
