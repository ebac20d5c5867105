export {
  BETWEEN_WORDS,
  SPOON_READINGS,
  SPOON_WORDS,
  bodyWord,
  grainWord,
  spoonMPas,
  type SpoonReading,
  type SpoonWord,
} from './words.js';
export {
  BodyReadingSchema,
  CUP_LEAST_S,
  CUP_MOST_S,
  cupMm2S,
  evidenceOf,
  poolNuM2S,
  poolRadiusM,
  syringeLevel,
  type BodyEvidence,
  type BodyReading,
  type SyringeLevel,
} from './reading.js';
export { QUESTIONED_SD, observe, type Observation, type Observed } from './observe.js';
export { reduceKg, thickenKg, thinKg, type BodySolved } from './solve.js';
export {
  ANSWERS,
  BODY,
  MASS,
  SALTINESS,
  UNREAD,
  UNREAD_ANSWERS_SD,
  UNREAD_BODY_SD,
  unreadWith,
  UNREAD_MASS_SD,
  UNREAD_SALT_SD,
  bodySdLn,
  estimateOfJoined,
  saltSdLn,
  sdOf,
  type Doubted,
  type Estimate,
} from './estimate.js';
