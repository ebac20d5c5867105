/** Figures that can be asked about. Sums are of what reaches the bowls. */
export const ASKABLE = ['salt', 'fat', 'energy', 'cost', 'litres', 'yield', 'bowls', 'body', 'minutes', 'stock', 'cream'] as const;
export type Askable = (typeof ASKABLE)[number];
