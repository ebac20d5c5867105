export { drawsFrom, sampleInputs, unsureOf, type Draws, type Unsure, type UnsureInputs } from './draw.js';
export { OUTCOMES, outcomesOf, type Outcome, type Outcomes } from './outcome.js';
export { HELD, bandOf, oddsOf, type HeldTo, type Mattering, type Odds, type OddsRequest, type OddsBand } from './odds.js';
