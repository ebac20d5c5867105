export { risingRoot, type Root, type RootSearch } from './root.js';
export { between, normalBelow, normalDensity } from './normal.js';
