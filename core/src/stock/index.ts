export {
  ContentsSchema,
  DIETS,
  SHORTENERS,
  STOCK_SHAPE,
  StockActionSchema,
  StockEntrySchema,
  StoreSchema,
  TAKEN_AS,
  tiesOf,
  type Contents,
  type StockAction,
  type StockEntry,
  type Store,
  type TakenAs,
} from './entry.js';
export { bringBack, bringBackSoup, type BringBackAsk, type BroughtBack } from './bring-back.js';
export { isUsable, keptBowls, keptRow, mayGoInto, type KeptBowls, type Promised } from './propose.js';
export { contentsOf } from './from-batch.js';
export {
  bowlsIn,
  dietNames,
  driedContents,
  letDown,
  mixedContents,
  saltForWaterKg,
  shortenersOf,
  solidsShare,
  soupAsIngredient,
} from './contents.js';
export {
  daysBetween,
  weekdayOf,
  firstLimit,
  frozenLimit,
  keepingOf,
  plusDays,
  sooner,
  thawedLimit,
  useByDay,
  type Keeping,
  type Limit,
  type UseByDay,
} from './keeping.js';
export {
  NOTHING_KG,
  coolingPlaceOf,
  coolingRuleOf,
  readingsOf,
  type Container,
  type Cooling,
  type Drying,
  type Out,
  type Stock,
  type StockNotice,
  type StockRules,
} from './stock.js';
export { foldStock } from './fold.js';
export {
  daySheet,
  verdictsOf,
  type Check,
  type CooledToday,
  type CoolingVerdict,
  type DaySheet,
  type StoreChecks,
} from './day-sheet.js';
export { freezingOf, thawingOf } from './freezing.js';
