import { signal } from '@angular/core';

/** The kitchen's time zone, by which every screen tells days and hours; the device's own until the kitchen is known. */
export const kitchenZone = signal<string | undefined>(undefined);
