/** Where something cools: what is around it and how strongly that takes heat. */
export interface CoolingPlace {
  readonly id: string;
  readonly name: string;
  /** Over the open face, °C and W/(m2 K). */
  readonly airC: number;
  readonly topW: number;
  /** Under and beside it, °C and W/(m2 K). */
  readonly belowC: number;
  readonly belowW: number;
  /** Somebody can stand by it and stir. */
  readonly canStir: boolean;
  readonly source: string;
}

const DEFAULT =
  'kitchen default: still air about 10 W/(m2 K), moved air 15, blast 25, iced water 200; correct it by one watched pan';

/**
 * Places that a kitchen has where it has set none of its own. A thin metal pan stands on a grid: both faces meet the air. In
 * iced water the pan meets it below and at the sides, and the air of the kitchen above.
 */
export const USUAL_PLACES: readonly CoolingPlace[] = [
  { id: 'fridge', name: 'Fridge', airC: 4, topW: 10, belowC: 4, belowW: 10, canStir: false, source: DEFAULT },
  { id: 'walk-in', name: 'Walk-in cold room', airC: 3, topW: 10, belowC: 3, belowW: 10, canStir: false, source: DEFAULT },
  { id: 'blast', name: 'Blast chiller', airC: 0, topW: 25, belowC: 0, belowW: 25, canStir: false, source: DEFAULT },
  { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true, source: DEFAULT },
  { id: 'kitchen', name: 'On the side, in the kitchen', airC: 22, topW: 10, belowC: 22, belowW: 8, canStir: true, source: DEFAULT },
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
