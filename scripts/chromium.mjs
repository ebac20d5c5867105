/** Where the browser for tests and screenshots is, and how it is started here. */
import { existsSync, readFileSync } from 'node:fs';

/** How it is started wherever nobody looks on; Karma and Playwright read the same list. */
export const FLAGS = JSON.parse(readFileSync(new URL('./chromium-flags.json', import.meta.url), 'utf8'));

/** @returns the path of Chromium, or undefined when none is installed. */
export function findChromium() {
  return [process.env.CHROME_BIN, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
    (path) => path !== undefined && path !== '' && existsSync(path),
  );
}
