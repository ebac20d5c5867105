import { faultsOf } from '../../spec/day-checker.js';
import { dayWith, wanted } from '../../spec/days.js';
import { randomDay } from '../../spec/random-days.js';
import { LARDER_ROWS } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { writtenPlan } from '../plan/index.js';
import { USUAL_PANS, USUAL_PLACES } from '../cold/index.js';
import { bringBack, contentsOf } from '../stock/index.js';
import { DaySchema, clockMinute, clockOf, withoutKept, type Day } from './day.js';
import { backId, dayWork, plansIn } from './day-work.js';
import { intoCold } from './into-cold.js';
import { arrange } from './arrange.js';
import { limitsOf } from './bound.js';
import { planDay } from './search.js';
import { latestBy, waysOut } from './ways-out.js';

const KIT = READY_KITS.canteen;
const FRIDAY = dayWith([
  wanted('beetroot-horseradish', 60, '12:00', 350),
  wanted('celeriac-leek-apple', 40, '12:00', 350),
  wanted('pea-lettuce-cold', 20, '12:30'),
]);
const soupOf = (id: string) => EXAMPLE_SOUPS.find((soup) => soup.id === id);
const planning = (day: Day, kit = KIT) => dayWork(day, kit, soupOf, plansIn(LARDER_ROWS, kit));

