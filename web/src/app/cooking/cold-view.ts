import {
  EDGE_PER_M,
  USUAL_MIX,
  USUAL_PANS,
  USUAL_PLACES,
  coolingCurve,
  countsFrom,
  hindered,
  icedC,
  icedMix,
  iceThatWouldDo,
  panNow,
  rulesFor,
  splitPlans,
  stuffOf,
  type CoolingPlace,
  type CoolingReading,
  type CoolingRule,
  type CoolingStage,
  type Curve,
  type Hindrance,
  type Rescue,
  type SplitPlan,
  type StillPossible,
  type WatchedStage,
} from '@tureen/core/cold';
import type { Kit, OwnCoolingRule } from '@tureen/core/kit';
import { makeIngredient, type Mix } from '@tureen/core/larder';
import { coolingPlaceOf, type Container } from '@tureen/core/stock';
import { iceWayWords, outlookWords, placeWords, ruleSentence, splitWords, takesWords } from '@tureen/core/messages';
import type { UnitSystem } from '@tureen/core/units';

/** What is asked of a leftover: how much, how hot, by which rule. */
export interface CoolingQuestion {
  readonly kg: number;
  /** What a kilo of it is made of; a middling blended soup where that is not known. */
  readonly mix?: Mix | undefined;
  readonly startC: number;
  readonly ruleId: string;
  /** Of its liquid that is still to come, what is stirred in as ice, kg; the kilos are without it. */
  readonly iceKg?: number | undefined;
  /** How the pans will stand: what keeps the air from them. */
  readonly hindered?: readonly Hindrance[] | undefined;
}

export interface CurvePoint {
  readonly x: number;
  readonly y: number;
}

/** A cooling curve ready to be drawn, with nine in ten and the rule. Hours from its start, °C. */
export interface CurveView {
  readonly middle: readonly CurvePoint[];
  readonly slow: readonly CurvePoint[];
  readonly fast: readonly CurvePoint[];
  /** The rule as a line that the curve has to stay under at its ends. */
  readonly rule: readonly CurvePoint[];
  readonly readings: readonly CurvePoint[];
}

/** One way to cool it, ready to be shown. */
export interface CoolingWay {
  readonly words: string;
  /** How each of its pans stands. */
  readonly each: string;
  /** What a watch goes by. */
  readonly depthM: number;
  readonly placeId: string;
  /** Each pan that is filled: what it is called and how much goes in, kg. */
  readonly pans: readonly { readonly name: string; readonly kg: number }[];
  readonly isStirred: boolean;
  /** What shelf and hands it takes. */
  readonly takes: string;
  readonly stages: readonly { readonly words: string; readonly isMet: boolean }[];
  readonly curve: CurveView;
}

export interface CoolingAnswer {
  readonly isMet: boolean;
  readonly ruleWords: string;
  readonly missed: string;
  /** Where its rule ends, °C. */
  readonly coldC: number;
  readonly ways: readonly CoolingWay[];
  /** What it weighs and how hot it is once the ice has melted in it; undefined without ice. */
  readonly iced: { readonly kg: number; readonly startC: number } | undefined;
  /** What ice in place of liquid would do where no way meets the rule; empty where it would not. */
  readonly iceWords: string;
  /** How shallow it would have to lie where no way meets the rule, mm. */
  readonly deepestMm: number | undefined;
  /** What all pans hold, where that is less than there is, kg. */
  readonly holdsKg: number | undefined;
}

const HOUR_MIN = 60;
const EVERY_MIN = 5;
/** A curve is drawn a little past its last mark. */
const PAST = 1.15;

/** @param spread how much longer than the middle nine in ten take. */
function curveView(
  { warmestC }: Curve,
  spread: number,
  rule: readonly CurvePoint[],
  readings: readonly CoolingReading[] = [],
): CurveView {
  const along = (factor: number): CurvePoint[] =>
    [...warmestC.keys()]
      .filter((minute) => minute % EVERY_MIN === 0)
      .map((minute) => ({ x: (minute * factor) / HOUR_MIN, y: warmestC[minute] ?? 0 }));
  return {
    middle: along(1),
    slow: along(spread),
    fast: along(1 / spread),
    rule,
    readings: readings.map(({ minute, tempC }) => ({ x: minute / HOUR_MIN, y: tempC })),
  };
}

