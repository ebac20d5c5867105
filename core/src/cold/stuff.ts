import type { Mix } from '../larder/index.js';
import { conductivityWMK, heatCapacityJK, volumeM3 } from '../pot/index.js';

/** Temperatures of the tables, °C: one entry a degree. */
const TOP_C = 105;

/** What cools: heat capacity and conductivity at each whole degree from 0 °C, by volume. */
export interface Stuff {
  /** J/(m3 K). */
  readonly heat: Float64Array;
  /** W/(m K). */
  readonly conducts: Float64Array;
  /** At 60 °C, kg/m3. */
  readonly densityKgM3: number;
  /** Shares by mass, for what is reckoned from them. */
  readonly waterShare: number;
}

const MIDDLE_C = 60;

/** Heat of fusion of ice, J/kg: a handbook value, from memory. */
export const MELTS_JKG = 333_600;

/**
 * The properties of a kilo of soup of this mix (Choi and Okos 1986, as the pot has them), ready to be cooled.
 *
 * @param kg what the mix weighs
 */
export function stuffOf(mix: Mix, kg: number): Stuff {
  const heat = new Float64Array(TOP_C + 1);
  const conducts = new Float64Array(TOP_C + 1);
  for (let t = 0; t <= TOP_C; t += 1) {
    heat[t] = heatCapacityJK(mix, t) / volumeM3(mix, t);
    conducts[t] = conductivityWMK(mix, t);
  }
  return { heat, conducts, densityKgM3: kg / volumeM3(mix, MIDDLE_C), waterShare: mix[0] / kg };
}

/** A middling blended soup: nine parts water, the rest starch, sugars, fibre, fat and protein. Kitchen default. */
export const USUAL_MIX: Mix = [0.9, 0.02, 0.015, 0.025, 0.02, 0.01, 0.007, 0.001, 0, 0.002];

/** Linear between whole degrees, the ends beyond them. */
export function tableAt(table: Float64Array, t: number): number {
  if (t <= 0) return table[0] ?? 0;
  if (t >= TOP_C) return table[TOP_C] ?? 0;
  const low = Math.floor(t);
  const a = table[low] ?? 0;
  return a + ((table[low + 1] ?? a) - a) * (t - low);
}
