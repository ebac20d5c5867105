/** Columns padded to their widest cell; figures to the right. */
export function table(rows: readonly (readonly string[])[], right: readonly number[] = []): string {
  const widths: number[] = [];
  for (const row of rows) for (const [n, cell] of row.entries()) widths[n] = Math.max(widths[n] ?? 0, cell.length);
  return rows
    .map((row) =>
      row
        .map((cell, n) => (right.includes(n) ? cell.padStart(widths[n] ?? 0) : cell.padEnd(widths[n] ?? 0)))
        .join('  ')
        .trimEnd(),
    )
    .join('\n');
}
