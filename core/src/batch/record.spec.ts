import fc from 'fast-check';
import { anyEntries, entriesOf, entryOf, rowOf, snapshotOf, stepIds, uuid } from '../../spec/entries.js';
import { kilos, byStep, canteen, soupOf } from '../../spec/pots.js';
import { LARDER_ROWS } from '../larder/index.js';
import { makePlan, type Snapshot } from '../plan/index.js';
import { parcelKg, potKg, type Flow } from '../pot/index.js';
import { EXAMPLE_SOUPS, linesOf, walk, type Line, type SoupStep } from '../soup/index.js';
import { setMinutes } from '../steps/index.js';
import { foldBatch, isRemark, type BatchState, type Action, type Entry } from './index.js';

const done = (stepId: string): Action => ({ kind: 'done', stepId });
const snapshots = new Map(EXAMPLE_SOUPS.map(({ id }) => [id, snapshotOf(id)]));
const beetroot = snapshots.get('beetroot-horseradish')!;
const celeriac = snapshots.get('celeriac-leek-apple')!;

function planOf(lines: Line[], steps: readonly SoupStep[], dish?: SoupStep): Snapshot {
  const soup = soupOf(lines, steps);
  const root = dish === undefined ? soup.root : { ...soup.root, steps: [...steps, dish] };
  const planning = makePlan({ ...soup, root }, LARDER_ROWS, canteen, { bowls: 20, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(JSON.stringify(planning.error));
  return planning.plan.snapshot;
}

/** Figures of a state, all of them, to be compared or looked at for what is no number. */
function figures(state: BatchState): unknown {
  const { forecast, inKg, toGoKg, massKg, dishedKg, closed, shares } = state;
  return { forecast, inKg: [...inKg], toGoKg: [...toGoKg], massKg, dishedKg, closed, shares };
}

function sum(flows: readonly Flow[]): number {
  return flows.reduce((kg, { parcel }) => kg + parcelKg(parcel), 0);
}

function notNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, own]) => notNumbers(own, `${path}.${key}`));
}

