import type { CoolingRule, CoolingStage, IceWay, Minutes, SplitPlan, StageOutlook } from '../cold/index.js';
import { showMinutes } from '../units/index.js';

/** A temperature to a tenth of a degree. */
export const degrees = (c: number): string => `${String(Math.round(c * 10) / 10)} °C`;
const millimetres = (m: number): string => `${String(Math.round(m * 1000))} mm`;
const kilos = (kg: number): string => `${String(Number(kg.toFixed(kg < 100 ? 1 : 0)))} kg`;

/** "57 to 21 °C within 2 h" */
export function stageWords({ fromC, toC, withinMin }: CoolingStage): string {
  return fromC === undefined
    ? `to ${degrees(toC)} within ${showMinutes(withinMin)} of portioning`
    : `${String(fromC)} to ${degrees(toC)} within ${showMinutes(withinMin)}`;
}

/** How a stage looks: when it is met and in how many of ten cases it has how much to spare. */
export function outlookWords({ stage, minutes, nineInTenMin, spareMin }: StageOutlook): string {
  const head = stage.fromC === undefined ? `to ${degrees(stage.toC)}` : `${String(stage.fromC)} to ${degrees(stage.toC)}`;
  if (minutes === undefined || nineInTenMin === undefined) return `${head}: not within a day`;
  const time = `${head} in ${showMinutes(minutes)}, nine of ten within ${showMinutes(nineInTenMin)}`;
  return spareMin >= 0 ? `${time}: ${showMinutes(spareMin)} to spare` : `${time}: ${showMinutes(-spareMin)} too slow`;
}

/** "3 × wide shallow pan, 6.0 kg each, 34 mm deep, in the blast chiller" */
export function splitWords({ pans, depthM, place, isStirred, iceKg }: SplitPlan): string {
  const parts = pans.map(
    ({ pan, count, kgEach }) => `${String(count)} × ${pan.name.toLowerCase()}, ${kilos(kgEach)}${count > 1 ? ' each' : ''}`,
  );
  return `${parts.join(' and ')}, ${placeWords({ depthM, place, isStirred, iceKg })}`;
}

/** "takes 0.9 m² of shelf and 12 min of somebody's hands" */
export function takesWords({ shelfM2, handsMin }: Pick<SplitPlan, 'shelfM2' | 'handsMin'>): string {
  return `takes ${shelfM2.toFixed(1)} m² of shelf and ${showMinutes(handsMin)} of somebody’s hands`;
}

/** "34 mm deep: blast chiller, not stirred" */
export function placeWords({
  depthM,
  place,
  isStirred,
  iceKg,
}: Pick<SplitPlan, 'depthM' | 'place' | 'isStirred' | 'iceKg'>): string {
  const ice = iceKg > 0 ? `, with ${kilos(iceKg)} of ice` : '';
  const how = isStirred ? 'stirred every few minutes' : 'not stirred';
  return `${millimetres(depthM)} deep: ${place.name.toLowerCase()}${ice}, ${how}`;
}

/** "1 h 39 min, between 1 h 6 min and 2 h 29 min in nine of ten" */
export function minutesWords({ middle, most: [low, high] }: Minutes): string {
  return `${showMinutes(middle)}, between ${showMinutes(low)} and ${showMinutes(high)} in nine of ten`;
}

/** What ice in place of liquid would do where no way meets the rule. */
export function iceWayWords({ iceKg, startC, split }: IceWay, kg: number): string {
  const [plan] = split.plans;
  const then = plan === undefined ? '' : `, and ${splitWords(plan)} meets it`;
  return `With ${kilos(iceKg)} of its ${kilos(kg)} held back when it is let down, and stirred in as ice, it stands at ${degrees(Math.round(startC))} at once${then}. What has its liquid already only gets thinner by ice.`;
}

/** A rule with its source, and that local law comes first. */
export function ruleSentence({ stages, source }: CoolingRule): string {
  return `${stages.map(stageWords).join(', ')} (${source}). Local food law comes first.`;
}
