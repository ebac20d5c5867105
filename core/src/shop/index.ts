export {
  SupplyActionSchema,
  SupplyEntrySchema,
  afterNeeds,
  foldSupplies,
  type Lot,
  type Supply,
  type SupplyAction,
  type SupplyEntry,
  type Use,
} from './supply.js';
export { BuyingSchema, shoppingList, type Buying, type ShoppingRow, type Wanted } from './list.js';
export { freshDaysOf, goingOff, type GoingOff } from './fresh.js';
export { waysToUseUp, type Takes, type UseUp, type UsedBy } from './use-up.js';
