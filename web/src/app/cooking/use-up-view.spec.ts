import { READY_KITS, potsBySize } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { planToBuy, pullList } from '@tureen/core/plan';
import { foldSupplies, type SupplyEntry } from '@tureen/core/shop';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { useUpView, type UseUpAsk } from './use-up-view';

const KIT = READY_KITS.canteen;
const DAY = 86_400_000;
const TODAY = Date.UTC(2026, 10, 27);

let made = 0;
function came(ingredient: string, kg: number, daysAgo: number): SupplyEntry {
  made += 1;
  const id = `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`;
  return { id, ingredient, action: { kind: 'bought', kg }, atMs: TODAY - daysAgo * DAY, who: '' };
}

function asked(entries: readonly SupplyEntry[], more: Partial<UseUpAsk> = {}): UseUpAsk {
  return {
    supplies: foldSupplies(entries, []),
    buying: [],
    needed: [],
    soups: EXAMPLE_SOUPS,
    dayMs: TODAY,
    untilMs: TODAY + 3 * DAY,
    mostBowls: 60,
    ...more,
  };
}

describe('what is used up', () => {
  it('is told by the plan of so many bowls: who cooks it takes what the page says', () => {
    const { ways } = useUpView(asked([came('leek', 4, 11), came('celeriac', 5, 20)]), LARDER_ROWS, KIT);
    expect(ways.length).toBeGreaterThan(0);
    for (const { soups, value } of ways) {
      let saved = 0;
      const left = new Map([
        ['Leek', 4],
        ['Celeriac', 5],
      ]);
      for (const { soupId, bowls, bowlG, takes } of soups) {
        const soup = EXAMPLE_SOUPS.find(({ id }) => id === soupId)!;
        const planning = potsBySize(KIT)
          .map(({ id }) => planToBuy(soup, LARDER_ROWS, KIT, { bowls, bowlG, potId: id }))
          .find(({ ok }) => ok);
        const pulled = planning?.ok === true ? pullList(planning.plan) : [];
        for (const { name, kg } of takes) {
          const own = pulled.find((row) => row.name === name);
          expect(kg)
            .withContext(name)
            .toBeCloseTo(Math.min(left.get(name) ?? 0, own?.boughtKg ?? 0), 9);
          left.set(name, (left.get(name) ?? 0) - kg);
          saved += kg * (LARDER_ROWS.find((row) => row.name === name)?.pricePerKg ?? 0);
        }
      }
      expect(value).toBeCloseTo(saved, 9);
    }
  });

  it('is nothing that the list needs already, and no milk past its day', () => {
    const cream = [came('single-cream', 1, 9)];
    const { soon, ways } = useUpView(asked(cream), LARDER_ROWS, KIT);
    expect(soon.map(({ ingredient }) => ingredient)).toEqual(['single-cream']);
    expect(ways).toEqual([]);
    expect(useUpView(asked([came('single-cream', 1, 6)]), LARDER_ROWS, KIT).ways.length).toBeGreaterThan(0);
    const leek = useUpView(asked([came('leek', 2, 11)]), LARDER_ROWS, KIT);
    expect(leek.soon.length).toBe(1);
    const needs = { ingredient: 'leek', neededKg: 2 } as UseUpAsk['needed'][number];
    expect(useUpView(asked([came('leek', 2, 11)], { needed: [needs] }), LARDER_ROWS, KIT).soon).toEqual([]);
  });

  it('on a small kitchen’s pots it is as many bowls as they hold', () => {
    const home = READY_KITS.home;
    const { soon, ways } = useUpView(asked([came('leek', 40, 11)], { mostBowls: 2000 }), LARDER_ROWS, home);
    expect(soon.length).toBe(1);
    expect(ways.length).toBeGreaterThan(0);
    for (const { soups } of ways) for (const { bowls } of soups) expect(bowls).toBeLessThan(60);
  });
});
