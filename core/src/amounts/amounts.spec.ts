import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { AmountSchema, weigh, type Amount } from './index.js';

const larder = makeLarder(LARDER_ROWS);

function kg(amount: Amount, id: string): number {
  const weighed = weigh(amount, larder.get(id)!);
  return weighed.ok ? weighed.mass.massKg : Number.NaN;
}

describe('amounts', () => {
  it('weighs pieces, cups, spoons, litres and kilos, worked by hand', () => {
    expect(kg({ value: 2, unit: 'piece', size: 'large' }, 'onion')).toBeCloseTo(0.3, 12);
    expect(kg({ value: 1.5, unit: 'cup-us' }, 'onion')).toBeCloseTo(0.24, 9);
    // 15 mL of oil at 915 kg/m3
    expect(kg({ value: 1, unit: 'tbsp-metric' }, 'rapeseed-oil')).toBeCloseTo(0.013725, 6);
    // a metric teaspoon is 5 / 4.9289 of a US one: 6 g x 1.01442
    expect(kg({ value: 1, unit: 'tsp-metric' }, 'fine-salt')).toBeCloseTo(0.0060865, 6);
    expect(kg({ value: 0.5, unit: 'l' }, 'vegetable-stock')).toBeCloseTo(0.5, 12);
    expect(kg({ value: 2, unit: 'lb' }, 'carrot')).toBeCloseTo(0.90718474, 9);
  });

  it('mass is as bought, pieces are edible, unless said', () => {
    expect(weigh({ value: 1, unit: 'kg' }, larder.get('carrot')!)).toEqual({ ok: true, mass: { massKg: 1, basis: 'bought' } });
    expect(weigh({ value: 1, unit: 'kg', basis: 'edible' }, larder.get('carrot')!)).toEqual({
      ok: true,
      mass: { massKg: 1, basis: 'edible' },
    });
    expect(weigh({ value: 1, unit: 'piece' }, larder.get('carrot')!)).toEqual({
      ok: true,
      mass: { massKg: 0.061, basis: 'edible' },
    });
  });

  it('says what fits when a unit does not', () => {
    expect(weigh({ value: 1, unit: 'piece' }, larder.get('water')!)).toEqual({
      ok: false,
      error: {
        code: 'UNIT_DOES_NOT_FIT',
        ingredient: 'water',
        unit: 'piece',
        fits: ['g', 'kg', 'mL', 'L', 'cup (liquid)', 'tsp', 'tbsp'],
      },
    });
    expect(weigh({ value: 1, unit: 'piece', size: 'giant' }, larder.get('onion')!)).toEqual({
      ok: false,
      error: { code: 'SIZE_UNKNOWN', ingredient: 'onion', size: 'giant', known: ['small', 'medium', 'large'] },
    });
    expect(weigh({ value: 1, unit: 'mm' }, larder.get('onion')!).ok).toBeFalse();
    expect(weigh({ value: 1, unit: 'l' }, larder.get('herb-bundle')!).ok).toBeFalse();
  });

  it('refuses what is no amount', () => {
    for (const value of [-1, 0, Number.NaN, Number.POSITIVE_INFINITY, 1e9]) {
      expect(AmountSchema.safeParse({ value, unit: 'kg' }).success)
        .withContext(String(value))
        .toBeFalse();
    }
    expect(AmountSchema.safeParse({ value: 1, unit: 'stone' }).success).toBeFalse();
  });
});