/** The rule as a line: from where it begins to count, to the end of each stage. */
function ruleLine({ stages }: CoolingRule, fromMin: (stage: CoolingStage) => number, startC: number): CurvePoint[] {
  return stages.flatMap((stage, n): CurvePoint[] => {
    const from = fromMin(stage);
    const end = { x: (from + stage.withinMin) / HOUR_MIN, y: stage.toC };
    return n === 0 ? [{ x: from / HOUR_MIN, y: stage.fromC ?? startC }, end] : [end];
  });
}

function wayOf(plan: SplitPlan, { startC, mix = USUAL_MIX }: CoolingQuestion, rule: CoolingRule, units: UnitSystem): CoolingWay {
  const { depthM, place, isStirred, outlook } = plan;
  const stuff = stuffOf(mix, 1);
  const pan = { stuff, depthM, startC, place, isStirred, edgePerM: EDGE_PER_M };
  const last = Math.max(...outlook.stages.map(({ nineInTenMin = 0, stage }) => Math.max(nineInTenMin, stage.withinMin)));
  const curve = coolingCurve(pan, Math.ceil(last * PAST));
  const first = outlook.stages[0];
  const spread = first?.minutes === undefined || first.minutes <= 0 ? 1 : (first.nineInTenMin ?? first.minutes) / first.minutes;
  return {
    words: splitWords(plan, units),
    each: placeWords(plan, units),
    depthM,
    placeId: place.id,
    pans: plan.pans.flatMap(({ pan: { name }, count, kgEach }) => Array.from({ length: count }, () => ({ name, kg: kgEach }))),
    isStirred,
    takes: takesWords(plan),
    stages: outlook.stages.map((stage) => ({ words: outlookWords(stage, units), isMet: stage.spareMin >= 0 })),
    curve: curveView(curve, spread, ruleLine(rule, countsFrom(curve), startC)),
  };
}

/** The ways to cool a leftover by this kitchen's pans and places. */
export function coolingAnswer(
  question: CoolingQuestion,
  kit: Pick<Kit, 'pans' | 'coldPlaces' | 'coolingRule' | 'units'> | undefined,
): CoolingAnswer | undefined {
  const rule = rulesFor(kit?.coolingRule).find(({ id }) => id === question.ruleId);
  if (rule === undefined || !(question.kg > 0)) return undefined;
  const units = kit?.units ?? 'metric';
  const by = question.hindered ?? [];
  const places = (kit?.coldPlaces ?? USUAL_PLACES.filter(({ id }) => id !== 'kitchen')).map((place) => hindered(place, by));
  const { mix = USUAL_MIX, iceKg = 0 } = question;
  const kg = question.kg + iceKg;
  const startC = icedC({ kg: question.kg, stuff: stuffOf(mix, 1), startC: question.startC }, iceKg);
  const cools: CoolingQuestion = { ...question, kg, startC, mix: iceKg > 0 ? icedMix(mix, question.kg, iceKg) : question.mix };
  const ask = {
    kg,
    startC,
    stuff: stuffOf(cools.mix ?? USUAL_MIX, 1),
    pans: kit?.pans ?? USUAL_PANS,
    places,
    rule,
  };
  const split = splitPlans(ask);
  const ice = split.ok || iceKg > 0 ? undefined : iceThatWouldDo(ask);
  const plans = split.ok ? split.plans : split.best === undefined ? [] : [split.best];
  return {
    isMet: split.ok,
    ruleWords: ruleSentence(rule, units),
    missed: rule.missed,
    coldC: Math.min(...rule.stages.map(({ toC }) => toC)),
    ways: plans.map((plan) => wayOf(plan, cools, rule, units)),
    iced: iceKg > 0 ? { kg, startC } : undefined,
    iceWords: ice === undefined ? '' : iceWayWords(ice, kg, units),
    holdsKg: split.ok || split.holdsKg >= kg ? undefined : Math.floor(split.holdsKg),
    deepestMm: split.ok || split.depthM === undefined ? undefined : Math.floor(split.depthM * 1000),
  };
}

