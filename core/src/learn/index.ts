export { evidenceOfBatch, type Evidence } from './evidence.js';
export {
  learn,
  learnUnlessOdd,
  normalOfChiSquare,
  MOST_BATCHES,
  ODD_SD,
  type BatchEvidence,
  type FigureChoice,
  type Learning,
  type Settled,
} from './learn.js';
export { readingsOf, type Reading } from './readings.js';
export { reconcile, SPOKEN_OF, type Adjusted, type Reconciled, type Suspected } from './reconcile.js';
export type { Suspect, UnitSlip } from './suspects.js';
export { correctionsOf, type Correction } from './corrections.js';
export { controlChart, type ControlChart, type Signal } from './control-chart.js';
