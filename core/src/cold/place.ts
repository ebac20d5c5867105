import type { ColdPlace } from '../kit/index.js';

export type CoolingPlace = ColdPlace;

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
export const HINDRANCES = ['covered', 'stacked', 'touching'] as const satisfies readonly Hindrance[];

/** A place as a pan finds it that is covered, stacked or set against others. */
export function hindered(place: CoolingPlace, by: readonly Hindrance[]): CoolingPlace {
  const top = by.reduce((factor, one) => factor * HINDERED[one], 1);
  const below = by.filter((one) => one !== 'covered').reduce((factor, one) => factor * HINDERED[one], 1);
  return { ...place, topW: place.topW * top, belowW: place.belowW * below };
}
