import { ETHANOL, type Mix } from '../larder/index.js';
import { EMPTY, parcelKg, plusCarried, plusParcel, type Carried, type Parcel } from './parcel.js';
import { enthalpyJ, temperatureC, volumeM3 } from './heat.js';

export type Shape = 'slab' | 'cylinder' | 'cube';

/**
 * The pieces of one ingredient at one cut. Softness 0 raw to 1 gone; `gelatinised` is the share of its starch that is
 * cooked; `driedShare` the share of its first water that dry heat has taken; `browned` 0 pale to 1 deep brown.
 */
export interface Cohort {
  readonly lineId: string;
  readonly parcel: Parcel;
  readonly shape: Shape;
  readonly sizeM: number;
  /** Softening rate against the default; 0 never softens. */
  readonly softening: number;
  readonly softness: number;
  readonly gelatinised: number;
  readonly driedShare: number;
  readonly browned: number;
}

/** What stands in a vessel at one moment, all at one temperature. Immutable. */
export interface PotState {
  readonly liquid: Parcel;
  readonly cohorts: readonly Cohort[];
  readonly tempC: number;
  /** Largest grain of what has been blended, m; 0 before the blade. */
  readonly grainM: number;
  /** Share of the volume that is air whipped in. */
  readonly airShare: number;
  /** Minutes at the simmer so far: alcohol leaves along a curve of them. */
  readonly simmeredMinutes: number;
  /** What was lifted out to be given back; it stands beside the pot and counts as outside. */
  readonly aside: readonly Cohort[];
  /** Ln of the body as readings have found it over what its composition alone would give. */
  readonly bodyLn: number;
  /** Ln of the body that its composition alone gave when it was last read; undefined before any reading. */
  readonly readAtLn: number | undefined;
  /** By how much more its body answers to what is poured than its composition says, as this batch's readings or those before it have found it. */
  readonly answers: number;
  /** Area of the trays that it lies spread out on, m2; 0 in a pot. */
  readonly traysM2: number;
}

/** A pot with something else in it, at another heat. Written out: it is made at every step, and spreading costs more than cooking. */
export function potWith(pot: PotState, liquid: Parcel, cohorts: readonly Cohort[], tempC: number): PotState {
  return {
    liquid,
    cohorts,
    tempC,
    grainM: pot.grainM,
    airShare: pot.airShare,
    simmeredMinutes: pot.simmeredMinutes,
    aside: pot.aside,
    bodyLn: pot.bodyLn,
    readAtLn: pot.readAtLn,
    answers: pot.answers,
    traysM2: pot.traysM2,
  };
}

/** A value that its maker may still change, before anybody else sees it. */
export type Draft<T> = { -readonly [K in keyof T]: T[K] };

/** A copy of a pot, to be changed place by place. Written out for the same reason. */
export function potDraft(pot: PotState): Draft<PotState> {
  return potWith(pot, pot.liquid, pot.cohorts, pot.tempC);
}

/** The same pot with another liquid in it. */
export function withLiquid(pot: PotState, liquid: Parcel): PotState {
  return potWith(pot, liquid, pot.cohorts, pot.tempC);
}

/** The same pot at another heat. */
export function withHeat(pot: PotState, tempC: number): PotState {
  return potWith(pot, pot.liquid, pot.cohorts, tempC);
}

/** A copy of a cohort, to be changed place by place. Written out: it is made more often than anything else. */
export function cohortDraft(cohort: Cohort): Draft<Cohort> {
  return {
    lineId: cohort.lineId,
    parcel: cohort.parcel,
    shape: cohort.shape,
    sizeM: cohort.sizeM,
    softening: cohort.softening,
    softness: cohort.softness,
    gelatinised: cohort.gelatinised,
    driedShare: cohort.driedShare,
    browned: cohort.browned,
  };
}

/** The same cohort with another parcel. */
export function withParcel(cohort: Cohort, parcel: Parcel): Cohort {
  const next = cohortDraft(cohort);
  next.parcel = parcel;
  return next;
}

/** Room temperature, °C. Kitchen default. */
export const ROOM_C = 20;

export const EMPTY_POT: PotState = {
  liquid: EMPTY,
  cohorts: [],
  tempC: ROOM_C,
  grainM: 0,
  airShare: 0,
  simmeredMinutes: 0,
  aside: [],
  bodyLn: 0,
  readAtLn: undefined,
  answers: 0,
  traysM2: 0,
};

/**
 * An empty pot for soup whose body answers by so much more to what is poured than its composition says.
 *
 * @param meantLn ln of the body, mPa·s at 65 °C, at which it is as its composition says, however it answers.
 */
export function potAnswering(answers: number, meantLn: number): PotState {
  return answers === 0 ? EMPTY_POT : { ...EMPTY_POT, answers, bodyLn: -answers * meantLn };
}

/** A fresh vessel with only a liquid in it. */
export function potOf(liquid: Parcel, tempC: number, cohorts: readonly Cohort[] = []): PotState {
  return { ...EMPTY_POT, liquid, tempC, cohorts };
}

/** The components of everything in the pot. Sums in place: it is asked for at every step. */
export function mixIn(pot: PotState): Mix {
  const { cohorts } = pot;
  if (cohorts.length === 0) return pot.liquid.mix;
  const l = pot.liquid.mix;
  // Read by place: taking a list apart by pattern walks it with an iterator, at ten times the cost.
  let a = l[0];
  let b = l[1];
  let c = l[2];
  let d = l[3];
  let e = l[4];
  let f = l[5];
  let g = l[6];
  let h = l[7];
  let i = l[8];
  let j = l[9];
  for (const cohort of cohorts) {
    const m = cohort.parcel.mix;
    a += m[0];
    b += m[1];
    c += m[2];
    d += m[3];
    e += m[4];
    f += m[5];
    g += m[6];
    h += m[7];
    i += m[8];
    j += m[9];
  }
  return [a, b, c, d, e, f, g, h, i, j];
}

