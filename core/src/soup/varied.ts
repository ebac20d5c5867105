import type { Line } from './line.js';
import type { Soup } from './soup.js';
import { linesOf, mapSteps, stepWithout, walk } from './walk.js';

/** A soup without some of its lines: nothing takes from them, and a step that is left with nothing to do goes too. */
export function withoutLines(soup: Soup, ids: ReadonlySet<string>): Soup {
  const root = mapSteps(soup.root, (step) => {
    if (step.op === 'join' && step.branch.steps.length === 0) return [];
    const left = stepWithout(step, ids);
    return left === undefined ? [] : [left];
  });
  return { ...soup, root, lines: soup.lines.filter(({ id }) => !ids.has(id)) };
}

/** A line put into every step that takes from another, in the same share. */
function putBeside(soup: Soup, of: string, line: Line): Soup {
  const root = mapSteps(soup.root, (step) => {
    if (step.op !== 'trim' && step.op !== 'add') return [step];
    const beside = step.uses.filter((use) => use.line === of).map((use) => ({ ...use, line: line.id }));
    return [{ ...step, uses: [...step.uses, ...beside] }];
  });
  return { ...soup, root, lines: [...soup.lines, line] };
}

/** A soup in one of its variants; the soup itself where there is none of that name. */
export function varied(soup: Soup, variantId: string | undefined): Soup {
  const variant = soup.variants?.find(({ id }) => id === variantId);
  if (variant === undefined) return soup;
  const instead = new Map((variant.instead ?? []).map((line) => [line.id, line]));
  let out: Soup = {
    ...soup,
    variants: undefined,
    name: `${soup.name}, ${variant.name}`,
    lines: soup.lines.map((line) => instead.get(line.id) ?? line),
    methodChoices: { ...soup.methodChoices, ...variant.methodChoices },
  };
  for (const { of, line } of variant.beside ?? []) out = putBeside(out, of, line);
  return variant.without === undefined ? out : withoutLines(out, new Set(variant.without));
}

/** Lines that a soup's variants speak of and that its steps do not know. */
export function strayLines(soup: Soup): readonly { readonly variant: string; readonly line: string }[] {
  const known = new Set(walk(soup.root).flatMap(({ step }) => linesOf(step).map(({ line }) => line)));
  return (soup.variants ?? []).flatMap(({ id, instead, beside, without }) =>
    [...(instead ?? []).map((line) => line.id), ...(beside ?? []).map(({ of }) => of), ...(without ?? [])]
      .filter((line) => !known.has(line))
      .map((line) => ({ variant: id, line })),
  );
}
