/** Starts the built server on a port of its own choosing. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './ready.mjs';

/** @returns the process and its address, once it answers. */
export function startServer(file, ...args) {
  const server = spawn(
    process.execPath,
    [
      join(ROOT, 'dist/server/main.mjs'),
      '--file',
      file,
      '--migrations',
      join(ROOT, 'server/drizzle'),
      '--web',
      join(ROOT, 'dist/web'),
      '--port',
      '0',
      ...args,
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  return new Promise((resolve, reject) => {
    server.once('exit', (code) => reject(new Error(`The server left with ${code}.`)));
    server.stdout.on('data', (text) => {
      const found = /http:\/\/\S+/.exec(String(text));
      if (found === null) return;
      server.removeAllListeners('exit');
      resolve({ server, url: found[0] });
    });
  });
}
