export { risingRoot, type Root, type RootSearch } from './root.js';
export { scaleForBowls, scaleForPeak, type Solved } from './backwards.js';
