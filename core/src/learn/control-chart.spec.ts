import { controlChart } from './index.js';

describe('a control chart', () => {
  it('has the middle and limits of the textbook’s chart for individuals', () => {
    // Mean 10, median moving range 2: limits 10 ± 3 x 2 / 0.954.
    const chart = controlChart([9, 11, 9, 11, 9, 11])!;
    expect(chart.middle).toBeCloseTo(10, 12);
    expect(chart.high).toBeCloseTo(10 + 6 / 0.954, 12);
    expect(chart.low).toBeCloseTo(10 - 6 / 0.954, 12);
    expect(chart.signals).toEqual([]);
  });

  it('names what is beyond its limits', () => {
    const chart = controlChart([0, 1, 0, 1, 0, 1, 0, 14, 1, 0, 1, 0, 1, 0, 1])!;
    expect(chart.signals).toContain({ what: 'far off', at: 7, count: 1, side: 'high' });
  });

  it('is not widened by what it names: three spoilt batches hide no fourth', () => {
    const quiet = Array.from({ length: 24 }, (_, n) => (n % 2 === 0 ? 0 : 1));
    const values = quiet.map((value, n) => (n % 7 === 6 ? 30 : value));
    const far = controlChart(values)!.signals.filter(({ what, side }) => what === 'far off' && side === 'high');
    expect(far.map(({ at }) => at)).toEqual([6, 13, 20]);
    expect(controlChart([...values, 8])!.signals).toContain(jasmine.objectContaining({ what: 'far off', at: 24 }));
  });

  it('names eight in a row on one side, and not seven', () => {
    const before = [5, -5, 5, -5, 5, -5, 5, -5];
    const after = (count: number): number[] => Array.from({ length: count }, (_, n) => 2.4 + (n % 2) * 0.2);
    const oneSide = (values: number[]) => controlChart(values)!.signals.filter(({ what }) => what === 'one side');
    expect(oneSide([...before, ...after(8)]).map(({ count, side, at }) => [count, side, at])).toEqual([[8, 'high', 15]]);
    expect(oneSide([...before, ...after(7)])).toEqual([]);
  });

  it('names a drift of six', () => {
    const drifts = (values: number[]) => controlChart(values)!.signals.filter(({ what }) => what === 'drifting');
    expect(drifts([3, 1, 2, 3, 4, 5, 6]).map(({ count, at, side }) => [count, at, side])).toEqual([[6, 6, 'high']]);
    expect(drifts([3, 1, 2, 3, 4, 5, 4])).toEqual([]);
  });

  it('says nothing of three', () => {
    expect(controlChart([1, 2, 3])).toBeUndefined();
  });

  it('stays finite where every batch is the same', () => {
    expect(controlChart([2, 2, 2, 2])).toEqual({ middle: 2, low: 2, high: 2, signals: [] });
  });
});
