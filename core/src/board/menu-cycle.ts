import { z } from 'zod';
import { ClockSchema, type Kit } from '../kit/index.js';
import { LEAST_BOWL_G, MOST_BOWLS, MOST_BOWL_G, PlanRequestSchema } from '../plan/index.js';
import { daysBetween, weekdayOf } from '../stock/index.js';
import { MOST_BATCHES, type Day } from './day.js';
import { emptyDay } from './lanes.js';
import { takeOrders, type DayOrder } from './orders.js';

/** Most weeks before a menu comes round again. */
export const MOST_WEEKS = 8;
const DAYS = 7;

const ItemSchema = z.strictObject({
  soupId: z.string().min(1).max(60),
  bowls: z.number().positive().max(MOST_BOWLS),
  bowlG: z.number().min(LEAST_BOWL_G).max(MOST_BOWL_G),
  at: ClockSchema,
  keeps: z.boolean(),
  /** The variant of the card and the optional lines that are left out; the plain card where there are none. */
  choices: PlanRequestSchema.pick({ variant: true, without: true }).optional(),
});

/** What is cooked on each weekday of some weeks, which then come round again. Monday is the first day of a week. */
export const MenuCycleSchema = z
  .strictObject({
    /** A Monday on which the first week began or begins, YYYY-MM-DD. */
    startsOn: z.iso.date(),
    weeks: z
      .array(z.strictObject({ days: z.array(z.array(ItemSchema).max(MOST_BATCHES)).length(DAYS) }))
      .min(1)
      .max(MOST_WEEKS),
  })
  .refine(({ startsOn }) => weekdayOf(startsOn) === 0, { path: ['startsOn'], message: 'it has to be a Monday' });
export type MenuCycle = z.infer<typeof MenuCycleSchema>;

/** Which week of the cycle a date lies in, from 0; before the cycle began it is counted backwards. */
export function weekOfCycle({ startsOn, weeks }: MenuCycle, date: string): number {
  const week = Math.floor(daysBetween(startsOn, date) / DAYS);
  return ((week % weeks.length) + weeks.length) % weeks.length;
}

/** What the menu asks for on a date. */
export function menuOn(cycle: MenuCycle, date: string): readonly DayOrder[] {
  const items = cycle.weeks[weekOfCycle(cycle, date)]?.days[weekdayOf(date)] ?? [];
  return items.map((item) => ({ ...item, choices: item.choices ?? {} }));
}

/** A day with what the menu asks for on its date, by the hours and hands of the day where it has any, else the kitchen's usual ones. */
export function dayByMenu(cycle: MenuCycle, date: string, kit: Kit, day?: Day): Day {
  return takeOrders(day ?? emptyDay(date, kit), menuOn(cycle, date)).day;
}

/** A menu made of days as they were planned: so many weeks from a Monday on. Days that are not among them are left empty. */
export function cycleOfDays(days: readonly Day[], startsOn: string, weekCount: number): MenuCycle {
  const weeks = Array.from({ length: weekCount }, () => ({ days: Array.from({ length: DAYS }, (): DayOrder[] => []) }));
  for (const { date, batches } of days) {
    const after = daysBetween(startsOn, date);
    const own = weeks[Math.floor(after / DAYS)]?.days[after % DAYS];
    if (after < 0 || own === undefined) continue;
    for (const { soupId, request, at, keeps } of batches) {
      const { bowls, bowlG, variant, without } = request;
      const choices = { ...(variant === undefined ? {} : { variant }), ...(without === undefined ? {} : { without }) };
      own.push({ soupId, bowls, bowlG, at, keeps: keeps === true, choices });
    }
  }
  return { startsOn, weeks };
}
