export {
  DeedSchema,
  ENTRY_SHAPE,
  EntrySchema,
  StampSchema,
  compareEntries,
  type Deed,
  type Entry,
  type KeptEntry,
  type Stamp,
} from './entry.js';
export { historyOf, type History } from './history.js';
export { dippedKg, weighedKg } from './rewrite.js';
export { actualRibbon, branchNames, foldBatch, saltPctNow, type BatchState, type ReadingState, type StepState } from './fold.js';
