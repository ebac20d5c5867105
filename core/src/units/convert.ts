import { UNITS, type UnitCode } from './unit.js';

/** A number that is no number, or two units that measure different things. */
export type ConvertError =
  | { readonly code: 'NOT_A_NUMBER'; readonly value: number }
  | { readonly code: 'UNIT_DIMENSION'; readonly from: UnitCode; readonly to: UnitCode };

export type Converted = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly error: ConvertError };

/**
 * Converts between two units of one dimension by the exact factors of UNITS.
 *
 * @example convert(1, 'pint-imp', 'ml') // { ok: true, value: 568.26125 }
 */
export function convert(value: number, from: UnitCode, to: UnitCode): Converted {
  if (!Number.isFinite(value)) return { ok: false, error: { code: 'NOT_A_NUMBER', value } };
  if (UNITS[from].dimension !== UNITS[to].dimension) return { ok: false, error: { code: 'UNIT_DIMENSION', from, to } };
  return { ok: true, value: (value * UNITS[from].si) / UNITS[to].si };
}

/** °F to °C, exact: NIST SP 811, appendix B. @example celsiusOf(212) // 100 */
export function celsiusOf(fahrenheit: number): number {
  return (fahrenheit - 32) / 1.8;
}

/** °C to °F, exact: NIST SP 811, appendix B. @example fahrenheitOf(100) // 212 */
export function fahrenheitOf(celsius: number): number {
  return celsius * 1.8 + 32;
}
