import type { Mix } from '../larder/index.js';
import { diffusivityM2S } from './heat.js';
import type { Shape } from './state.js';

/**
 * How a piece softens: heat creeps to its centre, and the cell-wall glue there goes by a first-order rate.
 *
 * Conduction: the series solution for a surface held at the outer temperature (Carslaw and Jaeger 1959; Incropera and
 * DeWitt, one-dimensional transients), a cube as the product of three slabs, a cylinder long. Softening: kitchen
 * default of 0.25 a minute at 100 °C with 100 kJ/mol, tender when 90 % is gone.
 */
const RATE_AT_100C_PER_MIN = 0.25;
const ACTIVATION_J_MOL = 100_000;
const GAS_J_MOL_K = 8.314;
const KELVIN = 273.15;

/** Softness at which a piece is called tender. Kitchen default. */
export const TENDER = 0.9;

/** Starch counts as cooked once the centre has been this hot, °C. Raw starch thickens nothing below about 65. Kitchen default. */
const GELATINISED_C = 70;

/** By this Fourier number the centre is within a hundredth of the outer temperature for every shape. */
const LAST_FOURIER = 2.2;
const TABLE_STEPS = 440;

/** First roots of J0, and 2 / (root J1(root)): Abramowitz and Stegun, table 9.5. */
const CYLINDER = [
  [2.4048, 1.602],
  [5.5201, -1.0648],
  [8.6537, 0.8514],
  [11.7915, -0.7296],
  [14.9309, 0.6485],
  [18.0711, -0.5895],
] as const;

function slabCentre(fourier: number): number {
  if (fourier < 0.02) return 1;
  let sum = 0;
  for (let n = 0; n < 8; n++) {
    const root = (n + 0.5) * Math.PI;
    sum += ((n % 2 === 0 ? 2 : -2) / root) * Math.exp(-root * root * fourier);
  }
  return Math.min(1, sum);
}

function cylinderCentre(fourier: number): number {
  if (fourier < 0.03) return 1;
  return Math.min(
    1,
    CYLINDER.reduce((sum, [root, c]) => sum + c * Math.exp(-root * root * fourier), 0),
  );
}

/** The share of the temperature difference still left at the centre of a piece, by Fourier number. */
export function centreShare(shape: Shape, fourier: number): number {
  if (shape === 'cylinder') return cylinderCentre(fourier);
  const slab = slabCentre(fourier);
  return shape === 'slab' ? slab : slab ** 3;
}

function tabulate(shape: Shape): Float64Array {
  return Float64Array.from({ length: TABLE_STEPS + 2 }, (_, n) => centreShare(shape, (n * LAST_FOURIER) / TABLE_STEPS));
}

const TABLES: Readonly<Record<Shape, Float64Array>> = {
  slab: tabulate('slab'),
  cylinder: tabulate('cylinder'),
  cube: tabulate('cube'),
};

function tabulatedShare(table: Float64Array, fourier: number): number {
  const place = (fourier * TABLE_STEPS) / LAST_FOURIER;
  if (place >= TABLE_STEPS) return 0;
  const low = Math.floor(place);
  const a = table[low] ?? 0;
  return a + ((table[low + 1] ?? 0) - a) * (place - low);
}

/** Softening rate at a temperature, per minute. */
export function ratePerMinute(tempC: number): number {
  return RATE_AT_100C_PER_MIN * Math.exp((-ACTIVATION_J_MOL / GAS_J_MOL_K) * (1 / (tempC + KELVIN) - 1 / (100 + KELVIN)));
}

/**
 * The transient's worth, tabulated once: minutes-equivalents at the outer temperature per unit of Fourier number,
 * I(q, Fo) = integral over Fo of exp(-q θ / (1 - u θ)), θ the centre's share left, u the gap over the outer temperature
 * in kelvin and q = E u / (R T). u is taken from q at 100 °C, which is within 5 % for all that cooks in water and
 * moves the dose by under 0.5 %.
 */
const LEAST_Q = -5;
const MOST_Q = 11;
const Q_STEPS = 128;
const Q_WIDTH = (MOST_Q - LEAST_Q) / Q_STEPS;
const FOURIER_WIDTH = LAST_FOURIER / TABLE_STEPS;
const ROW = TABLE_STEPS + 1;
const Q_PER_U = ACTIVATION_J_MOL / GAS_J_MOL_K / (100 + KELVIN);

const worths = new Map<Shape, Float64Array>();

function worthOf(shape: Shape): Float64Array {
  const have = worths.get(shape);
  if (have !== undefined) return have;
  const table = new Float64Array((Q_STEPS + 1) * ROW);
  const shares = TABLES[shape];
  for (let n = 0; n <= Q_STEPS; n++) {
    const q = LEAST_Q + n * Q_WIDTH;
    const u = q / Q_PER_U;
    const rate = (place: number): number => {
      const share = shares[place] ?? 0;
      return Math.exp((-q * share) / (1 - u * share));
    };
    let sum = 0;
    for (let k = 1; k <= TABLE_STEPS; k++) {
      sum += 0.5 * (rate(k - 1) + rate(k)) * FOURIER_WIDTH;
      table[n * ROW + k] = sum;
    }
  }
  worths.set(shape, table);
  return table;
}

