export { kgAtScale, stepContext, type Preparation, type PreparedSoup, type PreparedLine } from './prepared.js';
export { UNCUT, prepareSoup, type CardAmounts } from './prepare.js';
export { run, runFigures, runInto, type Held, type Run, type RunEnd, type Sink, type StepRecord } from './run.js';
export { cardYieldKg, asIngredient, scaleForYield } from './card.js';
export { clocksOf, type LineClock } from './clocks.js';
export { ribbonOf, type Band, type Ribbon, type RibbonFlow, type Stop } from './ribbon.js';
export { minutesOf, timeline, type Task } from './timeline.js';
export { servedOf, servedPot, type Served } from './served.js';
export { covarianceOf, inputsOf, alreadyMoved, moved, withMoves, type Input, type InputPart, type Moves } from './inputs.js';
