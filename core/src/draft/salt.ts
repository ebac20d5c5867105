/** How salt a soup is where nobody says, %. Kitchen default. */
const USUAL_PCT = 0.8;
/** No soup is salted beyond it, %. Kitchen default. */
const MOST_PCT = 5;

/**
 * How salt a written line of salt wants the soup, %; the usual where it says nothing.
 *
 * @example saltPctIn('salt 1.1%') // 1.1
 */
export function saltPctIn(written: string | undefined): number {
  const pct = /(\d+(?:[.,]\d+)?) ?%/.exec(written ?? '')?.[1];
  return pct === undefined ? USUAL_PCT : Math.min(MOST_PCT, Number(pct.replace(',', '.')));
}
