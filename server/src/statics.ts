import { existsSync, readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import type { Api } from './app.js';

/** Angular puts a hash of the content in these names. */
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2|svg|png)$/;
const YEAR = 'public, max-age=31536000, immutable';
/** The first script of a page names its build: its hash is of all that it loads. */
const MAIN = /main-[A-Z0-9]{8}\.js/;

/** Which build of the page stands in a folder; undefined when there is none. */
export function buildIn(folder: string): string | undefined {
  const index = join(folder, 'index.html');
  return existsSync(index) ? (MAIN.exec(readFileSync(index, 'utf8'))?.[0] ?? undefined) : undefined;
}

/**
 * Serves the built web: files that stand compressed beside themselves go out so, hashed ones may be kept for a year, and
 * every path that names no file is a place in the application. A file that is not there, as one of an older build, is said
 * to be gone.
 *
 * @returns false when there is no built web to serve.
 */
export function serveWeb(app: Api, folder: string): boolean {
  if (!existsSync(join(folder, 'index.html'))) return false;
  app.use('*', async (c, next) => {
    await next();
    if (c.req.path.startsWith('/api/') || c.req.path.startsWith('/practice/api/')) return;
    const keeps = c.res.ok && HASHED.test(c.req.path);
    c.res.headers.set('cache-control', keeps ? YEAR : c.res.ok ? 'no-cache' : 'no-store');
  });
  app.use('*', serveStatic({ root: folder, precompressed: true }));
  app.get('*', async (c, next) => (extname(c.req.path) === '' ? next() : c.text('Not here.', 404)));
  app.get('*', serveStatic({ root: folder, path: 'index.html', precompressed: true }));
  return true;
}
