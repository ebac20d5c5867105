import { z } from 'zod';

/** A time on the kitchen's wall clock. */
export const ClockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'it has to be a time such as 12:00' });

/** Whether a name is a time zone of the IANA database that this machine knows. */
export function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** One format for each zone: making one costs a thousand times what using it does. */
const FORMATS = new Map<string | undefined, Intl.DateTimeFormat>();

function formatOf(zone: string | undefined): Intl.DateTimeFormat {
  let format = FORMATS.get(zone);
  if (format === undefined) {
    format = new Intl.DateTimeFormat('en', {
      timeZone: zone,
      calendar: 'gregory',
      numberingSystem: 'latn',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    FORMATS.set(zone, format);
  }
  return format;
}

/**
 * The calendar day of a moment where a kitchen stands, as YYYY-MM-DD.
 *
 * @param ms milliseconds since 1970 in UTC.
 * @param zone an IANA time zone; where none is known, the machine's own.
 * @example dayOf(Date.UTC(2026, 0, 1, 21), 'Australia/Sydney') // '2026-01-02'
 */
export function dayOf(ms: number, zone?: string): string {
  const parts = formatOf(zone).formatToParts(ms);
  const of = (type: 'year' | 'month' | 'day'): string => parts.find((part) => part.type === type)?.value ?? '';
  return `${of('year').padStart(4, '0')}-${of('month')}-${of('day')}`;
}

/** What tells days and hours where a kitchen stands. */
export interface DayClock {
  /** The day of a moment, YYYY-MM-DD. */
  readonly dayOf: (ms: number) => string;
  /** Minutes after midnight of a moment. */
  readonly minuteOf: (ms: number) => number;
  readonly nowMs: number;
}

/** @param zone an IANA time zone; where none is known, the machine's own. */
export function dayClock(zone: string | undefined, nowMs: number): DayClock {
  const time = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  return {
    dayOf: (ms) => dayOf(ms, zone),
    minuteOf: (ms) => {
      const [hour = 0, minute = 0] = time.format(ms).split(':').map(Number);
      return hour * 60 + minute;
    },
    nowMs,
  };
}

/** So often a guess is corrected: the second time is for a guess on the other side of a change of clocks. */
const ROUNDS = 2;
const MINUTE_MS = 60_000;

/**
 * The moment at which a kitchen's clock shows so many minutes after midnight of a day. An hour that a change of clocks leaves out
 * is the one after it.
 *
 * @param day YYYY-MM-DD; NaN for what is no day. @param zone an IANA time zone; where none is known, the machine's own.
 * @example momentOf('2026-01-02', 480, 'Australia/Sydney') // Date.UTC(2026, 0, 1, 21)
 */
export function momentOf(day: string, minute: number, zone?: string): number {
  const wanted = Date.parse(`${day}T00:00:00Z`) + minute * MINUTE_MS;
  if (Number.isNaN(wanted)) return wanted;
  const clock = dayClock(zone, wanted);
  let ms = wanted;
  for (let round = 0; round < ROUNDS; round++) {
    const [y = 1970, m = 1, d = 1] = clock.dayOf(ms).split('-').map(Number);
    ms += wanted - Date.UTC(y, m - 1, d, 0, clock.minuteOf(ms));
  }
  return ms;
}
