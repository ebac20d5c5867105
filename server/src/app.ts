import { zValidator } from '@hono/zod-validator';
import { READY_KITS, type Kit, type Place } from '@tureen/core/kit';
import { CORE_VERSION } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { HTTPException } from 'hono/http-exception';
import { secureHeaders } from 'hono/secure-headers';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';
import { appendEntries, listBatches, listOpen, listTimers, readBatch, startBatch } from './batches.js';
import { body, fail } from './answers.js';
import { coldRoutes } from './cold-routes.js';
import { dayRoutes, menuRoutes } from './day-routes.js';
import {
  BatchBodySchema,
  CorrectionSchema,
  EntriesBodySchema,
  KitchenChoiceSchema,
  PlanBodySchema,
  PlanChangeSchema,
  PlanNoteSchema,
  PricesSchema,
  withRequest,
} from './bodies.js';
import type { Database } from './database.js';
import type { Devices } from './devices/devices.js';
import { CommandSchema, readLines } from './devices/protocol.js';
import type { Hub } from './hub.js';
import { learnedVersion } from './evidence.js';
import { saveKit } from './kitchen.js';
import { readKitAsLearned } from './learned.js';
import { learnedRoutes } from './learned-routes.js';
import { readMonth } from './month.js';
import { addPrices, correctIngredient, readIngredient, readLarder } from './larder.js';
import { keepPhoto, readPhoto } from './photos.js';
import { changePlan, dropPlan, listPlans, notePlan, readPlan, savePlan } from './plans.js';
import { benchRoutes } from './practice/bench-routes.js';
import type { PracticeClock } from './practice/practice-clock.js';
import { supplyRoutes } from './supply-routes.js';
import { Unreadable } from './shaped.js';
import { rebuildStock } from './stock.js';
import { listShelf } from './shelf.js';
import { soupRoutes } from './soup-routes.js';

/** Largest body that is read, bytes. */
const MOST_BYTES = 1_048_576;
const PING_MS = 15_000;
/** What may wait to be read by one screen, bytes. */
const MOST_WAITING_BYTES = 4_194_304;
/** What is found by its own bytes never changes. */
const FOR_EVER = 'private, max-age=31536000, immutable';

export interface Services {
  readonly database: Database;
  readonly hub: Hub;
  readonly devices: Devices;
  readonly mode: 'demo' | 'own' | 'practice';
  /** The clock of the practice kitchen, in it. */
  readonly practiceClock?: PracticeClock;
  /** The practice kitchen, whose paths stand under /practice: the same application on a file of its own. */
  readonly practice?: { readonly fetch: (request: Request) => Promise<Response> };
  /** Names and addresses besides loopback that it answers to, and the gate that then stands before all else. */
  readonly hosts?: readonly string[];
  readonly gate?: Hono;
  /** Which build of the page is handed out, so that one of another can say so. */
  readonly build?: string | undefined;
  /** Works anew in the background what hangs on kit and larder. */
  readonly refresh?: () => Promise<void>;
  readonly nowMs: () => number;
  readonly logBug: (error: unknown) => void;
}

function hostnameOf(host: string | undefined): string | undefined {
  return host === undefined ? undefined : URL.canParse(`http://${host}`) ? new URL(`http://${host}`).hostname : host;
}

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Another site that a request comes from, where it would change something. A browser says so in one of two headers and
 * lets no page forge them; what is no browser sends neither.
 */
function foreignTo(c: Context): string | undefined {
  if (READS.has(c.req.method)) return undefined;
  const site = c.req.header('sec-fetch-site');
  const origin = c.req.header('origin');
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return origin ?? site;
  if (origin === undefined) return undefined;
  const host = c.req.header('host') ?? new URL(c.req.url).host;
  return URL.canParse(origin) && new URL(origin).host === host ? undefined : origin;
}

/** Words of one search, and letters of them. */
const MOST_WORDS = 8;
const LONGEST_SEARCH = 120;

