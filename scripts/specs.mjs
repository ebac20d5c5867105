/**
 * Node specs, bundled as what ships is and run on every core there is: `npm run specs -- [GLOB…] [--filter=TEXT]`.
 * From source, each would be rewritten as it is loaded, and run at two thirds of the speed.
 */
import { spawnSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, relative } from 'node:path';
import { bundle, REQUIRE } from './bundle.mjs';
import { bundleFolder, checkNode, install, ROOT } from './ready.mjs';

const ALL = ['core/src/**/*.spec.ts', 'cli/src/**/*.spec.ts', 'server/src/**/*.spec.ts'];
const HELPER = 'core/spec/patience.ts';

checkNode();
install();
const asked = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const options = process.argv.slice(2).filter((word) => word.startsWith('--'));
const specs = asked.length > 0 ? asked : ALL;

const folder = bundleFolder('specs');
const leave = () => rmSync(folder, { recursive: true, force: true });
process.on('SIGINT', () => {
  leave();
  process.exit(130);
});
try {
  await bundle({
    entryPoints: [HELPER, ...specs.map((spec) => `./${spec}`)],
    outbase: '.',
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    splitting: true,
    sourcemap: true,
    packages: 'external',
    alias: { '@tureen/core': './core/src' },
    banner: { js: REQUIRE },
  });
  const built = (file) => relative(ROOT, join(folder, file.replace(/\.ts$/, '.mjs')));
  const config = join(folder, 'jasmine.json');
  writeFileSync(
    config,
    JSON.stringify({
      spec_dir: '.',
      spec_files: specs.map(built),
      helpers: [built(HELPER)],
      env: { random: true, failSpecWithNoExpectations: true },
    }),
  );
  const hands = options.length === 0 && asked.length !== 1 ? availableParallelism() : 1;
  const { status } = spawnSync(
    process.execPath,
    [
      '--enable-source-maps',
      join(ROOT, 'node_modules/jasmine/bin/jasmine.js'),
      `--config=${config}`,
      ...(hands > 1 ? [`--parallel=${String(hands)}`] : []),
      ...options,
    ],
    { cwd: ROOT, stdio: 'inherit' },
  );
  process.exitCode = status ?? 1;
} finally {
  leave();
}
