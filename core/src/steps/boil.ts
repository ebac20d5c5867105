import { ETHANOL, WATER, vapourMix } from '../larder/index.js';
import { areaM2, DEFAULT_PARAMETERS, type ModelParameters, type Vessel } from '../kit/index.js';
import {
  potDraft,
  ETHANOL_LATENT_JKG,
  ROOM_C,
  bare,
  driedParcel,
  latentJKg,
  type Caution,
  type Flow,
  type PotState,
} from '../pot/index.js';
import { heatToJ } from './step.js';

export const VIGOURS = ['bare', 'steady', 'lively', 'rolling'] as const;
export type Vigour = (typeof VIGOURS)[number];
export const LIDS = ['off', 'ajar', 'on'] as const;
export type Lid = (typeof LIDS)[number];

/** Water lost from the open surface, kg/(m2 h). Kitchen defaults; `boilOff` is the kitchen's own factor on them. */
const FLUX_KG_M2_H: Readonly<Record<Vigour, number>> = { bare: 8, steady: 12, lively: 22, rolling: 40 };
/** Heat lost through the pot's wall, W/(m2 K). Kitchen default: still air and radiation. */
export const WALL_W_M2K = 10;
/** Least share of the burner's useful power that is taken to reach the food, so that minutes stay a number. */
const LEAST_SHARE = 0.1;
/** Least share of the liquid's water that is left when a pot boils dry. */
const DRY_LEAVES = 0.02;
/** Above these bodies a pot can't be driven harder without catching and spitting, mPa·s. Kitchen defaults. */
const NOT_ROLLING = 400;
const NOT_LIVELY = 1200;

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

export function lidLeaves(lid: Lid, parameters: ModelParameters): number {
  return lid === 'off' ? 1 : lid === 'ajar' ? parameters.lidAjar : parameters.lidOn;
}

/** How hard a soup of a body can be boiled at most. @example cappedVigour('rolling', 2000) // 'steady' */
export function cappedVigour(vigour: Vigour, bodyMPas: number): Vigour {
  const most: Vigour = bodyMPas > NOT_LIVELY ? 'steady' : bodyMPas > NOT_ROLLING ? 'lively' : 'rolling';
  return VIGOURS.indexOf(vigour) > VIGOURS.indexOf(most) ? most : vigour;
}

/** Wetted wall of a pot, m2. */
export function wallM2(vessel: Vessel, levelM: number): number {
  return Math.PI * vessel.widthM * Math.min(levelM, vessel.depthM);
}

/** Boil-off, kg/s: flux over the open area, never above what the burner can evaporate. */
export function boilOffKgS(
  vessel: Vessel,
  levelM: number,
  tempC: number,
  settings: { readonly vigour: Vigour; readonly lid: Lid },
  parameters: ModelParameters = DEFAULT_PARAMETERS,
): { kgS: number; limited: boolean } {
  const flux = FLUX_KG_M2_H[settings.vigour] * parameters.boilOff * (vessel.boilOff ?? 1) * lidLeaves(settings.lid, parameters);
  const wanted = (flux * areaM2(vessel)) / 3600;
  const spareW = vessel.burnerW * vessel.efficiency - WALL_W_M2K * wallM2(vessel, levelM) * (tempC - ROOM_C);
  const most = Math.max(0, spareW) / latentJKg(tempC);
  return wanted <= most ? { kgS: wanted, limited: false } : { kgS: most, limited: true };
}

/** Two weighings of a pot that boiled water: what it lost, in how long, how hard and how covered. */
export interface Weighings {
  readonly beforeKg: number;
  readonly afterKg: number;
  readonly minutes: number;
  readonly vigour: Vigour;
  readonly lid: Lid;
}

/** Least loss that a kitchen scale can tell, kg. Kitchen default. */
const LEAST_LOSS_KG = 0.05;

/**
 * A pot's own boil-off against the kitchen's rate, from two weighings of it with water at the boil. Undefined when less
 * was lost than a scale can tell, or when it gained.
 *
 * @example measuredBoilOff(pot40cm, { beforeKg: 20, afterKg: 18.492, minutes: 60, vigour: 'steady', lid: 'off' }) // 1.0
 */
export function measuredBoilOff(
  vessel: Vessel,
  { beforeKg, afterKg, minutes, vigour, lid }: Weighings,
  parameters: ModelParameters = DEFAULT_PARAMETERS,
): number | undefined {
  const lostKg = beforeKg - afterKg;
  if (!(lostKg >= LEAST_LOSS_KG) || !(minutes > 0)) return undefined;
  const kgAnHour = (lostKg / minutes) * 60;
  return kgAnHour / (FLUX_KG_M2_H[vigour] * parameters.boilOff * lidLeaves(lid, parameters) * areaM2(vessel));
}

export interface HeatUp {
  readonly minutes: number;
  readonly joules: number;
  readonly cautions: readonly Caution[];
}

const NO_CAUTIONS: readonly Caution[] = [];

/** Minutes to bring the pot to a temperature on its burner: heat wanted over useful power less mean wall loss. */
export function heatUp(pot: PotState, toC: number, vessel: Vessel, levelM: number): HeatUp {
  const joules = heatToJ(pot, toC);
  if (joules <= 0) return { minutes: 0, joules, cautions: NO_CAUTIONS };
  const usefulW = vessel.burnerW * vessel.efficiency;
  const lossW = WALL_W_M2K * wallM2(vessel, levelM) * Math.max(0, (pot.tempC + toC) / 2 - ROOM_C);
  const enough = usefulW - lossW >= usefulW * LEAST_SHARE;
  const watts = enough ? usefulW - lossW : usefulW * LEAST_SHARE;
  return {
    minutes: joules / watts / 60,
    joules,
    cautions: enough ? NO_CAUTIONS : [{ code: 'BURNER_TOO_SMALL', neededW: lossW / vessel.efficiency, givenW: vessel.burnerW }],
  };
}

export interface Boiled {
  readonly pot: PotState;
  readonly outflows: readonly Flow[];
  readonly joules: number;
  readonly waterKg: number;
  readonly dry: boolean;
}

/** Most water that can be boiled off before the pot is dry, kg. */
export function mostBoilOffKg(pot: PotState): number {
  return pot.liquid.mix[WATER] * (1 - DRY_LEAVES);
}

/** Takes so much water, and the alcohol that goes in so many minutes, out of a pot at its temperature. */
export function boiledOff(pot: PotState, wantedKg: number, minutes: number): Boiled {
  const mostKg = mostBoilOffKg(pot);
  const waterKg = Math.min(wantedKg, mostKg);
  const simmeredMinutes = pot.simmeredMinutes + minutes;
  const ethanol = pot.liquid.mix[ETHANOL];
  const ethanolKg = ethanol === 0 ? 0 : ethanol * (1 - alcoholKept(simmeredMinutes) / alcoholKept(pot.simmeredMinutes));
  const vapour = vapourMix(waterKg, ethanolKg);
  const gone = waterKg + ethanolKg > 0;
  const left = potDraft(pot);
  if (gone) left.liquid = driedParcel(pot.liquid, vapour);
  left.simmeredMinutes = simmeredMinutes;
  return {
    pot: left,
    outflows: gone ? [{ kind: 'vapour', lineId: 'boil-off', parcel: bare(vapour), tempC: pot.tempC }] : [],
    joules: waterKg * latentJKg(pot.tempC) + ethanolKg * ETHANOL_LATENT_JKG,
    waterKg,
    dry: wantedKg > mostKg,
  };
}
