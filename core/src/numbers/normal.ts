/** Density of the standard normal. */
export function normalDensity(x: number): number {
  return Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI);
}

/** Share of the standard normal below x: Abramowitz and Stegun, eq. 7.1.26; within 1.5e-7. */
export function normalBelow(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * z);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = 0.5 * poly * Math.exp(-z * z);
  return x >= 0 ? 1 - tail : tail;
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
