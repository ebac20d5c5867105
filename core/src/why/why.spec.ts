import fc from 'fast-check';
import { canteen, example, larder, prepared } from '../../spec/pots.js';
import { LARDER_ROWS } from '../larder/index.js';
import { bowlFacts } from '../dish/index.js';
import { prepareSoup, run } from '../runner/index.js';
import { parcelKg } from '../pot/index.js';
import { EXAMPLE_SOUPS, SoupSchema, withMethodChoices, walk, type MethodChoices } from '../soup/index.js';
import { makePlan, notScaling, roundedPull, writtenPlan } from '../plan/index.js';
import { ASKABLE, compare, explain, explainPull, withSubstitute, type Askable } from './index.js';

const SUMS = ASKABLE.filter((figure) => !['body', 'minutes', 'bowls', 'contains', 'grain', 'heat'].includes(figure));

describe('why', () => {
  it('sums add up exactly, whatever the soup and its size', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...EXAMPLE_SOUPS),
        fc.constantFrom(...SUMS),
        fc.double({ min: 2.5, max: 9, noNaN: true }),
        (soup, figure, scale) => {
          const own = prepared(soup, 'boiler-98');
          const of = run(own, scale);
          const { parts, value, how } = explain(own, of, figure);
          expect(how).toBe('sum');
          const size = parts.reduce((sum, part) => sum + Math.abs(part.value), 0);
          const sum = parts.reduce((total, part) => total + part.value, 0);
          expect(Math.abs(sum - value))
            .withContext(`${soup.id} ${figure}`)
            .toBeLessThanOrEqual(1e-9 * Math.max(1, size));
        },
      ),
      { numRuns: 150 },
    );
  });

  const soup = example('tomato-roast-garlic');
  const own = prepared(soup);
  const of = run(own, 4);

  it('the salt is what is in the bowls, and comes from the cans and the salt', () => {
    const salt = explain(own, of, 'salt');
    expect(salt.value).toBeCloseTo(of.dished!.parcel.mix[6] * 1000, 9);
    const from = (id: string): number => salt.parts.find((part) => part.id === id && part.kind === 'ingredient')?.value ?? 0;
    // 4 cans of 400 g, four times: 6.4 kg at 0.4 % (the row sums to 99.95): 25.6 g.
    expect(from('tomatoes')).toBeCloseTo(25.6, 1);
    expect(from('salt')).toBeGreaterThan(from('tomatoes'));
    expect(salt.parts.some(({ kind, value }) => kind === 'film' && value < 0)).toBeTrue();
  });

  it('grain and heat go step by step from the empty pot to the bowl', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const cooked = prepared(soup, 'boiler-98');
      const all = run(cooked, 5);
      for (const figure of ['grain', 'heat'] as const) {
        const { parts, value } = explain(cooked, all, figure);
        expect(parts.reduce((sum, part) => sum + part.value, 0))
          .withContext(`${soup.id} ${figure}`)
          .toBeCloseTo(value, 1);
      }
    }
    const grain = explain(own, of, 'grain');
    expect(grain.value).toBeCloseTo(of.records.at(-1)!.before.grainM * 1000, 9);
    const step = (id: string | undefined): string => walk(own.soup.root).find((one) => one.step.id === id)!.step.op;
    expect(grain.parts.map(({ id }) => step(id))).toContain('blend');
    const heat = explain(own, of, 'heat');
    expect(heat.value).toBeCloseTo(of.dished!.tempC, 9);
    const hottest = [...heat.parts].filter((part) => part.of === 'step').sort((a, b) => b.value - a.value)[0]!;
    expect(['sweat', 'simmer', 'roast', 'join', 'add']).toContain(step(hottest.id));
  });

  it('energy by the EU’s factors is that of the bowls', () => {
    const energy = explain(own, of, 'energy').value;
    const bowl = bowlFacts(of.dished!.parcel, 0.3, of.dished!.tempC)!;
    expect(energy / bowl.energyKj).toBeCloseTo(parcelKg(of.dished!.parcel) / 0.3, 6);
  });

  it('sodium, fibre, steam, trays and jugs are those of the bowls and the panel', () => {
    const bowl = bowlFacts(of.dished!.parcel, 0.3, of.dished!.tempC)!;
    const bowlsByWeight = parcelKg(of.dished!.parcel) / 0.3;
    expect(explain(own, of, 'sodium').value / bowl.sodiumMg).toBeCloseTo(bowlsByWeight, 6);
    expect(explain(own, of, 'fibre').value / bowl.fibreG).toBeCloseTo(bowlsByWeight, 6);
    const beet = example('beetroot-horseradish');
    const written = writtenPlan(beet, LARDER_ROWS, canteen)!;
    const planning = makePlan(beet, LARDER_ROWS, canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
    if (!planning.ok) throw new Error(planning.error.code);
    const { plan } = planning;
    const panel = new Map(notScaling(written, plan).map(({ what, now }) => [what, now]));
    const why = (figure: Askable): number => explain(plan.prepared, plan.run, figure).value;
    expect(why('trays')).toBe(panel.get('oven trays') ?? 0);
    expect(why('rounds')).toBe(panel.get('oven rounds') ?? 0);
    expect(why('jugs')).toBe(panel.get('jugs') ?? 0);
    expect(why('boil')).toBeCloseTo(panel.get('minutes to the boil') ?? 0, 9);
    expect(why('trays')).toBeGreaterThan(0);
    expect(why('steam')).toBeCloseTo(panel.get('boil-off') ?? 0, 9);
    expect(why('steam')).toBeGreaterThan(0);
  });

  it('allergens are told by the lines that bring them, and are those of the bowl', () => {
    for (const { id } of EXAMPLE_SOUPS) {
      const line = prepared(example(id), 'boiler-98');
      const cooked = run(line, 2);
      const { parts, value } = explain(line, cooked, 'contains');
      const told = new Set(parts.flatMap(({ note }) => note?.split(', ') ?? []));
      const bowl = bowlFacts(cooked.dished!.parcel, 0.3, cooked.dished!.tempC)!;
      expect([...told].sort())
        .withContext(id)
        .toEqual([...bowl.allergens].sort());
      expect(value).toBe(bowl.allergens.length);
    }
  });

  it('a row of the pull list is what its steps take, and what rounding adds', () => {
    for (const { id } of EXAMPLE_SOUPS) {
      const planning = makePlan(example(id), LARDER_ROWS, canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
      if (!planning.ok) continue;
      const list = roundedPull(planning.plan, 'metric');
      for (const row of list.rows) {
        const told = explainPull(planning.plan, list, row.ingredient, row.way)!;
        const sum = told.parts.reduce((total, { value }) => total + value, 0);
        expect(told.value).toBe(row.roundedKg);
        expect(Math.abs(sum - row.roundedKg))
          .withContext(`${id} ${row.ingredient}`)
          .toBeLessThan(2e-5);
        expect(told.parts.some(({ of: from, id: part }) => from === 'step' || part.startsWith('in soups'))).toBe(
          row.boughtKg > 1e-5,
        );
      }
      expect(explainPull(planning.plan, list, 'no-such', undefined)).toBeUndefined();
    }
  });

  it('minutes shared out over steps add up to the whole', () => {
    for (const { id } of EXAMPLE_SOUPS) {
      const line = prepared(example(id), 'boiler-98');
      const told = explain(line, run(line, 5), 'minutes');
      expect(told.parts.reduce((sum, { value }) => sum + value, 0))
        .withContext(id)
        .toBeCloseTo(told.value, 9);
    }
  });

  it('body shares out in ln: serum, solids and readings multiply up to it', () => {
    const told = explain(own, of, 'body');
    expect(Math.exp(told.parts.reduce((sum, { value }) => sum + value, 0)) / told.value).toBeCloseTo(1, 9);
    expect(told.attribution).toContain('ln body');
    const fibre = told.parts.find(({ id }) => id === 'fibre')!.value;
    const protein = told.parts.find(({ id }) => id === 'protein')!.value;
    expect(fibre).toBeGreaterThan(protein);
  });

  it('bowls are shared out as kilos are, and add up', () => {
    const told = explain(own, of, 'bowls');
    expect(told.parts.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(of.bowls, 6);
  });

  it('says its rules, and whose figure is in them', () => {
    const parameter = (kit: Partial<typeof own.kit>): unknown => {
      const { from, batches } = explain({ ...own, kit: { ...own.kit, ...kit } }, of, 'yield').rules.find(
        (rule) => rule.parameter?.name === 'boilOff',
      )!.parameter!;
      return { from, batches };
    };
    expect(parameter({})).toEqual({ from: 'default', batches: 0 });
    expect(parameter({ parameters: { boilOff: 1.2 } })).toEqual({ from: 'kitchen', batches: 0 });
    const learned = {
      figures: [
        { key: 'boilOff', by: 0.1, sd: 0.05, batches: 9 },
        { key: `boilOff@pot:${own.vessel.id}`, by: 0.1, sd: 0.05, batches: 4 },
      ],
      together: [],
    };
    expect(parameter({ learned })).toEqual({ from: 'learnt', batches: 9 });
    expect(parameter({ learned, parameters: { boilOff: 1.2 } })).toEqual({ from: 'kitchen', batches: 0 });
    for (const figure of ASKABLE) for (const { source } of explain(own, of, figure).rules) expect(source).not.toBe('');
  });
});

describe('a substitute', () => {
  const soup = example('leek-potato');

  it('says what it changes: celeriac for potato is thinner and brings celery', () => {
    const before = prepared(soup, 'boiler-98');
    const swapped = withSubstitute(soup, 'potato', {
      ingredient: 'celeriac',
      way: 'peeled',
      amount: { rule: 'scaled', amount: { value: 1, unit: 'kg' } },
    });
    // The let-down to a body is left out, or both would come to the same body.
    const plain = (of: typeof soup): typeof soup => ({
      ...of,
      root: { ...of.root, steps: of.root.steps.filter(({ op }) => op !== 'thin') },
      lines: of.lines.filter(({ id }) => id !== 'let-down'),
    });
    const a = prepared(plain(soup), 'boiler-98');
    const b = prepared(plain(swapped), 'boiler-98');
    const said = compare({ prepared: a, run: run(a, 5) }, { prepared: b, run: run(b, 5) });
    expect(said.allergensIn).toEqual(['celery']);
    expect(said.after.bodyMPas).toBeLessThan(said.before.bodyMPas * 0.5);
    expect(compare({ prepared: before, run: run(before, 5) }, { prepared: before, run: run(before, 5) }).allergensIn).toEqual([]);
  });

  it('tells diets lost: butter for oil is no longer vegan', () => {
    const swapped = withSubstitute(soup, 'oil', { ingredient: 'butter', amount: { rule: 'panFloor', kgPerM2: 0.35 } });
    const a = prepared(soup, 'boiler-98');
    const b = prepared(swapped, 'boiler-98');
    const said = compare({ prepared: a, run: run(a, 5) }, { prepared: b, run: run(b, 5) });
    expect(said.dietsLost).toEqual(['vegan', 'dairyFree']);
    expect(said.allergensIn).toEqual(['milk']);
    expect(swapped.lines.find(({ id }) => id === 'oil')?.way).toBeUndefined();
  });
});

describe('method choices', () => {
  const ops = (id: string, methodChoices: MethodChoices): string[] =>
    walk(withMethodChoices({ ...example(id), methodChoices }, larder).root).map(({ step }) => step.op);
  const runs = (id: string, methodChoices: MethodChoices): ReturnType<typeof run> => {
    const preparation = prepareSoup({ ...example(id), methodChoices }, larder, canteen, 'boiler-98', 0.3);
    if (!preparation.ok) throw new Error(JSON.stringify(preparation.problems));
    return run(preparation.prepared, 5);
  };
  const against = (id: string, one: MethodChoices, other: MethodChoices): ReturnType<typeof compare> => {
    const of = (methodChoices: MethodChoices): Parameters<typeof compare>[0] => {
      const own = prepared({ ...example(id), methodChoices }, 'boiler-98');
      return { prepared: own, run: run(own, 5) };
    };
    return compare(of(one), of(other));
  };

  it('roast or sweat: the tray becomes a pan and back', () => {
    expect(ops('beetroot-horseradish', { colour: 'sweat' })).not.toContain('roast');
    expect(ops('beetroot-horseradish', { colour: 'sweat' })).toContain('sweat');
    expect(ops('leek-potato', { colour: 'roast' })).toContain('roast');
  });

  it('stock, water or half: the celery goes with the stock', () => {
    const said = against('beetroot-horseradish', {}, { liquid: 'water' });
    expect(said.allergensOut).toEqual(['celery']);
    const half = withMethodChoices({ ...example('beetroot-horseradish'), methodChoices: { liquid: 'half' } }, larder).lines;
    expect(half.filter(({ ingredient }) => ingredient === 'water').map(({ id }) => id)).toEqual(['stock']);
  });

  it('cream, coconut, potato or none', () => {
    expect(against('beetroot-horseradish', {}, { finish: 'coconut' }).dietsWon).toContain('vegan');
    expect(ops('beetroot-horseradish', { finish: 'none' })).not.toContain('cream');
    const potato = against('beetroot-horseradish', { finish: 'none' }, { finish: 'potato' });
    expect(potato.after.bodyMPas).toBeGreaterThan(potato.before.bodyMPas);
  });

  it('thick then thin or exact; reduce or thicken', () => {
    expect(ops('leek-potato', { thickness: 'exact' })).not.toContain('thin');
    const reducing = { ...example('leek-potato') };
    const steps = reducing.root.steps.map((step) =>
      step.op === 'thin' ? ({ id: step.id, op: 'reduce', vigour: 'steady', to: { by: 'body', mPas: 900 } } as const) : step,
    );
    const soup = { ...reducing, root: { ...reducing.root, steps }, lines: reducing.lines.filter(({ id }) => id !== 'let-down') };
    const thickened = withMethodChoices({ ...soup, methodChoices: { concentrate: 'thicken' } }, larder);
    expect(walk(thickened.root).map(({ step }) => step.op)).toContain('thicken');
    const back = withMethodChoices({ ...thickened, methodChoices: { concentrate: 'reduce' } }, larder);
    expect(walk(back.root).map(({ step }) => step.op)).toContain('reduce');
    expect(back.lines.some(({ id }) => id === 'school-starch')).toBeFalse();
    const by = (methodChoices: MethodChoices): ReturnType<typeof run> => run(prepared({ ...soup, methodChoices }, 'boiler-98'), 5);
    expect(by({ concentrate: 'thicken' }).bowls).toBeGreaterThan(by({}).bowls);
    expect(by({ concentrate: 'thicken' }).minutes).toBeLessThan(by({}).minutes);
  });

  it('sieve or not, salt early or late', () => {
    expect(ops('leek-potato', { sieve: true })).toContain('sieve');
    expect(ops('tomato-roast-garlic', { sieve: false })).not.toContain('sieve');
    expect(runs('tomato-roast-garlic', { sieve: false }).bowls).toBeGreaterThan(runs('tomato-roast-garlic', { sieve: true }).bowls);
    const early = ops('leek-potato', { salt: 'early' });
    expect(early.indexOf('season')).toBeLessThan(early.indexOf('simmer'));
    expect(early.filter((op) => op === 'season').length).toBe(2);
    expect(against('leek-potato', { salt: 'late' }, { salt: 'early' }).after.saltPct).toBeCloseTo(0.85, 2);
  });

  it('garlic’s place: first, with, after, or roasted whole', () => {
    const at = (garlic: NonNullable<MethodChoices['garlic']>): string[] =>
      walk(withMethodChoices({ ...example('red-lentil-tomato'), methodChoices: { garlic } }, larder).root).map(
        ({ step }) => step.id,
      );
    expect(at('first').indexOf('school-garlic')).toBeLessThan(at('first').indexOf('base'));
    expect(at('with the onion').indexOf('school-garlic')).toBe(at('with the onion').indexOf('base') + 1);
    expect(at('after the onion').indexOf('school-garlic')).toBe(at('after the onion').indexOf('gold') + 1);
    expect(at('roasted whole')).toContain('school-garlic-roast');
    for (const garlic of ['first', 'with the onion', 'after the onion', 'roasted whole'] as const) {
      expect(runs('red-lentil-tomato', { garlic }).usedKg.get('garlic')).withContext(garlic).toBeGreaterThan(0);
    }
  });

  it('gentle or high sweat, cream hot or rested, thin before or after the blade', () => {
    const lost = (sweatHeat: 'gentle' | 'high'): number => runs('leek-potato', { sweatHeat, thickness: 'exact' }).bowls;
    expect(lost('high')).toBeLessThan(lost('gentle'));
    const rested = ops('beetroot-horseradish', { cream: 'rested' });
    expect(rested[rested.indexOf('cream') - 1]).toBe('rest');
    expect(rested.filter((op) => op === 'cream').length).toBe(1);
    const before = ops('leek-potato', { thin: 'before the blade' });
    expect(before.indexOf('thin')).toBeLessThan(before.indexOf('blend'));
    const after = ops('leek-potato', { thin: 'after the blade' });
    expect(after.indexOf('thin')).toBe(after.indexOf('blend') + 1);
  });

  it('spices straight, damped or by taste: at five times 10, 3.62 x and 3.33 x the teaspoons', () => {
    const kg = (spices: NonNullable<MethodChoices['spices']>): number => runs('red-lentil-tomato', { spices }).usedKg.get('cumin')!;
    expect(kg('damped') / kg('straight')).toBeCloseTo(5 ** 0.8 / 5, 9);
    expect(kg('by taste') / kg('straight')).toBeCloseTo(2 / 3, 9);
  });

  it('more salt when cold, or not', () => {
    const salt = (moreSaltWhenCold: boolean): number => {
      const of = runs('pea-lettuce-cold', { moreSaltWhenCold });
      return of.dished!.parcel.mix[6] / parcelKg(of.dished!.parcel);
    };
    expect(salt(true) / salt(false)).toBeCloseTo(1.15, 2);
  });

  it('are settings of a soup’s own file', () => {
    const file = { ...example('leek-potato'), methodChoices: { sieve: true, garlic: 'sideways' } };
    expect(SoupSchema.safeParse(file).success).toBeFalse();
    expect(SoupSchema.safeParse({ ...file, methodChoices: { sieve: true } }).success).toBeTrue();
  });
});
