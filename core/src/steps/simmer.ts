import { z } from 'zod';
import { ETHANOL, WATER, vapourMix } from '../larder/index.js';
import { areaM2, type Vessel } from '../kit/index.js';
import {
  EMPTY,
  ETHANOL_LATENT_JKG,
  ROOM_C,
  diffusivityM2S,
  driedParcel,
  latentJKg,
  potM3,
  soften,
  type Caution,
  type Cohort,
  type PotState,
} from '../pot/index.js';
import { heatToJ, minutesSchema, stepBase, type StepContext, type StepResult } from './step.js';

export const VIGOURS = ['bare', 'steady', 'lively', 'rolling'] as const;
export const LIDS = ['off', 'ajar', 'on'] as const;

export const SimmerSchema = z.strictObject({
  ...stepBase,
  op: z.literal('simmer'),
  minutes: minutesSchema,
  vigour: z.enum(VIGOURS),
  lid: z.enum(LIDS),
});
export type Simmer = z.infer<typeof SimmerSchema>;

/** Water lost from the open surface, kg/(m2 h), and what a lid leaves of it. Kitchen defaults. */
const FLUX_KG_M2_H: Readonly<Record<Simmer['vigour'], number>> = { bare: 8, steady: 12, lively: 22, rolling: 40 };
const LID_LEAVES: Readonly<Record<Simmer['lid'], number>> = { off: 1, ajar: 0.35, on: 0.1 };
/** A bare simmer stands this much below boiling. Kitchen default. */
const BARE_BELOW_BOILING_C = 10;
/** Heat lost through the pot's wall, W/(m2 K). Kitchen default: still air and radiation. */
const WALL_W_M2K = 10;
/** Least share of the burner's useful power that is taken to reach the food, so that minutes stay a number. */
const LEAST_SHARE = 0.1;
/** Least share of the liquid's water that is left when a pot boils dry. */
const DRY_LEAVES = 0.02;

/** Alcohol kept by minutes of simmering: US nutrient-retention factors (from memory), straight lines between, flat after. */
const ALCOHOL_KEPT = [
  [0, 1],
  [15, 0.4],
  [30, 0.35],
  [60, 0.25],
  [90, 0.2],
  [120, 0.1],
] as const;

/** Share of the alcohol left after so many minutes in all. @example alcoholKept(30) // 0.35 */
export function alcoholKept(minutes: number): number {
  let [lastAt, lastKept] = ALCOHOL_KEPT[0] as readonly [number, number];
  for (const [at, kept] of ALCOHOL_KEPT) {
    if (minutes <= at) return at === lastAt ? kept : lastKept + ((kept - lastKept) * (minutes - lastAt)) / (at - lastAt);
    [lastAt, lastKept] = [at, kept];
  }
  return lastKept;
}

function wallM2(vessel: Vessel, levelM: number): number {
  return Math.PI * vessel.widthM * Math.min(levelM, vessel.depthM);
}

/** Boil-off, kg/s: flux over the open area, never above what the burner can evaporate. */
export function boilOffKgS(
  vessel: Vessel,
  levelM: number,
  tempC: number,
  settings: Pick<Simmer, 'vigour' | 'lid'>,
): { kgS: number; limited: boolean } {
  const wanted = (FLUX_KG_M2_H[settings.vigour] * LID_LEAVES[settings.lid] * areaM2(vessel)) / 3600;
  const spareW = vessel.burnerW * vessel.efficiency - WALL_W_M2K * wallM2(vessel, levelM) * (tempC - ROOM_C);
  const most = Math.max(0, spareW) / latentJKg(tempC);
  return wanted <= most ? { kgS: wanted, limited: false } : { kgS: most, limited: true };
}

interface HeatUp {
  readonly minutes: number;
  readonly cautions: readonly Caution[];
}

