export { AmountSchema, weigh, type Amount, type AmountError, type Mass, type Weighed } from './amount.js';
export { COUNTRIES, findName, namesOf, plain, type Country, type Found, type Names } from './names.js';
export { FRACTIONS } from './fractions.js';
export { takeApart, type Phrase } from './phrase.js';
export { readLine, readLines } from './read-line.js';
export type { LineReading, Option, ReadingContext } from './reading.js';
