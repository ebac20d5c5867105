import type { Line } from './line.js';
import type { Soup } from './soup.js';
import type { SoupStep } from './step.js';

/** What the larder id of kept soup begins with. */
export const KEPT_SOUP = 'kept-';

/** Kept soup that goes into another: so much of it, as an ingredient of its own. */
export interface KeptPart {
  /** The larder row that it is, by its id. */
  readonly ingredient: string;
  readonly kg: number;
}

/** What a line of kept soup is called, and the step that puts it in and the one that brings it to the boil. */
const LINE = 'kept';

/** Where kept soup goes in: before the blade, so that it ends as smooth; or else before it is seasoned or goes out. */
function placeIn(steps: readonly SoupStep[]): number {
  for (const op of ['blend', 'season', 'film', 'dish'] as const) {
    const at = steps.findIndex((step) => step.op === op);
    if (at >= 0) return at;
  }
  return steps.length;
}

/**
 * A soup with kept soup stirred in, each by just its kilos whatever the batch: what is hot is brought to the boil with it, so
 * that what was cold is hot all through; what a later step settles (liquid, salt, cream) counts what it brings.
 */
export function withKept(soup: Soup, parts: readonly KeptPart[]): Soup {
  if (parts.length === 0) return soup;
  const lines = parts.map(({ ingredient, kg }, n): Line => ({
    id: `${LINE}-${String(n + 1)}`,
    ingredient,
    amount: { rule: 'fixed', kg },
  }));
  const at = placeIn(soup.root.steps);
  const into: SoupStep[] = [
    { id: `${LINE}-in`, op: 'add', uses: lines.map(({ id }) => ({ line: id })) },
    ...(soup.served === 'hot'
      ? [{ id: `${LINE}-boil`, op: 'simmer' as const, minutes: 0, vigour: 'steady' as const, lid: 'on' as const }]
      : []),
  ];
  const steps = [...soup.root.steps.slice(0, at), ...into, ...soup.root.steps.slice(at)];
  return { ...soup, lines: [...soup.lines, ...lines], root: { ...soup.root, steps } };
}
