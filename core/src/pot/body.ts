import { FAT, PROTEIN, STARCH, SUGARS, WATER, plusMix, totalKg, type Mix } from '../larder/index.js';
import { volumeM3 } from './heat.js';
import { COOKED_STARCH_KG, PULP_KG, STARCH_BODY_KG, withMix, type Parcel } from './parcel.js';
import { potDraft, type PotState } from './state.js';

/** Body is the apparent viscosity at 50 1/s at the serving temperature, mPa·s. Temperatures of serving, °C: common practice. */
export const SERVED_HOT_C = 65;
export const SERVED_COLD_C = 8;

/** Body = serum + A B^b f(T): the exponent of Rao, Bourne and Cooley (1981) for tomato concentrates; A is a model parameter, at 32 °C. */
const EXPONENT = 2.5;
const REFERENCE_C = 32;
const KELVIN = 273.15;
const GAS_J_MOL_K = 8.314;
/** Activation of the thickening part, J/mol. Kitchen default. */
const ACTIVATION_J_MOL = 10_000;
/** What each thickens against cell-wall fibre: swollen starch, protein. Kitchen defaults. */
const STARCH_THICKENS = 0.9;
const PROTEIN_THICKENS = 0.1;
/** Closest packing of fat drops and the exponent of Krieger and Dougherty (1959). */
const DROPS_MOST = 0.74;
const DROPS_EXPONENT = 1.85;

/** Viscosity of water, mPa·s, 0 to 110 °C: Vogel's equation with the usual constants (from memory); within 2 % of 1.002 at 20 and 0.282 at 100. */
export function waterMPas(tempC: number): number {
  return 0.02414 * 10 ** (247.8 / (tempC + KELVIN - 140));
}

/** Arrhenius factor of the thickening part against 32 °C. */
export function thickeningFactor(tempC: number): number {
  return Math.exp((ACTIVATION_J_MOL / GAS_J_MOL_K) * (1 / (tempC + KELVIN) - 1 / (REFERENCE_C + KELVIN)));
}

/**
 * How many times sugar makes water thicker, by its share of the two: ln r = 2.64 s / (1 - 1.018 s) at 20 °C, through the
 * sucrose tables (from memory: 1.94 times at 20 %, 6.2 at 40, 58 at 60), and half a per cent less in ln a kelvin above.
 *
 * @example sugarThickens(0.6, 20) // 59
 */
export function sugarThickens(share: number, tempC: number): number {
  const s = Math.min(MOST_SUGAR, share);
  return Math.exp(((2.64 * s) / (1 - 1.018 * s)) * Math.max(LEAST_OF_IT, 1 - 0.005 * (tempC - 20)));
}

/** The tables end at syrups of three quarters sugar, and hot syrup keeps some of it. */
const MOST_SUGAR = 0.78;
const LEAST_OF_IT = 0.4;

/** The thin part: water, made thicker by sugar and by drops of fat (Krieger and Dougherty). mPa·s. */
export function serumMPas(mix: Mix, tempC: number): number {
  const water = mix[WATER];
  if (water <= 0) return waterMPas(tempC);
  const sugarShare = mix[SUGARS] / (mix[SUGARS] + water);
  const sweetened = waterMPas(tempC) * sugarThickens(sugarShare, tempC);
  const fatM3 = mix[FAT] / 905;
  if (fatM3 === 0) return sweetened;
  const drops = Math.min(0.98 * DROPS_MOST, fatM3 / volumeM3(mix, tempC));
  return sweetened * (1 - drops / DROPS_MOST) ** -DROPS_EXPONENT;
}

/** What thickens in a liquid, kg of the standard: fibre and swollen starch by their kinds, protein. */
export interface ThickeningKg {
  readonly fibre: number;
  readonly starch: number;
  readonly protein: number;
}

export function thickeningParts({ mix, carried }: Parcel): ThickeningKg {
  const starch = mix[STARCH];
  return {
    fibre: Math.max(0, carried[PULP_KG]),
    starch: starch > 0 ? (STARCH_THICKENS * carried[STARCH_BODY_KG] * carried[COOKED_STARCH_KG]) / starch : 0,
    protein: PROTEIN_THICKENS * mix[PROTEIN],
  };
}

