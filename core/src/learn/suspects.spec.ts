import { entriesOf, entryOf, rowOf } from '../../spec/entries.js';
import { fortyBowls } from '../../spec/kitchens.js';
import { asCooked, foldBatch, type Action, type StoredEntry } from '../batch/index.js';
import { LARDER_ROWS } from '../larder/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import { correctionsOf } from './index.js';
import { entryIf, hypothesesOf, type Hypothesis, type Suspect } from './suspects.js';

const plan = fortyBowls(EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!);
const steps = walk(plan.prepared.soup.root).map(({ step }) => step);
const dish = steps.at(-1)!.id;
const { vessel, kit } = plan.prepared;
const ladle = kit.ladles[1]!;

const ACTIONS: readonly Action[] = [
  ...steps.slice(0, -1).map(({ id }): Action => ({ kind: 'done', stepId: id })),
  { kind: 'poured', stepId: 'thin-to', line: 'water', vessel: ladle.name, volumeM3: ladle.volumeM3 },
  { kind: 'added', stepId: 'thin-to', line: 'water', kg: 2 },
  { kind: 'added', stepId: 'thin-to', line: 'water', kg: 2 },
  { kind: 'weighed', stepId: dish, grossKg: 16, tareKg: vessel.tareKg },
  { kind: 'weighed', stepId: dish, grossKg: 12, tareKg: 0 },
  { kind: 'dipped', stepId: dish, belowRimM: 0.12 },
];
const entries = entriesOf(ACTIONS);
const cooked = asCooked(plan, entries);
const all = hypothesesOf(cooked, LARDER_ROWS);
const of = (what: Suspect['what']): Hypothesis[] => all.filter(({ suspect }) => suspect.what === what);

describe('what may be wrong with a record', () => {
  it('is every slip that its entries leave room for, each at least as rare as such slips are together', () => {
    const whats: readonly Suspect['what'][] = ['measure', 'missing', 'not done', 'pot', 'tare', 'twice', 'unit'];
    for (const what of whats) expect(of(what).length).withContext(what).toBeGreaterThan(0);
    for (const { prior } of all) {
      expect(prior).toBeGreaterThan(0);
      expect(prior).toBeLessThan(0.05);
    }
    expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeLessThan(0.2);
  });

  it('changes the entries that it is about, and no other', () => {
    for (const { suspect, entries: changed } of all) {
      if (suspect.what === 'missing' || suspect.what === 'another' || suspect.what === 'twice') continue;
      const differs = changed.filter((entry, n) => entry !== cooked.state.history.counted[n]);
      expect(differs.length).withContext(suspect.what).toBeGreaterThan(0);
      for (const { action } of differs) {
        const kinds = { measure: 'poured', unit: 'added', tare: 'weighed', pot: 'dipped', 'not done': 'skipped' } as const;
        expect(action.kind).withContext(suspect.what).toBe(kinds[suspect.what]);
      }
    }
  });

  it('a tare left on is of weighings without one, a tare taken twice of those with', () => {
    const tared = (was: 'left on' | 'taken twice'): number[] =>
      of('tare')
        .find(({ suspect }) => suspect.what === 'tare' && suspect.was === was)!
        .entries.flatMap(({ action }) => (action.kind === 'weighed' ? [action.tareKg] : []));
    expect(tared('left on')).toEqual([vessel.tareKg, vessel.tareKg]);
    expect(tared('taken twice')).toEqual([0, 0]);
  });

  it('a dip in another pot is as much soup as stood in that one', () => {
    for (const { suspect, entries: changed } of of('pot')) {
      if (suspect.what !== 'pot') continue;
      const pot = kit.pots.find(({ id }) => id === suspect.potId)!;
      const dip = changed.find(({ action }) => action.kind === 'dipped')!.action;
      if (dip.kind !== 'dipped') throw new Error('A dip stays a dip.');
      const here = (vessel.depthM - dip.belowRimM) * vessel.widthM ** 2;
      const there = (pot.depthM - 0.12) * pot.widthM ** 2;
      // No ruler reads above the rim.
      if (there <= vessel.depthM * vessel.widthM ** 2 && there >= 0) expect(here).withContext(pot.id).toBeCloseTo(there, 9);
    }
  });

  it('two like amounts near one another are likelier one than an amount that stands alone', () => {
    const priors = of('twice').map(({ suspect, prior }) => ({ id: suspect.what === 'twice' ? suspect.entryId : '', prior }));
    const added = cooked.state.history.counted.filter(({ action }) => action.kind === 'added');
    const [alone, repeat] = added.map(({ id }) => priors.find((one) => one.id === id)!.prior);
    expect(repeat!).toBeGreaterThan(alone!);
  });

  it('an amount that nobody entered is looked for among what is poured, never among what is cut', () => {
    for (const { suspect } of of('missing')) {
      if (suspect.what !== 'missing') continue;
      const line = plan.prepared.lines.find((own) => own.line.id === suspect.line)!.line;
      expect(line.ingredient.row.softening).withContext(suspect.line).toBe(0);
    }
    expect(of('missing').length).toBeGreaterThan(0);
  });

  it('of very many entries only the largest amounts are looked at one by one', () => {
    const many = entriesOf([
      ...ACTIONS,
      ...Array.from({ length: 300 }, (_, n): Action => ({ kind: 'added', stepId: 'thin-to', line: 'water', kg: 0.001 + n / 1000 })),
    ]);
    const found = hypothesesOf(asCooked(plan, many), LARDER_ROWS);
    expect(found.filter(({ suspect }) => suspect.what === 'twice').length).toBeLessThanOrEqual(40);
    const kg = found.flatMap(({ suspect }) => (suspect.what === 'unit' ? [suspect.kg] : []));
    expect(Math.min(...kg)).toBeGreaterThan(0.2);
  });
});

