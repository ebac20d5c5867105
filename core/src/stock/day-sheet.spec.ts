import { COOLING_RULES } from '../cold/index.js';
import { dayClock, type ColdStore } from '../kit/index.js';
import { STOCK_SHAPE, StockEntrySchema, daySheet, verdictsOf, type Cooling, type StockAction, type StockEntry } from './index.js';

const MINUTE_MS = 60_000;
const MIDNIGHT = Date.UTC(2026, 2, 2);
const at = (time: string): number => MIDNIGHT + (Number(time.slice(0, 2)) * 60 + Number(time.slice(3))) * MINUTE_MS;
const clockAt = (nowMs: number) => dayClock('UTC', nowMs);
const fridge: ColdStore = { id: 'fridge', name: 'Fridge', kind: 'fridge', mostC: 5, checks: ['08:00', '16:00'] };
const idOf = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

function entry(n: number, time: string, action: StockAction, who = 'AB'): StockEntry {
  return StockEntrySchema.parse({
    of: 'stock',
    id: idOf(n),
    shape: STOCK_SHAPE,
    stamp: { counter: n, device: 'tablet-a', seq: n },
    atMs: at(time),
    who,
    action,
  });
}

const looked = (n: number, time: string, tempC: number, corrects?: { entryId: string; why: string }): StockEntry =>
  entry(n, time, {
    kind: 'checked',
    store: { id: 'fridge', name: 'Fridge', kind: 'fridge' },
    tempC,
    ...(corrects === undefined ? {} : { corrects }),
  });

const checks = (entries: readonly StockEntry[], now: string) =>
  daySheet('2026-03-02', entries, [], [fridge], clockAt(at(now))).stores[0]!.checks;

describe('the day sheet', () => {
  it('names looks that were made, too warm, missed and still to come, each once', () => {
    expect(checks([], '07:00').map(({ state }) => state)).toEqual(['to come', 'to come']);
    expect(checks([], '12:00').map(({ state }) => state)).toEqual(['missed', 'to come']);
    const day = [looked(1, '08:10', 3.4), looked(2, '15:40', 7.2), looked(3, '20:00', 4)];
    const all = checks(day, '23:00');
    expect(all.map(({ state, dueMin }) => [state, dueMin])).toEqual([
      ['good', 480],
      ['too warm', 960],
      ['good', undefined],
    ]);
    const sheet = daySheet('2026-03-02', day.slice(1), [], [fridge], clockAt(at('23:00')));
    expect(sheet.missed).toEqual({ checks: 1, warm: 1, coolings: 0 });
    // Looks of another day say nothing of this one.
    expect(daySheet('2026-03-01', day, [], [fridge], clockAt(at('23:00'))).missed.checks).toBe(2);
  });

  it('a correction counts, and what was written first stays beside it with who and why', () => {
    const [first] = checks(
      [looked(1, '08:10', 34), looked(2, '09:00', 3.4, { entryId: idOf(1), why: 'the point was left out' })],
      '10:00',
    );
    expect(first!.state).toBe('good');
    expect(first!.made!.tempC).toBe(3.4);
    expect(first!.corrected).toEqual({ tempC: 34, why: 'the point was left out', who: 'AB' });
  });

  it('a cooling is kept, missed or not shown by what was read, on the strict side of what was not', () => {
    const rule = COOLING_RULES.find(({ id }) => id === 'two-stage')!;
    const cooling = (readings: readonly (readonly [string, number])[], more: Partial<Cooling> = {}): Cooling => ({
      startMs: at('14:00'),
      startC: 80,
      depthM: 0.05,
      place: 'blast',
      isStirred: false,
      rule: 'two-stage',
      words: '',
      own: undefined,
      countsFromMs: undefined,
      earlier: [],
      readings: readings.map(([time, tempC], n) => ({ entryId: idOf(n), atMs: at(time), tempC })),
      ...more,
    });
    const states = (own: Cooling, now = '23:00') => verdictsOf(own, rule, at(now)).map(({ state }) => state);
    expect(
      states(
        cooling([
          ['14:30', 60],
          ['16:20', 20],
          ['19:00', 4],
        ]),
      ),
    ).toEqual(['kept', 'kept']);
    // 60 °C at 14:30, 20 °C at 16:40: it was at 57 °C some minutes after 14:30, and nobody read when.
    expect(
      states(
        cooling([
          ['14:30', 60],
          ['16:40', 20],
          ['19:00', 4],
        ]),
      ),
    ).toEqual(['missed', 'kept']);
    expect(states(cooling([['14:30', 60]]), '15:00')).toEqual(['not shown', 'not shown']);
    expect(states(cooling([['14:30', 60]]), '17:00')).toEqual(['missed', 'not shown']);
    // Set anew on the way by a rescue: what was read before counts, what was reckoned at the start of it does not.
    const before = (time: string, tempC: number) => ({ entryId: idOf(90), atMs: at(time), tempC });
    const rescued = cooling(
      [
        ['16:10', 20],
        ['18:00', 5],
      ],
      { startMs: at('15:30'), startC: 45, countsFromMs: at('14:50'), earlier: [before('14:00', 80), before('14:20', 62)] },
    );
    expect(states(rescued)).toEqual(['kept', 'kept']);
    expect(states({ ...rescued, earlier: [before('14:00', 80), before('14:05', 62)] })).toEqual(['missed', 'kept']);
  });
});
