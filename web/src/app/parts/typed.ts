import { degreeUnit, onScale, UNITS, type UnitCode, type UnitSystem } from '@tureen/core/units';

/** How a figure that core takes in metric is typed in this kitchen: its unit, what one metric unit is in it, where its scale begins, and a handy step. */
export interface Typed {
  readonly unit: string;
  readonly factor: number;
  /** What nought of the metric scale is on this one. */
  readonly shift: number;
  readonly step: number;
}

/** What a metric unit becomes outside of metric, and its steps for a small and a coarse figure. */
const ELSEWHERE: Readonly<Record<string, { readonly to: UnitCode; readonly fine: number; readonly coarse: number }>> = {
  kg: { to: 'lb', fine: 0.05, coarse: 0.25 },
  g: { to: 'oz', fine: 0.1, coarse: 0.5 },
  cm: { to: 'in', fine: 0.25, coarse: 0.25 },
};

/** From this step on, in the metric unit, a figure is a coarse one. */
const COARSE: Readonly<Record<string, number>> = { kg: 0.1, g: 10, cm: 1 };

/**
 * The unit in which a figure is typed; what has no other unit outside of metric stays as it is.
 *
 * @example typedIn('kg', 0.1, 'us') // { unit: 'lb', factor: 2.2046, shift: 0, step: 0.25 }
 */
export function typedIn(unit: string, step: number, units: UnitSystem): Typed {
  if (unit === '°C') {
    const shift = onScale(0, units);
    return { unit: degreeUnit(units), factor: onScale(1, units) - shift, shift, step };
  }
  const elsewhere = units === 'metric' ? undefined : ELSEWHERE[unit];
  if (elsewhere === undefined) return { unit, factor: 1, shift: 0, step };
  const from = UNITS[unit as UnitCode].si;
  return {
    unit: UNITS[elsewhere.to].label,
    factor: from / UNITS[elsewhere.to].si,
    shift: 0,
    step: step < (COARSE[unit] ?? 0) ? elsewhere.fine : elsewhere.coarse,
  };
}

/** A typed figure at the precision that it is typed with. */
export function rounded(value: number): number {
  return Math.round(value * 100) / 100;
}
