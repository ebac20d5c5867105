import type { Kit } from './kit.js';

/** Where a kitchen stands, as far as it decides how amounts, prices and days are read. */
export type Place = Pick<Kit, 'country' | 'units' | 'currency' | 'zone'>;

const COUNTRY: Readonly<Record<string, NonNullable<Kit['country']>>> = { GB: 'gb', IE: 'gb', US: 'us', AU: 'au', NZ: 'au' };
/** Where kitchens weigh in pounds and ounces. */
const US_UNITS: ReadonlySet<string> = new Set(['US', 'LR', 'MM']);

/**
 * What a browser's language and clock propose for a new kitchen. Whose spoons are meant is proposed only where they are one
 * of those known, and asked about elsewhere.
 *
 * @param locale a BCP 47 tag; its region is guessed from the language where it names none.
 * @example placeFor('de-DE', 'Europe/Berlin', () => 'EUR') // { country: undefined, units: 'metric', currency: 'EUR', zone: 'Europe/Berlin' }
 */
export function placeFor(locale: string, zone: string | undefined, currencyOf: (region: string) => string | undefined): Place {
  let region = '';
  try {
    region = new Intl.Locale(locale).maximize().region ?? '';
  } catch {
    // No language that is known: nothing is proposed but metric.
  }
  return {
    country: COUNTRY[region],
    units: US_UNITS.has(region) ? 'us' : 'metric',
    currency: currencyOf(region),
    zone,
  };
}
