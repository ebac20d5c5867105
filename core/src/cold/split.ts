import { forecastCooling } from './cooling.js';
import type { Pan } from '../kit/index.js';
import type { CoolingPlace } from './place.js';
import { outlookOf, type CoolingRule, type RuleOutlook } from './rule.js';
import { MELTS_JKG, tableAt, type Stuff } from './stuff.js';

/** Of a pan's depth that is filled at most, so that it can be carried. Kitchen default. */
const FILLED = 0.9;

export interface SplitAsk {
  readonly kg: number;
  readonly stuff: Stuff;
  readonly startC: number;
  readonly pans: readonly Pan[];
  readonly places: readonly CoolingPlace[];
  readonly rule: CoolingRule;
}

export interface SplitPans {
  readonly pan: Pan;
  readonly count: number;
  readonly kgEach: number;
}

/** One way to part a soup: all its pans filled to one depth. */
export interface SplitPlan {
  readonly place: CoolingPlace;
  readonly isStirred: boolean;
  readonly depthM: number;
  readonly pans: readonly SplitPans[];
  readonly panCount: number;
  readonly shelfM2: number;
  /** Somebody's minutes: filling the pans, and stirring them until the first mark. */
  readonly handsMin: number;
  /** Ice that melts, where it stands in iced water; 0 elsewhere. */
  readonly iceKg: number;
  readonly outlook: RuleOutlook;
}

export type Split =
  | { readonly ok: true; readonly plans: readonly SplitPlan[] }
  /** None meets the rule: the best that holds it all, the depth that would do, and what all pans hold. */
  | { readonly ok: false; readonly best: SplitPlan | undefined; readonly depthM: number | undefined; readonly holdsKg: number };

function area({ lengthM, widthM }: Pan): number {
  return lengthM * widthM;
}

/** Edge over area of a middling pan, 1/m: what the sides add where it is stirred. Kitchen default. */
export const EDGE_PER_M = 10;
const LEAST_M = 0.005;
const DEEPEST_M = 0.3;
const ROUNDS = 9;

function outlookAt(ask: SplitAsk, place: CoolingPlace, isStirred: boolean, depthM: number): RuleOutlook {
  const pan = { stuff: ask.stuff, depthM, startC: ask.startC, place, isStirred, edgePerM: EDGE_PER_M };
  const coldestC = Math.min(...ask.rule.stages.map(({ toC }) => toC));
  return outlookOf(forecastCooling(pan, coldestC), ask.rule);
}

