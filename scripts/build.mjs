/** Builds the server into one file and the web into dist/web, with a compressed copy beside every text file. */
import { copyFileSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { bundle, REQUIRE } from './bundle.mjs';
import { ROOT, run, stop } from './ready.mjs';

rmSync(join(ROOT, 'dist'), { recursive: true, force: true });

await bundle({
  entryPoints: ['server/src/main.ts', 'server/src/maintain.ts'],
  // The PDF package reads files of its own beside it.
  external: ['@libsql/client', 'pdfkit'],
  banner: { js: REQUIRE },
  outdir: 'dist/server',
  outExtension: { '.js': '.mjs' },
});

if (
  run(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'build'], {
    cwd: join(ROOT, 'web'),
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  }) !== 0
) {
  stop('The web did not build.');
}

// The Board's proof loads it when it is first wanted; the Angular build takes nothing from outside its own folder.
copyFileSync(join(ROOT, 'node_modules/highs/build/highs.wasm'), join(ROOT, 'dist/web/highs.wasm'));

const SQUEEZED = /\.(?:js|css|html|svg|json|wasm)$/;
const SMALL = 1024;

function squeeze(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) {
      squeeze(path);
      continue;
    }
    const bytes = readFileSync(path);
    if (!SQUEEZED.test(name) || bytes.length < SMALL) continue;
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }));
  }
}

squeeze(join(ROOT, 'dist/web'));
