export {
  AnchorSchema,
  anchored,
  scaleFor,
  scaleForAnchors,
  type Anchor,
  type Anchoring,
  type Contradiction,
  type ScaleFound,
  ingredientKg,
} from './anchors.js';
export { scaleForBowls, scaleForPot, type Solved } from './backwards.js';
export {
  mostStrayed,
  roundTogether,
  unitsOf,
  weighedUnit,
  withKilos,
  type RoundedLine,
  type Rounding,
  type Unit,
} from './rounding.js';
export {
  GAUGES,
  costOf,
  gaugesOf,
  land,
  stirredIn,
  type Addition,
  type Band,
  type Bands,
  type Gauge,
  type Landed,
  type Landing,
  type LandingCase,
  type Miss,
  type Reduction,
  type Solver,
} from './landing.js';
export { FIRST_SHARE, waysToBody, type Means, type PotSummary, type Way } from './ways.js';
