import { signal } from '@angular/core';
import type { UnitSystem } from '@tureen/core/units';

/** The units that this kitchen thinks in, by which every screen says weights and heat; metric until the kitchen is known. */
export const kitchenUnits = signal<UnitSystem>('metric');
