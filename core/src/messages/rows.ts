import type { RowProblem } from '../larder/index.js';

/** What looks wrong with an ingredient's figures, and what to look at. */
export function rowSentence(problem: RowProblem): string {
  switch (problem.code) {
    case 'SUM_IS_OFF':
      return `What 100 g are made of comes to ${problem.sumG.toFixed(1)} g. It has to be 100 g, within 1 g; water is usually what is off.`;
    case 'SODIUM_TOO_HIGH':
      return `${problem.sodiumMg.toFixed(0)} mg of sodium is more than ${problem.ashG.toFixed(1)} g of ash can hold. Sodium that comes from added salt belongs under salt.`;
    case 'CUP_AGAINST_DENSITY':
      return `A cup of ${problem.cupG.toFixed(0)} g and the density do not agree: by the density it is ${problem.byDensityG.toFixed(0)} g.`;
    case 'SPOONS_DISAGREE':
      return `A tablespoon of ${String(problem.tbspG)} g is not three teaspoons of ${String(problem.tspG)} g.`;
    case 'RANGE_UPSIDE_DOWN':
      return `The heat runs from ${String(problem.low)} to ${String(problem.high)}: the lower figure comes first.`;
    case 'CEREAL_WITHOUT_GLUTEN':
      return 'A cereal with gluten is named, so gluten has to be among the allergens.';
    case 'ORIGIN_AGAINST_ALLERGENS':
      return `It comes from ${problem.origin}, but its allergen is not named.`;
    case 'VARIETY_UNKNOWN':
      return `It is called a variety of ${problem.of}, which the larder does not have.`;
    case 'SAME_ID':
      return `There is an ingredient with the id ${problem.id} already.`;
  }
}