describe('the record', () => {
  it('never throws on any sequence of valid entries, whatever is swapped, brought, taken back, at whichever step (random entries)', () => {
    for (const [id, snapshot] of snapshots) {
      fc.assert(
        fc.property(anyEntries(snapshot, 24), (entries) => {
          expect(notNumbers(figures(foldBatch(snapshot, entries))))
            .withContext(id)
            .toEqual([]);
        }),
        { numRuns: 40 },
      );
    }
  });

  it('kilos believed are kilos that went in less those that left by rule, in whatever order; only readings move them (random entries)', () => {
    // What is lifted out to be given back stands beside the pot, and counts as outside.
    for (const [id, snapshot] of snapshots) {
      let readings = 0;
      fc.assert(
        fc.property(anyEntries(snapshot, 24), (entries) => {
          const { run, pots } = foldBatch(snapshot, entries);
          const stands = new Map<string, number>();
          for (const { step, branchId, before, pot, inflows, outflows } of run.records) {
            const wasKg = potKg(before);
            expect(wasKg)
              .withContext(`${id}, before ${step.id}`)
              .toBe(stands.get(branchId) ?? 0);
            const went = sum(inflows) - sum(outflows) + (step.op === 'join' ? (stands.get(step.branch.id) ?? 0) : 0);
            const isReading = step.op === 'read';
            readings += Number(isReading);
            if (!isReading)
              expect(Math.abs(potKg(pot) - wasKg - went))
                .withContext(`${id}, ${step.op} ${step.id}`)
                .toBeLessThan(1e-9 * Math.max(1, wasKg + Math.abs(went)));
            stands.set(branchId, potKg(pot));
          }
          for (const [branchId, pot] of pots) expect(potKg(pot)).withContext(`${id}, ${branchId}`).toBeGreaterThanOrEqual(0);
        }),
        { numRuns: 25 },
      );
      expect(readings).withContext(id).toBeGreaterThan(0);
    }
  });

  it('bringing in, adding, and taking the bringing-in back keeps what was added, and says so', () => {
    const stepId = stepIds(celeriac).at(-3)!;
    const entries = entriesOf([
      { kind: 'brought', stepId, line: 'double-cream', row: rowOf('double-cream'), kg: 0.1 },
      { kind: 'added', stepId, line: 'double-cream', kg: 0.2 },
      { kind: 'undone', target: uuid(1) },
    ]);
    const state = foldBatch(celeriac, entries);
    expect(state.inKg.get('double-cream')).toBeCloseTo(0.2, 9);
    expect(state.changes.notices).toEqual([{ entryId: uuid(2), line: 'double-cream', code: 'STILL_ADDED' }]);
    expect(state.forecast.facts?.allergens).toContain('milk');
  });

  it('an entry of a line that nobody knows counts for nothing and is told', () => {
    const stepId = stepIds(celeriac)[0]!;
    const state = foldBatch(celeriac, entriesOf([{ kind: 'added', stepId, line: 'moonshine', kg: 1 }]));
    expect(state.changes.notices.map(({ code }) => code)).toEqual(['UNKNOWN_LINE']);
    expect(state.forecast).toEqual(foldBatch(celeriac, []).forecast);
  });

  it('every swap of any line for any ingredient of the larder is made, in the same edible kilos, with its allergens (sampled)', () => {
    let tried = 0;
    for (const snapshot of snapshots.values()) {
      const plan = foldBatch(snapshot, []);
      for (const [n, line] of snapshot.soup.lines.entries()) {
        for (let k = 0; k < 8; k++) {
          const row = LARDER_ROWS[(n * 37 + k * 41) % LARDER_ROWS.length]!;
          const state = foldBatch(snapshot, entriesOf([{ kind: 'swapped', line: line.id, row }]));
          const now = state.prepared.lines.find((own) => own.line.id === line.id)!.line;
          const was = plan.prepared.lines.find((own) => own.line.id === line.id)!.line;
          expect(now.ingredient.row.id).toBe(row.id);
          expect(now.massKg * now.keptShare)
            .withContext(`${line.id} ${row.id}`)
            .toBeCloseTo(was.massKg * was.keptShare, 9);
          if ((state.toGoKg.get(line.id) ?? 0) > 0) {
            expect(state.forecast.facts?.allergens).toEqual(jasmine.arrayContaining([...row.allergens]));
          }
          tried += 1;
        }
      }
    }
    expect(tried).toBeGreaterThan(692);
  });

  it('beetroot to cashews: nuts reach the counter; onion to spring onion: as many edible kilos are in the pot', () => {
    const nuts = foldBatch(beetroot, entriesOf([{ kind: 'swapped', line: 'beetroot', row: rowOf('cashews') }]));
    expect(nuts.forecast.facts?.allergens).toContain('nuts');
    expect(foldBatch(beetroot, []).forecast.facts?.allergens).not.toContain('nuts');
    const trim = walk(beetroot.soup.root).find(({ step }) => step.op === 'trim')!.step.id;
    const inPot = (actions: Action[]): number => {
      const pot = foldBatch(beetroot, entriesOf([...actions, done(trim)])).pot;
      return pot.cohorts.find(({ lineId }) => lineId === 'onion')!.parcel.mix.reduce((sum, kg) => sum + kg, 0);
    };
    expect(inPot([{ kind: 'swapped', line: 'onion', row: rowOf('spring-onion') }])).toBeCloseTo(inPot([]), 9);
  });

  it('what had gone in before a swap stays what it was; what comes after it is the other; both allergens count', () => {
    const cover = walk(celeriac.soup.root).find(({ step }) => step.op === 'cover')!.step;
    const line = cover.op === 'cover' ? cover.line : '';
    const before = stepIds(celeriac).slice(0, stepIds(celeriac).indexOf(cover.id)).map(done);
    const pour: Action = { kind: 'added', stepId: cover.id, line, kg: 2 };
    const milk: Action = { kind: 'swapped', line, row: rowOf('milk') };
    const then = foldBatch(celeriac, entriesOf([...before, pour, milk, pour]));
    const fatOf = (actions: Action[]): number => foldBatch(celeriac, entriesOf([...before, ...actions])).pot.liquid.mix[1];
    const base = fatOf([]);
    // Whole milk brings some 3.5 % fat: 2 kg of it about 70 g, the stock before it next to none.
    expect(then.pot.liquid.mix[1] - base).toBeCloseTo(fatOf([milk, pour]) - base + (fatOf([pour]) - base), 6);
    expect(then.inKg.get(line)).toBeCloseTo(4, 9);
    expect(then.changes.notices.map(({ code }) => code)).toEqual(['PARTLY_IN']);
    const allergens = then.forecast.facts?.allergens ?? [];
    expect(allergens).toEqual(jasmine.arrayContaining(['milk', ...(celeriac.rows.find(({ id }) => id === line)?.allergens ?? [])]));
  });

  it('a swap told after all of a line was in says what it was all along, and keeps the allergens of both', () => {
    const all = stepIds(celeriac).slice(0, -1).map(done);
    const cream = walk(celeriac.soup.root).flatMap(({ step }) => (step.op === 'cream' ? [step.line] : []))[0]!;
    const state = foldBatch(celeriac, entriesOf([...all, { kind: 'swapped', line: cream, row: rowOf('cashews') }]));
    expect(state.forecast.facts?.allergens).toEqual(jasmine.arrayContaining(['milk', 'nuts']));
    expect(state.prepared.lines.find(({ line }) => line.id === cream)?.line.ingredient.row.id).toBe('cashews');
  });

  it('a line left out stays out when its step is ticked afterwards, and water poured at a step left empty is in', () => {
    const trim = walk(celeriac.soup.root).find(({ step }) => linesOf(step).some(({ line }) => line === 'apple'))!.step.id;
    const before = stepIds(celeriac).slice(0, stepIds(celeriac).indexOf(trim)).map(done);
    const out: Action = { kind: 'left out', line: 'apple' };
    const state = foldBatch(celeriac, entriesOf([...before, out, done(trim)]));
    expect(state.changes.leftOut).toEqual(['apple']);
    expect(state.inKg.get('apple') ?? 0).toBe(0);

    const cover = walk(celeriac.soup.root).find(({ step }) => step.op === 'cover')!.step;
    const stock = cover.op === 'cover' ? cover.line : '';
    const water: Action = { kind: 'brought', stepId: cover.id, line: 'water', row: rowOf('water'), kg: 3 };
    const upTo = stepIds(celeriac).slice(0, stepIds(celeriac).indexOf(cover.id)).map(done);
    const poured = foldBatch(celeriac, entriesOf([...upTo, { kind: 'left out', line: stock }, water]));
    expect(poured.inKg.get('water')).toBeCloseTo(3, 9);
    expect(poured.toGoKg.get(stock) ?? 0).toBe(0);
    expect(poured.inKg.get(stock) ?? 0).toBe(0);
  });

  it('what was brought while trimming, or beside egg and cream, is in', () => {
    for (const snapshot of snapshots.values()) {
      for (const { step } of walk(snapshot.soup.root)) {
        const before = stepIds(snapshot).slice(0, stepIds(snapshot).indexOf(step.id)).map(done);
        for (const end of [[], [done(step.id)]]) {
          const brought: Action = { kind: 'brought', stepId: step.id, line: 'extra', row: rowOf('white-rice'), kg: 0.3 };
          const state = foldBatch(snapshot, entriesOf([...before, brought, ...end]));
          expect(state.inKg.get('extra')).withContext(`${snapshot.soup.id} ${step.id}`).toBeCloseTo(0.3, 9);
        }
      }
    }
  });
});

