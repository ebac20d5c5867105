import type { Country } from '../amounts/index.js';

/** From which temperature on soup may be held hot, °C, and who says so. */
export interface HotHolding {
  readonly leastC: number;
  readonly source: string;
}

/** All from memory; what local law asks for comes first. */
const BY_COUNTRY: Readonly<Record<Country, HotHolding>> = {
  /** Food Safety and Hygiene (England) Regulations 2013, Schedule 4. */
  gb: { leastC: 63, source: 'Food Safety and Hygiene (England) Regulations 2013' },
  /** FDA Food Code 2022, 3-501.16. */
  us: { leastC: 57, source: 'FDA Food Code' },
  /** Food Standards Code of Australia and New Zealand, Standard 3.2.2. */
  au: { leastC: 60, source: 'Food Standards Code, Standard 3.2.2' },
};

/** Hot holding where a kitchen stands; the FDA's where that is not said. */
export function hotHolding(country: Country | undefined): HotHolding {
  return BY_COUNTRY[country ?? 'us'];
}
