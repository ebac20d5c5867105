import fc from 'fast-check';
import { LARDER_ROWS, SALT, makeLarder } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { CREAM_KG, contents, parcelKg, potKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, type Soup, type SoupStep } from '../soup/index.js';
import { prepareSoup, ribbonOf, run, runFigures, runInto, timeline, type PreparedSoup, type Run, type RunEnd } from './index.js';

const larder = makeLarder(LARDER_ROWS);

function prepared(soup: Soup, potId = 'boiler-40'): PreparedSoup {
  const preparation = prepareSoup(soup, larder, READY_KITS.canteen, potId, 0.3);
  if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
  return preparation.prepared;
}

function example(id: string): Soup {
  return EXAMPLE_SOUPS.find((soup) => soup.id === id)!;
}

function step(of: Run, id: string): Run['records'][number] {
  return of.records.find((record) => record.step.id === id)!;
}

/** The example with one of its root steps changed. */
function changed(soup: Soup, id: string, change: Partial<SoupStep>): Soup {
  return {
    ...soup,
    root: { ...soup.root, steps: soup.root.steps.map((one) => (one.id === id ? ({ ...one, ...change } as SoupStep) : one)) },
  };
}

/** One ingredient in water: the least that can be called a soup. */
function alone(ingredient: string): Soup {
  return {
    id: 'alone',
    name: 'Alone',
    lead: ingredient,
    school: 'sweat',
    served: 'hot',
    writtenFor: { bowls: 10, bowlG: 300 },
    lines: [
      { id: 'only', ingredient, amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } } },
      { id: 'water', ingredient: 'water', amount: { rule: 'byStep' } },
    ],
    root: {
      id: 'pot',
      name: 'Pot',
      vessel: 'pot',
      steps: [
        { id: 'only', op: 'add', uses: [{ line: 'only' }] },
        { id: 'cover', op: 'cover', line: 'water', overM: 0.01 },
        { id: 'simmer', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'on' },
        { id: 'blend', op: 'blend', blender: 'stick', minutes: 2 },
        { id: 'dish', op: 'dish' },
      ],
    },
  };
}

describe('a run', () => {
  const celeriac = example('celeriac-leek-apple');

  it('meets the salt of the finished soup, cream to come counted: 0.8 % within a thousandth', () => {
    const { dished } = run(prepared(celeriac), 8);
    expect((dished!.parcel.mix[SALT] / parcelKg(dished!.parcel)) * 100).toBeCloseTo(0.8, 3);
  });

  it('meets the cream target whatever the pot holds', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 12, noNaN: true }), fc.double({ min: 0, max: 30, noNaN: true }), (scale, pct) => {
        const target = { target: { by: 'pct', value: pct } } as Partial<SoupStep>;
        const creamed = step(run(prepared(changed(celeriac, 'cream', target)), scale), 'cream').pot;
        expect((contents(creamed).carried[CREAM_KG] / potKg(creamed)) * 100).toBeCloseTo(pct, 6);
      }),
      { numRuns: 30 },
    );
  });

  it('runs branches side by side: what comes after a join waits for the later of the two', () => {
    const of = run(prepared(example('beetroot-horseradish')), 4);
    const overAt = timeline(of.tasks, READY_KITS.canteen.hands!);
    expect(overAt.get('tip-in')!).toBeGreaterThanOrEqual(overAt.get('roast')!);
    expect(overAt.get('simmer')!).toBeGreaterThan(overAt.get('tip-in')!);
    expect(of.minutes).toBe(Math.max(...overAt.values()));
  });

  it('lets half the air out in six minutes', () => {
    const of = run(prepared(celeriac), 8);
    const blended = step(of, 'blend').pot.airShare;
    const after = step(of, 'reheat');
    expect(blended).toBeCloseTo(0.08, 9);
    expect(after.before.airShare).toBeLessThan(0.08);
    expect(after.pot.airShare).toBeCloseTo(after.before.airShare * 0.5 ** (after.minutes / 6), 9);
  });

  it('splits a line over stations by shares, and all of it arrives', () => {
    const pea = example('pea-lettuce-cold');
    const lemon = (share: number, id: string): SoupStep => ({ id, op: 'add', uses: [{ line: 'lemon', share }] });
    const steps = pea.root.steps.flatMap((one) => (one.id === 'lemon' ? [lemon(0.25, 'lemon'), lemon(0.75, 'lemon-late')] : [one]));
    const split = run(prepared({ ...pea, root: { ...pea.root, steps } }), 6);
    expect(split.usedKg.get('lemon')).toBeCloseTo(run(prepared(pea), 6).usedKg.get('lemon')!, 12);
    expect(parcelKg(step(split, 'lemon').inflows[0]!.parcel) * 3).toBeCloseTo(
      parcelKg(step(split, 'lemon-late').inflows[0]!.parcel),
      12,
    );
  });

  it('is monotone where a cook knows it is', () => {
    const mass = (soup: Soup, potId?: string): number => potKg(step(run(prepared(soup, potId), 8), 'simmer').pot);
    expect(mass(changed(celeriac, 'simmer', { minutes: 60 }))).toBeLessThan(mass(celeriac));
    expect(mass(changed(celeriac, 'simmer', { lid: 'off' }))).toBeLessThan(mass(celeriac));
    const more = run(prepared(changed(celeriac, 'cream', { target: { by: 'pct', value: 20 } })), 8);
    const less = run(prepared(celeriac), 8);
    expect(step(more, 'cream').pot.tempC).toBeLessThan(step(less, 'cream').pot.tempC);
    const up: PreparedSoup = { ...prepared(celeriac), boilC: 93 };
    expect(step(run(up, 8), 'sweat').pot.cohorts[0]!.softness).toBeLessThan(step(less, 'sweat').pot.cohorts[0]!.softness);
    const boil = (scale: number): number => step(run(prepared(celeriac), scale), 'simmer').counts!.toBoilMinutes!;
    expect(boil(10)).toBeGreaterThan(boil(5));
  });

  it('says when the pot is over its brim and when nobody may lift it', () => {
    const of = run(prepared(celeriac, 'stockpot-20'), 20);
    expect(of.cautions.map(({ code }) => code)).toEqual(['OVER_THE_BRIM', 'NEVER_LIFT']);
    expect(run(prepared(celeriac, 'boiler-40'), 4).cautions).toEqual([]);
  });

  it('works for the eighth part of a cup and for a 200 litre pot', () => {
    const pan = { id: 'pan', name: 'Pan', widthM: 0.05, depthM: 0.05, tareKg: 0.2, burnerW: 500, efficiency: 0.5 };
    const preparation = prepareSoup(alone('carrot'), larder, { ...READY_KITS.canteen, pots: [pan] }, 'pan', 0.03);
    if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
    // 236.6 mL / 8 = 29.6 mL: 20 g of carrot in water, one bowl of 30 g and a little.
    const sip = run(preparation.prepared, 0.02);
    expect(parcelKg(sip.dished!.parcel)).toBeGreaterThan(0.02);
    expect(sip.bowls).toBeGreaterThan(0.5);
    expect(parcelKg(sip.dished!.parcel) / 0.03).toBeCloseTo(sip.bowls, 12);
    const tub = {
      ...prepared(celeriac, 'boiler-98'),
      vessel: { id: 'tub', name: 'Tub', widthM: 0.7, depthM: 0.6, tareKg: 40, burnerW: 40_000, efficiency: 0.5 },
    };
    expect(run(tub, 60).bowls).toBeGreaterThan(400);
  });
});

