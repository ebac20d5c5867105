/** `npm run truth`: batches in hidden kitchens through the code that the Stove uses; it fails where a figure leaves its goal. */
import { spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { bundle } from './bundle.mjs';
import { bundleFolder, checkNode, install, ROOT } from './ready.mjs';

checkNode();
install();
const folder = bundleFolder('truth');
try {
  const outfile = join(folder, 'truth.mjs');
  await bundle({ entryPoints: ['core/bench/truth.ts'], external: ['highs'], outfile, logLevel: 'error' });
  process.exitCode = await new Promise((resolve) => {
    spawn(process.execPath, [outfile, ...process.argv.slice(2)], { stdio: 'inherit' }).on('close', (code) => resolve(code ?? 1));
  });
  if (process.argv.includes('--keep')) {
    const kept = join(ROOT, 'core/src/practice/kept-figures.json');
    const options = await resolveConfig(kept);
    writeFileSync(kept, await format(readFileSync(kept, 'utf8'), { ...options, filepath: kept }));
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
