import { showMass, type UnitSystem } from '@tureen/core/units';
import type { BowlFacts } from '@tureen/core/dish';
import type { Soup } from '@tureen/core/soup';
import type { Askable } from '@tureen/core/why';
import type { NameOf } from '@tureen/core/messages';

/** A mass with its unit, as one piece of text. */
export function mass(kg: number, units: UnitSystem): string {
  const { digits, unit } = showMass(kg, units);
  return `${digits} ${unit}`;
}

/** An amount of money in the kitchen's currency; a bare figure where it has none. */
export function money(amount: number, currency: string | undefined): string {
  return currency === undefined
    ? amount.toFixed(2)
    : new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount);
}

/** Kitchen names of a soup's lines: the ingredient's, in small letters, without what follows a comma. */
export function namer(soup: Soup, rows: readonly { readonly id: string; readonly name: string }[]): NameOf {
  const byId = new Map(rows.map(({ id, name }) => [id, (name.split(',')[0] ?? name).toLowerCase()]));
  const lines = new Map(soup.lines.map(({ id, ingredient }) => [id, byId.get(ingredient) ?? ingredient]));
  return (lineId) => lines.get(lineId) ?? lineId;
}

export interface FactRow {
  readonly name: string;
  readonly value: string;
  /** What of the batch it can be asked why of, where it can. */
  readonly figure?: Askable;
}

/** What one bowl carries, as rows; cream only where there is any. */
export function factRows(facts: BowlFacts): FactRow[] {
  const diets = facts.diets.vegan ? 'vegan' : facts.diets.vegetarian ? 'vegetarian' : 'neither';
  return [
    { name: 'weight', value: `${facts.massG.toFixed(0)} g · ${facts.volumeMl.toFixed(0)} mL` },
    { name: 'energy', value: `${facts.energyKcal.toFixed(0)} kcal · ${facts.energyKj.toFixed(0)} kJ`, figure: 'energy' },
    { name: 'salt', value: `${facts.saltG.toFixed(1)} g · ${facts.saltPct.toFixed(2)} %`, figure: 'salt' },
    { name: 'sodium', value: `${facts.sodiumMg.toFixed(0)} mg` },
    { name: 'of a day’s 5 g salt', value: `${(facts.dayShare * 100).toFixed(0)} %` },
    ...(facts.creamG > 0 ? [{ name: 'cream', value: `${facts.creamG.toFixed(0)} g`, figure: 'cream' as const }] : []),
    { name: 'fat', value: `${facts.fatG.toFixed(1)} g`, figure: 'fat' },
    { name: 'fibre', value: `${facts.fibreG.toFixed(1)} g` },
    { name: 'contains', value: facts.allergens.length === 0 ? 'none of the 14' : facts.allergens.join(', ') },
    { name: 'diet', value: diets },
  ];
}

export function day(ms: number): string {
  return new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}

export function timeOfDay(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}
