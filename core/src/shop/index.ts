export {
  SupplyActionSchema,
  SupplyEntrySchema,
  foldSupplies,
  type Supply,
  type SupplyAction,
  type SupplyEntry,
  type Use,
} from './supply.js';
export { BuyingSchema, shoppingList, type Buying, type ShoppingRow, type Wanted } from './list.js';
