import { randomNormal } from 'd3-random';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { symmetric } from '../numbers/index.js';
import { covarianceOf, inputsOf, withMoves, type Input, type PreparedSoup } from '../runner/index.js';

/** Standard normal deviates from a seed: the same seed gives the same row. */
export interface Draws {
  readonly normal: () => number;
}

/** On a xoroshiro128+ generator, whose state lives in what is returned. */
export function drawsFrom(seed: number): Draws {
  const generator = xoroshiro128plus(seed);
  return { normal: randomNormal.source(() => uniformFloat64(generator))() };
}

/**
 * What can turn out otherwise in one batch: every model parameter that the soup leans on, the trim of every line, and
 * what was measured out of each. Named, so that an answer can say which of them matters.
 */
export interface Unsure extends Input {
  readonly sd: number;
}

/** All that is unsure of a soup, and how its deviates hang together: row by row, what each takes of the drawn ones. */
export interface UnsureInputs {
  readonly inputs: readonly Unsure[];
  /** Deviates, in sd of each input, from as many independent ones. */
  readonly correlated: (independent: readonly number[]) => number[];
}

/** Factor by which what is measured out of a line strays in one drawing. */
export function measuredBy(unsure: readonly Unsure[], deviates: readonly number[]): (lineId: string) => number {
  const by = new Map<string, number>();
  unsure.forEach(({ lineId, of, sd }, n) => {
    if (lineId !== undefined && of === 'measured') by.set(lineId, Math.exp(sd * (deviates[n] ?? 0)));
  });
  return (lineId) => by.get(lineId) ?? 1;
}

/** What is added to a correlation's diagonal so that rounding leaves it positive. */
const RIDGE = 1e-9;

/** By how much correlations are loosened at a time where, rounded and cut short as they are kept, no such inputs can be. */
const LOOSENED = 0.9;
const MOST_LOOSENED = 60;

/** The lower root of the inputs' correlations, row by row. */
function rootOf(covariance: readonly (readonly number[])[], inputs: readonly Unsure[]): number[][] {
  const of = (i: number, j: number): number =>
    (covariance[i]?.[j] ?? 0) / Math.max(1e-12, (inputs[i]?.sd ?? 0) * (inputs[j]?.sd ?? 0));
  let hold = 1;
  for (let round = 0; round < MOST_LOOSENED; round++) {
    const rows = inputs.map((_, i) => inputs.map((__, j) => (i === j ? 1 + RIDGE : hold * of(i, j))));
    const root = new CholeskyDecomposition(symmetric(new Matrix(rows)));
    if (root.isPositiveDefinite()) return root.lowerTriangularMatrix.to2DArray();
    hold *= LOOSENED;
  }
  return Matrix.eye(inputs.length).to2DArray();
}

/** Everything unsure of a prepared soup: how far kitchens and batches differ, or what this kitchen has learnt of itself. */
export function unsureOf(prepared: PreparedSoup): UnsureInputs {
  const all = inputsOf(prepared);
  const covariance = covarianceOf(prepared.kit, all);
  const inputs = all.map((input, n) => ({ ...input, sd: Math.sqrt(covariance[n]?.[n] ?? 0) }));
  const isApart = covariance.every((row, i) => row.every((value, j) => i === j || value === 0));
  if (isApart) return { inputs, correlated: (independent) => [...independent] };
  const lower = rootOf(covariance, inputs);
  return {
    inputs,
    correlated: (independent) =>
      lower.map((row, i) => row.reduce((sum, l, j) => (j > i ? sum : sum + l * (independent[j] ?? 0)), 0)),
  };
}

/** The soup as it might turn out: every unsure thing moved by its own deviate, in the order of `unsure`. */
export function sampleInputs(prepared: PreparedSoup, unsure: readonly Unsure[], deviates: readonly number[]): PreparedSoup {
  const moves = new Map<string, number>();
  for (let n = 0; n < unsure.length; n++) {
    const input = unsure[n];
    if (input !== undefined) moves.set(input.key, input.sd * (deviates[n] ?? 0));
  }
  return withMoves(prepared, moves);
}
