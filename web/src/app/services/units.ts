import { signal } from '@angular/core';
import { degrees, type UnitSystem } from '@tureen/core/units';

/** The units that this kitchen thinks in, by which every screen says weights and heat; metric until the kitchen is known. */
export const kitchenUnits = signal<UnitSystem>('metric');

/** A temperature as this kitchen says it. @param places after the point at most, for what was read and not set. */
export function heat(c: number, places = 0): string {
  return degrees(c, kitchenUnits(), places);
}
