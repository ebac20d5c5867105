import { LARDER_ROWS, checkRows, type IngredientRow, type RowProblem } from '@tureen/core/larder';
import { dayOf } from '@tureen/core/kit';
import { desc, eq, inArray, lte, max, sql } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { readKit } from './kitchen.js';
import { together, type Statement } from './projections.js';
import { corrections, prices, pricesInForce, projectionDays } from './schema.js';

/** Under which name the day of the prices in force is kept. */
const PRICES = 'prices in force';

export interface StoredCorrection {
  readonly row: IngredientRow | null;
  readonly why: string;
  readonly createdAtMs: number;
}

export interface StoredPrice {
  readonly ingredient: string;
  readonly pricePerKg: number;
  readonly day: string;
  readonly source: string;
}

/** One ingredient with all that is known of it: as it ships, as it stands, how it was corrected, what it cost. */
export interface IngredientHistory {
  readonly shipped: IngredientRow | null;
  readonly now: IngredientRow | null;
  readonly corrections: readonly StoredCorrection[];
  readonly prices: readonly StoredPrice[];
}

/** The larder as it stands: what ships, the kitchen's corrections and additions over it, the newest price of each. */
export interface StoredLarder {
  readonly rows: readonly IngredientRow[];
  /** Ids of the rows that are the kitchen's own or corrected by it. */
  readonly own: readonly string[];
}

/** Which day it is where the kitchen stands. */
async function today(database: Database, nowMs: number): Promise<string> {
  return dayOf(nowMs, (await readKit(database))?.zone);
}

type Corrected = ReadonlyMap<string, IngredientRow | null>;

/** What was read of the corrections last. They are only ever added to, so the newest id tells whether it still holds. */
const READ_LAST = new WeakMap<Database, { readonly upTo: number | null; readonly rows: Corrected }>();

async function newestCorrections(database: Database): Promise<Corrected> {
  const { db } = database;
  const [newest] = await db.select({ upTo: max(corrections.id) }).from(corrections);
  const upTo = newest?.upTo ?? null;
  const last = READ_LAST.get(database);
  if (last?.upTo === upTo) return last.rows;
  const newestOfEach = db
    .select({ id: max(corrections.id) })
    .from(corrections)
    .groupBy(corrections.ingredient);
  const list = await db.select().from(corrections).where(inArray(corrections.id, newestOfEach));
  const rows: Corrected = new Map(list.map(({ ingredient, row }) => [ingredient, row]));
  READ_LAST.set(database, { upTo, rows });
  return rows;
}

/** The prices in force on a day, made from the history: of days to come none counts yet, of one day the one that came last. */
function inForceStatements({ db }: Database, day: string): Statement[] {
  const { ingredient, pricePerKg, day: since, id } = prices;
  const rank = sql<number>`row_number() over (partition by ${ingredient} order by ${since} desc, ${id} desc)`.as('rank');
  const held = db.select({ ingredient, pricePerKg, since, rank }).from(prices).where(lte(since, day)).as('held');
  return [
    db.delete(pricesInForce),
    db
      .insert(pricesInForce)
      .select(
        db
          .select({ ingredient: held.ingredient, pricePerKg: held.pricePerKg, since: held.since })
          .from(held)
          .where(eq(held.rank, 1)),
      ),
    db
      .insert(projectionDays)
      .values({ projection: PRICES, day })
      .onConflictDoUpdate({ target: projectionDays.projection, set: { day } }),
  ];
}

/** The price of each ingredient that holds today. */
async function pricesToday(database: Database, nowMs: number): Promise<ReadonlyMap<string, number>> {
  const { db } = database;
  const day = await today(database, nowMs);
  const [made] = await db.select().from(projectionDays).where(eq(projectionDays.projection, PRICES));
  // A day has begun since they were made, or the kitchen has moved to another zone.
  if (made?.day !== day) await database.write(() => together(database, inForceStatements(database, day)));
  const rows = await db.select().from(pricesInForce);
  return new Map(rows.map(({ ingredient, pricePerKg }) => [ingredient, pricePerKg]));
}

