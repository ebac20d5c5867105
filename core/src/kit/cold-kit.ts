import type { ColdPlace, ColdStore, Pan } from './kit.js';

/** Pans that a kitchen has where it has set none of its own: shallow and deep metal pans, and tubs. Kitchen defaults. */
export const USUAL_PANS: readonly Pan[] = [
  { id: 'wide-shallow', name: 'Wide shallow pan', lengthM: 0.53, widthM: 0.325, depthM: 0.065, count: 6 },
  { id: 'half-shallow', name: 'Half shallow pan', lengthM: 0.325, widthM: 0.265, depthM: 0.065, count: 6 },
  { id: 'wide-deep', name: 'Wide deep pan', lengthM: 0.53, widthM: 0.325, depthM: 0.15, count: 2 },
  { id: 'tub', name: 'Tub of a litre', lengthM: 0.17, widthM: 0.11, depthM: 0.07, count: 12 },
];

/** Where the figures of the usual places are from. */
export const PLACES_SOURCE =
  'kitchen default: still air about 10 W/(m2 K), moved air 15, blast 25, iced water 200; correct it by one watched pan';

/**
 * Places that a kitchen has where it has set none of its own. A thin metal pan stands on a grid: both faces meet the air. In
 * iced water the pan meets it below and at the sides, and the air of the kitchen above.
 */
export const USUAL_PLACES: readonly ColdPlace[] = [
  { id: 'fridge', name: 'Fridge', airC: 4, topW: 10, belowC: 4, belowW: 10, canStir: false },
  { id: 'walk-in', name: 'Walk-in cold room', airC: 3, topW: 10, belowC: 3, belowW: 10, canStir: false },
  { id: 'blast', name: 'Blast chiller', airC: 0, topW: 25, belowC: 0, belowW: 25, canStir: false },
  { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true },
  { id: 'kitchen', name: 'On the side, in the kitchen', airC: 22, topW: 10, belowC: 22, belowW: 8, canStir: true },
];

/**
 * A fridge and a freezer where a kitchen has named none of its own, looked at twice a day: common practice; 5 °C by FDA Food
 * Code 2022, 3-501.16, and -18 °C by custom.
 */
export const USUAL_STORES: readonly ColdStore[] = [
  { id: 'fridge', name: 'Fridge', kind: 'fridge', mostC: 5, checks: ['08:00', '16:00'] },
  { id: 'freezer', name: 'Freezer', kind: 'freezer', mostC: -18, checks: ['08:00'] },
];
