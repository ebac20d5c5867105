import { startTestServer, type TestServer } from '../spec/test-server.js';

const FRIDAY = [{ soupId: 'parsnip-butter', bowls: 40, bowlG: 300, at: '12:00', keeps: false }];
const CYCLE = { startsOn: '2026-11-30', weeks: [{ days: [[], [], [], [], FRIDAY, [], []] }] };

describe('the menu of weeks', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => Date.UTC(2026, 11, 1, 9));
  });

  afterEach(() => {
    server.close();
  });

  const put = (cycle: unknown, seenMs: number | null = null) => server.send('PUT', '/menu', { cycle, seenMs });
  const kept = async () => (await server.send('GET', '/menu')).body as { cycle: unknown; changedAtMs: number | null };

  it('is none until one is written, and is there again afterwards', async () => {
    expect(await kept()).toEqual({ cycle: null, changedAtMs: null });
    expect((await put(CYCLE)).status).toBe(200);
    expect((await kept()).cycle).toEqual(CYCLE);
  });

  it('of two that change it at once the second is told, and nothing is overwritten', async () => {
    await put(CYCLE);
    const { changedAtMs } = await kept();
    const mine = { ...CYCLE, weeks: [...CYCLE.weeks, ...CYCLE.weeks] };
    const theirs = { ...CYCLE, startsOn: '2026-12-07' };
    expect((await put(mine, changedAtMs)).status).toBe(200);
    const refused = await put(theirs, changedAtMs);
    expect(refused.status).toBe(409);
    expect((refused.body as { error: { code: string } }).error.code).toBe('MENU_CHANGED_SINCE');
    expect((await kept()).cycle).toEqual(mine);
    expect((await put(mine, changedAtMs)).status).toBe(200);
  });

  it('is refused where it is none, and says where', async () => {
    const field = async (cycle: unknown) => {
      const { status, body } = await put(cycle);
      return { status, field: (body as { error?: { field?: string } }).error?.field };
    };
    expect(await field({ ...CYCLE, startsOn: '2026-12-01' })).toEqual({ status: 400, field: 'cycle.startsOn' });
    expect(await field({ ...CYCLE, weeks: [] })).toEqual({ status: 400, field: 'cycle.weeks' });
    expect((await field({ ...CYCLE, weeks: [{ days: [FRIDAY] }] })).status).toBe(400);
    expect((await kept()).cycle).toBeNull();
  });
});
