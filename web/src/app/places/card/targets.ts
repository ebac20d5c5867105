import { SPOON_WORDS, bodyWord, grainWord } from '@tureen/core/body';
import { bodyByCard, walk, type Soup } from '@tureen/core/soup';
import type { Askable } from '@tureen/core/why';
import type { PlanView } from '../../cooking/views';
import { degrees, showDegrees, type UnitSystem } from '@tureen/core/units';

/** A gauge of a finished soup: the band wanted and where it stands, on the gauge's own scale. */
export interface TargetGauge {
  readonly name: string;
  readonly figure: string;
  readonly wanted: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly most: number;
  /** What it can be asked why of. */
  readonly why: Askable;
}

/** Salt is tasted to about this, % (kitchen default); hot soup goes out from 60 °C (kitchen default), cold soup below 8. */
const SALT_WITHIN = 0.05;
const HOT = { low: 60, high: 95, most: 105 } as const;
const COLD = { low: 0, high: 8, most: 105 } as const;
const BOWL_WITHIN_G = 10;
const GRAIN_MOST_MM = 3;

/** Body is felt in proportions, so its gauge goes by its logarithm, from water up. */
function bodyScale(mPas: number): number {
  return Math.max(0, Math.log10(Math.max(1, mPas)));
}

/**
 * The gauges of a soup, in the order of tasting: salt, body, grain, cream, then the bowl and how hot it goes out. What a
 * soup has no target for stands within what is usual; what it does not have (cream) has no gauge.
 */
export function targetsOf(
  soup: Soup,
  view: Pick<PlanView, 'figures' | 'grainM' | 'dishedC'>,
  units: UnitSystem,
): readonly TargetGauge[] {
  const steps = walk(soup.root).map(({ step }) => step);
  const { figures, grainM, dishedC } = view;
  const gauges: TargetGauge[] = [];
  const season = steps.findLast((step) => step.op === 'season');
  if (season?.op === 'season') {
    gauges.push({
      name: 'Salt',
      why: 'salt',
      figure: `${figures.saltPct.toFixed(2)} %`,
      wanted: `wanted ${season.saltPct.toFixed(2)} %`,
      value: figures.saltPct,
      low: season.saltPct - SALT_WITHIN,
      high: season.saltPct + SALT_WITHIN,
      most: 1.6,
    });
  }
  if (figures.bodyMPas > 0) {
    const to = bodyByCard(soup) ?? soup.rightMPas;
    const usual = [SPOON_WORDS[2].bodyMPas, SPOON_WORDS[4].bodyMPas];
    gauges.push({
      name: 'Body',
      why: 'body',
      figure: `${figures.bodyMPas.toFixed(0)} mPa·s, ${bodyWord(figures.bodyMPas)}`,
      wanted: to === undefined ? 'no target set; the band is what is usual' : `wanted ${to.toFixed(0)} mPa·s, ${bodyWord(to)}`,
      value: bodyScale(figures.bodyMPas),
      low: bodyScale(to === undefined ? Math.min(...usual) : to / 1.25),
      high: bodyScale(to === undefined ? Math.max(...usual) : to * 1.25),
      most: 4.3,
    });
  }
  if (grainM > 0) {
    const mm = grainM * 1000;
    gauges.push({
      name: 'Grain',
      why: 'grain',
      figure: `${mm.toFixed(mm < 1 ? 2 : 1)} mm, ${grainWord(grainM)}`,
      wanted: 'smooth is below 0.8 mm',
      value: Math.min(GRAIN_MOST_MM, mm),
      low: 0.05,
      high: 0.8,
      most: GRAIN_MOST_MM,
    });
  }
  const creamG = figures.facts?.creamG ?? 0;
  const cream = steps.findLast((step) => step.op === 'cream');
  if (creamG > 0 && cream?.op === 'cream') {
    const { target } = cream;
    const bowlG = soup.writtenFor.bowlG;
    const to = target.by === 'gPerBowl' ? target.value : target.by === 'pct' ? (target.value / 100) * bowlG : creamG;
    gauges.push({
      name: 'Cream',
      why: 'cream',
      figure: `${creamG.toFixed(0)} g a bowl`,
      wanted: target.by === 'written' ? 'as its line says' : `wanted ${to.toFixed(0)} g`,
      value: creamG,
      low: to * 0.93,
      high: to * 1.07,
      most: Math.max(60, to * 1.6),
    });
  }
  gauges.push({
    name: 'Bowl',
    why: 'yield',
    figure: `${(figures.facts?.massG ?? 0).toFixed(0)} g`,
    wanted: `wanted ${soup.writtenFor.bowlG.toFixed(0)} g`,
    value: figures.facts?.massG ?? 0,
    low: soup.writtenFor.bowlG - BOWL_WITHIN_G,
    high: soup.writtenFor.bowlG + BOWL_WITHIN_G,
    most: soup.writtenFor.bowlG * 1.6,
  });
  const warm = soup.served === 'hot' ? HOT : COLD;
  gauges.push({
    name: 'Into the bowl',
    why: 'heat',
    figure: degrees(dishedC, units),
    wanted: `wanted ${showDegrees(warm.low, units).digits} to ${degrees(warm.high, units)}`,
    value: Math.max(0, dishedC),
    ...warm,
  });
  return gauges;
}
