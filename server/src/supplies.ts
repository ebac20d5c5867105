import { deepEqual } from 'fast-equals';
import { dayOf } from '@tureen/core/kit';
import { foldSupplies, type Buying, type Supply, type SupplyEntry } from '@tureen/core/shop';
import { inArray } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { readKit } from './kitchen.js';
import { addPrices, readLarder } from './larder.js';
import { batchUses, buyings, supplyEntries } from './schema.js';

/** What is in the store, and how each ingredient is bought. */
export interface SuppliesAnswer {
  readonly supplies: readonly Supply[];
  readonly buying: readonly Buying[];
}

export async function readSupplies({ db }: Database): Promise<SuppliesAnswer> {
  const entries = await db.select({ entry: supplyEntries.entry }).from(supplyEntries);
  const uses = await db.select({ ingredient: batchUses.ingredient, kg: batchUses.kg, atMs: batchUses.atMs }).from(batchUses);
  const ways = await db.select({ buying: buyings.buying }).from(buyings);
  return {
    supplies: foldSupplies(
      entries.map(({ entry }) => entry),
      uses,
    ),
    buying: ways.map(({ buying }) => buying),
  };
}

/**
 * Enters what came, was counted or thrown away. What was sent before counts once; the price of what came is the larder's from
 * that day on.
 */
export async function enterSupplies(
  database: Database,
  sent: readonly SupplyEntry[],
  nowMs: number,
): Promise<Result<{ kept: number }>> {
  const { rows } = await readLarder(database, nowMs);
  const known = new Set(rows.map(({ id }) => id));
  const stranger = sent.findIndex(({ ingredient }) => !known.has(ingredient));
  if (stranger !== -1) return failed({ code: 'NO_SUCH_INGREDIENT', field: `entries.${String(stranger)}.ingredient` });
  const kept = await database.write(async () => {
    const ids = sent.map(({ id }) => id);
    const have = await database.db.select().from(supplyEntries).where(inArray(supplyEntries.id, ids));
    const taken = sent.find((entry) => have.some((one) => one.id === entry.id && !deepEqual(one.entry, entry)));
    if (taken !== undefined) return failed({ code: 'ID_TAKEN', field: 'entries', id: taken.id });
    const fresh = sent.filter(({ id }, n) => !have.some((one) => one.id === id) && ids.indexOf(id) === n);
    if (fresh.length > 0)
      await database.db.insert(supplyEntries).values(fresh.map((entry) => ({ id: entry.id, entry, receivedAtMs: nowMs })));
    return done(fresh);
  });
  if (!kept.ok) return kept;
  const zone = (await readKit(database))?.zone;
  const prices = kept.value.flatMap(({ ingredient, action, atMs }) =>
    action.kind === 'bought' && action.pricePerKg !== undefined
      ? [{ ingredient, pricePerKg: action.pricePerKg, day: dayOf(atMs, zone) }]
      : [],
  );
  if (prices.length > 0) {
    const priced = await addPrices(database, prices, 'as received', nowMs);
    if (!priced.ok) return priced;
  }
  return done({ kept: kept.value.length });
}

/** From whom and in what size an ingredient is bought. */
export async function keepBuying(database: Database, buying: Buying, nowMs: number): Promise<Result<Buying>> {
  const { rows } = await readLarder(database, nowMs);
  if (!rows.some(({ id }) => id === buying.ingredient)) return failed({ code: 'NO_SUCH_INGREDIENT', field: 'ingredient' });
  return database.write(async () => {
    await database.db
      .insert(buyings)
      .values({ ingredient: buying.ingredient, buying })
      .onConflictDoUpdate({ target: buyings.ingredient, set: { buying } });
    return done(buying);
  });
}
