import { massOf, roomOf, saltPctOf, thicknessOf, type SimulatedPot } from '../bench/index.js';
import { SPOON_READINGS, spoonMPas, type SpoonReading } from '../body/index.js';
import { areaM2, type Vessel } from '../kit/index.js';
import type { Planned } from '../plan/index.js';
import { walk } from '../soup/index.js';
import { DIP_M, ERRS, EYE_LN, HiddenKitchen, normalFrom, numberOf } from './hidden-kitchen.js';
import type { Hidden } from './cooked.js';
import { sourIn, sourOf } from './sour.js';

/** From far too little, -2, to far too much, 2. */
export type Tasted = -2 | -1 | 0 | 1 | 2;

/** What somebody in the kitchen sees, tastes and reads of the pot at a moment. */
export interface Senses {
  /** What a scale shows with the pot on it, kg; the pot itself weighs `tareKg`. */
  readonly grossKg: number;
  readonly tareKg: number;
  /** From the rim down to the soup, m. */
  readonly belowRimM: number;
  /** Off the back of a spoon, as the eye has it; undefined before anything is blended. */
  readonly spoon: SpoonReading | undefined;
  readonly viscometerMPas: number | undefined;
  /** Undefined where there is nothing to taste yet, or nothing that the card wants of it. */
  readonly salt: Tasted | undefined;
  readonly sour: Tasted | undefined;
  /** What a probe shows, °C, and what is seen of the heat. */
  readonly probeC: number;
  readonly looks: 'boils' | 'trembles' | 'steams' | 'still';
  readonly saltMeterPct: number;
}

/** Of what stands in a pot, the share that is foam. Invented for the bench. */
const FOAM = 0.02;
/** Water swells as it warms: by so much of itself for the square of the kelvins over 4 °C. Handbook figures for 20 to 100 °C, from memory. */
const SWELLS = 4.5e-6;
const DENSEST_C = 4;
/** How far off salt is before a tongue says so, and says it loudly, as a share. Invented for the bench. */
const TASTES_OFF = 0.1;
const TASTES_FAR_OFF = 0.35;
/** How far a tongue is off, 1 sd of ln: for good, and each time. */
const TONGUE_LN = { biasSd: 0.05, noiseSd: 0.05 };
/** How far a probe is off, 1 sd in °C. Invented for the bench. */
const PROBE_C = { biasSd: 0.6, noiseSd: 0.4 };
/** From so many °C on it boils, trembles at the edge, steams. */
const LOOKS_C = { boils: 98.5, trembles: 86, steams: 60 };
/** What a seed is multiplied by for looks: a prime of their own. */
const LOOKS = 6151;

/** What a card wants of salt where it says so, %. */
function saltWanted({ prepared }: Planned): number | undefined {
  const season = walk(prepared.soup.root).findLast(({ step }) => step.op === 'season')?.step;
  return season?.op === 'season' ? season.saltPct : undefined;
}

/** What a card makes of sourness in the end, as the index of the gauges. */
function sourWanted({ run }: Planned): number | undefined {
  const last = run.last?.before;
  return last === undefined ? undefined : sourIn(last);
}

/** A tongue's word for what is there against what is wanted, off by so much ln. */
function tongue(is: number, wanted: number | undefined, off: number): Tasted | undefined {
  if (wanted === undefined || !(wanted > 0)) return undefined;
  const by = Math.log(Math.max(1e-6, is) / wanted) + off;
  const side = by < 0 ? -1 : 1;
  if (Math.abs(by) < TASTES_OFF) return 0;
  return Math.abs(by) < TASTES_FAR_OFF ? side : side === 1 ? 2 : -2;
}

function looksOf(tempC: number): Senses['looks'] {
  if (tempC >= LOOKS_C.boils) return 'boils';
  if (tempC >= LOOKS_C.trembles) return 'trembles';
  return tempC >= LOOKS_C.steams ? 'steams' : 'still';
}

/** From the rim down to what stands in a vessel, m; less than nothing where it stands over the rim. Hot soup stands higher. */
export function belowRimM(vessel: Vessel, pot: SimulatedPot): number {
  const swollen = roomOf(pot) / (1 - SWELLS * Math.max(0, pot.tempC - DENSEST_C) ** 2);
  return vessel.depthM - swollen / (1 - FOAM) / areaM2(vessel);
}

/**
 * A spoon has five words, and what lies between two of them: a cook says what is nearest to the body, mPa·s, as an eye has it
 * that is off by so much ln.
 */
export function spoonReadingOf(mPas: number, off: number): SpoonReading {
  const seen = Math.log(mPas) + off;
  const away = (reading: SpoonReading): number => Math.abs(Math.log(spoonMPas(reading)) - seen);
  return SPOON_READINGS.reduce((best, one) => (away(one) < away(best) ? one : best));
}

/**
 * What is seen of a pot. Nobody sees exactly: the same look (`nth`) sees the same, the next one a little other.
 *
 * @param nth how often something was done or looked at before.
 */
export function sensed(plan: Planned, pot: SimulatedPot, isBlended: boolean, { seed, mishaps }: Hidden, nth: number): Senses {
  const hidden = new HiddenKitchen(seed, mishaps);
  const by = (what: string): number => normalFrom(seed * LOOKS + numberOf(`${what} ${String(nth)}`))();
  const { vessel, servedC } = plan.prepared;
  const kg = massOf(pot);
  const tareKg = vessel.tareKg;
  const mPas = kg > 0 ? thicknessOf(pot, servedC) : 0;
  /** By what a device of the kitchen is off at this look, as a factor. */
  const off = (device: keyof typeof ERRS): number => {
    const { biasSd, noiseSd } = ERRS[device];
    return Math.exp(hidden.of(device, biasSd) + noiseSd * by(device));
  };
  const tongueOff = (what: string): number => hidden.of(what, TONGUE_LN.biasSd) + TONGUE_LN.noiseSd * by(what);
  const gross = (kg + tareKg + (mishaps.onScaleKg ?? 0)) * off('scale');
  const canSee = isBlended && mPas > 0;
  return {
    grossKg: Math.max(0, gross),
    tareKg,
    belowRimM: Math.max(0, belowRimM(vessel, pot) + hidden.dipBiasM + DIP_M.noiseSd * by('dip')),
    spoon: canSee ? spoonReadingOf(mPas, hidden.eyeBias + EYE_LN.noiseSd * by('eye')) : undefined,
    viscometerMPas: canSee ? mPas * off('viscometer') : undefined,
    salt: kg > 0 ? tongue(saltPctOf(pot), saltWanted(plan), tongueOff('tongue')) : undefined,
    sour: kg > 0 ? tongue(sourOf(kg, pot), sourWanted(plan), tongueOff('sour')) : undefined,
    probeC: pot.tempC + PROBE_C.biasSd * hidden.of('probe', 1) + PROBE_C.noiseSd * by('probe'),
    looks: looksOf(pot.tempC),
    saltMeterPct: kg > 0 ? saltPctOf(pot) * off('meter') : 0,
  };
}
