import type { MethodChoices } from '../soup/index.js';

/** What is said of vegetables that were cooked one way before there was liquid on them. */
export const WAY_WORDS: Readonly<Record<NonNullable<MethodChoices['colour']>, string>> = { roast: 'roasted', sweat: 'sweated' };
