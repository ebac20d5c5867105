import { figuresOf, makePlan, type Ask, type Figures, type Snapshot } from '@tureen/core/plan';
import { desc, eq } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Outcome } from './failure.js';
import { larderRows, readKit } from './kitchen.js';
import { plans } from './schema.js';
import { readSoup } from './soups.js';

export interface KeptPlan {
  readonly id: string;
  readonly soupId: string;
  readonly version: number;
  readonly ask: Ask;
  readonly snapshot: Snapshot;
  readonly figures: Figures;
  readonly createdAtMs: number;
}

export async function readPlan({ db }: Database, id: string): Promise<KeptPlan | undefined> {
  const [row] = await db.select().from(plans).where(eq(plans.id, id));
  return row;
}

export async function listPlans({ db }: Database): Promise<Omit<KeptPlan, 'snapshot'>[]> {
  const { id, soupId, version, ask, figures, createdAtMs } = plans;
  return db.select({ id, soupId, version, ask, figures, createdAtMs }).from(plans).orderBy(desc(createdAtMs)).limit(200);
}

/** Plans and keeps a snapshot of all that the plan was computed from. Sent again with the same id it is the same plan. */
export async function savePlan(
  database: Database,
  wish: { readonly id: string; readonly soupId: string; readonly version: number; readonly ask: Ask },
  nowMs: number,
): Promise<Outcome<KeptPlan>> {
  const kit = await readKit(database);
  if (kit === undefined) return failed({ code: 'NO_KITCHEN' });
  const kept = await readSoup(database, wish.soupId, wish.version);
  if (kept === undefined) return failed({ code: 'NO_SUCH_SOUP', field: 'soupId' });
  const planning = makePlan(kept.soup, larderRows(), kit, wish.ask);
  if (!planning.ok) return failed({ code: 'PLAN_IMPOSSIBLE', field: 'ask', error: planning.error });
  const { snapshot, run, ready } = planning.plan;
  const plan: KeptPlan = { ...wish, snapshot, figures: figuresOf(ready, run), createdAtMs: nowMs };
  return database.write(async () => {
    const have = await readPlan(database, wish.id);
    if (have !== undefined) {
      const same =
        have.soupId === wish.soupId && have.version === wish.version && JSON.stringify(have.ask) === JSON.stringify(wish.ask);
      return same ? done(have) : failed({ code: 'ID_TAKEN', field: 'id', id: wish.id });
    }
    await database.db.insert(plans).values(plan);
    return done(plan);
  });
}
