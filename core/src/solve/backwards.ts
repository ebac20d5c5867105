import { run, type Ready, type Run } from '../line/index.js';
import { risingRoot, type Root } from '../numbers/index.js';

export type Solved =
  | { readonly ok: true; readonly scale: number; readonly run: Run; readonly evaluations: number }
  | { readonly ok: false; readonly code: Extract<Root, { ok: false }>['code'] };

/** Scales that are looked at: a spoonful of the soup as written to a hundred thousand times. */
const LEAST_SCALE = 1e-4;
const MOST_SCALE = 1e5;
const MOST_RUNS = 80;
/** How near the answer comes, as a share of what was asked. */
const TOLERANCE = 1e-7;

function solveRising(ready: Ready, wanted: number, guess: number, figure: (r: Run) => number): Solved {
  const root = risingRoot((scale) => figure(run(ready, scale)) - wanted, {
    guess: Math.min(MOST_SCALE, Math.max(LEAST_SCALE, guess)),
    least: LEAST_SCALE,
    most: MOST_SCALE,
    tolerance: wanted * TOLERANCE,
    mostEvaluations: MOST_RUNS,
  });
  return root.ok
    ? { ok: true, scale: root.x, run: run(ready, root.x), evaluations: root.evaluations }
    : { ok: false, code: root.code };
}

/**
 * The scale at which the real forward run fills so many bowls: a root find on `run`. Bowls rise with the scale, since
 * what does not scale (cover, boil-off, film) is bounded. To 1e-7 of the bowls, in at most 80 runs, scales 1e-4 to
 * 1e5; anything else is an outcome with a code.
 */
export function scaleForBowls(ready: Ready, bowls: number): Solved {
  const { writtenFor } = ready.soup;
  const guess = (bowls * ready.bowlKg) / ((writtenFor.bowls * writtenFor.bowlG) / 1000);
  return solveRising(ready, bowls, guess, (r) => r.bowls);
}

/** The scale at which the fullest moment of the main pot reaches a volume; same contract as `scaleForBowls`. */
export function scaleForPeak(ready: Ready, peakM3: number): Solved {
  return solveRising(ready, peakM3, 1, (r) => r.peakM3);
}