describe('the work of a day', () => {
  it('comes from the plans: as many minutes as they say, in pots of their own', () => {
    const { work, plans, problems } = planning(FRIDAY);
    expect(problems).toEqual([]);
    expect(new Set(work.batches.map(({ potId }) => potId)).size).toBe(3);
    for (const { batchId, blocks } of work.batches) {
      const tasks = plans.get(batchId)?.run.tasks ?? [];
      const planned = tasks.reduce((sum, { minutes }) => sum + minutes, 0);
      const laid = blocks.reduce((sum, { minutes }) => sum + minutes, 0);
      expect(laid)
        .withContext(batchId)
        .toBeGreaterThanOrEqual(planned - 0.5);
      // Each activity is rounded up to whole minutes, and no more.
      const count = blocks.reduce((sum, { activities }) => sum + activities.filter(({ minutes }) => minutes > 0).length, 0);
      expect(laid)
        .withContext(batchId)
        .toBeLessThan(planned + count + 0.5);
    }
  });

  it('has kept bowls brought back in a pot of their own, in time, and buys nothing for them', () => {
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
    const contents = contentsOf(writtenPlan(soup, LARDER_ROWS, KIT)!)!;
    const own = wanted(soup.id, 28);
    const day = dayWith([{ ...own, request: { ...own.request, broughtBack: 12 } }]);
    const made = dayWork(day, KIT, soupOf, plansIn(LARDER_ROWS, KIT), undefined, undefined, () => contents);
    expect([...made.plans.keys()]).toEqual(['celeriac']);
    const [cooked, back] = made.work.batches;
    expect(back?.batchId).toBe(backId('celeriac'));
    expect(back?.kg).toBeCloseTo(12 * 0.3, 1);
    expect(back?.potId).not.toBe(cooked?.potId);
    // As long as the container's own page says, in whole minutes.
    const said = bringBack({ contents, kg: 12 * 0.3, kit: KIT, potId: back!.potId })!.minutes;
    const minutes = back!.blocks.reduce((sum, block) => sum + block.minutes, 0);
    expect(Math.abs(minutes - said)).toBeLessThanOrEqual(1);
    const plan = planDay(made.work, 40);
    expect(plan?.lateMin.get(backId('celeriac')) ?? 0).toBe(0);
    expect(plan?.unplaced).toEqual([]);
    expect(faultsOf(made.work, plan!.arrangement)).toEqual([]);
    // Served cold it only has to be taken out, and where nothing is left of it nothing is laid out.
    const cold = dayWork(day, KIT, soupOf, plansIn(LARDER_ROWS, KIT), undefined, undefined, () => ({
      ...contents,
      isServedCold: true,
    }));
    expect(cold.work.batches.length).toBe(1);
    expect(planning(day).work.batches.length).toBe(1);
    expect(withoutKept(day.batches[0]!.request)).toEqual({ bowls: 40, bowlG: 300, broughtBack: undefined, kept: undefined });
  });

  it('that goes into the cold is in pans and places that are free then, and cold in time; what finds none is named', () => {
    const own = wanted('celeriac-leek-apple', 40, '13:00');
    const day = dayWith([own, { ...wanted('swede-barley', 40, '13:00'), id: 'swede' }]);
    const { plans } = planning(day);
    const ready = (batchId: string, readyMin: number) => ({ batchId, readyMin, plan: plans.get(batchId)! });
    const both = [ready('celeriac', 780), ready('swede', 780)];
    const { cooled, without } = intoCold(both, KIT);
    expect(without).toEqual([]);
    for (const { split, kg, fromMin, untilMin } of cooled) {
      expect(split.pans.reduce((sum, { count, kgEach }) => sum + count * kgEach, 0)).toBeCloseTo(kg, 6);
      expect(split.outlook.isMet).toBeTrue();
      // Six hours from 57 °C on at the most, and the way down to those.
      expect(untilMin - fromMin).toBeGreaterThan(20);
      expect(untilMin - fromMin).toBeLessThan(450);
    }
    const counts = new Map<string, number>();
    for (const { split } of cooled) for (const { pan, count } of split.pans) counts.set(pan.id, (counts.get(pan.id) ?? 0) + count);
    for (const [id, count] of counts)
      expect(count).toBeLessThanOrEqual((KIT.pans ?? USUAL_PANS).find((pan) => pan.id === id)!.count);
    // What takes one soup at a time takes one: with the blast chiller alone the second waits until the first is out.
    const blast = { ...KIT, coldPlaces: USUAL_PLACES.filter(({ id }) => id === 'blast') };
    const one = intoCold(both, blast);
    expect(one.without.length).toBe(1);
    const first = one.cooled[0]!;
    const [other] = one.without as [string];
    expect(intoCold([ready(first.batchId, 780), ready(other, first.untilMin)], blast).without).toEqual([]);
  });

  it('leaves out no step of any soup that ships, and has none twice', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const day: Day = { ...FRIDAY, batches: [{ id: 'it', soupId: soup.id, request: { bowls: 30, bowlG: 300 }, at: '14:00' }] };
      const { work, plans } = planning(day);
      const own = work.batches[0]?.blocks.filter(({ id }) => id.split('/').length === 2) ?? [];
      const done = own.flatMap(({ activities, part }) =>
        activities.flatMap(({ stepId }) => (part === undefined || part.n === 1 ? [stepId] : [])),
      );
      const asked = (plans.get('it')?.run.records ?? []).map(({ step }) => step.id);
      expect([...done].sort())
        .withContext(soup.id)
        .toEqual([...new Set(asked)].sort());
    }
  });

  it('with a soup that nobody knows, or that no pot holds, says so and plans the rest', () => {
    const [first] = FRIDAY.batches;
    if (first === undefined) throw new Error('The day has soups.');
    const unknown = { ...first, id: 'unknown', soupId: 'no-such' };
    const huge = { ...first, id: 'huge', request: { bowls: 2000, bowlG: 350 } };
    const { work, problems } = planning({ ...FRIDAY, batches: [first, unknown, huge] }, READY_KITS.home);
    expect(problems.map(({ code, batchId }) => `${code} ${batchId}`)).toEqual(
      jasmine.arrayContaining(['NO_SUCH_SOUP unknown', 'NO_POT_HOLDS_IT huge']),
    );
    expect(work.batches.every(({ batchId }) => batchId === 'beetroot')).toBeTrue();
  });

  it('of a card that a soup takes from is in it, and is over before the bowls', () => {
    const batches = [{ id: 'carrot', soupId: 'carrot-ginger', request: { bowls: 40, bowlG: 300 }, at: '12:00' }];
    const { work, plans } = planning({ ...FRIDAY, batches });
    const [own] = work.batches;
    const cards = own?.blocks.filter(({ id }) => id.split('/').length === 3) ?? [];
    expect(cards.length).toBeGreaterThan(0);
    expect(cards.every(({ kind }) => kind !== 'pot')).toBeTrue();
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
    // A card whose steps are called like the soup's own is not done because those are.
    const done = new Map((plans.get('carrot')?.run.tasks ?? []).map(({ stepId }) => [stepId, 0]));
    const { work: later } = dayWork(
      { ...FRIDAY, batches },
      KIT,
      soupOf,
      plansIn(LARDER_ROWS, KIT),
      600,
      new Map([['carrot', { left: done, running: [] }]]),
    );
    expect(later.batches[0]?.blocks.map(({ id }) => id)).toEqual(cards.map(({ id }) => id));
  });

  it('of a roast in rounds lets each round wait warm for those after it, and the last for the pot', () => {
    const kit = { ...KIT, trays: KIT.trays.map((tray) => ({ ...tray, count: 2 })) };
    const batches = [{ id: 'beetroot', soupId: 'beetroot-horseradish', request: { bowls: 80, bowlG: 350 }, at: '12:00' }];
    const { work } = planning({ ...FRIDAY, batches }, kit);
    const rounds = work.batches[0]?.blocks.filter(({ kind }) => kind === 'roast') ?? [];
    expect(rounds.length).toBeGreaterThan(1);
    const waits = rounds.map(({ links }) => links[0]?.mostWaitMin ?? 0);
    expect(waits.at(-1)).toBe(30);
    expect(waits[0]).toBeGreaterThan(30);
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(plan.unplaced).toEqual([]);
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
  });

  it('that is done is not done again, and what runs has only its minutes left', () => {
    const progress = new Map([
      [
        'beetroot',
        {
          left: new Map([
            ['trim', 0],
            ['roast', 12],
          ]),
          running: ['roast'],
        },
      ],
    ]);
    const { work } = dayWork(FRIDAY, KIT, soupOf, plansIn(LARDER_ROWS, KIT), clockMinute('09:30'), progress);
    const blocks = work.batches.find(({ batchId }) => batchId === 'beetroot')?.blocks ?? [];
    expect(blocks.some(({ id }) => id.startsWith('beetroot/trim'))).toBeFalse();
    expect(blocks.find(({ id }) => id === 'beetroot/roast')?.minutes).toBe(12);
    expect(work.pins?.get('beetroot/roast')?.startMin).toBe(clockMinute('09:30'));
    const plan = planDay(work);
    const roast = plan?.arrangement.blocks.find(({ block }) => block.id === 'beetroot/roast');
    expect(roast?.startMin).toBe(clockMinute('09:30'));
    expect(plan?.lateMin.size).toBe(0);
  });
});

