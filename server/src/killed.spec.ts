import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { ENTRY_SHAPE, type Entry } from '@tureen/core/batch';
import type { StoredBatch } from './batches.js';

const ROUNDS = 20;
const PLAN = '00000000-0000-4000-8000-0000000000a1';
const BATCH = '00000000-0000-4000-8000-0000000000b1';

/** Starts the real server on a port of its own choosing and waits for its address. */
function start(bundle: string, file: string): Promise<{ server: ChildProcess; url: string }> {
  const server = spawn(process.execPath, [bundle, '--file', file, '--migrations', 'server/drizzle', '--port', '0'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    server.once('exit', (code) => {
      reject(new Error(`The server left with ${String(code)}.`));
    });
    server.stdout.on('data', (text: Buffer) => {
      const url = /http:\/\/\S+/.exec(text.toString())?.[0];
      if (url !== undefined) resolve({ server, url });
    });
  });
}

async function post(url: string, path: string, body: unknown, method = 'POST'): Promise<number> {
  const response = await fetch(`${url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  await response.arrayBuffer();
  return response.status;
}

function killed(server: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    server.removeAllListeners('exit');
    server.once('exit', () => {
      resolve();
    });
    server.kill('SIGKILL');
  });
}

describe('a server killed right after it acknowledged an entry', () => {
  let folder: string;

  beforeAll(async () => {
    // Where the bundle finds the packages it leaves outside, and nothing that walks the sources comes past while it goes.
    const cache = join(process.cwd(), 'node_modules/.cache');
    mkdirSync(cache, { recursive: true });
    folder = mkdtempSync(join(cache, 'tureen-killed-'));
    await build({
      entryPoints: ['server/src/main.ts'],
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      external: ['@libsql/client', 'pdfkit'],
      banner: {
        js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
      },
      outfile: join(folder, 'server.mjs'),
      logLevel: 'error',
    });
  });

  afterAll(() => {
    rmSync(folder, { recursive: true, force: true });
  });

  it('says plainly that a port is busy, and leaves', async () => {
    const data = mkdtempSync(join(tmpdir(), 'tureen-busy-'));
    const bundle = join(folder, 'server.mjs');
    const { server, url } = await start(bundle, join(data, 'a.sqlite'));
    const second = spawn(
      process.execPath,
      [bundle, '--file', join(data, 'b.sqlite'), '--migrations', 'server/drizzle', '--port', new URL(url).port],
      { stdio: ['ignore', 'ignore', 'pipe'] },
    );
    let said = '';
    second.stderr.on('data', (text: Buffer) => {
      said += text.toString();
    });
    const code = await new Promise((resolve) => second.once('close', resolve));
    expect(code).toBe(1);
    expect(said).toContain(`Port ${new URL(url).port} is busy`);
    await killed(server);
    rmSync(data, { recursive: true, force: true });
  });

  it('says plainly that the web was never built, and leaves', async () => {
    const data = mkdtempSync(join(tmpdir(), 'tureen-unbuilt-'));
    const lone = spawn(
      process.execPath,
      [
        join(folder, 'server.mjs'),
        '--file',
        join(data, 'a.sqlite'),
        '--migrations',
        'server/drizzle',
        '--web',
        data,
        '--port',
        '0',
      ],
      { stdio: ['ignore', 'ignore', 'pipe'] },
    );
    let said = '';
    lone.stderr.on('data', (text: Buffer) => {
      said += text.toString();
    });
    expect(await new Promise((resolve) => lone.once('close', resolve))).toBe(1);
    expect(said).toContain('run "npm run build"');
    rmSync(data, { recursive: true, force: true });
  });

  it(`has it after the restart, ${String(ROUNDS)} times`, async () => {
    const data = mkdtempSync(join(tmpdir(), 'tureen-killed-'));
    const file = join(data, 'kitchen.sqlite');
    const bundle = join(folder, 'server.mjs');
    let { server, url } = await start(bundle, file);
    await post(url, '/kitchen', { ready: 'canteen' }, 'PUT');
    const examples = (await (await fetch(`${url}/api/examples`)).json()) as { soups: { id: string }[] };
    const soup = examples.soups[0]!;
    await post(url, '/soups', { soup, basedOn: 0, note: '' });
    await post(url, '/plans', { id: PLAN, soupId: soup.id, version: 1, request: { bowls: 80, bowlG: 300, potId: 'boiler-40' } });
    expect(await post(url, '/batches', { id: BATCH, planId: PLAN })).toBe(201);
    for (let round = 1; round <= ROUNDS; round++) {
      const id = `00000000-0000-4000-8000-${round.toString(16).padStart(12, '0')}`;
      const entry: Entry = {
        id,
        shape: ENTRY_SHAPE,
        stamp: { counter: round, device: 'spec-tablet', seq: round },
        atMs: round,
        who: '',
        action: { kind: 'note', text: `round ${String(round)}` },
      };
      expect(await post(url, `/batches/${BATCH}/entries`, { entries: [entry] })).toBe(200);
      await killed(server);
      ({ server, url } = await start(bundle, file));
      const batch = (await (await fetch(`${url}/api/batches/${BATCH}`)).json()) as StoredBatch;
      expect(batch.entries.length).toBe(round);
      expect(batch.entries.at(-1)?.id).toBe(id);
    }
    await killed(server);
    rmSync(data, { recursive: true, force: true });
  }, 300_000);
});
