/** Fractions of one sign. */
export const FRACTIONS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3 };

/** A figure with a fraction behind it. @example mixed('2 1/4') // 2.25 */
export function mixed(figure: string): number {
  const alone = /^(?:(\d)\/(\d)|([½¼¾⅓⅔]))$/.exec(figure);
  if (alone !== null) return alone[3] === undefined ? Number(alone[1]) / Number(alone[2]) : (FRACTIONS[alone[3]] ?? 0);
  const hit = /^(\d+(?:[.,]\d+)?)(?: ?(?:(\d)\/(\d)|([½¼¾⅓⅔])))?$/.exec(figure);
  if (hit === null) return Number.NaN;
  const more = hit[4] === undefined ? Number(hit[2] ?? 0) / Number(hit[3] ?? 1) : (FRACTIONS[hit[4]] ?? 0);
  return Number((hit[1] ?? '').replace(',', '.')) + more;
}

/** A figure as it is written, to be put into a pattern: whole, decimal, with a fraction behind it, or a fraction alone. */
export const FIGURE = String.raw`\d+(?:[.,]\d+)?(?: ?(?:\d\/\d|[½¼¾⅓⅔]))?|\d\/\d|[½¼¾⅓⅔]`;
