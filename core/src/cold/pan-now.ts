import type { CoolingPan } from './cooling.js';
import { minutesTo } from './cooling.js';
import type { CoolingPlace } from './place.js';
import type { CoolingRule, CoolingStage } from './rule.js';
import type { Curve } from './slab.js';
import { lastMinuteFor, rescuedTo, watchCooling, type CoolingReading, type Rescue, type Watched } from './watch.js';

/** A pan that is watched: how it was set to cool, by which rule, and what was read of it. Minutes from its start. */
export interface PanWatched {
  readonly pan: CoolingPan;
  readonly rule: CoolingRule;
  readonly readings: readonly CoolingReading[];
  readonly nowMin: number;
  /** Since when the rule counts; before the start where the pan was set anew on the way. */
  readonly countsFromMin?: number | undefined;
  /** Where else it may be stood. */
  readonly places: readonly CoolingPlace[];
  /** Its own place with nothing in the air's way, where something is. */
  readonly freed?: CoolingPlace | undefined;
}

/** How a stage of the rule stands, minutes from the start. */
export interface WatchedStage {
  readonly toC: number;
  readonly byMin: number;
  readonly middleMin: number | undefined;
  readonly lowMin: number | undefined;
  readonly highMin: number | undefined;
  readonly state: 'in time' | 'close' | 'too slow';
}

/** Something that can still be done, until when, and when the stage is reached if it is done now. */
export interface StillPossible {
  readonly rescue: Rescue;
  readonly lastMin: number;
  readonly thenMin: number;
}

export interface PanNow {
  readonly watched: Watched;
  /** Now, in the warmest place and in the mean of it. */
  readonly nowC: number;
  readonly meanC: number;
  /** Since when each stage of the rule counts. */
  readonly countsFrom: (stage: CoolingStage) => number;
  readonly stages: readonly WatchedStage[];
  readonly rescues: readonly StillPossible[];
  /** Too late for all that can be done. */
  readonly isMissed: boolean;
}

const RESCUES_SHOWN = 2;
/** A place that takes so much from below, or whose air is so cold, is one to be rescued into. Kitchen defaults. */
const COLD_BELOW_W = 20;
const COLD_AIR_C = 2;

/** Minutes after its start at which a stage of a rule begins to count. */
export function countsFrom(curve: Curve): (stage: CoolingStage) => number {
  return ({ fromC }) => (fromC === undefined ? 0 : (minutesTo(curve, fromC) ?? 0));
}

function rescuesOf(watched: Watched, { toC, byMin }: WatchedStage, { nowMin, pan, places, freed }: PanWatched): StillPossible[] {
  const colder = places.filter(
    ({ id, belowW, airC }, n) =>
      id !== pan.place.id && places.findIndex((one) => one.id === id) === n && (belowW > COLD_BELOW_W || airC < COLD_AIR_C),
  );
  const ways: readonly Rescue[] = [
    ...(freed === undefined ? [] : [{ kind: 'move' as const, place: freed, isStirred: pan.isStirred }]),
    { kind: 'halve' },
    ...colder.map((place): Rescue => ({ kind: 'move', place, isStirred: place.canStir === true })),
  ];
  const now = Math.max(0, Math.round(nowMin));
  return ways
    .flatMap((rescue): StillPossible[] => {
      const lastMin = lastMinuteFor(watched, rescue, now, toC, byMin);
      const thenMin = rescuedTo(watched, rescue, now, toC);
      return lastMin === undefined || thenMin === undefined ? [] : [{ rescue, lastMin, thenMin }];
    })
    .slice(0, RESCUES_SHOWN);
}

/** How a watched pan stands to its rule: when it passes the marks, and what can still be done where it is too slow. */
export function panNow(ask: PanWatched): PanNow {
  const { pan, rule, readings, nowMin, countsFromMin } = ask;
  const watched = watchCooling(pan, readings, Math.min(...rule.stages.map(({ toC }) => toC)));
  const from = countsFromMin === undefined ? countsFrom(watched.curve) : (): number => countsFromMin;
  const stages = rule.stages.map((stage): WatchedStage => {
    const { toC, withinMin } = stage;
    const time = watched.to(toC);
    const byMin = from(stage) + withinMin;
    const state = time === undefined || time.middle > byMin ? 'too slow' : time.most[1] > byMin ? 'close' : 'in time';
    return { toC, byMin, middleMin: time?.middle, lowMin: time?.most[0], highMin: time?.most[1], state };
  });
  const slow = stages.find(({ state }) => state !== 'in time');
  const rescues = slow === undefined ? [] : rescuesOf(watched, slow, ask);
  const { warmestC, meanC } = watched.curve;
  const now = Math.min(warmestC.length - 1, Math.max(0, Math.round(nowMin)));
  return {
    watched,
    nowC: warmestC[now] ?? pan.startC,
    meanC: meanC[now] ?? pan.startC,
    countsFrom: from,
    stages,
    rescues,
    isMissed: slow?.state === 'too slow' && rescues.length === 0,
  };
}
