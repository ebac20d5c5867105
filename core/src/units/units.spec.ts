import { convert as independent } from 'convert';
import fc from 'fast-check';
import Qty from 'js-quantities';
import { UNITS, UNIT_CODES, celsiusOf, convert, fahrenheitOf, showMass, showMinutes, showVolume, type UnitCode } from './index.js';

/** NIST Special Publication 811 (2008), appendix B, and Handbook 44, as printed there; imperial fluid ounce and pint as defined. */
const PUBLISHED: readonly (readonly [UnitCode, UnitCode, number])[] = [
  ['cup-us', 'ml', 236.588],
  ['tbsp-us', 'ml', 14.787],
  ['tsp-us', 'ml', 4.929],
  ['floz-us', 'ml', 29.5735],
  ['pint-us', 'ml', 473.176],
  ['quart-us', 'ml', 946.353],
  ['gallon-us', 'ml', 3785.41],
  ['pint-imp', 'ml', 568.261],
  ['floz-imp', 'ml', 28.4131],
  ['oz', 'g', 28.3495],
  ['lb', 'g', 453.592],
  ['cup-metric', 'ml', 250],
  ['tbsp-au', 'ml', 20],
];

/** The same units as an independent library names them. It keeps seven figures, so agreement is asked to one in a million. */
const NAMED = {
  oz: 'ounce',
  lb: 'pound',
  in: 'inch',
  'pint-us': 'US pint',
  'quart-us': 'US quart',
  'gallon-us': 'US gallon',
  'pint-imp': 'imperial pint',
  'gallon-imp': 'imperial gallon',
} as const;

function value(amount: number, from: UnitCode, to: UnitCode): number {
  const outcome = convert(amount, from, to);
  return outcome.ok ? outcome.value : Number.NaN;
}

describe('units', () => {
  for (const [from, to, figure] of PUBLISHED) {
    it(`1 ${from} is the published ${String(figure)} ${to}, and back`, () => {
      expect(value(1, from, to) / figure).toBeCloseTo(1, 4);
      expect(value(figure, to, from)).toBeCloseTo(1, 4);
    });
  }

  it('agrees with two independent libraries', () => {
    expect(value(1, 'oz', 'g') / independent(1, NAMED.oz).to('gram')).toBeCloseTo(1, 6);
    expect(value(1, 'lb', 'g') / independent(1, NAMED.lb).to('gram')).toBeCloseTo(1, 6);
    expect(value(1, 'in', 'mm') / independent(1, NAMED.in).to('millimeter')).toBeCloseTo(1, 6);
    const pairs = [
      ['cup-us', 'cu'],
      ['floz-us', 'floz'],
      ['gallon-us', 'gal'],
      ['pint-us', 'pt'],
      ['quart-us', 'qt'],
      ['tbsp-us', 'tbs'],
      ['tsp-us', 'tsp'],
    ] as const;
    for (const [code, name] of pairs) {
      expect(value(1, code, 'ml') / Qty(`1 ${name}`).to('ml').scalar)
        .withContext(code)
        .toBeCloseTo(1, 4);
    }
  });

  it('converts there and back to the last figure, for every pair of one dimension', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_CODES),
        fc.constantFrom(...UNIT_CODES),
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        (a, b, x) => {
          fc.pre(UNITS[a].dimension === UNITS[b].dimension);
          expect(value(value(x, a, b), b, a) / x).toBeCloseTo(1, 12);
        },
      ),
    );
  });

  it('refuses two dimensions and what is no number', () => {
    expect(convert(1, 'kg', 'l')).toEqual({ ok: false, error: { code: 'UNIT_DIMENSION', from: 'kg', to: 'l' } });
    expect(convert(Number.NaN, 'kg', 'g').ok).toBeFalse();
    expect(convert(Number.POSITIVE_INFINITY, 'kg', 'g').ok).toBeFalse();
  });

  it('knows the oven and the food-safety temperatures in both scales', () => {
    for (const [f, c] of [
      [350, 176.7],
      [375, 190.6],
      [400, 204.4],
      [425, 218.3],
      [165, 73.9],
      [135, 57.2],
      [70, 21.1],
      [41, 5],
    ] as const) {
      expect(celsiusOf(f)).toBeCloseTo(c, 1);
      expect(fahrenheitOf(celsiusOf(f))).toBeCloseTo(f, 10);
    }
  });

  it('shows what a cook can act on', () => {
    expect(showMass(1.3478, 'metric')).toEqual({ digits: '1.35', unit: 'kg' });
    expect(showMass(0.1924, 'metric')).toEqual({ digits: '192', unit: 'g' });
    expect(showMass(0.00334, 'metric')).toEqual({ digits: '3.3', unit: 'g' });
    expect(showMass(14.824, 'metric')).toEqual({ digits: '14.8', unit: 'kg' });
    expect(showMass(-0.4, 'metric')).toEqual({ digits: '−400', unit: 'g' });
    expect(showMass(1, 'us')).toEqual({ digits: '2.2', unit: 'lb' });
    expect(showVolume(0.0003, 'metric')).toEqual({ digits: '300', unit: 'mL' });
    expect(showVolume(0.012, 'imperial')).toEqual({ digits: '21.1', unit: 'pint (imp)' });
    expect(showMinutes(75)).toBe('1 h 15 min');
    expect(showMinutes(59.6)).toBe('1 h');
  });
});
