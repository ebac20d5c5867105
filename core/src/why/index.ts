export { ASKABLE, type Askable } from './ask.js';
export { explain, explainPull, type Part, type Why } from './why.js';
export type { Rule } from './rules.js';
export { compare, withStandIn, type Difference } from './compare.js';
