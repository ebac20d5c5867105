export { paceOf, perMinute, runsOut, usualPace, type Out, type Pace, type RunsOut } from './pace.js';
export { bowlsToMake, demandOn, pastErrors, type Demand, type PastErrors, type Served } from './tomorrow.js';
