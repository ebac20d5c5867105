export { renamed, type Shape, type ShapeProblem, readShape } from './shape.js';