/** Minutes to bring the pot to a temperature on its burner: heat wanted over useful power less mean wall loss. */
function heatUp(pot: PotState, toC: number, vessel: Vessel, levelM: number): HeatUp {
  const joules = heatToJ(pot, toC);
  if (joules <= 0) return { minutes: 0, cautions: [] };
  const usefulW = vessel.burnerW * vessel.efficiency;
  const lossW = WALL_W_M2K * wallM2(vessel, levelM) * Math.max(0, (pot.tempC + toC) / 2 - ROOM_C);
  const enough = usefulW - lossW >= usefulW * LEAST_SHARE;
  const watts = enough ? usefulW - lossW : usefulW * LEAST_SHARE;
  return {
    minutes: joules / watts / 60,
    cautions: enough ? [] : [{ code: 'BURNER_TOO_SMALL', neededW: lossW / vessel.efficiency, givenW: vessel.burnerW }],
  };
}

/**
 * A cohort through the way up and the simmer. While the pot warms, the centre is taken to trail it by a steady lag
 * (rate x half thickness squared / diffusivity, over 2, 4 or 6 by shape), at most the whole rise.
 */
function cooked(cohort: Cohort, fromC: number, toC: number, upMinutes: number, minutes: number): Cohort {
  if (cohort.softening === 0) return cohort;
  const piece = { ...cohort, mix: cohort.parcel.mix };
  const rise = toC - fromC;
  const sides = cohort.shape === 'slab' ? 2 : cohort.shape === 'cylinder' ? 4 : 6;
  const perS = upMinutes > 0 ? rise / (upMinutes * 60) : Number.POSITIVE_INFINITY;
  const lag =
    rise <= 0 ? 0 : Math.min(rise, (perS * (cohort.sizeM / 2) ** 2) / (sides * diffusivityM2S(piece.mix, (fromC + toC) / 2)));
  const softened = soften(piece, cohort, { fromC: toC - lag, outerC: toC, minutes, pace: 1 });
  return { ...cohort, ...softened };
}

/**
 * To the boil, then at the simmer for the minutes set: water lost by vigour, lid and open area; alcohol along its
 * retention curve; pieces soften. What the pot loses on the way up is left out (the lid is on).
 */
export function simmer(pot: PotState, settings: Simmer, context: StepContext): StepResult {
  const { vessel } = context;
  const toC = Math.max(settings.vigour === 'bare' ? context.boilC - BARE_BELOW_BOILING_C : context.boilC, 0);
  const levelM = potM3(pot) / areaM2(vessel);
  const up = heatUp(pot, toC, vessel, levelM);
  const cautions: Caution[] = [...up.cautions];

  const rate = boilOffKgS(vessel, levelM, toC, settings);
  if (rate.limited && settings.minutes > 0) cautions.push({ code: 'BURNER_LIMITS', fluxKgM2H: (rate.kgS * 3600) / areaM2(vessel) });
  const wantedKg = rate.kgS * settings.minutes * 60;
  const mostKg = pot.liquid.mix[WATER] * (1 - DRY_LEAVES);
  if (wantedKg > mostKg) cautions.push({ code: 'BOILED_DRY' });
  const waterKg = Math.min(wantedKg, mostKg);

  const simmeredMinutes = pot.simmeredMinutes + settings.minutes;
  const ethanolKg = pot.liquid.mix[ETHANOL] * (1 - alcoholKept(simmeredMinutes) / alcoholKept(pot.simmeredMinutes));
  const vapour = vapourMix(waterKg, ethanolKg);
  const joules = heatToJ(pot, toC) + waterKg * latentJKg(toC) + ethanolKg * ETHANOL_LATENT_JKG;

  return {
    pot: {
      ...pot,
      liquid: driedParcel(pot.liquid, vapour),
      cohorts: pot.cohorts.map((cohort) => cooked(cohort, pot.tempC, toC, up.minutes, settings.minutes)),
      tempC: toC,
      simmeredMinutes,
    },
    took: [],
    gave: waterKg + ethanolKg > 0 ? [{ kind: 'vapour', lineId: 'boil-off', parcel: { ...EMPTY, mix: vapour }, tempC: toC }] : [],
    minutes: up.minutes + settings.minutes,
    joules,
    cautions,
    counts: { toBoilMinutes: up.minutes },
  };
}
