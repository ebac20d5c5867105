import { LARDER_ROWS, checkRows, type IngredientRow, type RowProblem } from '@tureen/core/larder';
import { asc, desc, eq } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Outcome } from './failure.js';
import { corrections, prices } from './schema.js';

export interface KeptCorrection {
  readonly row: IngredientRow | null;
  readonly why: string;
  readonly createdAtMs: number;
}

export interface KeptPrice {
  readonly ingredient: string;
  readonly pricePerKg: number;
  readonly day: string;
  readonly source: string;
}

/** One ingredient with all that is known of it: as it ships, as it stands, how it was corrected, what it cost. */
export interface IngredientHistory {
  readonly shipped: IngredientRow | null;
  readonly now: IngredientRow | null;
  readonly corrections: readonly KeptCorrection[];
  readonly prices: readonly KeptPrice[];
}

/** The larder as it stands: what ships, the kitchen's corrections and additions over it, the newest price of each. */
export interface KeptLarder {
  readonly rows: readonly IngredientRow[];
  /** Ids of the rows that are the kitchen's own or corrected by it. */
  readonly own: readonly string[];
}

function dayOf(ms: number): string {
  return new Date(ms).toISOString().slice(0, 10);
}

async function newestCorrections({ db }: Database): Promise<ReadonlyMap<string, IngredientRow | null>> {
  const rows = await db.select().from(corrections).orderBy(asc(corrections.id));
  return new Map(rows.map(({ ingredient, row }) => [ingredient, row]));
}

/** The price of each ingredient that holds today: of days to come none counts yet. */
async function pricesToday({ db }: Database, nowMs: number): Promise<ReadonlyMap<string, number>> {
  const today = dayOf(nowMs);
  const rows = await db.select().from(prices).orderBy(asc(prices.day), asc(prices.id));
  return new Map(rows.filter(({ day }) => day <= today).map(({ ingredient, pricePerKg }) => [ingredient, pricePerKg]));
}

export async function readLarder(database: Database, nowMs: number): Promise<KeptLarder> {
  const own = await newestCorrections(database);
  const today = await pricesToday(database, nowMs);
  const shipped = new Set(LARDER_ROWS.map(({ id }) => id));
  const rows = [
    ...LARDER_ROWS.map((row) => own.get(row.id) ?? row),
    ...[...own].flatMap(([id, row]) => (row === null || shipped.has(id) ? [] : [row])),
  ].map((row) => {
    const pricePerKg = today.get(row.id);
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
): Promise<Outcome<{ id: string }>> {
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
): Promise<Outcome<{ kept: number }>> {
  const known = new Set((await readLarder(database, nowMs)).rows.map(({ id }) => id));
  const stranger = list.find(({ ingredient }) => !known.has(ingredient));
  if (stranger !== undefined) {
    return failed({ code: 'BAD_INPUT', field: 'prices', why: `the larder has no ${stranger.ingredient}` });
  }
  await database.write(() =>
    database.db.insert(prices).values(
      list.map(({ ingredient, pricePerKg, day }) => ({
        ingredient,
        pricePerKg,
        day: day ?? dayOf(nowMs),
        source,
        createdAtMs: nowMs,
      })),
    ),
  );
  return done({ kept: list.length });
}
