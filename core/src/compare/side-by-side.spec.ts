import fc from 'fast-check';
import { actualRibbon, foldBatch, type Action } from '../batch/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { namer, sideBySideWords, stopNamer } from '../messages/index.js';
import { entriesOf, snapshotOf, stepIds } from '../../spec/entries.js';
import { sideBySide, type Compared, type CookedOnce, type Difference } from './index.js';

const EXAMPLE = 'beetroot-horseradish';

/** A batch of so many bowls with every step ticked, and what was done beside that before a step. */
function cooked(bowls: number, before: Readonly<Record<string, readonly Action[]>> = {}): CookedOnce {
  const snapshot = snapshotOf(EXAMPLE, bowls);
  const entries = entriesOf(stepIds(snapshot).flatMap((stepId): Action[] => [...(before[stepId] ?? []), { kind: 'done', stepId }]));
  const state = foldBatch(snapshot, entries);
  return {
    ribbon: actualRibbon(state),
    sizeKg: (snapshot.request.bowls * snapshot.request.bowlG) / 1000,
    figures: state.forecast,
  };
}

const plain = cooked(40);
const STOCK_M3 = 0.001;
const wetter = cooked(40, { simmer: [{ kind: 'poured', stepId: 'simmer', line: 'stock', vessel: 'Jug', volumeM3: STOCK_M3 }] });

function told({ told: all }: Compared): string[] {
  const soup = snapshotOf(EXAMPLE).soup;
  const nameOf = namer(soup, LARDER_ROWS);
  const stepNameOf = (stepId: string): string => stopNamer(soup, nameOf)({ stepId } as Parameters<ReturnType<typeof stopNamer>>[0]);
  return all.map((one) =>
    sideBySideWords(one, { nameOf, stepNameOf, units: 'metric', money: (amount) => `£${amount.toFixed(2)}` }),
  );
}

describe('two batches side by side', () => {
  it('nothing is told of a batch beside itself, whatever its size', () => {
    const same = sideBySide(plain, plain);
    expect(same.scale).toBe(1);
    expect(same.told).toEqual([]);
    expect(same.lines.length).toBeGreaterThan(4);
    for (const { first, second } of [...same.lines, ...same.gone, ...same.minutes, ...same.figures]) expect(second).toBe(first);
  });

  it('a litre more stock is told in its kilos, with what came of it', () => {
    const compared = sideBySide(plain, wetter);
    const stock = compared.lines.find((one) => one.of === 'line' && one.lineId === 'stock');
    // A litre of stock is a kilo of it, within a hundredth.
    expect(stock!.second - stock!.first).toBeCloseTo(1, 1);
    const words = told(compared);
    expect(words).toContain(jasmine.stringMatching(/^(?:1|1\.0\d) kg more .*stock$/));
    expect(words).toContain(jasmine.stringMatching(/^Thinner: \w+, \d+ mPa·s, the first \w+, \d+ mPa·s$/));
    expect(words).toContain(jasmine.stringMatching(/ cooked$/));
  });

  it('the other way round is the same with its signs turned', () => {
    const [there, back] = [sideBySide(plain, wetter), sideBySide(wetter, plain)];
    const key = (one: Difference): string => JSON.stringify({ ...one, first: 0, second: 0 });
    const found = new Map(back.lines.map((one) => [key(one), one]));
    for (const one of there.lines) {
      const other = found.get(key(one))!;
      expect([other.first, other.second]).toEqual([one.second, one.first]);
    }
    expect(back.told.length).toBe(there.told.length);
    expect(told(back)).toContain(jasmine.stringMatching(/kg less .*stock$/));
  });

  it('a batch of twice the bowls is laid beside at the size of the one that is asked about', () => {
    const { scale, lines } = sideBySide(cooked(80), plain);
    expect(scale).toBe(0.5);
    for (const { first, second } of lines.filter((one) => one.of === 'line' && one.lineId === 'beetroot')) {
      expect(first).toBeGreaterThan(1);
      expect(Math.abs(second - first)).toBeLessThan(0.03 * first);
    }
  });

  it('a line is told when it weighs something or is a seasoning that is tasted; minutes when they are many', () => {
    const ribbon = (stockKg: number, pepperKg: number, minutes: number): CookedOnce => ({
      sizeKg: 10,
      figures: { cookedKg: 10, bowls: 33, saltPct: 0.8, bodyMPas: 200, cost: 9, minutes: 60 },
      ribbon: {
        bands: [
          {
            branchId: 'main',
            name: 'Pot',
            stops: [
              {
                stepId: 'simmer',
                op: 'simmer',
                beforeKg: 0,
                afterKg: 0,
                colour: '#fff',
                ins: [
                  { kind: 'ingredient', lineId: 'stock', kg: stockKg, colour: '#fff' },
                  { kind: 'ingredient', lineId: 'pepper', kg: pepperKg, colour: '#fff' },
                ],
                outs: [],
                joins: undefined,
                minutes,
                tempC: 95,
              },
            ],
          },
        ],
      },
    });
    const of = (b: CookedOnce): string[] =>
      sideBySide(ribbon(8, 0.004, 25), b).told.map((one) => (one.of === 'line' ? one.lineId : one.of));
    expect(of(ribbon(8.07, 0.0043, 28))).toEqual([]);
    expect(of(ribbon(8.5, 0.004, 25))).toEqual(['stock']);
    expect(of(ribbon(8, 0.006, 25))).toEqual(['pepper']);
    expect(of(ribbon(8, 0.004, 32))).toEqual(['minutes']);
    // Nothing told is ever less than a hundredth of the pot, a fifth of a seasoning, or five minutes.
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 0.001, max: 0.05, noNaN: true }),
        (stock, pepper) => {
          const all = sideBySide(ribbon(8, 0.004, 25), ribbon(stock, pepper, 25)).told;
          const isStock = all.some((one) => one.of === 'line' && one.lineId === 'stock');
          expect(isStock).toBe(Math.abs(stock - 8) / 8.004 >= 0.01);
        },
      ),
      { numRuns: 100 },
    );
  });
});
