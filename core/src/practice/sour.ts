import type { SimulatedPot } from '../bench/index.js';
import { ACID, FAT, SUGARS } from '../larder/index.js';
import { contents, potKg, type PotState } from '../pot/index.js';
import { sourIndex } from '../season/index.js';

/** How sour so many kilos taste that hold so much acid, sugar and fat: the index of the gauges. */
export function sourOf(kg: number, { acidKg, sugarsKg, fatKg }: Pick<SimulatedPot, 'acidKg' | 'sugarsKg' | 'fatKg'>): number {
  return kg > 0 ? sourIndex((acidKg / kg) * 1000, (sugarsKg / kg) * 100, (fatKg / kg) * 100) : 0;
}

/** How sour a pot is by the record. */
export function sourIn(pot: PotState): number {
  const { mix } = contents(pot);
  return sourOf(potKg(pot), { acidKg: mix[ACID], sugarsKg: mix[SUGARS], fatKg: mix[FAT] });
}
