import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RealServer } from './kitchen.js';

/** Starts the demo once, as a user does for the first time; the tests begin with copies of what it made. */
export default async function setUp(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'tureen-demo-'));
  const server = new RealServer(true);
  await server.start();
  // What its batches teach is worked out when it is first asked for, and kept.
  await fetch(`${server.url}/api/kitchen`);
  await server.stop();
  const made = join(folder, 'kitchen.sqlite');
  copyFileSync(server.file, made);
  await server.end();
  process.env.TUREEN_DEMO = made;
  return () => {
    rmSync(folder, { recursive: true, force: true });
  };
}
