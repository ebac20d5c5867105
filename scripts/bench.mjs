/** `npm run bench`: figures, not judgements. Core and server in one bundle each, so that what is timed is what ships. */
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { benchBrowser } from './bench-browser.mjs';
import { bundle } from './bundle.mjs';
import { benchScreens } from './bench-screens.mjs';
import { startServer } from './real-server.mjs';
import { build, bundleFolder, checkNode, install, ROOT } from './ready.mjs';

checkNode();
install();
build();

const folder = bundleFolder('bench');
const say = (name, figure, goal) => console.log(`${name.padEnd(66)} ${figure.padStart(12)}   goal ${goal}`);

try {
  const file = join(folder, 'core.mjs');
  await bundle({
    entryPoints: ['core/bench/core.bench.ts'],
    external: ['highs'],
    outfile: file,
    logLevel: 'error',
  });
  const printed = await new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--expose-gc', file], { stdio: ['ignore', 'pipe', 'inherit'] });
    let text = '';
    child.stdout.on('data', (bytes) => {
      text += String(bytes);
    });
    child.on('close', (code) => (code === 0 ? resolve(text) : reject(new Error(`The core bench left with ${code}.`))));
  });
  for (const { name, figure, goal } of JSON.parse(printed)) say(name, figure, goal);

  const { server, url } = await startServer(join(folder, 'bench.sqlite'), '--demo');
  const send = async (method, path, body) => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(await response.text());
    return response.json();
  };
  const post = (path, body) => send('POST', path, body);
  const id = (n) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
  await post('/plans', {
    id: id(1),
    soupId: 'beetroot-horseradish',
    version: 1,
    ask: { bowls: 80, bowlG: 300, potId: 'boiler-40' },
  });
  await post('/batches', { id: id(2), planId: id(1) });
  const times = [];
  for (let n = 0; n < 600; n++) {
    const entry = {
      id: id(100 + n),
      shape: 1,
      stamp: { counter: n + 1, device: 'bench', seq: n },
      atMs: n,
      who: '',
      action: { kind: 'poured', stepId: 'cover', line: 'stock', vessel: 'Ladle', volumeM3: 0.0003 },
    };
    const started = performance.now();
    await post(`/batches/${id(2)}/entries`, { entries: [entry] });
    if (n >= 100) times.push(performance.now() - started);
  }
  const screens = await benchScreens({ url, post, id });
  const inBrowser = await benchBrowser({
    url,
    post,
    put: (path, body) => send('PUT', path, body),
    get: (path) => send('GET', path),
    id,
  });
  server.kill();
  times.sort((a, b) => a - b);
  const at = (share) => `${times[Math.floor(share * times.length)].toFixed(1)} ms`;
  say('entry acknowledged, on disk, over HTTP: p50', at(0.5), '10 ms');
  say('entry acknowledged, on disk, over HTTP: p99', at(0.99), '10 ms');

  for (const { name, figure, goal } of [...screens, ...inBrowser]) say(name, figure, goal);

  const web = join(ROOT, 'dist/web');
  const html = readFileSync(join(web, 'index.html'), 'utf8');
  const initial = new Set([...html.matchAll(/(?:src|href)="([^"]+\.js)"/g)].map(([, name]) => name));
  let bytes = 0;
  for (const name of readdirSync(web)) if (initial.has(name)) bytes += gzipSync(readFileSync(join(web, name)), { level: 9 }).length;
  say('initial script of the web, gzip', `${(bytes / 1000).toFixed(0)} kB`, 'under 400 kB');
} finally {
  rmSync(folder, { recursive: true, force: true });
}
