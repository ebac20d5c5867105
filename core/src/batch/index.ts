export {
  ActionSchema,
  ENTRY_SHAPE,
  EntrySchema,
  EntryShape,
  liftEntry,
  StampSchema,
  compareEntries,
  type Action,
  type Entry,
  type StoredEntry,
  type Stamp,
} from './entry.js';
export { TASTED, type Tasted } from './entry.js';
export { remindsAtMs, timersAfter, timersOf, type BatchTimer } from './timers.js';
export {
  eggStands,
  finishNow,
  foamNow,
  hourNow,
  jugNow,
  liaisonNow,
  type FinishNow,
  type FoamNow,
  type HourNow,
  type JugNow,
  type LiaisonNow,
} from './at-the-step.js';
export { frontsOf, type Front } from './fronts.js';
export { missingOf, type Missing } from './missing.js';
export { potOutputOf, type PotOutput } from './pot-output.js';
export { againAndAgain, LEAST_AGAIN, LOOKED_AT, type Again } from './again.js';
export { takenOver, writeBack, type WriteBack } from './write-back.js';
export { linesNamed, type BatchChanges, type ChangeNotice } from './changes.js';
export { BODY_WITHIN, SALT_WITHIN_PCT, landBody, landSalt, type BodyLanding, type SaltLanding } from './landing.js';
export { reachesBack, shortened, type Shortened } from './shortened.js';
export { historyOf, isRemark, type History } from './history.js';
export { dippedM3, pouredKg, weighedKg } from './rewrite.js';
export {
  actualRibbon,
  branchNames,
  cautionsAt,
  foldBatch,
  saltPctNow,
  type BatchState,
  type ReadingState,
  type StepState,
} from './fold.js';
export { asCooked, type CookedBatch } from './cooked.js';
export { rememberedActions, type Dated, type Remembered } from './remembered.js';
