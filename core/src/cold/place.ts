import type { ColdPlace } from '../kit/index.js';

export type CoolingPlace = ColdPlace;

/** Where the figures of the usual places are from. */
export const PLACES_SOURCE =
  'kitchen default: still air about 10 W/(m2 K), moved air 15, blast 25, iced water 200; correct it by one watched pan';

/**
 * Places that a kitchen has where it has set none of its own. A thin metal pan stands on a grid: both faces meet the air. In
 * iced water the pan meets it below and at the sides, and the air of the kitchen above.
 */
export const USUAL_PLACES: readonly CoolingPlace[] = [
  { id: 'fridge', name: 'Fridge', airC: 4, topW: 10, belowC: 4, belowW: 10, canStir: false },
  { id: 'walk-in', name: 'Walk-in cold room', airC: 3, topW: 10, belowC: 3, belowW: 10, canStir: false },
  { id: 'blast', name: 'Blast chiller', airC: 0, topW: 25, belowC: 0, belowW: 25, canStir: false },
  { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true },
  { id: 'kitchen', name: 'On the side, in the kitchen', airC: 22, topW: 10, belowC: 22, belowW: 8, canStir: true },
];

/** How pans on one shelf hinder each other, as factors on what the air takes. Kitchen defaults. */
export const HINDERED = {
  /** A lid or film lies on it. */
  covered: 0.7,
  /** Another pan stands close above or below. */
  stacked: 0.6,
  /** Its sides touch others: told by what the air can reach. */
  touching: 0.85,
} as const;
export type Hindrance = keyof typeof HINDERED;

/** A place as a pan finds it that is covered, stacked or set against others. */
export function hindered(place: CoolingPlace, by: readonly Hindrance[]): CoolingPlace {
  const top = by.reduce((factor, one) => factor * HINDERED[one], 1);
  const below = by.filter((one) => one !== 'covered').reduce((factor, one) => factor * HINDERED[one], 1);
  return { ...place, topW: place.topW * top, belowW: place.belowW * below };
}
