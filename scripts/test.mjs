/**
 * `npm test`: formatting, lint, types, imports, Node specs, Karma and Playwright, on whatever machine this is.
 * Installs what is missing. The last line counts: every spec and every check is one.
 */
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { build, checkNode, install, ROOT, run, stop } from './ready.mjs';
import { findChromium } from './chromium.mjs';

checkNode();
install();

function installChromium() {
  if (findChromium() !== undefined) return;
  const how =
    'Tests need Chromium. On Debian: apt-get update && apt-get install -y chromium. Elsewhere set CHROME_BIN to its path.';
  if (!existsSync('/usr/bin/apt-get') || process.getuid?.() !== 0) stop(how);
  process.stdout.write('Installing Chromium…\n');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
  if (findChromium() === undefined) stop(how);
}

installChromium();
build();

let passed = 0;
let failed = 0;
/** What went wrong, to be said once more at the end, where it is looked for. */
const wrong = [];

/** Runs one part; `count` reads its figures from what it printed, otherwise the part counts as one. `beside` prints at its end, since others run meanwhile. */
function part(name, command, args, options = {}) {
  return new Promise((resolve) => {
    if (options.beside !== true) process.stdout.write(`\n— ${name}\n`);
    const started = performance.now();
    const child = spawn(command, args, {
      cwd: options.cwd ?? ROOT,
      env: { ...process.env, CHROME_BIN: findChromium(), ...options.env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let printed = '';
    const take = (text) => {
      printed += text;
      if (options.beside !== true) process.stdout.write(text);
    };
    child.stdout.on('data', (bytes) => take(String(bytes)));
    child.stderr.on('data', (bytes) => take(String(bytes)));
    child.on('close', (code) => {
      const counted = options.count?.(printed);
      const bad = counted?.failed ?? (code === 0 ? 0 : 1);
      passed += counted?.passed ?? (code === 0 ? 1 : 0);
      failed += code !== 0 && bad === 0 ? 1 : bad;
      if (options.beside === true) process.stdout.write(printed);
      if (code !== 0) wrong.push({ name, printed });
      process.stdout.write(`— ${name}: ${code === 0 ? 'good' : 'BAD'}, ${((performance.now() - started) / 1000).toFixed(0)} s\n`);
      resolve();
    });
  });
}

function jasmineCount(printed) {
  const found = /(\d+) specs?, (\d+) failures?/.exec(printed);
  return found === null ? undefined : { passed: Number(found[1]) - Number(found[2]), failed: Number(found[2]) };
}

function karmaCount(printed) {
  const found = [...printed.matchAll(/Executed (\d+) of \d+(?: \((\d+) FAILED\))?/g)].at(-1);
  return found === undefined ? undefined : { passed: Number(found[1]) - Number(found[2] ?? 0), failed: Number(found[2] ?? 0) };
}

function playwrightCount(printed) {
  const number = (word) => Number([...printed.matchAll(new RegExp(`(\\d+) ${word}`, 'g'))].at(-1)?.[1] ?? 0);
  return { passed: number('passed') + number('flaky'), failed: number('failed') + number('did not run') };
}

const bin = (name) => join(ROOT, 'node_modules/.bin', name);

const beside = { beside: true };
process.stdout.write('\n— formatting, types, imports, lint and Karma, beside the Node specs (some minutes)\n');
async function checks() {
  await part('formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.'], beside);
  await part('types', 'npm', ['run', '--silent', 'types'], beside);
  await part('imports', 'npm', ['run', '--silent', 'imports'], beside);
  await part('lint', 'npm', ['run', '--silent', 'lint'], beside);
  await part('Karma', process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'test', '--watch=false'], {
    ...beside,
    cwd: join(ROOT, 'web'),
    env: { NG_CLI_ANALYTICS: 'false' },
    count: karmaCount,
  });
}
await Promise.all([
  checks(),
  part('Node specs', process.execPath, [join(ROOT, 'scripts/specs.mjs')], { count: jasmineCount, beside: true }),
]);
await part('Playwright', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], { count: playwrightCount });

for (const { name, printed } of wrong) {
  const lines = printed.split('\n').filter((line) => !/Executed \d+ of \d+.* SUCCESS \(/.test(line));
  process.stdout.write(`\n— ${name} was BAD; its last lines again:\n${lines.slice(-60).join('\n')}\n`);
}
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
