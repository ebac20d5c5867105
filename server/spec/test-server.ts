import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeApp, type Api } from '../src/app.js';
import { openDatabase, type Database } from '../src/database.js';
import { Devices } from '../src/devices/devices.js';
import { Hub } from '../src/hub.js';

const MIGRATIONS = 'server/drizzle';

export interface Answered {
  readonly status: number;
  readonly body: unknown;
}

/** A server on a database of its own, asked without a network. */
export interface TestServer {
  readonly folder: string;
  readonly database: Database;
  readonly hub: Hub;
  readonly devices: Devices;
  readonly app: Api;
  send(method: string, path: string, body?: unknown): Promise<Answered>;
  close(): void;
}

export async function startTestServer(nowMs: () => number): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), 'tureen-'));
  const database = await openDatabase(join(folder, 'kitchen.sqlite'), MIGRATIONS);
  const hub = new Hub();
  const devices = new Devices(hub, nowMs);
  const app = makeApp({
    database,
    hub,
    devices,
    mode: 'own',
    nowMs,
    logBug: (error) => {
      throw error;
    },
  });
  return {
    folder,
    database,
    hub,
    devices,
    app,
    send: async (method, path, body) => {
      const response = await app.request(`http://localhost/api${path}`, {
        method,
        headers: { 'content-type': 'application/json' },
        ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      });
      return { status: response.status, body: await response.json() };
    },
    close: () => {
      void database.close().finally(() => {
        rmSync(folder, { recursive: true, force: true });
      });
    },
  };
}
