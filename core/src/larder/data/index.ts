import type { IngredientRow } from '../ingredient.js';
import { STORES } from './stores.js';
import { VEGETABLES } from './vegetables.js';

/** Every ingredient that ships. A kitchen adds its own beside these. */
export const LARDER_ROWS: readonly IngredientRow[] = [...VEGETABLES, ...STORES];
