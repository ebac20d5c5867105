import { colourOf, type Diets, type IngredientRow } from '../larder/index.js';
import type { Kit } from '../kit/index.js';
import { contents, tintIn } from '../pot/index.js';
import type { Soup } from '../soup/index.js';
import { figuresOf } from './figures.js';
import { writtenPlan } from './plan.js';

/** What a shelf shows of a soup without its steps: how it looks, what is in a bowl, how long it takes. */
export interface ShelfFacts {
  readonly colour: string;
  readonly creamShare: number;
  readonly allergens: readonly string[];
  readonly diets: Diets | undefined;
  /** As served, mPa·s. */
  readonly bodyMPas: number;
  readonly minutes: number;
  /** What its ingredients are called, here and elsewhere. */
  readonly names: readonly string[];
}

/** Stoneware: a soup that can't be cooked has no colour of its own. */
export const NO_COLOUR = '#d9cdb7';

/** A soup as written, in the smallest pot that holds it, as a shelf shows it; what can't be worked out is left empty. */
export function shelfFactsOf(soup: Soup, rows: readonly IngredientRow[], kit: Kit | undefined): ShelfFacts {
  const planned = kit === undefined ? undefined : writtenPlan(soup, rows, kit);
  const figures = planned === undefined ? undefined : figuresOf(planned.prepared, planned.run);
  const last = planned?.run.records.at(-1);
  const facts = figures?.facts;
  const byId = new Map(rows.map((row) => [row.id, row]));
  return {
    colour: last === undefined ? NO_COLOUR : colourOf(tintIn(contents(last.step.op === 'dish' ? last.before : last.pot))),
    creamShare: facts === undefined ? 0 : facts.creamG / facts.massG,
    allergens: facts?.allergens ?? [],
    diets: facts?.diets,
    bodyMPas: figures?.bodyMPas ?? 0,
    minutes: figures?.minutes ?? 0,
    names: soup.lines.map(({ ingredient }) => {
      const row = byId.get(ingredient);
      return row === undefined ? ingredient : [row.name, row.us, row.au, row.group].filter((name) => name !== undefined).join(' ');
    }),
  };
}
