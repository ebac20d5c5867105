import type { Action } from '@tureen/core/batch';
import { bodyWord } from '@tureen/core/body';
import { stepName, type NameOf } from '@tureen/core/messages';
import { walk, type Soup } from '@tureen/core/soup';
import { showVolume, type UnitSystem, degrees } from '@tureen/core/units';
import { depth, mass } from './figures';
import { bodyRead, SIDES } from './tasted';

/** What a share of the bowls is called; undefined where the soup has none of that id. */
export function shareName(share: string | undefined, soup: Soup): string | undefined {
  const dish = walk(soup.root).find(({ step }) => step.op === 'dish')?.step;
  return dish?.op === 'dish' ? dish.shares?.find(({ id }) => id === share)?.name : undefined;
}

/** Minutes as a cook says them: no clock at a stove knows more. */
function tenth(minutes: number): string {
  return String(Math.round(minutes * 10) / 10);
}

/** One line of a batch's record: what was done, in words, with its amount. */
export function actionText(action: Action, soup: Soup, nameOf: NameOf, units: UnitSystem): string {
  const steps = new Map(walk(soup.root).map(({ step }) => [step.id, step]));
  const named = (id: string): string => {
    const step = steps.get(id);
    return step === undefined ? id : stepName(step, nameOf);
  };
  switch (action.kind) {
    case 'started':
      return `${named(action.stepId)}: timer started`;
    case 'done':
      return `${named(action.stepId)}: done${action.minutes === undefined ? '' : `, ${tenth(action.minutes)} min`}`;
    case 'poured': {
      const { digits, unit } = showVolume(action.volumeM3, units);
      return `${digits} ${unit} of ${nameOf(action.line)} poured (${action.vessel.toLowerCase()})`;
    }
    case 'added':
      return `${mass(action.kg, units)} of ${nameOf(action.line)} added`;
    case 'weighed':
      return `weighed ${mass(action.grossKg, units)}, ${action.tareKg === 0 ? 'scale tared' : `tare ${mass(action.tareKg, units)}`}`;
    case 'dipped':
      return `dip: ${depth(action.belowRimM, units)} below the rim`;
    case 'skipped':
      return `${named(action.stepId)}: skipped${action.why === undefined ? '' : `, ${action.why}`}`;
    case 'timed':
      return `timer ${action.name}: ${tenth(action.minutes)} min`;
    case 'longer':
      return `timer ${action.timer}: ${action.minutes > 0 ? '+' : ''}${tenth(action.minutes)} min`;
    case 'silenced':
      return `timer ${action.timer} heard`;
    case 'body':
      return `body by ${action.reading.device}: ${bodyRead(action.reading)}`;
    case 'temperature':
      return `${degrees(action.tempC, units, 1)} read`;
    case 'tasted':
      return `${action.taste} tasted: ${SIDES[action.side + 2] ?? ''}${action.taster === undefined ? '' : `, by ${action.taster}`}`;
    case 'swapped':
      return `${action.row.name} in the place of ${nameOf(action.line)}`;
    case 'brought':
      return `${mass(action.kg, units)} of ${action.row.name} brought in, not planned`;
    case 'left out':
      return `${nameOf(action.line)} left out`;
    case 'salt':
      return `salt by meter: ${action.saltPct.toFixed(2)} %`;
    case 'cup':
      return `cup of ${mass(action.cupKg, units)} tried with ${mass(action.doseKg, units)} of ${nameOf(action.line)}`;
    case 'jugged':
      return `jug filled to ${(action.fillShare * 100).toFixed(0)} % at ${degrees(action.tempC, units)}${action.read ? ', the caution was read' : ''}`;
    case 'sieved':
      return `${mass(action.lostKg, units)} stayed in the sieve`;
    case 'gave back':
      return `${(action.share * 100).toFixed(0)} % of the ${nameOf(action.line)} given back`;
    case 'held':
      return `held ${action.minutes.toFixed(0)} min at ${degrees(action.atC, units)}, lid ${action.lid}${action.topUp === undefined ? '' : `, topped up with ${nameOf(action.topUp)}`}`;
    case 'ladled out':
      return `${mass(action.kg, units)} ladled out: ${action.as}`;
    case 'refilled':
      return `${mass(action.kg, units)} from a second pot, ${degrees(action.tempC, units)}`;
    case 'stored':
      return `${mass(action.kg, units)} left over, to be cooled and kept`;
    case 'dished': {
      const share = shareName(action.share, soup);
      const sitting = action.sitting === undefined || action.sitting === 1 ? '' : `, sitting ${String(action.sitting)}`;
      return `${String(action.bowls)} bowls counted${share === undefined ? '' : `, ${share}`}${sitting}`;
    }
    case 'wanted':
      return `wanted: a body that ${bodyWord(action.mPas)} (${action.mPas.toFixed(0)} mPa·s)`;
    case 'note':
      return `${action.text}${action.photo === undefined ? '' : ' (photo)'}`;
    case 'corrected': {
      const why = action.why === undefined ? '' : ` (${action.why})`;
      return `put right: ${actionText(action.to, soup, nameOf, units)}${why}`;
    }
    case 'closed':
      return 'batch closed';
    case 'undone':
      return 'taken back';
  }
}
