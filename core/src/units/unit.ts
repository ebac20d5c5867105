/** What a unit measures. Amounts of food are mass, volume or count. */
export type Dimension = 'mass' | 'volume' | 'length';

/** The habits of a kitchen: which units its figures are shown in. */
export type UnitSystem = 'metric' | 'us' | 'imperial';

export interface Unit {
  readonly dimension: Dimension;
  /** Kilograms, cubic metres or metres in one of this unit; exact by definition. */
  readonly si: number;
  readonly label: string;
}

const LITRE_M3 = 0.001;
const INCH_M = 0.0254;
const POUND_KG = 0.45359237;
const US_GALLON_M3 = 231 * INCH_M ** 3;
const IMPERIAL_GALLON_M3 = 4.54609 * LITRE_M3;

/**
 * Exact factors. Source: NIST Special Publication 811 (2008), appendix B, and Handbook 44, appendix C;
 * the imperial gallon is 4.54609 L by definition. Metric and Australian spoons and the metric cup are
 * round millilitres by common practice.
 */
export const UNITS = {
  g: { dimension: 'mass', si: 0.001, label: 'g' },
  kg: { dimension: 'mass', si: 1, label: 'kg' },
  oz: { dimension: 'mass', si: POUND_KG / 16, label: 'oz' },
  lb: { dimension: 'mass', si: POUND_KG, label: 'lb' },
  ml: { dimension: 'volume', si: LITRE_M3 / 1000, label: 'mL' },
  l: { dimension: 'volume', si: LITRE_M3, label: 'L' },
  'tsp-metric': { dimension: 'volume', si: 5e-6, label: 'tsp' },
  'tbsp-metric': { dimension: 'volume', si: 15e-6, label: 'tbsp' },
  'tbsp-au': { dimension: 'volume', si: 20e-6, label: 'tbsp (20 mL)' },
  'cup-metric': { dimension: 'volume', si: 250e-6, label: 'cup (250 mL)' },
  'tsp-us': { dimension: 'volume', si: US_GALLON_M3 / 768, label: 'tsp (US)' },
  'tbsp-us': { dimension: 'volume', si: US_GALLON_M3 / 256, label: 'tbsp (US)' },
  'floz-us': { dimension: 'volume', si: US_GALLON_M3 / 128, label: 'fl oz (US)' },
  'cup-us': { dimension: 'volume', si: US_GALLON_M3 / 16, label: 'cup (US)' },
  'pint-us': { dimension: 'volume', si: US_GALLON_M3 / 8, label: 'pint (US)' },
  'quart-us': { dimension: 'volume', si: US_GALLON_M3 / 4, label: 'quart (US)' },
  'gallon-us': { dimension: 'volume', si: US_GALLON_M3, label: 'gallon (US)' },
  'floz-imp': { dimension: 'volume', si: IMPERIAL_GALLON_M3 / 160, label: 'fl oz (imp)' },
  'pint-imp': { dimension: 'volume', si: IMPERIAL_GALLON_M3 / 8, label: 'pint (imp)' },
  'gallon-imp': { dimension: 'volume', si: IMPERIAL_GALLON_M3, label: 'gallon (imp)' },
  mm: { dimension: 'length', si: 0.001, label: 'mm' },
  cm: { dimension: 'length', si: 0.01, label: 'cm' },
  in: { dimension: 'length', si: INCH_M, label: 'in' },
} as const satisfies Record<string, Unit>;

export type UnitCode = keyof typeof UNITS;

export const UNIT_CODES = Object.keys(UNITS) as [UnitCode, ...UnitCode[]];
