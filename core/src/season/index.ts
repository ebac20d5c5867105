export {
  COLD_WANTS,
  HOLD_BACK_SHARE,
  PLAUSIBLE_PCT,
  USUAL_SALT_PCT,
  heldBack,
  plausibleSalt,
  potDose,
  rescue,
  saltWanted,
  type CupTrial,
  type Rescue,
} from './salt.js';
export {
  ACID_HIDES,
  FAT_CALMS,
  SUGAR_CALMS,
  TASTE_WORDS,
  sourIndex,
  sweetIndex,
  tasteWord,
  tastesOf,
  type Tastes,
} from './gauges.js';
export { remediesFor, type Remedy } from './remedies.js';
export { SPICE_SCALINGS, spiceFactor, type SpiceScaling } from './spice.js';
