export { plainText } from './plain-text.js';
export { readRecipe, recipeAsText, toRecipe, type BowlTold, type RecipeFound, type RecipeRead } from './recipe-ld.js';
export { toText } from './soup-text.js';
export { readCsv, writeCsv, type Table } from './csv.js';
export { soupCsvAsText, toPullCsv, toSoupCsv, type CsvAsText } from './soup-csv.js';
export { readPrices, type PriceRead, type PriceRefused, type PricesRead } from './prices-csv.js';
export { omissionsIn, type Format, type Omission } from './omissions.js';
export { omissionsSentence, refusedPriceSentence, unreadSentence } from './sentences.js';
