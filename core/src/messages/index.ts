export { STANDING_LINE, cautionSentence, hurts } from './cautions.js';
export { problemSentence } from './problems.js';
export { planErrorSentence, planSentence } from './plan-errors.js';
export { namer, stopNamer } from './names.js';
export { stationOf, stepName, stepSentence, stepTest, type NameOf, type Station } from './steps.js';
export { rowSentence } from './rows.js';
export { toldWords } from './told.js';
export { assumedWords, differenceWords, pastingSentence, readingSentence } from './drafts.js';
export { unsureWords } from './odds.js';
