export { PlanRequestSchema, LEAST_BOWL_G, MOST_BOWLS, MOST_BOWL_G, type PlanRequest } from './request.js';
export {
  CORE_VERSION,
  makePlan,
  potsFor,
  rerun,
  typedPlan,
  writtenPlan,
  type Fits,
  type PlanError,
  type Planned,
  type Planning,
  type Snapshot,
} from './plan.js';
export {
  cautionsOf,
  figuresOf,
  notScaling,
  pullList,
  type Figures,
  type NotScaling,
  type PullRow,
  type StepCaution,
  type Table,
} from './figures.js';
export { sharesOf, wholeBowls, wholeShares, type ShareFigures } from './shares.js';
export { cardAmounts, cardsMade, type CardMade } from './cards.js';
export { planToBuy, roundedPull, roundingOf, toBuy, type RoundedPull, type RoundedRow } from './rounded.js';
export { NO_COLOUR, shelfFactsOf, type ShelfFacts } from './shelf-facts.js';
export { SnapshotSchema } from './snapshot.js';
