import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const FLAGS = JSON.parse(readFileSync(join(import.meta.dirname, '../scripts/chromium-flags.json'), 'utf8')) as string[];

export default defineConfig({
  globalSetup: './global-setup.ts',
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: './results',
  timeout: 240_000,
  expect: { timeout: 20_000 },
  workers: 2,
  // Real clocks and real processes on a machine of any speed: what fails is tried once more, and what needed it is named at the end.
  retries: 1,
  fullyParallel: true,
  reporter: [['line']],
  use: {
    viewport: { width: 1280, height: 800 },
    // The service worker is let in only where it is what is tested.
    serviceWorkers: 'block',
    launchOptions: { executablePath: process.env.CHROME_BIN ?? '/usr/bin/chromium', args: FLAGS },
  },
});
