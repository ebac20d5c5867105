/** Cartons opened and what is left in the last, kg. @example cartonsFor(2.3, 1) // { opened: 3, leftKg: 0.7 } */
export function cartonsFor(neededKg: number, cartonKg: number): { readonly opened: number; readonly leftKg: number } {
  const opened = Math.max(0, Math.ceil(neededKg / cartonKg - 1e-9));
  return { opened, leftKg: opened * cartonKg - neededKg };
}
