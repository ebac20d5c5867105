import type { StoredEntry } from '../batch/index.js';
import {
  COOLING_RULES,
  USUAL_PANS,
  USUAL_PLACES,
  fewestPans,
  stuffOf,
  type CoolingPlace,
  type CoolingRule,
  type CoolingStage,
} from '../cold/index.js';
import type { Kit } from '../kit/index.js';
import { makeIngredient } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import {
  NOTHING_KG,
  coolingRuleOf,
  foldStock,
  keepingOf,
  readingsOf,
  verdictsOf,
  type Container,
  type Contents,
  type CoolingVerdict,
  type StockEntry,
} from '../stock/index.js';
import type { Hidden } from './cooked.js';
import type { Judged } from './debrief.js';
import type { Harm } from './harms.js';
import { HiddenKitchen } from './hidden-kitchen.js';
import { TruePan, leftInPot, potStretch, takesOf, truePans, type LeftInPot } from './true-pans.js';

/** A stage of a rule as it really was kept. Minutes from where it counts. */
export interface TrueStage {
  readonly stage: CoolingStage;
  /** Undefined where it is not reached within a day. */
  readonly minutes: number | undefined;
  /** What its readings say. */
  readonly recorded: CoolingVerdict['state'];
}

/** A container of a practice: how it really cooled, and what was believed of it. */
export interface CooledPan {
  readonly id: string;
  readonly vessel: string;
  /** What was kept of it; 0 where all of it was thrown away. */
  readonly keptKg: number;
  readonly stages: readonly TrueStage[];
  readonly isKept: boolean;
  /** Nobody has said yet that it is cold: what is told of it is how it goes on if it is left alone. */
  readonly isCooling: boolean;
  /** Minutes since it was left over, and its warmest place, °C; and what was read of it. */
  readonly curve: readonly (readonly [minute: number, tempC: number])[];
  readonly readings: readonly (readonly [minute: number, tempC: number])[];
}

/** The fewest pans that would have kept the rule in this kitchen, by somebody who knew it. */
export interface BestCooling {
  readonly place: CoolingPlace;
  readonly isStirred: boolean;
  readonly depthM: number;
  readonly pans: number;
  readonly stages: readonly { readonly stage: CoolingStage; readonly minutes: number }[];
}

export interface CoolingDebrief {
  readonly pans: readonly CooledPan[];
  readonly rule: CoolingRule;
  readonly marks: readonly Judged[];
  readonly isPassed: boolean;
  readonly harms: readonly Harm[];
  readonly best: BestCooling | undefined;
}

const MINUTE_MS = 60_000;
/** A curve is told every so many minutes, over so many hours. */
const EVERY_MIN = 5;
const CURVE_MIN = 9 * 60;
/** Less of it left standing is what sticks to the pot. */
const STICKS_KG = 0.3;
/** How much may be thrown away, as shares. */
const WASTE = { right: 0.02, near: 0.35 };
/** Depths that are looked through, deepest first, m. */
const DEPTHS_M = Array.from({ length: 20 }, (_, n) => 0.11 - 0.005 * n);

function isKept({
  stage: { withinMin },
  minutes,
}: {
  readonly stage: CoolingStage;
  readonly minutes: number | undefined;
}): boolean {
  return minutes !== undefined && minutes <= withinMin;
}

/** Minutes of a stage as it really was; a stage that has no first mark counts from when it was portioned. */
function minutesOf(pan: TruePan, { fromC, toC }: CoolingStage, portionedMs: number): number | undefined {
  const fromMs = fromC === undefined ? portionedMs : pan.passedMs(fromC);
  const toMs = pan.passedMs(toC);
  return fromMs === undefined || toMs === undefined ? undefined : Math.max(0, (toMs - fromMs) / MINUTE_MS);
}

function cooledPan(container: Container, pan: TruePan, pot: LeftInPot): CooledPan {
  const { cooling, outKg, kg, filledMs, id, vessel, state } = container;
  const rule = (cooling === undefined ? undefined : coolingRuleOf(cooling)) ?? COOLING_RULES[0];
  // What nobody read shows nothing, and too late to do it now: a practice is over when it is judged.
  const verdicts = cooling === undefined || rule === undefined ? [] : verdictsOf(cooling, rule, Number.MAX_SAFE_INTEGER);
  const stages = (rule?.stages ?? []).map((stage): TrueStage => ({
    stage,
    minutes: minutesOf(pan, stage, filledMs),
    recorded: verdicts.find(({ toC }) => toC === stage.toC)?.state ?? 'not shown',
  }));
  const since = (ms: number): number => (ms - pot.sinceMs) / MINUTE_MS;
  const gone = (outKg['thrown away'] ?? 0) + (outKg.split ?? 0) + (outKg.joined ?? 0);
  return {
    id,
    vessel,
    keptKg: Math.max(0, kg + Object.values(outKg).reduce((sum, one) => sum + one, 0) - gone),
    stages,
    isKept: stages.every(isKept),
    isCooling: state === 'cooling',
    curve: Array.from({ length: CURVE_MIN / EVERY_MIN + 1 }, (_, n) => {
      const minute = n * EVERY_MIN;
      return [minute, pan.at(pot.sinceMs + minute * MINUTE_MS).middleC] as const;
    }),
    readings: cooling === undefined ? [] : readingsOf(cooling).map(({ atMs, tempC }) => [since(atMs), tempC] as const),
  };
}

