import { problemSentence } from './problems.js';
import { showVolume } from '../units/index.js';
import type { PlanError } from '../plan/index.js';
import type { Anchor, Contradiction } from '../solve/index.js';

function litres(m3: number): string {
  const { digits, unit } = showVolume(m3, 'metric');
  return `${digits} ${unit}`;
}

const ANCHORS: Readonly<Record<Anchor['by'], string>> = {
  bowls: 'bowls',
  kg: 'kg',
  litres: 'L',
  carton: 'kg from cartons',
  'on hand': 'kg of what is on hand',
  pot: 'm³ in the pot',
  trays: 'trays',
  jugs: 'jugs',
};

function contradictionSentence(contradictions: readonly Contradiction[]): string {
  const told = contradictions.map(
    ({ second, wouldBe, asked }) => `${wouldBe.toPrecision(3)} instead of ${asked.toPrecision(3)} ${ANCHORS[second.by]}`,
  );
  return `These can’t be met together: the first would come to ${told.join(' and ')}. Drop one of them.`;
}

/** Why a plan can't be made, in one sentence; the buttons beside it say what would. */
export function planErrorSentence(error: PlanError): string {
  switch (error.code) {
    case 'DOES_NOT_FIT':
      return `Too much for this pot: ${litres(error.peakM3)} at its fullest, ${litres(error.overM3)} more than may boil in it.`;
    case 'ANCHORS_CONTRADICT':
      return contradictionSentence(error.contradictions);
    case 'TOO_FEW_FOR_POT':
      return `Too few for this pot: it is so wide that it takes at least ${String(error.leastBowls)} bowls.`;
    case 'SOUP_HAS_PROBLEMS':
      return 'This soup can’t be made on this kit. Look at its card.';
    case 'NO_ANSWER':
      return 'No amount of this soup gives that many bowls: something boils away.';
  }
}

/** The same for those who have no buttons: what is wrong and what would do instead. */
export function planSentence(error: PlanError): string {
  switch (error.code) {
    case 'DOES_NOT_FIT': {
      const pots = error.pots.map(({ name, bowls }) => `${name} (up to ${String(bowls)} bowls)`).join(' or ');
      const instead = pots === '' ? '' : `, or take the ${pots}`;
      return `That is ${litres(error.overM3)} more than this pot may boil (${litres(error.usableM3)}). Make ${String(error.bowlsThatFit)} bowls${instead}.`;
    }
    case 'ANCHORS_CONTRADICT':
      return contradictionSentence(error.contradictions);
    case 'TOO_FEW_FOR_POT':
      return `This pot is too wide for so few: it takes at least ${String(error.leastBowls)} bowls. Ask for more or take a narrower pot.`;
    case 'SOUP_HAS_PROBLEMS':
      return error.problems.map(problemSentence).join(' ');
    case 'NO_ANSWER':
      return 'No amount of this soup gives that many bowls. Look at its steps: something may boil away.';
  }
}
