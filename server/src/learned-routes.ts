import { Hono } from 'hono';
import { body, fail, type Routed } from './answers.js';
import { FigureChoiceSchema, TeachingSchema } from './bodies.js';
import { chooseBatch, chooseFigure, readLearned } from './learned.js';

/** What the kitchen has learnt of itself, and what the cook says of that. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function learnedRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get('/', async (c) => c.json(await readLearned(database)))
    .put('/figures', body(FigureChoiceSchema), async (c) => {
      const result = await chooseFigure(database, c.req.valid('json'), nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'kitchen' });
      return c.json(result.value, 200);
    })
    .put('/batches/:id', body(TeachingSchema), async (c) => {
      const result = await chooseBatch(database, c.req.param('id'), c.req.valid('json').counts, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'kitchen' });
      return c.json(result.value, 200);
    });
}
