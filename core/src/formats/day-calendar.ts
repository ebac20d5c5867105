import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { plusDays } from '../stock/index.js';

/** One thing of a day, for a calendar. Minutes after midnight on the kitchen's wall clock. */
export interface CalendarRow {
  readonly id: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly short: string;
  readonly what: string;
  readonly where: string;
  readonly soup: string;
  readonly person: string | undefined;
}

const DAY_MIN = 1440;

/** A minute of a day as a calendar's date and time; before midnight it is the day before. */
function moment(date: string, minute: number): DateArray {
  const days = Math.floor(minute / DAY_MIN);
  const [year = 0, month = 0, day = 0] = plusDays(date, days).split('-').map(Number);
  const own = minute - days * DAY_MIN;
  return [year, month, day, Math.floor(own / 60), Math.round(own) % 60];
}

/**
 * A day's work as iCalendar (RFC 5545). Times are floating: they are those of the kitchen's own clock, also on the day on which
 * it changes. Throws where a row is none that a calendar can hold.
 *
 * @param name what the calendar is called.
 */
export function dayCalendar(rows: readonly CalendarRow[], date: string, name: string): string {
  const events = rows.map(({ id, startMin, endMin, short, what, where, soup, person }): EventAttributes => ({
    uid: `${date}/${id}@tidy-tureen`,
    start: moment(date, Math.round(startMin)),
    end: moment(date, Math.max(Math.round(startMin) + 1, Math.round(endMin))),
    startInputType: 'local',
    startOutputType: 'local',
    endInputType: 'local',
    endOutputType: 'local',
    title: `${short} · ${soup}`,
    description: person === undefined ? what : `${person}: ${what}`,
    location: where,
    calName: name,
    productId: 'tidy-tureen',
  }));
  const { error, value } = createEvents(events, { calName: name, productId: 'tidy-tureen' });
  if (value === null) throw new Error(`The day makes no calendar: ${error?.message ?? 'no reason given'}`);
  return value;
}
