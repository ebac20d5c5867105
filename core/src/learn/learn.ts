import { CholeskyDecomposition, LuDecomposition, Matrix, inverse } from 'ml-matrix';
import { symmetric } from '../numbers/index.js';
import type { Learned } from '../kit/index.js';
import type { Evidence } from './evidence.js';

/** Evidence of one closed batch, with when it was cooked. */
export interface BatchEvidence extends Evidence {
  readonly batchId: string;
  readonly atMs: number;
}

/** What the cook has said of a figure: its value holds, or what was before a moment is forgotten. */
export interface FigureChoice {
  readonly key: string;
  readonly holds?: number | undefined;
  readonly sinceMs?: number | undefined;
}

export interface Learning extends Learned {
  /** By batch, how far it lay from what the others say, in sd, and how much it counts: 1 for a usual one, less the odder it is. */
  readonly weights: readonly { readonly batchId: string; readonly oddSd: number; readonly weight: number }[];
}

/** After so long a batch counts half. Kitchens change slowly. Kitchen default, ms. */
const HALF_LIFE_MS = 270 * 86_400_000;
/** Degrees of freedom of one batch's error: a batch far from the others counts the less the farther it is (Lange, Little and Taylor 1989). Kitchen default. */
const TRUST = 5;
const ROUNDS = 8;
/** A figure that the cook holds is moved by nothing. */
const HELD_SD = 1e-6;
/** A figure whose spread has shrunk by less than this has not been learnt. */
const LEARNT = 0.97;
/** Two figures that go together by less are kept as if they did not. */
const LEAST_TOGETHER = 0.08;
/** Figures, and pairs of them, that are kept at most: those that are known best, and that go together most. */
const MOST_FIGURES = 1000;
const MOST_TOGETHER = 2000;
/** Batches beyond so many newest are older than what counts. */
export const MOST_BATCHES = 400;
/** From here a batch is named as odd: one in a thousand usual ones is. */
export const ODD_SD = 3.1;

/** A chi-square of so many degrees of freedom as a standard normal deviate (Wilson and Hilferty 1931). */
export function normalOfChiSquare(value: number, degrees: number): number {
  const a = 2 / (9 * degrees);
  return (Math.cbrt(value / degrees) - (1 - a)) / Math.sqrt(a);
}

interface Own {
  readonly evidence: BatchEvidence;
  readonly at: readonly number[];
  readonly h: Matrix;
  readonly y: Matrix;
  readonly r: Matrix;
  readonly age: number;
}

/** How far what is seen may lie from the mean for want of knowing the figures: the slopes' rows about the spread of those that they are of. */
function foreseen(rows: readonly (readonly number[])[], at: readonly number[], spread: readonly (readonly number[])[]): number[][] {
  const half = rows.map((row) => {
    const sums = at.map(() => 0);
    for (const [i, slope] of row.entries()) {
      if (slope === 0) continue;
      const of = spread[at[i] ?? 0] ?? [];
      for (const [j, k] of at.entries()) sums[j] = (sums[j] ?? 0) + slope * (of[k] ?? 0);
    }
    return sums;
  });
  return half.map((sums) => rows.map((row) => row.reduce((sum, slope, j) => sum + slope * (sums[j] ?? 0), 0)));
}

/**
 * The kitchen's figures from the evidence of its batches: a normal prior about the defaults, each batch a set of straight
 * lines, older ones counting less, odd ones as a Student's t has it. Contract: the mean is that of the linear model, exact for
 * given weights; weights are found by eight rounds from equal ones; no batch's order matters.
 *
 * @param choices what the cook holds, or has forgotten. @returns figures in the order of their keys.
 */
