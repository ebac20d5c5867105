/** Where the browser for tests and screenshots is, and how it is started here. */
import { existsSync } from 'node:fs';

export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** @returns the path of Chromium, or undefined when none is installed. */
export function findChromium() {
  return [process.env.CHROME_BIN, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
    (path) => path !== undefined && path !== '' && existsSync(path),
  );
}
