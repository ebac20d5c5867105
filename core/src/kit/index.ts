export {
  BlenderSchema,
  ColdPlaceSchema,
  ColdStoreSchema,
  KEEPS,
  OwnCoolingRuleSchema,
  KitSchema,
  KitShape,
  liftKit,
  MeasureSchema,
  PanSchema,
  SieveSchema,
  TraySchema,
  VesselSchema,
  areaM2,
  areaOfTrayM2,
  belowRimM,
  brimM3,
  handsOf,
  potsBySize,
  pressurePots,
  usableM3,
  type Blender,
  type ColdPlace,
  type ColdStore,
  type Kit,
  type Measure,
  type OwnCoolingRule,
  type Pan,
  type Sieve,
  type Tray,
  type Vessel,
} from './kit.js';
export { boilingPointC, pressurePa } from './air.js';
export { ClockSchema, dayClock, dayOf, isZone, type DayClock, momentOf } from './day.js';
export { placeFor, type Place } from './place.js';
export { READY_KITS } from './ready.js';
export { PLACES_SOURCE, USUAL_PANS, USUAL_PLACES, USUAL_STORES } from './cold-kit.js';
export {
  DEFAULT_PARAMETERS,
  PARAMETERS,
  PARAMETER_NAMES,
  parametersOf,
  type Parameter,
  type ParameterName,
  type ModelParameters,
} from './parameters.js';
export { volumeByWaterM3 } from './weighed.js';
export { hotHolding, type HotHolding } from './hot-holding.js';
export { LearnedFigureSchema, LearnedSchema, learnedOf, type Learned, type LearnedFigure } from './learned.js';
