export { risingRoot, type Root, type RootSearch } from './root.js';
export { between, normalBelow, normalDensity } from './normal.js';
export { symmetric } from './matrix.js';
