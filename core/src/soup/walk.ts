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

export interface LineUse {
  readonly line: string;
  readonly share: number;
  /** The step finds out how much: the line's own amount does not count here. */
  readonly settles: boolean;
}

/** Lines that a step takes from, with the share where it is one. */
export function linesOf(step: SoupStep): readonly LineUse[] {
  const settled = (line: string): LineUse => ({ line, share: 1, settles: true });
  const shared = ({ line, share }: { line: string; share?: number | undefined }): LineUse => ({
    line,
    share: share ?? 1,
    settles: false,
  });
  switch (step.op) {
    case 'trim':
    case 'add':
      return step.uses.map(shared);
    case 'deglaze':
      return [shared(step.use)];
    case 'liaison':
      return [shared(step.yolks), shared(step.cream)];
    case 'blend':
      return step.coldScoop === undefined ? [] : [shared(step.coldScoop)];
    case 'cream':
      return [step.target.by === 'written' ? shared(step) : settled(step.line)];
    case 'cover':
    case 'season':
    case 'thin':
    case 'tune':
      return [settled(step.line)];
    case 'thicken':
      return step.parts.map(({ line }) => settled(line));
    case 'hold':
      return step.topUp === undefined ? [] : [settled(step.topUp)];
    case 'dish':
      return (step.shares ?? []).flatMap(({ finish, garnish }) =>
        [...(finish ?? []), ...(garnish ?? [])].map(({ line }) => settled(line)),
      );
    default:
      return [];
  }
}

/** Lines that a step names without taking from them: what it lifts out, gives back or holds back. */
export function linesNamedBy(step: SoupStep): readonly string[] {
  if (step.op === 'takeOut' || step.op === 'giveBack') return step.lines;
  return step.op === 'blend' ? (step.holdBack ?? []).map(({ line }) => line) : [];
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
