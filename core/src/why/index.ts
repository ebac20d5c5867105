export { ASKABLE, type Askable } from './askable.js';
export { explain, explainPull, type Part, type Why } from './why.js';
export type { Rule } from './rules.js';
export { compare, withSubstitute, type Difference } from './compare.js';
