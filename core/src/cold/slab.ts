import { tableAt, type Stuff } from './stuff.js';

/** A layer that meets something cold above and below. */
export interface Slab {
  readonly stuff: Stuff;
  readonly depthM: number;
  readonly aboveC: number;
  readonly aboveW: number;
  readonly belowC: number;
  readonly belowW: number;
}

const CELLS = 18;
const STEP_S = 60;
/** Share of a step's end in its flows: near to a half for time, a little over it so that nothing rings. */
const LATER = 0.6;

/** Temperatures of a layer from minute to minute: its warmest place and its mean, °C. */
export interface Curve {
  readonly warmestC: Float64Array;
  readonly meanC: Float64Array;
}

/**
 * Conduction through a layer that is not stirred, one temperature at the start: finite volumes, implicit (three fifths of each
 * minute by its end, unconditionally stable), conductivity and heat capacity of each cell by its temperature. Checked against the
 * exact series within 1 %.
 *
 * @param startC uniform at the start
 * @param minutes how far at most; one entry a minute, the start first
 * @param untilC it need not go on once its warmest place is at this
 */
export function coolSlab(slab: Slab, startC: number, minutes: number, untilC = -Infinity): Curve {
  const { stuff, depthM, aboveC, aboveW, belowC, belowW } = slab;
  const dx = depthM / CELLS;
  const t = new Float64Array(CELLS).fill(startC);
  const lower = new Float64Array(CELLS);
  const main = new Float64Array(CELLS);
  const right = new Float64Array(CELLS);
  const gain = new Float64Array(CELLS);
  const warmestC = new Float64Array(minutes + 1);
  const meanC = new Float64Array(minutes + 1);
  warmestC[0] = startC;
  meanC[0] = startC;
  for (let minute = 1; minute <= minutes; minute += 1) {
    for (let n = 0; n < CELLS; n += 1) {
      const own = t[n] ?? 0;
      const stored = (tableAt(stuff.heat, own) * dx) / STEP_S;
      const k = tableAt(stuff.conducts, own);
      const up = n + 1 < CELLS ? conductance(k, tableAt(stuff.conducts, t[n + 1] ?? own), dx) : faceOf(aboveW, k, dx);
      const down = n > 0 ? conductance(k, tableAt(stuff.conducts, t[n - 1] ?? own), dx) : faceOf(belowW, k, dx);
      const above = n + 1 < CELLS ? (t[n + 1] ?? own) : aboveC;
      const below = n > 0 ? (t[n - 1] ?? own) : belowC;
      lower[n] = n > 0 ? -LATER * down : 0;
      right[n] = n + 1 < CELLS ? -LATER * up : 0;
      main[n] = stored + LATER * (up + down);
      gain[n] =
        stored * own +
        (1 - LATER) * (up * (above - own) + down * (below - own)) +
        LATER * ((n + 1 < CELLS ? 0 : up * aboveC) + (n > 0 ? 0 : down * belowC));
    }
    solve(lower, main, right, gain, t);
    let warmest = -Infinity;
    let sum = 0;
    for (const one of t) {
      warmest = Math.max(warmest, one);
      sum += one;
    }
    warmestC[minute] = warmest;
    meanC[minute] = sum / CELLS;
    if (warmest <= untilC) return { warmestC: warmestC.subarray(0, minute + 1), meanC: meanC.subarray(0, minute + 1) };
  }
  return { warmestC, meanC };
}

/** Between two cells: half of each in a row, W/(m2 K). */
function conductance(a: number, b: number, dx: number): number {
  return (2 * a * b) / ((a + b) * dx);
}

/** From a cell's middle through its face to what is outside. */
function faceOf(h: number, k: number, dx: number): number {
  return h <= 0 ? 0 : 1 / (1 / h + dx / (2 * k));
}

/** A tridiagonal system by elimination (Thomas), into `out`. */
function solve(lower: Float64Array, main: Float64Array, right: Float64Array, gain: Float64Array, out: Float64Array): void {
  for (let n = 1; n < CELLS; n += 1) {
    const by = (lower[n] ?? 0) / (main[n - 1] ?? 1);
    main[n] = (main[n] ?? 0) - by * (right[n - 1] ?? 0);
    gain[n] = (gain[n] ?? 0) - by * (gain[n - 1] ?? 0);
  }
  for (let n = CELLS - 1; n >= 0; n -= 1) {
    const above = n + 1 < CELLS ? (right[n] ?? 0) * (out[n + 1] ?? 0) : 0;
    out[n] = ((gain[n] ?? 0) - above) / (main[n] ?? 1);
  }
}
