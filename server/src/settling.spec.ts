import { ENTRY_SHAPE, type Action, type Entry } from '@tureen/core/batch';
import type { MonthSheet } from '@tureen/core/month';
import { EXAMPLE_SOUPS, walk } from '@tureen/core/soup';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { startTestServer, type TestServer } from '../spec/test-server.js';
import { listBatches, listOpen, listTimers, MOST_BATCHES, readBatch } from './batches.js';
import { listLeftovers } from './cold.js';
import { projectionsUpToDate, rebuildProjections } from './projections.js';
import {
  batches,
  batchSummaries,
  entries,
  kitchens,
  leftovers,
  lineYields,
  openTimers,
  projectionDays,
  shelfRows,
} from './schema.js';
import { listShelf, refreshShelf } from './shelf.js';

const NOW = 1_790_000_000_000;
const PLAN = '00000000-0000-4000-8000-0000000000a1';
const soup = EXAMPLE_SOUPS[0]!;
const STEPS = walk(soup.root).map(({ step }) => step.id);

function batchIdOf(n: number): string {
  return `00000000-0000-4000-8700-${n.toString(16).padStart(12, '0')}`;
}

/** The nth entry of a batch: an id of its own in every batch. */
function entryIdOf(batch: string, n: number): string {
  return `${batch.slice(-8)}-0000-4000-8900-${n.toString(16).padStart(12, '0')}`;
}

