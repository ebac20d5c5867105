/** `npm run tureen -- …`: the command line, from source. Installs what is missing, quietly. */
import { checkNode, install, ROOT } from './ready.mjs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

checkNode();
install();
const { status } = spawnSync(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/bin.ts'), ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exitCode = status ?? 1;
