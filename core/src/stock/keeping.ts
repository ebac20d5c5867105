import { KEEPING_RULES, SHORTER_DAYS, type KeepingRule } from '../cold/index.js';
import type { Kit } from '../kit/index.js';
import type { SHORTENERS } from './entry.js';

/** The rules by which a kitchen keeps soup: in its fridge and in its freezer. */
export interface Keeping {
  readonly fridge: KeepingRule;
  readonly freezer: KeepingRule;
}

/** By name, as a kit says it: a food business goes by the code, a home by the advice for homes. */
export function keepingOf(name: Kit['keeps']): Keeping {
  return { fridge: name === 'home' ? KEEPING_RULES.home : KEEPING_RULES.readyToEat, freezer: KEEPING_RULES.freezer };
}

/**
 * How long something may still be kept in the fridge, days YYYY-MM-DD in the kitchen's zone. `day` is its last day; in the
 * freezer the count stands still, and `left` are the days that go on once it thaws.
 */
export type Limit = { readonly shortenedBy: ShortenedBy; readonly isDried?: boolean } & (
  | { readonly day: string; readonly left?: undefined }
  | { readonly day?: undefined; readonly left: number; readonly frozenDay: string }
);
export type ShortenedBy = (typeof SHORTENERS)[number] | 'what went in' | undefined;

export interface UseByDay {
  /** The last day on which it may be eaten. */
  readonly day: string;
  readonly rule: KeepingRule;
  readonly shortenedBy: ShortenedBy;
  /** Days that are left of the fridge's count once it thaws; undefined for what is not frozen. */
  readonly daysOnceThawed: number | undefined;
}

const DAY_MS = 86_400_000;
const DAYS_A_MONTH = 30;

/** @example plusDays('2026-02-27', 2) // '2026-03-01' */
export function plusDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

/** @example daysBetween('2026-02-27', '2026-03-01') // 2 */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
}

/** Days of a week since Monday. @example weekdayOf('2026-12-04') // 4, a Friday */
export function weekdayOf(date: string): number {
  return (new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7;
}

/**
 * The count that begins when a soup is made: that day is the first. What is in it may shorten it, and it is never longer
 * than the soonest limit of what went in.
 *
 * @param boundDay the soonest last day of kept soup that went in.
 */
export function firstLimit(
  madeDay: string,
  holds: readonly (typeof SHORTENERS)[number][],
  { fridge }: Keeping,
  boundDay?: string,
): Limit {
  const shortest = holds.reduce<{ days: number; by: ShortenedBy }>(
    (best, one) => (SHORTER_DAYS[one] < best.days ? { days: SHORTER_DAYS[one], by: one } : best),
    { days: fridge.days ?? 1, by: undefined },
  );
  return sooner({ day: plusDays(madeDay, shortest.days - 1), shortenedBy: shortest.by }, boundDay);
}

/** A limit that is no later than a day. */
export function sooner(limit: Limit, boundDay: string | undefined): Limit {
  return limit.day !== undefined && boundDay !== undefined && boundDay < limit.day
    ? { day: boundDay, shortenedBy: 'what went in' }
    : limit;
}

/** Two limits together: the sooner of both. In the freezer: the fewer days, since the longer time. */
export function joinedLimit(a: Limit, b: Limit): Limit {
  if (a.day !== undefined) return sooner(a, b.day);
  if (b.day !== undefined) return a;
  return {
    left: Math.min(a.left, b.left),
    frozenDay: a.frozenDay < b.frozenDay ? a.frozenDay : b.frozenDay,
    shortenedBy: b.left < a.left ? b.shortenedBy : a.shortenedBy,
  };
}

/** Into the freezer: the count stops, this day is its last one so far (FDA Food Code 2022, 3-501.17). */
export function frozenLimit(limit: Limit, frozenDay: string): Limit {
  if (limit.day === undefined) return limit;
  return { left: Math.max(0, daysBetween(frozenDay, limit.day)), frozenDay, shortenedBy: limit.shortenedBy };
}

/** Out of the freezer: the count goes on with this day, never from the start. */
export function thawedLimit(limit: Limit, thawedDay: string): Limit {
  if (limit.day !== undefined) return limit;
  return { day: plusDays(thawedDay, limit.left - 1), shortenedBy: limit.shortenedBy };
}

/** Dried: another count, from this day, for what was made in time and is dry. */
export function driedLimit(driedDay: string): Limit {
  return { day: plusDays(driedDay, KEEPING_RULES.dried.months * DAYS_A_MONTH), shortenedBy: undefined, isDried: true };
}

/** The last day by a limit: of the fridge's count, or in the freezer by the rule of the freezer. */
export function useByDay(limit: Limit, { fridge, freezer }: Keeping): UseByDay {
  if (limit.day !== undefined && limit.isDried === true)
    return { day: limit.day, rule: KEEPING_RULES.dried, shortenedBy: undefined, daysOnceThawed: undefined };
  if (limit.day !== undefined) return { day: limit.day, rule: fridge, shortenedBy: limit.shortenedBy, daysOnceThawed: undefined };
  return {
    day: plusDays(limit.frozenDay, (freezer.months ?? 1) * DAYS_A_MONTH),
    rule: freezer,
    shortenedBy: undefined,
    daysOnceThawed: limit.left,
  };
}
