import fc from 'fast-check';
import { EXAMPLE_SOUPS } from '../soup/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { READY_KITS } from '../kit/index.js';
import { makePlan, type Snapshot } from '../plan/index.js';
import { potKg } from '../pot/index.js';
import {
  ENTRY_SHAPE,
  EntrySchema,
  actualRibbon,
  compareEntries,
  dippedM3,
  foldBatch,
  historyOf,
  saltPctNow,
  type BatchState,
  type Action,
  type Entry,
} from './index.js';

const beetroot = EXAMPLE_SOUPS[0]!;
const planning = makePlan(beetroot, LARDER_ROWS, READY_KITS.canteen, { bowls: 80, bowlG: 300, potId: 'boiler-40' });
if (!planning.ok) throw new Error('the example plans');
const snapshot: Snapshot = planning.plan.snapshot;
const plannedKg = planning.plan.run.usedKg;

function uuid(n: number): string {
  return `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
}

function entry(n: number, action: Action, device = 'tablet-a'): Entry {
  return {
    id: uuid(n),
    shape: ENTRY_SHAPE,
    stamp: { counter: n, device, seq: n },
    atMs: 1_700_000_000_000 + n * 60_000,
    who: 'AB',
    action,
  };
}

const UP_TO_COVER = ['trim', 'oil', 'roast', 'tip-in', 'bay'];

function doneUpTo(steps: readonly string[]): Entry[] {
  return steps.map((stepId, n) => entry(n + 1, { kind: 'done', stepId }));
}

const LADLE = 0.0005;
/** A whole batch: five pours, one of them taken back, a dip, all steps done, closed, and something after it. */
const STORY: readonly Entry[] = [
  ...doneUpTo(UP_TO_COVER),
  entry(10, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Big ladle', volumeM3: LADLE }),
  entry(11, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Big ladle', volumeM3: LADLE }),
  entry(12, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Big ladle', volumeM3: LADLE }, 'tablet-b'),
  entry(13, { kind: 'undone', target: uuid(12) }),
  entry(14, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Jug', volumeM3: 0.001 }),
  entry(15, { kind: 'done', stepId: 'cover' }),
  entry(16, { kind: 'started', stepId: 'simmer' }),
  entry(22, { kind: 'dipped', stepId: 'simmer', belowRimM: 0.225 }),
  entry(30, { kind: 'done', stepId: 'simmer', minutes: 20 }),
  ...['bay-out', 'blend', 'jug-film', 'let-down', 'horseradish', 'season', 'cream', 'reheat', 'dill', 'pot-film'].map((stepId, n) =>
    entry(40 + n, { kind: 'done', stepId }),
  ),
  entry(60, { kind: 'dished', bowls: 70 }),
  entry(61, { kind: 'dished', bowls: 8 }),
  entry(62, { kind: 'done', stepId: 'dish' }),
  entry(63, { kind: 'closed' }),
  entry(64, { kind: 'note', text: 'one bowl back' }, 'tablet-b'),
];

function essence(state: BatchState): unknown {
  return {
    steps: state.steps,
    forecast: state.forecast,
    massKg: state.massKg,
    massSdKg: state.massSdKg,
    inKg: [...state.inKg],
    toGoKg: [...state.toGoKg],
    late: [...state.history.late],
    undone: [...state.history.undone],
    dished: state.dishedBowls,
    closed: state.closed,
    readings: state.readings,
  };
}

describe('a batch', () => {
  it('with nothing done forecasts the plan', () => {
    const state = foldBatch(snapshot, []);
    expect(state.current?.step.id).toBe('trim');
    expect(state.massKg).toBe(0);
    expect(state.forecast.bowls).toBeCloseTo(80, 4);
    expect(state.toGoKg.get('stock')).toBeCloseTo(plannedKg.get('stock')!, 9);
  });

  it('done as planned comes out as planned', () => {
    const all = doneUpTo(
      snapshot.soup.root.steps.flatMap((step) =>
        step.op === 'join' ? [...step.branch.steps.map(({ id }) => id), step.id] : [step.id],
      ),
    );
    const state = foldBatch(snapshot, all);
    expect(state.current).toBeUndefined();
    expect(state.forecast).toEqual(state.plannedFigures);
    expect(state.toGoKg.size).toBe(0);
  });

  it('counts ladles in kilos, by hand: two half litres and a litre of stock at 1 kg/L', () => {
    const state = foldBatch(snapshot, STORY.slice(0, 10));
    // Three big ladles, one of them taken back, and a jug of 1 L: 2 L of stock, 1000 kg/m3 in the larder.
    expect(state.inKg.get('stock')).toBeCloseTo(2, 9);
    expect(state.toGoKg.get('stock')).toBeCloseTo(plannedKg.get('stock')! - state.inKg.get('stock')!, 6);
    expect(state.current?.step.id).toBe('cover');
  });

  it('a step done with an amount on record holds exactly that amount', () => {
    const state = foldBatch(snapshot, STORY.slice(0, 11));
    expect(state.toGoKg.get('stock')).toBeUndefined();
    expect(state.inKg.get('stock')).toBeCloseTo(2, 9);
    expect(state.forecast.bowls).toBeLessThan(80);
  });

  it('salt and cream still wanted follow what is in: a handful too much salt is not asked for again', () => {
    const upToSeason = STORY.filter(({ stamp }) => stamp.counter < 45);
    const before = foldBatch(snapshot, upToSeason);
    const wanted = before.toGoKg.get('salt')!;
    const half = foldBatch(snapshot, [...upToSeason, entry(45, { kind: 'added', stepId: 'season', line: 'salt', kg: wanted / 2 })]);
    expect(half.toGoKg.get('salt')).toBeCloseTo(wanted / 2, 6);
    expect(saltPctNow(half)).toBeGreaterThan(0.3);
    const cream = half.toGoKg.get('cream')!;
    const creamed = foldBatch(snapshot, [
      ...upToSeason,
      entry(46, { kind: 'added', stepId: 'cream', line: 'cream', kg: cream * 0.25 }),
    ]);
    expect(creamed.toGoKg.get('cream')! / (cream * 0.75)).toBeCloseTo(1, 3);
  });

  it('a dip moves the estimate towards what it says, worked by hand', () => {
    // 40 cm pot, 32 deep, 22.5 cm below the rim: 9.5 cm x 0.125664 m2 = 11.938 L; sd 4 mm: 0.503 L.
    const pot = READY_KITS.canteen.pots.find(({ id }) => id === 'boiler-40')!;
    const dip = dippedM3(pot, 0.225);
    expect(dip.volumeM3 * 1000).toBeCloseTo(11.938, 3);
    expect(dip.sdM3 * 1000).toBeCloseTo(0.503, 3);
    const at = STORY.filter(({ stamp }) => stamp.counter <= 22);
    const without = foldBatch(snapshot, at.slice(0, -1));
    const withDip = foldBatch(snapshot, at);
    const reading = withDip.readings[0]!;
    expect(reading.questioned).toBeFalse();
    expect(Math.sign(withDip.massKg - without.massKg)).toBe(Math.sign(reading.massKg - without.massKg));
    expect(withDip.massSdKg).toBeLessThan(without.massSdKg);
  });

  it('a wild weighing is questioned and moves nothing', () => {
    const at = STORY.filter(({ stamp }) => stamp.counter <= 16);
    const calm = foldBatch(snapshot, at);
    const wild = foldBatch(snapshot, [...at, entry(17, { kind: 'weighed', stepId: 'simmer', grossKg: 60, tareKg: 8.6 })]);
    expect(wild.readings[0]?.questioned).toBeTrue();
    // A minute after the simmer was put on the pot is still on its way to the boil: nothing has gone.
    expect(calm.massKg).toBe(wild.massKg);
    expect(wild.cautions.map(({ code }) => code)).toContain('READING_QUESTIONED');
  });

  it('the same set of entries is the same batch in any order, sent any number of times (shuffles)', () => {
    const expected = essence(foldBatch(snapshot, STORY));
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...STORY], { minLength: STORY.length }),
        fc.array(fc.constantFrom(...STORY), { maxLength: 8 }),
        (order, again) => {
          expect(essence(foldBatch(snapshot, [...again, ...order]))).toEqual(expected);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('an undo that arrives before what it undoes counts; an undo of an undo gives it back', () => {
    const pour = entry(10, { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: LADLE });
    const undo = entry(11, { kind: 'undone', target: pour.id });
    const redo = entry(12, { kind: 'undone', target: undo.id });
    const stock = (entries: Entry[]): number => foldBatch(snapshot, [...doneUpTo(UP_TO_COVER), ...entries]).inKg.get('stock') ?? 0;
    expect(stock([undo, pour])).toBe(0);
    expect(stock([redo, pour, undo])).toBeGreaterThan(0.49);
    expect(stock([pour])).toBe(stock([redo, undo, pour]));
  });

  it('what comes after closing is kept and called late, and changes no figure', () => {
    const late = entry(70, { kind: 'added', stepId: 'cream', line: 'cream', kg: 1 });
    const closed = foldBatch(snapshot, STORY);
    const after = foldBatch(snapshot, [...STORY, late]);
    expect(after.forecast).toEqual(closed.forecast);
    // The remark from the other tablet is never late.
    expect([...after.history.late]).toEqual([late.id]);
    expect(after.history.all.length).toBe(closed.history.all.length + 1);
  });

  it('an undo that comes after closing is late as well and takes nothing back', () => {
    const closed = foldBatch(snapshot, STORY);
    const undo = entry(71, { kind: 'undone', target: uuid(14) });
    const after = foldBatch(snapshot, [...STORY, undo]);
    expect(after.forecast).toEqual(closed.forecast);
    expect(after.history.late.has(undo.id)).toBeTrue();
  });

  it('what was done before closing but arrived after it is late too, until the batch is opened again', () => {
    const slow = entry(39, { kind: 'added', stepId: 'cream', line: 'cream', kg: 1 }, 'tablet-c');
    const arrived = (list: readonly Entry[]) => list.map((own, n) => ({ ...own, arrival: n }));
    expect(historyOf(arrived([...STORY, slow])).late.has(slow.id)).toBeTrue();
    const reopened = historyOf(arrived([...STORY, slow, entry(80, { kind: 'undone', target: uuid(63) })]));
    expect(reopened.closed).toBeUndefined();
    expect(reopened.late.size).toBe(0);
  });

  it('bowls counted out add up, and the ribbon of what was done stops where the cook is', () => {
    expect(foldBatch(snapshot, STORY).dishedBowls).toBe(78);
    const half = foldBatch(snapshot, STORY.slice(0, 11));
    const stops = actualRibbon(half).bands.flatMap((band) => band.stops.map(({ stepId }) => stepId));
    expect(stops).toEqual([...UP_TO_COVER.slice(0, 3), ...UP_TO_COVER.slice(3), 'cover']);
    const last = actualRibbon(half).bands.at(-1)!.stops.at(-1)!;
    expect(last.afterKg).toBeCloseTo(potKg(half.pot), 9);
  });

  it('an entry for a step that the plan does not know is kept and named', () => {
    expect(foldBatch(snapshot, [entry(1, { kind: 'done', stepId: 'flambé' })]).unknownStepIds).toEqual(['flambé']);
  });
});

describe('an entry', () => {
  it('orders by counter, then device, then sequence', () => {
    const a = entry(1, { kind: 'closed' });
    const b = { ...entry(1, { kind: 'closed' }, 'tablet-b'), id: uuid(2) };
    expect(compareEntries(a, b)).toBeLessThan(0);
    expect(compareEntries(b, entry(2, { kind: 'closed' }))).toBeLessThan(0);
  });

  it('refuses what can be no action', () => {
    const bad: unknown[] = [
      { kind: 'added', stepId: 'season', line: 'salt', kg: -1 },
      { kind: 'added', stepId: 'season', line: 'salt', kg: Number.NaN },
      { kind: 'dipped', stepId: 'simmer', belowRimM: 40 },
      { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 1e6 },
      { kind: 'sneezed' },
    ];
    for (const action of bad)
      expect(EntrySchema.safeParse({ ...entry(1, { kind: 'closed' }), action }).success)
        .withContext(JSON.stringify(action))
        .toBeFalse();
  });
});
