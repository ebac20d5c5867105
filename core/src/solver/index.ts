export { loadSolver } from './highs.js';
