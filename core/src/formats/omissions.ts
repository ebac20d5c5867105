import { walk, type Soup } from '../soup/index.js';

/** Ways out for a soup, and what each can hold. */
export type Format = 'soup' | 'recipe' | 'csv' | 'text';

/** What a soup has that a format can't hold. */
export type Omission =
  'PHOTOS' | 'FINISHES' | 'TARGETS' | 'BRANCHES' | 'METHOD_CHOICES' | 'SHARES' | 'STEPS' | 'VARIANTS' | 'CARDS';

/** Names what would be lost of this soup in a format; in its own nothing but the pictures, which stay in their kitchen. */
export function omissionsIn(format: Format, soup: Soup): readonly Omission[] {
  const steps = walk(soup.root).map(({ step }) => step);
  const lost: Omission[] = steps.some(({ photo }) => photo !== undefined) ? ['PHOTOS'] : [];
  if (format === 'soup') return lost;
  // A text and a recipe tell steps, targets, trays and shares in sentences; a table can't.
  if (format === 'csv') {
    if (steps.some(({ op }) => op === 'season' || op === 'cream' || op === 'tune' || op === 'thin' || op === 'thicken'))
      lost.push('TARGETS');
    lost.push('STEPS');
    if (steps.some(({ op }) => op === 'join')) lost.push('BRANCHES');
    const isShared = steps.some(
      (step) => (step.op === 'trim' || step.op === 'add') && step.uses.some(({ share }) => share !== undefined && share < 1),
    );
    if (isShared) lost.push('SHARES');
  } else if (steps.some((step) => step.op === 'dish' && (step.shares ?? []).length > 1)) {
    lost.push('FINISHES');
  }
  if (soup.methodChoices !== undefined && Object.keys(soup.methodChoices).length > 0) lost.push('METHOD_CHOICES');
  if ((soup.variants ?? []).length > 0) lost.push('VARIANTS');
  if ((soup.cards ?? []).length > 0) lost.push('CARDS');
  return lost;
}
