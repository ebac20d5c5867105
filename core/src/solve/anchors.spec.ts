import { canteen, example, larder, prepared } from '../../spec/pots.js';
import { prepareSoup, run } from '../runner/index.js';
import { usableM3 } from '../kit/index.js';
import { anchored, roundTogether, scaleFor, scaleForAnchors, unitsOf, withKilos, type Anchor, type Unit } from './index.js';

const soup = example('tomato-roast-garlic');
const tomato = prepared(soup);
const squash = prepared(example('squash-coconut-chilli'));

describe('backwards from any side', () => {
  const ANCHORS: readonly Anchor[] = [
    { by: 'bowls', bowls: 57 },
    { by: 'kg', kg: 14 },
    { by: 'litres', litres: 14 },
    { by: 'carton', line: 'coconut', cartons: 3, cartonKg: 0.4 },
    { by: 'on hand', ingredient: 'butternut', kg: 5 },
    { by: 'pot' },
    { by: 'trays', trays: 6 },
    { by: 'jugs', jugs: 9 },
  ];

  for (const anchor of ANCHORS) {
    it(`${anchor.by}: run forward at the scale found, it is met within 0.1 %`, () => {
      const found = scaleFor(squash, anchor);
      if (!found.ok) throw new Error(found.code);
      const { wanted, figure } = anchored(squash, anchor);
      expect(Math.abs(figure(run(squash, found.scale)) / wanted - 1)).toBeLessThan(0.001);
    });
  }

  it('fills the pot to what may boil in it', () => {
    const found = scaleForAnchors(squash, [{ by: 'pot' }]);
    expect(found.ok && found.run.peakM3).toBeCloseTo(usableM3(squash.vessel), 7);
  });

  it('with limits alone the tightest decides, and says which', () => {
    const found = scaleForAnchors(squash, [
      { by: 'pot' },
      { by: 'on hand', ingredient: 'butternut', kg: 2 },
      { by: 'trays', trays: 30 },
    ]);
    if (!found.ok) throw new Error(found.code);
    expect(found.limiting).toEqual({ by: 'on hand', ingredient: 'butternut', kg: 2 });
    expect(found.run.usedKg.get('squash')).toBeCloseTo(2, 6);
  });

  it('an exact one is met under its limits', () => {
    const found = scaleForAnchors(squash, [{ by: 'bowls', bowls: 20 }, { by: 'pot' }]);
    expect(found.ok && found.run.bowls).toBeCloseTo(20, 4);
  });

  it('what contradicts is reported with what it would come to', () => {
    const found = scaleForAnchors(squash, [
      { by: 'bowls', bowls: 40 },
      { by: 'on hand', ingredient: 'butternut', kg: 3 },
    ]);
    if (found.ok || found.code !== 'CONTRADICTION') throw new Error('They contradict.');
    const [one] = found.contradictions;
    expect(one?.second.by).toBe('on hand');
    expect(one?.asked).toBe(3);
    expect(one!.wouldBe).toBeGreaterThan(6);
    const twoSides = scaleForAnchors(squash, [
      { by: 'bowls', bowls: 40 },
      { by: 'kg', kg: 20 },
    ]);
    expect(twoSides.ok).toBeFalse();
  });

  it('what the soup does not have is said', () => {
    expect(scaleFor(squash, { by: 'on hand', ingredient: 'turnip', kg: 3 })).toEqual({ ok: false, code: 'NOT_IN_THIS_SOUP' });
    expect(scaleFor(tomato, { by: 'trays', trays: 3 })).toEqual({ ok: false, code: 'NOT_IN_THIS_SOUP' });
  });
});

