import { cautionSentence, hurts, type NameOf } from '@tureen/core/messages';
import {
  LEAST_BOWL_G,
  MOST_BOWLS,
  MOST_BOWL_G,
  type Figures,
  type NotScaling,
  type PlanError,
  type StepCaution,
} from '@tureen/core/plan';
import { showMinutes, type UnitSystem } from '@tureen/core/units';
import type { Askable } from '@tureen/core/why';
import { mass } from '../figures';
import type { Wanted } from './anchors';

/** What of the panel can be asked why, by the figure that answers. */
const ODD_WHY: Readonly<Partial<Record<NotScaling['what'], Askable>>> = {
  'poured stock': 'stock',
  'boil-off': 'steam',
  'minutes to the boil': 'boil',
  'oven trays': 'trays',
  'oven rounds': 'rounds',
  jugs: 'jugs',
};

/** A row of what does not grow by the factor of the vegetables. */
export interface OddRow {
  readonly what: string;
  readonly value: string;
  readonly figure: Askable | undefined;
  readonly factor: string;
}

function oddValue({ what, unit, now }: NotScaling, units: UnitSystem): string {
  if (what === 'vegetables') return '';
  if (unit === 'kg') return mass(now, units);
  return unit === 'min' ? showMinutes(now) : now.toFixed(0);
}

/** The panel of what does not scale: the factor of the vegetables, and beside it what goes by another. */
export function oddRows(rows: readonly NotScaling[], units: UnitSystem): OddRow[] {
  return rows.map((row) => ({
    what: row.what === 'vegetables' ? 'vegetables, the factor' : row.what,
    value: oddValue(row, units),
    figure: ODD_WHY[row.what],
    factor: row.written > 0 ? `× ${(row.now / row.written).toFixed(1)}` : '',
  }));
}

/** Cautions of a plan, each said once however many steps have it. */
export function cautionRows(
  cautions: readonly StepCaution[],
  nameOf: NameOf,
  units: UnitSystem,
): { readonly text: string; readonly hurts: boolean }[] {
  const seen = new Set<string>();
  return cautions.flatMap(({ caution }) => {
    if (seen.has(caution.code)) return [];
    seen.add(caution.code);
    return [{ text: cautionSentence(caution, nameOf, units), hurts: hurts(caution) }];
  });
}

/** What would make an impossible plan possible, each as a button and what it changes. */
export function waysOut(error: PlanError | undefined): { readonly text: string; readonly wanted: Partial<Wanted> }[] {
  if (error?.code === 'TOO_FEW_FOR_POT') {
    return [{ text: `Make ${String(error.leastBowls)} bowls`, wanted: { by: 'bowls', amount: error.leastBowls } }];
  }
  if (error?.code !== 'DOES_NOT_FIT') return [];
  return [
    ...error.pots.map(({ name, potId }) => ({ text: `Take the ${name.toLowerCase()}`, wanted: { potId } })),
    ...(error.bowlsThatFit > 0
      ? [{ text: `Make ${String(error.bowlsThatFit)} bowls here`, wanted: { by: 'bowls' as const, amount: error.bowlsThatFit } }]
      : []),
  ];
}

/** Whether what was typed can be no plan at all. */
export function isAbsurd({ by, amount, bowlG }: Pick<Wanted, 'by' | 'amount' | 'bowlG'>): boolean {
  const needsAmount = by !== 'pot' && amount !== null && !(amount > 0);
  return (
    needsAmount ||
    (bowlG !== null && !(bowlG >= LEAST_BOWL_G && bowlG <= MOST_BOWL_G)) ||
    (by === 'bowls' && (amount ?? 0) > MOST_BOWLS)
  );
}

/** Allergens of a bowl, in words. */
export function containsText(facts: Figures['facts']): string {
  const allergens = facts?.allergens ?? [];
  return allergens.length === 0 ? 'none of the 14 allergens' : allergens.join(', ');
}

/** What a bowl is to whoever eats no meat, or nothing of animals. */
export function dietsText(facts: Figures['facts']): string {
  const diets = facts?.diets;
  return diets?.vegan === true ? 'Vegan.' : diets?.vegetarian === true ? 'Vegetarian.' : 'Neither vegan nor vegetarian.';
}
