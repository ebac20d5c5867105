/** Pressure at sea level, Pa, and the two constants of the troposphere: U.S. Standard Atmosphere, 1976 (ASHRAE Fundamentals, ch. 1, eq. 3). */
const SEA_LEVEL_PA = 101_325;

/** Standard pressure at an altitude in m (-400 to 5000), Pa. */
export function pressurePa(altitudeM: number): number {
  return SEA_LEVEL_PA * (1 - 2.25577e-5 * altitudeM) ** 5.2559;
}

const PA_PER_MMHG = 133.322;

/**
 * Boiling point of water, °C, by the Antoine equation with the usual constants for 1 to 100 °C (from memory).
 * Checked against psychrolib within 0.06 K from 0 to 3000 m. What a soup's salt and sugar add (under 0.3 K) is left out.
 *
 * @example boilingPointC(0) // 100.0
 */
export function boilingPointC(altitudeM: number): number {
  return 1730.63 / (8.07131 - Math.log10(pressurePa(altitudeM) / PA_PER_MMHG)) - 233.426;
}
