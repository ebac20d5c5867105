/** `npm run backup [COPY]`, `npm run restore COPY`, `npm run rebuild`: what is done to the kitchen's file from outside. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build, checkNode, install, ROOT, stop } from './ready.mjs';

checkNode();
const [command, ...rest] = process.argv.slice(2);
const demo = rest.includes('--demo');
const [path] = rest.filter((word) => !word.startsWith('--'));
if (!['backup', 'restore', 'rebuild'].includes(command)) stop('Say "backup", "restore" or "rebuild".');
if (command === 'restore' && path === undefined) stop('Say which copy: npm run restore FILE.');

install();
build();

const file = process.env.TUREEN_FILE ?? join(ROOT, 'data', demo ? 'demo.sqlite' : 'kitchen.sqlite');
const args = [command, '--file', file, '--migrations', join(ROOT, 'server/drizzle')];
if (path !== undefined) args.push(command === 'restore' ? '--from' : '--to', path);
const { status } = spawnSync(process.execPath, [join(ROOT, 'dist/server/maintain.mjs'), ...args], { stdio: 'inherit' });
process.exit(status ?? 1);
