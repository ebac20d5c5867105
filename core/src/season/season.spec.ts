import { doseFor, season, tune } from '../steps/index.js';
import { context, ingredient, line, potOf } from '../../spec/pots.js';
import { ACID, FAT, SUGARS } from '../larder/index.js';
import { BITE_KG, SCOVILLE_KG, contents, parcelKg, parcelOf, plusParcel, type Parcel } from '../pot/index.js';
import {
  heldBack,
  plausibleSalt,
  potDose,
  remediesFor,
  rescue,
  saltWanted,
  sourIndex,
  spiceFactor,
  sweetIndex,
  tasteWord,
  tastesOf,
} from './index.js';

/** 10 kg of something nearly water with so many grams of one thing stirred in. */
function withGrams(id: string, grams: number): Parcel {
  return plusParcel(parcelOf(ingredient('water'), 10), parcelOf(ingredient(id), grams / 1000));
}

describe('salt', () => {
  it('counts every source: stock from a cube, cans, cheese, butter, bacon, fish sauce, paste, seasoned salt', () => {
    // Percentages of the larder rows: 10 kg of stock at 0.9 % = 90 g; 1 kg canned beans 0.65 % = 6.5 g; 100 g hard cheese
    // 2.8 % = 2.8 g; 100 g salted butter 1.6 % = 1.6 g; 100 g bacon 2.5 % = 2.5 g; 20 g fish sauce 19.5 % = 3.9 g;
    // 50 g curry paste 8 % = 4 g; 10 g seasoned salt 75 % = 7.5 g. In all 118.8 g.
    const all = (
      [
        ['vegetable-stock-cube', 10],
        ['canned-white-beans', 1],
        ['parmesan', 0.1],
        ['salted-butter', 0.1],
        ['bacon', 0.1],
        ['fish-sauce', 0.02],
        ['red-curry-paste', 0.05],
        ['seasoned-salt', 0.01],
      ] as const
    ).map(([id, kg]) => parcelOf(ingredient(id), kg));
    const soup = all.reduce((sum, part) => plusParcel(sum, part));
    expect(soup.mix[6] * 1000).toBeCloseTo(118.8, 0);
    expect(tastesOf(soup).saltPct).toBeCloseTo((118.8 / 11380) * 100, 2);
  });

  it('a teaspoon of flakes salts half as much as one of table salt', () => {
    const salt = (id: string): number => parcelOf(ingredient(id), (ingredient(id).row.spoons?.tsp ?? Number.NaN) / 1000).mix[6];
    expect(salt('flaked-salt') / salt('fine-salt')).toBeCloseTo(0.5, 2);
  });

  it('holds back a fifth: 80 g is 64 now and 16 for the tasting', () => {
    const { nowKg, laterKg } = heldBack(0.08);
    expect([nowKg * 1000, laterKg * 1000].map((g) => Math.round(g))).toEqual([64, 16]);
  });

  it('is wanted 15 % more in a cold soup, unless that is switched off', () => {
    expect(saltWanted(0.8, 'cold', true)).toBeCloseTo(0.92, 12);
    expect(saltWanted(0.8, 'cold', false)).toBe(0.8);
    expect(saltWanted(0.8, 'hot', true)).toBe(0.8);
  });

  it('a written spoon that can’t be meant is pointed out: 3 tbsp (54 g) in 3 kg is 1.8 %', () => {
    expect(plausibleSalt(0.054, 0, 3)).toEqual({ pct: 1.7999999999999998, plausible: false });
    expect(plausibleSalt(0.024, 0, 3).plausible).toBeTrue();
    const lines = [line('water', 10), line('fine-salt', 0)];
    const result = season(potOf(lines[0]!), { id: 's', op: 'season', line: 'fine-salt', saltPct: 2.4 }, context(lines));
    expect(result.cautions.map(({ code }) => code)).toEqual(['SPOON_IMPLAUSIBLE']);
  });

  it('10 kg at 1.2 % wants 5 kg of water to come to 0.8 %; stock that salty never does it', () => {
    // 0.12 - 0.008 x 10 = 0.04 kg too much; 0.04 / 0.008 = 5 kg; half as much again in the pot.
    const soup = plusParcel(parcelOf(ingredient('water'), 10 - 0.12 / 0.998), parcelOf(ingredient('fine-salt'), 0.12 / 0.998));
    const saved = rescue(soup, parcelOf(ingredient('water'), 1), 0.8)!;
    expect(saved.kg).toBeCloseTo(5, 2);
    expect(saved.factor).toBeCloseTo(1.5, 2);
    const after = plusParcel(soup, parcelOf(ingredient('water'), saved.kg));
    expect((after.mix[6] / parcelKg(after)) * 100).toBeCloseTo(0.8, 9);
    expect(rescue(soup, parcelOf(ingredient('vegetable-stock-cube'), 1), 0.8)).toBeUndefined();
    expect(rescue(soup, parcelOf(ingredient('water'), 1), 2)?.kg).toBe(0);
  });

  it('a cup carries its dose to what is left in the pot: 2 g in 200 g, 10.2 kg in the pot: 100 g', () => {
    expect(potDose({ cupKg: 0.2, doseKg: 0.002, potKg: 10.2 })).toBeCloseTo(0.1, 12);
    expect(potDose({ cupKg: 0.2, doseKg: 0.002, potKg: 0.1 })).toBe(0);
  });
});

