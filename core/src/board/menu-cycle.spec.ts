import { dayWith, wanted } from '../../spec/days.js';
import { READY_KITS } from '../kit/index.js';
import type { DayBatch } from './day.js';
import { plusDays, weekdayOf } from '../stock/index.js';
import { takeOrders, type DayOrder } from './orders.js';
import { MenuCycleSchema, cycleOfDays, dayByMenu, menuOn, weekOfCycle, type MenuCycle } from './menu-cycle.js';

const MONDAY = '2026-11-30';
const order = (soupId: string, bowls: number): DayOrder => ({ soupId, bowls, bowlG: 300, at: '12:00', keeps: false });
const week = (fill: Readonly<Record<number, readonly DayOrder[]>>) => ({
  days: Array.from({ length: 7 }, (_, n) => [...(fill[n] ?? [])]),
});
const TWO: MenuCycle = {
  startsOn: MONDAY,
  weeks: [
    week({ 0: [order('leek-potato', 40)], 4: [order('beetroot-horseradish', 60)] }),
    week({ 4: [order('parsnip-butter', 30)] }),
  ],
};

describe('a menu of weeks', () => {
  it('begins on a Monday, has seven days a week, and is refused otherwise', () => {
    expect(MenuCycleSchema.safeParse(TWO).success).toBeTrue();
    expect(MenuCycleSchema.safeParse({ ...TWO, startsOn: '2026-12-01' }).success).toBeFalse();
    expect(MenuCycleSchema.safeParse({ ...TWO, weeks: [] }).success).toBeFalse();
    expect(MenuCycleSchema.safeParse({ ...TWO, weeks: [{ days: [[]] }] }).success).toBeFalse();
    const huge = week({ 0: [order('leek-potato', 1e9)] });
    expect(MenuCycleSchema.safeParse({ ...TWO, weeks: [huge] }).success).toBeFalse();
  });

  it('comes round again, and reaches back before it began; also over a change of clocks and of years', () => {
    expect(weekdayOf('2026-12-04')).toBe(4);
    expect(weekdayOf('2026-12-06')).toBe(6);
    expect(menuOn(TWO, '2026-12-04').map(({ soupId }) => soupId)).toEqual(['beetroot-horseradish']);
    expect(menuOn(TWO, '2026-12-11').map(({ soupId }) => soupId)).toEqual(['parsnip-butter']);
    expect(menuOn(TWO, '2026-12-05')).toEqual([]);
    for (let n = -60; n < 60; n++) {
      const date = plusDays(MONDAY, n);
      expect(menuOn(TWO, plusDays(date, 14)))
        .withContext(date)
        .toEqual(menuOn(TWO, date));
      expect(weekOfCycle(TWO, date))
        .withContext(date)
        .toBe(((Math.floor(n / 7) % 2) + 2) % 2);
    }
  });

  it('fills a day with the kitchen’s hours and hands; a day that is planned keeps its own and gets what is missing', () => {
    const kit = READY_KITS.canteen;
    const bare = dayByMenu(TWO, '2026-12-04', kit);
    expect(bare.batches.map(({ soupId, request, at }) => [soupId, request.bowls, at])).toEqual([
      ['beetroot-horseradish', 60, '12:00'],
    ]);
    const own = dayWith([wanted('pea-lettuce-cold', 20)], { starts: '06:15' });
    const both = dayByMenu(TWO, own.date, kit, own);
    expect(both.starts).toBe('06:15');
    expect(both.batches.map(({ soupId }) => soupId)).toEqual(['pea-lettuce-cold', 'beetroot-horseradish']);
    // Asked twice it is there once.
    expect(dayByMenu(TWO, own.date, kit, both)).toEqual(both);
  });

  it('is made of days as they were planned, and gives those days back', () => {
    const kit = READY_KITS.canteen;
    const friday = dayWith([wanted('beetroot-horseradish', 60), { ...wanted('pea-lettuce-cold', 20), keeps: true }]);
    const nextMonday = { ...dayWith([wanted('leek-potato', 25, '13:00')]), date: '2026-12-07' };
    const outside = { ...dayWith([wanted('parsnip-butter', 25)]), date: '2026-12-14' };
    const cycle = cycleOfDays([friday, nextMonday, outside], MONDAY, 2);
    expect(MenuCycleSchema.safeParse(cycle).success).toBeTrue();
    for (const day of [friday, nextMonday]) {
      const again = dayByMenu(cycle, plusDays(day.date, 14), kit).batches;
      expect(again.map(({ soupId, request, at, keeps }) => [soupId, request.bowls, at, keeps === true])).toEqual(
        day.batches.map(({ soupId, request, at, keeps }) => [soupId, request.bowls, at, keeps === true]),
      );
    }
    expect(cycle.weeks.flatMap(({ days }) => days.flat()).length).toBe(3);
  });

  it('keeps the choices of the card: a variant stays a variant, beside the plain soup too', () => {
    const kit = READY_KITS.canteen;
    const plain = wanted('leek-potato', 40);
    const without = { ...plain, id: 'without', request: { ...plain.request, bowls: 8, variant: 'no-milk', without: ['chives'] } };
    for (const batches of [
      [plain, without],
      [without, plain],
    ]) {
      const cycle = cycleOfDays([dayWith(batches)], MONDAY, 1);
      const day = dayByMenu(cycle, '2026-12-11', kit);
      const chosen = ({ request: { bowls, variant, without: lines } }: Pick<DayBatch, 'request'>) => ({ bowls, variant, lines });
      expect(day.batches.map(chosen)).toEqual(batches.map(chosen));
      expect(dayByMenu(cycle, '2026-12-11', kit, day)).toEqual(day);
    }
    // An order that says nothing of choices is for the soup as the day has it.
    const order = { soupId: 'leek-potato', bowls: 9, bowlG: 300, at: '12:00', keeps: false };
    expect(takeOrders(dayWith([without]), [order]).day.batches.map(({ request }) => [request.bowls, request.variant])).toEqual([
      [9, 'no-milk'],
    ]);
  });
});
