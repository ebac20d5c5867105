import { byStep, kilos, prepared, soupOf } from '../../spec/pots.js';
import { FAT, SALT, allergenNames } from '../larder/index.js';
import { bodyMPas, parcelKg, type Parcel } from '../pot/index.js';
import type { Line, Soup, SoupStep } from '../soup/index.js';
import { run, type Run } from './index.js';

/**
 * Eight soups from the board to the bowl, worked by hand in the comments with the larder's rows and the rules of
 * docs/model.md; nothing there was read off the program. Boiler 40 cm wide: 0.125664 m2 of open soup.
 */
const cut = (sizeMm: number): Partial<Line> => ({ cut: { shape: 'cube', sizeMm, name: 'cubes' } });
const simmer = (minutes: number, lid: 'on' | 'ajar' | 'off', vigour: 'steady' | 'bare' = 'steady'): SoupStep => ({
  id: `simmer-${String(minutes)}`,
  op: 'simmer',
  minutes,
  vigour,
  lid,
});
const blend: SoupStep = { id: 'blend', op: 'blend', blender: 'stick', minutes: 3 };
const put = (id: string): SoupStep => ({ id: `in-${id}`, op: 'add', uses: [{ line: id }] });
const trimmed = (id: string): SoupStep => ({ id: `trim-${id}`, op: 'trim', uses: [{ line: id }] });
const salted = (saltPct: number): SoupStep => ({ id: 'season', op: 'season', line: 'salt', saltPct });

function bowls(soup: Soup): { of: Run; all: Parcel; kg: number } {
  const of = run(prepared(soup), 1);
  const all = of.dished!.parcel;
  return { of, all, kg: parcelKg(all) };
}

const pct = (all: Parcel, place: number): number => (all.mix[place as 0] / parcelKg(all)) * 100;

