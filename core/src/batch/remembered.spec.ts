import { snapshotOf, entryOf } from '../../spec/entries.js';
import { rerun } from '../plan/index.js';
import { EXAMPLE_SOUPS, walk } from '../soup/index.js';
import { foldBatch, rememberedActions, type Entry, type Remembered } from './index.js';

const START_MS = 1_790_000_000_000;

function entered(id: string, remembered: Omit<Remembered, 'startedAtMs'>): ReturnType<typeof foldBatch> {
  const snapshot = snapshotOf(id);
  const all = rememberedActions(rerun(snapshot), { startedAtMs: START_MS, ...remembered });
  const entries: Entry[] = all.map(({ atMs, action }, n) => ({ ...entryOf(n + 1, action), atMs }));
  return foldBatch(snapshot, entries);
}

describe('a batch that is entered after it was cooked', () => {
  for (const { id } of EXAMPLE_SOUPS) {
    it(`${id}: where nothing is remembered it is what was planned, step by step, and it is closed`, () => {
      const { run, snapshot } = rerun(snapshotOf(id));
      const state = entered(id, {});
      expect(state.closed).toBeDefined();
      expect(state.steps.filter(({ status }) => status !== 'done').map(({ stepId }) => stepId))
        .withContext('but for the bowls')
        .toEqual(walk(snapshot.soup.root).flatMap(({ step }) => (step.op === 'dish' ? [step.id] : [])));
      expect(state.forecast.bowls).toBeCloseTo(run.bowls, 6);
      expect(state.forecast.cookedKg).toBeCloseTo(foldBatch(snapshot, []).forecast.cookedKg, 6);
    });
  }

  it('its steps lie within the minutes that the plan takes, none before the one before it', () => {
    const planned = rerun(snapshotOf('squash-coconut-chilli'));
    const times = rememberedActions(planned, { startedAtMs: START_MS, bowls: 38 }).map(({ atMs }) => atMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(times[0]).toBeGreaterThanOrEqual(START_MS);
    expect(times.at(-1)).toBe(Math.round(START_MS + planned.run.minutes * 60_000));
  });

  it('what is remembered counts: kilos in the pot, bowls out, what was kept, words', () => {
    const planned = entered('leek-potato', {});
    const kg = planned.massKg * 0.93;
    const state = entered('leek-potato', { cookedKg: kg, bowls: 34, keptKg: 0.6, note: '  thin  ' });
    expect(state.run.records.some(({ step }) => step.op === 'read')).toBeTrue();
    expect(state.dishedKg).toBeCloseTo(34 * 0.3, 6);
    expect(state.history.counted.find(({ action }) => action.kind === 'dished')?.action).toEqual({ kind: 'dished', bowls: 34 });
    expect(state.history.counted.find(({ action }) => action.kind === 'note')?.action).toEqual({ kind: 'note', text: 'thin' });
    expect(state.history.counted.find(({ action }) => action.kind === 'stored')?.action).toEqual({ kind: 'stored', kg: 0.6 });
    expect(state.forecast.cookedKg).toBeLessThan(0.96 * planned.forecast.cookedKg);
    expect(state.forecast.cookedKg).toBeGreaterThan(0.9 * planned.forecast.cookedKg);
  });
});
