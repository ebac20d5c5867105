import { zValidator } from '@hono/zod-validator';
import type { Context } from 'hono';
import type { ZodType } from 'zod';
import type { Database } from './database.js';
import { STATUS, type Failure } from './failure.js';
import type { Hub } from './hub.js';
import { sentence } from './sentences.js';

/** What a group of routes works with. */
export interface Routed {
  readonly database: Database;
  readonly hub: Hub;
  readonly nowMs: () => number;
}

/** What went wrong, with its status and its sentence. */
export function fail(c: Context, failure: Failure): Response {
  return c.json({ error: { ...failure, sentence: sentence(failure) } }, STATUS[failure.code]);
}

/** Validates a body by a schema; the first thing that is wrong is named with its place. */
// eslint-disable-next-line @typescript-eslint/explicit-module-boundary-types -- the routes' types are what the web's typed client is made of
export function body<T extends ZodType>(schema: T) {
  return zValidator('json', schema, (result, c) => {
    if (result.success) return;
    const issue = result.error.issues[0];
    return fail(c, { code: 'BAD_INPUT', field: issue?.path.join('.') ?? '', why: issue?.message ?? 'it has the wrong shape' });
  });
}
