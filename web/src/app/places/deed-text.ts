import type { Deed } from '@tureen/core/batch';
import { stepName, type NameOf } from '@tureen/core/messages';
import { walk, type Soup } from '@tureen/core/soup';
import { showVolume, type UnitSystem } from '@tureen/core/units';
import { depth, mass } from './figures';
import { bodyRead, SIDES } from './tasted';

/** What a share of the bowls is called; undefined where the soup has none of that id. */
export function shareName(share: string | undefined, soup: Soup): string | undefined {
  const dish = walk(soup.root).find(({ step }) => step.op === 'dish')?.step;
  return dish?.op === 'dish' ? dish.shares?.find(({ id }) => id === share)?.name : undefined;
}

/** One line of a batch's record: what was done, in words, with its amount. */
export function deedText(deed: Deed, soup: Soup, nameOf: NameOf, units: UnitSystem): string {
  const steps = new Map(walk(soup.root).map(({ step }) => [step.id, step]));
  const named = (id: string): string => {
    const step = steps.get(id);
    return step === undefined ? id : stepName(step, nameOf);
  };
  switch (deed.kind) {
    case 'started':
      return `${named(deed.stepId)}: timer started`;
    case 'done':
      return `${named(deed.stepId)}: done${deed.minutes === undefined ? '' : `, ${String(deed.minutes)} min`}`;
    case 'poured': {
      const { digits, unit } = showVolume(deed.volumeM3, units);
      return `${digits} ${unit} of ${nameOf(deed.line)} poured (${deed.vessel.toLowerCase()})`;
    }
    case 'added':
      return `${mass(deed.kg, units)} of ${nameOf(deed.line)} added`;
    case 'weighed':
      return `weighed ${mass(deed.grossKg, units)}, ${deed.tareKg === 0 ? 'scale tared' : `tare ${mass(deed.tareKg, units)}`}`;
    case 'dipped':
      return `dip: ${depth(deed.belowRimM, units)} below the rim`;
    case 'skipped':
      return `${named(deed.stepId)}: skipped${deed.why === undefined ? '' : `, ${deed.why}`}`;
    case 'timed':
      return `timer ${deed.name}: ${String(deed.minutes)} min`;
    case 'longer':
      return `timer ${deed.timer}: ${deed.minutes > 0 ? '+' : ''}${String(deed.minutes)} min`;
    case 'silenced':
      return `timer ${deed.timer} heard`;
    case 'body':
      return `body by ${deed.reading.device}: ${bodyRead(deed.reading)}`;
    case 'temperature':
      return `${deed.tempC.toFixed(0)} °C read`;
    case 'tasted':
      return `${deed.taste} tasted: ${SIDES[deed.side + 2] ?? ''}${deed.taster === undefined ? '' : `, by ${deed.taster}`}`;
    case 'swapped':
      return `${deed.row.name} in the place of ${nameOf(deed.line)}`;
    case 'brought':
      return `${mass(deed.kg, units)} of ${deed.row.name} brought in, not planned`;
    case 'left out':
      return `${nameOf(deed.line)} left out`;
    case 'salt':
      return `salt by meter: ${deed.saltPct.toFixed(2)} %`;
    case 'cup':
      return `cup of ${mass(deed.cupKg, units)} tried with ${mass(deed.doseKg, units)} of ${nameOf(deed.line)}`;
    case 'jugged':
      return `jug filled to ${(deed.fillShare * 100).toFixed(0)} % at ${deed.tempC.toFixed(0)} °C${deed.read ? ', the caution was read' : ''}`;
    case 'sieved':
      return `${mass(deed.lostKg, units)} stayed in the sieve`;
    case 'gave back':
      return `${(deed.share * 100).toFixed(0)} % of the ${nameOf(deed.line)} given back`;
    case 'held':
      return `held ${deed.minutes.toFixed(0)} min at ${deed.atC.toFixed(0)} °C, lid ${deed.lid}${deed.topUp === undefined ? '' : `, topped up with ${nameOf(deed.topUp)}`}`;
    case 'ladled out':
      return `${mass(deed.kg, units)} ladled out: ${deed.as}`;
    case 'refilled':
      return `${mass(deed.kg, units)} from a second pot, ${deed.tempC.toFixed(0)} °C`;
    case 'stored':
      return `${mass(deed.kg, units)} left over, to be cooled and kept`;
    case 'dished': {
      const share = shareName(deed.share, soup);
      const sitting = deed.sitting === undefined || deed.sitting === 1 ? '' : `, sitting ${String(deed.sitting)}`;
      return `${String(deed.bowls)} bowls counted${share === undefined ? '' : `, ${share}`}${sitting}`;
    }
    case 'note':
      return `${deed.text}${deed.photo === undefined ? '' : ' (photo)'}`;
    case 'closed':
      return 'batch closed';
    case 'undone':
      return 'taken back';
  }
}