export function learn(batches: readonly BatchEvidence[], choices: readonly FigureChoice[] = []): Learning {
  const newest = [...batches].sort((a, b) => b.atMs - a.atMs || (a.batchId < b.batchId ? -1 : 1)).slice(0, MOST_BATCHES);
  const sds = new Map<string, number>();
  for (const { keys, priorSd } of newest) for (const [n, key] of keys.entries()) sds.set(key, priorSd[n] ?? 0);
  const choiceOf = new Map(choices.map((choice) => [choice.key, choice]));
  for (const { key } of choices) if (!sds.has(key)) sds.set(key, HELD_SD);
  const keys = [...sds.keys()].sort();
  if (keys.length === 0) return { figures: [], together: [], weights: [] };
  const place = new Map(keys.map((key, n) => [key, n]));
  const held = keys.map((key) => choiceOf.get(key)?.holds);
  const prior = keys.map((key, n) => 1 / Math.max(HELD_SD, held[n] === undefined ? (sds.get(key) ?? 0) : 0) ** 2);
  const lastMs = newest[0]?.atMs ?? 0;
  const counts = keys.map(() => 0);
  const own = newest.map((evidence): Own => {
    const at = evidence.keys.map((key) => place.get(key) ?? 0);
    const isForgotten = evidence.keys.map((key) => evidence.atMs < (choiceOf.get(key)?.sinceMs ?? -Infinity));
    for (const [n, i] of at.entries()) {
      if (isForgotten[n] !== true && evidence.slopes.some((row) => row[n] !== 0)) counts[i] = (counts[i] ?? 0) + 1;
    }
    // What is forgotten of a figure is an error of the batch again, as wide as it was before anything was learnt.
    const slopes = new Matrix(evidence.slopes.map((row) => [...row]));
    const forgotten = Matrix.diag(isForgotten.map((is, n) => (is ? (evidence.priorSd[n] ?? 0) ** 2 : 0)));
    const r = Matrix.add(new Matrix(evidence.spread.map((row) => [...row])), slopes.mmul(forgotten).mmul(slopes.transpose()));
    const h = new Matrix(evidence.slopes.map((row) => row.map((value, n) => (isForgotten[n] === true ? 0 : value))));
    return {
      evidence,
      at,
      h,
      r,
      y: Matrix.columnVector([...evidence.seen]),
      age: 0.5 ** ((lastMs - evidence.atMs) / HALF_LIFE_MS),
    };
  });
  // What each batch says does not change with its weight.
  const said = own.map(({ h, y, r }) => {
    const hr = h.transpose().mmul(inverse(r));
    return { hh: hr.mmul(h).to2DArray(), hy: hr.mmul(y).to1DArray(), rows: h.to2DArray(), ys: y.to1DArray(), r: r.to2DArray() };
  });
  let weights = own.map(() => 1);
  let odd = own.map(() => 0);
  let mean: number[] = [];
  let covariance = new Matrix(0, 0);
  for (let round = 0; round < ROUNDS; round++) {
    const information = Matrix.diag(prior);
    const vector = prior.map((precision, n) => precision * (held[n] ?? 0));
    for (const [n, { at, age }] of own.entries()) {
      const w = age * (weights[n] ?? 1);
      const { hh = [], hy = [] } = said[n] ?? {};
      for (const [a, i] of at.entries()) {
        vector[i] = (vector[i] ?? 0) + w * (hy[a] ?? 0);
        const row = hh[a] ?? [];
        for (const [b, j] of at.entries()) information.set(i, j, information.get(i, j) + w * (row[b] ?? 0));
      }
    }
    covariance = new CholeskyDecomposition(symmetric(information)).solve(Matrix.eye(keys.length));
    mean = covariance.mmul(Matrix.columnVector(vector)).to1DArray();
    const spread = covariance.to2DArray();
    odd = said.map(({ rows, ys, r }, n) => {
      const at = own[n]?.at ?? [];
      const e = rows.map((row, a) => row.reduce((left, slope, k) => left - slope * (mean[at[k] ?? 0] ?? 0), ys[a] ?? 0));
      const s = foreseen(rows, at, spread).map((row, a) => row.map((value, b) => value + (r[a]?.[b] ?? 0)));
      const weighed = new LuDecomposition(s).solve(Matrix.columnVector(e)).to1DArray();
      return e.reduce((sum, value, a) => sum + value * (weighed[a] ?? 0), 0);
    });
    const next = own.map(({ y }, n) => Math.min(1, (TRUST + y.rows) / (TRUST + (odd[n] ?? 0))));
    const isSettled = next.every((weight, n) => Math.abs(weight - (weights[n] ?? 0)) < 1e-3);
    weights = next;
    if (isSettled) break;
  }
  const learnt = keys
    .flatMap((key, n) => {
      const sd = Math.sqrt(covariance.get(n, n));
      const left = sd / Math.max(HELD_SD, sds.get(key) ?? 0);
      return choiceOf.has(key) || left < LEARNT ? [{ key, n, sd, left: choiceOf.has(key) ? 0 : left }] : [];
    })
    .sort((a, b) => a.left - b.left)
    .slice(0, MOST_FIGURES)
    .sort((a, b) => a.n - b.n);
  // The strongest of what goes together: a plan keeps it with everything else that it was computed from.
  const together = learnt
    .flatMap((a, i) =>
      learnt.slice(i + 1).flatMap((b, m): [number, number, number][] => {
        const r = covariance.get(a.n, b.n) / Math.max(1e-12, a.sd * b.sd);
        return Math.abs(r) < LEAST_TOGETHER ? [] : [[i, i + 1 + m, Math.round(r * 1000) / 1000]];
      }),
    )
    .sort((a, b) => Math.abs(b[2]) - Math.abs(a[2]))
    .slice(0, MOST_TOGETHER);
  return {
    figures: learnt.map(({ key, n, sd }) => ({ key, by: rounded(mean[n] ?? 0), sd: rounded(sd), batches: counts[n] ?? 0 })),
    together,
    weights: own.map(({ evidence, y }, n) => ({
      batchId: evidence.batchId,
      oddSd: normalOfChiSquare(odd[n] ?? 0, y.rows),
      weight: weights[n] ?? 1,
    })),
  };
}

function rounded(value: number): number {
  return Math.round(value * 1e5) / 1e5;
}

/** What batches teach where those unlike the others wait for the cook's word. */
export interface Settled {
  readonly learning: Learning;
  /** How far each batch lay from the others while all of them counted, and how much it did. */
  readonly weights: Learning['weights'];
  /** Batches that wait. */
  readonly waiting: ReadonlySet<string>;
  /** Batches that count. */
  readonly counting: ReadonlySet<string>;
}

/**
 * Learns from all batches but those that are unlike the others.
 *
 * @param said whether a batch counts, by its id, where the cook has said so.
 */
export function learnUnlessOdd(
  batches: readonly BatchEvidence[],
  choices: readonly FigureChoice[] = [],
  said: ReadonlyMap<string, boolean> = new Map(),
): Settled {
  const all = learn(batches, choices);
  const waiting = new Set(all.weights.flatMap(({ batchId, oddSd }) => (oddSd > ODD_SD && !said.has(batchId) ? [batchId] : [])));
  const own = batches.filter(({ batchId }) => said.get(batchId) ?? !waiting.has(batchId));
  const learning = own.length === batches.length ? all : learn(own, choices);
  return { learning, weights: all.weights, waiting, counting: new Set(own.map(({ batchId }) => batchId)) };
}
