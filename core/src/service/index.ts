export { paceOf, perMinute, runsOut, usualPace, type Out, type Pace, type RunsOut } from './pace.js';
export { bowlsToMake, demandOn, type Demand, type Served } from './tomorrow.js';
