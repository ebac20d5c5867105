import { showVolume } from '@tureen/core/units';
import type { PlanError } from '@tureen/core/plan';
import type { SoupProblem } from '@tureen/core/soup';
import type { Failure } from './failure.js';

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
      return `The amount of "${problem.line}" is left to a step, and no cover, season or cream step settles it. Add one or write an amount.`;
    case 'TRIM_WITHOUT_BOARD':
      return `"${problem.line}" says how it is trimmed but no trim step takes it. Add it to a trim step or leave the way out.`;
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

function litres(m3: number): string {
  const { digits, unit } = showVolume(m3, 'metric');
  return `${digits} ${unit}`;
}

export function planSentence(error: PlanError): string {
  switch (error.code) {
    case 'DOES_NOT_FIT': {
      const pots = error.pots.map(({ name, bowls }) => `${name} (up to ${String(bowls)} bowls)`).join(' or ');
      const instead = pots === '' ? '' : `, or take the ${pots}`;
      return `That is ${litres(error.overM3)} more than this pot may boil (${litres(error.usableM3)}). Make ${String(error.bowlsThatFit)} bowls${instead}.`;
    }
    case 'TOO_FEW_FOR_POT':
      return `This pot is too wide for so few: it takes at least ${String(error.leastBowls)} bowls. Ask for more or take a narrower pot.`;
    case 'SOUP_HAS_PROBLEMS':
      return error.problems.map(problemSentence).join(' ');
    case 'NO_ANSWER':
      return 'No amount of this soup gives that many bowls. Look at its steps: something may boil away.';
  }
}

export function sentence(failure: Failure): string {
  switch (failure.code) {
    case 'BAD_JSON':
      return 'This is not JSON. Nothing was changed; check the file and send it again.';
    case 'BAD_INPUT':
      return `${failure.field === '' ? 'The request' : `"${failure.field}"`} can't be used: ${failure.why}. Nothing was changed.`;
    case 'TOO_LARGE':
      return `That is more than ${String(failure.mostBytes / 1_048_576)} MB. Nothing was changed; send less at once.`;
    case 'FOREIGN_HOST':
      return 'This server answers on this machine only. Open it as localhost.';
    case 'NO_SUCH_PATH':
      return 'There is nothing at this address.';
    case 'NO_KITCHEN':
      return 'No kitchen is set up yet. Choose one on the Shelf first.';
    case 'NO_SUCH_SOUP':
      return 'There is no such soup, or no such version of it. Go back to the Shelf.';
    case 'NO_SUCH_PLAN':
      return 'There is no such plan. Make it again from the soup.';
    case 'NO_SUCH_BATCH':
      return 'There is no such batch. The Ledger has all that were started.';
    case 'SOUP_CHANGED_SINCE':
      return `Somebody saved version ${String(failure.version)} meanwhile. Nothing was overwritten; look at it, then save again.`;
    case 'SOUP_PROBLEMS':
      return failure.problems.map((problem) => `${problem.path}: ${problemSentence(problem)}`).join(' ');
    case 'ID_TAKEN':
      return 'This id already stands for something else. Nothing was changed.';
    case 'PLAN_IMPOSSIBLE':
      return planSentence(failure.error);
    case 'SERVER_BUG':
      return 'The server made a mistake. What you entered is kept in this browser; try again.';
  }
}
