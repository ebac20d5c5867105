import { COMPONENTS } from './mix.js';
import type { IngredientRow } from './ingredient.js';

/** What looks wrong with a row although its schema lets it pass, with the figures to say it with. */
export type RowProblem = { readonly id: string } & (
  | { readonly code: 'SUM_IS_OFF'; readonly sumG: number }
  | { readonly code: 'SODIUM_TOO_HIGH'; readonly sodiumMg: number; readonly ashG: number }
  | { readonly code: 'CUP_AGAINST_DENSITY'; readonly cupG: number; readonly byDensityG: number }
  | { readonly code: 'SPOONS_DISAGREE'; readonly tspG: number; readonly tbspG: number }
  | { readonly code: 'RANGE_UPSIDE_DOWN'; readonly low: number; readonly high: number }
  | { readonly code: 'CEREAL_WITHOUT_GLUTEN' }
  | { readonly code: 'ORIGIN_AGAINST_ALLERGENS'; readonly origin: string }
  | { readonly code: 'VARIETY_UNKNOWN'; readonly of: string }
  | { readonly code: 'SAME_ID' }
);

/** Public tables close within this, g per 100 g. */
const SUM_WITHIN_G = 1;
const CUP_ML = 236.588;
const SPOONS_IN_ONE = 3;

function problemsOf(row: IngredientRow): RowProblem[] {
  const { id, composition: c } = row;
  const problems: RowProblem[] = [];
  const sumG = COMPONENTS.reduce((sum, name) => sum + c[name], c.other);
  if (!(Math.abs(sumG - 100) <= SUM_WITHIN_G)) problems.push({ id, code: 'SUM_IS_OFF', sumG });
  // All of a food's own minerals are in its ash; sodium can be no more than half of it unless salt was forgotten.
  if (c.sodiumMg / 1000 > c.ash * 0.5 + 0.05) problems.push({ id, code: 'SODIUM_TOO_HIGH', sodiumMg: c.sodiumMg, ashG: c.ash });
  const cupG = row.cups?.liquid;
  if (cupG !== undefined && row.densityKgM3 !== undefined) {
    const byDensityG = (row.densityKgM3 * CUP_ML) / 1000;
    if (Math.abs(cupG / byDensityG - 1) > 0.05) problems.push({ id, code: 'CUP_AGAINST_DENSITY', cupG, byDensityG });
  }
  const { tsp, tbsp } = row.spoons ?? {};
  if (tsp !== undefined && tbsp !== undefined && Math.abs(tbsp / tsp / SPOONS_IN_ONE - 1) > 0.25) {
    problems.push({ id, code: 'SPOONS_DISAGREE', tspG: tsp, tbspG: tbsp });
  }
  if (row.scoville !== undefined && row.scoville.low > row.scoville.high) {
    problems.push({ id, code: 'RANGE_UPSIDE_DOWN', ...row.scoville });
  }
  if (row.cereal !== undefined && !row.allergens.includes('gluten')) problems.push({ id, code: 'CEREAL_WITHOUT_GLUTEN' });
  const says = (allergen: IngredientRow['allergens'][number]): boolean => row.allergens.includes(allergen);
  if ((row.origin === 'dairy' && !says('milk')) || (row.origin === 'egg' && !says('egg'))) {
    problems.push({ id, code: 'ORIGIN_AGAINST_ALLERGENS', origin: row.origin });
  }
  return problems;
}

/** Plausibility of rows among each other and one by one; empty when nothing looks wrong. */
export function checkRows(rows: readonly IngredientRow[]): RowProblem[] {
  const ids = new Set<string>();
  const twice = rows.flatMap(({ id }): RowProblem[] => {
    const again = ids.has(id);
    ids.add(id);
    return again ? [{ id, code: 'SAME_ID' }] : [];
  });
  const unknownVarieties = rows.flatMap(({ id, varietyOf }): RowProblem[] =>
    varietyOf !== undefined && !ids.has(varietyOf) ? [{ id, code: 'VARIETY_UNKNOWN', of: varietyOf }] : [],
  );
  return [...twice, ...unknownVarieties, ...rows.flatMap(problemsOf)];
}
