import { dayWith, wanted } from '../../../../core/spec/days';
import { planDay, type Day, type DayPlan } from '@tureen/core/board';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { planToBuy } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { DayPlanner, progressOf, type DayAsk, type Started } from './day-view';

const KIT = READY_KITS.canteen;
const MINUTE_MS = 60_000;
const DAY = dayWith([wanted('parsnip-butter', 40), wanted('celeriac-leek-apple', 40)]);
const soup = (id: string) => EXAMPLE_SOUPS.find((one) => one.id === id)!;

function planner(): DayPlanner {
  const own = new DayPlanner();
  own.stock(LARDER_ROWS, KIT);
  return own;
}

function asked(over: Partial<DayAsk> = {}): DayAsk {
  const soups = DAY.batches.map(({ soupId }) => ({ soupId, version: undefined, soup: soup(soupId) }));
  return { day: DAY, soups, started: [], now: undefined, ...over };
}

describe('a day that goes on', () => {
  const snapshot = () => {
    const planning = planToBuy(soup('parsnip-butter'), LARDER_ROWS, KIT, { bowls: 40, bowlG: 300, potId: 'stockpot-20' });
    if (!planning.ok) throw new Error(planning.error.code);
    return planning.plan.snapshot;
  };
  const nineMs = Date.UTC(2026, 11, 4, 9);
  const roasting = (startedAtMs: number): Started => ({
    id: 'parsnip',
    snapshot: snapshot(),
    done: ['trim', 'oil'],
    running: [{ stepId: 'roast', startedAtMs, minutes: 42 }],
    isOver: false,
  });

  it('takes what was proved: a better plan of a day ahead, of one that is being cooked the bound alone', () => {
    const moved = (own: DayPlanner): DayPlan => {
      const plan = planDay(own.open()!.work, 40)!;
      return { ...plan, inHandMin: plan.inHandMin + 7, mostInHandMin: plan.inHandMin + 7 };
    };
    // One cook has more to do than the longest soup takes: it is open whether another order is better.
    const day = dayWith(DAY.batches, { people: DAY.people.slice(0, 1) });
    const ahead = planner();
    const before = ahead.first(asked({ day }))!;
    expect(before.more).toContain('could give more than');
    const after = ahead.take(moved(ahead))!;
    expect(after.main).not.toBe(before.main);
    expect(after.more).toContain('No order of work gives more');
    const now = planner();
    const begun = now.first(asked({ day, now: { ms: nineMs, minute: 480 } }))!;
    const kept = now.take(moved(now))!;
    expect(kept.main).toBe(begun.main);
    expect(kept.rows).toEqual(begun.rows);
  });

  it('what goes into the cold is in pans from when it is ready: by the clock, and in a lane of its own', () => {
    const [parsnip, celeriac] = DAY.batches;
    const day = { ...DAY, batches: [{ ...parsnip!, keeps: true }, celeriac!] };
    const view = planner().first(asked({ day }))!;
    const rows = view.rows.filter(({ short }) => short === 'Cool');
    expect(rows.map(({ batchId, startMin }) => [batchId, startMin])).toEqual([[parsnip!.id, 720]]);
    expect(rows[0]?.what).toMatch(/^Into \d+ × .*cold by then in nine of ten cases/);
    expect(view.picture.lanes.some(({ id, name }) => id.startsWith('cold/') && name === rows[0]?.where)).toBeTrue();
    expect(view.rows.map(({ startMin }) => startMin)).toEqual([...view.rows.map(({ startMin }) => startMin)].sort((a, b) => a - b));
    // Without a pan to put it in it is told, and stays on the day.
    const bare = new DayPlanner();
    bare.stock(LARDER_ROWS, { ...KIT, pans: [] });
    const without = bare.first(asked({ day }))!;
    expect(without.soups.find(({ id }) => id === parsnip!.id)?.trouble).toContain('no pans or place are left');
    expect(without.soups.find(({ id }) => id === celeriac!.id)?.trouble).toBeUndefined();
  });

  it('what runs has the minutes that are left of it, and a minute where it should be over', () => {
    const { left, running } = progressOf(roasting(nineMs - 20 * MINUTE_MS), nineMs);
    expect(left.get('trim')).toBe(0);
    expect(left.get('roast')).toBe(22);
    expect(running).toEqual(['roast']);
    expect(progressOf(roasting(nineMs - 62 * MINUTE_MS), nineMs).left.get('roast')).toBe(1);
  });

  it('a tray that is forgotten for twenty minutes leaves service where it was, and its oven is the tray’s until then', () => {
    const own = planner();
    const view = own.first(asked({ started: [roasting(nineMs - 42 * MINUTE_MS)], now: { ms: nineMs, minute: 540 } }));
    const late = own.first(
      asked({ started: [roasting(nineMs - 42 * MINUTE_MS)], now: { ms: nineMs + 20 * MINUTE_MS, minute: 560 } }),
    );
    for (const one of [view, late]) {
      expect(one?.isLate).toBeFalse();
      expect(one?.rows.some(({ what }) => what.startsWith('Trim and cut the parsnip'))).toBeFalse();
    }
    const roast = late?.rows.find(({ stepId }) => stepId === 'roast');
    expect(roast?.startMin).toBe(560);
    expect(roast?.endMin).toBe(561);
    expect(late?.rows.every(({ startMin }) => startMin >= 560)).toBeTrue();
  });

  it('a batch that is over takes no place any more', () => {
    const view = planner().first(asked({ started: [{ ...roasting(nineMs), isOver: true }], now: { ms: nineMs, minute: 540 } }));
    expect(view?.rows.every(({ batchId }) => batchId === 'celeriac')).toBeTrue();
  });

  it('says that work goes on after the day’s end', () => {
    const view = planner().first(asked({ day: { ...DAY, ends: '11:30' } }));
    expect(view?.more).toMatch(/The last work is over .* after the day ends/);
  });
});

