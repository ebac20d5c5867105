import { tastesOf, TASTE_WORDS, type Tastes } from './gauges.js';
import type { Parcel } from '../pot/index.js';

/** What is off, and what a cook reaches for, on both sides of right. Which of them the larder holds is for the caller to see. */
export interface Remedy {
  readonly taste: keyof Tastes;
  readonly side: 'too little' | 'too much';
  readonly reach: readonly string[];
}

/** Common practice, no source; the kinds are larder ids or groups, in the order in which they are tried. */
const REMEDIES: Readonly<Record<keyof Tastes, { readonly less: readonly string[]; readonly more: readonly string[] }>> = {
  saltPct: { less: ['fine-salt'], more: ['water', 'vegetable-stock', 'potato', 'double-cream'] },
  sour: { less: ['lemon-juice', 'cider-vinegar'], more: ['double-cream', 'butter', 'honey', 'sugar', 'fine-salt'] },
  sweet: { less: ['sugar', 'honey'], more: ['lemon-juice', 'cider-vinegar', 'fine-salt', 'black-pepper'] },
  heat: { less: ['cayenne', 'chilli-flakes'], more: ['water', 'double-cream', 'coconut-milk', 'potato'] },
  biteGKg: { less: ['black-pepper', 'ginger'], more: ['water', 'double-cream'] },
};

/** In the order in which a cook tastes: salt, then sour and sweet, then heat. Heat and pepper are never called too little: not every soup wants them. */
const ORDER = ['saltPct', 'sour', 'sweet', 'heat', 'biteGKg'] as const;
const ALWAYS_WANTED = new Set<keyof Tastes>(['saltPct']);

/**
 * What is off in a soup and how to mend it, first things first. Sour and sweet that are low are named only when the
 * other one is right or high: a flat soup wants one of them, not both.
 */
export function remediesFor(soup: Parcel): Remedy[] {
  const tastes = tastesOf(soup);
  return ORDER.flatMap((taste): Remedy[] => {
    const { limits } = TASTE_WORDS[taste];
    const value = tastes[taste];
    const low = limits[0];
    const high = limits.at(-1) ?? Number.POSITIVE_INFINITY;
    if (value > high) return [{ taste, side: 'too much', reach: REMEDIES[taste].more }];
    const otherIsUp = taste === 'sour' && tastes.sweet >= TASTE_WORDS.sweet.limits[0];
    if (value < low && (ALWAYS_WANTED.has(taste) || otherIsUp)) return [{ taste, side: 'too little', reach: REMEDIES[taste].less }];
    return [];
  });
}
