import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';

const ROOT = join(import.meta.dirname, '..');

/** A real server on a database file of its own, that can be killed and started again on the same port. */
export class RealServer {
  private child: ChildProcess | undefined;
  private readonly folder = mkdtempSync(join(tmpdir(), 'tureen-e2e-'));
  readonly file = join(this.folder, 'kitchen.sqlite');
  private port = 0;
  url = '';

  constructor(
    private readonly demo: boolean,
    private readonly extra: readonly string[] = [],
  ) {}

  async start(): Promise<void> {
    const made = process.env.TUREEN_DEMO;
    if (this.demo && made !== undefined && !existsSync(this.file)) copyFileSync(made, this.file);
    const args = [
      '--file',
      this.file,
      '--migrations',
      join(ROOT, 'server/drizzle'),
      '--web',
      join(ROOT, 'dist/web'),
      '--port',
      String(this.port),
    ];
    const child = spawn(
      process.execPath,
      [join(ROOT, 'dist/server/main.mjs'), ...args, ...(this.demo ? ['--demo'] : []), ...this.extra],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
        // A hundred servers are started from the same bundle: it is compiled once.
        env: { ...process.env, NODE_COMPILE_CACHE: join(tmpdir(), 'tureen-compiled') },
      },
    );
    this.child = child;
    this.url = await new Promise((resolve, reject) => {
      child.once('exit', (code) => {
        reject(new Error(`The server left with ${String(code)}.`));
      });
      child.stdout.on('data', (text: Buffer) => {
        const found = /https?:\/\/localhost\S+/.exec(text.toString())?.[0];
        if (found !== undefined) resolve(found);
      });
    });
    this.port = Number(new URL(this.url).port);
  }

  /** The plug pulled: no goodbye. */
  async kill(): Promise<void> {
    await this.leaves('SIGKILL');
  }

  /** Asked to stop: the file is whole when it is gone. */
  async stop(): Promise<void> {
    await this.leaves('SIGTERM');
  }

  private async leaves(signal: NodeJS.Signals): Promise<void> {
    const { child } = this;
    if (child === undefined) return;
    this.child = undefined;
    child.removeAllListeners('exit');
    await new Promise<void>((resolve) => {
      child.once('exit', () => {
        resolve();
      });
      child.kill(signal);
    });
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Fails a test on any console error, page error or request that leaves the machine. */
export function watch(page: Page, allow = /^$/): () => void {
  const bad: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error' && !allow.test(message.text())) bad.push(message.text());
  });
  page.on('pageerror', (error) => bad.push(error.message));
  page.on('request', (request) => {
    const { hostname, protocol } = new URL(request.url());
    if (protocol.startsWith('http') && hostname !== 'localhost' && hostname !== '127.0.0.1')
      bad.push(`left the machine: ${request.url()}`);
  });
  return () => {
    expect(bad).toEqual([]);
  };
}

/**
 * What axe finds wrong with a page, or with the part of it within a selector: rule and elements. In the dark it is the colours that
 * are others, so that only they are looked at.
 */
export async function faults(
  page: Page,
  { within, isDark = false }: { within?: string; isDark?: boolean } = {},
): Promise<string[]> {
  const only = isDark ? { runOnly: { type: 'rule' as const, values: ['color-contrast'] } } : {};
  // Legacy mode runs it in the page itself: there are no frames, and it is three times as fast.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ ...only, resultTypes: ['violations'], preload: false });
  const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`);
}

/**
 * Chooses an option of one of the application's select fields, by the id of its field. A list that was opened while the page under it
 * still grew may hang outside the window: then it is closed and opened again, as a hand would.
 */
export async function choose(page: Page, id: string, option: RegExp | string): Promise<void> {
  const options = page.locator('.ant-select-item-option');
  const wanted =
    typeof option === 'string' ? page.locator(`.ant-select-item-option[title="${option}"]`) : options.filter({ hasText: option });
  await expect(async () => {
    if (await options.first().isVisible()) await page.keyboard.press('Escape');
    const field = page.locator(`nz-select:has(#${id})`);
    await field.scrollIntoViewIfNeeded();
    await field.click();
    await wanted.click({ timeout: 5000 });
  }).toPass();
}

export const test = base.extend<{ server: RealServer; emptyServer: RealServer }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright asks for the pattern
  server: async ({}, use) => {
    const server = new RealServer(true);
    await server.start();
    await use(server);
    await server.end();
  },
  // eslint-disable-next-line no-empty-pattern -- Playwright asks for the pattern
  emptyServer: async ({}, use) => {
    const server = new RealServer(false);
    await server.start();
    await use(server);
    await server.end();
  },
});

export { expect };

/** One of a few that stand side by side: what is touched is its label. */
export function option(page: Page, name: string | RegExp): Locator {
  return page.locator('tt-choice label').filter({ hasText: name });
}
