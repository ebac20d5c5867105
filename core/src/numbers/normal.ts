import { errorFunction } from 'simple-statistics';

/** Density of the standard normal. */
export function normalDensity(x: number): number {
  return Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI);
}

/** Share of the standard normal below x, within 1e-7. */
export function normalBelow(x: number): number {
  return x === Infinity ? 1 : x === -Infinity ? 0 : (1 + errorFunction(x / Math.SQRT2)) / 2;
}

/** Mean and variance of a standard normal that is known to lie between two bounds; undefined when next to nothing of it does. */
export function between(low: number, high: number): { readonly mean: number; readonly variance: number } | undefined {
  const share = normalBelow(high) - normalBelow(low);
  if (!(share > 1e-6)) return undefined;
  const dLow = Number.isFinite(low) ? normalDensity(low) : 0;
  const dHigh = Number.isFinite(high) ? normalDensity(high) : 0;
  const mean = (dLow - dHigh) / share;
  const second = 1 + ((Number.isFinite(low) ? low * dLow : 0) - (Number.isFinite(high) ? high * dHigh : 0)) / share;
  return { mean, variance: Math.max(1e-9, second - mean * mean) };
}
