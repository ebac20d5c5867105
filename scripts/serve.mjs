/** `npm run demo` and `npm start`: install and build if needed, then serve on loopback. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, checkNode, install, ROOT, stop } from './ready.mjs';

checkNode();
const [mode, ...rest] = process.argv.slice(2);
if (mode !== 'demo' && mode !== 'own') stop('Say "demo" or "own".');

install();
build();

const file = process.env.TUREEN_FILE ?? join(ROOT, 'data', mode === 'demo' ? 'demo.sqlite' : 'kitchen.sqlite');
const args = ['--file', file, '--migrations', join(ROOT, 'server/drizzle'), '--web', join(ROOT, 'dist/web')];
if (process.env.TUREEN_PORT !== undefined) args.push('--port', process.env.TUREEN_PORT);
if (mode === 'demo') args.push('--demo');

const server = spawn(process.execPath, [join(ROOT, 'dist/server/main.mjs'), ...args, ...rest], { stdio: 'inherit', cwd: ROOT });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
