import { EXAMPLE_SOUPS, type Soup } from '../soup/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { READY_KITS, type Kit } from '../kit/index.js';
import { prepareSoup, run } from '../runner/index.js';
import {
  PlanRequestSchema,
  cautionsOf,
  figuresOf,
  makePlan,
  notScaling,
  pullList,
  rerun,
  writtenPlan,
  type Planned,
} from './index.js';

const kit = READY_KITS.canteen;
const beetroot = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;

function planned(soup: Soup, bowls: number, potId = 'boiler-40', own: Kit = kit): Planned {
  const planning = makePlan(soup, LARDER_ROWS, own, { bowls, bowlG: 300, potId });
  if (!planning.ok) throw new Error(JSON.stringify(planning.error));
  return planning.plan;
}

/** Carrots in water, nothing else: small enough to work by hand. */
const plain: Soup = {
  id: 'plain',
  name: 'Plain',
  lead: 'Carrot',
  school: 'sweat',
  served: 'hot',
  writtenFor: { bowls: 10, bowlG: 300 },
  lines: [
    {
      id: 'carrot',
      ingredient: 'carrot',
      cut: { shape: 'cube', sizeMm: 12, name: 'diced' },
      amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } },
    },
    { id: 'water', ingredient: 'water', amount: { rule: 'byStep' } },
  ],
  root: {
    id: 'pot',
    name: 'Pot',
    vessel: 'pot',
    steps: [
      { id: 'carrot', op: 'add', uses: [{ line: 'carrot' }] },
      { id: 'cover', op: 'cover', line: 'water', overM: 0.01 },
      { id: 'simmer', op: 'simmer', minutes: 60, vigour: 'steady', lid: 'off' },
      { id: 'dish', op: 'dish' },
    ],
  },
};

