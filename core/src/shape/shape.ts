import type { z } from 'zod';

/**
 * What is written down for long: which shape it is written in now, how older shapes become it, and what it must hold.
 * `lifts[n]` turns shape n + 1 into shape n + 2, so that the current shape is one more than there are lifts.
 */
export interface Shape<T> {
  readonly name: string;
  readonly lifts: readonly ((older: unknown) => unknown)[];
  readonly schema: z.ZodType<T>;
}

export interface ShapeProblem {
  readonly name: string;
  readonly shape: number;
  readonly path: string;
  readonly why: string;
}

/**
 * Reads what was written in any known shape.
 *
 * @param shape in which it was written, from 1. One that is newer than any known is a problem, not a guess.
 */
export function readShape<T>(
  of: Shape<T>,
  shape: number,
  value: unknown,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: ShapeProblem } {
  const newest = of.lifts.length + 1;
  if (!Number.isInteger(shape) || shape < 1 || shape > newest) {
    return { ok: false, problem: { name: of.name, shape, path: '', why: `shapes 1 to ${String(newest)} are known` } };
  }
  const lifted = of.lifts.slice(shape - 1).reduce((older, lift) => lift(older), value);
  const read = of.schema.safeParse(lifted);
  if (read.success) return { ok: true, value: read.data };
  const [issue] = read.error.issues;
  return {
    ok: false,
    problem: {
      name: of.name,
      shape,
      path: (issue?.path ?? []).map(String).join('.'),
      why: issue?.message ?? 'it has another form',
    },
  };
}

/** An object with keys renamed, and everything else as it was; what is no object, or has no such key, is given back itself. */
export function renamed(value: unknown, names: Readonly<Record<string, string>>): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  if (!Object.keys(names).some((old) => old in value)) return value;
  // A file that has both says two things: the newer word stays, and the older is refused by the schema as unknown.
  return Object.fromEntries(
    Object.entries(value).map(([key, own]) => [names[key] !== undefined && !(names[key] in value) ? names[key] : key, own]),
  );
}