/** I(q, Fo) by straight lines between the table's places; q beyond the table counts as its end. */
function transientWorth(shape: Shape, q: number, fourier: number): number {
  const table = worthOf(shape);
  const row = Math.min(Q_STEPS - 1e-9, Math.max(0, (q - LEAST_Q) / Q_WIDTH));
  const column = Math.min(TABLE_STEPS - 1e-9, fourier / FOURIER_WIDTH);
  const r = Math.floor(row);
  const c = Math.floor(column);
  const at = r * ROW + c;
  const across = column - c;
  const low = (table[at] ?? 0) + ((table[at + 1] ?? 0) - (table[at] ?? 0)) * across;
  const high = (table[at + ROW] ?? 0) + ((table[at + ROW + 1] ?? 0) - (table[at + ROW] ?? 0)) * across;
  return low + (high - low) * (row - r);
}

export interface Piece {
  readonly shape: Shape;
  readonly sizeM: number;
  readonly mix: Mix;
  readonly softening: number;
}

export interface Heating {
  readonly fromC: number;
  readonly outerC: number;
  readonly minutes: number;
  /** How fast heat gets in against a boiling liquid, which is 1: dry air and pan steam are slower. */
  readonly pace: number;
}

/** Seconds per unit of Fourier number: the half thickness squared over the diffusivity. */
function fourierSeconds(piece: Piece, heating: Pick<Heating, 'outerC' | 'pace'>): number {
  return (piece.sizeM / 2) ** 2 / (diffusivityM2S(piece.mix, 0.5 * (20 + heating.outerC)) * heating.pace);
}

/** The exponent of the softening: minutes at the rate of the centre's own temperature, times the piece's pace. */
export function softeningDose(piece: Piece, heating: Heating): number {
  if (piece.softening === 0 || heating.minutes <= 0) return 0;
  return doseWith(piece, heating, fourierSeconds(piece, heating) / 60);
}

function doseWith(piece: Piece, heating: Heating, perFourierMin: number): number {
  const transient = Math.min(heating.minutes, LAST_FOURIER * perFourierMin);
  const outerK = heating.outerC + KELVIN;
  const q = ((ACTIVATION_J_MOL / GAS_J_MOL_K) * (heating.outerC - heating.fromC)) / (outerK * outerK);
  const worth = transientWorth(piece.shape, q, transient / perFourierMin) * perFourierMin;
  return piece.softening * ratePerMinute(heating.outerC) * (worth + heating.minutes - transient);
}

function centreWith(piece: Piece, heating: Heating, perFourierMin: number): number {
  const left = tabulatedShare(TABLES[piece.shape], heating.minutes / perFourierMin);
  return heating.outerC - (heating.outerC - heating.fromC) * left;
}

export function centreC(piece: Piece, heating: Heating): number {
  return centreWith(piece, heating, fourierSeconds(piece, heating) / 60);
}

/** Softness and cooked starch of a piece after one heating. */
export function soften(
  piece: Piece,
  before: { readonly softness: number; readonly gelatinised: number },
  heating: Heating,
): { readonly softness: number; readonly gelatinised: number } {
  // Hot through already: no heat has to get in, and the rate is the same from the first minute to the last.
  if (heating.fromC === heating.outerC) {
    const even =
      piece.softening === 0 || heating.minutes <= 0 ? 0 : piece.softening * ratePerMinute(heating.outerC) * heating.minutes;
    return {
      softness: 1 - (1 - before.softness) * Math.exp(-even),
      gelatinised: before.gelatinised === 1 || heating.outerC >= GELATINISED_C ? 1 : before.gelatinised,
    };
  }
  const perFourierMin = fourierSeconds(piece, heating) / 60;
  const dose = piece.softening === 0 || heating.minutes <= 0 ? 0 : doseWith(piece, heating, perFourierMin);
  const softness = 1 - (1 - before.softness) * Math.exp(-dose);
  if (before.gelatinised === 1) return { softness, gelatinised: 1 };
  return { softness, gelatinised: centreWith(piece, heating, perFourierMin) >= GELATINISED_C ? 1 : before.gelatinised };
}

/** Longest cooking that is looked at for tenderness, minutes. */
const LONGEST_MIN = 600;

/**
 * Minutes until a piece is tender. Bisection on 0 to 600 min to 0.01 min, at most 60 rounds; undefined when it does
 * not get there (not hot enough, or never softens).
 *
 * @example minutesToTender(cube25mm, 0, { fromC: 20, outerC: 100, pace: 1 }) // about 18
 */
export function minutesToTender(piece: Piece, softness: number, heating: Omit<Heating, 'minutes'>): number | undefined {
  const wanted = Math.log((1 - softness) / (1 - TENDER));
  if (wanted <= 0) return 0;
  if (!(softeningDose(piece, { ...heating, minutes: LONGEST_MIN }) >= wanted)) return undefined;
  let low = 0;
  let high = LONGEST_MIN;
  for (let round = 0; round < 60 && high - low > 0.01; round++) {
    const middle = (low + high) / 2;
    if (softeningDose(piece, { ...heating, minutes: middle }) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
