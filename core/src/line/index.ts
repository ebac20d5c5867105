export { makeReady, type Readied, type Ready, type ReadyAtOne } from './ready.js';
export { run, type Run, type StepRecord } from './run.js';
export { ribbonOf, type Band, type Ribbon, type RibbonFlow, type Stop } from './ribbon.js';
