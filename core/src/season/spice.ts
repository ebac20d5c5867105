/** How spices follow a batch: as everything else; damped; or two thirds and the rest by taste. */
export const SPICE_SCALINGS = ['straight', 'damped', 'by taste'] as const;
export type SpiceScaling = (typeof SPICE_SCALINGS)[number];

/** Kitchen defaults. */
const DAMPING = 0.8;
const FIRST = 2 / 3;

/**
 * By what a written amount of spice is multiplied when the soup is multiplied.
 *
 * @example spiceFactor('damped', 10) // 6.31
 */
export function spiceFactor(school: SpiceScaling, factor: number): number {
  if (school === 'straight') return factor;
  return school === 'damped' ? factor ** DAMPING : factor * FIRST;
}