/** Everything in the pot as one parcel. */
export function contents(pot: PotState): Parcel {
  const { cohorts, liquid } = pot;
  if (cohorts.length === 0) return liquid;
  let carried: Carried = liquid.carried;
  let allergens = liquid.allergens;
  let origins = liquid.origins;
  for (const { parcel } of cohorts) {
    carried = plusCarried(carried, parcel.carried);
    allergens |= parcel.allergens;
    origins |= parcel.origins;
  }
  return { mix: mixIn(pot), carried, allergens, origins };
}

export function potKg(pot: PotState): number {
  let massKg = parcelKg(pot.liquid);
  for (const cohort of pot.cohorts) massKg += parcelKg(cohort.parcel);
  return massKg;
}

/** Volume with whipped-in air, m3. */
export function potM3(pot: PotState): number {
  return volumeM3(mixIn(pot), pot.tempC) / (1 - pot.airShare);
}

export function potEnthalpyJ(pot: PotState): number {
  return enthalpyJ(mixIn(pot), pot.tempC);
}

function offTheTrays(pot: PotState): PotState {
  if (pot.traysM2 === 0) return pot;
  const next = potDraft(pot);
  next.traysM2 = 0;
  return next;
}

/** Pours one pot into another: masses and enthalpies add, the temperature follows. */
export function joined(a: PotState, b: PotState): PotState {
  const massA = potKg(a);
  const massB = potKg(b);
  if (massB === 0 && b.aside.length === 0) return a;
  if (massA === 0 && a.aside.length === 0) return offTheTrays(b);
  const joules = potEnthalpyJ(a) + potEnthalpyJ(b);
  const merged: Draft<PotState> = {
    liquid: plusParcel(a.liquid, b.liquid),
    cohorts: b.cohorts.length === 0 ? a.cohorts : a.cohorts.length === 0 ? b.cohorts : [...a.cohorts, ...b.cohorts],
    tempC: massA >= massB ? a.tempC : b.tempC,
    grainM: Math.max(a.grainM, b.grainM),
    airShare: massA + massB > 0 ? (a.airShare * massA + b.airShare * massB) / (massA + massB) : 0,
    simmeredMinutes: simmered(a, b),
    aside: b.aside.length === 0 ? a.aside : [...a.aside, ...b.aside],
    // Readings are taken of the soup, not of the splash.
    bodyLn: massA >= massB ? a.bodyLn : b.bodyLn,
    readAtLn: massA >= massB ? a.readAtLn : b.readAtLn,
    answers: massA >= massB ? a.answers : b.answers,
    traysM2: 0,
  };
  merged.tempC = temperatureC(mixIn(merged), joules, merged.tempC);
  return merged;
}

/** Something about to go into a pot: liquid or a cohort of pieces, at its own temperature. */
export interface Poured {
  readonly liquid: Parcel;
  readonly cohort: Cohort | undefined;
  readonly tempC: number;
}

/** Many things put into a pot at once: as `joined`, one after the other, with the temperature found once at the end. */
export function joinedAll(pot: PotState, parts: readonly Poured[]): PotState {
  const cohorts = [...pot.cohorts];
  let liquid = pot.liquid;
  let joules = potEnthalpyJ(pot);
  let heaviest = potKg(pot);
  let { tempC } = pot;
  let airKg = pot.airShare === 0 ? 0 : heaviest;
  for (const part of parts) {
    const parcel = part.cohort?.parcel ?? part.liquid;
    const massKg = parcelKg(parcel);
    if (massKg === 0) continue;
    liquid = plusParcel(liquid, part.liquid);
    if (part.cohort !== undefined) cohorts.push(part.cohort);
    joules += enthalpyJ(parcel.mix, part.tempC);
    if (massKg > heaviest) {
      heaviest = massKg;
      tempC = part.tempC;
    }
    if (pot.airShare > 0) airKg += massKg;
  }
  const merged: Draft<PotState> = {
    liquid,
    cohorts,
    tempC,
    grainM: pot.grainM,
    airShare: airKg > 0 ? (pot.airShare * potKg(pot)) / airKg : 0,
    simmeredMinutes: diluted(pot, liquid),
    aside: pot.aside,
    bodyLn: pot.bodyLn,
    readAtLn: pot.readAtLn,
    answers: pot.answers,
    // Whatever is poured over goes into a pot.
    traysM2: 0,
  };
  merged.tempC = temperatureC(mixIn(merged), joules, tempC);
  return merged;
}

/** The alcohol's clock once fresh alcohol has joined. */
function diluted(pot: PotState, liquid: Parcel): number {
  const all = liquid.mix[ETHANOL];
  return all === 0 ? pot.simmeredMinutes : (pot.simmeredMinutes * pot.liquid.mix[ETHANOL]) / all;
}

/** Minutes on the alcohol's clock: of the pot that brings the more of it, since the clock serves nothing else. */
function simmered(a: PotState, b: PotState): number {
  const inA = a.liquid.mix[ETHANOL];
  const inB = b.liquid.mix[ETHANOL];
  if (inA === 0 && inB === 0) return Math.max(a.simmeredMinutes, b.simmeredMinutes);
  return (a.simmeredMinutes * inA + b.simmeredMinutes * inB) / (inA + inB);
}
