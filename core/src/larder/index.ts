export {
  ACID,
  ASH,
  COMPONENTS,
  ETHANOL,
  FAT,
  FIBRE,
  NOTHING,
  PROTEIN,
  SALT,
  STARCH,
  SUGARS,
  WATER,
  plusMix,
  scaleMix,
  totalKg,
  vapourMix,
  type Component,
  type Mix,
} from './mix.js';
export {
  ALLERGENS,
  ORIGINS,
  allergenBits,
  allergenNames,
  dietsOf,
  originBits,
  type Allergen,
  type Diets,
  type Origin,
} from './allergen.js';
export { GROUPS, IngredientSchema, TrimSchema, type IngredientRow, type Trim } from './ingredient.js';
export { makeIngredient, makeLarder, type Ingredient, type Larder } from './larder.js';
export { NO_TINT, colourOf, plusTint, tintOf, type Tint } from './tint.js';
export { LARDER_ROWS } from './data/index.js';
