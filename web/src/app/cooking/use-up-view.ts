import { potsBySize, type Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { planToBuy, pullList, type Planned } from '@tureen/core/plan';
import {
  afterNeeds,
  goingOff,
  shoppingList,
  waysToUseUp,
  type Buying,
  type GoingOff,
  type ShoppingRow,
  type Supply,
  type Takes,
} from '@tureen/core/shop';
import type { Soup } from '@tureen/core/soup';

/** A soup that uses things up, and what of them it takes, kg as bought. */
export interface UsingSoup {
  readonly soupId: string;
  readonly name: string;
  readonly bowls: number;
  readonly bowlG: number;
  readonly takes: readonly { readonly name: string; readonly kg: number }[];
}

/** One choice of soups for a day: what it saves from going off, and what has to be bought beside. In the kitchen's currency. */
export interface UseUpWay {
  readonly soups: readonly UsingSoup[];
  readonly value: number;
  readonly besideCost: number;
  readonly left: readonly { readonly name: string; readonly kg: number }[];
}

export interface UseUpView {
  readonly soon: readonly GoingOff[];
  readonly ways: readonly UseUpWay[];
}

export interface UseUpAsk {
  readonly supplies: readonly Supply[];
  readonly buying: readonly Buying[];
  /** What the days to come need already: it is used by them. */
  readonly needed: readonly ShoppingRow[];
  /** The shelf's soups in their newest version. */
  readonly soups: readonly Soup[];
  /** When the day begins: what makes people ill and was due before goes into no soup. */
  readonly dayMs: number;
  /** What has to be used by then goes off soon. */
  readonly untilMs: number;
  readonly mostBowls: number;
}

/** Bowls by which a soup's takings are reckoned before it is chosen. */
const RECKONED_BOWLS = 24;

/** A soup in the smallest pot that holds it; undefined where none does. */
function inAnyPot(soup: Soup, bowls: number, rows: readonly IngredientRow[], kit: Kit): Planned | undefined {
  for (const { id } of potsBySize(kit)) {
    const planning = planToBuy(soup, rows, kit, { bowls, bowlG: soup.writtenFor.bowlG, potId: id });
    if (planning.ok) return planning.plan;
    if (planning.error.code !== 'DOES_NOT_FIT') return undefined;
  }
  return undefined;
}

/** Bowls of a soup that the largest pot holds, as many as are asked at most. */
function mostIn(soup: Soup, bowls: number, rows: readonly IngredientRow[], kit: Kit): number {
  const largest = potsBySize(kit).at(-1);
  if (largest === undefined) return 0;
  const planning = planToBuy(soup, rows, kit, { bowls, bowlG: soup.writtenFor.bowlG, potId: largest.id });
  if (planning.ok) return bowls;
  return planning.error.code === 'DOES_NOT_FIT' ? planning.error.bowlsThatFit : 0;
}

function takesOf(soup: Soup, most: number, rows: readonly IngredientRow[], kit: Kit): Takes[] {
  const mostBowls = mostIn(soup, most, rows, kit);
  const bowls = Math.min(RECKONED_BOWLS, mostBowls);
  const plan = bowls < 1 ? undefined : inAnyPot(soup, bowls, rows, kit);
  if (plan === undefined) return [];
  const perBowlKg = new Map(pullList(plan).map(({ ingredient, boughtKg }) => [ingredient, boughtKg / bowls]));
  return [{ soupId: soup.id, perBowlKg, mostBowls }];
}

/**
 * What goes off soon beside what is planned, and the soups of the shelf that use it. What each soup takes, saves and costs is of
 * its own plan for so many bowls, not of the proportion that it was chosen by.
 */
export function useUpView(ask: UseUpAsk, rows: readonly IngredientRow[], kit: Kit): UseUpView {
  const needs = new Map(ask.needed.map(({ ingredient, neededKg }) => [ingredient, neededKg]));
  const free = afterNeeds(ask.supplies, needs);
  const soon = goingOff(free, rows, ask.untilMs);
  if (soon.length === 0) return { soon, ways: [] };
  const usable = soon.filter(({ isRisky, byMs }) => !isRisky || byMs >= ask.dayMs);
  const byId = new Map(ask.soups.map((soup) => [soup.id, soup]));
  const takes = ask.soups.flatMap((soup) => takesOf(soup, ask.mostBowls, rows, kit));
  const ways = waysToUseUp(usable, takes, ask.mostBowls).flatMap((way): UseUpWay[] => {
    const left = new Map(usable.map(({ ingredient, kg }) => [ingredient, kg]));
    const planned = way.soups.flatMap(({ soupId, bowls }) => {
      const soup = byId.get(soupId);
      const plan = soup === undefined ? undefined : inAnyPot(soup, bowls, rows, kit);
      return soup === undefined || plan === undefined ? [] : [{ soup, bowls, plan }];
    });
    if (planned.length < way.soups.length) return [];
    let value = 0;
    const soups = planned.map(({ soup, bowls, plan }): UsingSoup => {
      const own = new Map(pullList(plan).map(({ ingredient, boughtKg }) => [ingredient, boughtKg]));
      const taken = usable.flatMap(({ ingredient, name, pricePerKg }) => {
        const kg = Math.min(left.get(ingredient) ?? 0, own.get(ingredient) ?? 0);
        if (kg <= 0) return [];
        left.set(ingredient, (left.get(ingredient) ?? 0) - kg);
        value += kg * pricePerKg;
        return [{ name, kg }];
      });
      return { soupId: soup.id, name: soup.name, bowls, bowlG: soup.writtenFor.bowlG, takes: taken };
    });
    const beside = shoppingList(
      planned.map(({ soup, plan }) => ({ name: soup.name, plan })),
      rows,
      free,
      ask.buying,
    );
    return [
      {
        soups,
        value,
        besideCost: beside.reduce((sum, { cost }) => sum + cost, 0),
        left: usable.flatMap(({ ingredient, name }) => {
          const kg = left.get(ingredient) ?? 0;
          return kg > LEAST_LEFT_KG ? [{ name, kg }] : [];
        }),
      },
    ];
  });
  return { soon, ways };
}
/** Less than this that is left is nothing. */
const LEAST_LEFT_KG = 0.05;
