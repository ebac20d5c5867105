import type { Origin } from './allergen.js';
import type { Ingredient, Larder } from './larder.js';
import { SALT, WATER } from './mix.js';

/** What salt counts for against any other component: a substitute that brings it changes the soup most. Kitchen default. */
const SALT_COUNTS = 4;
/** A tenfold of heat counts for so much, and of bite, as shares of composition. Kitchen defaults. */
const HEAT_COUNTS = 0.08;
const BITE_COUNTS = 0.15;
/** A bite that nobody notices, against ground black pepper. */
const NO_BITE = 0.01;
/** A unit of softening counts for so much, and another group on the shelf. Kitchen defaults. */
const SOFTENING_COUNTS = 0.04;
const OTHER_GROUP = 0.06;
/** Nobody who leaves these out is handed them as a substitute. */
const OF_ANIMALS_KILLED: ReadonlySet<Origin> = new Set(['meat', 'fish']);
/** Farther than this nothing stands in for anything. Kitchen default. */
const FARTHEST = 0.22;

/** How unlike two ingredients are: by composition without its water, by bite, heat and how they soften. 0 is the same. */
function unlike(a: Ingredient, b: Ingredient): number {
  const parts = a.perKg.reduce((sum, kg, n) => {
    const differs = Math.abs(kg - (b.perKg[n] ?? 0));
    return n === WATER ? sum : sum + differs * (n === SALT ? SALT_COUNTS : 1);
  }, 0);
  const bite = Math.abs(Math.log10((a.row.bite + NO_BITE) / (b.row.bite + NO_BITE))) * BITE_COUNTS;
  const softening = Math.abs(a.row.softening - b.row.softening) * SOFTENING_COUNTS;
  const heat = Math.abs(Math.log10((a.scoville + 1) / (b.scoville + 1))) * HEAT_COUNTS;
  return parts + bite + heat + softening + (a.row.group === b.row.group ? 0 : OTHER_GROUP);
}

/**
 * What comes nearest to an ingredient by what it is made of, the nearest first; its flavour is for the cook to judge.
 * Nothing where the larder has nothing near.
 *
 * @example nearTo('onion', larder, 3) // white onion, red onion, spring onion
 */
export function nearTo(id: string, larder: Larder, most: number): readonly Ingredient[] {
  const own = larder.get(id);
  // A spice is not what it is made of.
  if (own === undefined || own.row.group === 'spices') return [];
  return [...larder.values()]
    .filter(({ row }) => row.id !== id && (row.origin === own.row.origin || !OF_ANIMALS_KILLED.has(row.origin)))
    .map((other) => ({ other, far: unlike(own, other) }))
    .filter(({ far }) => far <= FARTHEST)
    .sort((a, b) => a.far - b.far || (a.other.row.id < b.other.row.id ? -1 : 1))
    .slice(0, most)
    .map(({ other }) => other);
}
