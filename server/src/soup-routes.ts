import { zValidator } from '@hono/zod-validator';
import { Hono } from 'hono';
import { z } from 'zod';
import { readAgain } from './again.js';
import { body, fail, type Routed } from './answers.js';
import { ShelfBodySchema, SoupBodySchema } from './bodies.js';
import { listSoups, listVersions, readSoup, saveSoup, shelveSoup } from './soups.js';

/** Which version of a soup is asked for; the newest where none is. */
function versionAsked() {
  return zValidator('query', z.object({ version: z.coerce.number<string>().int().optional() }), (result, c) => {
    if (!result.success) return fail(c, { code: 'NO_SUCH_SOUP', field: 'version' });
    return undefined;
  });
}

/** Ids of soups with commas between them; all soups where none are asked for. */
function idsAsked() {
  const list = z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.string().min(1).max(60)).max(200));
  return zValidator('query', z.object({ ids: list.optional() }), (result, c) => {
    if (!result.success) return fail(c, { code: 'NO_SUCH_SOUP', field: 'ids' });
    return undefined;
  });
}

/** Soups in their versions, and what the kitchen does to one again and again. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function soupRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get('/', idsAsked(), async (c) => c.json({ soups: await listSoups(database, c.req.valid('query').ids) }))
    .get('/:id', versionAsked(), async (c) => {
      const kept = await readSoup(database, c.req.param('id'), c.req.valid('query').version);
      return kept === undefined ? fail(c, { code: 'NO_SUCH_SOUP', field: 'id' }) : c.json(kept, 200);
    })
    .get('/:id/versions', async (c) => {
      const versions = await listVersions(database, c.req.param('id'));
      return versions.length === 0 ? fail(c, { code: 'NO_SUCH_SOUP', field: 'id' }) : c.json({ versions }, 200);
    })
    .put('/:id/shelf', body(ShelfBodySchema), async (c) => {
      const soupId = c.req.param('id');
      const result = await shelveSoup(database, soupId, c.req.valid('json'), nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'soup', soupId });
      return c.json(result.value, 200);
    })
    .post('/', body(SoupBodySchema), async (c) => {
      const { soup, basedOn, note } = c.req.valid('json');
      const result = await saveSoup(database, soup, basedOn, note, nowMs());
      if (!result.ok) return fail(c, result.failure);
      hub.tell({ kind: 'soup', soupId: soup.id });
      return c.json(result.value, 201);
    })
    .get('/:id/again', async (c) => {
      const answer = await readAgain(database, c.req.param('id'));
      return answer === undefined ? fail(c, { code: 'NO_SUCH_SOUP', field: 'id' }) : c.json(answer, 200);
    });
}
