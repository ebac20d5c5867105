export { STANDING_LINE, cautionSentence, hurts } from './cautions.js';
export { problemSentence } from './problems.js';
export { planErrorSentence, planSentence } from './plan-errors.js';
export { stationOf, stepName, stepSentence, stepTest, type NameOf, type Station } from './steps.js';
export { rowSentence } from './rows.js';
