export { splitFigures, splitRemedies, splitRisk, type Risk } from './split.js';
export { cartonsFor } from './cartons.js';
