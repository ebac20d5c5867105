import fc from 'fast-check';
import { ANY_SUPPLY_ACTION } from '../../spec/supplies.js';
import { LARDER_ROWS } from '../larder/index.js';
import { loadSolver } from '../solver/index.js';
import { afterNeeds, foldSupplies, freshDaysOf, goingOff, waysToUseUp, type GoingOff, type Takes } from './index.js';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 10, 27);
const rowOf = (id: string) => LARDER_ROWS.find((row) => row.id === id)!;

let made = 0;
function came(ingredient: string, kg: number, daysAgo: number) {
  made += 1;
  const id = `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`;
  return { id, ingredient, action: { kind: 'bought' as const, kg }, atMs: NOW - daysAgo * DAY, who: '' };
}

function soon(ingredient: string, kg: number, pricePerKg: number): GoingOff {
  return { ingredient, name: ingredient, kg, byMs: NOW, pricePerKg, isRisky: false };
}

describe('what goes off soon', () => {
  it('is what came longer ago than it keeps, oldest first; what was used is of the oldest', () => {
    // Spinach keeps 4 days here, leeks 12, lentils for longer than it matters.
    const supplies = foldSupplies(
      [came('spinach', 2, 5), came('spinach', 1, 1), came('leek', 5, 11), came('leek', 3, 2), came('lentils', 9, 300)],
      [{ ingredient: 'leek', kg: 1, atMs: NOW - DAY }],
    );
    const found = goingOff(supplies, LARDER_ROWS, NOW + 2 * DAY);
    expect(found.map(({ ingredient, kg }) => [ingredient, kg])).toEqual([
      ['spinach', 2],
      ['leek', 4],
    ]);
    expect(found[0]?.byMs).toBe(NOW - DAY);
    expect(found[1]?.byMs).toBe(NOW + DAY);
    // In four days the fresh spinach is due too.
    expect(goingOff(supplies, LARDER_ROWS, NOW + 4 * DAY).find(({ ingredient }) => ingredient === 'spinach')?.kg).toBe(3);
    expect(found.map(({ isRisky }) => isRisky)).toEqual([false, false]);
    expect(goingOff(foldSupplies([came('single-cream', 1, 6)], []), LARDER_ROWS, NOW + 2 * DAY)[0]?.isRisky).toBeTrue();
    expect(goingOff([], LARDER_ROWS, NOW)).toEqual([]);
  });

  it('is less what is planned already, of the oldest', () => {
    const supplies = foldSupplies([came('leek', 5, 11), came('leek', 3, 2)], []);
    const left = afterNeeds(supplies, new Map([['leek', 6]]));
    expect(left[0]?.onHandKg).toBe(2);
    expect(goingOff(left, LARDER_ROWS, NOW + 2 * DAY)).toEqual([]);
    expect(afterNeeds(supplies, new Map())).toEqual(supplies);
  });

  it('leaves, mushrooms and fresh meat go before roots; what is dried, canned or frozen is never on it', () => {
    const days = (id: string): number => freshDaysOf(rowOf(id)) ?? Infinity;
    expect(days('spinach')).toBeLessThan(days('leek'));
    expect(days('leek')).toBeLessThan(days('carrot'));
    expect(days('carrot')).toBeLessThan(days('butternut'));
    for (const id of [
      'lentils',
      'canned-tomatoes',
      'dried-thyme',
      'rapeseed-oil',
      'fine-salt',
      'vegetable-stock-cube',
      'evaporated-milk',
    ])
      expect(days(id)).withContext(id).toBe(Infinity);
  });

  it('lots always come to what is on hand, whatever was entered', () => {
    const entry = fc.record({
      id: fc.uuid(),
      ingredient: fc.constant('leek'),
      action: ANY_SUPPLY_ACTION,
      atMs: fc.nat(50),
      who: fc.constant(''),
    });
    const use = fc.record({ ingredient: fc.constant('leek'), kg: fc.double({ min: 0.01, max: 9, noNaN: true }), atMs: fc.nat(50) });
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 20 }), fc.array(use, { maxLength: 12 }), (entries, uses) => {
        for (const { onHandKg, lots } of foldSupplies(entries, uses)) {
          expect(lots.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(Math.max(0, onHandKg), 8);
          expect(lots.every(({ kg }) => kg > 0)).toBeTrue();
          expect(lots.every(({ atMs }, n) => n === 0 || atMs >= (lots[n - 1]?.atMs ?? 0))).toBeTrue();
        }
      }),
    );
  });
});

