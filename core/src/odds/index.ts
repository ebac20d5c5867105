export { drawsFrom, moved, turnedOut, unsureOf, type Draws, type Unsure } from './draw.js';
export { OUTCOMES, outcomesOf, type Outcome, type Outcomes } from './outcome.js';
export { HELD, oddsOf, type HeldTo, type Mattering, type Odds, type OddsAsk, type OddsBand } from './odds.js';
