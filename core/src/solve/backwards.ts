import { run, type PreparedSoup, type Run } from '../runner/index.js';
import type { Root } from '../numbers/index.js';
import { scaleFor, type ScaleFound } from './anchors.js';

export type Solved =
  | { readonly ok: true; readonly scale: number; readonly run: Run; readonly evaluations: number }
  | { readonly ok: false; readonly code: Extract<Root, { ok: false }>['code'] };

function solved(prepared: PreparedSoup, found: ScaleFound): Solved {
  if (found.ok) return { ok: true, scale: found.scale, run: run(prepared, found.scale), evaluations: found.evaluations };
  return { ok: false, code: found.code === 'NOT_IN_THIS_SOUP' ? 'NO_BRACKET' : found.code };
}

/**
 * The scale at which the real forward run fills so many bowls. Bowls rise with the scale, since what does not scale
 * (cover, boil-off, film) is bounded. Contract as `scaleFor`.
 */
export function scaleForBowls(prepared: PreparedSoup, bowls: number): Solved {
  const { writtenFor } = prepared.soup;
  const guess = (bowls * prepared.bowlKg) / ((writtenFor.bowls * writtenFor.bowlG) / 1000);
  return solved(prepared, scaleFor(prepared, { by: 'bowls', bowls }, guess));
}

/** The scale at which the fullest moment of the main pot reaches what may be boiled in it. Contract as `scaleFor`. */
export function scaleForPot(prepared: PreparedSoup): Solved {
  return solved(prepared, scaleFor(prepared, { by: 'pot' }));
}
