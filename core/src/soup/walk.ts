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
export function linesOf(step: SoupStep): readonly { readonly line: string; readonly share: number }[] {
  switch (step.op) {
    case 'trim':
    case 'add':
      return step.uses.map(({ line, share }) => ({ line, share: share ?? 1 }));
    case 'cover':
    case 'season':
    case 'cream':
      return [{ line: step.line, share: 1 }];
    default:
      return [];
  }
}
