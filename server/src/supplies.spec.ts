import { startTestServer, type TestServer } from '../spec/test-server.js';

const ID = '3f0d3c1e-7d50-4c3e-9a52-2b8f6f4a0a01';
const OTHER = '3f0d3c1e-7d50-4c3e-9a52-2b8f6f4a0a02';
const NOW = Date.UTC(2026, 11, 1, 9);

describe('what is in the store', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => NOW);
  });

  afterEach(() => {
    server.close();
  });

  const entry = (id: string, action: unknown, ingredient = 'carrot') => ({ id, ingredient, action, atMs: NOW, who: 'MO' });
  const post = (...entries: unknown[]) => server.send('POST', '/supplies', { entries });
  const supplies = async () =>
    ((await server.send('GET', '/supplies')).body as { supplies: { ingredient: string; onHandKg: number }[] }).supplies;

  it('is what was entered; sent twice it counts once, and another under the same id is refused', async () => {
    expect(await supplies()).toEqual([]);
    expect((await post(entry(ID, { kind: 'bought', kg: 5 }))).status).toBe(200);
    expect((await post(entry(ID, { kind: 'bought', kg: 5 }))).status).toBe(200);
    expect((await supplies())[0]?.onHandKg).toBe(5);
    expect((await post(entry(ID, { kind: 'bought', kg: 6 }))).status).toBe(409);
    expect((await post(entry(OTHER, { kind: 'thrown', kg: 1, why: 'soft' }))).status).toBe(200);
    expect((await supplies())[0]?.onHandKg).toBe(4);
  });

  it('takes the price of what came into the larder', async () => {
    await post(entry(ID, { kind: 'bought', kg: 5, pricePerKg: 3.21 }));
    const { rows } = (await server.send('GET', '/larder')).body as { rows: { id: string; pricePerKg: number }[] };
    expect(rows.find(({ id }) => id === 'carrot')?.pricePerKg).toBe(3.21);
  });

  it('refuses what the larder does not know, and keeps nothing of it', async () => {
    const refused = await post(entry(ID, { kind: 'bought', kg: 5 }), entry(OTHER, { kind: 'bought', kg: 5 }, 'moon-dust'));
    expect(refused.status).toBe(404);
    expect(await supplies()).toEqual([]);
    expect((await server.send('PUT', '/supplies/buying', { ingredient: 'moon-dust', supplier: 'Quay Greens' })).status).toBe(404);
    expect((await post(entry(ID, { kind: 'bought', kg: -1 }))).status).toBe(400);
  });

  it('remembers from whom an ingredient comes and in what size', async () => {
    const buying = { ingredient: 'carrot', supplier: 'Quay Greens', packKg: 10, packName: 'sack' };
    expect((await server.send('PUT', '/supplies/buying', buying)).status).toBe(200);
    await server.send('PUT', '/supplies/buying', { ...buying, packKg: 12 });
    const { body } = await server.send('GET', '/supplies');
    expect((body as { buying: unknown[] }).buying).toEqual([{ ...buying, packKg: 12 }]);
  });
});
