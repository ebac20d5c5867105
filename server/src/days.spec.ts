import { startTestServer, type TestServer } from '../spec/test-server.js';

const DAY = {
  date: '2026-12-04',
  starts: '07:00',
  ends: '15:00',
  people: [{ id: 'jt', name: 'JT' }],
  batches: [{ id: 'noon', soupId: 'parsnip-butter', request: { bowls: 40, bowlG: 300 }, at: '12:00' }],
};

describe('days of the board', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => Date.UTC(2026, 11, 1, 9));
  });

  afterEach(() => {
    server.close();
  });

  const put = (day: unknown, seenMs: number | null = null) => server.send('PUT', '/days/2026-12-04', { day, seenMs });
  const kept = async () => (await server.send('GET', '/days/2026-12-04')).body as { day: unknown; changedAtMs: number | null };

  it('are empty until one is kept, and are there again afterwards, in the list too', async () => {
    expect(await kept()).toEqual({ day: null, changedAtMs: null });
    expect((await put(DAY)).status).toBe(200);
    expect((await kept()).day).toEqual(DAY);
    expect((await server.send('GET', '/days?from=2026-12-01')).body).toEqual({ days: [{ date: DAY.date, soups: 1, bowls: 40 }] });
    expect((await server.send('GET', '/days?from=2026-12-05')).body).toEqual({ days: [] });
  });

  it('are listed with their weather where it was written down', async () => {
    await put({ ...DAY, weather: 'wet' });
    expect((await server.send('GET', '/days?from=2026-12-01')).body).toEqual({
      days: [{ date: DAY.date, soups: 1, bowls: 40, weather: 'wet' }],
    });
  });

  it('are listed with the bowls that they bring back from the cold, but for those of a batch that was started', async () => {
    const [batch] = DAY.batches;
    const back = { ...batch, request: { ...batch!.request, broughtBack: 12 } };
    const begun = { ...back, id: 'begun', batchId: '00000000-0000-4000-8000-000000000001' };
    await put({ ...DAY, batches: [back, begun] });
    const { days } = (await server.send('GET', '/days?from=2026-12-01')).body as { days: readonly { broughtBack?: unknown }[] };
    expect(days[0]?.broughtBack).toEqual([{ soupId: batch!.soupId, bowls: 12, bowlG: batch!.request.bowlG }]);
  });

  it('of two that change one at once the second is told, and nothing is overwritten', async () => {
    await put(DAY);
    const { changedAtMs } = await kept();
    const mine = { ...DAY, starts: '06:30' };
    const theirs = { ...DAY, starts: '06:00' };
    expect((await put(mine, changedAtMs)).status).toBe(200);
    const refused = await put(theirs, changedAtMs);
    expect(refused.status).toBe(409);
    expect((refused.body as { error: { code: string } }).error.code).toBe('DAY_CHANGED_SINCE');
    expect((await kept()).day).toEqual(mine);
    // Sent twice it is the same change.
    expect((await put(mine, changedAtMs)).status).toBe(200);
  });

  it('refuse what is no day, and say where', async () => {
    const field = async (day: unknown, path = '/days/2026-12-04') => {
      const { status, body } = await server.send('PUT', path, { day, seenMs: null });
      return { status, field: (body as { error?: { field?: string } }).error?.field };
    };
    expect(await field({ ...DAY, starts: '25:00' })).toEqual({ status: 400, field: 'day.starts' });
    expect(await field({ ...DAY, ends: '06:00' })).toEqual({ status: 400, field: 'day.ends' });
    expect(await field({ ...DAY, batches: [...DAY.batches, ...DAY.batches] })).toEqual({ status: 400, field: 'day.batches' });
    expect(await field({ ...DAY, date: '2026-12-05' })).toEqual({ status: 400, field: 'day.date' });
    expect((await server.send('GET', '/days/soon')).status).toBe(400);
    expect((await server.send('GET', '/days?from=soon')).status).toBe(400);
    expect((await kept()).day).toBeNull();
  });
});
