/** What every command needs first: a Node that will do, installed packages, a build that is up to date. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const LEAST_NODE = [20, 19];

export function stop(text) {
  process.stderr.write(`\n${text}\n`);
  process.exit(1);
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1])) {
    stop(`Node ${process.versions.node} is too old. Install Node ${LEAST_NODE.join('.')} or newer and run this again.`);
  }
}

/** A new folder for bundles: they find the packages beside it, and whatever walks the sources never comes past while it goes. */
export function bundleFolder(name) {
  const cache = join(ROOT, 'node_modules/.cache');
  mkdirSync(cache, { recursive: true });
  return mkdtempSync(join(cache, `tureen-${name}-`));
}

/** Runs a command from the root, its output shown. @returns its exit code. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (error) process.stderr.write(`${error.message}\n`);
  return status ?? 1;
}

function hashOf(paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) if (name !== 'node_modules') visit(join(path, name));
      return;
    }
    hash.update(path).update(readFileSync(path));
  };
  for (const path of paths) visit(join(ROOT, path));
  return hash.digest('hex');
}

function stamped(name, hash) {
  const file = join(ROOT, name);
  return existsSync(file) && readFileSync(file, 'utf8') === hash;
}

function stamp(name, hash) {
  const file = join(ROOT, name);
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, hash);
}

/** Installs exactly what the lockfile says, unless that has been done. */
export function install() {
  const hash = hashOf(['package-lock.json']);
  if (stamped('node_modules/.tureen-installed', hash)) return;
  // What a command prints is its own: the first run of the command line is JSON from its first letter, too.
  process.stderr.write('Installing packages (about a minute)…\n');
  const aside = ['inherit', process.stderr, process.stderr];
  if (run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: aside }) !== 0) {
    stop('The packages could not be installed: see npm above. Is the registry in reach?');
  }
  stamp('node_modules/.tureen-installed', hash);
}

const SOURCES = [
  'core/src',
  'server/src',
  'server/drizzle',
  'web/src',
  'web/public',
  'web/angular.json',
  'web/tsconfig.json',
  'web/tsconfig.app.json',
  'package-lock.json',
  'scripts/build.mjs',
  'scripts/bundle.mjs',
];

/** Builds server and web, unless the build is of these sources. */
export function build() {
  const hash = hashOf(SOURCES);
  if (stamped('dist/.built', hash) && existsSync(join(ROOT, 'dist/web/index.html'))) return;
  process.stdout.write('Building (about a minute)…\n');
  if (run(process.execPath, ['scripts/build.mjs']) !== 0) stop('The build failed: see above. Nothing was started.');
  stamp('dist/.built', hash);
}
