import { celsiusOf, fahrenheitOf } from './convert.js';
import { UNITS, type UnitCode, type UnitSystem } from './unit.js';

/** A figure ready for the screen: digits and the unit they are in, kept apart so that each can be set in its own type. */
export interface Shown {
  readonly digits: string;
  readonly unit: string;
}

const MINUS = '−';

/** Three significant figures at most, trailing noughts dropped past the decimal point, never finer than `finest`. */
function digits(value: number, finest: number): string {
  const size = Math.abs(value);
  const places = size >= 100 ? 0 : size >= 10 ? 1 : 2;
  const cap = Math.max(0, Math.round(-Math.log10(finest)));
  const text = size.toFixed(Math.min(places, cap));
  const whole = text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
  return value < 0 && Number(whole) !== 0 ? MINUS + whole : whole;
}

function inUnit(si: number, unit: UnitCode, finest: number): Shown {
  return { digits: digits(si / UNITS[unit].si, finest), unit: UNITS[unit].label };
}

/** A mass at the precision that a cook can act on. @example showMass(1.3478, 'metric') // { digits: '1.35', unit: 'kg' } */
export function showMass(massKg: number, system: UnitSystem): Shown {
  const size = Math.abs(massKg);
  if (system === 'metric') return size < 0.9995 ? inUnit(massKg, 'g', size < 0.01 ? 0.1 : 1) : inUnit(massKg, 'kg', 0.01);
  return size < UNITS.lb.si ? inUnit(massKg, 'oz', 0.1) : inUnit(massKg, 'lb', 0.01);
}

/** A volume at the precision that a cook can act on. @example showVolume(0.0003, 'metric') // { digits: '300', unit: 'mL' } */
export function showVolume(volumeM3: number, system: UnitSystem): Shown {
  const size = Math.abs(volumeM3);
  if (system === 'metric') return size < 0.9995e-3 ? inUnit(volumeM3, 'ml', 1) : inUnit(volumeM3, 'l', 0.01);
  const [small, large] = system === 'us' ? (['floz-us', 'quart-us'] as const) : (['floz-imp', 'pint-imp'] as const);
  // In a kitchen's own units nobody asks whose ounces they are.
  return size < UNITS[large].si
    ? { ...inUnit(volumeM3, small, 0.1), unit: 'fl oz' }
    : { ...inUnit(volumeM3, large, 0.01), unit: system === 'us' ? 'qt' : 'pt' };
}

/** What a kitchen's large scale shows, and how many kilos one of it is. */
export function weighedIn(system: UnitSystem): { readonly name: 'kg' | 'lb'; readonly kg: number } {
  return system === 'metric' ? { name: 'kg', kg: 1 } : { name: 'lb', kg: UNITS.lb.si };
}

/** The scale that a kitchen's thermometers and ovens are marked in. */
export type DegreeUnit = '°C' | '°F';

/** @example degreeUnit('us') // '°F' */
export function degreeUnit(system: UnitSystem): DegreeUnit {
  return system === 'us' ? '°F' : '°C';
}

/** °C on a kitchen's own scale, not rounded. @example onScale(100, 'us') // 212 */
export function onScale(c: number, system: UnitSystem): number {
  return system === 'us' ? fahrenheitOf(c) : c;
}

/** What a kitchen's own scale shows, in °C. @example fromScale(212, 'us') // 100 */
export function fromScale(figure: number, system: UnitSystem): number {
  return system === 'us' ? celsiusOf(figure) : figure;
}

/** A temperature of a kitchen's own scale, from °C. @param places after the point at most, for what was read and not set. */
export function showDegrees(c: number, system: UnitSystem, places = 0): Shown {
  const value = Number(onScale(c, system).toFixed(places));
  return { digits: value < 0 ? MINUS + String(-value) : String(Math.abs(value)), unit: degreeUnit(system) };
}

/** A temperature as it is said. @example degrees(218.3, 'us') // '425 °F' */
export function degrees(c: number, system: UnitSystem, places = 0): string {
  const { digits: figure, unit } = showDegrees(c, system, places);
  return `${figure} ${unit}`;
}

/** So many degrees more or less, which has no zero to count from. @example degreesMore(10, 'us') // '18 °F' */
export function degreesMore(by: number, system: UnitSystem): string {
  return `${String(Math.round(system === 'us' ? by * 1.8 : by))} ${degreeUnit(system)}`;
}

/** Minutes as a cook says them. @example showMinutes(75) // '1 h 15 min' */
export function showMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${String(whole)} min`;
  const rest = whole % 60;
  return rest === 0 ? `${String(Math.floor(whole / 60))} h` : `${String(Math.floor(whole / 60))} h ${String(rest)} min`;
}

/** So much more or less, in per cent; nought has no sign. @example percentMore(-2.74) // '−2.7 %' */
export function percentMore(pct: number, places = 1): string {
  const figure = Math.abs(pct).toFixed(places);
  const sign = Number(figure) === 0 ? '' : pct < 0 ? MINUS : '+';
  return `${sign}${figure} %`;
}
