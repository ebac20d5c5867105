import { stepName } from '@tureen/core/messages';
import { degrees, showDegrees, type UnitSystem } from '@tureen/core/units';
import type { BatchView } from '../../cooking/batch-view';
import { mass } from '../figures';

/** A change smaller than these is not worth a word. */
const KG = 0.005;
const PCT = 0.005;
const BODY_SHARE = 0.02;
const BOWLS = 0.5;

function vessel(view: BatchView): BatchView['pot'] {
  return view.fronts[0]?.pot ?? view.pot;
}

/** What an entry changed, as one line: "pot 12.1 → 13.1 kg · salt 0.61 → 0.58 %"; empty where nothing that shows. */
export function effectBetween(was: BatchView, is: BatchView, units: UnitSystem): string {
  const parts: string[] = [];
  const step = is.fronts[0]?.step;
  const at = ({ steps }: BatchView, id: string | undefined): number => steps.findIndex(({ stepId }) => stepId === id);
  if (step !== undefined && at(is, step.id) < at(was, was.fronts[0]?.step.id)) {
    const names = new Map(is.names);
    parts.push(`back to ${stepName(step, (id) => names.get(id) ?? id)}`);
  }
  const [a, b] = [vessel(was), vessel(is)];
  if (Math.abs(b.massKg - a.massKg) > KG) parts.push(`pot ${mass(a.massKg, units)} → ${mass(b.massKg, units)}`);
  if (Math.abs(is.saltPct - was.saltPct) > PCT) parts.push(`salt ${was.saltPct.toFixed(2)} → ${is.saltPct.toFixed(2)} %`);
  const [from, to] = [was.body?.nowMPas ?? 0, is.body?.nowMPas ?? 0];
  // In pieces there is no body yet that a pour could change.
  if (is.body?.tooEarly === false && from > 0 && to > 0 && Math.abs(Math.log(to / from)) > BODY_SHARE) {
    parts.push(`body ${from.toFixed(0)} → ${to.toFixed(0)} mPa·s`);
  }
  // What reads the same before and after has not changed.
  const [cooler, hotter] = [showDegrees(a.tempC, units).digits, degrees(b.tempC, units)];
  if (degrees(a.tempC, units) !== hotter) parts.push(`${cooler} → ${hotter}`);
  const bowls = is.forecast.bowls - was.forecast.bowls;
  if (Math.abs(bowls) > BOWLS) parts.push(`bowls ${was.forecast.bowls.toFixed(0)} → ${is.forecast.bowls.toFixed(0)}`);
  const [counted, now] = [was.dishedBowls ?? 0, is.dishedBowls ?? 0];
  if (counted !== now) parts.push(`counted ${counted.toFixed(0)} → ${now.toFixed(0)}`);
  return parts.join(' · ');
}
