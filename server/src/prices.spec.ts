import { READY_KITS } from '@tureen/core/kit';
import { startTestServer, type TestServer } from '../spec/test-server.js';

const HOUR_MS = 3_600_000;

describe('the price that holds today', () => {
  let server: TestServer;
  let nowMs = 0;

  beforeEach(async () => {
    nowMs = Date.UTC(2026, 0, 10, 21);
    server = await startTestServer(() => nowMs);
  });

  afterEach(() => {
    server.close();
  });

  const stand = (zone: string) => server.send('PUT', '/kitchen', { kit: { ...READY_KITS.home, zone } });
  const add = (pricePerKg: number, day?: string) =>
    server.send('POST', '/prices', {
      prices: [{ ingredient: 'carrot', pricePerKg, ...(day === undefined ? {} : { day }) }],
      source: 'spec',
    });
  const price = async (): Promise<number> => {
    const { rows } = (await server.send('GET', '/larder')).body as { rows: { id: string; pricePerKg: number }[] };
    return rows.find(({ id }) => id === 'carrot')!.pricePerKg;
  };

  it('is of today where the kitchen stands: at eight in the morning in Sydney, at four in the afternoon in New York', async () => {
    // 21:00 UTC on the 10th is 8:00 on the 11th in Sydney, 16:00 on the 10th in New York.
    await stand('Australia/Sydney');
    await add(2);
    await add(3, '2026-01-11');
    expect(await price()).toBe(3);
    await stand('America/New_York');
    await add(1, '2026-01-10');
    expect(await price()).toBe(1);
    // Its 11th begins at 5:00 UTC.
    nowMs += 9 * HOUR_MS;
    expect(await price()).toBe(3);
    await stand('Europe/London');
    expect(await price()).toBe(3);
  });

  it('of a day to come holds from its first minute, over a change of clocks too; of one day the last one counts', async () => {
    await stand('Europe/London');
    await add(1, '2026-03-28');
    await add(5, '2026-03-30');
    await add(6, '2026-03-30');
    // Summer time begins on the 29th: midnight to the 30th is 23:00 UTC.
    nowMs = Date.UTC(2026, 2, 29, 22, 59);
    expect(await price()).toBe(1);
    nowMs = Date.UTC(2026, 2, 29, 23, 1);
    expect(await price()).toBe(6);
  });

  it('without a day is of the kitchen’s own today', async () => {
    await stand('Australia/Sydney');
    await add(4);
    const history = (await server.send('GET', '/larder/carrot')).body as { prices: { day: string }[] };
    expect(history.prices.map(({ day }) => day)).toEqual(['2026-01-11']);
  });

  it('a kitchen set up where nobody knows whose spoons are meant is not British in silence', async () => {
    await server.send('PUT', '/kitchen', { ready: 'home', place: { units: 'metric', currency: 'EUR', zone: 'Europe/Berlin' } });
    const { kit } = (await server.send('GET', '/kitchen')).body as { kit: Record<string, unknown> };
    expect([kit.country, kit.currency, kit.zone, kit.units]).toEqual([undefined, 'EUR', 'Europe/Berlin', 'metric']);
    expect(
      (await server.send('PUT', '/kitchen', { ready: 'home', place: { units: 'metric', zone: 'Atlantis/Harbour' } })).status,
    ).toBe(400);
  });
});
