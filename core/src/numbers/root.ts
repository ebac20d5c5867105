export type Root =
  | { readonly ok: true; readonly x: number; readonly evaluations: number }
  | { readonly ok: false; readonly code: 'NO_BRACKET' | 'NOT_A_NUMBER' | 'DID_NOT_CONVERGE'; readonly evaluations: number };

export interface RootSearch {
  /** First guess; positive. */
  readonly guess: number;
  /** Where the search may look; positive. */
  readonly least: number;
  readonly most: number;
  /** Stops when |f| is below this, in the unit of f. */
  readonly tolerance: number;
  readonly mostEvaluations: number;
}

/**
 * The positive x at which a rising function is nought. Contract: brackets by doubling from the guess within
 * [least, most]; then false position with the Illinois weight (Dowell and Jarratt 1971), falling back to halving when
 * that gains less than half of the bracket in three rounds; every outcome but a root is said, never a number.
 *
 * @example risingRoot((x) => x * x - 2, { guess: 1, least: 1e-6, most: 1e6, tolerance: 1e-12, mostEvaluations: 100 }).x // 1.4142
 */
export function risingRoot(f: (x: number) => number, search: RootSearch): Root {
  let evaluations = 0;
  const at = (x: number): number => {
    evaluations += 1;
    return f(x);
  };
  let low = search.guess;
  let fLow = at(low);
  if (Math.abs(fLow) <= search.tolerance) return { ok: true, x: low, evaluations };
  let high = low;
  let fHigh = fLow;
  while (fHigh < 0 && high < search.most && evaluations < search.mostEvaluations) {
    [low, fLow] = [high, fHigh];
    high = Math.min(search.most, high * 2);
    fHigh = at(high);
  }
  while (fLow > 0 && low > search.least && evaluations < search.mostEvaluations) {
    [high, fHigh] = [low, fLow];
    low = Math.max(search.least, low / 2);
    fLow = at(low);
  }
  if (Number.isNaN(fLow) || Number.isNaN(fHigh)) return { ok: false, code: 'NOT_A_NUMBER', evaluations };
  if (!(fLow <= 0 && fHigh >= 0)) return { ok: false, code: 'NO_BRACKET', evaluations };

  let stale = 0;
  let kept: 'low' | 'high' | undefined;
  let width = high - low;
  while (evaluations < search.mostEvaluations) {
    const straight = (low * fHigh - high * fLow) / (fHigh - fLow);
    const x = stale >= 3 || !Number.isFinite(straight) ? (low + high) / 2 : straight;
    const fx = at(x);
    if (Number.isNaN(fx)) return { ok: false, code: 'NOT_A_NUMBER', evaluations };
    if (Math.abs(fx) <= search.tolerance) return { ok: true, x, evaluations };
    if (fx < 0) {
      [low, fLow] = [x, fx];
      if (kept === 'high') fHigh /= 2;
      kept = 'high';
    } else {
      [high, fHigh] = [x, fx];
      if (kept === 'low') fLow /= 2;
      kept = 'low';
    }
    stale = high - low > width / 2 ? stale + 1 : 0;
    width = high - low;
  }
  return { ok: false, code: 'DID_NOT_CONVERGE', evaluations };
}
