import { READY_KITS } from '@tureen/core/kit';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { sql } from 'drizzle-orm';
import { startTestServer, type TestServer } from '../spec/test-server.js';

const NOW = Date.UTC(2026, 4, 6, 9);

describe('columns with a shape', () => {
  let server: TestServer;

  beforeEach(async () => {
    server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { ready: 'home' });
  });
  afterEach(() => {
    server.close();
  });

  async function stored(): Promise<unknown> {
    const [row] = await server.database.db.all<{ kit: string }>(sql`select kit from kitchens`);
    return JSON.parse(row!.kit);
  }

  it('say in which shape they were written, and one from before that is lifted when read', async () => {
    expect(await stored()).toEqual({ shape: 2, value: JSON.parse(JSON.stringify(READY_KITS.home)) as unknown });
    const older = JSON.stringify({ ...READY_KITS.home, habits: { boilOff: 1.3 } });
    await server.database.db.run(sql`update kitchens set kit = ${older}`);
    const answer = await server.send('GET', '/kitchen');
    expect(answer.status).toBe(200);
    expect((answer.body as { kit: { parameters?: unknown } }).kit.parameters).toEqual({ boilOff: 1.3 });
  });

  it('what can’t be read is said, with its place and what to do, and is no kitchen that looks empty', async () => {
    for (const broken of [
      { shape: 2, value: { ...READY_KITS.home, boilsAtC: 'hot', pots: [] } },
      { shape: 9, value: READY_KITS.home },
    ]) {
      await server.database.db.run(sql`update kitchens set kit = ${JSON.stringify(broken)}`);
      const answer = await server.send('GET', '/kitchen');
      expect(answer.status).toBe(500);
      const { code, sentence } = (answer.body as { error: { code: string; sentence: string } }).error;
      expect(code).toBe('UNREADABLE');
      expect(sentence).toMatch(/holds a kit that can't be read .*restore the last backup/);
    }
  });

  it('a page from before the update still plans, in its own words', async () => {
    const soup = EXAMPLE_SOUPS[0]!;
    await server.send('POST', '/soups', { soup, basedOn: 0, note: 'first' });
    const wish = {
      id: crypto.randomUUID(),
      soupId: soup.id,
      version: 1,
      ask: { bowls: 6, bowlG: 300, potId: READY_KITS.home.pots[0]!.id },
    };
    const answer = await server.send('POST', '/plans', wish);
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBeLessThan(300);
  });
});
