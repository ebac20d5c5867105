import type { Line, Soup, Variant } from '../soup/index.js';
import { freeId, slug } from './compose.js';

/** What a variant has in the place of one of its soup's lines; undefined leaves the line out. */
export interface Substitute {
  readonly lineId: string;
  readonly line: Line | undefined;
}

/**
 * Keeps a substitute in the soup's variant of a name: in the one that is there, in the place of what that had for the same
 * line, or in a new one. The soup's own lines stay.
 */
export function keepInVariant(soup: Soup, name: string, { lineId, line }: Substitute): Soup {
  const variants = soup.variants ?? [];
  const known = variants.find((variant) => variant.name.toLowerCase() === name.toLowerCase());
  const before: Variant = known ?? { id: freeId(slug(name), new Set(variants.map(({ id }) => id))), name };
  const instead = (before.instead ?? []).filter(({ id }) => id !== lineId);
  const without = (before.without ?? []).filter((id) => id !== lineId);
  const lines = line === undefined ? instead : [...instead, { ...line, id: lineId }];
  const left = line === undefined ? [...without, lineId] : without;
  const variant: Variant = {
    ...before,
    instead: lines.length === 0 ? undefined : lines,
    without: left.length === 0 ? undefined : left,
  };
  return {
    ...soup,
    variants: known === undefined ? [...variants, variant] : variants.map((own) => (own === known ? variant : own)),
  };
}
