import { canteen, example, kilos, larder, prepared, soupOf } from '../../spec/pots.js';
import { LARDER_ROWS } from '../larder/index.js';
import { cardsMade, makePlan, pullList, rerun } from '../plan/index.js';
import { parcelKg } from '../pot/index.js';
import type { Soup } from '../soup/index.js';
import { prepareSoup, cardYieldKg, run } from './index.js';

/** A mix of two powders: nothing is lost, so every figure can be had by hand. */
const spice: Soup = {
  ...soupOf(
    [kilos('salt', 'fine-salt', 0.03), kilos('cumin', 'cumin', 0.07)],
    [{ id: 'mix', op: 'add', uses: [{ line: 'salt' }, { line: 'cumin' }] }],
  ),
  id: 'spice',
  name: 'Spice mix',
};

const soup: Soup = {
  ...soupOf(
    [kilos('carrot', 'carrot', 2), kilos('water', 'water', 2), kilos('mix', 'card:spice', 0.05)],
    [
      { id: 'in', op: 'add', uses: [{ line: 'carrot' }, { line: 'water' }, { line: 'mix' }] },
      { id: 'blend', op: 'blend', blender: 'jug', minutes: 1 },
    ],
  ),
  cards: [spice],
};

function planned(of: Soup, bowls: number): Extract<ReturnType<typeof makePlan>, { ok: true }>['plan'] {
  const planning = makePlan(of, LARDER_ROWS, canteen, { bowls, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(JSON.stringify(planning.error));
  return planning.plan;
}

describe('a card within a card', () => {
  it('brings its composition, salt and cost: 50 g of a mix with 30 % salt is 15 g', () => {
    const of = run(prepared(soup), 1);
    // 0.05 x 0.3 x 0.998 = 14.97 g of NaCl.
    expect(of.dished!.parcel.mix[6] * 1000).toBeCloseTo(14.97, 2);
    // Cost: carrot 2 x 1.0, water 2 x 0.002, mix 0.05 x (0.03 x 0.8 + 0.07 x 18) / 0.1 = 0.05 x 12.84 = 0.642
    expect(of.costSum).toBeCloseTo(2 + 0.004 + 0.642, 6);
  });

  it('is made in the amount that is wanted, and its lines are on the shopping list', () => {
    const plan = planned(soup, 40);
    const [made] = cardsMade(plan.prepared, plan.run);
    expect(made!.wantedKg).toBeCloseTo(plan.run.usedKg.get('mix')!, 9);
    expect(cardYieldKg(made!.run) / made!.wantedKg).toBeCloseTo(1, 5);
    const list = pullList(plan);
    expect(list.some(({ ingredient }) => ingredient.startsWith('card:'))).toBeFalse();
    const bought = (id: string): number => list.find(({ ingredient }) => ingredient === id)!.boughtKg;
    expect(bought('cumin') / made!.wantedKg).toBeCloseTo(0.7, 5);
  });

  it('carries allergens, fat and colour: stock from cobs brings its celery', () => {
    const plan = planned(example('sweetcorn-smoked-chilli'), 40);
    expect(plan.run.servings.map(({ id }) => id)).toEqual(['creamed', 'vegan']);
    const stock = pullList(plan).find(({ ingredient }) => ingredient === 'celery');
    expect(stock!.boughtKg).toBeGreaterThan(0.1);
    expect(plan.prepared.lines.find(({ line }) => line.id === 'stock')!.line.ingredient.row.allergens).toEqual(['celery']);
  });

  it('half of a roasted head may be kept: only what is wanted is made', () => {
    const plan = planned(example('tomato-roast-garlic'), 40);
    const [garlic] = cardsMade(plan.prepared, plan.run);
    expect(garlic!.cardId).toBe('roast-garlic');
    expect(garlic!.wantedKg).toBeCloseTo(0.04 * plan.snapshot.scale, 9);
    // Roasted garlic has lost water: more is bought than comes out.
    expect(garlic!.run.usedKg.get('heads')!).toBeGreaterThan(garlic!.wantedKg);
  });

  it('a stored plan runs again to the same figures, cards and all', () => {
    const plan = planned(example('sweetcorn-smoked-chilli'), 40);
    const again = rerun(JSON.parse(JSON.stringify(plan.snapshot)) as typeof plan.snapshot);
    expect(parcelKg(again.run.dished!.parcel)).toBeCloseTo(parcelKg(plan.run.dished!.parcel), 9);
    expect(again.run.costSum).toBeCloseTo(plan.run.costSum, 9);
  });

  it('goes to any depth: a mix in a paste in a soup', () => {
    const paste: Soup = {
      ...soupOf(
        [kilos('oil', 'olive-oil', 0.05), kilos('mix', 'card:spice', 0.05)],
        [{ id: 'p', op: 'add', uses: [{ line: 'oil' }, { line: 'mix' }] }],
      ),
      id: 'paste',
    };
    const deep: Soup = {
      ...soup,
      lines: soup.lines.map((line) => (line.id === 'mix' ? { ...line, ingredient: 'card:paste' } : line)),
      cards: [paste, spice],
    };
    // Half of the 50 g of paste is mix: 7.485 g of salt.
    expect(run(prepared(deep), 1).dished!.parcel.mix[6] * 1000).toBeCloseTo(7.485, 2);
    const plan = planned(deep, 40);
    expect(cardsMade(plan.prepared, plan.run).map(({ cardId }) => cardId)).toEqual(['paste', 'spice']);
  });

  it('a circle is a clear error, and so is a card that is not there', () => {
    const round: Soup = { ...spice, lines: [...spice.lines, kilos('again', 'card:other', 0.01)] };
    const other: Soup = { ...spice, id: 'other', lines: [...spice.lines, kilos('again', 'card:spice', 0.01)] };
    const circle = prepareSoup({ ...soup, cards: [round, other] }, larder, canteen, 'boiler-40', 0.3);
    expect(circle.ok ? [] : circle.problems).toEqual([
      { path: 'cards.other.lines.2.ingredient', code: 'CARD_CIRCLE', circle: ['spice', 'other', 'spice'] },
    ]);
    const missing = prepareSoup({ ...soup, cards: [] }, larder, canteen, 'boiler-40', 0.3);
    expect(missing.ok ? [] : missing.problems).toEqual([
      { path: 'lines.2.ingredient', code: 'UNKNOWN_CARD', card: 'spice', known: [] },
    ]);
  });

  it('a card that can’t be measured as a line asks is told, not thrown', () => {
    const asked: Soup = {
      ...soup,
      lines: soup.lines.map((line) =>
        line.id === 'mix' ? { ...line, way: 'peeled', amount: { rule: 'scaled', amount: { value: 2, unit: 'piece' } } } : line,
      ),
    };
    const preparation = prepareSoup(asked, larder, canteen, 'boiler-40', 0.3);
    expect(preparation.ok ? [] : preparation.problems.map(({ path, code }) => `${path} ${code}`)).toEqual([
      'lines.2.amount UNIT_DOES_NOT_FIT',
      'lines.2.way UNKNOWN_WAY',
    ]);
  });

  it('what is wrong within a card is told with its path', () => {
    const bad: Soup = { ...spice, lines: [kilos('salt', 'unobtainium', 0.03), ...spice.lines.slice(1)] };
    const preparation = prepareSoup({ ...soup, cards: [bad] }, larder, canteen, 'boiler-40', 0.3);
    expect(preparation.ok ? [] : preparation.problems[0]!.path).toBe('cards.spice.lines.0.ingredient');
  });
});

describe('shares of a batch', () => {
  const plan = planned(example('sweetcorn-smoked-chilli'), 40);

  it('have their own bowls, totals, allergens and diet: 24 creamed, 16 vegan', () => {
    const [creamed, vegan] = plan.run.servings;
    expect(creamed!.bowls).toBeCloseTo(24, 4);
    expect(vegan!.bowls).toBeCloseTo(16, 4);
    expect(creamed!.parcel.origins).not.toBe(0);
    expect(vegan!.parcel.origins).toBe(0);
    // A bowl of 300 g with 20 g of cream in it and 2 g of herb on top.
    expect(creamed!.bowlKg).toBeCloseTo(0.302, 6);
    expect(plan.run.usedKg.get('cream')).toBeCloseTo(24 * 0.02, 4);
  });
});