describe('what is settled with an entry', () => {
  let server: TestServer;
  let made = 0;

  beforeEach(async () => {
    made = 0;
    server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    await server.send('POST', '/soups', { soup, basedOn: 0, note: 'first' });
    await server.send('POST', '/plans', {
      id: PLAN,
      soupId: soup.id,
      version: 1,
      request: { bowls: 80, bowlG: 300, potId: 'boiler-40' },
    });
  });

  afterEach(() => {
    server.close();
  });

  async function started(): Promise<string> {
    made += 1;
    const id = batchIdOf(made);
    await server.send('POST', '/batches', { id, planId: PLAN });
    return id;
  }

  const entry = (batch: string, n: number, action: Action): Entry => ({
    id: entryIdOf(batch, n),
    shape: ENTRY_SHAPE,
    stamp: { counter: n, device: 'spec-tablet', seq: n },
    atMs: NOW + n * 60_000,
    who: 'AB',
    action,
  });
  const post = (batch: string, list: readonly Entry[]) => server.send('POST', `/batches/${batch}/entries`, { entries: list });

  it('any split of the same entries into requests gives the same batch, whatever is closed, opened and poured (random splits)', async () => {
    const story = (batch: string): Entry[] => {
      const done = STEPS.map((stepId): Action => ({ kind: 'done', stepId }));
      const actions: Action[] = [...done, { kind: 'dished', bowls: 40 }, { kind: 'closed' }];
      const closing = entry(batch, actions.length, { kind: 'closed' }).id;
      const open: Action = { kind: 'undone', target: closing };
      const opening = entry(batch, actions.length + 2, open).id;
      actions.push(
        { kind: 'dished', bowls: 5 },
        open,
        { kind: 'added', stepId: 'cream', line: 'cream', kg: 2 },
        { kind: 'undone', target: opening },
        { kind: 'dished', bowls: 7 },
        { kind: 'stored', kg: 1 },
      );
      return actions.map((action, n) => entry(batch, n + 1, action));
    };
    const whole = await started();
    await post(whole, story(whole));
    const expected = await readBatch(server.database, whole);
    expect(expected?.closedFigures?.dishedBowls).toBe(45);
    await fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 8 }), { minLength: 3, maxLength: 8 }), async (sizes) => {
        const batch = await started();
        const list = story(batch);
        for (let at = 0, n = 0; at < list.length; n++) {
          const size = sizes[n % sizes.length] ?? 1;
          await post(batch, list.slice(at, at + size));
          at += size;
        }
        const got = await readBatch(server.database, batch);
        expect(got?.closedFigures).toEqual(expected?.closedFigures ?? null);
        expect(got?.lateEntries).toBe(expected?.lateEntries);
        expect(got?.closedAtMs === null).toBeFalse();
      }),
      { numRuns: 12 },
    );
  });

  it('what was poured after a batch was opened again is in, in one request or in two, and still is when it is closed again', async () => {
    const batch = await started();
    const close = entry(batch, 50, { kind: 'closed' });
    await post(batch, [...STEPS.map((stepId, n) => entry(batch, n + 1, { kind: 'done', stepId })), close]);
    const before = (await readBatch(server.database, batch))?.closedFigures?.actual.cookedKg ?? 0;
    const poured = await post(batch, [
      entry(batch, 51, { kind: 'undone', target: close.id }),
      entry(batch, 52, { kind: 'added', stepId: 'cream', line: 'cream', kg: 10 }),
    ]);
    expect(poured.body).toEqual({ kept: 2, known: 0, late: [] });
    await post(batch, [entry(batch, 53, { kind: 'closed' })]);
    const after = await readBatch(server.database, batch);
    // Cream was ticked as planned; with an amount on record exactly that amount went in: 10 kg of it.
    expect(after?.closedFigures?.actual.cookedKg ?? 0).toBeGreaterThan(before + 7);
  });

  it('nothing that comes after the close moves its figures, an old undo taken back neither', async () => {
    const batch = await started();
    const pour = entry(batch, 40, { kind: 'added', stepId: 'cream', line: 'cream', kg: 5 });
    const undo = entry(batch, 41, { kind: 'undone', target: pour.id });
    const steps = STEPS.map((stepId, n) => entry(batch, n + 1, { kind: 'done', stepId }));
    await post(batch, [...steps, pour, undo, entry(batch, 42, { kind: 'closed' })]);
    const closed = await readBatch(server.database, batch);
    await post(batch, [entry(batch, 43, { kind: 'undone', target: undo.id })]);
    const after = await readBatch(server.database, batch);
    expect(after?.closedFigures).toEqual(closed?.closedFigures ?? null);
    expect(after?.lateEntries).toBe(1);
  });

  it('lists follow the entries: timers that run, what is left over, how many came late, what trimming gave', async () => {
    const batch = await started();
    await post(batch, [
      entry(batch, 1, { kind: 'timed', timer: 'oven', name: 'Oven', stepId: 'roast', minutes: 30 }),
      entry(batch, 2, { kind: 'timed', timer: 'pan', name: 'Pan', minutes: 5 }),
      entry(batch, 3, { kind: 'silenced', timer: 'pan' }),
      entry(batch, 4, { kind: 'stored', kg: 2.5 }),
    ]);
    expect((await listTimers(server.database)).map(({ timer }) => timer.name)).toEqual(['Oven']);
    expect((await listLeftovers(server.database)).map(({ kg }) => kg)).toEqual([2.5]);
    expect((await listOpen(server.database)).map(({ id }) => id)).toEqual([batch]);
    // A step that is over needs no ringing; a taking-back brings both back as they were.
    await post(batch, [
      entry(batch, 5, { kind: 'done', stepId: 'roast' }),
      entry(batch, 6, { kind: 'undone', target: entry(batch, 4, { kind: 'closed' }).id }),
    ]);
    expect(await listTimers(server.database)).toEqual([]);
    expect(await listLeftovers(server.database)).toEqual([]);
    await post(batch, [
      ...STEPS.map((stepId, n) => entry(batch, 10 + n, { kind: 'done', stepId })),
      entry(batch, 60, { kind: 'closed' }),
    ]);
    const yields = await server.database.db.select().from(lineYields);
    const beetroot = yields.find(({ ingredient }) => ingredient === 'beetroot');
    // Beetroot without tops, pared: 77 % (Food Buying Guide, from memory), as the larder has it.
    expect((beetroot?.keptKg ?? 0) / (beetroot?.boughtKg ?? 1)).toBeGreaterThan(0.6);
    expect(await listOpen(server.database)).toEqual([]);
  });

  it('lists made anew from the record are the lists that were kept', async () => {
    const [one, two] = [await started(), await started()];
    await post(one, [
      entry(one, 1, { kind: 'timed', timer: 'a', name: 'A', minutes: 9 }),
      entry(one, 2, { kind: 'stored', kg: 1 }),
    ]);
    const close = entry(two, 30, { kind: 'closed' });
    await post(two, [...STEPS.map((stepId, n) => entry(two, n + 1, { kind: 'done', stepId })), close]);
    await post(two, [entry(two, 31, { kind: 'dished', bowls: 3 })]);
    const all = async () => {
      const { db } = server.database;
      const tables = [batchSummaries, openTimers, leftovers, lineYields] as const;
      return Promise.all(tables.map(async (table) => (await db.select().from(table)).map((row) => JSON.stringify(row)).sort()));
    };
    const kept = await all();
    expect(kept.every((rows) => rows.length > 0)).toBeTrue();
    expect(await rebuildProjections(server.database)).toEqual({ batches: 2 });
    expect(await all()).toEqual(kept);
  });

  it('a close that was kept by a server that died before it settled is settled at the next start, and closed figures stay', async () => {
    const batch = await started();
    const list = [...STEPS.map((stepId, n) => entry(batch, n + 1, { kind: 'done', stepId })), entry(batch, 30, { kind: 'closed' })];
    const { db } = server.database;
    await db.insert(entries).values(
      list.map((own, n) => ({
        arrival: n + 1,
        id: own.id,
        subject: 'batch' as const,
        subjectId: batch,
        entry: own,
        receivedAtMs: NOW,
      })),
    );
    await db.delete(projectionDays);
    await projectionsUpToDate(server.database);
    const healed = await readBatch(server.database, batch);
    expect(healed?.closedFigures?.actual.bowls).toBeCloseTo(80, 0);
    const marked = { ...healed!.closedFigures!, coreVersion: 'older' };
    await db.update(batches).set({ closedFigures: marked }).where(eq(batches.id, batch));
    await rebuildProjections(server.database);
    expect((await readBatch(server.database, batch))?.closedFigures).toEqual(marked);
  });

  it('refuses an entry of a line that neither plan nor record knows, keeps nothing of its request, and takes it once the line was brought', async () => {
    const batch = await started();
    const good = entry(batch, 1, { kind: 'note', text: 'fine' });
    const bad = entry(batch, 2, { kind: 'added', stepId: 'cream', line: 'moonshine', kg: 1 });
    const refused = await post(batch, [good, bad]);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain('moonshine');
    expect((await readBatch(server.database, batch))?.entries).toEqual([]);
    const row = (await server.send('GET', '/larder/water')).body as { now: never };
    const bring = entry(batch, 3, { kind: 'brought', stepId: 'cream', line: 'moonshine', row: row.now, kg: 1 });
    expect((await post(batch, [bring, bad])).status).toBe(200);
    expect((await post(batch, [good])).status).toBe(200);
  });

  it('batches are listed a hundred at a time, each once, to the oldest', async () => {
    for (let n = 0; n < MOST_BATCHES + 30; n++) await started();
    const first = await listBatches(server.database);
    expect(first.batches.length).toBe(MOST_BATCHES);
    const rest = await listBatches(server.database, first.next);
    expect(rest.batches.length).toBe(30);
    expect(rest.next).toBeUndefined();
    const ids = new Set([...first.batches, ...rest.batches].map(({ id }) => id));
    expect(ids.size).toBe(MOST_BATCHES + 30);
    const asked = await server.send('GET', `/batches?startedBefore=${String(first.next!.startedAtMs)}&id=${first.next!.id}`);
    expect((asked.body as { batches: unknown[] }).batches.length).toBe(30);
    expect((await server.send('GET', '/batches?startedBefore=yesterday')).status).toBe(400);
  });

  it('a month adds up what was cooked in it where the kitchen stands; what was taken back is in no figure', async () => {
    const month = new Date(NOW).toISOString().slice(0, 7);
    const sheetOf = async (of: string): Promise<MonthSheet> => (await server.send('GET', `/months/${of}`)).body as MonthSheet;
    const open = await started();
    const batch = await started();
    const last = STEPS.at(-1) ?? '';
    const ladled = (n: number, kg: number, as: 'staff meal' | 'spilt') =>
      entry(batch, n, { kind: 'ladled out', stepId: last, kg, as });
    await post(batch, [
      ...STEPS.slice(0, -1).map((stepId, n) => entry(batch, n + 1, { kind: 'done', stepId })),
      ladled(80, 1, 'staff meal'),
      ladled(81, 2, 'spilt'),
      ladled(82, 3, 'spilt'),
      entry(batch, 83, { kind: 'undone', target: entryIdOf(batch, 82) }),
      entry(batch, 84, { kind: 'stored', kg: 0.5 }),
      entry(batch, 90, { kind: 'closed' }),
    ]);
    const sheet = await sheetOf(month);
    expect(open).not.toBe(batch);
    expect([sheet.batches, sheet.open]).toEqual([1, 1]);
    expect(sheet.flow.otherKg).toEqual({ 'staff meal': 1, spilt: 2 });
    expect(sheet.flow.storedKg).toBeCloseTo(0.5, 9);
    const { actual } = (await readBatch(server.database, batch))!.closedFigures!;
    expect(sheet.cookedKg).toBeCloseTo(actual.cookedKg, 9);
    expect(sheet.cost).toBeCloseTo(actual.cost, 9);
    const { inKg, trimmedKg, goneInCookingKg, bowlsKg, storedKg, uncountedKg } = sheet.flow;
    expect(trimmedKg + goneInCookingKg + bowlsKg + storedKg + uncountedKg + 3).toBeCloseTo(inKg, 9);
    expect(sheet.waste.map(({ reason }) => reason)).toContain('spilt');
    expect((await sheetOf('2001-01')).batches).toBe(0);
    expect((await server.send('GET', '/months/2026-13')).status).toBe(400);
  });

  it('batches are found by words of soup and note, by when they began, and by how far off they came out', async () => {
    const [a, b, c] = [await started(), await started(), await started()];
    const idsOf = async (query: string): Promise<string[]> => {
      const { status, body } = await server.send('GET', `/batches?${query}`);
      expect(status).withContext(query).toBe(200);
      return (body as { batches: { id: string }[] }).batches.map(({ id }) => id).sort();
    };
    const [name = ''] = soup.name.split(' ');
    await post(a, [entry(a, 1, { kind: 'note', text: 'The new oven was 100 % too hot' })]);
    await post(b, [entry(b, 1, { kind: 'note', text: 'quiet day' })]);
    expect(await idsOf('words=OVEN')).toEqual([a]);
    expect(await idsOf(`words=${name.toLowerCase()}%20oven`)).toEqual([a]);
    expect(await idsOf(`words=${name}`)).toEqual([a, b, c].sort());
    // What stands for any letter in SQL stands for itself.
    expect(await idsOf(`words=${encodeURIComponent('%')}`)).toEqual([a]);
    expect(await idsOf(`words=${encodeURIComponent("_' or 1=1")}`)).toEqual([]);
    expect(await idsOf(`sinceMs=${String(NOW + 86_400_000)}`)).toEqual([]);
    expect((await idsOf(`sinceMs=${String(NOW - 86_400_000)}&beforeMs=${String(NOW + 86_400_000)}`)).length).toBe(3);
    expect(await idsOf('apart=short'))
      .withContext('none is closed')
      .toEqual([]);
    const last = STEPS.at(-1) ?? '';
    await post(c, [
      ...STEPS.slice(0, -1).map((stepId, n) => entry(c, n + 1, { kind: 'done', stepId })),
      entry(c, 90, { kind: 'ladled out', stepId: last, kg: 4, as: 'staff meal' }),
      entry(c, 91, { kind: 'closed' }),
    ]);
    const { closedFigures, planned } = (await readBatch(server.database, c))!;
    // As if it had come out so: what is looked for is what the ledger shows.
    const cameOut = (share: number) =>
      server.database.write(() =>
        server.database.db
          .update(batchSummaries)
          .set({ closedFigures: { ...closedFigures!, actual: { ...closedFigures!.actual, cookedKg: planned.cookedKg * share } } })
          .where(eq(batchSummaries.batchId, c)),
      );
    for (const [share, short, over] of [
      [0.94, [c], []],
      [0.96, [], []],
      [1.04, [], []],
      [1.06, [], [c]],
    ] as const) {
      await cameOut(share);
      expect(await idsOf('apart=short'))
        .withContext(String(share))
        .toEqual([...short]);
      expect(await idsOf('apart=over'))
        .withContext(String(share))
        .toEqual([...over]);
    }
    expect((await server.send('GET', `/batches?words=${'x%20'.repeat(20)}`)).status).toBe(400);
    expect((await server.send('GET', '/batches?apart=sideways')).status).toBe(400);
  });
});

