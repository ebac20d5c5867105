import { run, type Ready, type Run } from '../line/index.js';
import type { Root } from '../numbers/index.js';
import { scaleFor, type ScaleFound } from './anchors.js';

export type Solved =
  | { readonly ok: true; readonly scale: number; readonly run: Run; readonly evaluations: number }
  | { readonly ok: false; readonly code: Extract<Root, { ok: false }>['code'] };

function solved(ready: Ready, found: ScaleFound): Solved {
  if (found.ok) return { ok: true, scale: found.scale, run: run(ready, found.scale), evaluations: found.evaluations };
  return { ok: false, code: found.code === 'NOT_IN_THIS_SOUP' ? 'NO_BRACKET' : found.code };
}

/**
 * The scale at which the real forward run fills so many bowls. Bowls rise with the scale, since what does not scale
 * (cover, boil-off, film) is bounded. Contract as `scaleFor`.
 */
export function scaleForBowls(ready: Ready, bowls: number): Solved {
  const { writtenFor } = ready.soup;
  const guess = (bowls * ready.bowlKg) / ((writtenFor.bowls * writtenFor.bowlG) / 1000);
  return solved(ready, scaleFor(ready, { by: 'bowls', bowls }, guess));
}

/** The scale at which the fullest moment of the main pot reaches what may be boiled in it. Contract as `scaleFor`. */
export function scaleForPot(ready: Ready): Solved {
  return solved(ready, scaleFor(ready, { by: 'pot' }));
}