describe('an amount entered by hand', () => {
  const base: Line[] = [
    kilos('carrot', 'carrot', 3),
    kilos('onion', 'onion', 0.5),
    kilos('sherry', 'dry-sherry', 0.3),
    kilos('yolk', 'egg-yolk', 0.1),
    kilos('cream', 'double-cream', 0.4),
    kilos('flour', 'plain-flour', 0.1),
    byStep('stock', 'vegetable-stock'),
    byStep('salt', 'fine-salt'),
    byStep('lemon', 'lemon-juice'),
    kilos('crumbs', 'parsley', 0.2),
  ];
  const only = (ids: readonly string[]): Line[] => base.filter(({ id }) => ['carrot', 'stock', ...ids].includes(id));
  const start: SoupStep[] = [
    { id: 'in', op: 'add', uses: [{ line: 'carrot' }] },
    { id: 'cover', op: 'cover', line: 'stock', overM: 0.01 },
    { id: 'simmer', op: 'simmer', minutes: 25, vigour: 'steady', lid: 'ajar' },
    { id: 'blade', op: 'blend', blender: 'stick', minutes: 3 },
  ];
  const CASES: readonly { readonly step: SoupStep; readonly lines: readonly string[]; readonly dish?: SoupStep }[] = [
    { step: { id: 'x', op: 'trim', uses: [{ line: 'onion' }] }, lines: ['onion'] },
    { step: { id: 'x', op: 'add', uses: [{ line: 'onion' }] }, lines: ['onion'] },
    { step: { id: 'x', op: 'deglaze', use: { line: 'sherry' }, minutes: 2 }, lines: ['sherry'] },
    { step: { id: 'x', op: 'season', line: 'salt', saltPct: 0.8 }, lines: ['salt'] },
    { step: { id: 'x', op: 'tune', line: 'lemon', taste: 'sour', to: 0.4 }, lines: ['lemon'] },
    { step: { id: 'x', op: 'cream', line: 'cream', target: { by: 'pct', value: 6 } }, lines: ['cream'] },
    { step: { id: 'x', op: 'cream', line: 'cream', target: { by: 'written' } }, lines: ['cream'] },
    { step: { id: 'x', op: 'liaison', yolks: { line: 'yolk' }, cream: { line: 'cream' }, toC: 74 }, lines: ['yolk', 'cream'] },
    { step: { id: 'x', op: 'blend', blender: 'stick', minutes: 2, coldScoop: { line: 'onion' } }, lines: ['onion'] },
    { step: { id: 'x', op: 'hold', minutes: 60, atC: 70, lid: 'off', topUp: 'stock' }, lines: ['stock'] },
    { step: { id: 'x', op: 'thicken', parts: [{ line: 'flour', parts: 1 }], toMPas: 900 }, lines: ['flour'] },
    { step: { id: 'x', op: 'thin', line: 'stock', toMPas: 20 }, lines: ['stock'] },
    {
      step: { id: 'x', op: 'dish', shares: [{ id: 'all', name: 'All', part: 1, finish: [{ line: 'cream', gPerBowl: 20 }] }] },
      lines: ['cream'],
    },
    {
      step: {
        id: 'x',
        op: 'dish',
        shares: [
          { id: 'one', name: 'One', part: 0.5, garnish: [{ line: 'crumbs', gPerBowl: 8 }] },
          { id: 'two', name: 'Two', part: 0.5, garnish: [{ line: 'crumbs', gPerBowl: 4 }] },
        ],
      },
      lines: ['crumbs'],
    },
  ];

  for (const { step, lines } of CASES) {
    for (const line of lines) {
      it(`counts once at ${step.op}, ${line}: before the step is done, once it is, and when it is more or less than planned`, () => {
        const isDish = step.op === 'dish';
        const steps = isDish ? start : [...start, step];
        const settled = only(lines).map((own) =>
          isDish || step.op === 'thicken' || step.op === 'hold' ? byStepAt(own, lines) : own,
        );
        const snapshot = planOf(settled, steps, isDish ? step : undefined);
        const before = stepIds(snapshot).slice(0, stepIds(snapshot).indexOf('x')).map(done);
        const used = (actions: readonly Action[]): { inKg: number; all: number } => {
          const state = foldBatch(snapshot, entriesOf(actions));
          const inKg = state.inKg.get(line) ?? 0;
          return { inKg, all: inKg + (state.toGoKg.get(line) ?? 0) };
        };
        const at = used(before);
        const plannedKg = at.all - at.inKg;
        expect(plannedKg).toBeGreaterThan(0);
        for (const share of [0.4, 1, 1.7]) {
          const kg = plannedKg * share;
          const hand: Action = { kind: 'added', stepId: 'x', line, kg };
          const ticked = used([...before, hand, done('x')]);
          expect(ticked.all - at.inKg)
            .withContext(`done, ${String(share)}`)
            .toBeCloseTo(kg, 6);
          const open = used([...before, hand]);
          // What is still to come depends on the pot, but never is more than planned beside what is in.
          expect(open.all - at.inKg)
            .withContext(`open, ${String(share)}`)
            .toBeGreaterThan(kg - 1e-6);
          expect(open.all - at.inKg)
            .withContext(`open, ${String(share)}`)
            .toBeLessThan(Math.max(kg, plannedKg) * 1.02);
        }
      });
    }
  }

  function byStepAt(own: Line, lines: readonly string[]): Line {
    return lines.includes(own.id) && own.id !== 'stock'
      ? { id: own.id, ingredient: own.ingredient, amount: { rule: 'byStep' } }
      : own;
  }

  it('goes to the bowls that take it, not into the pot: a plain bowl stays free of milk', () => {
    const dish: SoupStep = {
      id: 'x',
      op: 'dish',
      shares: [
        { id: 'creamed', name: 'Creamed', part: 0.5, finish: [{ line: 'cream', gPerBowl: 20 }] },
        { id: 'plain', name: 'Plain', part: 0.5 },
      ],
    };
    const snapshot = planOf(
      only(['cream']).map((own) => byStepAt(own, ['cream'])),
      start,
      dish,
    );
    const state = foldBatch(
      snapshot,
      entriesOf([...start.map(({ id }) => done(id)), { kind: 'added', stepId: 'x', line: 'cream', kg: 0.5 }, done('x')]),
    );
    const facts = new Map(state.shares.map(({ id, facts: own }) => [id, own]));
    expect(facts.get('creamed')?.allergens).toContain('milk');
    expect(facts.get('plain')?.allergens).not.toContain('milk');
    expect(state.inKg.get('cream')).toBeCloseTo(0.5, 9);
  });
});