/** A pan that is watched: how it was set to cool, and what was read of it, minutes from its start. */
export interface WatchQuestion {
  readonly mix?: Mix | undefined;
  readonly depthM: number;
  readonly placeId: string;
  readonly isStirred: boolean;
  readonly hindered?: readonly Hindrance[] | undefined;
  readonly startC: number;
  readonly ruleId: string;
  /** The kitchen's own rule, where it is cooled by that. */
  readonly own?: OwnCoolingRule | undefined;
  readonly nowMin: number;
  /** Since when the rule counts, minutes from the start; before it where the pan was set anew on the way. */
  readonly countsFromMin?: number | undefined;
  readonly readings: readonly CoolingReading[];
}

const MINUTE_MS = 60_000;

/** What is asked of a container that cools; undefined for one that does not. */
export function watchOf({ cooling, contents }: Pick<Container, 'cooling' | 'contents'>, nowMs: number): WatchQuestion | undefined {
  if (cooling === undefined) return undefined;
  const { startMs, startC, depthM, place, isStirred, hindered: by, rule, own, countsFromMs, readings } = cooling;
  const minute = (ms: number): number => Math.max(0, (ms - startMs) / MINUTE_MS);
  return {
    mix: makeIngredient(contents.row).perKg,
    depthM,
    placeId: place,
    isStirred,
    hindered: by,
    startC,
    ruleId: rule,
    own,
    nowMin: Math.round(minute(nowMs)),
    countsFromMin: countsFromMs === undefined ? undefined : (countsFromMs - startMs) / MINUTE_MS,
    readings: readings.map(({ atMs, tempC }) => ({ minute: minute(atMs), tempC })),
  };
}

/** Something that can still be done, in words. */
export interface RescueView extends StillPossible {
  readonly words: string;
}

export interface WatchAnswer {
  /** Now, in the warmest place and in the mean of it. */
  readonly nowC: number;
  readonly meanC: number;
  /** Since when the rule counts, minutes from the start. */
  readonly countsFromMin: number;
  readonly curve: CurveView;
  readonly stages: readonly WatchedStage[];
  readonly rescues: readonly RescueView[];
  readonly odd: readonly CoolingReading[];
  readonly missed: string | undefined;
}

/** What is known of a watched pan: when it passes the marks of its rule, and what can still be done where it is too slow. */
export function watchAnswer(ask: WatchQuestion, kit: Pick<Kit, 'coldPlaces'> | undefined): WatchAnswer | undefined {
  const rule = rulesFor(ask.own).find(({ id }) => id === ask.ruleId);
  const places: readonly CoolingPlace[] = [...(kit?.coldPlaces ?? []), ...USUAL_PLACES];
  const free = places.find(({ id }) => id === ask.placeId);
  const place = coolingPlaceOf({ place: ask.placeId, hindered: ask.hindered }, places);
  if (rule === undefined || place === undefined) return undefined;
  const pan = {
    stuff: stuffOf(ask.mix ?? USUAL_MIX, 1),
    depthM: ask.depthM,
    startC: ask.startC,
    place,
    isStirred: ask.isStirred,
    edgePerM: EDGE_PER_M,
  };
  const { readings, nowMin, countsFromMin } = ask;
  const freed = (ask.hindered ?? []).length > 0 ? free : undefined;
  const now = panNow({ pan, rule, readings, nowMin, countsFromMin, places, freed });
  const { watched, stages } = now;
  const wide = watched.to(Math.min(...rule.stages.map(({ toC }) => toC)));
  const spread = wide === undefined || wide.middle <= 0 ? 1 : wide.most[1] / wide.middle;
  const line = ruleLine(rule, now.countsFrom, ask.startC);
  const drawn = coolingCurve(watched.pan, Math.ceil(Math.max(...line.map(({ x }) => x)) * HOUR_MIN * PAST));
  const [first] = rule.stages;
  return {
    nowC: now.nowC,
    meanC: now.meanC,
    countsFromMin: first === undefined ? 0 : now.countsFrom(first),
    curve: curveView(drawn, spread, line, readings),
    stages,
    rescues: now.rescues.map((one) => ({ ...one, words: rescueWords(one.rescue, place.id) })),
    odd: watched.odd,
    missed: now.isMissed ? rule.missed : undefined,
  };
}

function rescueWords(rescue: Rescue, placeId: string): string {
  if (rescue.kind === 'halve') return 'Half of it into a second pan';
  if (rescue.place.id === placeId) return 'Lid off, and set apart from the others';
  return `Into the ${rescue.place.name.toLowerCase()}${rescue.isStirred ? ', stirred' : ''}`;
}
