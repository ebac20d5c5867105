import type { SoupProblem } from '../soup/index.js';

/** One sentence a problem of a soup: what is wrong and what to do. */
export function problemSentence(problem: SoupProblem | { code: 'UNKNOWN_POT'; potId: string }): string {
  switch (problem.code) {
    case 'UNKNOWN_INGREDIENT':
      return `The larder has no "${problem.ingredient}". Use the id of an ingredient in the larder.`;
    case 'UNKNOWN_WAY':
      return `"${problem.way}" is not a way to trim this. It can be: ${problem.known.join(', ')}.`;
    case 'UNKNOWN_LINE':
      return `A step asks for the line "${problem.line}", which the soup does not have. Add the line or take it out of the step.`;
    case 'LINE_NOT_USED':
      return `No step uses the line "${problem.line}". Put it in a step or take it out.`;
    case 'SHARES_PASS_ONE':
      return `The shares of "${problem.line}" add up to ${problem.sum.toFixed(2)}. Make them one or less.`;
    case 'SAME_ID':
      return `Two things are called "${problem.id}". Give one of them another id.`;
    case 'STEP_MUST_SETTLE':
      return `The amount of "${problem.line}" is left to a step, and no step settles it. Add one or write an amount.`;
    case 'TRIM_WITHOUT_BOARD':
      return `"${problem.line}" says how it is trimmed but no trim step takes it. Add it to a trim step or leave the way out.`;
    case 'UNKNOWN_CARD':
      return `There is no card "${problem.card}" in this soup. It has: ${problem.known.join(', ') || 'none'}.`;
    case 'CARD_CIRCLE':
      return `Cards go in a circle: ${problem.circle.join(' needs ')}. Take one of them out.`;
    case 'CARD_MAKES_NOTHING':
      return `The card "${problem.card}" comes to nothing. Look at its steps.`;
    case 'NOTHING_TO_GIVE_BACK':
      return `"${problem.line}" was never taken out to be kept. Set keep on a takeOut step before this one.`;
    case 'NO_DISH':
      return 'The last step must be dish.';
    case 'NO_TRAYS':
      return 'This soup roasts and the kit has no trays. Add a tray to the kit.';
    case 'NO_BLENDER':
      return `The kit has no ${problem.blender} blender. Add one or choose another in the blend step.`;
    case 'UNIT_DOES_NOT_FIT':
      return `${problem.ingredient} cannot be measured in "${problem.unit}". It can be in ${problem.fits.join(', ')}.`;
    case 'SIZE_UNKNOWN':
      return `${problem.ingredient} has no size "${problem.size}". It has ${problem.known.join(', ')}.`;
    case 'UNKNOWN_POT':
      return `The kit has no pot "${problem.potId}". Choose one of the kit's pots.`;
  }
}