describe('time', () => {
  const steps = walk(celeriac.soup.root);
  const simmer = steps.find(({ step }) => step.op === 'simmer')!.step;
  const before = stepIds(celeriac).slice(0, stepIds(celeriac).indexOf(simmer.id)).map(done);

  /** Entries before the simmer, then those of it with the minute since it was put on. */
  function at(list: readonly (readonly [Action, number])[]): BatchState {
    const put = before.map((action, n) => entryOf(n + 1, action, { minute: 0 }));
    return foldBatch(celeriac, [...put, ...list.map(([action, minute], n) => entryOf(100 + n, action, { minute }))]);
  }

  it('on the way to the boil uses up none of the simmer, whatever is entered meanwhile', () => {
    const started = [{ kind: 'started', stepId: simmer.id } satisfies Action, 0] as const;
    const read = (minute: number) =>
      [{ kind: 'tasted', stepId: simmer.id, taste: 'salt', side: 0 } satisfies Action, minute] as const;
    const probe = (minute: number) =>
      [{ kind: 'added', stepId: simmer.id, line: 'salt', kg: 1e-9 } satisfies Action, minute] as const;
    const whole = at([started, [done(simmer.id), 60]]);
    const up = whole.run.records.find(({ step }) => step.id === simmer.id)!.counts!.toBoilMinutes!;
    expect(up).toBeGreaterThan(3);
    const touched = at([started, read(1), probe(up * 0.3), probe(up * 0.6), probe(up + 5), [done(simmer.id), 60]]);
    expect(touched.massKg).toBeCloseTo(whole.massKg, 4);
    const minutes = (state: BatchState): number => state.steps.find(({ stepId }) => stepId === simmer.id)!.minutes;
    // What the wall loses on the way is reckoned at the middle of each part: parts differ from the whole by seconds.
    expect(minutes(touched)).toBeCloseTo(minutes(whole), 0);
    // Half-way up it is half warm, and nothing has steamed away.
    const half = at([started, probe(up / 2)]);
    expect(half.pot.tempC).toBeLessThan(90);
    expect(half.pot.tempC).toBeGreaterThan(25);
  });

  it('actual minutes count for every kind of step that takes minutes', () => {
    const kinds: readonly SoupStep[] = [
      { id: 'x', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'off' },
      { id: 'x', op: 'fry', how: 'sauté', minutes: 90 },
      { id: 'x', op: 'fryPuree', minutes: 4 },
      { id: 'x', op: 'pressure', minutes: 10, atC: 115 },
      { id: 'x', op: 'hold', minutes: 30, atC: 70, lid: 'off' },
      { id: 'x', op: 'deglaze', use: { line: 'stock', share: 1 }, minutes: 2 },
      { id: 'x', op: 'blend', blender: 'stick', minutes: 2 },
      { id: 'x', op: 'rest', minutes: 12, around: 'air' },
    ];
    for (const step of kinds) {
      const stock = kilos('stock', 'vegetable-stock', 2);
      const lead: SoupStep[] = [
        { id: 'in', op: 'add', uses: step.op === 'deglaze' ? [{ line: 'carrot' }] : [{ line: 'carrot' }, { line: 'stock' }] },
      ];
      const snapshot = planOf([kilos('carrot', 'carrot', 3), stock], [...lead, step]);
      const inflows = (minutes?: number): number => {
        const end: Action = { kind: 'done', stepId: 'x', ...(minutes === undefined ? {} : { minutes }) };
        return foldBatch(snapshot, entriesOf([done('in'), end])).steps.find(({ stepId }) => stepId === 'x')!.minutes;
      };
      const planned = setMinutes(step) ?? 0;
      expect(inflows(planned + 7) - inflows())
        .withContext(step.op)
        .toBeCloseTo(7, 6);
    }
  });
});

