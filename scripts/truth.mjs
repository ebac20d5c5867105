/** `npm run truth`: batches in hidden kitchens through the code that the Stove uses; it fails where a figure leaves its goal. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { checkNode, install, ROOT } from './ready.mjs';

checkNode();
install();
const folder = mkdtempSync(join(ROOT, '.tmp-truth-'));
try {
  const outfile = join(folder, 'truth.mjs');
  await bundle({ entryPoints: ['core/bench/truth.ts'], external: ['highs'], outfile, logLevel: 'error' });
  process.exitCode = await new Promise((resolve) => {
    spawn(process.execPath, [outfile, ...process.argv.slice(2)], { stdio: 'inherit' }).on('close', (code) => resolve(code ?? 1));
  });
} finally {
  rmSync(folder, { recursive: true, force: true });
}