describe('sour and sweet', () => {
  it('sour a / (1 + sugar/10 + fat/5): 4 g/kg with 5 % sugar and 5 % fat is 4 / 2.5 = 1.6', () => {
    expect(sourIndex(4, 5, 5)).toBeCloseTo(1.6, 12);
    expect(sweetIndex(5, 4)).toBeCloseTo(3.4, 12);
  });

  it('are read off the soup: 94 g of lemon juice in 10 kg is 0.4 g/kg', () => {
    // Lemon juice holds 4.3 % acid: 94 x 0.043 = 4.04 g over 10.094 kg.
    const soup = withGrams('lemon-juice', 94);
    expect((soup.mix[ACID] / parcelKg(soup)) * 1000).toBeCloseTo(0.4, 2);
    const pct = (n: number): number => (soup.mix[n as 0] / parcelKg(soup)) * 100;
    expect(tastesOf(soup).sour).toBeCloseTo(0.4 / (1 + pct(SUGARS) / 10 + pct(FAT) / 5), 2);
  });

  it('have words on each side of right', () => {
    expect([0.1, 0.5, 2, 3].map((x) => tasteWord('sour', x))).toEqual(['flat', 'even', 'bright', 'sharp']);
    expect([0.4, 1, 3, 6].map((x) => tasteWord('sweet', x))).toEqual(['dry', 'even', 'round', 'sweet']);
    expect([1, 20, 100, 900].map((x) => tasteWord('heat', x))).toEqual(['mild', 'warm', 'hot', 'fierce']);
  });

  it('remedies stand on both sides: too sour wants fat or sugar, too sweet acid or salt, salt first', () => {
    const reach = (soup: Parcel): string[] => remediesFor(soup).map(({ taste, side }) => `${taste} ${side}`);
    expect(reach(withGrams('lemon-juice', 900))).toEqual(['saltPct too little', 'sour too much']);
    expect(remediesFor(withGrams('lemon-juice', 900))[1]!.reach).toContain('double-cream');
    expect(reach(withGrams('sugar', 900))).toEqual(['saltPct too little', 'sour too little', 'sweet too much']);
    const salty = plusParcel(withGrams('fine-salt', 150), parcelOf(ingredient('cayenne'), 0.2));
    expect(reach(salty)).toEqual(['saltPct too much', 'heat too much']);
    expect(reach(withGrams('fine-salt', 80))).toEqual([]);
  });

  it('tuning lands on the figure, up with lemon, down with cream', () => {
    const lines = [line('water', 10), line('lemon-juice', 0), line('double-cream', 0), line('sugar', 0)];
    const to = (pot: ReturnType<typeof potOf>, id: string, taste: 'sour' | 'sweet', at: number): ReturnType<typeof tune> =>
      tune(pot, { id: 't', op: 'tune', line: id, taste, to: at }, context(lines));
    const sharp = to(potOf(lines[0]!), 'lemon-juice', 'sour', 3).pot;
    expect(tastesOf(contents(sharp)).sour).toBeCloseTo(3, 5);
    const calm = to(sharp, 'double-cream', 'sour', 2);
    expect(tastesOf(contents(calm.pot)).sour).toBeCloseTo(2, 5);
    expect(to(sharp, 'lemon-juice', 'sour', 1).cautions.map(({ code }) => code)).toEqual(['TARGET_PASSED']);
    expect(to(sharp, 'sugar', 'sweet', 4).pot.liquid.mix[SUGARS]).toBeGreaterThan(0.4);
  });
});

describe('heat', () => {
  it('is a balance of Scoville: 10 g of cayenne in 10 kg, sqrt(30000 x 50000) = 38730 / 1001 = 38.7', () => {
    const soup = withGrams('cayenne', 10);
    expect(soup.carried[SCOVILLE_KG]).toBeCloseTo(387.3, 1);
    expect(tastesOf(soup).heat).toBeCloseTo(38.69, 1);
  });

  it('pepper bites by the gram a kilo', () => {
    expect(withGrams('black-pepper', 10).carried[BITE_KG]).toBeCloseTo(0.01, 12);
    expect(tastesOf(withGrams('black-pepper', 10)).biteGKg).toBeCloseTo(0.999, 3);
  });

  it('thins as the soup does', () => {
    const soup = withGrams('cayenne', 10);
    const thinned = plusParcel(soup, parcelOf(ingredient('water'), parcelKg(soup)));
    expect(tastesOf(thinned).heat / tastesOf(soup).heat).toBeCloseTo(0.5, 12);
  });

  it('a dose finds its figure or says why not', () => {
    const soup = withGrams('fine-salt', 80);
    const dose = doseFor(soup, parcelOf(ingredient('cayenne'), 1), 'heat', 40);
    expect(dose.ok && tastesOf(plusParcel(soup, parcelOf(ingredient('cayenne'), dose.kg))).heat).toBeCloseTo(40, 3);
    expect(doseFor(soup, parcelOf(ingredient('fine-salt'), 1), 'heat', 40)).toEqual({ ok: false, code: 'UNREACHABLE' });
    expect(doseFor(soup, parcelOf(ingredient('cayenne'), 1), 'heat', 0)).toEqual({ ok: true, kg: 0 });
  });
});

describe('spices at ten times the batch', () => {
  it('straight 10, damped 10^0.8 = 6.310, by taste two thirds of 10 first', () => {
    expect(spiceFactor('straight', 10)).toBe(10);
    expect(spiceFactor('damped', 10)).toBeCloseTo(6.3096, 4);
    expect(spiceFactor('by taste', 10)).toBeCloseTo(6.6667, 4);
  });
});