/** Solids that thicken, kg: the sum of the parts. Written out: it is asked for at every step. */
export function thickeningKg({ mix, carried }: Parcel): number {
  const starch = mix[STARCH];
  const swollen = starch > 0 ? (STARCH_THICKENS * carried[STARCH_BODY_KG] * carried[COOKED_STARCH_KG]) / starch : 0;
  return Math.max(0, carried[PULP_KG]) + swollen + PROTEIN_THICKENS * mix[PROTEIN];
}

/**
 * Body of a liquid by its composition alone, mPa·s, before any reading; 0 for no liquid.
 *
 * @param a body that 1 % of thickening solids gives at 32 °C, mPa·s.
 * @example priorMPas(milk, 20, 14) // about 2
 */
export function priorMPas(liquid: Parcel, tempC: number, a: number): number {
  const massKg = totalKg(liquid.mix);
  if (massKg <= 0) return 0;
  const b = (thickeningKg(liquid) / massKg) * 100;
  return serumMPas(liquid.mix, tempC) + a * b ** EXPONENT * thickeningFactor(tempC);
}

/** How far the body by composition alone lies from where its answer is reckoned from, ln; 0 for no liquid. */
function answeredLn(priorMpas: number, { readAtLn = 0 }: Pick<PotState, 'readAtLn'>): number {
  return priorMpas > 0 ? Math.log(priorMpas) - readAtLn : 0;
}

/**
 * Body of a pot's liquid, or of another in its place, as readings have moved it, mPa·s: by its composition, shifted as it was
 * read, and answering to what has changed since as readings have found that it does.
 */
export function readBodyMPas(
  liquid: Parcel,
  pot: Pick<PotState, 'bodyLn' | 'readAtLn' | 'answers'>,
  tempC: number,
  a: number,
): number {
  const prior = priorMPas(liquid, tempC, a);
  if (pot.answers === 0) return prior * Math.exp(pot.bodyLn);
  return prior * Math.exp(pot.bodyLn + pot.answers * answeredLn(priorMPas(liquid, SERVED_HOT_C, a), pot));
}

/** The body that composition alone has to give so that a pot, as it has been read, comes to one: the inverse of `readBodyMPas`. */
export function priorForBody(
  mPas: number,
  { bodyLn, readAtLn = 0, answers }: Pick<PotState, 'bodyLn' | 'readAtLn' | 'answers'>,
): number {
  return Math.exp((Math.log(mPas) - bodyLn + answers * readAtLn) / (1 + answers));
}

/** Body of what stands in the pot, as readings have moved it, mPa·s. Pieces do not count until they are blended. */
export function bodyMPas(pot: PotState, tempC: number, a: number): number {
  return readBodyMPas(pot.liquid, pot, tempC, a);
}

/** How far the body by composition alone has come since it was last read, ln; 0 before any reading. */
export function sinceReadLn(pot: PotState, a: number): number {
  return pot.readAtLn === undefined ? 0 : answeredLn(priorMPas(pot.liquid, SERVED_HOT_C, a), pot);
}

/** A pot whose body is reckoned from where it stands now: what its answer has made of the way here is in the body itself. */
export function readHere(pot: PotState, a: number): PotState {
  const now = priorMPas(pot.liquid, SERVED_HOT_C, a);
  if (!(now > 0)) return pot;
  const here = potDraft(pot);
  here.bodyLn = pot.bodyLn + pot.answers * answeredLn(now, pot);
  here.readAtLn = Math.log(now);
  return here;
}

/** How ln body moves when ln mass does, by water: numerically on the prior itself. */
export function bodySlope(pot: PotState, tempC: number, a: number): number {
  const h = 1e-5;
  const water: Mix = [totalKg(pot.liquid.mix), 0, 0, 0, 0, 0, 0, 0, 0, 0];
  const wetter = withMix(pot.liquid, plusMix(pot.liquid.mix, water, h));
  return ((1 + pot.answers) * Math.log(priorMPas(wetter, tempC, a) / priorMPas(pot.liquid, tempC, a))) / Math.log1p(h);
}

/** Thickening solids, per cent of the mass, that give a body over a serum; 0 where the serum alone is thicker. The inverse of the prior. */
export function solidsForBody(bodyMpas: number, serum: number, tempC: number, a: number): number {
  const over = bodyMpas - serum;
  return over <= 0 ? 0 : (over / (a * thickeningFactor(tempC))) ** (1 / EXPONENT);
}
