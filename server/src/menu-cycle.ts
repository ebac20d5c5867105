import type { MenuCycle } from '@tureen/core/board';
import { deepEqual } from 'fast-equals';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { menuCycles } from './schema.js';

/** The menu of weeks as it is kept; null where none was written. */
export interface MenuAnswer {
  readonly cycle: MenuCycle | null;
  /** Which state of it this is: whoever changes it says which one was seen. */
  readonly changedAtMs: number | null;
}

/** A kitchen has one menu of weeks. */
const ONLY = 1;

export async function readMenu({ db }: Database): Promise<MenuAnswer> {
  const [row] = await db.select().from(menuCycles);
  return { cycle: row?.cycle ?? null, changedAtMs: row?.changedAtMs ?? null };
}

/**
 * Keeps the menu of weeks. Two that change it at once don't overwrite each other: whoever saw an older state is told.
 *
 * @param seenMs the state that was seen; null where there was none.
 */
export async function saveMenu(
  database: Database,
  cycle: MenuCycle,
  seenMs: number | null,
  nowMs: number,
): Promise<Result<MenuAnswer>> {
  return database.write(async () => {
    const have = await readMenu(database);
    if (have.cycle !== null && deepEqual(have.cycle, cycle)) return done(have);
    if (have.changedAtMs !== seenMs) return failed({ code: 'MENU_CHANGED_SINCE', field: 'seenMs' });
    const changedAtMs = Math.max(nowMs, (have.changedAtMs ?? 0) + 1);
    await database.db
      .insert(menuCycles)
      .values({ id: ONLY, cycle, changedAtMs })
      .onConflictDoUpdate({ target: menuCycles.id, set: { cycle, changedAtMs } });
    return done({ cycle, changedAtMs });
  });
}
