import { EMPTY, parcelKg, plusParcel, type Parcel } from './parcel.js';
import { enthalpyJ, temperatureC, volumeM3 } from './heat.js';

export type Shape = 'slab' | 'cylinder' | 'cube';

/** The pieces of one ingredient at one cut. Softness 0 raw to 1 gone; `gelatinised` is the share of its starch that is cooked. */
export interface Cohort {
  readonly lineId: string;
  readonly parcel: Parcel;
  readonly shape: Shape;
  readonly sizeM: number;
  /** Softening rate against the default; 0 never softens. */
  readonly softening: number;
  readonly softness: number;
  readonly gelatinised: number;
}

/** What stands in a vessel at one moment, all at one temperature. Immutable. */
export interface PotState {
  readonly liquid: Parcel;
  readonly cohorts: readonly Cohort[];
  readonly tempC: number;
  /** Largest grain of what has been blended, m; 0 before the blade. */
  readonly grainM: number;
  /** Kilos of cooked starch in the liquid: what thickens. */
  readonly cookedStarchKg: number;
  /** Share of the volume that is air whipped in. */
  readonly airShare: number;
  /** Minutes at the simmer so far: alcohol leaves along a curve of them. */
  readonly simmeredMinutes: number;
  /** Relative sd of the mass: what a run alone is trusted to, until a reading narrows it. */
  readonly massSd: number;
}

/** What a run without any reading is trusted to, as a share of the mass. Kitchen default. */
export const UNREAD_MASS_SD = 0.05;

/** Room temperature, °C. Kitchen default. */
export const ROOM_C = 20;

export const EMPTY_POT: PotState = {
  liquid: EMPTY,
  cohorts: [],
  tempC: ROOM_C,
  grainM: 0,
  cookedStarchKg: 0,
  airShare: 0,
  simmeredMinutes: 0,
  massSd: UNREAD_MASS_SD,
};

/** Everything in the pot as one parcel. */
export function contents(pot: PotState): Parcel {
  let all = pot.liquid;
  for (const cohort of pot.cohorts) all = plusParcel(all, cohort.parcel);
  return all;
}

export function potKg(pot: PotState): number {
  let massKg = parcelKg(pot.liquid);
  for (const cohort of pot.cohorts) massKg += parcelKg(cohort.parcel);
  return massKg;
}

/** Volume with whipped-in air, m3. */
export function potM3(pot: PotState): number {
  return volumeM3(contents(pot).mix, pot.tempC) / (1 - pot.airShare);
}

export function potEnthalpyJ(pot: PotState): number {
  let joules = enthalpyJ(pot.liquid.mix, pot.tempC);
  for (const cohort of pot.cohorts) joules += enthalpyJ(cohort.parcel.mix, pot.tempC);
  return joules;
}

/** Pours one pot into another: masses and enthalpies add, the temperature follows. */
export function joined(a: PotState, b: PotState): PotState {
  const massA = potKg(a);
  const massB = potKg(b);
  const merged: PotState = {
    liquid: plusParcel(a.liquid, b.liquid),
    cohorts: b.cohorts.length === 0 ? a.cohorts : [...a.cohorts, ...b.cohorts],
    tempC: a.tempC,
    grainM: Math.max(a.grainM, b.grainM),
    cookedStarchKg: a.cookedStarchKg + b.cookedStarchKg,
    airShare: massA + massB > 0 ? (a.airShare * massA + b.airShare * massB) / (massA + massB) : 0,
    simmeredMinutes: massA >= massB ? a.simmeredMinutes : b.simmeredMinutes,
    massSd: massA >= massB ? a.massSd : b.massSd,
  };
  const joules = potEnthalpyJ(a) + potEnthalpyJ(b);
  return { ...merged, tempC: temperatureC(contents(merged).mix, joules, massA >= massB ? a.tempC : b.tempC) };
}
