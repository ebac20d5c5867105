import { zValidator } from '@hono/zod-validator';
import { Hono } from 'hono';
import { z } from 'zod';
import { body, fail, type Routed } from '../answers.js';
import { PracticeBodySchema, PracticeClockSchema } from '../bodies.js';
import { readStockOf } from '../stock.js';
import type { PracticeClock } from './practice-clock.js';
import { beginPractice, forgetPractices, judgePractice, listPractices, readPractice } from './practices.js';

/** Whose practices: by initials, or empty for those of nobody named. */
function whoAsked() {
  return zValidator('query', z.object({ who: z.string().max(40) }), (result, c) => {
    if (!result.success) return fail(c, { code: 'BAD_INPUT', field: 'who', why: 'say whose practices are meant' });
    return undefined;
  });
}

interface BenchRouted extends Routed {
  readonly mode: string;
  readonly practiceClock?: PracticeClock | undefined;
}

/** The bench: practices of a kitchen that is only for practice. The real kitchen has none, and can't be given any. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function benchRoutes({ database, hub, nowMs, mode, practiceClock }: BenchRouted) {
  return new Hono()
    .use(async (c, next) => (mode === 'practice' ? next() : fail(c, { code: 'NO_SUCH_PATH' })))
    .get('/', async (c) => c.json({ practices: await listPractices(database) }))
    .get('/:batchId', async (c) => {
      const practice = await readPractice(database, c.req.param('batchId'));
      return practice === undefined ? fail(c, { code: 'NO_SUCH_BATCH', field: 'batchId' }) : c.json(practice, 200);
    })
    .get('/:batchId/stock', async (c) => c.json({ entries: await readStockOf(database, c.req.param('batchId')) }))
    .post('/', body(PracticeBodySchema), async (c) => {
      const result = await beginPractice(database, c.req.valid('json'), Math.round(practiceClock?.at(nowMs()) ?? nowMs()));
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'batch', batchId: result.value.batchId });
      hub.tell({ kind: 'practice' });
      return c.json(result.value, 201);
    })
    .put('/clock', body(PracticeClockSchema), (c) => {
      const { practiceMs, speed } = c.req.valid('json');
      practiceClock?.go(practiceMs, speed, nowMs());
      return c.json({ speed }, 200);
    })
    .post('/:batchId/result', async (c) => {
      const result = await judgePractice(database, c.req.param('batchId'));
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'practice' });
      return c.json(result.value, 200);
    })
    .delete('/', whoAsked(), async (c) => {
      const forgotten = await forgetPractices(database, c.req.valid('query').who);
      hub.tell({ kind: 'practice' });
      return c.json({ forgotten }, 200);
    });
}