describe('rounding', () => {
  /** Every factor of a fine grid with every line at its nearest count: what a search that is in no hurry would find. */
  function bruteForce(units: readonly Unit[], kg: ReadonlyMap<string, number>, least: number, most: number): number {
    let best = Number.POSITIVE_INFINITY;
    for (let n = 0; n <= 20_000; n++) {
      const factor = least + ((most - least) * n) / 20_000;
      const sum = units.reduce((total, { lineId, unitKg }) => {
        const wanted = kg.get(lineId)! * factor;
        return total + Math.log((Math.max(1, Math.round(wanted / unitKg)) * unitKg) / wanted) ** 2;
      }, 0);
      best = Math.min(best, Math.sqrt(sum / units.length));
    }
    return best;
  }

  it('finds the least drift that there is: no factor of a fine grid does better', () => {
    for (const bowls of [23, 40, 61, 80]) {
      const found = scaleFor(squash, { by: 'bowls', bowls });
      if (!found.ok) throw new Error(found.code);
      const of = run(squash, found.scale);
      const units = unitsOf(squash, (id) => of.usedKg.get(id) ?? 0);
      const rounding = roundTogether(units, (id) => of.usedKg.get(id) ?? 0);
      expect(rounding.drift).toBeLessThanOrEqual(bruteForce(units, of.usedKg, 0.98, 1.05) + 1e-9);
    }
  });

  it('leaves pieces whole, and the real run of the rounded amounts is within its drift of the bowls', () => {
    const found = scaleFor(squash, { by: 'bowls', bowls: 40 });
    if (!found.ok) throw new Error(found.code);
    const of = run(squash, found.scale);
    const rounding = roundTogether(
      unitsOf(squash, (id) => of.usedKg.get(id) ?? 0),
      (id) => of.usedKg.get(id) ?? 0,
    );
    const chilli = rounding.lines.find(({ lineId }) => lineId === 'chilli')!;
    expect(chilli.label).toBe('medium');
    expect(chilli.roundedKg / chilli.unitKg).toBe(chilli.count);
    const rounded = run(
      withKilos(squash, new Map(rounding.lines.map(({ lineId, roundedKg }) => [lineId, roundedKg])), found.scale),
      found.scale,
    );
    expect(Math.abs(rounded.bowls / (40 * rounding.factor) - 1)).toBeLessThan(0.03);
    for (const { roundedKg, exactKg, drift } of rounding.lines)
      expect(Math.log(roundedKg / (exactKg * rounding.factor))).toBeCloseTo(drift, 12);
  });

  it('never takes more than is on hand', () => {
    const units: Unit[] = [
      { lineId: 'a', unitKg: 0.5, label: '500 g', mostKg: 5 },
      { lineId: 'b', unitKg: 0.1, label: '100 g' },
    ];
    const rounding = roundTogether(units, (id) => (id === 'a' ? 4.9 : 2), { least: 1, most: 1.2 });
    expect(rounding.lines.find(({ lineId }) => lineId === 'a')!.roundedKg).toBeLessThanOrEqual(5);
  });
});

describe('size', () => {
  it('a soup of forty ingredients runs, balances and solves', () => {
    const ids = [...larder.keys()].filter((id) => larder.get(id)!.row.softening > 0).slice(0, 38);
    const lines = [...ids, 'water', 'fine-salt'].map((ingredient, n) => ({
      id: `l${String(n)}`,
      ingredient,
      amount: { rule: 'scaled' as const, amount: { value: ingredient === 'water' ? 3 : 0.1, unit: 'kg' as const } },
    }));
    const preparation = prepareSoup(
      {
        ...soup,
        cards: [],
        lines,
        root: {
          id: 'pot',
          name: 'Pot',
          vessel: 'pot',
          steps: [
            { id: 'in', op: 'add', uses: lines.map(({ id }) => ({ line: id })) },
            { id: 'simmer', op: 'simmer', minutes: 30, vigour: 'steady', lid: 'ajar' },
            { id: 'blend', op: 'blend', blender: 'jug', minutes: 2 },
            { id: 'dish', op: 'dish' },
          ],
        },
      },
      larder,
      canteen,
      'boiler-98',
      0.3,
    );
    if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
    const found = scaleFor(preparation.prepared, { by: 'bowls', bowls: 120 });
    expect(found.ok && run(preparation.prepared, found.scale).bowls).toBeCloseTo(120, 3);
  });
});
