import fc from 'fast-check';
import { ANY_SUPPLY_ACTION } from '../../spec/supplies.js';
import { READY_KITS } from '../kit/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { planToBuy } from '../plan/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { shoppingList, type Buying } from './list.js';
import { foldSupplies, type SupplyAction, type SupplyEntry, type Use } from './supply.js';

const KIT = READY_KITS.canteen;

function wanted(soupId: string, bowls: number, bowlG = 300) {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId);
  if (soup === undefined) throw new Error(`No soup ${soupId}.`);
  const planning = planToBuy(soup, LARDER_ROWS, KIT, { bowls, bowlG, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  return { name: soup.name, plan: planning.plan };
}

let made = 0;
function entry(ingredient: string, action: SupplyAction, atMs: number): SupplyEntry {
  made += 1;
  return { id: `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`, ingredient, action, atMs, who: 'MO' };
}

describe('what is in the store', () => {
  it('is what came, less what was used and thrown away; a count is believed and the difference kept', () => {
    const entries = [
      entry('carrot', { kind: 'bought', kg: 10 }, 1),
      entry('carrot', { kind: 'thrown', kg: 0.5, why: 'soft' }, 3),
      entry('carrot', { kind: 'counted', kg: 6 }, 4),
    ];
    const uses: Use[] = [
      { ingredient: 'carrot', kg: 3, atMs: 2 },
      { ingredient: 'carrot', kg: 2, atMs: 5 },
    ];
    // 10 came, 3 used, 0.5 thrown: 6.5 should be there, 6 are; then 2 more are used.
    expect(foldSupplies(entries, uses)).toEqual([
      {
        ingredient: 'carrot',
        onHandKg: 4,
        boughtKg: 10,
        usedKg: 5,
        thrownKg: 0.5,
        foundKg: -0.5,
        knownMs: 4,
        lots: [{ kg: 4, atMs: 1 }],
      },
    ]);
  });

  it('balances whatever is entered in whatever order, and the order of arrival does not matter', () => {
    const ingredient = fc.constantFrom('carrot', 'leek', 'potato');
    const entries = fc.array(
      fc.record({ id: fc.uuid(), ingredient, action: ANY_SUPPLY_ACTION, atMs: fc.nat(50), who: fc.constant('MO') }),
      {
        maxLength: 30,
      },
    );
    const uses = fc.array(fc.record({ ingredient, kg: fc.double({ min: 0.01, max: 9, noNaN: true }), atMs: fc.nat(50) }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(entries, uses, (all, taken) => {
        const supplies = foldSupplies(all, taken);
        for (const { boughtKg, foundKg, usedKg, thrownKg, onHandKg } of supplies)
          expect(boughtKg + foundKg).toBeCloseTo(usedKg + thrownKg + onHandKg, 8);
        const again = foldSupplies([...all].reverse(), taken);
        for (const [n, { onHandKg }] of supplies.entries()) expect(again[n]?.onHandKg).toBeCloseTo(onHandKg, 8);
        expect(foldSupplies([...all, ...all], taken).length).toBe(supplies.length);
      }),
    );
  });
});

describe('a shopping list', () => {
  const beetroot = wanted('beetroot-horseradish', 60);
  const celeriac = wanted('celeriac-leek-apple', 40);

  it('adds up two soups by ingredient, as a hand does it from their pull lists', () => {
    const list = shoppingList([beetroot, celeriac], LARDER_ROWS, [], []);
    // Both take cooking apple: what is needed is the sum of the two lines of their pull lists.
    const apple = list.find(({ ingredient }) => ingredient === 'apple');
    const used = (of: typeof beetroot): number =>
      of.plan.prepared.lines
        .filter(({ line }) => line.ingredient.row.id === 'apple')
        .reduce((sum, { line }) => sum + (of.plan.run.usedKg.get(line.id) ?? 0), 0);
    expect(apple?.of.map(({ name }) => name)).toEqual([beetroot.name, celeriac.name]);
    expect(apple?.neededKg).toBeCloseTo(used(beetroot) + used(celeriac), 9);
    expect(list.some(({ ingredient }) => ingredient === 'water')).toBeFalse();
  });

  it('buys what is short, rounded up to packs, and says what will be over', () => {
    const buying: Buying[] = [{ ingredient: 'beetroot', supplier: 'Quay Greens', packKg: 5, packName: 'net' }];
    const [before] = shoppingList([beetroot], LARDER_ROWS, [], buying).filter(({ ingredient }) => ingredient === 'beetroot');
    if (before === undefined) throw new Error('Beetroot is in it.');
    const supplies = foldSupplies([entry('beetroot', { kind: 'counted', kg: before.neededKg - 5.2 }, 1)], []);
    const [row] = shoppingList([beetroot], LARDER_ROWS, supplies, buying).filter(({ ingredient }) => ingredient === 'beetroot');
    // 5.2 kg short of nets of 5 kg: two nets, and 4.8 kg over.
    expect(row?.shortKg).toBeCloseTo(5.2, 6);
    expect(row?.packs).toBe(2);
    expect(row?.buyKg).toBe(10);
    expect(row?.overKg).toBeCloseTo(4.8, 6);
    expect(row?.supplier).toBe('Quay Greens');
    expect(row?.cost).toBeCloseTo(10 * (LARDER_ROWS.find(({ id }) => id === 'beetroot')?.pricePerKg ?? 0), 9);
  });

  it('buys nothing of what is there, and never less than what is short', () => {
    const need = shoppingList([celeriac], LARDER_ROWS, [], []);
    for (const { neededKg, buyKg, shortKg } of need) {
      expect(shortKg).toBeCloseTo(neededKg, 9);
      expect(buyKg).toBeGreaterThanOrEqual(shortKg - 1e-9);
      expect(buyKg).toBeLessThan(shortKg + 0.5 + 1e-9);
    }
    const all = foldSupplies(
      need.map(({ ingredient, neededKg }) => entry(ingredient, { kind: 'bought', kg: neededKg + 0.001 }, 1)),
      [],
    );
    for (const { buyKg, cost } of shoppingList([celeriac], LARDER_ROWS, all, [])) {
      expect(buyKg).toBe(0);
      expect(cost).toBe(0);
    }
  });
});
