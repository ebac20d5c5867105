import { dayOf } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import type { Buying, SupplyEntry } from '@tureen/core/shop';
import type { Database } from '../database.js';
import { addPrices } from '../larder.js';
import { batchUses } from '../schema.js';
import { enterSupplies, keepBuying } from '../supplies.js';
import type { Draw } from './draw.js';

/** From whom the canteen buys, in what; suppliers are invented. */
const BUYING: readonly Buying[] = [
  { ingredient: 'beetroot', supplier: 'Tideway Greens', packKg: 5, packName: 'net' },
  { ingredient: 'celeriac', supplier: 'Tideway Greens', packKg: 6, packName: 'crate' },
  { ingredient: 'parsnip', supplier: 'Tideway Greens', packKg: 5, packName: 'net' },
  { ingredient: 'onion', supplier: 'Tideway Greens', packKg: 10, packName: 'sack' },
  { ingredient: 'leek', supplier: 'Tideway Greens' },
  { ingredient: 'apple', supplier: 'Tideway Greens' },
  { ingredient: 'single-cream', supplier: 'Skerry Dairy', packKg: 1, packName: 'carton' },
  { ingredient: 'butter', supplier: 'Skerry Dairy', packKg: 0.5, packName: 'block' },
];

/** What was counted in the store when the past was over, kg. */
const COUNTED: Readonly<Record<string, number>> = { onion: 7.5, butter: 1.2, beetroot: 3.4, 'single-cream': 1 };

const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;
const HOUR_MS = 3_600_000;
/** How far a price moves from one delivery to the next, and how far it may get from where it began, as shares. */
const MOVES = 0.05;
const MOST_MOVED = 0.25;
/** A delivery comes before the kitchen begins. */
const DELIVERED_AT_H = 6;

function bought(): readonly string[] {
  return BUYING.map(({ ingredient }) => ingredient);
}

/** What each delivery of the quarter costs: every week a little more or less than the week before, and never far from where it began. */
export async function seedPrices(
  database: Database,
  weeks: readonly number[],
  draw: Draw,
  zone: string | undefined,
): Promise<void> {
  const prices = bought().flatMap((ingredient) => {
    const begins = LARDER_ROWS.find(({ id }) => id === ingredient)?.pricePerKg ?? 0;
    let times = 1;
    return weeks.map((atMs) => {
      times = Math.min(1 + MOST_MOVED, Math.max(1 - MOST_MOVED, times * draw.around(MOVES)));
      return { ingredient, pricePerKg: Math.round(begins * times * 100) / 100, day: dayOf(atMs, zone) };
    });
  });
  const result = await addPrices(database, prices, 'delivery note', weeks[0] ?? 0);
  if (!result.ok) throw new Error(`The demo's prices failed: ${JSON.stringify(result.failure)}`);
}

/** What came week by week: whole packs of what the batches of that week took. Then the store is counted. */
export async function seedStore(database: Database, weeks: readonly number[], nowMs: number, newId: () => string): Promise<void> {
  for (const buying of BUYING) await keepBuying(database, buying, nowMs);
  const uses = await database.db.select().from(batchUses);
  const came = weeks.flatMap((weekMs) =>
    BUYING.flatMap(({ ingredient, packKg = 1 }): SupplyEntry[] => {
      const used = uses.filter((use) => use.ingredient === ingredient && use.atMs >= weekMs && use.atMs < weekMs + WEEK_MS);
      const kg = Math.ceil(used.reduce((sum, use) => sum + use.kg, 0) / packKg) * packKg;
      if (kg <= 0) return [];
      return [{ id: newId(), ingredient, action: { kind: 'bought', kg }, atMs: weekMs + DELIVERED_AT_H * HOUR_MS, who: 'MO' }];
    }),
  );
  const counted = Object.entries(COUNTED).map(([ingredient, kg]): SupplyEntry => ({
    id: newId(),
    ingredient,
    action: { kind: 'counted', kg },
    atMs: nowMs,
    who: 'MO',
  }));
  const result = await enterSupplies(database, [...came, ...counted], nowMs);
  if (!result.ok) throw new Error(`The demo's store failed: ${JSON.stringify(result.failure)}`);
}

/** The first moments of the weeks from one moment to another. */
export function weeksBetween(fromMs: number, toMs: number): readonly number[] {
  return Array.from({ length: Math.max(0, Math.ceil((toMs - fromMs) / WEEK_MS)) }, (_, n) => fromMs + n * WEEK_MS);
}
