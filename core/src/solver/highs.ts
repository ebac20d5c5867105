import type { Solver } from '../solve/index.js';

/**
 * The MIP solver as it ships, loaded when it is first needed (some 3 MB of WebAssembly).
 *
 * @param locate where the browser finds `highs.wasm`; Node needs none.
 */
export async function loadSolver(locate?: (file: string) => string): Promise<Solver> {
  const { default: load } = await import('highs');
  const highs = await load(locate === undefined ? {} : { locateFile: locate });
  return {
    solve(problem, options) {
      const { Status, Columns } = highs.solve(problem, options ?? {});
      return { Status, Columns: Columns as Record<string, { Primal?: number }> };
    },
  };
}
