import type { GoingOff } from './fresh.js';

/** What a bowl of a soup takes, kg as bought by ingredient; as good as in proportion to its bowls. */
export interface Takes {
  readonly soupId: string;
  readonly perBowlKg: ReadonlyMap<string, number>;
  /** Bowls that the largest pot holds; as many as are asked where it is left out. */
  readonly mostBowls?: number;
}

/** One soup of a way to use things up: so many bowls, and what of it goes off otherwise. */
export interface UsedBy {
  readonly soupId: string;
  readonly bowls: number;
  /** Kilos that it rescues, by ingredient; what two soups take is told of the first. */
  readonly takesKg: ReadonlyMap<string, number>;
}

/** A choice of soups for a day, and what of the value that would be thrown away they use. */
export interface UseUp {
  readonly soups: readonly UsedBy[];
  readonly value: number;
  readonly leftKg: ReadonlyMap<string, number>;
}

/** Bowls in which soups are tried, and the fewest that are worth a pot. */
const STEP_BOWLS = 4;
const LEAST_BOWLS = 8;
/** Of two choices that rescue as much within this share of the value, the one with fewer bowls, then fewer soups. */
const AS_GOOD = 0.01;

function rescued(pairs: readonly (readonly [Takes, number])[], soon: readonly GoingOff[]): number {
  return soon.reduce((sum, { ingredient, kg, pricePerKg }) => {
    const taken = pairs.reduce((all, [{ perBowlKg }, bowls]) => all + (perBowlKg.get(ingredient) ?? 0) * bowls, 0);
    return sum + pricePerKg * Math.min(kg, taken);
  }, 0);
}

function told(pairs: readonly (readonly [Takes, number])[], soon: readonly GoingOff[], value: number): UseUp {
  const left = new Map(soon.map(({ ingredient, kg }) => [ingredient, kg]));
  const soups = pairs.map(([{ soupId, perBowlKg }, bowls]): UsedBy => {
    const takesKg = new Map<string, number>();
    for (const { ingredient } of soon) {
      const kg = Math.min(left.get(ingredient) ?? 0, (perBowlKg.get(ingredient) ?? 0) * bowls);
      if (kg <= 0) continue;
      takesKg.set(ingredient, kg);
      left.set(ingredient, (left.get(ingredient) ?? 0) - kg);
    }
    return { soupId, bowls, takesKg };
  });
  return { soups, value, leftKg: left };
}

/**
 * Which soups, in how many bowls, use the most value of what soon goes off: one soup, or two at once, over all of it, and not soup
 * by soup. Every choice of one and of two is tried in steps of four bowls, so that on these steps there is none better.
 *
 * @param mostBowls of all of them together.
 * @returns the best choices, each with other soups, the best first; none where no soup takes any of it.
 */
export function waysToUseUp(soon: readonly GoingOff[], soups: readonly Takes[], mostBowls: number, most = 3): UseUp[] {
  const fits = soups.filter(({ perBowlKg }) => soon.some(({ ingredient }) => (perBowlKg.get(ingredient) ?? 0) > 0));
  const countsOf = (one: Takes): number[] => {
    const top = Math.min(mostBowls, one.mostBowls ?? mostBowls);
    return Array.from(
      { length: Math.max(0, Math.floor((top - LEAST_BOWLS) / STEP_BOWLS) + 1) },
      (_, n) => LEAST_BOWLS + n * STEP_BOWLS,
    );
  };
  const found: { pairs: readonly (readonly [Takes, number])[]; value: number; bowls: number }[] = [];
  const consider = (all: readonly (readonly (readonly [Takes, number])[])[]): void => {
    const ends = all.map((pairs) => ({
      pairs,
      value: rescued(pairs, soon),
      bowls: pairs.reduce((sum, [, count]) => sum + count, 0),
    }));
    const best = Math.max(0, ...ends.map(({ value }) => value));
    if (best <= 0) return;
    const [fewest] = ends
      .filter(({ value }) => value >= best * (1 - AS_GOOD))
      .sort((a, b) => a.bowls - b.bowls || b.value - a.value);
    if (fewest !== undefined) found.push(fewest);
  };
  for (const [n, one] of fits.entries()) {
    const own = countsOf(one);
    consider(own.map((count) => [[one, count]]));
    for (const other of fits.slice(n + 1)) {
      const others = countsOf(other);
      consider(own.flatMap((a) => others.filter((b) => a + b <= mostBowls).map((b) => [[one, a] as const, [other, b] as const])));
    }
  }
  found.sort((a, b) => b.value - a.value || a.pairs.length - b.pairs.length || a.bowls - b.bowls);
  const kept: typeof found = [];
  for (const one of found) {
    // Two that rescue no more than one of them does alone are no choice of their own.
    const isMore = kept.some(
      ({ pairs, value }) =>
        pairs.length < one.pairs.length &&
        pairs.every(([{ soupId }]) => one.pairs.some(([own]) => own.soupId === soupId)) &&
        value >= one.value * (1 - AS_GOOD),
    );
    if (!isMore) kept.push(one);
  }
  return kept.slice(0, most).map(({ pairs, value }) => told(pairs, soon, value));
}
