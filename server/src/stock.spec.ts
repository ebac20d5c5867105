import { ENTRY_SHAPE, type Action } from '@tureen/core/batch';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { makePlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { STOCK_SHAPE, contentsOf, type StockAction, type StockEntry } from '@tureen/core/stock';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import type { ColdAnswer } from './cold.js';
import type { Change } from './hub.js';
import { rebuildStock, type KnownContainer, type StockAppended } from './stock.js';

const NOW = Date.UTC(2026, 2, 2, 14, 0);
const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'parsnip-butter')!;
const fridge = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
const freezer = { id: 'freezer', name: 'Freezer', kind: 'freezer' } as const;

function contents() {
  const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
  if (!planning.ok) throw new Error(planning.error.code);
  return contentsOf(planning.plan, 1)!;
}
const held = contents();

describe('the stock on the server', () => {
  let server: TestServer;
  let n = 0;

  const uuid = (): string => {
    n += 1;
    return `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;
  };

  function entry(action: StockAction, device = 'tablet-a'): StockEntry {
    const id = uuid();
    return {
      of: 'stock',
      id,
      shape: STOCK_SHAPE,
      stamp: { counter: n, device, seq: n },
      atMs: NOW + n * 1000,
      who: 'AB',
      action,
    };
  }

  const fill = (container: string, kg: number, from?: { batchId: string; entryId?: string }): StockEntry =>
    entry({
      kind: 'filled',
      container,
      kg,
      vessel: 'tub',
      madeMs: NOW,
      store: fridge,
      contents: held,
      ...(from === undefined ? {} : { from }),
    });

  async function enter(...entries: StockEntry[]): Promise<StockAppended> {
    const { status, body } = await server.send('POST', '/cold/entries', { entries });
    expect(status).withContext(JSON.stringify(body)).toBe(200);
    return body as StockAppended;
  }

  const cold = async (): Promise<ColdAnswer> => (await server.send('GET', '/cold')).body as ColdAnswer;
  const known = async (id: string): Promise<KnownContainer> => (await server.send('GET', `/cold/${id}`)).body as KnownContainer;

  beforeEach(async () => {
    n = 0;
    server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { kit: { ...READY_KITS.canteen, zone: 'Etc/UTC' } });
  });

  afterEach(() => {
    server.close();
  });

  it('keeps containers, lists them soonest day first with their contents, and knows each entry once', async () => {
    const [a, b] = [uuid(), uuid()];
    const told: Change[] = [];
    server.hub.listen((change) => told.push(change));
    const entries = [fill(a, 5), entry({ kind: 'moved', container: a, store: freezer }), fill(b, 2)];
    expect(await enter(...entries)).toEqual({ kept: 3, known: 0, notices: [] });
    expect(await enter(...entries)).toEqual({ kept: 0, known: 3, notices: [] });
    expect(told).toEqual([{ kind: 'cold' }]);
    const list = await cold();
    expect(list.containers.map(({ id, kg, state, useBy }) => [id, kg, state, useBy.day])).toEqual([
      [b, 2, 'chilled', '2026-03-08'],
      [a, 5, 'frozen', '2026-05-31'],
    ]);
    expect(list.contents.length).toBe(1);
    expect(list.contents[0]!.row.allergens).toContain('milk');
    expect([...list.recent].sort()).toEqual(entries.map(({ id }) => id).sort());
    expect((await known(a)).entries.map(({ action }) => action.kind)).toEqual(['filled', 'moved']);
  });

  it('two tablets take the last bowls at once: the record has both, the second is told what was not there', async () => {
    const a = uuid();
    await enter(fill(a, 1));
    const take = (device: string): StockEntry => entry({ kind: 'took', container: a, kg: 0.9, as: 'bowls' }, device);
    const [one, two] = await Promise.all([enter(take('tablet-a')), enter(take('tablet-b'))]);
    const notices = [...one.notices, ...two.notices];
    expect(notices.map(({ kind }) => kind)).toEqual(['more than was there']);
    expect(notices[0]!.kg).toBeCloseTo(0.8, 6);
    expect((await cold()).containers).toEqual([]);
    const all = await known(a);
    expect(all.container.kg).toBe(0);
    expect(all.container.outKg.bowls).toBeCloseTo(1, 9);
    expect(all.entries.length).toBe(3);
  });

  it('what a split or a join tied is folded together, whichever container is touched next', async () => {
    const [a, b, c] = [uuid(), uuid(), uuid()];
    await enter(fill(a, 6));
    await enter(entry({ kind: 'split', container: a, into: b, vessel: 'pan', kg: 2 }));
    await enter(fill(c, 1), entry({ kind: 'joined', container: b, other: c, kg: 1 }));
    await enter(entry({ kind: 'took', container: b, kg: 0.5, as: 'staff' }));
    const list = new Map((await cold()).containers.map((one) => [one.id, one.kg]));
    expect(list.get(a)).toBeCloseTo(4, 9);
    expect(list.get(b)).toBeCloseTo(2.5, 9);
    expect(list.has(c)).toBe(false);
  });

  it('a filling that is taken back is gone, and the leftover is there again to be filled from', async () => {
    await server.send('POST', '/soups', { soup, basedOn: 0, note: '' });
    const [planId, batchId, a] = [uuid(), uuid(), uuid()];
    await server.send('POST', '/plans', {
      id: planId,
      soupId: soup.id,
      version: 1,
      request: { bowls: 40, bowlG: 300, potId: 'boiler-40' },
    });
    await server.send('POST', '/batches', { id: batchId, planId });
    const action: Action = { kind: 'stored', kg: 6 };
    const stored = {
      id: uuid(),
      shape: ENTRY_SHAPE,
      stamp: { counter: 1, device: 'tablet-a', seq: 1 },
      atMs: NOW,
      who: 'AB',
      action,
    };
    await server.send('POST', `/batches/${batchId}/entries`, { entries: [stored] });
    const filled = fill(a, 4, { batchId, entryId: stored.id });
    await enter(filled, entry({ kind: 'split', container: a, into: uuid(), vessel: 'pan', kg: 1 }));
    expect((await cold()).stored).toEqual([jasmine.objectContaining({ entryId: stored.id, kg: 6, filledKg: 4 })]);
    await enter(entry({ kind: 'undone', container: a, target: filled.id }));
    const after = await cold();
    expect(after.stored[0]!.filledKg).toBe(0);
    expect(after.containers).toEqual([]);
    expect((await server.send('GET', `/cold/${a}`)).status).toBe(404);
  });

  it('a change of how the kitchen keeps soup holds for what is there already, and all can be made anew', async () => {
    const a = uuid();
    await enter(
      entry({ kind: 'filled', container: a, kg: 3, vessel: 'tub', madeMs: NOW, store: fridge, contents: { ...held, holds: [] } }),
    );
    expect((await cold()).containers[0]!.useBy.day).toBe('2026-03-08');
    await server.send('PUT', '/kitchen', { kit: { ...READY_KITS.canteen, zone: 'Etc/UTC', keeps: 'home' } });
    expect((await cold()).containers[0]!.useBy.day).toBe('2026-03-05');
    const before = await cold();
    expect(await rebuildStock(server.database)).toEqual({ containers: 1 });
    expect(await cold()).toEqual(before);
  });

  it('names what is wrong with an entry and keeps none of its request', async () => {
    const a = uuid();
    const hot = entry({ kind: 'reheated', container: a, kg: 1, toC: 300, minutes: 5 });
    const { status, body } = await server.send('POST', '/cold/entries', { entries: [fill(a, 1), hot] });
    expect(status).toBe(400);
    expect(JSON.stringify(body)).toContain('entries.1.action.toC');
    expect((await cold()).containers).toEqual([]);
    const stranger = await server.send('GET', `/cold/${uuid()}`);
    expect(stranger.status).toBe(404);
    expect(JSON.stringify(stranger.body)).toContain('another kitchen');
  });

  it('a counter at its end is refused: nothing could come after it; a day’s work ahead is not', async () => {
    const a = uuid();
    const last = fill(a, 1);
    const { status, body } = await server.send('POST', '/cold/entries', {
      entries: [{ ...last, stamp: { ...last.stamp, counter: 2 ** 50 } }],
    });
    expect(status).toBe(400);
    expect(JSON.stringify(body)).toContain('entries.0.stamp.counter');
    await enter({ ...last, stamp: { ...last.stamp, counter: 900_000 } });
    expect((await cold()).counter).toBe(900_000);
  });

  it('a day away comes in one request, in whatever order, and folds as if it had come one by one', async () => {
    const ids = Array.from({ length: 40 }, uuid);
    const filled = ids.map((id) => fill(id, 2));
    const rest = ids.flatMap((id, at) => [
      entry({ kind: 'took', container: id, kg: 0.3, as: 'bowls' }),
      entry({
        kind: 'split',
        container: id,
        into: `11111111-0000-4000-9000-${at.toString(16).padStart(12, '0')}`,
        vessel: 'pan',
        kg: 0.7,
      }),
    ]);
    await enter(...rest.toReversed());
    await enter(...filled);
    const list = (await cold()).containers;
    expect(list.length).toBe(80);
    expect(list.filter(({ kg }) => Math.abs(kg - 1) < 1e-9).length).toBe(40);
    expect(list.filter(({ kg }) => Math.abs(kg - 0.7) < 1e-9).length).toBe(40);
  });
});
