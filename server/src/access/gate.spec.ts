import { Hono } from 'hono';
import { startTestServer, type TestServer } from '../../spec/test-server.js';
import { pins, sessions } from '../schema.js';
import { certificateIn } from './certificate.js';
import { makeGate } from './gate.js';
import { freshPin, hasPin, isPin, setPin, SESSION_MS } from './pin.js';

const START = 1_790_000_000_000;
const MINUTE_MS = 60_000;

describe('the PIN', () => {
  let server: TestServer;
  let nowMs = START;
  let app: Hono;

  beforeEach(async () => {
    nowMs = START;
    server = await startTestServer(() => nowMs);
    await setPin(server.database, '2468', nowMs);
    app = new Hono();
    app.route(
      '/',
      makeGate(server.database, () => nowMs),
    );
    app.get('*', (c) => c.text('inside'));
  });

  afterEach(() => {
    jasmine.clock().uninstall();
    server.close();
  });

  const knock = async (pin: string, origin = 'https://kitchen') =>
    app.request('https://kitchen/pin', {
      method: 'POST',
      headers: { origin, 'content-type': 'application/x-www-form-urlencoded' },
      body: new URLSearchParams({ pin }).toString(),
    });
  const cookieOf = (response: Response): string => (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '';

  it('nothing answers before the PIN: pages lead to its page, the interface says so', async () => {
    const page = await app.request('https://kitchen/shelf');
    expect([page.status, page.headers.get('location')]).toEqual([302, '/pin']);
    const api = await app.request('https://kitchen/api/batches');
    expect(api.status).toBe(401);
    expect(await api.text()).toContain('PIN_WANTED');
    const forged = await app.request('https://kitchen/shelf', { headers: { cookie: 'tureen_session=guessed' } });
    expect(forged.status).toBe(302);
  });

  it('the right PIN lets a browser in for a month, by a cookie that neither scripts nor other sites can use', async () => {
    const open = await knock('2468');
    expect(open.status).toBe(303);
    for (const word of ['HttpOnly', 'Secure', 'SameSite=Strict']) expect(open.headers.get('set-cookie')).toContain(word);
    const cookie = cookieOf(open);
    const inside = (): Promise<Response> => Promise.resolve(app.request('https://kitchen/shelf', { headers: { cookie } }));
    expect(await (await inside()).text()).toBe('inside');
    nowMs += SESSION_MS + 1;
    expect((await inside()).status).toBe(302);
  });

  it('a form sent from another site is refused, with the right PIN too', async () => {
    expect((await knock('2468', 'https://elsewhere')).status).toBe(403);
  });

  it('five wrong tries shut it for ten minutes, the right PIN included', async () => {
    jasmine.clock().install().mockDate(new Date(START));
    for (let n = 0; n < 5; n++) expect((await knock('0000')).status).toBe(403);
    const locked = await knock('2468');
    expect(locked.status).toBe(429);
    expect(await locked.text()).toContain('next can be made in 10 min');
    jasmine.clock().tick(10 * MINUTE_MS + 1);
    expect((await knock('2468')).status).toBe(303);
  });

  it('sixty tries at once are sixty tries: five are looked at, and then it is locked', async () => {
    const answers = await Promise.all(Array.from({ length: 60 }, (_, n) => knock(String(1000 + n))));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((status) => status === 403).length).toBe(5);
    expect(statuses.filter((status) => status === 429).length).toBe(55);
  });

  it('the right PIN, given often, is never a wrong try', async () => {
    for (let n = 0; n < 8; n++) expect((await knock('2468')).status).toBe(303);
  });

  it('neither PIN nor token is kept as it is, and a new PIN asks everybody again', async () => {
    const cookie = cookieOf(await knock('2468'));
    const kept = JSON.stringify([await server.database.db.select().from(pins), await server.database.db.select().from(sessions)]);
    expect(kept).not.toContain('2468');
    expect(kept).not.toContain(cookie.split('=')[1] ?? 'nothing');
    await setPin(server.database, '1357', nowMs);
    expect((await app.request('https://kitchen/shelf', { headers: { cookie } })).status).toBe(302);
    expect(await isPin(server.database, '2468')).toBeFalse();
    expect(await isPin(server.database, '1357')).toBeTrue();
  });

  it('a fresh PIN is six digits; a kitchen without one has none', async () => {
    expect(freshPin()).toMatch(/^\d{6}$/);
    const other = await startTestServer(() => nowMs);
    expect(await hasPin(other.database)).toBeFalse();
    expect(await isPin(other.database, '')).toBeFalse();
    other.close();
  });

  it('its certificate is made once and kept', async () => {
    const folder = `${server.folder}/tls`;
    const first = await certificateIn(folder, START);
    expect(first.made).toBeTrue();
    expect(first.cert).toContain('BEGIN CERTIFICATE');
    const again = await certificateIn(folder, START);
    expect(again).toEqual({ cert: first.cert, key: first.key, made: false });
  });
});
