import type { WriteBack } from '@tureen/core/batch';
import { bodyWord } from '@tureen/core/body';
import type { Kit } from '@tureen/core/kit';
import { stepName, type NameOf } from '@tureen/core/messages';
import { walk, type Soup } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { mass } from '../figures';

/** One difference from the card, as the cook who may take it over reads it. */
export function writeBackWords(item: WriteBack, soup: Soup, nameOf: NameOf, units: Kit['units']): string {
  const kg = (value: number): string => mass(value, units);
  const step = (id: string): string => {
    const found = walk(soup.root).find((one) => one.step.id === id)?.step;
    return found === undefined ? id : stepName(found, nameOf);
  };
  switch (item.what) {
    case 'amount':
      return `${nameOf(item.line)}: ${kg(item.is)} instead of ${kg(item.was)}`;
    case 'poured':
      return `${nameOf(item.line)}: ${kg(item.is)} by weight, instead of to cover (${kg(item.was)})`;
    case 'swapped':
      return `${nameOf(item.line)} in its line for good`;
    case 'brought':
      return `${nameOf(item.line)}: ${kg(item.kg)}, new`;
    case 'left out':
      return `without ${nameOf(item.line)}`;
    case 'right body':
      return `this body is right: ${bodyWord(item.is)}, ${item.is.toFixed(0)} mPa·s in the bowl`;
    case 'skipped':
      return `without the step ${step(item.stepId)}`;
    case 'minutes':
      return `${step(item.stepId)}: ${showMinutes(item.is)} instead of ${showMinutes(item.was)}`;
    case 'salt':
      return `salt ${item.is.toFixed(2)} % instead of ${item.was.toFixed(2)} %`;
    case 'cream':
      return `cream ${item.is.toFixed(1)} % instead of ${item.was.toFixed(1)} %`;
    case 'body':
      return `body ${item.is.toFixed(0)} mPa·s instead of ${item.was.toFixed(0)}`;
  }
}
