import fc from 'fast-check';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { prepareSoup, run } from '../runner/index.js';
import { risingRoot } from '../numbers/index.js';
import { scaleForBowls, scaleForPot } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const SEARCH = { guess: 1, least: 1e-6, most: 1e6, tolerance: 1e-12, mostEvaluations: 120 };

describe('risingRoot', () => {
  it('finds the square root of two, the fixed point of cosine and a cube root far from its guess', () => {
    const found = (f: (x: number) => number): number => {
      const root = risingRoot(f, SEARCH);
      return root.ok ? root.x : Number.NaN;
    };
    expect(found((x) => x * x - 2)).toBeCloseTo(Math.SQRT2, 9);
    expect(found((x) => x - Math.cos(x))).toBeCloseTo(0.7390851332, 9);
    expect(found((x) => (x / 5000) ** 3 - 1)).toBeCloseTo(5000, 5);
  });

  it('says what went wrong instead of giving a number', () => {
    expect(risingRoot(() => 1, SEARCH)).toEqual(jasmine.objectContaining({ ok: false, code: 'NO_BRACKET' }));
    expect(risingRoot(() => Number.NaN, SEARCH)).toEqual(jasmine.objectContaining({ ok: false, code: 'NOT_A_NUMBER' }));
    expect(risingRoot((x) => Math.atan(x - 3.3), { ...SEARCH, tolerance: 0, mostEvaluations: 9 })).toEqual(
      jasmine.objectContaining({ ok: false, code: 'DID_NOT_CONVERGE' }),
    );
  });
});

describe('backwards', () => {
  for (const soup of EXAMPLE_SOUPS) {
    it(`${soup.id}: the amounts for any number of bowls, run forward, give those bowls within 0.1 %`, () => {
      const preparation = prepareSoup(soup, larder, READY_KITS.canteen, 'boiler-98', 0.3);
      if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
      fc.assert(
        fc.property(fc.double({ min: 60, max: 400, noNaN: true }), (bowls) => {
          const solved = scaleForBowls(preparation.prepared, bowls);
          if (!solved.ok) throw new Error(solved.code);
          expect(solved.evaluations).toBeLessThan(40);
          expect(Math.abs(run(preparation.prepared, solved.scale).bowls / bowls - 1)).toBeLessThan(0.001);
        }),
        { numRuns: 20 },
      );
    });

    it(`${soup.id}: the scale that fills a pot fills it`, () => {
      const preparation = prepareSoup(soup, larder, READY_KITS.canteen, 'stockpot-20', 0.3);
      if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
      const solved = scaleForPot(preparation.prepared);
      // 32 cm wide, 26 cm deep, 88 % of it: 0.080425 m2 x 0.26 m x 0.88 = 18.401 L
      expect(solved.ok && solved.run.peakM3).toBeCloseTo(0.018401, 6);
    });
  }
});
