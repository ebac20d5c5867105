export { AmountSchema, weigh, type Amount, type AmountError, type Mass, type Weighed } from './amount.js';
