import { LarderFileSchema, type IngredientRow } from '../ingredient.js';
import canned from './canned.json';
import dairy from './dairy.json';
import fats from './fats.json';
import fruitVegetables from './fruit-vegetables.json';
import fruit from './fruit.json';
import greens from './greens.json';
import alliums from './alliums.json';
import herbs from './herbs.json';
import liquids from './liquids.json';
import nuts from './nuts.json';
import pastes from './pastes.json';
import pulses from './pulses.json';
import roots from './roots.json';
import seasonings from './seasonings.json';
import spices from './spices.json';
import squashes from './squashes.json';
import starches from './starches.json';

const FILES: readonly unknown[] = [
  roots,
  squashes,
  alliums,
  greens,
  fruitVegetables,
  pulses,
  canned,
  fruit,
  nuts,
  liquids,
  dairy,
  fats,
  starches,
  seasonings,
  pastes,
  herbs,
  spices,
];

/** Every ingredient that ships. A kitchen adds its own beside these, in files of the same form. */
export const LARDER_ROWS: readonly IngredientRow[] = FILES.flatMap((file) => LarderFileSchema.parse(file).ingredients);