/** The deepest layer that meets a rule in nine of ten cases, m; undefined where not even a film does. */
export function deepestLayer(ask: SplitAsk, place: CoolingPlace, isStirred: boolean): number | undefined {
  if (!outlookAt(ask, place, isStirred, LEAST_M).isMet) return undefined;
  let low = LEAST_M;
  let high = DEEPEST_M;
  if (outlookAt(ask, place, isStirred, high).isMet) return high;
  for (let round = 0; round < ROUNDS; round += 1) {
    const middle = Math.sqrt(low * high);
    if (outlookAt(ask, place, isStirred, middle).isMet) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * The fewest pans that hold so much at no more than a depth, the roomiest first: a pan holds its floor times the depth or what
 * it may be filled to. Undefined where all of them do not hold it.
 */
export function fewestPans(
  pans: readonly Pan[],
  volumeM3: number,
  deepestM: number,
): readonly { pan: Pan; count: number }[] | undefined {
  const roomOf = (pan: Pan): number => area(pan) * Math.min(deepestM, pan.depthM * FILLED);
  const byRoom = [...pans].sort((a, b) => roomOf(b) - roomOf(a));
  let left = volumeM3;
  const taken: { pan: Pan; count: number }[] = [];
  for (const pan of byRoom) {
    if (left <= 0) break;
    const count = Math.min(pan.count, Math.ceil(left / roomOf(pan) - 1e-9));
    if (count <= 0) continue;
    taken.push({ pan, count });
    left -= count * roomOf(pan);
  }
  return left > 1e-9 ? undefined : taken;
}

/** The depth to which pans are filled alike, m: a shallow one is full before the others. */
function levelIn(taken: readonly { readonly pan: Pan; readonly count: number }[], volumeM3: number): number {
  let low = 0;
  let high = DEEPEST_M;
  for (let round = 0; round < 40; round += 1) {
    const level = (low + high) / 2;
    const held = taken.reduce((sum, { pan, count }) => sum + count * area(pan) * Math.min(level, pan.depthM * FILLED), 0);
    if (held < volumeM3) low = level;
    else high = level;
  }
  return high;
}

/** Minutes to fill a pan and stand it away, to stir one once, and between two stirrings. Kitchen defaults. */
const FILL_MIN = 1.5;
const STIR_MIN = 0.3;
const STIR_EVERY_MIN = 5;

function handsOf(taken: readonly { readonly count: number }[], isStirred: boolean, { stages }: RuleOutlook): number {
  const pans = taken.reduce((sum, { count }) => sum + count, 0);
  const stirredMin = isStirred ? (stages[0]?.minutes ?? 0) : 0;
  return pans * (FILL_MIN + (stirredMin / STIR_EVERY_MIN) * STIR_MIN);
}

/** Most ways that are offered. */
const WAYS = 3;

/**
 * How many of which pans, to what depth, where and stirred or not, meet a rule in nine of ten cases: fewest pans first, then
 * without stirring, then the one with most to spare.
 */
export function splitPlans(ask: SplitAsk): Split {
  const volumeM3 = ask.kg / ask.stuff.densityKgM3;
  const holdsKg = ask.pans.reduce((sum, pan) => sum + pan.count * area(pan) * pan.depthM * FILLED, 0) * ask.stuff.densityKgM3;
  const isHeld = holdsKg >= ask.kg;
  const plans: SplitPlan[] = [];
  let best: SplitPlan | undefined;
  let deepest: number | undefined;
  for (const place of ask.places) {
    for (const isStirred of place.canStir === true ? [false, true] : [false]) {
      const layer = deepestLayer(ask, place, isStirred);
      if (layer !== undefined) deepest = Math.max(deepest ?? 0, layer);
      const fits = layer === undefined ? undefined : fewestPans(ask.pans, volumeM3, layer);
      const used = fits ?? ask.pans.map((pan) => ({ pan, count: pan.count }));
      const depthM = levelIn(used, volumeM3);
      const outlook = outlookAt(ask, place, isStirred, depthM);
      const plan: SplitPlan = {
        place,
        isStirred,
        depthM,
        pans: used.map(({ pan, count }) => ({
          pan,
          count,
          kgEach: area(pan) * Math.min(depthM, pan.depthM * FILLED) * ask.stuff.densityKgM3,
        })),
        panCount: used.reduce((sum, { count }) => sum + count, 0),
        shelfM2: used.reduce((sum, { pan, count }) => sum + count * area(pan), 0),
        handsMin: handsOf(used, isStirred, outlook),
        iceKg: place.belowC < 1 && place.belowW > place.topW ? iceFor(ask) : 0,
        outlook,
      };
      if (fits !== undefined && plan.outlook.isMet) plans.push(plan);
      else if (isHeld && (best === undefined || spareOf(plan) > spareOf(best))) best = plan;
    }
  }
  const sorted = plans.sort(
    (a, b) => a.panCount - b.panCount || Number(a.isStirred) - Number(b.isStirred) || spareOf(b) - spareOf(a),
  );
  return sorted.length > 0 ? { ok: true, plans: sorted.slice(0, WAYS) } : { ok: false, best, depthM: deepest, holdsKg };
}

/** Ice that melts for the air and the bath itself as well. Kitchen default. */
const ICE_LOST = 1.25;
const COLD_C = 5;

/** What of ice takes the heat of the soup down to 5 °C. */
function iceFor({ kg, stuff, startC }: SplitAsk): number {
  const jkgK = tableAt(stuff.heat, (startC + COLD_C) / 2) / stuff.densityKgM3;
  return ((kg * jkgK * (startC - COLD_C)) / MELTS_JKG) * ICE_LOST;
}

function spareOf({ outlook }: SplitPlan): number {
  return Math.min(...outlook.stages.map(({ spareMin }) => spareMin));
}
