import { mkdirSync, readFileSync } from 'node:fs';
import { createServer as createSecureServer } from 'node:https';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { serve } from '@hono/node-server';
import { drawsFrom } from '@tureen/core/odds';
import { makeApp } from './app.js';
import { openKitchen } from './database.js';
import { makeDemoFile } from './demo/first-start.js';
import { seedGannetQuay } from './demo/gannet-quay.js';
import { Devices } from './devices/devices.js';
import { SimulatedDevices } from './devices/simulated-devices.js';
import { certificateIn, ownNames, type Certificate } from './access/certificate.js';
import { makeGate } from './access/gate.js';
import { freshPin, hasPin, PIN, setPin } from './access/pin.js';
import { exitCodeOf, fileSentence } from './file-check.js';
import { Hub } from './hub.js';
import { MACHINE } from './outside.js';
import { PracticeKitchen } from './practice/practice-kitchen.js';
import { projectionsUpToDate } from './projections.js';
import { refreshShelf } from './shelf.js';
import { buildIn, serveWeb } from './statics.js';

const { values } = parseArgs({
  options: {
    file: { type: 'string' },
    migrations: { type: 'string' },
    web: { type: 'string' },
    port: { type: 'string', default: '4870' },
    demo: { type: 'boolean', default: false },
    'simulated-devices': { type: 'boolean', default: false },
    host: { type: 'boolean', default: false },
    cert: { type: 'string' },
    key: { type: 'string' },
    pin: { type: 'string' },
  },
});

/** Of the demo's past, so many batches are cooked between two words about it. */
const TOLD_EVERY = 20;
/** How often the simulated devices are read. */
const LOOK_MS = 1000;

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

function stop(text: string, code = 1): never {
  process.stderr.write(`${text}\n`);
  process.exit(code);
}

function tellPast(done: number, of: number): void {
  if (done % TOLD_EVERY === 0) say(`The demo's past is being cooked: ${String(done)} of ${String(of)} batches.`);
}

function logBug(error: unknown): void {
  process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
}

const { file, migrations, web } = values;
if (file === undefined || migrations === undefined) stop('Give --file DATABASE and --migrations FOLDER.');
const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > 65535) stop(`"${values.port}" is no port. Give a number from 1 to 65535.`);

mkdirSync(dirname(file), { recursive: true });
const unmade = values.demo ? await makeDemoFile(file, migrations, MACHINE.nowMs(), tellPast) : undefined;
if (unmade !== undefined) stop(fileSentence(unmade), exitCodeOf(unmade));
const opening = await openKitchen(file, migrations);
if (!opening.ok) stop(fileSentence(opening.problem), exitCodeOf(opening.problem));
const { database } = opening;
await projectionsUpToDate(database);
if (values.demo) await seedGannetQuay(database, MACHINE.nowMs(), tellPast);

const hub = new Hub();
const devices = new Devices(hub, MACHINE.nowMs);
if (values.demo || values['simulated-devices']) {
  const simulatedDevices = new SimulatedDevices(database, devices, drawsFrom(MACHINE.seed()).normal, MACHINE.nowMs());
  // Looked at only while somebody would see it; one look at a time.
  const look = (): void => {
    void (hub.heard ? simulatedDevices.look(MACHINE.nowMs()) : Promise.resolve())
      .catch(logBug)
      .finally(() => setTimeout(look, LOOK_MS).unref());
  };
  look();
}

/** Opened to the kitchen's own network: HTTPS, and a PIN before all else. */
async function openDoor(): Promise<{ readonly certificate: Certificate; readonly hosts: readonly string[] }> {
  const { pin, cert, key } = values;
  if (pin !== undefined && !PIN.test(pin)) stop('A PIN is 4 to 12 digits.');
  if ((cert === undefined) !== (key === undefined)) stop('Give --cert and --key together, or neither.');
  if (pin !== undefined) await setPin(database, pin, MACHINE.nowMs());
  else if (!(await hasPin(database))) {
    const fresh = freshPin();
    await setPin(database, fresh, MACHINE.nowMs());
    say(`The kitchen PIN is ${fresh}. It is shown this once; give --pin to choose another.`);
  }
  const certificate =
    cert === undefined || key === undefined
      ? await certificateIn(join(dirname(file ?? '.'), 'tls'), MACHINE.nowMs())
      : { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8'), made: false };
  const { names, addresses } = ownNames();
  return { certificate, hosts: [...names, ...addresses] };
}

const open = values.host ? await openDoor() : undefined;

/** Works the shelf out anew, once more where something changed meanwhile. */
let refreshing: Promise<void> | undefined;
let again = false;
function refresh(): Promise<void> {
  if (refreshing !== undefined) again = true;
  refreshing ??= refreshShelf(database, MACHINE.nowMs())
    .then((count) => {
      if (count > 0) hub.tell({ kind: 'shelf' });
    })
    .catch(logBug)
    .finally(() => {
      refreshing = undefined;
      if (again) {
        again = false;
        void refresh();
      }
    });
  return refreshing;
}
// Once before anybody looks: a shelf of an older file has no rows yet.
await refresh();

const build = web === undefined ? undefined : buildIn(web);
const practice = new PracticeKitchen({
  file: file.replace(/(\.sqlite)?$/, '-practice.sqlite'),
  migrations,
  kitchen: database,
  seed: MACHINE.seed(),
  ...(open === undefined ? {} : { hosts: open.hosts }),
  build,
  nowMs: MACHINE.nowMs,
  logBug,
});

const app = makeApp({
  refresh,
  practice,
  database,
  hub,
  devices,
  mode: values.demo ? 'demo' : 'own',
  ...(open === undefined ? {} : { hosts: open.hosts, gate: makeGate(database, MACHINE.nowMs) }),
  build,
  nowMs: MACHINE.nowMs,
  logBug,
});
if (web !== undefined && !serveWeb(app, web))
  stop(`No built web in ${web}. The last build failed or never ran: run "npm run build".`);

const where =
  open === undefined
    ? { fetch: app.fetch, port, hostname: '127.0.0.1' }
    : {
        fetch: app.fetch,
        port,
        hostname: '0.0.0.0',
        createServer: createSecureServer,
        serverOptions: { cert: open.certificate.cert, key: open.certificate.key },
      };
const server = serve(where, (info) => {
  if (open === undefined) {
    say(`Tidy Tureen is at http://localhost:${String(info.port)}`);
    return;
  }
  if (open.certificate.made) say('A certificate of its own was made: browsers ask once whether they trust it.');
  for (const host of open.hosts) say(`Tidy Tureen is at https://${host}:${String(info.port)}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    stop(`Port ${String(port)} is busy: another Tidy Tureen may be running. Stop it, or choose another with --port.`);
  }
  stop(error.message);
});

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    server.close();
    void Promise.allSettled([practice.close(), database.close()]).finally(() => process.exit(0));
  });
}
