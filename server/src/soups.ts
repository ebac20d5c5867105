import { makeLarder } from '@tureen/core/larder';
import { checkSoup, type Soup } from '@tureen/core/soup';
import { and, desc, eq, max } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Outcome } from './failure.js';
import { larderRows } from './kitchen.js';
import { soupVersions, soups } from './schema.js';

export interface KeptSoup {
  readonly soup: Soup;
  readonly version: number;
  readonly note: string;
  readonly createdAtMs: number;
}

/** Every soup in its newest version, by name. */
export async function listSoups({ db }: Database): Promise<KeptSoup[]> {
  const newest = db
    .select({ soupId: soupVersions.soupId, version: max(soupVersions.version).as('newest') })
    .from(soupVersions)
    .groupBy(soupVersions.soupId)
    .as('newest');
  const rows = await db
    .select({
      soup: soupVersions.soup,
      version: soupVersions.version,
      note: soupVersions.note,
      createdAtMs: soupVersions.createdAtMs,
    })
    .from(soupVersions)
    .innerJoin(newest, and(eq(soupVersions.soupId, newest.soupId), eq(soupVersions.version, newest.version)));
  return rows.sort((a, b) => a.soup.name.localeCompare(b.soup.name, 'en'));
}

/** A soup in one version, or in its newest. */
export async function readSoup({ db }: Database, soupId: string, version?: number): Promise<KeptSoup | undefined> {
  const [row] = await db
    .select({
      soup: soupVersions.soup,
      version: soupVersions.version,
      note: soupVersions.note,
      createdAtMs: soupVersions.createdAtMs,
    })
    .from(soupVersions)
    .where(
      version === undefined
        ? eq(soupVersions.soupId, soupId)
        : and(eq(soupVersions.soupId, soupId), eq(soupVersions.version, version)),
    )
    .orderBy(desc(soupVersions.version))
    .limit(1);
  return row;
}

/**
 * Saves a soup as a new version. `basedOn` is the version that the writer last saw, 0 for a new soup: if somebody
 * saved meanwhile, nothing is overwritten and the newest version is named.
 */
export async function saveSoup(
  database: Database,
  soup: Soup,
  basedOn: number,
  note: string,
  nowMs: number,
): Promise<Outcome<KeptSoup>> {
  const problems = checkSoup(soup, makeLarder(larderRows()));
  if (problems.length > 0) return failed({ code: 'SOUP_PROBLEMS', field: `soup.${problems[0]?.path ?? ''}`, problems });
  return database.write(async () => {
    const newest = await readSoup(database, soup.id);
    if ((newest?.version ?? 0) !== basedOn) {
      return failed({ code: 'SOUP_CHANGED_SINCE', field: 'basedOn', version: newest?.version ?? 0 });
    }
    const version = basedOn + 1;
    const row = { soupId: soup.id, version, soup, note, createdAtMs: nowMs };
    await database.db.batch([
      database.db.insert(soups).values({ id: soup.id, createdAtMs: nowMs }).onConflictDoNothing(),
      database.db.insert(soupVersions).values(row),
    ]);
    return done({ soup, version, note, createdAtMs: nowMs });
  });
}