describe('a day laid out', () => {
  it('can be done by a cook who does just what it says', () => {
    const { work } = planning(FRIDAY);
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
    expect(plan.lateMin.size).toBe(0);
    expect(plan.inHandMin).toBeGreaterThan(60);
    expect(plan.inHandMin).toBeLessThanOrEqual(plan.mostInHandMin);
  });

  it('is the same for the same seed', () => {
    const { work } = planning(FRIDAY);
    const starts = (): unknown => planDay(work, 40, 7)?.arrangement.blocks.map(({ block, startMin }) => [block.id, startMin]);
    expect(starts()).toEqual(starts());
  });

  it('of 300 made-up days is never shown as one that can be done where it can’t', () => {
    let late = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const day = randomDay(seed, 1 + (seed % 6));
      const plan = planDay(day, 12, seed);
      if (plan === undefined) throw new Error('The day has soups.');
      const laid = { ...day, batches: day.batches.filter(({ batchId }) => !plan.unplaced.includes(batchId)) };
      expect(faultsOf(laid, plan.arrangement, plan.lateMin))
        .withContext(String(seed))
        .toEqual([]);
      expect(plan.arrangement.firstMin).withContext(String(seed)).toBeGreaterThanOrEqual(day.fromMin);
      if (plan.lateMin.size > 0) late += 1;
    }
    // The made-up days are both kinds, or this would say nothing.
    expect(late).toBeGreaterThan(10);
    expect(late).toBeLessThan(290);
  });

  it('keeps what the cook has settled: its time and who does it', () => {
    const pins = [{ block: 'beetroot/trim.1', at: '08:10', person: 'mo' }];
    const { work } = planning({ ...FRIDAY, pins });
    const plan = planDay(work);
    const trim = plan?.arrangement.blocks.find(({ block }) => block.id === 'beetroot/trim.1');
    expect(trim?.startMin).toBe(clockMinute('08:10'));
    expect(trim?.placed[0]?.person).toBe('mo');
    if (plan !== undefined) expect(faultsOf(work, plan.arrangement)).toEqual([]);
  });

  it('lets go of a time that has passed without anything begun at it', () => {
    const pins = [{ block: 'celeriac/trim-leek', at: '08:10' }];
    const { work } = dayWork({ ...FRIDAY, pins }, KIT, soupOf, plansIn(LARDER_ROWS, KIT), clockMinute('09:00'));
    const plan = planDay(work);
    const trim = plan?.arrangement.blocks.find(({ block }) => block.id === 'celeriac/trim-leek');
    expect(trim?.startMin).toBeGreaterThanOrEqual(clockMinute('09:00'));
    expect(plan?.unplaced).toEqual([]);
  });

  it('does nothing with hands that are not there yet', () => {
    const people = [
      { id: 'jt', name: 'JT' },
      { id: 'mo', name: 'MO', from: '11:00' },
    ];
    const { work } = planning({ ...FRIDAY, people });
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
  });

  it('cools two soups in iced water one after the other where there is one bath, and together where there are two', () => {
    const iced = (id: string): Day['batches'][number] => ({ ...wanted('pea-lettuce-cold', 20, '12:00'), id });
    const overlaps = (baths: number): boolean => {
      const day = dayWith([iced('one'), iced('two')]);
      const { work } = dayWork(day, KIT, soupOf, plansIn(LARDER_ROWS, KIT));
      const lanes = { ...work.lanes, iceBaths: baths };
      const plan = planDay({ ...work, lanes });
      if (plan === undefined) throw new Error('The day has soups.');
      expect(faultsOf({ ...work, lanes }, plan.arrangement)).toEqual([]);
      const spans = plan.arrangement.blocks.flatMap(({ placed }) => placed.filter(({ activity }) => activity.isIced));
      expect(spans.length).toBe(2);
      const [a, b] = spans;
      return a !== undefined && b !== undefined && a.startMin < b.endMin && b.startMin < a.endMin;
    };
    expect(overlaps(1)).toBeFalse();
    expect(overlaps(2)).toBeTrue();
  });

  it('names iced water where that is what it waits for, and says that one more tub would do', () => {
    const iced = ['one', 'two', 'three'].map((id) => ({ ...wanted('pea-lettuce-cold', 20, '12:00'), id }));
    const { work } = dayWork(dayWith(iced), KIT, soupOf, plansIn(LARDER_ROWS, KIT));
    const six = Array.from({ length: 6 }, (_, n) => ({ id: `c${String(n)}`, name: `C${String(n)}`, fromMin: -720, toMin: 2160 }));
    const many = { ...work, lanes: { ...work.lanes, hands: six, iceBaths: 2 } };
    const one = { ...many, lanes: { ...many.lanes, iceBaths: 1 } };
    const fromMin = planDay(many)!.arrangement.firstMin;
    const plan = planDay({ ...one, fromMin })!;
    expect(latestBy(plan)).toBeGreaterThan(0);
    expect(limitsOf(one).map(({ by }) => by.kind)).toContain('iced water');
    expect(waysOut({ ...one, fromMin }, plan, () => []).find(({ way }) => way.kind === 'ice bath')?.lateMin).toBeLessThan(
      latestBy(plan),
    );
    // Where nothing is chilled so, nobody is told to.
    const { work: warm } = planning({ ...FRIDAY, starts: '10:20', batches: FRIDAY.batches.slice(0, 2) });
    const kinds = waysOut(warm, planDay(warm)!, () => []).map(({ way }) => way.kind);
    expect(kinds).not.toContain('ice bath');
  });

  it('for bowls that are wanted after hours has cut before they end what can be, and the others no later', () => {
    const day = dayWith([wanted('celeriac-leek-apple', 60, '16:30'), wanted('parsnip-butter', 40, '16:30')], { ends: '15:00' });
    const { work } = planning(day);
    const plan = planDay(work)!;
    const late = planDay({ ...work, endsMin: undefined })!;
    const cutAfter = ({ arrangement }: typeof plan): number =>
      arrangement.blocks.filter(({ block, endMin }) => block.kind === 'trim' && endMin > clockMinute('15:00')).length;
    expect(cutAfter(late)).toBeGreaterThan(0);
    expect(cutAfter(plan)).toBe(0);
    expect(plan.lateMin.size).toBe(0);
    expect(faultsOf(work, plan.arrangement)).toEqual([]);
  });

  it('counts the minutes that an oven is hot for nothing, and those that one cook does more than the other', () => {
    const day = dayWith([wanted('parsnip-butter', 20, '11:00'), { ...wanted('parsnip-butter', 20, '13:30'), id: 'again' }]);
    const { work } = planning(day, { ...KIT, ovens: [{ id: 'one', name: 'Oven' }] });
    const { blocks, idleMin, unevenMin, washes } = planDay(work)!.arrangement;
    const [first, second] = blocks.filter(({ block }) => block.kind === 'roast');
    expect(idleMin).toBe(second!.startMin - first!.endMin);
    expect(idleMin).toBeGreaterThan(30);
    const doneBy = (id: string): number =>
      blocks
        .flatMap(({ placed }) => placed)
        .reduce((sum, one) => sum + (one.person === id ? (one.activity.hands / 20) * (one.endMin - one.startMin) : 0), 0) +
      10 * washes.filter(({ person }) => person === id).length;
    expect(unevenMin).toBeCloseTo(Math.abs(doneBy('jt') - doneBy('mo')), 6);
  });

  it('blends what has fewer allergens first where one jug serves two soups, or has it washed', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const day = randomDay(seed, 4);
      const plan = planDay(day, 12, seed);
      if (plan === undefined || plan.unplaced.length > 0) continue;
      expect(faultsOf(day, plan.arrangement, plan.lateMin).filter((fault) => fault.includes('washed'))).toEqual([]);
    }
  });
});

