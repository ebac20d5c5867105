import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import type { Api } from './app.js';

/** Angular puts a hash of the content in these names. */
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2|svg|png)$/;
const YEAR = 'public, max-age=31536000, immutable';

/**
 * Serves the built web: files that stand compressed beside themselves go out so, hashed ones may be kept for a year,
 * and every other path is a place in the application.
 *
 * @returns false when there is no built web to serve.
 */
export function serveWeb(app: Api, folder: string): boolean {
  if (!existsSync(join(folder, 'index.html'))) return false;
  app.use('*', async (c, next) => {
    await next();
    c.res.headers.set('cache-control', HASHED.test(c.req.path) ? YEAR : 'no-cache');
  });
  app.use('*', serveStatic({ root: folder, precompressed: true }));
  app.get('*', serveStatic({ root: folder, path: 'index.html', precompressed: true }));
  return true;
}
