import { bowlFacts } from '../dish/index.js';
import type { Allergen } from '../larder/index.js';
import { outcomesOf, type Outcomes } from '../odds/index.js';
import type { PreparedSoup, Run } from '../runner/index.js';
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
  readonly prepared: PreparedSoup;
  readonly run: Run;
}

function told({ prepared, run }: Ran): Difference['before'] {
  return { ...outcomesOf(prepared, run), costPerBowl: run.bowls > 0 ? run.costSum / run.bowls : 0 };
}

/** What changes from one run to another: two method choices, a substitute, another pot. */
export function compare(before: Ran, after: Ran): Difference {
  const facts = ({ prepared, run }: Ran): ReturnType<typeof bowlFacts> =>
    run.dished === undefined ? undefined : bowlFacts(run.dished.parcel, prepared.bowlKg, run.dished.tempC);
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

/** A soup with one line's ingredient replaced by a substitute; a way of trimming that the substitute does not know goes. */
export function withSubstitute(
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
