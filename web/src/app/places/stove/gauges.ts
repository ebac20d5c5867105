import type { UnitSystem } from '@tureen/core/units';
import type { BatchView } from '../../cooking/batch-view';
import type { Askable } from '@tureen/core/why';
import type { GaugeFigures } from '../../parts/gauge';
import { mass, type FactRow } from '../figures';

/** Half-width of the band that salt and cream are wanted in. Kitchen defaults. */
const SALT_BAND_PCT = 0.05;
const CREAM_BAND_SHARE = 0.1;
/** From here on the pot's own salt is told apart from the finished soup's. */
const METER_APART_PCT = 0.03;
const SALT_SHOWN_TO_PCT = 1.4;
/** Half of what a normal spread holds nine times in ten, in sd. */
export const NINETY = 1.645;
const CREAM_SHOWN_TO_SHARE = 1.4;

/** A gauge at the stove with what it can be asked why of. */
export interface StoveGauge extends GaugeFigures {
  readonly why: Askable;
}

/** The gauges that this soup needs, in the order of tasting; none for what it does not have. */
export function gaugesOf(view: BatchView, units: UnitSystem): StoveGauge[] {
  const gauges: StoveGauge[] = [];
  const target = view.salt?.wantedPct ?? view.saltTargetPct;
  if (target !== undefined) {
    // Of the finished soup, as every other figure of it: what a meter reads before the cream is in is another.
    const pct = view.salt?.nowPct ?? view.saltPct;
    const byMeter = Math.abs(pct - view.saltPct) < METER_APART_PCT ? '' : `; ${view.saltPct.toFixed(2)} % in the pot now`;
    gauges.push({
      name: 'Salt',
      why: 'salt',
      figure: `${pct.toFixed(2)} %`,
      wanted: `${target.toFixed(2)} % of the finished soup${byMeter}`,
      value: pct,
      low: target - SALT_BAND_PCT,
      high: target + SALT_BAND_PCT,
      most: SALT_SHOWN_TO_PCT,
      from: pct * Math.exp(-NINETY * view.saltSdLn),
      to: pct * Math.exp(NINETY * view.saltSdLn),
      ...(view.lastRead.saltPct === undefined ? {} : { read: view.lastRead.saltPct }),
    });
  }
  if (view.hasCream) {
    const wantedKg = view.creamKg + view.creamToGoKg;
    gauges.push({
      name: 'Cream',
      why: 'cream',
      figure: mass(view.creamKg, units),
      wanted: `${mass(view.creamToGoKg, units)} still wanted of ${mass(wantedKg, units)}`,
      value: view.creamKg,
      low: wantedKg * (1 - CREAM_BAND_SHARE),
      high: wantedKg * (1 + CREAM_BAND_SHARE),
      most: Math.max(wantedKg * CREAM_SHOWN_TO_SHARE, 0.01),
    });
  }
  return gauges;
}

/** What each bowl will carry as things stand. */
export function bowlRows(view: BatchView): FactRow[] {
  const { facts, bowls } = view.forecast;
  if (facts === undefined) return [];
  return [
    { name: 'bowls', value: `${bowls.toFixed(0)} of ${facts.massG.toFixed(0)} g` },
    { name: 'salt', value: `${facts.saltG.toFixed(1)} g` },
    { name: 'sodium', value: `${facts.sodiumMg.toFixed(0)} mg` },
    ...(view.hasCream ? [{ name: 'cream', value: `${facts.creamG.toFixed(0)} g` }] : []),
    { name: 'fat', value: `${facts.fatG.toFixed(1)} g` },
    { name: 'energy', value: `${facts.energyKcal.toFixed(0)} kcal` },
  ];
}
