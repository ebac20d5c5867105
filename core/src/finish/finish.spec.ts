import { cream, liaison, mixedC, temperingKg } from '../steps/index.js';
import { context, ingredient, line, potOf } from '../../spec/pots.js';
import { contents, enthalpyJ, gelatinised, parcelKg, parcelOf, plusParcel, potKg, type Parcel } from '../pot/index.js';
import { cartonsFor, splitRemedies, splitRisk } from './index.js';

/** Soup with so much acid a kilo and so much cooked starch, %. */
function soup(acidG: number, starchPct = 0): Parcel {
  const lemon = parcelOf(ingredient('lemon-juice'), acidG / 43);
  const starch = parcelOf(ingredient('cornflour'), starchPct / 90);
  return gelatinised(plusParcel(plusParcel(parcelOf(ingredient('water'), 1 - parcelKg(lemon) - parcelKg(starch)), lemon), starch));
}

const fatOf = (id: string): Parameters<typeof splitRisk>[2] => ingredient(id).perKg;

describe('split risk', () => {
  it('never warns of a cream with 30 % fat and more, however sour and hot', () => {
    for (const id of ['double-cream', 'heavy-cream', 'whipping-cream', 'creme-fraiche']) {
      expect(splitRisk(soup(8), 100, fatOf(id)))
        .withContext(id)
        .toBe('low');
    }
  });

  it('is high for thin cream with over 3 g/kg of acid at over 85 °C, lower by a step with a per cent of starch', () => {
    expect(splitRisk(soup(4), 95, fatOf('single-cream'))).toBe('high');
    expect(splitRisk(soup(4, 1.2), 95, fatOf('single-cream'))).toBe('some');
    expect(splitRisk(soup(4), 80, fatOf('single-cream'))).toBe('some');
    expect(splitRisk(soup(1), 95, fatOf('single-cream'))).toBe('low');
    expect(splitRisk(soup(1), 60, fatOf('milk'))).toBe('low');
  });

  it('says nothing of what holds no fat, and offers a remedy only where there is a risk', () => {
    expect(splitRisk(soup(8), 95, fatOf('skimmed-milk'))).toBe('low');
    expect(splitRemedies('low')).toEqual([]);
    expect(splitRemedies('high')[0]).toBe('COOL_BELOW_85');
  });

  it('stands as a caution at the cream, with its figures', () => {
    const lines = [line('water', 9), line('lemon-juice', 1), line('single-cream', 0)];
    const hot = { ...potOf(lines[0]!, lines[1]!), tempC: 95 };
    const by = { id: 'c', op: 'cream', line: 'single-cream', target: { by: 'pct', value: 8 } } as const;
    expect(cream(hot, by, context(lines)).cautions).toEqual([
      jasmine.objectContaining({ code: 'SPLIT_RISK', risk: 'high', tempC: 95 }) as never,
    ]);
    expect(cream({ ...hot, tempC: 70 }, by, context(lines)).cautions[0]).toEqual(jasmine.objectContaining({ risk: 'some' }));
  });
});

describe('cream', () => {
  it('cools the pot: 9 kg of water at 90 °C and 1 kg of cream at 4 °C come to about 83.6 °C', () => {
    // cp water 4.19, cream 0.479 x 4.19 + 0.48 x 2.0 + 0.04 x 1.7 = 3.03: (9 x 4.19 x 90 + 3.03 x 4) / (37.71 + 3.03) = 83.6
    const pot = { ...potOf(line('water', 9)), tempC: 90 };
    const added = parcelOf(ingredient('double-cream'), 1);
    expect(mixedC(pot, added, 4)).toBeCloseTo(83.6, 0);
    const lines = [line('double-cream', 0)];
    const creamed = cream(
      pot,
      { id: 'c', op: 'cream', line: 'double-cream', target: { by: 'pct', value: 10 } },
      context(lines),
    ).pot;
    expect(potKg(creamed)).toBeCloseTo(10, 9);
    expect(creamed.tempC).toBeCloseTo(mixedC(pot, added, 4), 6);
  });

  it('more of it: more fat and cooler', () => {
    const pot = { ...potOf(line('water', 9)), tempC: 90 };
    const at = (value: number): ReturnType<typeof cream>['pot'] =>
      cream(pot, { id: 'c', op: 'cream', line: 'double-cream', target: { by: 'pct', value } }, context([line('double-cream', 0)]))
        .pot;
    expect(at(12).tempC).toBeLessThan(at(6).tempC);
    expect(contents(at(12)).mix[1]).toBeGreaterThan(contents(at(6)).mix[1]);
  });

  it('comes in cartons: 2.3 kg of 1 kg ones opens three and leaves 0.7', () => {
    const { opened, leftKg } = cartonsFor(2.3, 1);
    expect(opened).toBe(3);
    expect(leftKg).toBeCloseTo(0.7, 12);
    expect(cartonsFor(3, 1).opened).toBe(3);
    expect(cartonsFor(0, 1)).toEqual({ opened: 0, leftKg: 0 });
  });
});

describe('egg and cream', () => {
  const lines = [line('water', 10), line('egg-yolk', 0.068), line('whipping-cream', 0.48)];
  const settings = (toC: number): Parameters<typeof liaison>[1] => ({
    id: 'l',
    op: 'liaison',
    yolks: { line: 'egg-yolk' },
    cream: { line: 'whipping-cream' },
    toC,
  });
  const at = (tempC: number, toC: number): ReturnType<typeof liaison> =>
    liaison({ ...potOf(lines[0]!), tempC }, settings(toC), context(lines));

  it('is in its window from 71 °C (FDA consumer advice) to 82', () => {
    expect(at(70, 76).cautions.map(({ code }) => code)).toEqual([]);
    expect(at(70, 68).cautions.map(({ code }) => code)).toEqual(['EGG_TOO_COOL']);
    expect(at(70, 88).cautions.map(({ code }) => code)).toEqual(['EGG_SCRAMBLES']);
    expect(at(99, 76).cautions.map(({ code }) => code)).toEqual(['EGG_SCRAMBLES']);
  });

  it('is tempered with as much hot soup as warms the bowl to 55 °C, in portions', () => {
    const pot = { ...potOf(lines[0]!), tempC: 80 };
    const bowl = plusParcel(parcelOf(ingredient('egg-yolk'), 0.068), parcelOf(ingredient('whipping-cream'), 0.48));
    const tempering = temperingKg(pot, bowl, 4)!;
    // Heat given by the soup from 80 to 55 is heat taken by the bowl from 4 to 55.
    const soupMix = contents(pot).mix;
    const given = ((enthalpyJ(soupMix, 80) - enthalpyJ(soupMix, 55)) / 10) * tempering.soupKg;
    expect(given / (enthalpyJ(bowl.mix, 55) - enthalpyJ(bowl.mix, 4))).toBeCloseTo(1, 9);
    expect(tempering.portions).toBeGreaterThanOrEqual(2);
    expect(temperingKg({ ...pot, tempC: 40 }, bowl, 4)).toBeUndefined();
  });

  it('brings yolk and cream in, and the pot to where it is set', () => {
    const result = at(70, 76);
    expect(potKg(result.pot)).toBeCloseTo(10.548, 9);
    expect(result.pot.tempC).toBe(76);
    expect(result.inflows.map(({ lineId }) => lineId)).toEqual(['egg-yolk', 'whipping-cream']);
  });
});
