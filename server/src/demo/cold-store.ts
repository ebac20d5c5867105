import type { Kit } from '@tureen/core/kit';
import { HiddenKitchen, normalFrom, truePans, type TruePan } from '@tureen/core/practice';
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
const PUT_IN_MS = 300_000;
const COOL = {
  depthM: 0.05,
  place: 'blast',
  isStirred: false,
  rule: 'two-stage',
  words: 'litre tubs, 50 mm deep: blast chiller',
} as const;
const START_C = 82;
/** Each tub is read after a half and one and a half hours, and then every half hour until it is cold; to so many decimals. */
const READ_AT_H = [0.5, 1.5];
const AGAIN_H = 0.5;
const READ_UNTIL_H = 10;
const COLD_C = 5;
const PROBE_SD_K = 0.3;

/** What a probe shows of a tub as it really cools, hours after it was made, until it is cold. */
function* readingsOf(
  pan: TruePan | undefined,
  madeMs: number,
  noise: () => number,
): Generator<readonly [hours: number, tempC: number]> {
  let hours = READ_AT_H[0] ?? AGAIN_H;
  for (let n = 1; pan !== undefined && hours <= READ_UNTIL_H; n += 1) {
    const tempC = Math.round((pan.at(madeMs + hours * HOUR_MS).middleC + PROBE_SD_K * noise()) * 10) / 10;
    yield [hours, tempC];
    if (tempC <= COLD_C) return;
    hours = READ_AT_H[n] ?? hours + AGAIN_H;
  }
}

/**
 * Puts away what the demo's batches had left over: each tub cools as it really does in the demo's hidden kitchen.
 *
 * @param newId gives ids that are the same every time.
 */
export async function seedColdStore(
  database: Database,
  kept: readonly Kept[],
  newId: () => string,
  kit: Kit,
  seed: number,
): Promise<void> {
  const hidden = new HiddenKitchen(seed);
  const noise = normalFrom(seed);
  let counter = 0;
  const entries: StockEntry[] = [];
  const did = (action: StockAction, atMs: number): void => {
    counter += 1;
    const stamp = { counter, device: 'demo-tablet', seq: counter };
    entries.push({ of: 'stock', id: newId(), shape: STOCK_SHAPE, stamp, atMs, who: 'MT', action });
  };
  for (const { contents, madeMs, from, tubsKg, isFrozen } of kept) {
    const origin = from === undefined ? {} : { from };
    const tubs = tubsKg.map((kg) => ({ kg, container: newId() }));
    const firstOf = entries.length;
    for (const { kg, container } of tubs) {
      did({ kind: 'filled', container, kg, vessel: 'Tub of a litre', madeMs, store: FRIDGE, contents, ...origin }, madeMs);
      did({ kind: 'set to cool', container, startC: START_C, ...COOL }, madeMs);
    }
    const pans = truePans(entries.slice(firstOf), { sinceMs: madeMs, tempC: () => START_C }, hidden, kit);
    for (const { container } of tubs) {
      let coldMs = madeMs;
      for (const [hours, tempC] of readingsOf(pans.get(container), madeMs, noise)) {
        coldMs = madeMs + hours * HOUR_MS;
        did({ kind: 'read', container, tempC }, coldMs);
      }
      did({ kind: 'cooled', container, store: FRIDGE }, coldMs + PUT_IN_MS);
      if (isFrozen) did({ kind: 'moved', container, store: FREEZER }, coldMs + HOUR_MS);
    }
  }
  const result = await appendStock(database, entries, entries.at(-1)?.atMs ?? 0);
  if (!result.ok) throw new Error(`The demo's cold store failed: ${JSON.stringify(result.failure)}`);
}