describe('the shelf', () => {
  it('knows a soup’s colour and its last batch from the first sight on; another kit makes it old until it is worked out anew', async () => {
    const server = await startTestServer(() => NOW);
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    await server.send('POST', '/soups', { soup, basedOn: 0, note: '' });
    const [first] = await listShelf(server.database);
    expect(first?.fresh).toBeTrue();
    expect(first?.facts.colour).toMatch(/^#[0-9a-f]{6}$/);
    expect(first?.facts.colour).not.toBe('#d9cdb7');
    expect(first?.facts.allergens).toContain('milk');
    expect(first?.last).toBeNull();
    await server.send('PUT', '/kitchen', { ready: 'home' });
    await server.database.write(() => server.database.db.update(kitchens).set({ changedAtMs: NOW + 5 }));
    expect((await listShelf(server.database))[0]?.fresh).toBeFalse();
    expect(await refreshShelf(server.database, NOW)).toBe(1);
    expect(await refreshShelf(server.database, NOW)).toBe(0);
    expect((await listShelf(server.database))[0]?.fresh).toBeTrue();
    await server.database.db.delete(shelfRows);
    expect(await refreshShelf(server.database, NOW)).toBe(1);
    expect((await listShelf(server.database))[0]).toEqual(jasmine.objectContaining({ id: soup.id, version: 1 }));
    server.close();
  });
});
