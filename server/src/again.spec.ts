import { ENTRY_SHAPE, type Action, type Entry } from '@tureen/core/batch';
import { EXAMPLE_SOUPS, walk } from '@tureen/core/soup';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import type { AgainAnswer } from './again.js';

const START = Date.UTC(2031, 2, 10, 9);
const DAY_MS = 86_400_000;
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const simmer = walk(leek.root).find(({ step }) => step.op === 'simmer')!.step;
const idOf = (kind: string, n: number): string => `00000000-0000-4000-9000-${kind}${String(n).padStart(11, '0')}`;

describe('what is done to a soup again and again', () => {
  let server: TestServer;
  let nowMs = START;

  beforeEach(async () => {
    nowMs = START;
    server = await startTestServer(() => nowMs);
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    await server.send('POST', '/soups', { soup: leek, basedOn: 0, note: 'first' });
  });

  afterEach(() => {
    server.close();
  });

  /** A batch cooked by the newest plan of it, with so many minutes at the simmer, and closed. */
  async function cooked(n: number, minutes: number): Promise<string> {
    nowMs = START + n * DAY_MS;
    const batchId = idOf('b', n);
    const plan = { id: idOf('a', n), soupId: leek.id, version: 1, request: { bowls: 40, bowlG: 300, potId: 'boiler-40' } };
    await server.send('POST', '/plans', plan);
    await server.send('POST', '/batches', { id: batchId, planId: plan.id });
    const actions: Action[] = walk(leek.root).map(({ step }) => ({
      kind: 'done',
      stepId: step.id,
      ...(step.id === simmer.id ? { minutes } : {}),
    }));
    // Something is read, so that the batch has something to teach and can be left out.
    const read: Action = { kind: 'salt', stepId: 'dish', saltPct: 0.8 };
    const entries = [...actions, read, { kind: 'closed' } as const].map((action, k): Entry => ({
      id: idOf('c', n * 100 + k),
      shape: ENTRY_SHAPE,
      stamp: { counter: n * 100 + k, device: 'spec-tablet', seq: n * 100 + k },
      atMs: nowMs + k * 60_000,
      who: 'AB',
      action,
    }));
    nowMs += entries.length * 60_000;
    const { status } = await server.send('POST', `/batches/${batchId}/entries`, { entries });
    expect(status).toBeLessThan(300);
    return batchId;
  }

  const again = async (): Promise<AgainAnswer> => (await server.send('GET', `/soups/${leek.id}/again`)).body as AgainAnswer;

  it('three batches that simmered longer offer the minutes in their middle; one that is left out does not count', async () => {
    const ids = [await cooked(1, 41), await cooked(2, 44)];
    expect((await again()).again).toEqual([]);
    ids.unshift(await cooked(3, 47));
    const answer = await again();
    expect(answer.version).toBe(1);
    expect(answer.batchIds.toSorted()).toEqual(ids.toSorted());
    expect(answer.again.filter(({ item }) => item.what === 'minutes')).toEqual([
      { item: jasmine.objectContaining({ stepId: simmer.id, unit: 'min', is: 44 }), times: 3, of: 3 } as never,
    ]);
    await server.send('PUT', `/learned/batches/${ids[0] ?? ''}`, { counts: false });
    expect((await again()).again).toEqual([]);
  });

  it('a soup that is not there is named', async () => {
    expect(await server.send('GET', '/soups/none/again')).toEqual(
      jasmine.objectContaining({
        status: 404,
        body: jasmine.objectContaining({ error: jasmine.objectContaining({ code: 'NO_SUCH_SOUP' }) }),
      }),
    );
  });
});
