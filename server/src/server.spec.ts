import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENTRY_SHAPE, foldBatch, type Action, type Entry } from '@tureen/core/batch';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { startTestServer, type Answered, type TestServer } from '../spec/test-server.js';
import type { Api } from './app.js';
import type { StoredBatch } from './batches.js';
import type { Hub, Change } from './hub.js';
import { sentence } from './sentences.js';
import { serveWeb } from './statics.js';

const NOW = 1_790_000_000_000;
const beetroot = EXAMPLE_SOUPS[0]!;

interface ErrorBody {
  readonly error: { readonly code: string; readonly field?: string; readonly sentence: string };
}

let n = 0;
function uuid(): string {
  n += 1;
  return `00000000-0000-4000-9000-${n.toString(16).padStart(12, '0')}`;
}

function entry(action: Action): Entry {
  const id = uuid();
  return { id, shape: ENTRY_SHAPE, stamp: { counter: n, device: 'spec-tablet', seq: n }, atMs: NOW + n * 1000, who: 'AB', action };
}

describe('the server', () => {
  let folder: string;
  let hub: Hub;
  let app: Api;

  let server: TestServer;
  const send = (method: string, path: string, body?: unknown): Promise<Answered> => server.send(method, path, body);

  beforeEach(async () => {
    server = await startTestServer(() => NOW);
    ({ folder, hub, app } = server);
  });

  afterEach(() => {
    server.close();
  });

  async function kitchenWithPlan(): Promise<string> {
    await send('PUT', '/kitchen', { ready: 'canteen' });
    await send('POST', '/soups', { soup: beetroot, basedOn: 0, note: 'first' });
    const id = uuid();
    const plan = await send('POST', '/plans', {
      id,
      soupId: beetroot.id,
      version: 1,
      request: { bowls: 80, bowlG: 300, potId: 'boiler-40' },
    });
    expect(plan.status).toBe(201);
    return id;
  }

  async function batch(): Promise<string> {
    const planId = await kitchenWithPlan();
    const id = uuid();
    expect((await send('POST', '/batches', { id, planId })).status).toBe(201);
    return id;
  }

  async function kept(id: string): Promise<StoredBatch> {
    return (await send('GET', `/batches/${id}`)).body as StoredBatch;
  }

  it('a batch that is entered after it was cooked began when it did; none begins later than now', async () => {
    const planId = await kitchenWithPlan();
    const id = uuid();
    const startedAtMs = NOW - 3 * 86_400_000;
    const later = await send('POST', '/batches', { id, planId, startedAtMs: NOW + 3_600_000 });
    expect(later.status).toBe(422);
    expect((later.body as ErrorBody).error.code).toBe('NOT_YET');
    expect((later.body as ErrorBody).error.field).toBe('startedAtMs');
    expect((await send('POST', '/batches', { id, planId, startedAtMs })).status).toBe(201);
    expect((await kept(id)).startedAtMs).toBe(startedAtMs);
  });

  it('starts empty, takes a kitchen, a soup, a plan and a batch', async () => {
    expect((await send('GET', '/kitchen')).body).toEqual(jasmine.objectContaining({ kit: null, mode: 'own' }));
    const id = await batch();
    const read = await kept(id);
    expect(read.soupName).toBe('Beetroot & horseradish');
    expect(read.planned.bowls).toBeGreaterThan(79.95);
    expect(read.planned.bowls).toBeLessThan(82.5);
    expect(foldBatch(read.snapshot, read.entries).current?.step.id).toBe('trim');
  });

  it('keeps versions, and overwrites nobody', async () => {
    await send('POST', '/soups', { soup: beetroot, basedOn: 0, note: 'first' });
    const second = await send('POST', '/soups', { soup: { ...beetroot, note: 'more dill' }, basedOn: 1, note: 'dill' });
    expect(second.body).toEqual(jasmine.objectContaining({ version: 2 }));
    const clash = await send('POST', '/soups', { soup: beetroot, basedOn: 1, note: 'mine' });
    expect(clash.status).toBe(409);
    expect((clash.body as ErrorBody).error.code).toBe('SOUP_CHANGED_SINCE');
    expect((await send('GET', `/soups/${beetroot.id}?version=1`)).body).toEqual(
      jasmine.objectContaining({ version: 1, soup: beetroot }),
    );
  });

  it('counts an entry once however often it is sent, alone or among others', async () => {
    const id = await batch();
    const pour = entry({ kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 });
    const other = entry({ kind: 'note', text: 'gas low' });
    expect((await send('POST', `/batches/${id}/entries`, { entries: [pour] })).body).toEqual({ kept: 1, known: 0, late: [] });
    expect((await send('POST', `/batches/${id}/entries`, { entries: [pour, other, pour] })).body).toEqual({
      kept: 1,
      known: 2,
      late: [],
    });
    expect((await kept(id)).entries.map((one) => one.id)).toEqual([pour.id, other.id]);
  });

  it('many writers at once lose nothing', async () => {
    const id = await batch();
    const all = Array.from({ length: 60 }, () => entry({ kind: 'note', text: 'at once' }));
    await Promise.all(all.map((one) => send('POST', `/batches/${id}/entries`, { entries: [one] })));
    expect(new Set((await kept(id)).entries.map((one) => one.id))).toEqual(new Set(all.map((one) => one.id)));
  });

  it('closes with figures that stay; what comes later is kept and marked late; undoing the close opens again', async () => {
    const id = await batch();
    const dished = entry({ kind: 'dished', bowls: 78 });
    const close = entry({ kind: 'closed' });
    await send('POST', `/batches/${id}/entries`, { entries: [dished, close] });
    const closed = await kept(id);
    expect(closed.closedFigures?.dishedBowls).toBe(78);
    expect(closed.closedFigures?.planned.cookedKg).toBeGreaterThan(24);
    const late = entry({ kind: 'dished', bowls: 2 });
    expect((await send('POST', `/batches/${id}/entries`, { entries: [late] })).body).toEqual({
      kept: 1,
      known: 0,
      late: [late.id],
    });
    const after = await kept(id);
    expect(after.lateEntries).toBe(1);
    expect(after.closedFigures).toEqual(closed.closedFigures);
    // What is only said of it is never late.
    const said = entry({ kind: 'note', text: 'a little sweet' });
    expect((await send('POST', `/batches/${id}/entries`, { entries: [said] })).body).toEqual({ kept: 1, known: 0, late: [] });
    expect((await send('POST', `/batches/${id}/entries`, { entries: [entry({ kind: 'undone', target: said.id })] })).body).toEqual({
      kept: 1,
      known: 0,
      late: [],
    });
    expect((await kept(id)).lateEntries).toBe(1);
    expect((await kept(id)).closedFigures).toEqual(closed.closedFigures);
    await send('POST', `/batches/${id}/entries`, { entries: [entry({ kind: 'undone', target: close.id })] });
    expect((await kept(id)).closedFigures).toBeNull();
  });

  it('tells other screens what happened', async () => {
    const id = await batch();
    const heard: Change[] = [];
    const stop = hub.listen((change) => heard.push(change));
    const pour = entry({ kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 });
    await send('POST', `/batches/${id}/entries`, { entries: [pour] });
    await send('POST', `/batches/${id}/entries`, { entries: [pour] });
    stop();
    expect(heard).toEqual([{ kind: 'entries', batchId: id, entries: [{ ...pour, arrival: 1 }] }]);
  });

  it('streams changes uncompressed, a hello first', async () => {
    const response = await app.request('http://localhost/api/stream', { headers: { 'accept-encoding': 'gzip' } });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    expect(response.headers.get('content-encoding')).toBeNull();
    const reader = response.body!.getReader();
    const text = async (): Promise<string> => new TextDecoder().decode((await reader.read()).value as Uint8Array);
    expect(await text()).toContain('event: hello');
    hub.tell({ kind: 'kitchen' });
    expect(await text()).toContain('"kind":"kitchen"');
    await reader.cancel();
  });

  describe('refuses, naming the code, the field and what to do, and changes nothing', () => {
    const goodRequest = { bowls: 80, bowlG: 300, potId: 'boiler-40' };
    const cases: readonly (readonly [string, string, string, () => unknown, number, string, string | undefined])[] = [
      ['malformed JSON', 'POST', '/soups', () => '{"soup": ', 400, 'BAD_JSON', undefined],
      ['over 1 MB', 'POST', '/soups', () => ({ soup: 'x'.repeat(1_100_000) }), 413, 'TOO_LARGE', undefined],
      [
        'an unknown ingredient',
        'POST',
        '/soups',
        () => ({
          basedOn: 0,
          note: '',
          soup: { ...beetroot, lines: [{ ...beetroot.lines[0], ingredient: 'moon-cheese' }, ...beetroot.lines.slice(1)] },
        }),
        422,
        'SOUP_PROBLEMS',
        'soup.lines.0.ingredient',
      ],
      [
        'a unit that does not fit',
        'POST',
        '/soups',
        () => ({
          basedOn: 0,
          note: '',
          soup: {
            ...beetroot,
            lines: beetroot.lines.map((line) =>
              line.id === 'oil' ? { ...line, amount: { rule: 'scaled', amount: { value: 2, unit: 'piece' } } } : line,
            ),
          },
        }),
        422,
        'SOUP_PROBLEMS',
        'soup.lines.4.amount',
      ],
      [
        'a negative amount',
        'POST',
        '/soups',
        () => ({
          basedOn: 0,
          note: '',
          soup: { ...beetroot, lines: [{ ...beetroot.lines[0], amount: { rule: 'scaled', amount: { value: -1, unit: 'kg' } } }] },
        }),
        400,
        'BAD_INPUT',
        'soup.lines.0.amount.amount.value',
      ],
      [
        'a million bowls',
        'POST',
        '/plans',
        () => ({ id: uuid(), soupId: beetroot.id, version: 1, request: { ...goodRequest, bowls: 1e6 } }),
        400,
        'BAD_INPUT',
        'request.bowls',
      ],
      [
        'NaN, which JSON sends as null',
        'POST',
        '/plans',
        () => ({ id: uuid(), soupId: beetroot.id, version: 1, request: { ...goodRequest, bowls: Number.NaN } }),
        400,
        'BAD_INPUT',
        'request.bowls',
      ],
      [
        'a pot that is too small',
        'POST',
        '/plans',
        () => ({ id: uuid(), soupId: beetroot.id, version: 1, request: { ...goodRequest, potId: 'saucepot-8' } }),
        422,
        'PLAN_IMPOSSIBLE',
        'request',
      ],
      [
        'a pot that is not there',
        'POST',
        '/plans',
        () => ({ id: uuid(), soupId: beetroot.id, version: 1, request: { ...goodRequest, potId: 'cauldron' } }),
        422,
        'PLAN_IMPOSSIBLE',
        'request',
      ],
      [
        'a soup that is not there',
        'POST',
        '/plans',
        () => ({ id: uuid(), soupId: 'stone', version: 1, request: goodRequest }),
        404,
        'NO_SUCH_SOUP',
        'soupId',
      ],
      ['a batch of no plan', 'POST', '/batches', () => ({ id: uuid(), planId: uuid() }), 404, 'NO_SUCH_PLAN', 'planId'],
      [
        'an entry for no batch',
        'POST',
        '/batches/none/entries',
        () => ({ entries: [entry({ kind: 'closed' })] }),
        404,
        'NO_SUCH_BATCH',
        'id',
      ],
      [
        'a weight less than nothing',
        'POST',
        '/batches/none/entries',
        () => ({
          entries: [{ ...entry({ kind: 'closed' }), action: { kind: 'weighed', stepId: 'simmer', grossKg: -2, tareKg: 8 } }],
        }),
        400,
        'BAD_INPUT',
        'entries.0.action.grossKg',
      ],
      ['a path that is not there', 'GET', '/cauldron', () => undefined, 404, 'NO_SUCH_PATH', undefined],
    ];
    for (const [what, method, path, body, status, code, field] of cases) {
      it(what, async () => {
        await kitchenWithPlan();
        const before = await Promise.all([send('GET', '/soups'), send('GET', '/plans'), send('GET', '/batches')]);
        const answer = await send(method, path, body());
        const { error } = answer.body as ErrorBody;
        expect(answer.status).toBe(status);
        expect(error.code).toBe(code);
        expect(error.field).toBe(field);
        expect(error.sentence.length).toBeGreaterThan(20);
        expect(await Promise.all([send('GET', '/soups'), send('GET', '/plans'), send('GET', '/batches')])).toEqual(before);
      });
    }

    it('a foreign host', async () => {
      const answer = await app.request('http://kitchen.example/api/kitchen');
      expect(answer.status).toBe(403);
    });
  });

  it('an impossible plan says by how much and what would fit', async () => {
    await kitchenWithPlan();
    const answer = await send('POST', '/plans', {
      id: uuid(),
      soupId: beetroot.id,
      version: 1,
      request: { bowls: 80, bowlG: 300, potId: 'stockpot-20' },
    });
    const said = (answer.body as ErrorBody).error.sentence;
    expect(said).toMatch(
      /^That is [\d.]+ L more than this pot may boil \(18\.4 L\)\. Make \d+ bowls, or take the Broad boiler \(up to \d+ bowls\) or Deep boiler/,
    );
  });

  it('serves the built web compressed, hashed files for a year, every other path as the application', async () => {
    const web = join(folder, 'web');
    const { mkdirSync } = await import('node:fs');
    mkdirSync(web);
    expect(serveWeb(app, web)).toBeFalse();
    writeFileSync(join(web, 'index.html'), '<!doctype html>');
    writeFileSync(join(web, 'main-ABCD1234.js'), 'export {}');
    writeFileSync(join(web, 'main-ABCD1234.js.br'), 'squeezed');
    expect(serveWeb(app, web)).toBeTrue();
    const script = await app.request('http://localhost/main-ABCD1234.js', { headers: { 'accept-encoding': 'br' } });
    expect(script.headers.get('content-encoding')).toBe('br');
    expect(script.headers.get('cache-control')).toContain('immutable');
    const place = await app.request('http://localhost/ledger/7');
    expect(await place.text()).toContain('<!doctype html>');
    expect(place.headers.get('cache-control')).toBe('no-cache');
    expect(place.headers.get('content-security-policy')).toContain("default-src 'self'");
    // A script of an older build is gone, and nobody keeps the page in its place for a year.
    const gone = await app.request('http://localhost/main-WXYZ9876.js');
    expect([gone.status, gone.headers.get('cache-control')]).toEqual([404, 'no-store']);
    expect(await gone.text()).not.toContain('doctype');
  });

  it('one rule for every address that changes something: a page of another site changes nothing, what is no browser may', async () => {
    const changing = [
      ['POST', '/devices/lines'],
      ['POST', '/photos'],
      ['POST', '/batches'],
      ['PUT', '/kitchen'],
      ['DELETE', `/plans/${uuid()}`],
    ] as const;
    const asked = async (method: string, path: string, headers: Record<string, string>) =>
      (await app.request(`http://localhost/api${path}`, { method, headers, ...(method === 'DELETE' ? {} : { body: 'x' }) })).status;
    for (const [method, path] of changing) {
      expect(await asked(method, path, { origin: 'https://elsewhere.example' }))
        .withContext(path)
        .toBe(403);
      expect(await asked(method, path, { origin: 'null' }))
        .withContext(path)
        .toBe(403);
      expect(await asked(method, path, { 'sec-fetch-site': 'cross-site' }))
        .withContext(path)
        .toBe(403);
      expect(await asked(method, path, { origin: 'http://localhost:9999', 'sec-fetch-site': 'same-site' }))
        .withContext(path)
        .toBe(403);
      expect(await asked(method, path, { origin: 'http://localhost', 'sec-fetch-site': 'same-origin' }))
        .withContext(path)
        .not.toBe(403);
      expect(await asked(method, path, {}))
        .withContext(path)
        .not.toBe(403);
    }
  });

  it('a name that was bound to this machine by somebody else is no name of the kitchen', async () => {
    const rebound = await app.request('http://localhost/api/kitchen', { headers: { host: 'evil.example:4870' } });
    expect(rebound.status).toBe(403);
    expect((await app.request('http://localhost/api/kitchen', { headers: { host: 'localhost:4870' } })).status).toBe(200);
  });

  it('a screen that does not read is let go before what waits for it fills the memory', async () => {
    const response = await app.request('http://localhost/api/stream');
    const reader = response.body!.getReader();
    await reader.read();
    const text = 'x'.repeat(500_000);
    for (let n = 0; n < 12; n++) {
      hub.tell({ kind: 'batch', batchId: text });
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    expect(hub.heard).toBeFalse();
    await reader.cancel();
  });

  it('has a sentence for every failure', () => {
    expect(sentence({ code: 'SERVER_BUG' })).toContain('try again');
    expect(sentence({ code: 'PLAN_IMPOSSIBLE', field: 'request', error: { code: 'TOO_FEW_FOR_POT', leastBowls: 12 } })).toContain(
      '12 bowls',
    );
  });
});