export async function readLarder(database: Database, nowMs: number): Promise<StoredLarder> {
  const own = await newestCorrections(database);
  const inForce = await pricesToday(database, nowMs);
  const shipped = new Set(LARDER_ROWS.map(({ id }) => id));
  const rows = [
    ...LARDER_ROWS.map((row) => own.get(row.id) ?? row),
    ...[...own].flatMap(([id, row]) => (row === null || shipped.has(id) ? [] : [row])),
  ].map((row) => {
    const pricePerKg = inForce.get(row.id);
    return pricePerKg === undefined ? row : { ...row, pricePerKg };
  });
  return { rows, own: [...own].flatMap(([id, row]) => (row === null ? [] : [id])) };
}

export async function readIngredient(database: Database, id: string, nowMs: number): Promise<IngredientHistory | undefined> {
  const { db } = database;
  const shipped = LARDER_ROWS.find((row) => row.id === id) ?? null;
  const corrected = await db.select().from(corrections).where(eq(corrections.ingredient, id)).orderBy(desc(corrections.id));
  if (shipped === null && corrected.length === 0) return undefined;
  const paid = await db.select().from(prices).where(eq(prices.ingredient, id)).orderBy(desc(prices.day), desc(prices.id));
  const { rows } = await readLarder(database, nowMs);
  return {
    shipped,
    now: rows.find((row) => row.id === id) ?? null,
    corrections: corrected.map(({ row, why, createdAtMs }) => ({ row, why, createdAtMs })),
    prices: paid.map(({ ingredient, pricePerKg, day, source }) => ({ ingredient, pricePerKg, day, source })),
  };
}

/** What looks wrong with a row by itself, and with the row that it says it is a variety of. */
async function problemsOf({ db }: Database, row: IngredientRow): Promise<readonly RowProblem[]> {
  const alone = checkRows([row]).filter(({ code }) => code !== 'VARIETY_UNKNOWN');
  const { id, varietyOf } = row;
  if (varietyOf === undefined || LARDER_ROWS.some((shipped) => shipped.id === varietyOf)) return alone;
  const [own] = await db.select({ id: corrections.id }).from(corrections).where(eq(corrections.ingredient, varietyOf)).limit(1);
  return own === undefined ? [...alone, { id, code: 'VARIETY_UNKNOWN', of: varietyOf }] : alone;
}

/** Puts a kitchen's own row over the one that ships, or beside them all; null takes it back. The original is kept. */
export async function correctIngredient(
  database: Database,
  id: string,
  row: IngredientRow | null,
  why: string,
  nowMs: number,
): Promise<Result<{ id: string }>> {
  if (row !== null && row.id !== id) return failed({ code: 'BAD_INPUT', field: 'row.id', why: 'it is not the id of the address' });
  const problems = row === null ? [] : await problemsOf(database, row);
  if (problems.length > 0) return failed({ code: 'ROW_PROBLEMS', field: 'row', problems });
  await database.write(() => database.db.insert(corrections).values({ ingredient: id, row, why, createdAtMs: nowMs }));
  return done({ id });
}

/** Adds prices to the history; a price without a day is of today. An unknown ingredient refuses the whole list. */
export async function addPrices(
  database: Database,
  list: readonly { readonly ingredient: string; readonly pricePerKg: number; readonly day?: string | undefined }[],
  source: string,
  nowMs: number,
): Promise<Result<{ kept: number }>> {
  const known = new Set((await readLarder(database, nowMs)).rows.map(({ id }) => id));
  const stranger = list.find(({ ingredient }) => !known.has(ingredient));
  if (stranger !== undefined) {
    return failed({ code: 'BAD_INPUT', field: 'prices', why: `the larder has no ${stranger.ingredient}` });
  }
  const now = await today(database, nowMs);
  await database.write(() =>
    together(database, [
      database.db.insert(prices).values(
        list.map(({ ingredient, pricePerKg, day }) => ({
          ingredient,
          pricePerKg,
          day: day ?? now,
          source,
          createdAtMs: nowMs,
        })),
      ),
      ...inForceStatements(database, now),
    ]),
  );
  return done({ kept: list.length });
}
