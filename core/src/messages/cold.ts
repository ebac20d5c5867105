import type { CoolingRule, CoolingStage, IceWay, Minutes, SplitPlan, StageOutlook } from '../cold/index.js';
import { degrees, UNITS, showDegrees, showMass, showMinutes, type UnitSystem } from '../units/index.js';

/** A depth as a ruler in the kitchen shows it. */
const depth = (m: number, units: UnitSystem): string =>
  units === 'us' ? `${String(Number((m / UNITS.in.si).toFixed(1)))} in` : `${String(Math.round(m * 1000))} mm`;
/** Masses of pans and ice, where a tenth of a kilo is fine enough. */
function roundMass(kg: number, units: UnitSystem): string {
  if (units === 'metric') return `${String(Number(kg.toFixed(kg < 100 ? 1 : 0)))} kg`;
  const { digits, unit } = showMass(kg, units);
  return `${unit === 'lb' ? String(Number(Number(digits).toFixed(1))) : digits} ${unit}`;
}

/** "57 to 21 °C" */
function fall(fromC: number, toC: number, units: UnitSystem): string {
  return `${showDegrees(fromC, units).digits} to ${degrees(toC, units)}`;
}

/** "57 to 21 °C within 2 h" */
export function stageWords({ fromC, toC, withinMin }: CoolingStage, units: UnitSystem): string {
  return fromC === undefined
    ? `to ${degrees(toC, units)} within ${showMinutes(withinMin)} of portioning`
    : `${fall(fromC, toC, units)} within ${showMinutes(withinMin)}`;
}

/** How a stage looks: when it is met and in how many of ten cases it has how much to spare. */
export function outlookWords({ stage, minutes, nineInTenMin, spareMin }: StageOutlook, units: UnitSystem): string {
  const head = stage.fromC === undefined ? `to ${degrees(stage.toC, units)}` : fall(stage.fromC, stage.toC, units);
  if (minutes === undefined || nineInTenMin === undefined) return `${head}: not within a day`;
  const time = `${head} in ${showMinutes(minutes)}, nine of ten within ${showMinutes(nineInTenMin)}`;
  return spareMin >= 0 ? `${time}: ${showMinutes(spareMin)} to spare` : `${time}: ${showMinutes(-spareMin)} too slow`;
}

/** "3 × wide shallow pan, 6.0 kg each, 34 mm deep, in the blast chiller" */
export function splitWords({ pans, depthM, place, isStirred, iceKg }: SplitPlan, units: UnitSystem): string {
  const parts = pans.map(
    ({ pan, count, kgEach }) =>
      `${String(count)} × ${pan.name.toLowerCase()}, ${roundMass(kgEach, units)}${count > 1 ? ' each' : ''}`,
  );
  return `${parts.join(' and ')}, ${placeWords({ depthM, place, isStirred, iceKg }, units)}`;
}

/** "takes 0.9 m² of shelf and 12 min of somebody's hands" */
export function takesWords({ shelfM2, handsMin }: Pick<SplitPlan, 'shelfM2' | 'handsMin'>): string {
  return `takes ${shelfM2.toFixed(1)} m² of shelf and ${showMinutes(handsMin)} of somebody’s hands`;
}

/** "34 mm deep: blast chiller, not stirred" */
export function placeWords(
  { depthM, place, isStirred, iceKg }: Pick<SplitPlan, 'depthM' | 'place' | 'isStirred' | 'iceKg'>,
  units: UnitSystem,
): string {
  const ice = iceKg > 0 ? `, with ${roundMass(iceKg, units)} of ice` : '';
  const how = isStirred ? 'stirred every few minutes' : 'not stirred';
  return `${depth(depthM, units)} deep: ${place.name.toLowerCase()}${ice}, ${how}`;
}

/** "1 h 39 min, between 1 h 6 min and 2 h 29 min in nine of ten" */
export function minutesWords({ middle, most: [low, high] }: Minutes): string {
  return `${showMinutes(middle)}, between ${showMinutes(low)} and ${showMinutes(high)} in nine of ten`;
}

/** What ice in place of liquid would do where no way meets the rule. */
export function iceWayWords({ iceKg, startC, split }: IceWay, kg: number, units: UnitSystem): string {
  const [plan] = split.plans;
  const then = plan === undefined ? '' : `, and ${splitWords(plan, units)} meets it`;
  return `With ${roundMass(iceKg, units)} of its ${roundMass(kg, units)} held back when it is let down, and stirred in as ice, it stands at ${degrees(startC, units)} at once${then}. What has its liquid already only gets thinner by ice.`;
}

/** A rule with its source, and that local law comes first. */
export function ruleSentence({ stages, source }: CoolingRule, units: UnitSystem): string {
  return `${stages.map((stage) => stageWords(stage, units)).join(', ')} (${source}). Local food law comes first.`;
}
