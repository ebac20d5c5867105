import { convert as independent } from 'convert';
import fc from 'fast-check';
import Qty from 'js-quantities';
import {
  UNITS,
  UNIT_CODES,
  celsiusOf,
  convert,
  decimalMarkIn,
  fahrenheitOf,
  percentMore,
  readNumber,
  showMass,
  showMinutes,
  showNumber,
  showVolume,
  type UnitCode,
} from './index.js';

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
    expect(showVolume(0.012, 'imperial')).toEqual({ digits: '21.1', unit: 'pt' });
    expect(showMinutes(75)).toBe('1 h 15 min');
    expect(showMinutes(59.6)).toBe('1 h');
  });
});

describe('a written number', () => {
  const value = (text: string): number | string => {
    const read = readNumber(text);
    return read.ok ? read.value : read.code;
  };

  it('is read as English, German, French, Spanish and Italian hands write it', () => {
    const written: readonly (readonly [string, number])[] = [
      ['1,5', 1.5],
      ['1.5', 1.5],
      ['22,6', 22.6],
      ['2,20', 2.2],
      ['1 000', 1000],
      ['1\u00a0000', 1000],
      ['1\u202f234,5', 1234.5],
      ['1.234,5', 1234.5],
      ['1,234.5', 1234.5],
      ["1'234.5", 1234.5],
      ['1.234.567', 1_234_567],
      ['1,234,567.25', 1_234_567.25],
      ['0,500', 0.5],
      ['0.125', 0.125],
      ['1234,567', 1234.567],
      [',5', 0.5],
      ['5.', 5],
      ['1/2', 0.5],
      ['1 1/2', 1.5],
      ['2½', 2.5],
      ['−3,5', -3.5],
      [' 7 ', 7],
    ];
    for (const [text, expected] of written) expect(value(text)).withContext(text).toBeCloseTo(expected, 12);
  });

  it('that could be a decimal or a thousand is asked, unless only one of both can be meant', () => {
    expect(readNumber('1,500')).toEqual({ ok: false, code: 'AMBIGUOUS', decimal: 1.5, thousands: 1500 });
    expect(readNumber('12.345')).toEqual({ ok: false, code: 'AMBIGUOUS', decimal: 12.345, thousands: 12_345 });
    expect(readNumber('1,500', { least: 0, most: 200 })).toEqual({ ok: true, value: 1.5 });
    expect(readNumber('1.500', { least: 100, most: 20_000 })).toEqual({ ok: true, value: 1500 });
    expect(readNumber('1.500', { least: 0, most: 20_000 })).toEqual(jasmine.objectContaining({ code: 'AMBIGUOUS' }));
  });

  it('that is none is said to be none, never a part of it', () => {
    for (const text of ['1,2,3', '1.5,2.5', '12a', '1 50', 'two', '1..5', '1,', '-', '.', '1 000 00', '1/0', 'NaN', '1e5']) {
      expect(['NOT_A_NUMBER', 1]).withContext(text).toContain(value(text));
    }
    expect(value('')).toBe('EMPTY');
  });

  it('written in the manner of a locale is the same number again, whatever the number (random numbers, five locales)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), fc.integer({ min: 0, max: 99 }), (whole, cents) => {
        const number = Number(`${String(whole)}.${String(cents).padStart(2, '0')}`);
        for (const locale of ['en', 'de', 'fr', 'es', 'it']) {
          const text = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(number);
          expect(readNumber(text)).withContext(`${locale} ${text}`).toEqual({ ok: true, value: number });
        }
        expect(readNumber(showNumber(number))).toEqual({ ok: true, value: number });
      }),
    );
  });

  it('a column tells by its clear figures which mark it has before the decimals', () => {
    expect(decimalMarkIn(['1,500', '2,25', '12'])).toBe(',');
    expect(decimalMarkIn(['1,500.00', '1,500'])).toBe('.');
    expect(decimalMarkIn(['1.234.567', '1.500'])).toBe(',');
    expect(decimalMarkIn(['1,500', '2'])).toBeUndefined();
    expect(decimalMarkIn(['1,5', '2.5'])).toBeUndefined();
  });
});

describe('per cent more or less', () => {
  it('has a sign but for nought, however small what it came from', () => {
    expect([2.74, -2.74, 0, -0.04, 0.04, -0].map((pct) => percentMore(pct))).toEqual([
      '+2.7 %',
      '−2.7 %',
      '0.0 %',
      '0.0 %',
      '0.0 %',
      '0.0 %',
    ]);
    expect(percentMore(-12.6, 0)).toBe('−13 %');
  });
});