describe('opening and closing', () => {
  const all = stepIds(beetroot).map(done);
  const pour: Action = { kind: 'added', stepId: 'cream', line: 'cream', kg: 2 };
  const arrive = (entries: readonly Entry[]) => entries.map((own, n) => ({ ...own, arrival: n + 1 }));
  const served = (actions: readonly Action[]): number => foldBatch(beetroot, arrive(entriesOf(actions))).forecast.servedKg;
  const closing = uuid(all.length + 1);

  it('what is poured after the batch was opened again counts, and still does when it is closed once more', () => {
    const reopened: Action[] = [...all, { kind: 'closed' }, { kind: 'undone', target: closing }, pour];
    const open = foldBatch(beetroot, arrive(entriesOf(reopened)));
    expect(open.history.late.size).toBe(0);
    expect(served([...reopened, { kind: 'closed' }])).toBeCloseTo(open.forecast.servedKg, 9);
    // Taking the reopening back closes it with all that had been entered by then.
    expect(served([...reopened, { kind: 'undone', target: uuid(all.length + 2) }])).toBeCloseTo(open.forecast.servedKg, 9);
  });

  it('what came while it was closed comes in when it is opened, and stays in', () => {
    const late: Action[] = [...all, { kind: 'closed' }, pour];
    expect(served(late)).toBeCloseTo(served(all), 9);
    const opened: Action[] = [...late, { kind: 'undone', target: closing }];
    expect(served(opened)).toBeGreaterThan(served(all) + 0.5);
    expect(served([...opened, { kind: 'closed' }])).toBeCloseTo(served(opened), 9);
  });

  it('nothing after a close changes its figures, an old undo taken back neither (random entries)', () => {
    const undo: Action = { kind: 'undone', target: uuid(2) };
    const before: Action[] = [done('trim'), pour, undo, ...all.slice(1), { kind: 'closed' }];
    const closed = foldBatch(beetroot, arrive(entriesOf(before)));
    const old = foldBatch(beetroot, arrive(entriesOf([...before, { kind: 'undone', target: uuid(3) }])));
    expect(old.forecast).toEqual(closed.forecast);
    fc.assert(
      fc.property(anyEntries(beetroot, 12), fc.integer({ min: 0, max: 40 }), (more, counter) => {
        // From a tablet that was away: stamps before, among and after those of the batch; nothing that opens it again.
        const after = more
          .filter(({ action }) => action.kind !== 'closed' && (action.kind !== 'undone' || action.target !== uuid(before.length)))
          .map((own, n) => ({ ...own, id: uuid(1000 + n), stamp: { counter: counter + n, device: 'tablet-z', seq: n } }));
        const now = foldBatch(beetroot, arrive([...entriesOf(before), ...after]));
        expect(figures(now)).toEqual(figures(closed));
        // What is only said of the batch is never too late, nor is taking it back.
        const said = new Set(after.flatMap(({ id, action }) => (isRemark(action) ? [id] : [])));
        const late = after.filter(({ id, action }) => !said.has(id) && !(action.kind === 'undone' && said.has(action.target)));
        expect(now.history.late.size).toBe(late.length);
      }),
      { numRuns: 80 },
    );
  });

  it('a remark is not too late, at a step it is; taken back it is gone', () => {
    const remark: Action = { kind: 'note', text: 'sweeter beetroot than last week' };
    const atStep: Action = { kind: 'note', text: 'stirred twice', stepId: 'simmer' };
    const before: Action[] = [...all, { kind: 'closed' }];
    const closed = foldBatch(beetroot, arrive(entriesOf(before)));
    const now = foldBatch(beetroot, arrive(entriesOf([...before, remark, atStep])));
    const [said, late] = [uuid(before.length + 1), uuid(before.length + 2)];
    expect([...now.history.late]).toEqual([late]);
    expect(now.history.counted.some(({ id }) => id === said)).toBeTrue();
    expect(figures(now)).toEqual(figures(closed));
    const back = foldBatch(beetroot, arrive(entriesOf([...before, remark, { kind: 'undone', target: said }])));
    expect(back.history.late.size).toBe(0);
    expect(back.history.undone.has(said)).toBeTrue();
    expect(back.closed).toBeTrue();
  });

  it('said twice is said once: one undo takes a step’s being done back, a closing too', () => {
    const twice = foldBatch(beetroot, entriesOf([done('trim'), done('trim'), { kind: 'undone', target: uuid(1) }]));
    expect(twice.current?.step.id).toBe('trim');
    expect(twice.steps[0]?.status).toBe('now');
    const actions: Action[] = [...all, { kind: 'closed' }, { kind: 'closed' }, { kind: 'undone', target: uuid(all.length + 2) }];
    expect(foldBatch(beetroot, entriesOf(actions)).closed).toBeFalse();
    const again = foldBatch(beetroot, entriesOf([done('trim'), { kind: 'undone', target: uuid(1) }, done('trim')]));
    expect(again.steps[0]?.status).toBe('done');
  });
});