/** The fewest pans that keep a rule as this kitchen really is, from the moment on at which the soup was left over. */
function bestOf(
  contents: Contents,
  kg: number,
  pot: LeftInPot,
  rule: CoolingRule,
  hidden: HiddenKitchen,
  kit: Pick<Kit, 'pans' | 'coldPlaces'>,
): BestCooling | undefined {
  const volumeM3 = kg / stuffOf(makeIngredient(contents.row).perKg, 1).densityKgM3;
  let best: BestCooling | undefined;
  for (const place of kit.coldPlaces ?? USUAL_PLACES)
    for (const isStirred of place.canStir === true ? [false, true] : [false])
      for (const depthM of DEPTHS_M) {
        const taken = fewestPans(kit.pans ?? USUAL_PANS, volumeM3, depthM);
        const pans = (taken ?? []).reduce((sum, { count }) => sum + count, 0);
        if (pans === 0 || (best !== undefined && pans >= best.pans)) continue;
        const pan = new TruePan(contents, [potStretch(pot)], 1, pot.sinceMs);
        pan.setIn(pot.sinceMs, place, takesOf(place.id, hidden), depthM, isStirred);
        const stages = rule.stages.map((stage) => ({ stage, minutes: minutesOf(pan, stage, pot.sinceMs) }));
        if (stages.every(isKept))
          best = {
            place,
            isStirred,
            depthM,
            pans,
            stages: stages.map(({ stage, minutes }) => ({ stage, minutes: minutes ?? 0 })),
          };
      }
  return best;
}

/**
 * What putting away a soup came to in a practice: whether its rule was kept in the warmest place of each pan, what was thrown
 * away, and the fewest pans that would have done.
 *
 * @param entries of the batch that left it over; undefined is answered where it left nothing.
 * @param stock entries of the containers that were filled from it, and of what those were parted into.
 */
export function coolingDebriefOf(
  plan: Planned,
  entries: readonly StoredEntry[],
  stock: readonly StockEntry[],
  { seed, mishaps }: Hidden,
): CoolingDebrief | undefined {
  const left = leftInPot(plan, entries, { seed, mishaps });
  if (left === undefined) return undefined;
  const { pot, kg: leftKg, contents } = left;
  const { kit } = plan.snapshot;
  const hidden = new HiddenKitchen(seed, mishaps);
  // How long it keeps is nothing to how it cools: any day will do.
  const { containers, counted } = foldStock(stock, { keeping: keepingOf(kit.keeps), dayOf: () => '2026-01-01' });
  const real = truePans(counted, pot, hidden, kit);
  const pans = [...containers.values()].flatMap((container) => {
    const pan = real.get(container.id);
    return pan === undefined ? [] : [cooledPan(container, pan, pot)];
  });
  const rule = [...containers.values()].flatMap(({ cooling }) => (cooling === undefined ? [] : (coolingRuleOf(cooling) ?? [])))[0];
  const cooledBy = rule ?? COOLING_RULES[0];
  if (cooledBy === undefined) return undefined;
  const filledKg = [...containers.values()].reduce((sum, { filledKg: own }) => sum + own, 0);
  const thrownKg = [...containers.values()].reduce((sum, { outKg }) => sum + (outKg['thrown away'] ?? 0), 0);
  const standsKg = leftKg - filledKg;
  const harms: Harm[] = [
    ...(standsKg > STICKS_KG ? [{ kind: 'left standing', kg: standsKg } as const] : []),
    ...pans.flatMap(({ vessel, keptKg, stages }): Harm[] => {
      const slow = stages.find((stage) => !isKept(stage));
      if (slow === undefined || keptKg <= NOTHING_KG) return [];
      const { stage, minutes } = slow;
      return [
        {
          kind: 'cooled too slowly',
          vessel,
          toC: stage.toC,
          withinMin: stage.withinMin,
          ...(minutes === undefined ? {} : { minutes }),
        },
      ];
    }),
  ];
  const wasteShare = leftKg > 0 ? thrownKg / leftKg : 0;
  const unkept = pans.filter(
    ({ keptKg, stages }) => keptKg > NOTHING_KG && stages.some(({ recorded }) => recorded !== 'kept'),
  ).length;
  const marks: Judged[] = [
    { mark: 'safety', wanted: 0, true: harms.length, believed: unkept, points: harms.length === 0 ? 2 : 0 },
    {
      mark: 'waste',
      wanted: 0,
      true: wasteShare,
      believed: wasteShare,
      points: wasteShare <= WASTE.right ? 2 : wasteShare <= WASTE.near ? 1 : 0,
    },
  ];
  return {
    pans,
    rule: cooledBy,
    marks,
    isPassed:
      pans.length > 0 &&
      pans.every(({ isCooling }) => !isCooling) &&
      marks.every(({ mark, points }) => (mark === 'safety' ? points === 2 : points > 0)),
    harms,
    best: bestOf(contents, leftKg, pot, cooledBy, hidden, kit),
  };
}
