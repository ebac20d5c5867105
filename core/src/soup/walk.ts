import type { LineUse } from '../steps/index.js';
import { kindOf } from './kind-of.js';
import type { Branch, SoupStep } from './step.js';

export interface Walked {
  readonly step: SoupStep;
  readonly branch: Branch;
  /** Where the step stands in the soup's file, for an error. */
  readonly path: string;
}

/** Every step in the order in which it is cooked: what joins comes before the step where it joins. */
export function walk(branch: Branch, path = 'root'): Walked[] {
  return branch.steps.flatMap((step, n) => {
    const here = `${path}.steps.${String(n)}`;
    const own: Walked = { step, branch, path: here };
    return step.op === 'join' ? [...walk(step.branch, `${here}.branch`), own] : [own];
  });
}

/** Lines that a step takes from, with the share where it is one. */
export function linesOf(step: SoupStep): readonly LineUse[] {
  return allLines(step).filter(({ named }) => named !== true);
}

/** Lines that a step names without taking from them: what it lifts out, gives back or holds back. */
export function linesNamedBy(step: SoupStep): readonly string[] {
  return allLines(step).flatMap(({ line, named }) => (named === true ? [line] : []));
}

function allLines(step: SoupStep): readonly LineUse[] {
  if (step.op === 'join') return [];
  const uses: LineUse[] = [];
  kindOf(step).lines(step, (use) => {
    uses.push(use);
    return use.line;
  });
  return uses;
}

/** A step with the lines that it takes from under other names; those that it only names keep theirs. */
export function renamedLines(step: SoupStep, name: (line: string) => string): SoupStep {
  if (step.op === 'join') return step;
  return kindOf(step).lines(step, ({ line, named }) => (named === true ? line : name(line))) ?? step;
}

/**
 * A step without some of the lines that it takes from or names; undefined when it is left with nothing to do. What is
 * mixed from several lines goes when one of them does.
 */
export function stepWithout(step: SoupStep, ids: ReadonlySet<string>): SoupStep | undefined {
  if (step.op === 'join' || !allLines(step).some(({ line }) => ids.has(line))) return step;
  return kindOf(step).lines(step, ({ line }) => (ids.has(line) ? undefined : line));
}

/** A branch with every step passed through a change; a step may become none or several. Joined branches are changed first. */
export function mapSteps(branch: Branch, change: (step: SoupStep, branch: Branch) => readonly SoupStep[]): Branch {
  return {
    ...branch,
    steps: branch.steps.flatMap((step) =>
      change(step.op === 'join' ? { ...step, branch: mapSteps(step.branch, change) } : step, branch),
    ),
  };
}
