import { createHash } from 'node:crypto';
import { LARDER_ROWS, type IngredientRow } from '@tureen/core/larder';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { startTestServer, type Answered, type TestServer } from '../spec/test-server.js';
import type { IngredientHistory, StoredLarder } from './larder.js';
import type { StoredPlan, PlanSummary } from './plans.js';
import type { OnShelf } from './shelf.js';
import type { StoredSoup } from './soups.js';

const DAY_MS = 86_400_000;
const START = Date.UTC(2031, 2, 10, 9);
const leek = EXAMPLE_SOUPS.find(({ id }) => id === 'celeriac-leek-apple')!;
const carrot = LARDER_ROWS.find(({ id }) => id === 'carrot')!;
const ids = { plan: '00000000-0000-4000-9000-0000000000a1', batch: '00000000-0000-4000-9000-0000000000b1' };
const request = { bowls: 40, bowlG: 300, potId: 'boiler-40' };

describe('shelf, plans and larder', () => {
  let server: TestServer;
  let nowMs = START;
  const send = (method: string, path: string, body?: unknown): Promise<Answered> => server.send(method, path, body);
  const codeOf = ({ body }: Answered): unknown => (body as { error?: { code?: unknown } }).error?.code;

  beforeEach(async () => {
    nowMs = START;
    server = await startTestServer(() => nowMs);
    await send('PUT', '/kitchen', { ready: 'canteen' });
    await send('POST', '/soups', { soup: leek, basedOn: 0, note: 'first' });
  });

  afterEach(() => {
    server.close();
  });

  const soups = async (): Promise<StoredSoup[]> => ((await send('GET', '/soups')).body as { soups: StoredSoup[] }).soups;
  const plans = async (): Promise<PlanSummary[]> => ((await send('GET', '/plans')).body as { plans: PlanSummary[] }).plans;
  const plan = async (): Promise<StoredPlan> => (await send('GET', `/plans/${ids.plan}`)).body as StoredPlan;
  const larder = async (): Promise<StoredLarder> => (await send('GET', '/larder')).body as StoredLarder;
  const history = async (): Promise<IngredientHistory> => (await send('GET', '/larder/carrot')).body as IngredientHistory;
  const rowNow = async (id: string): Promise<IngredientRow | undefined> => (await larder()).rows.find((row) => row.id === id);

  it('tags a soup, retires it and brings it back, through every version', async () => {
    await send('PUT', `/soups/${leek.id}/shelf`, { tags: [' winter ', 'winter', 'noon', ''], retired: true });
    expect((await soups())[0]).toEqual(jasmine.objectContaining({ tags: ['winter', 'noon'], retired: true, version: 1 }));
    await send('POST', '/soups', { soup: { ...leek, note: 'paler' }, basedOn: 1, note: 'paler' });
    expect((await soups())[0]).toEqual(jasmine.objectContaining({ tags: ['winter', 'noon'], retired: true, version: 2 }));
    await send('PUT', `/soups/${leek.id}/shelf`, { tags: [], retired: false });
    expect((await soups())[0]).toEqual(jasmine.objectContaining({ tags: [], retired: false }));
    expect(codeOf(await send('PUT', '/soups/none/shelf', { tags: [], retired: true }))).toBe('NO_SUCH_SOUP');
  });

  it('lists the shelf without steps and amounts, and some soups whole by their ids', async () => {
    const beet = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
    await send('POST', '/soups', { soup: beet, basedOn: 0, note: 'first' });
    const shelf = ((await send('GET', '/shelf')).body as { soups: OnShelf[] }).soups;
    expect(shelf.map(({ id }) => id)).toEqual((await soups()).map(({ soup }) => soup.id));
    const own = shelf.find(({ id }) => id === beet.id)!;
    expect(own).toEqual(jasmine.objectContaining({ name: beet.name, school: 'roast', bowlG: beet.writtenFor.bowlG, version: 1 }));
    expect(own.ingredients).toEqual(beet.lines.map(({ ingredient }) => ingredient));
    expect(Object.keys(own)).not.toContain('root');
    const some = ((await send('GET', `/soups?ids=${leek.id},none`)).body as { soups: StoredSoup[] }).soups;
    expect(some.map(({ soup }) => soup)).toEqual([leek]);
    expect(codeOf(await send('GET', `/soups?ids=${'x,'.repeat(201)}x`))).toBe('NO_SUCH_SOUP');
  });

  it('keeps a photo once, under what it is made of, and serves it as what it is', async () => {
    const post = (bytes: Uint8Array<ArrayBuffer>): Promise<Response> =>
      Promise.resolve(server.app.request('http://localhost/api/photos', { method: 'POST', body: bytes }));
    const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]);
    const first = (await (await post(png)).json()) as { id: string };
    const second = (await (await post(png)).json()) as { id: string };
    expect(first.id).toBe(createHash('sha256').update(png).digest('hex'));
    expect(second.id).toBe(first.id);
    const answer = await server.app.request(`http://localhost/api/photos/${first.id}`);
    expect(answer.headers.get('content-type')).toBe('image/png');
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    expect(new Uint8Array(await answer.arrayBuffer())).toEqual(png);
    const page = await post(new Uint8Array(new TextEncoder().encode('<script>alert(1)</script>')));
    expect(page.status).toBe(415);
    expect(codeOf({ status: 415, body: await page.json() })).toBe('NO_PHOTO');
    expect((await post(new Uint8Array(1_100_000).fill(0xff))).status).toBe(413);
    expect(codeOf(await send('GET', `/photos/${'0'.repeat(64)}`))).toBe('NO_SUCH_PHOTO');
  });

  it('lists the versions of a soup, newest first, with their notes', async () => {
    await send('POST', '/soups', { soup: { ...leek, note: 'paler' }, basedOn: 1, note: 'paler' });
    const { versions } = (await send('GET', `/soups/${leek.id}/versions`)).body as {
      versions: { version: number; note: string }[];
    };
    expect(versions.map(({ version, note }) => [version, note])).toEqual([
      [2, 'paler'],
      [1, 'first'],
    ]);
    expect(codeOf(await send('GET', '/soups/none/versions'))).toBe('NO_SUCH_SOUP');
  });

  it('a plan can be changed until its batch starts, and keeps its ticks then too', async () => {
    await send('POST', '/plans', { id: ids.plan, soupId: leek.id, version: 1, request });
    await send('PUT', `/plans/${ids.plan}/note`, { ticks: ['leek'], bowlPrice: 4.5 });
    const changed = await send('PUT', `/plans/${ids.plan}`, { version: 1, request: { ...request, bowls: 60 } });
    expect(changed.status).toBe(200);
    expect((await plan()).figures.bowls).toBeCloseTo(60.15, 1);
    expect(await plan()).toEqual(jasmine.objectContaining({ ticks: ['leek'], bowlPrice: 4.5 }));
    expect((await plans())[0]?.batchId).toBeNull();
    await send('POST', '/batches', { id: ids.batch, planId: ids.plan });
    expect(codeOf(await send('PUT', `/plans/${ids.plan}`, { version: 1, request }))).toBe('PLAN_STARTED');
    expect(codeOf(await send('DELETE', `/plans/${ids.plan}`))).toBe('PLAN_STARTED');
    expect((await plan()).figures.bowls).toBeCloseTo(60.15, 1);
    expect((await send('PUT', `/plans/${ids.plan}/note`, { ticks: ['leek', 'apple'], bowlPrice: null })).status).toBe(200);
    expect((await plans())[0]).toEqual(
      jasmine.objectContaining({ batchId: ids.batch, soupName: leek.name, ticks: ['leek', 'apple'] }),
    );
  });

  it('a newer version of its soup does not change a plan, unless it is asked for', async () => {
    await send('POST', '/plans', { id: ids.plan, soupId: leek.id, version: 1, request });
    const before = await plan();
    await send('POST', '/soups', { soup: { ...leek, methodChoices: { sieve: true } }, basedOn: 1, note: 'sieved' });
    expect(await plan()).toEqual(before);
    await send('PUT', `/plans/${ids.plan}`, { version: 2, request });
    expect((await plan()).version).toBe(2);
    expect((await send('DELETE', `/plans/${ids.plan}`)).status).toBe(200);
    expect(await plans()).toEqual([]);
    expect(codeOf(await send('DELETE', `/plans/${ids.plan}`))).toBe('NO_SUCH_PLAN');
  });

  it('a correction counts, keeps the original beside it, and can be taken back', async () => {
    const sweeter = {
      ...carrot,
      composition: { ...carrot.composition, sugars: carrot.composition.sugars + 2, water: carrot.composition.water - 2 },
    };
    await send('PUT', '/larder/carrot', { row: sweeter, why: 'our own, weighed and dried' });
    expect((await rowNow('carrot'))?.composition.sugars).toBe(carrot.composition.sugars + 2);
    expect((await larder()).own).toEqual(['carrot']);
    const known = await history();
    expect(known.shipped).toEqual(carrot);
    expect(known.corrections.map(({ why }) => why)).toEqual(['our own, weighed and dried']);
    await send('PUT', '/larder/carrot', { row: null, why: 'back to what ships' });
    expect(await rowNow('carrot')).toEqual(carrot);
    expect((await larder()).own).toEqual([]);
    expect((await history()).corrections.length).toBe(2);
  });

  it('an ingredient of the kitchen’s own can be planned with', async () => {
    const own: IngredientRow = { ...carrot, id: 'purple-carrot', name: 'Purple carrot', varietyOf: 'carrot' };
    await send('PUT', '/larder/purple-carrot', { row: own, why: 'from the garden' });
    const soup = {
      ...leek,
      id: 'own',
      lines: leek.lines.map((line) => (line.id === 'celeriac' ? { ...line, ingredient: 'purple-carrot' } : line)),
    };
    expect((await send('POST', '/soups', { soup, basedOn: 0, note: '' })).status).toBe(201);
    await send('POST', '/plans', { id: ids.plan, soupId: 'own', version: 1, request });
    expect((await plan()).snapshot.rows.map(({ id }) => id)).toContain('purple-carrot');
  });

  it('figures that can’t be are named and refused', async () => {
    const off = { ...carrot, composition: { ...carrot.composition, water: 10 } };
    const refused = await send('PUT', '/larder/carrot', { row: off, why: 'a slip' });
    expect(refused.status).toBe(422);
    expect((refused.body as { error: { sentence: string } }).error.sentence).toMatch(/has to be 100 g.*Nothing was changed/);
    expect(codeOf(await send('PUT', '/larder/carrot', { row: { ...carrot, id: 'leek' }, why: 'x' }))).toBe('BAD_INPUT');
    expect(codeOf(await send('PUT', '/larder/carrot', { row: carrot, why: ' ' }))).toBe('BAD_INPUT');
    expect(codeOf(await send('GET', '/larder/moon-dust'))).toBe('NO_SUCH_INGREDIENT');
    expect(await rowNow('carrot')).toEqual(carrot);
  });

  it('prices go by their day: the newest that has come counts', async () => {
    await send('POST', '/prices', {
      source: 'market',
      prices: [
        { ingredient: 'carrot', pricePerKg: 1.1, day: '2031-03-01' },
        { ingredient: 'carrot', pricePerKg: 1.4, day: '2031-03-12' },
        { ingredient: 'leek', pricePerKg: 3 },
      ],
    });
    expect((await rowNow('carrot'))?.pricePerKg).toBe(1.1);
    expect((await rowNow('leek'))?.pricePerKg).toBe(3);
    nowMs = START + 3 * DAY_MS;
    expect((await rowNow('carrot'))?.pricePerKg).toBe(1.4);
    expect((await history()).prices.map(({ day, pricePerKg }) => [day, pricePerKg])).toEqual([
      ['2031-03-12', 1.4],
      ['2031-03-01', 1.1],
    ]);
  });

  it('a list of prices with a stranger in it is refused whole', async () => {
    const refused = await send('POST', '/prices', {
      source: 'market',
      prices: [
        { ingredient: 'carrot', pricePerKg: 9 },
        { ingredient: 'moon-dust', pricePerKg: 1 },
      ],
    });
    expect(codeOf(refused)).toBe('BAD_INPUT');
    expect((await rowNow('carrot'))?.pricePerKg).toBe(carrot.pricePerKg);
    for (const bad of [
      { ingredient: 'carrot', pricePerKg: -1 },
      { ingredient: 'carrot', pricePerKg: 1, day: 'soon' },
    ]) {
      expect(codeOf(await send('POST', '/prices', { source: 'm', prices: [bad] }))).toBe('BAD_INPUT');
    }
  });

  it('tells other screens of plans, the shelf and the larder', async () => {
    const told: string[] = [];
    server.hub.listen(({ kind }) => told.push(kind));
    await send('PUT', `/soups/${leek.id}/shelf`, { tags: ['a'], retired: false });
    await send('POST', '/prices', { source: 'm', prices: [{ ingredient: 'carrot', pricePerKg: 1 }] });
    await send('POST', '/plans', { id: ids.plan, soupId: leek.id, version: 1, request });
    expect(told).toEqual(['soup', 'larder', 'plan']);
  });
});