describe('a ribbon', () => {
  it('tells every kilo that crosses the rim', () => {
    const of = run(prepared(example('beetroot-horseradish')), 8);
    const ribbon = ribbonOf(of, new Map([['tray', 'Tray']]));
    for (const { stops } of ribbon.bands) {
      for (const { beforeKg, afterKg, ins, outs, op, joins } of stops) {
        const net = ins.reduce((sum, { kg }) => sum + kg, 0) - outs.reduce((sum, { kg }) => sum + kg, 0);
        const side =
          joins === undefined ? 0 : (ribbon.bands.find(({ branchId }) => branchId === joins)?.stops.at(-1)?.afterKg ?? Number.NaN);
        expect(afterKg - beforeKg)
          .withContext(op)
          .toBeCloseTo(net + side, 9);
      }
    }
    expect(ribbon.bands.map(({ name }) => name)).toEqual(['Tray', 'pot']);
  });

  it('pales where cream joins', () => {
    const stops = ribbonOf(run(prepared(example('beetroot-horseradish')), 8), new Map()).bands.at(-1)!.stops;
    const green = (id: string): number => Number.parseInt(stops.find(({ stepId }) => stepId === id)!.colour.slice(3, 5), 16);
    expect(green('cream')).toBeGreaterThan(green('season'));
  });
});

describe('where a run writes', () => {
  const own = prepared(example('leek-potato'));

  it('the figures are the same whether its records are kept, taken one by one, or nobody listens', () => {
    const whole = run(own, 3);
    const seen: string[] = [];
    const { records, ...figures } = whole;
    const taken = (end: RunEnd): unknown =>
      Object.fromEntries(Object.keys(figures).map((name) => [name, end[name as keyof RunEnd]]));
    expect(taken(runFigures(own, 3))).toEqual(figures);
    expect(taken(runInto(own, 3, ({ step }) => seen.push(step.id)))).toEqual(figures);
    // Nothing of what it comes to is left out of what is compared.
    expect(Object.keys(figures)).toContain('minutes');
    expect(seen).toEqual(records.map(({ step }) => step.id));
    expect(whole.last).toBe(records.at(-1));
  });
});