describe('a day as it is shown', () => {
  it('without a kitchen or with a soup that is gone says what is wrong, and plans the rest', () => {
    expect(new DayPlanner().first(asked())).toBeUndefined();
    const [first] = asked().soups;
    const view = planner().first(asked({ soups: first === undefined ? [] : [first] }));
    expect(view?.soups.find(({ id }) => id === 'celeriac')?.trouble).toContain('no longer on the shelf');
    expect(view?.soups.find(({ id }) => id === 'parsnip')?.trouble).toBeUndefined();
  });

  it('a longer look is never worse, and its picture has every lane that is used', () => {
    const own = planner();
    const first = own.first(asked());
    const better = own.better() ?? first;
    expect(better?.rows[0]?.startMin ?? 0).toBeGreaterThanOrEqual(first?.rows[0]?.startMin ?? 0);
    const lanes = new Set(better?.picture.lanes.map(({ id }) => id));
    const used = better?.picture.ways.flatMap(({ stays }) => stays.map(({ lane }) => lane)) ?? [];
    expect(used.length).toBeGreaterThan(0);
    expect(used.filter((lane) => !lanes.has(lane))).toEqual([]);
    expect(better?.picture.posts.map(({ atMin, text }) => [atMin, text])).toEqual([[720, '40 + 40 bowls']]);
  });

  it('a soup settled by hand comes as late as that makes it, and where it can’t be at all it says so', () => {
    const at = (clock: string): Day => ({ ...DAY, pins: [{ block: 'parsnip/roast', at: clock }] });
    const late = planner().first(asked({ day: at('11:58') }));
    expect(late?.soups.find(({ id }) => id === 'parsnip')?.lateMin).toBeGreaterThan(30);
    expect(late?.rows.find(({ stepId }) => stepId === 'roast')?.startMin).toBe(718);
    const never = planner().first(asked({ day: at('23:50') }));
    expect(never?.soups.find(({ id }) => id === 'parsnip')?.trouble).toContain('settled by hand');
  });

  it('buys for all its soups, the same ingredient once', () => {
    const soups = asked().soups;
    const list = planner().shop([{ day: DAY, soups }], [], []);
    const ids = list.map(({ ingredient }) => ingredient);
    expect(new Set(ids).size).toBe(ids.length);
    const twice = planner().shop(
      [
        { day: DAY, soups },
        { day: { ...DAY, date: '2026-12-05' }, soups },
      ],
      [],
      [],
    );
    const need = (of: typeof list, id: string) => of.find(({ ingredient }) => ingredient === id)?.neededKg ?? 0;
    expect(need(twice, 'parsnip')).toBeCloseTo(2 * need(list, 'parsnip'), 6);
  });
});
