import type { Kit } from '../kit/index.js';
import type { IngredientRow } from '../larder/index.js';
import { typedPlan } from '../plan/index.js';
import type { Soup } from '../soup/index.js';

/**
 * Bowls that a soup's written amounts really make: whoever wrote "serves 4" did not weigh it. Undefined when the soup
 * can't be run.
 */
export function comesTo(soup: Soup, rows: readonly IngredientRow[], kit: Kit): number | undefined {
  return typedPlan(soup, rows, kit)?.run.bowls;
}
