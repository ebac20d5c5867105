import { BuyingSchema } from '@tureen/core/shop';
import { Hono } from 'hono';
import { body, fail, type Routed } from './answers.js';
import { SuppliesBodySchema } from './bodies.js';
import { enterSupplies, keepBuying, readSupplies } from './supplies.js';

/** What is in the store, and what came into it. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function supplyRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get('/', async (c) => c.json(await readSupplies(database)))
    .post('/', body(SuppliesBodySchema), async (c) => {
      const { entries } = c.req.valid('json');
      const result = await enterSupplies(database, entries, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'supplies' });
      if (entries.some(({ action }) => action.kind === 'bought' && action.pricePerKg !== undefined)) hub.tell({ kind: 'larder' });
      return c.json(result.value, 200);
    })
    .put('/buying', body(BuyingSchema), async (c) => {
      const result = await keepBuying(database, c.req.valid('json'), nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'supplies' });
      return c.json(result.value, 200);
    });
}