describe('a day that was laid out a moment ago', () => {
  it('and then got one more soup has that too, whatever order it began with', () => {
    const { work } = planning(FRIDAY);
    const two = { ...work, batches: work.batches.slice(0, 2) };
    const before = planDay(two, 20);
    const after = planDay(work, 20, 1, before?.order);
    if (after === undefined) throw new Error('The day has soups.');
    expect(faultsOf(work, after.arrangement, after.lateMin)).toEqual([]);
    expect(new Set(after.arrangement.blocks.map(({ block }) => block.batchId)).size).toBe(3);
    const fewer = planDay(two, 20, 1, after.order);
    expect(new Set(fewer?.arrangement.blocks.map(({ block }) => block.batchId)).size).toBe(2);
  });

  it('with a tray in the oven has the round that is in it and those after it, not all at once', () => {
    const kit = { ...KIT, trays: KIT.trays.map((tray) => ({ ...tray, count: 2 })) };
    const batches = [{ id: 'beetroot', soupId: 'beetroot-horseradish', request: { bowls: 80, bowlG: 350 }, at: '14:00' }];
    const day = { ...FRIDAY, batches };
    const roast = planning(day, kit)
      .plans.get('beetroot')
      ?.run.tasks.find(({ stepId }) => stepId === 'roast');
    if (roast === undefined) throw new Error('It is roasted.');
    const each = roast.minutes / roast.rounds;
    // One round is over, and ten minutes of the second.
    const left = new Map([
      ['trim', 0],
      ['oil', 0],
      ['roast', roast.minutes - each - 10],
    ]);
    const progress = new Map([['beetroot', { left, running: ['roast'] }]]);
    const { work } = dayWork(day, kit, soupOf, plansIn(LARDER_ROWS, kit), clockMinute('09:00'), progress);
    const rounds = work.batches[0]?.blocks.filter(({ kind }) => kind === 'roast') ?? [];
    expect(rounds.map(({ part }) => part?.n)).toEqual(Array.from({ length: roast.rounds - 1 }, (_, n) => n + 2));
    expect(rounds[0]?.minutes).toBe(Math.ceil(each - 10));
    expect(rounds[1]?.minutes).toBe(Math.ceil(each));
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(plan.unplaced).toEqual([]);
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
    const starts = plan.arrangement.blocks.filter(({ block }) => block.kind === 'roast').map(({ startMin }) => startMin);
    expect(starts.filter((start) => start === 540).length).toBe(1);
    expect(plan.inHandMin).toBeLessThanOrEqual(plan.mostInHandMin);
  });

  it('and is late offers nothing that has passed: no earlier start, nothing of the day before', () => {
    const { work } = dayWork(FRIDAY, KIT, soupOf, plansIn(LARDER_ROWS, KIT), clockMinute('11:00'));
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(latestBy(plan)).toBeGreaterThan(0);
    const kinds = waysOut(work, plan, () => [], 10).map(({ way }) => way.kind);
    expect(kinds).not.toContain('start');
    expect(kinds).not.toContain('roasted before');
  });
});

