export { BranchSchema, type Branch, type Join, type PlainStep, type Reading, type SoupStep } from './step.js';
export { CARD, LineSchema, SchoolsSchema, SoupSchema, SoupShape, type Line, type Schools, type Soup } from './soup.js';
export { linesOf, mapSteps, walk, type LineUse, type Walked } from './walk.js';
export { EXAMPLE_SOUPS } from './examples.js';
export { cardsOf, checkCards, checkSoup, lineProblems, type SoupProblem } from './check.js';
export { schooled } from './schools.js';
