import type { ShoppingRow } from '../shop/index.js';
import { writeCsv } from './csv.js';

const HEAD = ['supplier', 'ingredient', 'needed kg', 'on hand kg', 'buy kg', 'packs', 'pack', 'for'];

function kg(value: number): string {
  return value.toFixed(3).replace(/\.?0+$/, '');
}

function packOf({ pack }: ShoppingRow): string {
  return pack?.packKg === undefined ? '' : `${pack.packName ?? 'pack'} of ${kg(pack.packKg)} kg`;
}

/** A shopping list as CSV: one row an ingredient that has to be bought. */
export function shoppingCsv(rows: readonly ShoppingRow[]): string {
  return writeCsv(
    HEAD,
    rows
      .filter(({ buyKg }) => buyKg > 0)
      .map((row) => [
        row.supplier,
        row.name,
        kg(row.neededKg),
        kg(row.onHandKg),
        kg(row.buyKg),
        row.packs ?? '',
        packOf(row),
        row.of.map(({ name }) => name).join('; '),
      ]),
  );
}

/** An order as text to send: by supplier, one line an ingredient. */
export function orderText(rows: readonly ShoppingRow[], kitchen: string, forWhen: string): string {
  const bought = rows.filter(({ buyKg }) => buyKg > 0);
  const suppliers = [...new Set(bought.map(({ supplier }) => supplier))];
  return suppliers
    .map((supplier) => {
      const own = bought.filter((row) => row.supplier === supplier);
      const lines = own.map((row) =>
        row.packs === undefined
          ? `- ${row.name}: ${kg(row.buyKg)} kg`
          : `- ${row.name}: ${String(row.packs)} × ${packOf(row)} (${kg(row.buyKg)} kg)`,
      );
      return [supplier === '' ? 'Without a supplier' : supplier, `Order of ${kitchen} for ${forWhen}`, ...lines].join('\n');
    })
    .join('\n\n');
}
