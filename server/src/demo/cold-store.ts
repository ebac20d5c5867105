import { STOCK_SHAPE, type Contents, type StockAction, type StockEntry, type Store } from '@tureen/core/stock';
import type { Database } from '../database.js';
import { appendStock } from '../stock.js';

/** Invented tubs of an invented canteen: how many of how many kilos, how many days ago, and where they went. */
interface Kept {
  readonly contents: Contents;
  readonly madeMs: number;
  readonly from?: { readonly batchId: string; readonly entryId: string } | undefined;
  readonly tubsKg: readonly number[];
  readonly isFrozen: boolean;
}

const FRIDGE: Store = { id: 'fridge', name: 'Fridge', kind: 'fridge' };
const FREEZER: Store = { id: 'freezer', name: 'Freezer', kind: 'freezer' };
const HOUR_MS = 3_600_000;
const COOL = {
  depthM: 0.05,
  place: 'blast',
  isStirred: false,
  rule: 'two-stage',
  words: 'litre tubs, 50 mm deep: blast chiller',
} as const;
const START_C = 82;
const READ = [
  [0.5, 58],
  [1.5, 24],
  [3, 6],
  [3.6, 4],
] as const;

/** Puts away what the demo's batches had left over. `newId` gives ids that are the same every time. */
export async function seedColdStore(database: Database, kept: readonly Kept[], newId: () => string): Promise<void> {
  let counter = 0;
  const entries: StockEntry[] = [];
  const did = (action: StockAction, atMs: number): void => {
    counter += 1;
    const stamp = { counter, device: 'demo-tablet', seq: counter };
    entries.push({ of: 'stock', id: newId(), shape: STOCK_SHAPE, stamp, atMs, who: 'MT', action });
  };
  for (const { contents, madeMs, from, tubsKg, isFrozen } of kept) {
    const origin = from === undefined ? {} : { from };
    for (const kg of tubsKg) {
      const container = newId();
      did({ kind: 'filled', container, kg, vessel: 'Tub of a litre', madeMs, store: FRIDGE, contents, ...origin }, madeMs);
      did({ kind: 'set to cool', container, startC: START_C, ...COOL }, madeMs);
      for (const [hours, tempC] of READ) did({ kind: 'read', container, tempC }, madeMs + hours * HOUR_MS);
      did({ kind: 'cooled', container, store: FRIDGE }, madeMs + 3.7 * HOUR_MS);
      if (isFrozen) did({ kind: 'moved', container, store: FREEZER }, madeMs + 5 * HOUR_MS);
    }
  }
  const outcome = await appendStock(database, entries, entries.at(-1)?.atMs ?? 0);
  if (!outcome.ok) throw new Error(`The demo's cold store failed: ${JSON.stringify(outcome.failure)}`);
}
