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
  usAllergenNames,
  type Allergen,
  type Diets,
  type Origin,
  type UsAllergen,
} from './allergen.js';
export { SKINS_DRY, SKINS_THICKEN, thickensOf, type Thickens } from './thickens.js';
export {
  GROUPS,
  IngredientSchema,
  LarderFileSchema,
  TrimSchema,
  comesCooked,
  isForked,
  type IngredientRow,
  type Trim,
} from './ingredient.js';
export { checkRows, type RowProblem } from './check.js';
export { makeIngredient, makeLarder, type Ingredient, type Larder } from './larder.js';
export { nearTo } from './near.js';
export { NO_TINT, colourOf, tintOf, type Tint } from './tint.js';
export { LARDER_ROWS } from './data/index.js';
