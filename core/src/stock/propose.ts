import type { Diets, IngredientRow } from '../larder/index.js';
import { KEPT_SOUP } from '../soup/index.js';
import { bowlsIn, dietNamesOf } from './contents.js';
import type { Contents } from './entry.js';
import type { Container } from './stock.js';

/** Whether a container's soup can be used on a day (YYYY-MM-DD) as it stands: neither frozen nor cooling, nor past its day. */
export function isUsable({ state, useBy }: Pick<Container, 'state' | 'useBy'>, day: string): boolean {
  return (state === 'chilled' || state === 'thawed') && useBy.day >= day;
}

/** Bowls of a soup that are kept already, by where they stand. */
export interface KeptBowls {
  /** What can be brought back today, soonest day first. */
  readonly ready: readonly { readonly container: Container; readonly bowls: number }[];
  readonly bowls: number;
  /** What would have to be thawed from the day before. */
  readonly frozenBowls: number;
}

/** Bowls of a soup that stand in fridge and freezer and may still be eaten on a day (YYYY-MM-DD). */
export function keptBowls(containers: readonly Container[], soupId: string, bowlG: number, day: string): KeptBowls {
  const own = containers
    .filter(({ contents, useBy, state }) => contents.soupId === soupId && useBy.day >= day && state !== 'gone')
    .map((container) => ({ container, bowls: bowlsIn(container.kg, { bowlG }) }))
    .filter(({ bowls }) => bowls > 0)
    .sort((a, b) => (a.container.useBy.day < b.container.useBy.day ? -1 : a.container.useBy.day > b.container.useBy.day ? 1 : 0));
  const ready = own.filter(({ container }) => isUsable(container, day));
  const sum = (list: typeof own): number => list.reduce((all, { bowls }) => all + bowls, 0);
  return { ready, bowls: sum(ready), frozenBowls: sum(own.filter(({ container: { state } }) => state === 'frozen')) };
}

/** What a soup is told to be, and so must stay. */
export interface Promised {
  readonly soupId: string;
  readonly isServedCold: boolean;
  readonly allergens: readonly string[];
  readonly diets: Diets | undefined;
}

/**
 * Whether a kept soup can go into another without it being anything that was not told: no allergen more, no diet less. One that
 * was bound with egg goes into nothing that is brought to the boil.
 */
export function mayGoInto(contents: Contents, { soupId, isServedCold, allergens, diets }: Promised): boolean {
  return (
    contents.soupId !== soupId &&
    contents.isServedCold === isServedCold &&
    (isServedCold || !contents.holds.includes('egg')) &&
    contents.row.allergens.every((one) => allergens.includes(one)) &&
    (diets === undefined || dietNamesOf(diets).every((diet) => contents.diets.includes(diet)))
  );
}

/** A container's soup as an ingredient of its own among others: no two containers are one row. */
export function keptRow({ id, contents }: Pick<Container, 'id' | 'contents'>): IngredientRow {
  const name = `${contents.name}, from the cold`.slice(0, 80);
  return { ...contents.row, id: `${KEPT_SOUP}${id}`, name };
}
