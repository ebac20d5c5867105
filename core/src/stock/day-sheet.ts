import type { CoolingRule } from '../cold/index.js';
import type { ColdStore, DayClock } from '../kit/index.js';
import { coolingRuleOf, readingsOf, type Container, type Cooling } from './stock.js';
import type { StockEntry } from './entry.js';

/** A look at a fridge or freezer that was due or was made. */
export interface Check {
  /** When it was due, minutes after midnight where the kitchen stands; undefined for one that nobody asked for. */
  readonly dueMin: number | undefined;
  readonly made: { readonly entryId: string; readonly atMs: number; readonly tempC: number; readonly who: string } | undefined;
  /** What was written first, where it was corrected, and why. */
  readonly corrected: { readonly tempC: number; readonly why: string; readonly who: string } | undefined;
  readonly state: 'good' | 'too warm' | 'missed' | 'to come';
}

export interface StoreChecks {
  readonly store: ColdStore;
  readonly checks: readonly Check[];
}

/** How the readings of a cooling stand to its rule: what they show, not what was reckoned. */
export interface CoolingVerdict {
  readonly toC: number;
  readonly withinMin: number;
  /** Minutes from where the stage counts to the first reading at its mark or below; undefined where no reading is. */
  readonly minutes: number | undefined;
  readonly state: 'kept' | 'missed' | 'not shown';
}

export interface CooledToday {
  readonly container: Container;
  readonly verdicts: readonly CoolingVerdict[];
}

/** What a kitchen is asked for of one day in the cold. */
export interface DaySheet {
  readonly day: string;
  readonly stores: readonly StoreChecks[];
  readonly cooled: readonly CooledToday[];
  readonly heated: readonly StockEntry[];
  readonly thrownAway: readonly StockEntry[];
  /** What is missing or was not good, in the words of the sheet: how many of each. */
  readonly missed: { readonly checks: number; readonly warm: number; readonly coolings: number };
}

const MINUTE_MS = 60_000;
const DAY_MIN = 1440;
/** A look counts for a time that is so near, minutes. */
const NEAR_MIN = 120;

function minutesOf(time: string): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

type Looked = Extract<StockEntry['action'], { kind: 'checked' }>;

/** Looks at one store on one day: each due one with the nearest that was made, then those that nobody asked for. */
function checksOf(store: ColdStore, entries: readonly StockEntry[], day: string, clock: DayClock): StoreChecks {
  const own = entries.flatMap((entry) =>
    entry.action.kind === 'checked' && entry.action.store.id === store.id ? [{ ...entry, action: entry.action }] : [],
  );
  const corrections = new Map<string, StockEntry & { readonly action: Looked }>();
  for (const entry of own) if (entry.action.corrects !== undefined) corrections.set(entry.action.corrects.entryId, entry);
  // A correction may be made on a later day.
  const looks = own.filter(({ action, atMs }) => action.corrects === undefined && clock.dayOf(atMs) === day);
  const free = new Set(looks);
  const made = (entry: (typeof looks)[number] | undefined, dueMin: number | undefined): Check => {
    if (entry === undefined) {
      const today = clock.dayOf(clock.nowMs);
      const isAhead = day > today || (day === today && clock.minuteOf(clock.nowMs) < (dueMin ?? DAY_MIN) + NEAR_MIN);
      return { dueMin, made: undefined, corrected: undefined, state: isAhead ? 'to come' : 'missed' };
    }
    const later = corrections.get(entry.id);
    const tempC = later?.action.tempC ?? entry.action.tempC;
    return {
      dueMin,
      made: { entryId: entry.id, atMs: entry.atMs, tempC, who: entry.who },
      corrected: later && { tempC: entry.action.tempC, why: later.action.corrects?.why ?? '', who: later.who },
      state: tempC <= store.mostC ? 'good' : 'too warm',
    };
  };
  const due = [...(store.checks ?? [])]
    .sort()
    .map(minutesOf)
    .map((dueMin) => {
      const near = [...free]
        .map((entry) => ({ entry, off: Math.abs(clock.minuteOf(entry.atMs) - dueMin) }))
        .filter(({ off }) => off <= NEAR_MIN)
        .sort((a, b) => a.off - b.off)[0]?.entry;
      if (near !== undefined) free.delete(near);
      return made(near, dueMin);
    });
  return { store, checks: [...due, ...[...free].map((entry) => made(entry, undefined))] };
}

/**
 * What the readings of a cooling show. A stage counts from the last reading at its first mark or above (from the first one
 * where there is none) to the first at its second mark or below: on the strict side of what was between. Of a pan that was
 * rescued its readings before count with it.
 */
export function verdictsOf(cooling: Cooling, rule: CoolingRule, nowMs: number): readonly CoolingVerdict[] {
  const points = readingsOf(cooling);
  return rule.stages.map(({ fromC, toC, withinMin }): CoolingVerdict => {
    const first = points.find(({ tempC }) => tempC <= toC);
    const above =
      fromC === undefined ? undefined : points.findLast(({ tempC, atMs }) => tempC >= fromC && atMs <= (first?.atMs ?? Infinity));
    const fromMs = (above ?? points[0])?.atMs ?? cooling.startMs;
    const minutes = first === undefined ? undefined : Math.max(0, (first.atMs - fromMs) / MINUTE_MS);
    const isOver = (nowMs - fromMs) / MINUTE_MS > withinMin;
    return {
      toC,
      withinMin,
      minutes,
      state: minutes === undefined ? (isOver ? 'missed' : 'not shown') : minutes <= withinMin ? 'kept' : 'missed',
    };
  });
}

/**
 * The sheet of one day: looks at fridges and freezers, what was cooled and how it stood to its rule, what was heated and
 * thrown away, and what is missing. Of entries that were taken back nothing counts.
 *
 * @param counted entries of the stock that count, in causal order: those of the day at least.
 */
export function daySheet(
  day: string,
  counted: readonly StockEntry[],
  containers: Iterable<Container>,
  stores: readonly ColdStore[],
  clock: DayClock,
): DaySheet {
  const today = counted.filter(({ atMs }) => clock.dayOf(atMs) === day);
  const checks = stores.map((store) => checksOf(store, counted, day, clock));
  const cooled = [...containers].flatMap((container): CooledToday[] => {
    const { cooling } = container;
    const rule = cooling === undefined ? undefined : coolingRuleOf(cooling);
    if (cooling === undefined || rule === undefined || clock.dayOf(readingsOf(cooling)[0]?.atMs ?? cooling.startMs) !== day)
      return [];
    return [{ container, verdicts: verdictsOf(cooling, rule, clock.nowMs) }];
  });
  const all = checks.flatMap((one) => one.checks);
  return {
    day,
    stores: checks,
    cooled,
    heated: today.filter(({ action }) => action.kind === 'reheated'),
    thrownAway: today.filter(({ action }) => action.kind === 'threw away'),
    missed: {
      checks: all.filter(({ state }) => state === 'missed').length,
      warm: all.filter(({ state }) => state === 'too warm').length,
      coolings: cooled.filter(({ verdicts }) => verdicts.some(({ state }) => state === 'missed')).length,
    },
  };
}
