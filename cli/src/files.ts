import { readFileSync } from 'node:fs';
import type { z } from 'zod';
import { KitSchema, READY_KITS, type Kit } from '@tureen/core/kit';
import { LARDER_ROWS, LarderFileSchema, checkRows, type IngredientRow } from '@tureen/core/larder';
import { SoupSchema, type Soup } from '@tureen/core/soup';
import { wrong, type CommandResult } from './result.js';

export type Loaded<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly result: CommandResult };

interface FileProblem {
  readonly path: string;
  readonly message: string;
}

function told(file: string, problems: readonly FileProblem[]): CommandResult {
  const lines = problems.map(({ path, message }) => `  ${path === '' ? 'the file' : path}: ${message}`);
  return wrong([`${file} can’t be used:`, ...lines].join('\n'), { file, problems });
}

/** A JSON file through its schema; what is wrong is told with its path in the file. */
export function load<T>(file: string, schema: z.ZodType<T>): Loaded<T> {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    return { ok: false, result: told(file, [{ path: '', message: 'it is not there or can’t be read. Check its name.' }]) };
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, result: told(file, [{ path: '', message: `it is not JSON (${(error as Error).message}).` }]) };
  }
  const parsed = schema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  return {
    ok: false,
    result: told(
      file,
      parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })),
    ),
  };
}

export function loadSoup(file: string): Loaded<Soup> {
  return load(file, SoupSchema);
}

/** A kit by the name of a ready kitchen, or from a file. */
export function loadKit(name: string | undefined): Loaded<Kit> {
  if (name === undefined) return { ok: true, value: READY_KITS.canteen };
  if (name in READY_KITS) return { ok: true, value: READY_KITS[name as keyof typeof READY_KITS] };
  return load(name, KitSchema);
}

/** The larder that ships, with a cook's own file laid over it: a row of the same id takes the other's place. */
export function loadLarder(file: string | undefined): Loaded<readonly IngredientRow[]> {
  if (file === undefined) return { ok: true, value: LARDER_ROWS };
  const own = load(file, LarderFileSchema);
  if (!own.ok) return own;
  const { ingredients } = own.value;
  const ids = new Set(ingredients.map(({ id }) => id));
  const rows = [...LARDER_ROWS.filter(({ id }) => !ids.has(id)), ...ingredients];
  const problems = checkRows(rows).filter(({ id }) => ids.has(id));
  if (problems.length === 0) return { ok: true, value: rows };
  return {
    ok: false,
    result: told(
      file,
      problems.map((problem) => ({ path: `ingredients.${problem.id}`, message: JSON.stringify({ ...problem, id: undefined }) })),
    ),
  };
}
