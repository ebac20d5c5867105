import {
  COOLING_RULES,
  EDGE_PER_M,
  USUAL_PANS,
  USUAL_PLACES,
  forecastCooling,
  outlookOf,
  ownRule,
  splitPlans,
  stuffOf,
  type SplitPlan,
} from '../cold/index.js';
import type { ColdPlace, Kit, Pan } from '../kit/index.js';
import { makeIngredient } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { contentsOf } from '../stock/index.js';
import { clockMinute, type Day } from './day.js';
import type { DayPlan } from './search.js';

/** A soup of the day that goes into the cold: when it is ready, and its plan. */
export interface ForTheCold {
  readonly batchId: string;
  readonly readyMin: number;
  readonly plan: Planned;
}

/** What of a laid-out day goes into the cold, from when its bowls would be ready; what has begun cools by what stands there. */
export function forTheCold(
  day: Day,
  plans: ReadonlyMap<string, Planned>,
  { lateMin, unplaced }: Pick<DayPlan, 'lateMin' | 'unplaced'>,
  begun: ReadonlySet<string> = new Set(),
): ForTheCold[] {
  return day.batches.flatMap(({ id, keeps, at }) => {
    const plan = plans.get(id);
    if (keeps !== true || plan === undefined || unplaced.includes(id) || begun.has(id)) return [];
    return [{ batchId: id, readyMin: clockMinute(at) + (lateMin.get(id) ?? 0), plan }];
  });
}

/** Where and in which pans a soup of the day cools, minutes after midnight. */
export interface IntoCold {
  readonly batchId: string;
  readonly split: SplitPlan;
  readonly kg: number;
  readonly fromMin: number;
  /** When it is cold enough for the rule, in nine of ten cases. */
  readonly untilMin: number;
}

/** Soups of a day in the cold, and those for which no pans or no place is left by which they would keep the rule. */
export interface Cooling {
  readonly cooled: readonly IntoCold[];
  readonly without: readonly string[];
}

/** Air that is blown at a pan, and iced water, W/(m² K): such a place takes one soup at a time. Kitchen default. */
const BLOWN_W = 20;
const DAY_MIN = 1440;

function takesOne({ topW, belowW }: ColdPlace): boolean {
  return Math.max(topW, belowW) >= BLOWN_W;
}

/** The kit's pans less those in which something cools at a minute. */
function pansLeft(pans: readonly Pan[], cooled: readonly IntoCold[], atMin: number): Pan[] {
  return pans.flatMap((pan) => {
    const taken = cooled
      .filter(({ untilMin }) => untilMin > atMin)
      .flatMap(({ split }) => split.pans)
      .filter((own) => own.pan.id === pan.id)
      .reduce((sum, { count }) => sum + count, 0);
    return pan.count > taken ? [{ ...pan, count: pan.count - taken }] : [];
  });
}

/**
 * Cools what goes into the cold on a day, the soonest ready first: each in the fewest pans that are free by then and meet the
 * kitchen's rule, in a place that is free by then.
 */
export function intoCold(all: readonly ForTheCold[], kit: Pick<Kit, 'pans' | 'coldPlaces' | 'coolingRule'>): Cooling {
  const rule = kit.coolingRule === undefined ? COOLING_RULES[0] : ownRule(kit.coolingRule);
  const places = kit.coldPlaces ?? USUAL_PLACES.filter(({ id }) => id !== 'kitchen');
  const cooled: IntoCold[] = [];
  const without: string[] = [];
  if (rule === undefined) return { cooled, without };
  for (const { batchId, readyMin, plan } of [...all].sort((a, b) => a.readyMin - b.readyMin)) {
    const contents = contentsOf(plan);
    const last = plan.run.records.at(-1)?.before;
    if (contents === undefined || last === undefined) continue;
    const inUse = cooled.filter(({ untilMin }) => untilMin > readyMin).map(({ split }) => split.place);
    const kg = (plan.snapshot.request.bowls * plan.snapshot.request.bowlG) / 1000;
    const stuff = stuffOf(makeIngredient(contents.row).perKg, 1);
    const startC = last.tempC;
    const split = splitPlans({
      kg,
      stuff,
      startC,
      pans: pansLeft(kit.pans ?? USUAL_PANS, cooled, readyMin),
      places: places.filter((place) => !takesOne(place) || inUse.every(({ id }) => id !== place.id)),
      rule,
    });
    const [best] = split.ok ? split.plans : [];
    if (best === undefined) {
      without.push(batchId);
      continue;
    }
    const { place, isStirred, depthM } = best;
    const coldC = Math.min(...rule.stages.map(({ toC }) => toC));
    const forecast = forecastCooling({ stuff, depthM, startC, place, isStirred, edgePerM: EDGE_PER_M }, coldC);
    const [stage] = outlookOf(forecast, { ...rule, stages: [{ toC: coldC, withinMin: DAY_MIN }] }).stages;
    cooled.push({ batchId, split: best, kg, fromMin: readyMin, untilMin: readyMin + Math.ceil(stage?.nineInTenMin ?? DAY_MIN) });
  }
  return { cooled, without };
}
