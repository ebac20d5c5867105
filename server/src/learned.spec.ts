import type { Entry, StoredEntry } from '@tureen/core/batch';
import type { Kit } from '@tureen/core/kit';
import { readLearned, type LearnedAnswer } from './learned.js';
import { HiddenKitchen } from '@tureen/core/practice';
import { WITH_METERS, cookedBy } from '../../core/spec/kitchens.js';
import { rerun, type Snapshot } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import { rebuildProjections } from './projections.js';
import { batchEvidence, kitchens, learnedStates } from './schema.js';

const NOW = 1_790_000_000_000;
const DAY_MS = 86_400_000;
const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'leek-potato')!;
const id = (kind: string, n: number): string => `00000000-0000-4000-8${kind}00-${n.toString(16).padStart(12, '0')}`;

describe('what a kitchen learns of itself', () => {
  let server: TestServer;
  let now = NOW;
  let made = 0;

  beforeEach(async () => {
    now = NOW;
    made = 0;
    server = await startTestServer(() => now);
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    await server.send('POST', '/soups', { soup, basedOn: 0, note: 'first' });
  });

  afterEach(() => {
    server.close();
  });

  const learned = async (): Promise<LearnedAnswer> => (await server.send('GET', '/learned')).body as LearnedAnswer;
  const kit = async (): Promise<Kit> => ((await server.send('GET', '/kitchen')).body as { kit: Kit }).kit;

  /** Cooks a batch to its end in a kitchen that keeps its truth to itself; a slip leaves the pot on the scale. */
  async function cooked(hidden: HiddenKitchen, isWrong = false): Promise<string> {
    made += 1;
    now += DAY_MS;
    const [planId, batchId] = [id('1', made), id('2', made)];
    await server.send('POST', '/plans', {
      id: planId,
      soupId: soup.id,
      version: 1,
      request: { bowls: 40, bowlG: 300, potId: 'stockpot-20' },
    });
    await server.send('POST', '/batches', { id: batchId, planId });
    const { snapshot } = (await server.send('GET', `/plans/${planId}`)).body as { snapshot: Snapshot };
    const cook = cookedBy(rerun(snapshot), hidden, made, WITH_METERS, (action) =>
      isWrong && action.kind === 'weighed' ? { ...action, tareKg: 0 } : action,
    );
    const entries = [...cook.entries].map((entry, n): Entry => ({
      ...entry,
      id: id('3', made * 1000 + n),
      atMs: now + n * 60_000,
    }));
    const last = entries.at(-1)!;
    const counter = last.stamp.counter + 1;
    const closing: Entry = {
      ...last,
      id: id('4', made),
      stamp: { ...last.stamp, counter, seq: counter },
      action: { kind: 'closed' },
    };
    const sent = await server.send('POST', `/batches/${batchId}/entries`, { entries: [...entries, closing] });
    expect(sent.status).toBe(200);
    return batchId;
  }

  it('closing a batch teaches it, plans go by it and say so, and the kit that is kept stays as it was given', async () => {
    expect(await learned()).toEqual(jasmine.objectContaining({ figures: [], batches: [] }));
    const hidden = new HiddenKitchen(3);
    for (let n = 0; n < 3; n++) await cooked(hidden);
    const { figures, batches } = await learned();
    expect(batches.length).toBe(3);
    expect(batches.every(({ counts, soupName }) => counts && soupName === soup.name)).toBeTrue();
    const body = figures.find(({ key }) => key === `bodyA@soup:${soup.id}`)!;
    expect(body.batches).toBe(3);
    const truth = hidden.of(`thickness of ${soup.id}`, 0.346);
    expect(Math.abs(body.by - truth)).toBeLessThan(Math.abs(truth));
    expect((await kit()).learned?.figures).toEqual(figures as never);
    await server.send('POST', '/plans', {
      id: id('9', 1),
      soupId: soup.id,
      version: 1,
      request: { bowls: 40, bowlG: 300, potId: 'stockpot-20' },
    });
    const { snapshot } = (await server.send('GET', `/plans/${id('9', 1)}`)).body as { snapshot: Snapshot };
    expect(snapshot.kit.learned?.figures).toEqual(figures as never);
    // Saved as it was read, with what was learnt in it: that is no part of what is kept.
    await server.send('PUT', '/kitchen', { kit: await kit() });
    const [row] = await server.database.db.select().from(kitchens);
    expect(row!.kit.learned).toBeUndefined();
    expect((await kit()).learned?.figures).toEqual(figures as never);
  });

  it('one that is unlike the others waits for the cook’s word, and only then counts', async () => {
    const hidden = new HiddenKitchen(3);
    for (let n = 0; n < 3; n++) await cooked(hidden);
    const before = (await learned()).figures;
    const wrong = await cooked(hidden, true);
    const { batches, figures } = await learned();
    expect(batches.filter(({ waits }) => waits).map(({ batchId }) => batchId)).toEqual([wrong]);
    expect(figures).toEqual(before);
    expect((await server.send('PUT', `/learned/batches/${wrong}`, { counts: true })).status).toBe(200);
    expect((await learned()).figures).not.toEqual(before);
    expect((await learned()).batches.find(({ batchId }) => batchId === wrong)).toEqual(
      jasmine.objectContaining({ waits: false, counts: true }),
    );
    await server.send('PUT', `/learned/batches/${wrong}`, { counts: false });
    expect((await learned()).figures).toEqual(before);
    await server.send('PUT', `/learned/batches/${wrong}`, { counts: null });
    expect((await learned()).batches.find(({ batchId }) => batchId === wrong)!.waits).toBeTrue();
  });

  it('a figure is held, learnt anew, and free again, as the cook says', async () => {
    const hidden = new HiddenKitchen(3);
    for (let n = 0; n < 2; n++) await cooked(hidden);
    const key = `bodyA@soup:${soup.id}`;
    const of = async () => (await learned()).figures.find((figure) => figure.key === key);
    const before = await of();
    expect((await server.send('PUT', '/learned/figures', { key, holds: 0.25 })).status).toBe(200);
    expect((await of())!.by).toBeCloseTo(0.25, 4);
    await server.send('PUT', '/learned/figures', { key, sinceMs: now + 10 * DAY_MS });
    expect((await of())!.batches).toBe(0);
    expect((await of())!.by).toBeCloseTo(0, 6);
    await server.send('PUT', '/learned/figures', { key });
    expect(await of()).toEqual(before);
    expect((await server.send('PUT', '/learned/figures', { key, holds: 0.2, sinceMs: 5 })).status).toBe(400);
    expect((await server.send('PUT', '/learned/figures', { key: 'nothing', holds: 0.2 })).status).toBe(404);
    expect((await server.send('PUT', '/learned/figures', { key, holds: 99 })).status).toBe(400);
    expect((await server.send('PUT', `/learned/batches/${id('7', 1)}`, { counts: true })).status).toBe(404);
  });

  it('what batches teach is made anew from plans and entries, and is gone while a batch is open again', async () => {
    const hidden = new HiddenKitchen(3);
    const first = await cooked(hidden);
    await cooked(hidden);
    const before = await learned();
    await server.database.db.delete(batchEvidence);
    await rebuildProjections(server.database);
    expect(await learned()).toEqual(before);
    const { entries } = (await server.send('GET', `/batches/${first}`)).body as { entries: StoredEntry[] };
    const closing = { ...entries.find(({ action }) => action.kind === 'closed')!, arrival: undefined };
    const counter = closing.stamp.counter + 1;
    const opening: Entry = {
      ...closing,
      id: id('5', 1),
      stamp: { ...closing.stamp, counter, seq: counter },
      action: { kind: 'undone', target: closing.id },
    };
    expect((await server.send('POST', `/batches/${first}/entries`, { entries: [opening] })).status).toBe(200);
    expect((await learned()).batches.map(({ batchId }) => batchId)).not.toContain(first);
  });

  it('what was worked out is kept for the next start, until something changes that it was worked out from', async () => {
    const hidden = new HiddenKitchen(3);
    const first = await cooked(hidden);
    await cooked(hidden);
    const before = await learned();
    const { database } = server;
    /** As at a start: nothing of it in memory, and nothing of what is kept still to be written. */
    const atStart = async (): Promise<LearnedAnswer> => {
      await database.write(() => Promise.resolve());
      return readLearned({ ...database });
    };
    expect(await atStart()).toEqual(before);
    const [row] = await database.db.select().from(learnedStates);
    await database.db.update(learnedStates).set({ state: { ...row!.state, batches: [] } });
    expect((await atStart()).batches).toEqual([]);
    await database.db.update(learnedStates).set({ state: { ...row!.state, coreVersion: 'another', batches: [] } });
    expect(await atStart()).toEqual(before);
    await database.db.update(learnedStates).set({ state: { ...row!.state, batches: 7 as never } });
    expect(await atStart()).toEqual(before);
    expect((await atStart()).batches.length).toBe(2);
    await server.send('PUT', `/learned/batches/${first}`, { counts: false });
    expect((await atStart()).batches.find(({ batchId }) => batchId === first)!.counts).toBeFalse();
    await cooked(hidden);
    expect((await atStart()).batches.length).toBe(3);
  });

  it('the list of batches goes on from where it says that it does', async () => {
    const body = (await server.send('GET', '/batches')).body as Record<string, unknown>;
    expect(body.next).toBeNull();
    expect('more' in body).toBeFalse();
  });
});
