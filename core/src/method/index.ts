export { DOINGS, type Action, type Doing, type LineUse, type MethodAssumption } from './action.js';
export { clausesOf, sentencesOf, type Clause, type Sentence } from './clauses.js';
export type { VesselKind } from './lexicon.js';
export type { Fix } from './kitchen.js';
export { minutesIn, ovenIn, shareBefore, type Range } from './measures.js';
export { MOST_CHARACTERS, MOST_LINES, readPaste, type Pasted, type PastedLine, type Pasting } from './paste.js';
export { readMethod, type MethodReading } from './read.js';
export { readRecipe, type RecipeAsk, type RecipeLine, type RecipeReading } from './recipe.js';
export type { MethodTree, TreeAsk } from './tree.js';