describe('the bound', () => {
  /** Every start of every block from the day's earliest on, tried in turn: only for the smallest days. */
  it('is never below what some order of work reaches', () => {
    let tight = 0;
    for (let seed = 1; seed <= 80; seed++) {
      const day = randomDay(seed, 1 + (seed % 3));
      const bound = limitsOf(day)[0]?.latestMin ?? Number.NaN;
      for (let n = 0; n < 30; n++) {
        const batchIds = day.batches.map(({ batchId }) => batchId);
        if (n % 2 === 1) batchIds.reverse();
        const earlyMin = new Map(batchIds.map((id, k) => [`${id}/blend`, ((n * 7 + k * 5) % 6) * 5]));
        const first = arrange(day, { batchIds, earlyMin })?.firstMin;
        if (first === undefined) continue;
        expect(first)
          .withContext(String(seed))
          .toBeLessThanOrEqual(bound + 1e-9);
        if (first >= Math.floor(bound)) tight += 1;
      }
    }
    // A bound that nothing reaches would be no use.
    expect(tight).toBeGreaterThan(20);
  });
});

describe('a day that can’t be on time', () => {
  const rushed: Day = { ...FRIDAY, starts: '10:20' };

  it('says how late which bowls are, and each way out was tried', () => {
    const { work } = planning(rushed);
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(plan.mostInHandMin).toBeLessThan(0);
    const late = latestBy(plan);
    expect(late).toBeGreaterThanOrEqual(-plan.mostInHandMin);
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
    const ways = waysOut(work, plan, () => []);
    const start = ways.find(({ way }) => way.kind === 'start');
    if (start?.way.kind !== 'start') throw new Error('Starting earlier always helps.');
    // Done as it says, it is on time.
    const { work: earlier } = planning({ ...rushed, starts: clockOf(start.way.atMin) });
    expect(planDay(earlier)?.lateMin.size).toBe(0);
    for (const { lateMin } of ways) expect(lateMin).toBeLessThan(late);
  });

  it('because two soups want the only pot at once puts one off, and says which', () => {
    const kit = { ...READY_KITS.cafe, pots: READY_KITS.cafe.pots.slice(1) };
    const batches = FRIDAY.batches.slice(0, 2).map((batch) => ({ ...batch, request: { ...batch.request, bowls: 20 } }));
    const { work, problems } = planning({ ...FRIDAY, batches }, kit);
    expect(problems).toEqual([]);
    const plan = planDay(work);
    if (plan === undefined) throw new Error('The day has soups.');
    expect(plan.unplaced).toEqual([]);
    expect(plan.lateMin.size).toBe(1);
    expect(faultsOf(work, plan.arrangement, plan.lateMin)).toEqual([]);
  });
});

describe('a day as it is written', () => {
  it('is refused where it ends before it starts, has a person twice, or a time that is none', () => {
    expect(DaySchema.safeParse(FRIDAY).success).toBeTrue();
    expect(DaySchema.safeParse({ ...FRIDAY, ends: '06:00' }).success).toBeFalse();
    expect(DaySchema.safeParse({ ...FRIDAY, people: [...FRIDAY.people, { id: 'jt', name: 'Jo' }] }).success).toBeFalse();
    expect(DaySchema.safeParse({ ...FRIDAY, starts: '7' }).success).toBeFalse();
    expect(DaySchema.safeParse({ ...FRIDAY, date: '2026-02-30' }).success).toBeFalse();
  });

  it('tells times of the evening before and the night after on the clock', () => {
    expect(clockOf(450)).toBe('07:30');
    expect(clockOf(-30)).toBe('23:30');
    expect(clockOf(1450)).toBe('00:10');
  });
});
