import { kitchenZone } from '../services/zone';
import { showMass, UNITS, type UnitSystem } from '@tureen/core/units';
import { bodyWord } from '@tureen/core/body';
import type { BowlFacts } from '@tureen/core/dish';
import type { Askable } from '@tureen/core/why';

/** Less than half a gram is nothing in a kitchen, kg. */
export const NOTHING_KG = 0.0005;

/** A mass with its unit, as one piece of text. */
export function mass(kg: number, units: UnitSystem): string {
  const { digits, unit } = showMass(kg, units);
  return `${digits} ${unit}`;
}

/** How deep, or how far below a rim: to the millimetre, or to a twentieth of an inch. */
export function depth(m: number, units: UnitSystem): string {
  return units === 'metric' ? `${(m / UNITS.cm.si).toFixed(1)} cm` : `${(m / UNITS.in.si).toFixed(1)} in`;
}

export { wholeBowls } from '@tureen/core/plan';

/** An amount of money in the kitchen's currency; a bare figure where it has none. */
export function money(amount: number, currency: string | undefined): string {
  return currency === undefined
    ? amount.toFixed(2)
    : new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount);
}

export interface FactRow {
  readonly name: string;
  readonly value: string;
  /** What of the batch it can be asked why of, where it can. */
  readonly figure?: Askable;
}

/** What one bowl carries, as rows; cream only where there is any, body where it is known. */
export function factRows(facts: BowlFacts, bodyMPas = 0): FactRow[] {
  const diets = facts.diets.vegan ? 'vegan' : facts.diets.vegetarian ? 'vegetarian' : 'neither';
  return [
    { name: 'weight', value: `${facts.massG.toFixed(0)} g · ${facts.volumeMl.toFixed(0)} mL`, figure: 'yield' },
    { name: 'energy', value: `${facts.energyKcal.toFixed(0)} kcal · ${facts.energyKj.toFixed(0)} kJ`, figure: 'energy' },
    { name: 'salt', value: `${facts.saltG.toFixed(1)} g · ${facts.saltPct.toFixed(2)} %`, figure: 'salt' },
    { name: 'sodium', value: `${facts.sodiumMg.toFixed(0)} mg`, figure: 'sodium' },
    { name: 'of a day’s 5 g salt', value: `${(facts.dayShare * 100).toFixed(0)} %`, figure: 'sodium' },
    ...(facts.creamG > 0 ? [{ name: 'cream', value: `${facts.creamG.toFixed(0)} g`, figure: 'cream' as const }] : []),
    { name: 'fat', value: `${facts.fatG.toFixed(1)} g`, figure: 'fat' },
    ...(bodyMPas > 0
      ? [{ name: 'body', value: `${bodyMPas.toFixed(0)} mPa·s, ${bodyWord(bodyMPas)}`, figure: 'body' as const }]
      : []),
    { name: 'fibre', value: `${facts.fibreG.toFixed(1)} g`, figure: 'fibre' },
    { name: 'contains', value: facts.allergens.length === 0 ? 'none of the 14' : facts.allergens.join(', '), figure: 'contains' },
    { name: 'diet', value: diets },
  ];
}

/** The day of a moment where the kitchen stands. */
export function day(ms: number): string {
  return new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: kitchenZone() });
}

/** The hour of a moment by the kitchen's clock. */
export function timeOfDay(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: kitchenZone() });
}
