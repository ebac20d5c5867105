export { scaleForBowls, scaleForPeak, type Solved } from './backwards.js';
