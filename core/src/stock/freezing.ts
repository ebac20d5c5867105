import { freezeMinutes, headspaceShare, stuffOf, thawMinutes } from '../cold/index.js';
import { makeIngredient } from '../larder/index.js';
import type { Container } from './stock.js';

/** A freezer's still air, °C and W/(m2 K), and how deep a tub lies where nobody said, m. Kitchen defaults. */
const FREEZER = { airC: -18, hW: 10 } as const;
const USUAL_DEPTH_M = 0.06;
const FRIDGE_C = 4;

/** How long a container out of the fridge takes to freeze through, minutes, and what share of it must be free. */
export function freezingOf({ contents, cooling }: Pick<Container, 'contents' | 'cooling'>): {
  readonly minutes: number;
  readonly freeShare: number;
} {
  const { densityKgM3, waterShare } = stuffOf(makeIngredient(contents.row).perKg, 1);
  const thickM = cooling?.depthM ?? USUAL_DEPTH_M;
  return {
    minutes: freezeMinutes({ thickM, waterShare, densityKgM3, startC: FRIDGE_C, ...FREEZER }),
    freeShare: headspaceShare(waterShare),
  };
}

/** How long a frozen container takes to thaw in the fridge, minutes. */
export function thawingOf({ contents, cooling, kg }: Pick<Container, 'contents' | 'cooling' | 'kg'>): number {
  const { densityKgM3, waterShare } = stuffOf(makeIngredient(contents.row).perKg, 1);
  return thawMinutes({ volumeM3: kg / densityKgM3, depthM: cooling?.depthM ?? USUAL_DEPTH_M, waterShare, densityKgM3 });
}
