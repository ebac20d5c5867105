import type { Kit } from '@tureen/core/kit';
import type { Database } from './database.js';
import { kitchens } from './schema.js';

const ONLY = 1;

/** The kitchen's kit; undefined until one has been chosen. */
export async function readKit({ db }: Database): Promise<Kit | undefined> {
  const [row] = await db.select().from(kitchens);
  return row?.kit;
}

export async function saveKit({ db, write }: Database, kit: Kit, nowMs: number): Promise<void> {
  await write(() =>
    db
      .insert(kitchens)
      .values({ id: ONLY, kit, changedAtMs: nowMs })
      .onConflictDoUpdate({ target: kitchens.id, set: { kit, changedAtMs: nowMs } }),
  );
}