describe('plan', () => {
  it('80 bowls of beetroot and horseradish: amounts as purchased, run forward, are 80 bowls within 0.1 %', () => {
    const plan = planned(beetroot, 80);
    expect(Math.abs(run(plan.prepared, plan.snapshot.scale).bowls / 80 - 1)).toBeLessThan(0.001);
    const beet = pullList(plan).find(({ ingredient }) => ingredient === 'beetroot')!;
    // 1.75 kg for the soup as written, by the scale; 77 % of it is edible.
    expect(beet.boughtKg).toBeCloseTo(1.75 * plan.snapshot.scale, 9);
    expect(beet.edibleKg).toBeCloseTo(beet.boughtKg * 0.77, 9);
    expect(beet.boughtKg).toBeCloseTo(beet.edibleKg + beet.trimKg, 9);
  });

  it('one ingredient in two lines is one line of shopping', () => {
    const stock = pullList(planned(beetroot, 80)).filter(({ ingredient }) => ingredient === 'vegetable-stock');
    expect(stock.length).toBe(1);
    expect(stock[0]?.lineIds).toEqual(['stock', 'let-down']);
  });

  it('1 and 8 kg of carrot in one 40 cm pot: water by geometry, boil-off the same, both worked by hand', () => {
    // Carrot at the water's 15 °C by Choi and Okos: 0.96253 L/kg. Floor 0.125664 m2.
    // 1 kg: bed 0.96253 / 0.6 / 125.664 = 12.77 mm, + 10 mm -> 2.8609 L - 0.9625 = 1.8983 L.
    // 8 kg: bed 102.13 mm, + 10 mm -> 14.0904 L - 7.7003 = 6.3902 L. Water at 15 °C: 0.996382 kg/L.
    const at = (scale: number): ReturnType<typeof run> => run(planned(plain, 80).prepared, scale);
    expect(at(1).usedKg.get('water')).toBeCloseTo(1.8983 * 0.996382, 3);
    expect(at(8).usedKg.get('water')).toBeCloseTo(6.3902 * 0.996382, 3);
    // Boil-off: 12 kg/(m2 h) x 0.125664 m2 x 1 h = 1.508 kg for either.
    for (const scale of [1, 8]) {
      const simmer = at(scale).records.find(({ step }) => step.op === 'simmer')!;
      expect(simmer.outflows[0]!.parcel.mix[0]).toBeCloseTo(1.508, 3);
    }
  });

  it('ten and eighty bowls in one pot are not in the proportion of one to eight', () => {
    const ten = planned(plain, 10);
    const eighty = planned(plain, 80);
    const carrot = (plan: Planned): number => plan.run.usedKg.get('carrot')!;
    const water = (plan: Planned): number => plan.run.usedKg.get('water')!;
    // Water by the kilo of carrot: (6.3670 - 1.8915) / 7 = 0.63937, and 1.2521 kg whatever the carrot. Ten bowls want
    // 3 + 1.508 kg in: c = (4.508 - 1.2521) / 1.63937 = 1.9861, water 2.5219. Eighty want 25.508: c = 14.7959, water 10.712.
    expect(carrot(ten)).toBeCloseTo(1.9861, 3);
    expect(water(ten)).toBeCloseTo(2.5219, 3);
    expect(carrot(eighty)).toBeCloseTo(14.7959, 3);
    expect(water(eighty)).toBeCloseTo(10.712, 2);
    expect(water(eighty) / water(ten)).toBeCloseTo(4.25, 2);
    const rows = notScaling(ten, eighty);
    const boilOff = rows.find(({ what }) => what === 'boil-off')!;
    expect(boilOff.now / boilOff.written).toBeCloseTo(1, 9);
  });

  it('a wider pot boils off more and needs more water', () => {
    const narrow = planned(plain, 50, 'stockpot-20');
    const wide = planned(plain, 50, 'boiler-40');
    expect(wide.run.usedKg.get('water')!).toBeGreaterThan(narrow.run.usedKg.get('water')!);
  });

  it('an impossible plan says by how much, how many bowls fit, and which pots would do', () => {
    const planning = makePlan(beetroot, LARDER_ROWS, kit, { bowls: 80, bowlG: 300, potId: 'stockpot-20' });
    if (planning.ok || planning.error.code !== 'DOES_NOT_FIT') throw new Error('expected a plan that does not fit');
    const { error } = planning;
    expect(error.overM3).toBeCloseTo(error.peakM3 - error.usableM3, 12);
    expect(error.pots.map(({ potId }) => potId)).toEqual(['boiler-40', 'boiler-98']);
    const fits = makePlan(beetroot, LARDER_ROWS, kit, { bowls: error.bowlsThatFit, bowlG: 300, potId: 'stockpot-20' });
    const over = makePlan(beetroot, LARDER_ROWS, kit, { bowls: error.bowlsThatFit + 1, bowlG: 300, potId: 'stockpot-20' });
    expect(fits.ok).toBeTrue();
    expect(over.ok).toBeFalse();
  });

  it('too few bowls for a wide pot says the least', () => {
    const planning = makePlan(plain, LARDER_ROWS, kit, { bowls: 2, bowlG: 300, potId: 'boiler-98' });
    if (planning.ok || planning.error.code !== 'TOO_FEW_FOR_POT') throw new Error('expected too few');
    expect(
      makePlan(plain, LARDER_ROWS, kit, { bowls: planning.error.leastBowls + 1, bowlG: 300, potId: 'boiler-98' }).ok,
    ).toBeTrue();
  });

  it('names every problem of a soup with its place', () => {
    const broken: Soup = {
      ...plain,
      lines: [
        { ...plain.lines[0]!, ingredient: 'moon-cheese' },
        { id: 'extra', ingredient: 'water', amount: { rule: 'scaled', amount: { value: 1, unit: 'piece' } } },
      ],
    };
    const planning = makePlan(broken, LARDER_ROWS, kit, { bowls: 10, bowlG: 300, potId: 'boiler-40' });
    if (planning.ok || planning.error.code !== 'SOUP_HAS_PROBLEMS') throw new Error('expected problems');
    const said = planning.error.problems.map(({ code, path }) => `${path} ${code}`);
    expect(said).toContain('lines.0.ingredient UNKNOWN_INGREDIENT');
    expect(said).toContain('lines.1.amount UNIT_DOES_NOT_FIT');
    expect(said).toContain('lines.1 LINE_NOT_USED');
    expect(said).toContain('root.steps.1 UNKNOWN_LINE');
  });

  it('a snapshot run again gives the same figures, and holds only the rows it needs', () => {
    const plan = planned(beetroot, 80);
    const stored = JSON.parse(JSON.stringify(plan.snapshot)) as typeof plan.snapshot;
    expect(figuresOf(rerun(stored).prepared, rerun(stored).run)).toEqual(figuresOf(plan.prepared, plan.run));
    expect(stored.rows.length).toBe(new Set(beetroot.lines.map(({ ingredient }) => ingredient)).size);
  });

  it('as written, each example soup stands in the smallest pot that holds it', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const written = writtenPlan(soup, LARDER_ROWS, kit)!;
      expect(written.run.bowls).withContext(soup.id).toBeCloseTo(soup.writtenFor.bowls, 3);
      const isUnderPressure = soup.id === 'red-lentil-tomato';
      expect(written.prepared.vessel.id)
        .withContext(soup.id)
        .toBe(isUnderPressure ? 'stockpot-20' : 'saucepot-8');
    }
  });

  it('warns once of each thing, at its step', () => {
    const codes = cautionsOf(planned(beetroot, 80).prepared, planned(beetroot, 80).run).map(
      ({ stepId, caution }) => `${stepId ?? '-'} ${caution.code}`,
    );
    expect(codes).toContain('- TWO_PEOPLE_LIFT');
    expect(codes).toContain('roast TRAY_CROWDED');
    expect(codes).toContain('blend HOT_JUG');
    expect(new Set(codes).size).toBe(codes.length);
  });

  it('refuses an absurd request', () => {
    for (const bad of [{ bowls: 1e6 }, { bowls: -1 }, { bowls: 0 }, { bowls: Number.NaN }, { bowlG: 0 }]) {
      expect(PlanRequestSchema.safeParse({ bowls: 80, bowlG: 300, potId: 'boiler-40', ...bad }).success).toBeFalse();
    }
  });

  it('a written spoon of salt that can’t be meant is pointed out: 60 g in 3 kg', () => {
    const salted = (grams: number): string[] => {
      const soup: Soup = {
        ...plain,
        lines: [
          ...plain.lines,
          { id: 'salt', ingredient: 'fine-salt', amount: { rule: 'scaled', amount: { value: grams, unit: 'g' } } },
        ],
        root: {
          ...plain.root,
          steps: [
            ...plain.root.steps.slice(0, -1),
            { id: 'salt', op: 'add', uses: [{ line: 'salt' }] },
            { id: 'dish', op: 'dish' },
          ],
        },
      };
      const plan = planned(soup, 20);
      return cautionsOf(plan.prepared, plan.run).map(({ caution }) => caution.code);
    };
    expect(salted(60)).toContain('SPOON_IMPLAUSIBLE');
    expect(salted(16)).not.toContain('SPOON_IMPLAUSIBLE');
    expect(salted(2)).toContain('SPOON_IMPLAUSIBLE');
  });

  it('doubling a soup in one pot does not double its stock, and the salt stays', () => {
    const celeriac = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const [once, twice] = [planned(celeriac, 40), planned(celeriac, 80)];
    const stock = (plan: Planned): number => plan.run.usedKg.get('stock')!;
    expect(stock(twice) / stock(once)).toBeLessThan(1.95);
    expect(stock(twice)).toBeGreaterThan(stock(once));
    expect(figuresOf(twice.prepared, twice.run).saltPct).toBeCloseTo(figuresOf(once.prepared, once.run).saltPct, 3);
  });

  it('squash-size pieces covered in two pots: stock by geometry, worked by hand', () => {
    // 3 kg of 25 mm squash, 0.94825 L/kg at the stock's 4 °C by Choi and Okos: 2.8448 L of piece, bed 2.8448 / 0.6 = 4.7413 L.
    // 32 cm: floor 0.080425 m2, bed 58.95 mm, + 10 mm: 5.5455 - 2.8448 = 2.7008 L. 50 cm: floor 0.19635 m2, bed 24.1 mm is
    // thinner than a piece: 25 mm + 10 mm: 6.8722 - 2.8448 = 4.0275 L. Stock 1.00014 kg/L at 4 °C by the same tables.
    const soup = (potId: string): number => {
      const own: Soup = {
        ...plain,
        lines: [
          {
            id: 'squash',
            ingredient: 'butternut',
            cut: { shape: 'cube', sizeMm: 25, name: 'cubes' },
            amount: { rule: 'scaled', amount: { value: 3, unit: 'kg' } },
          },
          { id: 'stock', ingredient: 'vegetable-stock', amount: { rule: 'byStep' } },
        ],
        root: {
          ...plain.root,
          steps: [
            { id: 'squash', op: 'add', uses: [{ line: 'squash' }] },
            { id: 'cover', op: 'cover', line: 'stock', overM: 0.01 },
            { id: 'dish', op: 'dish' },
          ],
        },
      };
      const preparation = prepareSoup(own, makeLarder(LARDER_ROWS), READY_KITS.canteen, potId, 0.3);
      if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
      return run(preparation.prepared, 1).usedKg.get('stock')!;
    };
    expect(soup('stockpot-20')).toBeCloseTo(2.7012, 3);
    expect(soup('boiler-98')).toBeCloseTo(4.0281, 3);
  });
});
