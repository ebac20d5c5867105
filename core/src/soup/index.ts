export { BranchSchema, type Branch, type Join, type PlainStep, type Reading, type SoupStep } from './step.js';
export { LineSchema, SoupSchema, type Line, type Soup } from './soup.js';
export { linesOf, walk, type Walked } from './walk.js';
export { EXAMPLE_SOUPS } from './examples.js';
export { checkSoup, type SoupProblem } from './check.js';
