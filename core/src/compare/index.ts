export { scaledRibbon, sideBySide, type Compared, type CookedOnce, type Difference, type FigureName } from './side-by-side.js';