describe('an entry as it would be', () => {
  const as = (suspect: Suspect, action: Action): Action => entryIf(suspect, plan.prepared)(entryOf(1, action));
  const poured: Action = { kind: 'poured', stepId: 'thin-to', line: 'water', vessel: ladle.name, volumeM3: 0.0003 };

  it('is itself where it has nothing to do with the suspect', () => {
    const note: Action = { kind: 'note', text: 'hot' };
    const suspects: Suspect[] = all.map(({ suspect }) => suspect);
    for (const suspect of suspects) expect(as(suspect, note)).toBe(note);
  });

  it('of a measure that held more says how much, and of which measure it was', () => {
    expect(as({ what: 'measure', vessel: ladle.name, as: undefined, ratio: 1.5 }, poured)).toEqual({
      ...poured,
      volumeM3: 0.00045,
    });
    expect(as({ what: 'measure', vessel: ladle.name, as: 'Big ladle', ratio: 5 / 3 }, poured)).toEqual(
      jasmine.objectContaining({ vessel: 'Big ladle' }),
    );
    expect(as({ what: 'measure', vessel: 'Another', as: undefined, ratio: 2 }, poured)).toBe(poured);
  });

  it('never holds more than an entry can hold', () => {
    const huge: Action = { ...poured, volumeM3: 0.9 };
    expect(as({ what: 'measure', vessel: ladle.name, as: undefined, ratio: 2 }, huge)).toEqual(
      jasmine.objectContaining({ volumeM3: 1 }),
    );
  });
});

describe('corrections', () => {
  const state = foldBatch(plan.snapshot, entries);

  it('say of every kind of suspect just what it was tried with', () => {
    for (const { suspect, entries: tried } of all) {
      const corrections = correctionsOf(state, [suspect], 'found');
      if (suspect.what === 'missing' || suspect.what === 'another' || suspect.what === 'twice') {
        expect(corrections.length).withContext(suspect.what).toBeGreaterThan(0);
        continue;
      }
      const to = new Map(
        corrections.flatMap(({ action }) => (action.kind === 'corrected' ? [[action.target, action.to] as const] : [])),
      );
      for (const entry of tried) {
        const before = state.history.counted.find(({ id }) => id === entry.id)!;
        if (entry !== before)
          expect(to.get(entry.id) as Action)
            .withContext(suspect.what)
            .toEqual(entry.action);
      }
    }
  });

  it('of an open batch open and close nothing; of a closed one they open it first and close it last', () => {
    const [tare] = of('tare');
    const open = correctionsOf(state, [tare!.suspect], 'found').map(({ action }) => action.kind);
    expect(open).not.toContain('closed');
    const shut: StoredEntry[] = [...entries, entryOf(entries.length + 1, { kind: 'closed' })];
    const kinds = correctionsOf(foldBatch(plan.snapshot, shut), [tare!.suspect], 'found').map(({ action }) => action.kind);
    expect([kinds[0], kinds.at(-1)]).toEqual(['undone', 'closed']);
  });

  it('a stock that was taken for another goes in where the first did, from the beginning', () => {
    const suspect: Suspect = { what: 'another', line: 'water', row: rowOf('vegetable-stock-carton') };
    const [swap] = correctionsOf(state, [suspect], 'found').filter(({ action }) => action.kind === 'swapped');
    expect(swap!.counter).toBe(0);
    const stamped: StoredEntry = { ...entryOf(999, swap!.action), stamp: { counter: 0, device: 'tablet-b', seq: 999 } };
    const after = foldBatch(plan.snapshot, [...entries, stamped]);
    expect(after.changes.swapped).toEqual(['water']);
  });
});
