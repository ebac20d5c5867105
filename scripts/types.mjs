/** `npm run types`: the types of all that is not an Angular component, by the compiler's native build. Components are checked as they are built. */
import { join } from 'node:path';
import { ROOT, run } from './ready.mjs';

// Angular's own compiler still needs the older package, which has the same name of command: so this one is called by its path.
const compiler = join(ROOT, 'node_modules/typescript-native/bin/tsc');
const projects = ['tsconfig.node.json', 'web/tsconfig.worker.json', 'e2e/tsconfig.json'];
const codes = projects.map((project) => run(process.execPath, [compiler, '--noEmit', '--project', project]));
process.exitCode = Math.max(...codes);
