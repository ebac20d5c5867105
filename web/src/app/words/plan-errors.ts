import { showVolume } from '@tureen/core/units';
import type { PlanError } from '@tureen/core/plan';

function litres(m3: number): string {
  const { digits, unit } = showVolume(m3, 'metric');
  return `${digits} ${unit}`;
}

/** Why a plan can't be made, in one sentence; the buttons beside it say what would. */
export function planErrorSentence(error: PlanError): string {
  switch (error.code) {
    case 'DOES_NOT_FIT':
      return `Too much for this pot: ${litres(error.peakM3)} at its fullest, ${litres(error.overM3)} more than may boil in it.`;
    case 'TOO_FEW_FOR_POT':
      return `Too few for this pot: it is so wide that it takes at least ${String(error.leastBowls)} bowls.`;
    case 'SOUP_HAS_PROBLEMS':
      return 'This soup can’t be made on this kit. Look at its card.';
    case 'NO_ANSWER':
      return 'No amount of this soup gives that many bowls: something boils away.';
  }
}
