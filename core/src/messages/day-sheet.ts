import { REHEATING } from '../cold/index.js';
import type { DayClock } from '../kit/index.js';
import { readingsOf, type Check, type Container, type CoolingVerdict, type DaySheet, type StockEntry } from '../stock/index.js';
import { degrees, showMinutes, type UnitSystem } from '../units/index.js';
import { reheatingWords, stockActionWords } from './stock.js';

/** A temperature of what was kept hot, for so many minutes where that was told. */
export interface HotLook {
  readonly atMs: number;
  readonly who: string;
  readonly soupName: string;
  readonly tempC: number;
  readonly minutes?: number;
}

/** A line of the day sheet, the same on the screen, on paper and as a table. */
export interface SheetRow {
  readonly section: string;
  readonly when: string;
  readonly what: string;
  readonly figure: string;
  /** "good", or what is wrong with it. */
  readonly state: string;
  readonly isBad: boolean;
  readonly who: string;
  /** The entry that it is of, where it can be corrected. */
  readonly entryId?: string;
}

function timeOf(minute: number): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.floor(minute % 60)).padStart(2, '0')}`;
}

function checkRow(
  { dueMin, made, corrected, state }: Check,
  store: string,
  mostC: number,
  { minuteOf }: DayClock,
  units: UnitSystem,
): SheetRow {
  const first =
    corrected === undefined
      ? ''
      : `, first written ${degrees(corrected.tempC, units, 1)}, corrected by ${corrected.who || 'nobody named'}: ${corrected.why}`;
  const words = {
    good: 'good',
    'too warm': `too warm, at most ${degrees(mostC, units)}`,
    missed: 'not looked at',
    'to come': 'to come',
  };
  return {
    section: 'Fridges and freezers',
    when: made === undefined ? `due ${timeOf(dueMin ?? 0)}` : timeOf(minuteOf(made.atMs)),
    what: store,
    figure: made === undefined ? '' : degrees(made.tempC, units, 1),
    state: `${words[state]}${first}`,
    isBad: state === 'missed' || state === 'too warm',
    who: made?.who ?? '',
    ...(made === undefined ? {} : { entryId: made.entryId }),
  };
}

function verdictWords({ toC, withinMin, minutes, state }: CoolingVerdict, units: UnitSystem): string {
  const wanted = `to ${degrees(toC, units)} within ${showMinutes(withinMin)}`;
  if (state === 'not shown') return `${wanted}: no reading shows it`;
  if (minutes === undefined) return `${wanted}: missed, no reading says that it got there`;
  return `${wanted}: ${state}, ${showMinutes(minutes)}`;
}

/**
 * The day sheet as lines. @param leastC what is kept hot is kept at or above this.
 */
export function daySheetRows(
  { stores, cooled, heated, thrownAway }: DaySheet,
  containers: ReadonlyMap<string, Container>,
  hot: readonly HotLook[],
  leastC: number,
  clock: DayClock,
  units: UnitSystem,
): SheetRow[] {
  const at = (ms: number): string => timeOf(clock.minuteOf(ms));
  const nameOf = (id: string): string => {
    const one = containers.get(id);
    return one === undefined ? '' : `${one.contents.name}, ${one.vessel.toLowerCase()}`;
  };
  const told = (section: string, { action, atMs, who }: StockEntry, isBad: boolean, state: string): SheetRow => ({
    section,
    when: at(atMs),
    what: action.kind === 'checked' ? action.store.name : nameOf(action.container),
    figure: stockActionWords(action, units),
    state,
    isBad,
    who,
  });
  return [
    ...stores.flatMap(({ store, checks }) => checks.map((check) => checkRow(check, store.name, store.mostC, clock, units))),
    ...cooled.map(({ container, verdicts }): SheetRow => ({
      section: 'Cooling',
      when: at(
        container.cooling === undefined
          ? container.filledMs
          : (readingsOf(container.cooling)[0]?.atMs ?? container.cooling.startMs),
      ),
      what: nameOf(container.id),
      figure:
        (container.cooling === undefined ? [] : readingsOf(container.cooling))
          .map(({ atMs, tempC }) => `${at(atMs)} ${degrees(tempC, units, 1)}`)
          .join(', ') || 'nothing read',
      state: verdicts.map((one) => verdictWords(one, units)).join('; '),
      isBad: verdicts.some(({ state }) => state === 'missed'),
      who: '',
    })),
    ...hot.map(({ atMs, who, soupName, tempC, minutes }): SheetRow => ({
      section: 'Kept hot',
      when: at(atMs),
      what: soupName,
      figure: `${degrees(tempC, units, 1)}${minutes === undefined ? '' : ` for ${showMinutes(minutes)}`}`,
      state:
        minutes === undefined ? 'read at the stove' : tempC >= leastC ? 'good' : `too cool, at least ${degrees(leastC, units)}`,
      isBad: minutes !== undefined && tempC < leastC,
      who,
    })),
    ...heated.map((entry) => {
      const isBad =
        entry.action.kind === 'reheated' && (entry.action.toC < REHEATING.toC || entry.action.minutes > REHEATING.withinMin);
      return told('Heated again', entry, isBad, isBad ? `less hot or slower than ${reheatingWords(units)}` : 'good');
    }),
    ...thrownAway.map((entry) => told('Thrown away', entry, false, '')),
  ];
}

/** What is missing on a day, as sentences; none where nothing is. */
export function dayWarnings({ missed: { checks, warm, coolings } }: DaySheet): string[] {
  const times = (n: number, one: string, many: string): string => (n === 1 ? one : `${String(n)} ${many}`);
  return [
    ...(checks > 0 ? [`${times(checks, 'One look at a fridge or freezer is', 'looks at fridges and freezers are')} missing.`] : []),
    ...(warm > 0
      ? [`${times(warm, 'One look found', 'looks found')} it too warm: move what is in it, and say what was done.`]
      : []),
    ...(coolings > 0
      ? [
          `${times(coolings, 'One cooling is', 'coolings are')} past the rule by what was read: throw it away, or say what was done.`,
        ]
      : []),
  ];
}
