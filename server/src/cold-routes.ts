import { zValidator } from '@hono/zod-validator';
import { Hono, type Context } from 'hono';
import { z } from 'zod';
import { body, fail, type Routed } from './answers.js';
import { StockBodySchema } from './bodies.js';
import { readCold } from './cold.js';
import { labelSize, labelsPdf } from './labels.js';
import { logPdf } from './log-pdf.js';
import { appendStock, readColdLog, readContainer } from './stock.js';

/** Labels of one print. */
const MOST_LABELS = 240;

function pdfAnswer(c: Context, name: string, pdf: Uint8Array): Response {
  return c.body(Uint8Array.from(pdf).buffer, 200, {
    'content-type': 'application/pdf',
    'content-disposition': `inline; filename="${name}"`,
    'cache-control': 'no-store',
  });
}

/** A day of the calendar. */
function dayAsked() {
  return zValidator('query', z.object({ day: z.iso.date() }), (result, c) => {
    if (!result.success) return fail(c, { code: 'BAD_INPUT', field: 'day', why: 'it is no day, as 2026-12-08' });
    return undefined;
  });
}

/** Which containers are to have labels, of which size, and from which place of the sheet on. */
function labelsAsked() {
  const list = z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).min(1).max(MOST_LABELS));
  const schema = z.object({
    ids: list,
    size: z.string().max(40).default('a4-24'),
    from: z.coerce.number<string>().int().min(0).max(23).default(0),
  });
  return zValidator('query', schema, (result, c) => {
    if (!result.success) return fail(c, { code: 'BAD_INPUT', field: 'ids', why: 'it names no containers, or too many' });
    return undefined;
  });
}

/** What is kept cold: the list, one container, its entries, labels and the log of a day. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the inferred type is what the web's typed client is made of
export function coldRoutes({ database, hub, nowMs }: Routed) {
  return new Hono()
    .get('/', async (c) => c.json(await readCold(database)))
    .get('/log', dayAsked(), async (c) => c.json(await readColdLog(database, c.req.valid('query').day, nowMs()), 200))
    .get('/log.pdf', dayAsked(), async (c) => {
      const { day } = c.req.valid('query');
      return pdfAnswer(c, `cold-log-${day}.pdf`, await logPdf(await readColdLog(database, day, nowMs())));
    })
    .get('/labels.pdf', labelsAsked(), async (c) => {
      const { ids, size, from } = c.req.valid('query');
      const own = labelSize(size);
      if (own === undefined) return fail(c, { code: 'BAD_INPUT', field: 'size', why: 'no such label is known' });
      const { pdf, unknown } = await labelsPdf(database, ids, own, from, new URL(c.req.url).origin);
      const [first] = unknown;
      if (first !== undefined) return fail(c, { code: 'NO_SUCH_CONTAINER', field: 'ids' });
      return pdfAnswer(c, 'labels.pdf', pdf);
    })
    .get('/:id', async (c) => {
      const known = await readContainer(database, c.req.param('id'));
      return known === undefined ? fail(c, { code: 'NO_SUCH_CONTAINER', field: 'id' }) : c.json(known, 200);
    })
    .post('/entries', body(StockBodySchema), async (c) => {
      const result = await appendStock(database, c.req.valid('json').entries, nowMs());
      if (!result.ok) return fail(c, result.failure);
      const { kept, known, notices } = result.value;
      if (kept > 0) hub.tell({ kind: 'cold' });
      return c.json({ kept, known, notices: [...notices] }, 200);
    });
}
