/** How spices follow a batch: as everything else; damped; or two thirds and the rest by taste. */
export const SPICE_SCHOOLS = ['straight', 'damped', 'by taste'] as const;
export type SpiceSchool = (typeof SPICE_SCHOOLS)[number];

/** Kitchen defaults. */
const DAMPING = 0.8;
const FIRST = 2 / 3;

/**
 * By what a written amount of spice is multiplied when the soup is multiplied.
 *
 * @example spiceFactor('damped', 10) // 6.31
 */
export function spiceFactor(school: SpiceSchool, factor: number): number {
  if (school === 'straight') return factor;
  return school === 'damped' ? factor ** DAMPING : factor * FIRST;
}
