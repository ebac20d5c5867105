import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { foldBatch } from '@tureen/core/batch';
import { LESSONS } from '@tureen/core/practice';
import { rerun } from '@tureen/core/plan';
import { walk } from '@tureen/core/soup';
import { STOCK_SHAPE, contentsOf, type StockAction, type StockEntry } from '@tureen/core/stock';
import type { StoredBatch } from '../batches.js';
import type { ColdAnswer } from '../cold.js';
import { makeApp } from '../app.js';
import { openDatabase, type Database } from '../database.js';
import { Devices } from '../devices/devices.js';
import { Hub } from '../hub.js';
import { PracticeClock } from './practice-clock.js';
import { PracticeKitchen, truePotOf, trueTempOf } from './practice-kitchen.js';
import type { Practice } from './practices.js';

const NOW = Date.UTC(2026, 11, 1, 9);
const MIGRATIONS = 'server/drizzle';
const id = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

describe('the practice kitchen', () => {
  let folder: string;
  let kitchen: Database;
  let practice: PracticeKitchen;
  let app: ReturnType<typeof makeApp>;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'tureen-practice-'));
    kitchen = await openDatabase(join(folder, 'kitchen.sqlite'), MIGRATIONS);
    const bugs = (error: unknown): never => {
      throw error;
    };
    const nowMs = (): number => NOW;
    const options = { migrations: MIGRATIONS, kitchen, seed: 7, nowMs, logBug: bugs };
    practice = new PracticeKitchen({ ...options, file: join(folder, 'kitchen-practice.sqlite') });
    const hub = new Hub();
    app = makeApp({ database: kitchen, hub, devices: new Devices(hub, nowMs), mode: 'own', practice, nowMs, logBug: bugs });
  });

  afterAll(async () => {
    await practice.close();
    await kitchen.close();
    rmSync(folder, { recursive: true, force: true });
  });

  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- what is answered is for the spec to say
  async function send<T>(method: string, path: string, body?: unknown): Promise<{ status: number; body: T }> {
    const response = await app.request(`http://localhost${path}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    return { status: response.status, body: (await response.json()) as T };
  }

  /** All of the kitchen that could be looked at, as text. */
  async function kitchenAsItIs(): Promise<string> {
    const paths = [
      '/batches',
      '/batches/open',
      '/plans',
      '/shelf',
      '/cold',
      '/supplies',
      '/learned',
      '/days?from=2020-01-01',
      '/timers',
      '/larder',
    ];
    return JSON.stringify(await Promise.all(paths.map(async (path) => (await send('GET', `/api${path}`)).body)));
  }

  const begin = (n: number, lesson: string, who = 'JT') =>
    send<Practice>('POST', '/practice/api/bench', { batchId: id(n), planId: id(n + 1000), lesson, seed: n, who });

  /** Ticks every step, as the card says. */
  async function tick(n: number): Promise<void> {
    const { body: batch } = await send<StoredBatch>('GET', `/practice/api/batches/${id(n)}`);
    const steps = walk(batch.snapshot.soup.root).filter(({ step }) => step.op !== 'dish' && step.op !== 'join');
    const entries = steps.map(({ step }, k) => ({
      id: id(n * 10_000 + k),
      shape: 2,
      stamp: { counter: k + 1, device: 'spec-device', seq: k },
      atMs: NOW + k * 60_000,
      who: 'JT',
      action: { kind: 'done', stepId: step.id },
    }));
    const kept = await send('POST', `/practice/api/batches/${id(n)}/entries`, { entries });
    expect(kept.status).withContext(JSON.stringify(kept.body)).toBe(200);
  }

  it('has every lesson’s soup on its shelf; a lesson begun is a batch on its stove, begun twice it is one', async () => {
    for (const [k, { id: lesson }] of LESSONS.entries()) {
      const begun = await begin(k + 1, lesson);
      expect(begun.status).withContext(lesson).toBe(201);
      expect(begun.body.passed).toBeNull();
    }
    await begin(1, LESSONS[0]?.id ?? '');
    const { body } = await send<{ practices: Practice[] }>('GET', '/practice/api/bench');
    const own = body.practices.filter(({ seed }) => seed <= LESSONS.length);
    expect(own.map(({ lesson }) => lesson).sort()).toEqual(LESSONS.map(({ id: lesson }) => lesson).sort());
    const { body: open } = await send<{ batches: { id: string }[] }>('GET', '/practice/api/batches/open');
    for (const { batchId, lesson } of own)
      expect(open.batches.some(({ id: openId }) => openId === batchId))
        .withContext(lesson)
        .toBe(LESSONS.find((one) => one.id === lesson)?.isPuttingAway !== true);
  });

  it('begins a lesson of two ways in the one asked for, and in its first where none is; another is refused', async () => {
    const asked = (n: number, way?: string) =>
      send<Practice>('POST', '/practice/api/bench', {
        batchId: id(n),
        planId: id(n + 1000),
        lesson: 'roast-or-sweat',
        seed: n,
        who: 'JT',
        way,
      });
    const opsOf = async (n: number): Promise<string[]> => {
      const { body: batch } = await send<StoredBatch>('GET', `/practice/api/batches/${id(n)}`);
      return walk(rerun(batch.snapshot).prepared.soup.root).map(({ step }) => step.op);
    };
    for (const [n, way] of [
      [701, 'sweat'],
      [702, 'sweat'],
      [703, 'roast'],
      [704, undefined],
    ] as const) {
      const { status, body } = await asked(n, way);
      expect(status).toBe(201);
      expect(body.way).toBe(way ?? 'roast');
      const ops = await opsOf(n);
      expect(ops.includes('sweat'))
        .withContext(String(way))
        .toBe(way === 'sweat');
      expect(ops.includes('roast'))
        .withContext(String(way))
        .toBe(way !== 'sweat');
    }
    expect((await asked(705, 'boil')).status).toBe(400);
    // A lesson with one way has none to name.
    expect((await begin(706, 'first-bowl')).body.way).toBeNull();
  });

  it('never reaches the kitchen beside it: all that can be looked at there is as it was', async () => {
    const before = await kitchenAsItIs();
    await begin(100, 'too-thick');
    await tick(100);
    await send('POST', `/practice/api/batches/${id(100)}/entries`, {
      entries: [
        {
          id: id(9_000_001),
          shape: 2,
          stamp: { counter: 90, device: 'spec-device', seq: 90 },
          atMs: NOW,
          who: 'JT',
          action: { kind: 'stored', kg: 3 },
        },
        {
          id: id(9_000_002),
          shape: 2,
          stamp: { counter: 91, device: 'spec-device', seq: 91 },
          atMs: NOW,
          who: 'JT',
          action: { kind: 'closed' },
        },
      ],
    });
    expect((await send('POST', `/practice/api/bench/${id(100)}/result`)).status).toBe(200);
    expect(await kitchenAsItIs()).toBe(before);
    const { body } = await send<{ batches: unknown[] }>('GET', '/practice/api/batches');
    expect(body.batches.length).toBeGreaterThan(0);
  });

  it('learns nothing: every practice is in another kitchen', async () => {
    await begin(400, 'first-bowl');
    await tick(400);
    const { body: batch } = await send<StoredBatch>('GET', `/practice/api/batches/${id(400)}`);
    const last = batch.snapshot.soup.root.steps.at(-1)?.id ?? '';
    const actions = [
      { kind: 'weighed', stepId: last, grossKg: 10.2, tareKg: 4.5 },
      { kind: 'salt', stepId: last, saltPct: 0.9 },
      { kind: 'dished', bowls: 18 },
      { kind: 'closed' },
    ];
    const entries = actions.map((action, n) => ({
      id: id(9_100_000 + n),
      shape: 2,
      stamp: { counter: 500 + n, device: 'spec-device', seq: 500 + n },
      atMs: NOW + 3_600_000 + n,
      who: 'JT',
      action,
    }));
    expect((await send('POST', `/practice/api/batches/${id(400)}/entries`, { entries })).status).toBe(200);
    expect((await send<{ batches: unknown[] }>('GET', '/practice/api/learned')).body.batches).toEqual([]);
    await begin(401, 'first-bowl');
    const { body: next } = await send<StoredBatch>('GET', `/practice/api/batches/${id(401)}`);
    expect(next.snapshot.kit.learned).toBeUndefined();
  });

  it('judges by what is true: who only does as the card says fails the thick one', async () => {
    await begin(150, 'too-thick');
    await tick(150);
    const { body } = await send<Practice>('POST', `/practice/api/bench/${id(150)}/result`);
    expect(body.passed).toBeFalse();
    expect(body.points).toBeLessThan(7);
  });

  it('has a clock that its screen sets: the probe goes by it, and the kitchen has none', async () => {
    const clock = new PracticeClock();
    expect(clock.at(NOW)).toBe(NOW);
    clock.go(NOW + 5_000, 60, NOW);
    expect(clock.at(NOW + 1_000)).toBe(NOW + 65_000);
    expect((await send('PUT', '/practice/api/bench/clock', { practiceMs: NOW, speed: 10 })).status).toBe(200);
    // Stopped it stays where it is.
    clock.go(NOW, 0, NOW);
    expect(clock.at(NOW + 3_600_000)).toBe(NOW);
    expect((await send('PUT', '/practice/api/bench/clock', { practiceMs: NOW, speed: 0 })).status).toBe(200);
    expect((await send('PUT', '/practice/api/bench/clock', { practiceMs: NOW, speed: 601 })).status).toBe(400);
    expect((await send('PUT', '/api/bench/clock', { practiceMs: NOW, speed: 10 })).status).toBe(404);
  });

  it('has a probe in the pot that cools by its own clock, faster than the wall’s', async () => {
    await begin(500, 'first-bowl');
    await tick(500);
    const { body: batch } = await send<StoredBatch>('GET', `/practice/api/batches/${id(500)}`);
    const lastMs = Math.max(...batch.entries.map(({ atMs }) => atMs));
    const clock = new PracticeClock();
    clock.go(lastMs, 60, NOW);
    const real = truePotOf(batch, { seed: 500, mishaps: {} }, clock);
    const at = (seconds: number): number => real.tempC(NOW + seconds * 1000);
    expect(at(0)).toBeGreaterThan(70);
    // Half a minute of the wall's is half an hour at sixty times.
    expect(at(30)).toBeLessThan(at(0) - 5);
    expect(at(86_400)).toBeCloseTo(22, 0);
  });

  it('a pot to be put away is left over in its cold; what really cools there is judged, and the kitchen has none of it', async () => {
    const before = await kitchenAsItIs();
    // What was cooked before has ids by its batch's own.
    const batchId = id(600).replace('-8000-', '-8600-');
    const wish = { batchId, planId: id(1600), lesson: 'big-pot-cools', seed: 600, who: 'JT' };
    for (const sent of ['once', 'again'])
      expect((await send('POST', '/practice/api/bench', wish)).status)
        .withContext(sent)
        .toBe(201);
    const cold = async (): Promise<ColdAnswer> => (await send<ColdAnswer>('GET', '/practice/api/cold')).body;
    const left = (await cold()).stored.find((one) => one.batchId === batchId)!;
    expect(left.kg).toBeGreaterThan(10);
    expect((await send<Practice>('POST', `/practice/api/bench/${batchId}/result`)).body.passed)
      .withContext('left standing')
      .toBeFalse();
    const { body: batch } = await send<StoredBatch>('GET', `/practice/api/batches/${batchId}`);
    const contents = contentsOf(foldBatch(batch.snapshot, batch.entries), 1)!;
    const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
    const madeMs = left.atMs;
    let n = 0;
    const enter = async (minute: number, ...actions: StockAction[]): Promise<void> => {
      const entries = actions.map((action): StockEntry => {
        n += 1;
        const stamp = { counter: n, device: 'spec-device', seq: n };
        return { of: 'stock', id: id(600_000 + n), shape: STOCK_SHAPE, stamp, atMs: madeMs + minute * 60_000, who: 'JT', action };
      });
      expect((await send('POST', '/practice/api/cold/entries', { entries })).status).toBe(200);
    };
    // Very shallow, in the chiller: cold in time even where that is weak.
    const pans = Array.from({ length: 20 }, (_, k) => id(700_000 + k));
    for (const container of pans)
      await enter(
        2,
        {
          kind: 'filled',
          container,
          kg: left.kg / pans.length,
          vessel: 'Shallow pan',
          madeMs,
          store,
          contents,
          from: { batchId, entryId: left.entryId },
        },
        {
          kind: 'set to cool',
          container,
          startC: 75,
          depthM: 0.02,
          place: 'blast',
          isStirred: false,
          rule: 'two-stage',
          words: '',
        },
      );
    const stock = await send<{ entries: StockEntry[] }>('GET', `/practice/api/bench/${batchId}/stock`);
    expect(stock.body.entries.length).toBe(2 * pans.length);
    const clock = new PracticeClock();
    clock.go(madeMs, 60, NOW);
    const hidden = { seed: 600, mishaps: LESSONS.find(({ id: lesson }) => lesson === 'big-pot-cools')!.mishaps };
    const probe = trueTempOf(batch, stock.body.entries, hidden, pans[0]!, clock)!;
    expect(probe(NOW)).toBeGreaterThan(70);
    expect(probe(NOW + 120_000))
      .withContext('two hours by its own clock')
      .toBeLessThan(21);
    const judged = async (): Promise<Practice> => (await send<Practice>('POST', `/practice/api/bench/${batchId}/result`)).body;
    expect(await judged())
      .withContext('they still cool')
      .toEqual(jasmine.objectContaining({ passed: false, points: 4 }));
    for (const container of pans) await enter(400, { kind: 'cooled', container, store });
    expect(await judged()).toEqual(jasmine.objectContaining({ passed: true, points: 4 }));
    // One of them deep and in the still air of the kitchen: it is not the readings that are judged.
    await enter(3, {
      kind: 'set to cool',
      container: pans[0]!,
      startC: 74,
      depthM: 0.1,
      place: 'kitchen',
      isStirred: false,
      rule: 'two-stage',
      words: '',
      countsFromMs: madeMs,
    });
    await enter(200, { kind: 'read', container: pans[0]!, tempC: 4 });
    await enter(401, { kind: 'cooled', container: pans[0]!, store });
    expect(await judged()).toEqual(jasmine.objectContaining({ passed: false, points: 2 }));
    expect(await kitchenAsItIs()).toBe(before);
  });

  it('refuses a lesson that there is none of, and practices in the kitchen itself', async () => {
    expect((await begin(200, 'no-such')).status).toBe(404);
    const inside = await send('POST', '/api/bench', { batchId: id(1), planId: id(2), lesson: 'too-thick', seed: 1, who: '' });
    expect(inside.status).toBe(404);
    expect((await send('GET', '/practice/api/bench/none')).status).toBe(404);
    expect((await send('POST', '/practice/api/bench', { lesson: 3 })).status).toBe(400);
    const whose = await send<{ error: { field: string } }>('DELETE', '/practice/api/bench');
    expect([whose.status, whose.body.error.field]).toEqual([400, 'who']);
  });

  it('forgets what somebody practised when told to, and nobody else’s', async () => {
    await begin(300, 'first-bowl', 'MO');
    await begin(301, 'first-bowl', 'JT');
    const { body } = await send<{ forgotten: number }>('DELETE', '/practice/api/bench?who=MO');
    expect(body.forgotten).toBe(1);
    const { body: left } = await send<{ practices: Practice[] }>('GET', '/practice/api/bench');
    expect(left.practices.some(({ who }) => who === 'MO')).toBeFalse();
    expect(left.practices.length).toBeGreaterThan(0);
  });
});
