import { deepEqual } from 'fast-equals';
import { bowlsWanted, broughtBackOn, type BroughtBack, type Day } from '@tureen/core/board';
import { asc, eq, gte } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { days } from './schema.js';

/** A day as it is kept; null where nothing was planned for it. */
export interface DayAnswer {
  readonly day: Day | null;
  /** Which state of it this is: whoever changes it says which one was seen. */
  readonly changedAtMs: number | null;
}

/** A day in the list. */
export interface DayInList {
  readonly date: string;
  readonly soups: number;
  readonly bowls: number;
  /** In a word, where it was written down. */
  readonly weather?: string;
  /** What its soups bring back from the cold; left out where that is nothing. */
  readonly broughtBack?: readonly BroughtBack[];
}

export async function readDay({ db }: Database, date: string): Promise<DayAnswer> {
  const [row] = await db.select().from(days).where(eq(days.date, date));
  return { day: row?.day ?? null, changedAtMs: row?.changedAtMs ?? null };
}

/** More than a year of them: what bowls are foretold from. */
const MOST_LISTED = 500;

/** Days from a date on, the soonest first. */
export async function listDays({ db }: Database, from: string): Promise<DayInList[]> {
  const rows = await db.select().from(days).where(gte(days.date, from)).orderBy(asc(days.date)).limit(MOST_LISTED);
  return rows.map(({ date, day }) => {
    // What was started has taken its own out of the cold.
    const broughtBack = broughtBackOn(day.batches.filter(({ batchId }) => batchId === undefined));
    return {
      date,
      soups: day.batches.length,
      bowls: day.batches.reduce((sum, { request }) => sum + bowlsWanted(request), 0),
      ...(day.weather === undefined ? {} : { weather: day.weather }),
      ...(broughtBack.length === 0 ? {} : { broughtBack }),
    };
  });
}

/**
 * Keeps a day. Two that change it at once don't overwrite each other: whoever saw an older state is told.
 *
 * @param seenMs the state that was seen; null where the day was empty.
 */
export async function saveDay(database: Database, day: Day, seenMs: number | null, nowMs: number): Promise<Result<DayAnswer>> {
  return database.write(async () => {
    const have = await readDay(database, day.date);
    if (have.day !== null && deepEqual(have.day, day)) return done(have);
    if (have.changedAtMs !== seenMs) return failed({ code: 'DAY_CHANGED_SINCE', field: 'seenMs' });
    const changedAtMs = Math.max(nowMs, (have.changedAtMs ?? 0) + 1);
    await database.db
      .insert(days)
      .values({ date: day.date, day, changedAtMs })
      .onConflictDoUpdate({ target: days.date, set: { day, changedAtMs } });
    return done({ day, changedAtMs });
  });
}
