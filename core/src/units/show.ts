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
  if (system === 'us') return size < UNITS['quart-us'].si ? inUnit(volumeM3, 'floz-us', 0.1) : inUnit(volumeM3, 'quart-us', 0.01);
  return size < UNITS['pint-imp'].si ? inUnit(volumeM3, 'floz-imp', 0.1) : inUnit(volumeM3, 'pint-imp', 0.01);
}

/** Minutes as a cook says them. @example showMinutes(75) // '1 h 15 min' */
export function showMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${String(whole)} min`;
  const rest = whole % 60;
  return rest === 0 ? `${String(Math.floor(whole / 60))} h` : `${String(Math.floor(whole / 60))} h ${String(rest)} min`;
}