describe('bowls with a finish', () => {
  it('take out of the pot what they take, without what is stirred in: counted out, the pot is empty and no emptier', () => {
    const snapshot = snapshots.get('base-two-ways')!;
    const before = stepIds(snapshot).slice(0, -1).map(done);
    const full = foldBatch(snapshot, entriesOf(before));
    const counts = full.shares.map(({ id, bowls }): Action => ({ kind: 'dished', bowls, share: id }));
    const out = foldBatch(snapshot, entriesOf([...before, ...counts]));
    expect(out.dishedKg).toBeCloseTo(full.massKg, 6);
    const unnamed = foldBatch(snapshot, entriesOf([...before, { kind: 'dished', bowls: full.forecast.bowls }]));
    expect(unnamed.dishedKg).toBeCloseTo(full.massKg, 6);
  });
});

describe('an entry that says an earlier one was wrong', () => {
  const snapshot = snapshotOf('leek-potato');
  const added: Action = { kind: 'added', stepId: 'thin-to', line: 'water', kg: 2.2 };
  const water = (list: readonly Entry[]): number => foldBatch(snapshot, list).inKg.get('water') ?? 0;
  const correction = (n: number, target: number, kg: number): Entry =>
    entryOf(n, { kind: 'corrected', target: uuid(target), to: { kind: 'added', stepId: 'thin-to', line: 'water', kg } });

  it('counts in its place, and the last one does', () => {
    const before = water([entryOf(1, added)]);
    expect(water([entryOf(1, added), correction(2, 1, 1)])).toBeCloseTo(before - 1.2, 9);
    expect(water([entryOf(1, added), correction(3, 1, 0.5), correction(2, 1, 1)])).toBeCloseTo(before - 1.7, 9);
  });

  it('stands at the moment of the entry that it corrects, not at its own', () => {
    const read = entryOf(2, { kind: 'weighed', stepId: 'thin-to', grossKg: 12, tareKg: 0 });
    const right = entryOf(1, { ...added, kg: 1 });
    const [a] = foldBatch(snapshot, [entryOf(1, added), read, correction(9, 1, 1)]).readings;
    const [b] = foldBatch(snapshot, [right, read]).readings;
    expect(a!.massKg).toBeCloseTo(b!.massKg, 9);
    expect(foldBatch(snapshot, [entryOf(1, added), read, correction(9, 1, 1)]).massKg).toBeCloseTo(
      foldBatch(snapshot, [right, read]).massKg,
      9,
    );
  });

  it('can be taken back, and closes or opens nothing', () => {
    const undo = entryOf(3, { kind: 'undone', target: uuid(2) });
    expect(water([entryOf(1, added), correction(2, 1, 1), undo])).toBeCloseTo(water([entryOf(1, added)]), 9);
    const closing = entryOf(4, { kind: 'closed' });
    const overClosing = entryOf(5, { kind: 'corrected', target: uuid(4), to: { kind: 'note', text: 'not closed' } });
    expect(
      foldBatch(snapshot, [entryOf(1, added), closing, { ...overClosing, stamp: { ...overClosing.stamp } }]).closed,
    ).toBeTrue();
  });
});
