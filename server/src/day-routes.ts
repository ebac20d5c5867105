import { zValidator } from '@hono/zod-validator';
import { Hono } from 'hono';
import { z } from 'zod';
import { body, fail, type Routed } from './answers.js';
import { DayBodySchema, MenuBodySchema } from './bodies.js';
import { listDays, readDay, saveDay } from './days.js';
import { readMenu, saveMenu } from './menu-cycle.js';

const DATE_WANTED = 'it has to be a date such as 2026-12-04';

/** Days of the Board. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function dayRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get(
      '/',
      zValidator('query', z.object({ from: z.iso.date() }), (result, c) => {
        if (!result.success) return fail(c, { code: 'BAD_INPUT', field: 'from', why: DATE_WANTED });
        return undefined;
      }),
      async (c) => c.json({ days: await listDays(database, c.req.valid('query').from) }),
    )
    .get('/:date', async (c) => {
      const date = z.iso.date().safeParse(c.req.param('date'));
      return date.success
        ? c.json(await readDay(database, date.data), 200)
        : fail(c, { code: 'BAD_INPUT', field: 'date', why: DATE_WANTED });
    })
    .put('/:date', body(DayBodySchema), async (c) => {
      const { day, seenMs } = c.req.valid('json');
      if (day.date !== c.req.param('date'))
        return fail(c, { code: 'BAD_INPUT', field: 'day.date', why: 'it is another day than that of the address' });
      const result = await saveDay(database, day, seenMs, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'day', date: day.date });
      return c.json(result.value, 200);
    });
}

/** The menu of weeks. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function menuRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get('/', async (c) => c.json(await readMenu(database), 200))
    .put('/', body(MenuBodySchema), async (c) => {
      const { cycle, seenMs } = c.req.valid('json');
      const result = await saveMenu(database, cycle, seenMs, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'menu' });
      return c.json(result.value, 200);
    });
}
