export { BranchSchema, isBatchStep, type Branch, type Join, type PlainStep, type BatchStep, type SoupStep } from './step.js';
export { CARD, LineSchema, SchoolsSchema, type Line, type Schools } from './line.js';
export { SoupSchema, SoupShape, type Soup } from './soup.js';
export { VariantSchema, type Variant } from './variant.js';
export { varied, stepWithout, withoutLines } from './varied.js';
export { linesNamedBy, linesOf, mapSteps, walk, type LineUse, type Walked } from './walk.js';
export { EXAMPLE_SOUPS } from './examples.js';
export { cardsOf, checkCards, checkSoup, lineProblems, type SoupProblem } from './check.js';
export { schooled } from './schools.js';