describe('using it up', () => {
  const leeks: Takes = {
    soupId: 'leek',
    perBowlKg: new Map([
      ['leek', 0.1],
      ['potato', 0.05],
    ]),
  };
  const greens: Takes = {
    soupId: 'greens',
    perBowlKg: new Map([
      ['spinach', 0.08],
      ['potato', 0.05],
    ]),
  };
  const none: Takes = { soupId: 'none', perBowlKg: new Map([['carrot', 0.1]]) };

  it('takes the soups that rescue the most value over all of it, with no bowl more than does so', () => {
    // 2 kg of leeks at 2 a kilo are 20 bowls, 1.6 kg of spinach at 6 are 20 more.
    const [best, ...others] = waysToUseUp([soon('leek', 2, 2), soon('spinach', 1.6, 6)], [leeks, greens, none], 60);
    expect(best?.soups.map(({ soupId, bowls }) => [soupId, bowls])).toEqual([
      ['leek', 20],
      ['greens', 20],
    ]);
    expect(best?.value).toBeCloseTo(2 * 2 + 1.6 * 6, 9);
    expect([...(best?.leftKg.values() ?? [])].every((kg) => kg < 1e-9)).toBeTrue();
    expect(others.map(({ soups }) => soups.map(({ soupId }) => soupId))).toEqual([['greens'], ['leek']]);
  });

  it('within the bowls there are, the dearer goes first', () => {
    const [best] = waysToUseUp([soon('leek', 2, 2), soon('spinach', 1.6, 6)], [leeks, greens], 20);
    expect(best?.soups.map(({ soupId, bowls }) => [soupId, bowls])).toEqual([['greens', 20]]);
  });

  it('says nothing where no soup takes any of it, or none fits', () => {
    expect(waysToUseUp([soon('leek', 2, 2)], [none], 60)).toEqual([]);
    expect(waysToUseUp([soon('leek', 2, 2)], [leeks], 4)).toEqual([]);
    expect(waysToUseUp([], [leeks], 60)).toEqual([]);
    expect(waysToUseUp([soon('leek', 2, 0)], [leeks], 60)).toEqual([]);
  });

  it('is as good as what a MIP solver finds for the same choice of two soups', async () => {
    const solver = await loadSolver();
    const draw = (seed: number): (() => number) => {
      let state = seed;
      return () => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
        return state / 2_147_483_648;
      };
    };
    for (let seed = 1; seed <= 12; seed++) {
      const random = draw(seed);
      const foods = ['a', 'b', 'c', 'd'].map((id) => soon(id, 0.5 + 3 * random(), 1 + 8 * random()));
      const soups = Array.from({ length: 5 }, (_, n): Takes => ({
        soupId: `s${String(n)}`,
        perBowlKg: new Map(
          foods.flatMap(({ ingredient }) => (random() < 0.5 ? [[ingredient, 0.02 + 0.12 * random()] as const] : [])),
        ),
      }));
      const most = 20 + 4 * Math.floor(random() * 10);
      // u: kilos rescued; n: steps of four bowls; y: whether a soup is made at all.
      const rows = [
        ...foods.map(({ ingredient }) => {
          const terms = soups.flatMap(({ perBowlKg }, s) =>
            perBowlKg.has(ingredient) ? [`- ${String(4 * (perBowlKg.get(ingredient) ?? 0))} n${String(s)}`] : [],
          );
          return ` r_${ingredient}: u_${ingredient} ${terms.join(' ')} <= 0`;
        }),
        ` bowls: ${soups.map((_, s) => `4 n${String(s)}`).join(' + ')} <= ${String(most)}`,
        ` two: ${soups.map((_, s) => `y${String(s)}`).join(' + ')} <= 2`,
        ...soups.flatMap((_, s) => [
          ` on${String(s)}: n${String(s)} - 99 y${String(s)} <= 0`,
          ` least${String(s)}: n${String(s)} - 2 y${String(s)} >= 0`,
        ]),
      ];
      const problem = [
        'Maximize',
        ` value: ${foods.map(({ ingredient, pricePerKg }) => `${String(pricePerKg)} u_${ingredient}`).join(' + ')}`,
        'Subject To',
        ...rows,
        'Bounds',
        ...foods.map(({ ingredient, kg }) => ` 0 <= u_${ingredient} <= ${String(kg)}`),
        'General',
        ` ${soups.map((_, s) => `n${String(s)}`).join(' ')}`,
        'Binary',
        ` ${soups.map((_, s) => `y${String(s)}`).join(' ')}`,
        'End',
      ].join('\n');
      const { Status, Columns } = solver.solve(problem, { mip_rel_gap: 0 });
      expect(Status).toBe('Optimal');
      const optimum = foods.reduce(
        (sum, { ingredient, pricePerKg }) => sum + pricePerKg * (Columns[`u_${ingredient}`]?.Primal ?? 0),
        0,
      );
      const [best] = waysToUseUp(foods, soups, most);
      // Fewer bowls are taken where they lose less than a hundredth.
      expect(best?.value ?? 0)
        .withContext(String(seed))
        .toBeLessThanOrEqual(optimum + 1e-6);
      expect(best?.value ?? 0)
        .withContext(String(seed))
        .toBeGreaterThanOrEqual(optimum * 0.99 - 1e-6);
      expect(best?.soups.reduce((sum, { bowls }) => sum + bowls, 0) ?? 0).toBeLessThanOrEqual(most);
    }
  });
});
