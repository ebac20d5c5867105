import { bowlFacts } from '../dish/index.js';
import type { Allergen } from '../larder/index.js';
import { outcomesOf, type Outcomes } from '../odds/index.js';
import type { Ready, Run } from '../line/index.js';
import type { Line, Soup } from '../soup/index.js';

/** Two runs side by side. Salt in %, cost in the kitchen's currency a bowl. */
export interface Difference {
  readonly before: Outcomes & { readonly costPerBowl: number };
  readonly after: Outcomes & { readonly costPerBowl: number };
  readonly allergensIn: readonly Allergen[];
  readonly allergensOut: readonly Allergen[];
  readonly dietsLost: readonly string[];
  readonly dietsWon: readonly string[];
}

interface Ran {
  readonly ready: Ready;
  readonly run: Run;
}

function told({ ready, run }: Ran): Difference['before'] {
  return { ...outcomesOf(ready, run), costPerBowl: run.bowls > 0 ? run.costSum / run.bowls : 0 };
}

/** What changes from one run to another: two schools, a substitute, another pot. */
export function compare(before: Ran, after: Ran): Difference {
  const facts = ({ ready, run }: Ran): ReturnType<typeof bowlFacts> =>
    run.dished === undefined ? undefined : bowlFacts(run.dished.parcel, ready.bowlKg, run.dished.tempC);
  const a = facts(before);
  const b = facts(after);
  const kept = (of: typeof a): string[] => Object.entries(of?.diets ?? {}).flatMap(([name, yes]) => (yes === true ? [name] : []));
  const without = <T>(list: readonly T[], other: readonly T[]): T[] => list.filter((one) => !other.includes(one));
  return {
    before: told(before),
    after: told(after),
    allergensIn: without(b?.allergens ?? [], a?.allergens ?? []),
    allergensOut: without(a?.allergens ?? [], b?.allergens ?? []),
    dietsLost: without(kept(a), kept(b)),
    dietsWon: without(kept(b), kept(a)),
  };
}

/** A soup with one line's ingredient replaced by a stand-in; a way of trimming that the stand-in does not know goes. */
export function withStandIn(
  soup: Soup,
  lineId: string,
  standIn: Pick<Line, 'ingredient' | 'way' | 'amount'> & { readonly cut?: Line['cut'] },
): Soup {
  return {
    ...soup,
    lines: soup.lines.map((line): Line => {
      if (line.id !== lineId) return line;
      return {
        id: line.id,
        ingredient: standIn.ingredient,
        amount: standIn.amount,
        ...(standIn.way === undefined ? {} : { way: standIn.way }),
        ...((standIn.cut ?? line.cut) === undefined ? {} : { cut: standIn.cut ?? line.cut }),
      };
    }),
  };
}
