import {
  COOLING_RULES,
  USUAL_MIX,
  USUAL_PANS,
  USUAL_PLACES,
  coolingCurve,
  minutesTo,
  splitPlans,
  stuffOf,
  type SplitPlan,
} from '@tureen/core/cold';
import type { Kit } from '@tureen/core/kit';
import { outlookWords, ruleSentence, splitWords } from '@tureen/core/messages';

/** What is asked of a leftover: how much, how hot, by which rule. */
export interface CoolingQuestion {
  readonly kg: number;
  readonly startC: number;
  readonly ruleId: string;
}

export interface CurvePoint {
  readonly x: number;
  readonly y: number;
}

/** One way to cool it, ready to be shown. Hours from now, °C. */
export interface CoolingWay {
  readonly words: string;
  readonly panCount: number;
  readonly isStirred: boolean;
  readonly shelfM2: number;
  readonly stages: readonly { readonly words: string; readonly isMet: boolean }[];
  readonly middle: readonly CurvePoint[];
  readonly slow: readonly CurvePoint[];
  readonly fast: readonly CurvePoint[];
  /** The rule as a line that the curve has to stay under at its ends. */
  readonly rule: readonly CurvePoint[];
}

export interface CoolingAnswer {
  readonly isMet: boolean;
  readonly ruleWords: string;
  readonly missed: string;
  readonly ways: readonly CoolingWay[];
  /** How shallow it would have to lie where no way meets the rule, mm. */
  readonly deepestMm: number | undefined;
}

const HOUR_MIN = 60;
const EVERY_MIN = 5;
/** A curve is drawn a little past its last mark. */
const PAST = 1.15;
const EDGE_PER_M = 10;

function wayOf(plan: SplitPlan, { startC }: CoolingQuestion): CoolingWay {
  const { depthM, place, isStirred, outlook } = plan;
  const stuff = stuffOf(USUAL_MIX, 1);
  const pan = { stuff, depthM, startC, place, isStirred, edgePerM: EDGE_PER_M };
  const last = Math.max(...outlook.stages.map(({ nineInTenMin = 0, stage }) => Math.max(nineInTenMin, stage.withinMin)));
  const curve = coolingCurve(pan, Math.ceil(last * PAST));
  const first = outlook.stages[0];
  const spread = first?.minutes === undefined || first.minutes <= 0 ? 1 : (first.nineInTenMin ?? first.minutes) / first.minutes;
  const along = (factor: number): CurvePoint[] =>
    [...curve.warmestC.keys()]
      .filter((minute) => minute % EVERY_MIN === 0)
      .map((minute) => ({ x: (minute * factor) / HOUR_MIN, y: curve.warmestC[minute] ?? startC }));
  const rule = outlook.stages.flatMap(({ stage: { fromC, toC, withinMin } }, n): CurvePoint[] => {
    const from = fromC === undefined ? 0 : (minutesTo(curve, fromC) ?? 0);
    const end = { x: (from + withinMin) / HOUR_MIN, y: toC };
    return n === 0 ? [{ x: from / HOUR_MIN, y: fromC ?? startC }, end] : [end];
  });
  return {
    words: splitWords(plan),
    panCount: plan.panCount,
    isStirred,
    shelfM2: plan.shelfM2,
    stages: outlook.stages.map((stage) => ({ words: outlookWords(stage), isMet: stage.spareMin >= 0 })),
    middle: along(1),
    slow: along(spread),
    fast: along(1 / spread),
    rule,
  };
}

/** The ways to cool a leftover by this kitchen's pans and places. */
export function coolingAnswer(
  question: CoolingQuestion,
  kit: Pick<Kit, 'pans' | 'coldPlaces'> | undefined,
): CoolingAnswer | undefined {
  const rule = COOLING_RULES.find(({ id }) => id === question.ruleId);
  if (rule === undefined || !(question.kg > 0)) return undefined;
  const places = kit?.coldPlaces ?? USUAL_PLACES.filter(({ id }) => id !== 'kitchen');
  const split = splitPlans({
    kg: question.kg,
    startC: question.startC,
    stuff: stuffOf(USUAL_MIX, 1),
    pans: kit?.pans ?? USUAL_PANS,
    places,
    rule,
  });
  const plans = split.ok ? split.plans : split.best === undefined ? [] : [split.best];
  return {
    isMet: split.ok,
    ruleWords: ruleSentence(rule),
    missed: rule.missed,
    ways: plans.map((plan) => wayOf(plan, question)),
    deepestMm: split.ok || split.depthM === undefined ? undefined : Math.floor(split.depthM * 1000),
  };
}