/** Where a list of batches goes on, and what is looked for; from its beginning and all of them where nothing is asked. */
function cursorAsked() {
  const moment = z.coerce.number<string>().int().min(0).max(8_640_000_000_000_000).optional();
  const schema = z.object({
    startedBefore: z.coerce.number<string>().int().optional(),
    id: z.uuid().optional(),
    words: z
      .string()
      .max(LONGEST_SEARCH)
      .transform((text) => text.split(/\s+/).filter((word) => word !== ''))
      .pipe(z.array(z.string()).max(MOST_WORDS))
      .optional(),
    sinceMs: moment,
    beforeMs: moment,
    apart: z.enum(['short', 'over']).optional(),
  });
  return zValidator('query', schema, (result, c) => {
    if (!result.success) {
      const field = String(result.error.issues[0]?.path[0] ?? 'startedBefore');
      const why =
        field === 'words'
          ? `look for ${String(MOST_WORDS)} words at most, of ${String(LONGEST_SEARCH)} letters in all`
          : 'it is no place in the list';
      return fail(c, { code: 'BAD_INPUT', field, why });
    }
    return undefined;
  });
}

/** Whether all entries of a batch are wanted, or of a long one fewer that come to the same. */
function entriesAsked() {
  return zValidator('query', z.object({ entries: z.enum(['fewer', 'all']).optional() }), (result, c) =>
    result.success ? undefined : fail(c, { code: 'BAD_INPUT', field: 'entries', why: 'ask for fewer or all' }),
  );
}

