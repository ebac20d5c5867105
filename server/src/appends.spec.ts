import { ENTRY_SHAPE, foldBatch, type Action, type Entry } from '@tureen/core/batch';
import { drawsFrom } from '@tureen/core/odds';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import { appendEntries, readBatch, startBatch } from './batches.js';

const NOW = 1_790_000_000_000;
const PLAN = '00000000-0000-4000-8000-0000000000a1';
const BATCHES = ['00000000-0000-4000-8000-0000000000b1', '00000000-0000-4000-8000-0000000000b2'] as const;
const soup = EXAMPLE_SOUPS[0]!;

function idOf(n: number): string {
  return `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;
}

function entry(n: number, action: Action = { kind: 'note', text: `note ${String(n)}`, stepId: soup.root.steps[0]!.id }): Entry {
  return { id: idOf(n), shape: ENTRY_SHAPE, stamp: { counter: n, device: 'spec-tablet', seq: n }, atMs: NOW + n, who: '', action };
}

describe('entries that go to the disk together', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    await server.send('POST', '/soups', { soup, basedOn: 0, note: 'first' });
    await server.send('POST', '/plans', {
      id: PLAN,
      soupId: soup.id,
      version: 1,
      request: { bowls: 80, bowlG: 300, potId: 'boiler-40' },
    });
    for (const id of BATCHES) await startBatch(server.database, id, PLAN, NOW);
  });

  afterEach(() => {
    server.close();
  });

  const append = (batchId: string, list: readonly Entry[]) => appendEntries(server.database, batchId, list, NOW);
  const keptOf = async (batchId: string): Promise<string[]> =>
    ((await readBatch(server.database, batchId))?.entries ?? []).map(({ id }) => id);

  it('give every request the answer it would have had alone, known ones, repeats and unknown lines among them', async () => {
    const draws = drawsFrom(11);
    const pick = (below: number): number => Math.floor(Math.abs(draws.normal()) * 1e6) % below;
    const home = new Map<string, string>();
    const expected = new Map<string, string[]>(BATCHES.map((id) => [id, []]));
    const wanted: string[] = [];
    const asked: Promise<string>[] = [];
    for (let n = 0; n < 300; n++) {
      const batchId = pick(20) === 0 ? idOf(1) : (BATCHES[pick(2)] ?? BATCHES[0]);
      // Ids come from a range that grows more slowly than they are used, so that some come twice, here or at the other batch.
      const list = Array.from({ length: 1 + pick(3) }, () => entry(1 + pick(30 + n * 3)));
      const own = expected.get(batchId);
      if (own === undefined) wanted.push('NO_SUCH_BATCH');
      else if (list.some(({ id }) => home.has(id) && home.get(id) !== batchId)) wanted.push('ID_TAKEN');
      else {
        const fresh = [...new Set(list.map(({ id }) => id))].filter((id) => !home.has(id));
        for (const id of fresh) home.set(id, batchId);
        own.push(...fresh);
        wanted.push(`${String(fresh.length)} kept, ${String(list.length - fresh.length)} known`);
      }
      asked.push(
        append(batchId, list).then((result) =>
          result.ok ? `${String(result.value.kept.length)} kept, ${String(result.value.known)} known` : result.failure.code,
        ),
      );
      if (pick(4) === 0) await Promise.all(asked);
    }
    expect(await Promise.all(asked)).toEqual(wanted);
    expect(wanted).toContain('ID_TAKEN');
    expect(wanted).toContain('NO_SUCH_BATCH');
    for (const id of BATCHES) expect(await keptOf(id)).toEqual(expected.get(id) ?? []);
  });

  it('late is what comes after the close, in the same write and in every later one, until the close is taken back', async () => {
    const [batchId] = BATCHES;
    const lateIn = async (list: readonly Entry[]): Promise<boolean[]> => {
      const result = await append(batchId, list);
      return result.ok ? result.value.kept.map(({ id }) => result.value.late.includes(id)) : [];
    };
    expect(await lateIn([entry(1)])).toEqual([false]);
    const [closing, after] = await Promise.all([lateIn([entry(2), entry(3, { kind: 'closed' })]), lateIn([entry(4)])]);
    expect([closing, after]).toEqual([[false, false], [true]]);
    expect(await lateIn([entry(5), entry(50, { kind: 'note', text: 'said of the batch, at no step' })])).toEqual([true, false]);
    await append(batchId, [entry(6, { kind: 'undone', target: idOf(3) })]);
    expect(await lateIn([entry(7)])).toEqual([false]);
  });

  it('are told as fewer of the same where there are very many, and anew once another one is there', async () => {
    const [id] = BATCHES;
    const cover = soup.root.steps.find(({ op }) => op === 'cover')!.id;
    const ladle: Action = { kind: 'poured', stepId: cover, line: soup.lines.at(-1)!.id, vessel: 'Ladle', volumeM3: 0.0003 };
    for (let from = 0; from < 1500; from += 500) {
      await append(
        id,
        Array.from({ length: 500 }, (_, n) => entry(from + n + 1, ladle)),
      );
    }
    const whole = await readBatch(server.database, id);
    const short = await readBatch(server.database, id, true);
    expect(whole?.entries.length).toBe(1500);
    expect(whole?.short).toBeUndefined();
    expect(short?.short?.total).toBe(1500);
    expect(short?.entries.length).toBeLessThan(250);
    expect(foldBatch(short!.snapshot, short!.entries).massKg).toBeCloseTo(foldBatch(whole!.snapshot, whole!.entries).massKg, 9);
    await append(id, [entry(1501, { kind: 'undone', target: idOf(7) })]);
    const after = await readBatch(server.database, id, true);
    expect(after?.short?.total).toBe(1501);
    expect(foldBatch(after!.snapshot, after!.entries).massKg).toBeLessThan(foldBatch(short!.snapshot, short!.entries).massKg);
    expect((await server.send('GET', `/batches/${id}?entries=some`)).status).toBe(400);
  });
});
