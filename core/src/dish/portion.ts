import { parcelKg, volumeM3, type Parcel } from '../pot/index.js';

/** How a bowl is filled: by weight, by its own fill, or by so many ladles. Masses kg, volumes m3. */
export type Portion =
  | { readonly by: 'weight'; readonly kg: number }
  | { readonly by: 'fill'; readonly volumeM3: number }
  | { readonly by: 'ladle'; readonly volumeM3: number; readonly count: number };

/**
 * Kilos of one bowl of a soup; air that is still in it makes a ladle lighter.
 *
 * @example two ladles of 120 mL of a soup of 1020 kg/m3: 0.245 kg
 */
export function portionKg(portion: Portion, soup: Parcel, tempC: number, airShare = 0): number {
  if (portion.by === 'weight') return portion.kg;
  const kg = parcelKg(soup);
  const densityKgM3 = kg > 0 ? (kg / volumeM3(soup.mix, tempC)) * (1 - airShare) : 0;
  return portion.volumeM3 * (portion.by === 'ladle' ? portion.count : 1) * densityKgM3;
}

/** Standard normal points below which half and nine tenths lie. */
const POINTS = { 50: 0, 90: 1.2815515655 } as const;

/**
 * Whole bowls that a pot fills with so much confidence, by what is believed of its weight.
 *
 * @example bowlsSure(24, 0.6, 0.3, 90) // (24 - 1.2816 x 0.6) / 0.3 = 77
 */
export function bowlsSure(massKg: number, sdKg: number, bowlKg: number, confidence: keyof typeof POINTS): number {
  return Math.max(0, Math.floor((massKg - POINTS[confidence] * sdKg) / bowlKg + 1e-9));
}
