/** TypeScript of core and server as one module for Node: what is tested for speed is bundled as what ships. */
import { build } from 'esbuild';
import { ROOT } from './ready.mjs';

/** What packages that are no modules find their files by. */
export const REQUIRE = "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);";

export function bundle(options) {
  return build({
    absWorkingDir: ROOT,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    ...options,
  });
}
