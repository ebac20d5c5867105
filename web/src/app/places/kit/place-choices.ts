import type { Kit } from '@tureen/core/kit';

/** Every currency and time zone that the browser knows. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');
export const ZONES: readonly string[] = Intl.supportedValuesOf('timeZone');

export const COUNTRY_CHOICES: readonly { readonly value: NonNullable<Kit['country']> | ''; readonly label: string }[] = [
  { value: 'gb', label: 'British' },
  { value: 'us', label: 'American' },
  { value: 'au', label: 'Australian' },
  { value: '', label: 'ask each time' },
];

export const UNIT_CHOICES: readonly { readonly value: Kit['units']; readonly label: string }[] = [
  { value: 'metric', label: 'metric' },
  { value: 'us', label: 'US pounds and quarts' },
  { value: 'imperial', label: 'imperial pounds and pints' },
];
