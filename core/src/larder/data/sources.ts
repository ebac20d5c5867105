/** Sources that many rows share. */
export const SR = 'USDA SR Legacy, public domain, quoted from memory';
export const BUYING_GUIDE = 'USDA Food Buying Guide and Agriculture Handbook 102, quoted from memory';
export const PRACTICE = 'common practice, no source';
export const WEIGHTS = 'USDA SR Legacy household weights, public domain, quoted from memory';
export const WHOLE = [{ way: 'as it comes', share: 1, sd: 0, source: 'nothing is trimmed' }];