describe('worked by hand:', () => {
  it('a roast', () => {
    // 2 kg beetroot, peeled 77 %: 1.54 kg on two trays of 0.17225 m2, 4.5 kg/m2: one layer. 25 mm, 200 °C, 60 min:
    // 0.8 (1 - e^(-60/95)) = 0.3746 of 1.54 x 0.8758 = 1.3487 kg water: 0.5052 kg steam. + 1.5 kg water.
    // 20 min steady, lid ajar: 12 x 0.125664 x 0.35 / 3 = 0.1759 kg. 1.54 - 0.5052 + 1.5 - 0.1759 = 2.3588 kg.
    // Salt to 0.8 %: 0.008 x 2.3588 / (0.998 - 0.008) = 19.06 g. In all 2.3779 kg.
    const { of, kg, all } = bowls(
      soupOf(
        [
          kilos('beetroot', 'beetroot', 2, { way: 'peeled', ...cut(25) }),
          kilos('water', 'water', 1.5),
          byStep('salt', 'fine-salt'),
        ],
        [
          trimmed('beetroot'),
          { id: 'roast', op: 'roast', ovenC: 200, minutes: 60, load: 'rounds' },
          put('water'),
          simmer(20, 'ajar'),
          blend,
          salted(0.8),
        ],
      ),
    );
    expect(kg).toBeCloseTo(2.3779, 3);
    expect(of.usedKg.get('salt')! * 1000).toBeCloseTo(19.06, 1);
    expect(pct(all, SALT)).toBeCloseTo(0.8, 6);
  });

  it('a sweat', () => {
    // 1 kg onion, peeled 88 %; 50 g butter; 10 min gentle, lid off, 6 mm: 0.6 (1 - e^(-10/22)) = 0.2192 of
    // 0.88 x 0.8911 = 0.7842 kg: 0.1719 kg. + 2 kg stock; 15 min steady, lid on: 12 x 0.125664 x 0.1 / 4 = 0.0377 kg.
    // 0.88 + 0.05 - 0.1719 + 2 - 0.0377 = 2.7204 kg. Fat 0.05 x 0.811 + 0.88 x 0.001 + 2 x 0.0005 = 42.43 g: 1.560 %.
    const { kg, all } = bowls(
      soupOf(
        [
          kilos('onion', 'onion', 1, { way: 'peeled', ...cut(6) }),
          kilos('butter', 'butter', 0.05),
          kilos('stock', 'vegetable-stock', 2),
        ],
        [
          put('butter'),
          trimmed('onion'),
          { id: 'sweat', op: 'sweat', minutes: 10, heat: 'gentle', lid: 'off' },
          put('stock'),
          simmer(15, 'on'),
          blend,
        ],
      ),
    );
    expect(kg).toBeCloseTo(2.7204, 3);
    expect(pct(all, FAT)).toBeCloseTo(1.56, 3);
    expect(allergenNames(all.allergens).sort()).toEqual(['celery', 'milk']);
  });

  it('a flour-thickened one', () => {
    // Ten cups of milk (2.44 kg) and two tablespoons of flour to each (156 g), 5 min bare, lid on: 8 x 0.125664 x 0.1 / 12
    // = 8.4 g gone; 2.5876 kg. Fibre 4.21 g, cooked starch 109.97 g, protein 92.97 g: B = (4.21 + 98.97 + 9.30) / 25.876
    // = 4.347 %. Serum at 65 °C: water 0.4299, sugar 5.0 % of it x e^0.131, fat 3.54 % by volume x (1 - 0.0479)^-1.85: 0.536.
    // f(65) = e^(1202.8 (1/338.15 - 1/305.15)) = 0.6807. Body 0.54 + 14 x 4.347^2.5 x 0.6807 = 376 mPa·s.
    const own = prepared(
      soupOf(
        [kilos('milk', 'milk', 2.44), kilos('flour', 'plain-flour', 0.156)],
        [put('milk'), put('flour'), simmer(5, 'on', 'bare')],
      ),
    );
    const of = run(own, 1);
    expect(parcelKg(of.dished!.parcel)).toBeCloseTo(2.5876, 3);
    expect(bodyMPas(of.records.at(-1)!.before, 65, 14)).toBeCloseTo(376, 0);
  });

  it('a potato-bodied one', () => {
    // 1 kg potato, 6 mm, and 2 kg water, 25 min steady, lid ajar: 12 x 0.125664 x 0.35 x 25/60 = 0.2199 kg; 2.7801 kg.
    // Fibre 21 g, starch 142 g all cooked x 0.78 of potatoes x 0.9 = 99.7 g, protein 20.5 g: B = (21 + 99.7 + 2.05) / 27.801
    // = 4.415 %. Serum 0.433. Body 0.43 + 14 x 4.415^2.5 x 0.6807 = 390.8 mPa·s.
    const own = prepared(
      soupOf(
        [kilos('potato', 'potato', 1, cut(6)), kilos('water', 'water', 2)],
        [put('potato'), put('water'), simmer(25, 'ajar'), blend],
      ),
    );
    const of = run(own, 1);
    expect(parcelKg(of.dished!.parcel)).toBeCloseTo(2.7801, 3);
    expect(bodyMPas(of.records.at(-1)!.before, 65, 14)).toBeCloseTo(390.8, 0);
  });

  it('a canned, salted one', () => {
    // Four 400 g cans of white beans at 0.65 % salt, drained and rinsed: 59.4 % goes on, 0.9504 kg with 0.6 of its salt,
    // 3.707 g; rinsing takes 2.471 g. + 2 kg stock from a cube at 0.9 %: 18 g. 15 min steady, lid ajar: 0.1319 kg.
    // 0.9504 - 0.0025 + 2 - 0.1319 = 2.8160 kg with 21.707 g: 0.7708 % without a grain of salt added.
    const { kg, all } = bowls(
      soupOf(
        [
          {
            id: 'beans',
            ingredient: 'canned-white-beans',
            way: 'drained and rinsed',
            amount: { rule: 'scaled', amount: { value: 4, unit: 'piece', size: 'can-400g' } },
          },
          kilos('stock', 'vegetable-stock-cube', 2),
        ],
        [trimmed('beans'), put('stock'), simmer(15, 'ajar'), blend],
      ),
    );
    expect(kg).toBeCloseTo(2.816, 3);
    expect(pct(all, SALT)).toBeCloseTo(0.7708, 3);
  });

  it('one with egg and cream', () => {
    // 5 kg of stock from 90 to 68 °C give up 5 x 4190 x 22 = 461 kJ. At 79 °C the face steams 3.75 kg/(m2 h) x 0.1257 m2: 302 W,
    // and wall and face lose 10 x 0.176 x 59 = 104 W: 461 kJ x 302 / 406 / 2.31 MJ/kg = 0.148 kg of steam. With four yolks of
    // 17 g and 480 g of cream 5.400 kg. Fat 0.068 x 0.2654 + 0.48 x 0.35 + 5 x 0.0005 = 188.5 g: 3.491 %. From 68 °C to 76: over the egg's 71, under 82, so that nothing is said.
    const { of, kg, all } = bowls(
      soupOf(
        [kilos('stock', 'vegetable-stock', 5), kilos('yolks', 'egg-yolk', 0.068), kilos('cream', 'whipping-cream', 0.48)],
        [
          put('stock'),
          simmer(0, 'on', 'bare'),
          { id: 'cool', op: 'rest', toC: 68, around: 'air' },
          { id: 'egg', op: 'liaison', yolks: { line: 'yolks' }, cream: { line: 'cream' }, toC: 76 },
        ],
      ),
    );
    expect(kg).toBeCloseTo(5.4, 2);
    expect(pct(all, FAT)).toBeCloseTo(3.491, 2);
    expect(of.records.find(({ step }) => step.op === 'liaison')!.cautions).toEqual([]);
    expect(allergenNames(all.allergens)).toEqual(['egg', 'milk', 'celery']);
  });

  it('a coconut one', () => {
    // 1 kg sweet potato, 1.5 kg stock, 20 min steady, lid on: 12 x 0.125664 x 0.1 / 3 = 0.0503 kg; 2.4497 kg. Coconut milk
    // to 15 % of the finished soup: 2.4497 x 0.15 / 0.85 = 0.4323 kg; 2.8820 kg. Fat 0.4323 x 17 / 100.1 + 0.0005 + 0.00075
    // = 74.7 g: 2.593 %. Nothing from an animal.
    const { of, kg, all } = bowls(
      soupOf(
        [kilos('potato', 'sweet-potato', 1, cut(12)), kilos('stock', 'vegetable-stock', 1.5), byStep('coconut', 'coconut-milk')],
        [
          put('potato'),
          put('stock'),
          simmer(20, 'on'),
          blend,
          { id: 'coconut', op: 'cream', line: 'coconut', target: { by: 'pct', value: 15 } },
        ],
      ),
    );
    expect(of.usedKg.get('coconut')).toBeCloseTo(0.4323, 4);
    expect(kg).toBeCloseTo(2.882, 3);
    expect(pct(all, FAT)).toBeCloseTo(2.593, 2);
    expect(all.origins).toBe(0);
  });

  it('a cold one', () => {
    // 1 kg peas and 1 kg water, 4 min steady, lid on: 12 x 0.125664 x 0.1 / 15 = 0.0101 kg; 1.9899 kg. In the ice bath it
    // steams a seventh of its heat at first and a hundredth at last: 25 g on the way to 5 °C; 1.9647 kg. Served cold, so
    // 0.8 % is wanted as 0.92. Yoghurt to 10 % of the finished: (1.9647 + x) / 0.9 = F and 0.998 x = 0.0092 F:
    // x = 20.33 g, F = 2.2055 kg, yoghurt 220.6 g.
    const { of, kg, all } = bowls(
      soupOf(
        [kilos('peas', 'peas', 1, cut(8)), kilos('water', 'water', 1), byStep('salt', 'fine-salt'), byStep('yoghurt', 'yoghurt')],
        [
          put('water'),
          put('peas'),
          simmer(4, 'on'),
          blend,
          { id: 'cool', op: 'rest', toC: 5, around: 'ice bath' },
          salted(0.8),
          { id: 'yoghurt', op: 'cream', line: 'yoghurt', target: { by: 'pct', value: 10 } },
        ],
        { served: 'cold', lead: 'Peas' },
      ),
    );
    expect(of.usedKg.get('salt')! * 1000).toBeCloseTo(20.33, 1);
    expect(of.usedKg.get('yoghurt')! * 1000).toBeCloseTo(220.6, 0);
    expect(kg).toBeCloseTo(2.2055, 3);
    expect(pct(all, SALT)).toBeCloseTo(0.92, 6);
    expect(of.dished!.tempC).toBeLessThan(6.5);
  });
});
