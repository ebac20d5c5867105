import { usableM3, type Kit } from '../kit/index.js';
import { makeLarder, type IngredientRow } from '../larder/index.js';
import { makeReady, run } from '../line/index.js';
import type { Soup } from '../soup/index.js';

/** What a soup's amounts come to as they stand, in the smallest pot of the kit that holds them. */
export interface ComesTo {
  readonly bowls: number;
  readonly potId: string;
}

/**
 * Bowls that a soup's written amounts really make: whoever wrote "serves 4" did not weigh it. Undefined when the soup
 * can't be run.
 */
export function comesTo(soup: Soup, rows: readonly IngredientRow[], kit: Kit): ComesTo | undefined {
  const larder = makeLarder(rows);
  const pots = [...kit.pots].sort((a, b) => usableM3(a) - usableM3(b));
  for (const { id } of pots) {
    const readied = makeReady(soup, larder, kit, id, soup.writtenFor.bowlG / 1000);
    if (!readied.ok) return undefined;
    const of = run(readied.ready, 1);
    if (of.peakM3 <= usableM3(readied.ready.vessel)) return { bowls: of.bowls, potId: id };
  }
  return undefined;
}
