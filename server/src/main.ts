import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { parseArgs } from 'node:util';
import { serve } from '@hono/node-server';
import { makeApp } from './app.js';
import { openDatabase } from './database.js';
import { seedGannetQuay } from './demo/gannet-quay.js';
import { Hub } from './hub.js';
import { serveWeb } from './statics.js';

const { values } = parseArgs({
  options: {
    file: { type: 'string' },
    migrations: { type: 'string' },
    web: { type: 'string' },
    port: { type: 'string', default: '4870' },
    demo: { type: 'boolean', default: false },
  },
});

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

function stop(text: string): never {
  process.stderr.write(`${text}\n`);
  process.exit(1);
}

const { file, migrations, web } = values;
if (file === undefined || migrations === undefined) stop('Give --file DATABASE and --migrations FOLDER.');
const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > 65535) stop(`"${values.port}" is no port. Give a number from 1 to 65535.`);

mkdirSync(dirname(file), { recursive: true });
const database = await openDatabase(file, migrations);
if (values.demo) await seedGannetQuay(database, Date.now());

const app = makeApp({
  database,
  hub: new Hub(),
  mode: values.demo ? 'demo' : 'own',
  nowMs: () => Date.now(),
  logBug: (error) => process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`),
});
if (web !== undefined && !serveWeb(app, web))
  stop(`No built web in ${web}. The last build failed or never ran: run "npm run build".`);

const server = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, (info) => {
  say(`Tidy Tureen is at http://localhost:${String(info.port)}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    stop(`Port ${String(port)} is busy: another Tidy Tureen may be running. Stop it, or choose another with --port.`);
  }
  stop(error.message);
});

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close();
    database.close();
    process.exit(0);
  });
}