/** A kit that ships, in a kitchen's own place: what that leaves open is open, not as it shipped. */
function standing(ready: Kit, place: Place | undefined): Kit {
  if (place === undefined) return ready;
  const { country, currency, zone, units } = place;
  return { ...ready, country, currency, zone, units };
}

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/** The whole HTTP face of the kitchen. Its type is the web's typed client. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function makeApp(services: Services) {
  const { database, hub, devices, mode, nowMs } = services;

  const api = new Hono()
    .get('/kitchen', async (c) => c.json({ kit: (await readKitAsLearned(database)) ?? null, mode, coreVersion: CORE_VERSION }))
    .put('/kitchen', body(KitchenChoiceSchema), async (c) => {
      const choice = c.req.valid('json');
      // What was learnt is no part of the kit that is kept: it is put in anew whenever the kit is read.
      const given = 'kit' in choice ? choice.kit : standing(READY_KITS[choice.ready], choice.place);
      const kit = { ...given, learned: undefined };
      await saveKit(database, kit, nowMs());
      // Its days, and how long it keeps soup, may be others now.
      await rebuildStock(database);
      hub.tell({ kind: 'cold' });
      hub.tell({ kind: 'kitchen' });
      // Its day may begin at another hour now, and with it a price.
      hub.tell({ kind: 'larder' });
      void services.refresh?.();
      return c.json({ kit }, 200);
    })
    .get('/larder', async (c) => c.json(await readLarder(database, nowMs())))
    .get('/larder/:id', async (c) => {
      const known = await readIngredient(database, c.req.param('id'), nowMs());
      return known === undefined ? fail(c, { code: 'NO_SUCH_INGREDIENT', field: 'id' }) : c.json(known, 200);
    })
    .put('/larder/:id', body(CorrectionSchema), async (c) => {
      const { row, why } = c.req.valid('json');
      const result = await correctIngredient(database, c.req.param('id'), row, why, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'larder' });
      void services.refresh?.();
      return c.json(result.value, 200);
    })
    .post('/prices', body(PricesSchema), async (c) => {
      const { prices, source } = c.req.valid('json');
      const result = await addPrices(database, prices, source, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'larder' });
      return c.json(result.value, 201);
    })
    .get('/examples', (c) => c.json({ soups: [...EXAMPLE_SOUPS] }))
    .get('/shelf', async (c) => c.json({ soups: await listShelf(database) }))
    .route('/soups', soupRoutes(services))
    .post('/photos', async (c) => {
      const result = await keepPhoto(database, new Uint8Array(await c.req.arrayBuffer()), nowMs());
      return result.ok ? c.json(result.value, 201) : fail(c, result.failure);
    })
    .get('/photos/:id', async (c) => {
      const photo = await readPhoto(database, c.req.param('id'));
      if (photo === undefined) return fail(c, { code: 'NO_SUCH_PHOTO', field: 'id' });
      return c.body(photo.bytes, 200, { 'content-type': photo.kind, 'cache-control': FOR_EVER });
    })
    .get('/plans', async (c) => c.json({ plans: await listPlans(database) }))
    .get('/plans/:id', async (c) => {
      const plan = await readPlan(database, c.req.param('id'));
      return plan === undefined ? fail(c, { code: 'NO_SUCH_PLAN', field: 'id' }) : c.json(plan, 200);
    })
    .post('/plans', body(withRequest(PlanBodySchema)), async (c) => {
      const result = await savePlan(database, c.req.valid('json'), nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'plan', planId: result.value.id });
      return c.json({ id: result.value.id, figures: result.value.figures, scale: result.value.snapshot.scale }, 201);
    })
    .put('/plans/:id', body(withRequest(PlanChangeSchema)), async (c) => {
      const planId = c.req.param('id');
      const result = await changePlan(database, planId, c.req.valid('json'), nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'plan', planId });
      return c.json({ id: planId, figures: result.value.figures, scale: result.value.snapshot.scale }, 200);
    })
    .put('/plans/:id/note', body(PlanNoteSchema), async (c) => {
      const planId = c.req.param('id');
      const result = await notePlan(database, planId, c.req.valid('json'));
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'plan', planId });
      return c.json(result.value, 200);
    })
    .delete('/plans/:id', async (c) => {
      const planId = c.req.param('id');
      const result = await dropPlan(database, planId);
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'plan', planId });
      return c.json(result.value, 200);
    })
    .get('/batches', cursorAsked(), async (c) => {
      const { startedBefore, id, ...find } = c.req.valid('query');
      const from = startedBefore === undefined || id === undefined ? undefined : { startedAtMs: startedBefore, id };
      const { batches, next } = await listBatches(database, from, find);
      return c.json({ batches, next: next ?? null }, 200);
    })
    .get('/batches/open', async (c) => c.json({ batches: await listOpen(database) }))
    .get('/months/:month', async (c) => {
      const month = c.req.param('month');
      if (!/^\d{4}-(?:0[1-9]|1[0-2])$/.test(month))
        return fail(c, { code: 'BAD_INPUT', field: 'month', why: 'it is no month, as 2026-12' });
      return c.json(await readMonth(database, month), 200);
    })
    .get('/timers', async (c) => c.json({ timers: await listTimers(database) }))
    .get('/batches/:id', entriesAsked(), async (c) => {
      const batch = await readBatch(database, c.req.param('id'), c.req.valid('query').entries === 'fewer');
      return batch === undefined ? fail(c, { code: 'NO_SUCH_BATCH', field: 'id' }) : c.json(batch, 200);
    })
    .post('/batches', body(BatchBodySchema), async (c) => {
      const { id, planId, startedAtMs } = c.req.valid('json');
      const result = await startBatch(database, id, planId, nowMs(), startedAtMs);
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'batch', batchId: id });
      return c.json(result.value, 201);
    })
    .post('/batches/:id/entries', body(EntriesBodySchema), async (c) => {
      const batchId = c.req.param('id');
      const taught = learnedVersion(database);
      const result = await appendEntries(database, batchId, c.req.valid('json').entries, nowMs());
      if (!result.ok) return fail(c, result.failure);
      const { kept, known, late } = result.value;
      if (kept.length > 0) hub.tell({ kind: 'entries', batchId, entries: kept });
      if (kept.some(({ action }) => action.kind === 'stored' || action.kind === 'undone')) hub.tell({ kind: 'cold' });
      if (kept.some(({ action }) => action.kind === 'closed' || action.kind === 'undone')) {
        hub.tell({ kind: 'batch', batchId });
      }
      // What a closed batch teaches is in the next plan.
      if (learnedVersion(database) !== taught) hub.tell({ kind: 'kitchen' });
      return c.json({ kept: kept.length, known, late: [...late] }, 200);
    })
    .route('/cold', coldRoutes(services))
    .route('/days', dayRoutes(services))
    .route('/menu', menuRoutes(services))
    .route('/supplies', supplyRoutes(services))
    .route('/bench', benchRoutes(services))
    .route('/learned', learnedRoutes(services))
    .get('/devices', (c) => c.json({ devices: devices.list() }))
    .post('/devices/lines', async (c) => {
      const read = readLines(await c.req.text());
      if (!read.ok) return fail(c, { code: 'BAD_INPUT', field: `line ${String(read.line)}`, why: read.why });
      for (const line of read.lines) devices.take(line);
      return c.json({ taken: read.lines.length }, 200);
    })
    .post('/devices/:id/commands', body(CommandSchema), (c) => {
      const id = c.req.param('id');
      return devices.command(id, c.req.valid('json')) ? c.json({ id }, 202) : fail(c, { code: 'NO_SUCH_DEVICE', field: 'id' });
    })
    .get('/devices/commands', (c) =>
      streamSSE(c, async (stream) => {
        const stop = devices.onCommand((device, command) => {
          void stream.writeSSE({ event: 'command', data: JSON.stringify({ device, ...command }) });
        });
        stream.onAbort(stop);
        while (!stream.aborted && !stream.closed) {
          await stream.writeSSE({ event: 'ping', data: String(nowMs()) });
          await stream.sleep(PING_MS);
        }
        stop();
      }),
    )
    .get('/stream', (c) =>
      streamSSE(c, async (stream) => {
        // A screen that does not read is let go: when it comes back it asks for everything anew.
        let waitingBytes = 0;
        const stop = hub.stream((bytes) => {
          waitingBytes += bytes.length;
          if (waitingBytes > MOST_WAITING_BYTES) {
            stop();
            stream.abort();
            return;
          }
          void stream.write(bytes).finally(() => {
            waitingBytes -= bytes.length;
          });
        });
        stream.onAbort(stop);
        await stream.writeSSE({ event: 'hello', data: JSON.stringify({ nowMs: nowMs(), build: services.build ?? null }) });
        while (!stream.aborted && !stream.closed) {
          await stream.sleep(PING_MS);
          await stream.writeSSE({ event: 'ping', data: String(nowMs()) });
        }
        stop();
      }),
    )
    .get('/health', (c) => c.json({ ok: true, mode }));

  const hosts = new Set([...LOOPBACK, ...(services.hosts ?? [])]);
  const app = new Hono()
    .use(async (c, next) => {
      const stranger = [new URL(c.req.url).hostname, hostnameOf(c.req.header('host'))].find(
        (host) => host !== undefined && !hosts.has(host),
      );
      if (stranger !== undefined) return fail(c, { code: 'FOREIGN_HOST', host: stranger });
      return next();
    })
    .use('/api/*', async (c: Context, next) => {
      const from = foreignTo(c);
      return from === undefined ? next() : fail(c, { code: 'FOREIGN_SITE', from });
    })
    .use(
      secureHeaders({
        contentSecurityPolicy: {
          defaultSrc: ["'self'"],
          // The solver is WebAssembly; nothing else may be compiled from text.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          // Angular and NG-ZORRO write component styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
        },
      }),
    )
    .route('/', services.gate ?? new Hono())
    .all('/practice/api/*', async (c) => {
      if (services.practice === undefined) return fail(c, { code: 'NO_SUCH_PATH' });
      const url = new URL(c.req.url);
      url.pathname = url.pathname.slice('/practice'.length);
      return services.practice.fetch(new Request(url, c.req.raw));
    })
    .use('/api/*', compress({ contentTypeFilter: /^application\/json/ }))
    .use('/api/*', bodyLimit({ maxSize: MOST_BYTES, onError: (c) => fail(c, { code: 'TOO_LARGE', mostBytes: MOST_BYTES }) }))
    .use('/api/*', async (c, next) => {
      await next();
      if (!c.res.headers.has('cache-control')) c.res.headers.set('cache-control', 'no-store');
    })
    .route('/api', api);

  app.all('/api/*', (c) => fail(c, { code: 'NO_SUCH_PATH' }));
  app.onError((error, c) => {
    if (error instanceof HTTPException && error.status === 400) return fail(c, { code: 'BAD_JSON' });
    if (error instanceof Unreadable) {
      const { name, path, why } = error.problem;
      return fail(c, { code: 'UNREADABLE', what: name, field: path, why });
    }
    services.logBug(error);
    return fail(c, { code: 'SERVER_BUG' });
  });
  return app;
}

export type Api = ReturnType<typeof makeApp>;
