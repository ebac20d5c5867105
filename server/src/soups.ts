import { makeLarder } from '@tureen/core/larder';
import { cardsOf, checkCards, checkSoup, type Soup } from '@tureen/core/soup';
import { and, desc, eq, inArray, max } from 'drizzle-orm';
import type { Database } from './database.js';
import { done, failed, type Result } from './failure.js';
import { readLarder } from './larder.js';
import { together } from './projections.js';
import { madeForShelf, shelfStatement } from './shelf.js';
import { soupVersions, soups } from './schema.js';

export interface StoredSoup {
  readonly soup: Soup;
  readonly version: number;
  readonly note: string;
  readonly createdAtMs: number;
  readonly tags: readonly string[];
  readonly retired: boolean;
}

/** A version of a soup without the soup itself. */
export interface SoupVersion {
  readonly version: number;
  readonly note: string;
  readonly createdAtMs: number;
}

const COLUMNS = {
  soup: soupVersions.soup,
  version: soupVersions.version,
  note: soupVersions.note,
  createdAtMs: soupVersions.createdAtMs,
  tags: soups.tags,
  retiredAtMs: soups.retiredAtMs,
};

function asKept({ retiredAtMs, ...row }: Omit<StoredSoup, 'retired'> & { retiredAtMs: number | null }): StoredSoup {
  return { ...row, retired: retiredAtMs !== null };
}

/** Soups in their newest version, by name: all of them, or those of the ids given. */
export async function listSoups({ db }: Database, ids?: readonly string[]): Promise<StoredSoup[]> {
  const newest = db
    .select({ soupId: soupVersions.soupId, version: max(soupVersions.version).as('newest') })
    .from(soupVersions)
    .groupBy(soupVersions.soupId)
    .as('newest');
  const rows = await db
    .select(COLUMNS)
    .from(soupVersions)
    .innerJoin(soups, eq(soups.id, soupVersions.soupId))
    .innerJoin(newest, and(eq(soupVersions.soupId, newest.soupId), eq(soupVersions.version, newest.version)))
    .where(ids === undefined ? undefined : inArray(soups.id, [...ids]));
  return rows.map(asKept).sort((a, b) => a.soup.name.localeCompare(b.soup.name, 'en'));
}

/** A soup in one version, or in its newest. */
export async function readSoup({ db }: Database, soupId: string, version?: number): Promise<StoredSoup | undefined> {
  const [row] = await db
    .select(COLUMNS)
    .from(soupVersions)
    .innerJoin(soups, eq(soups.id, soupVersions.soupId))
    .where(
      version === undefined
        ? eq(soupVersions.soupId, soupId)
        : and(eq(soupVersions.soupId, soupId), eq(soupVersions.version, version)),
    )
    .orderBy(desc(soupVersions.version))
    .limit(1);
  return row === undefined ? undefined : asKept(row);
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
): Promise<Result<StoredSoup>> {
  const { rows } = await readLarder(database, nowMs);
  const larder = makeLarder(rows);
  const problems = [...checkSoup(soup, larder), ...checkCards(soup, cardsOf(soup))];
  if (problems.length > 0) return failed({ code: 'SOUP_PROBLEMS', field: `soup.${problems[0]?.path ?? ''}`, problems });
  // Worked out before the write: nobody waits for it.
  const made = await madeForShelf(database, { soup, version: basedOn + 1, createdAtMs: nowMs }, nowMs);
  return database.write(async () => {
    const newest = await readSoup(database, soup.id);
    if ((newest?.version ?? 0) !== basedOn) {
      return failed({ code: 'SOUP_CHANGED_SINCE', field: 'basedOn', version: newest?.version ?? 0 });
    }
    const version = basedOn + 1;
    const row = { soupId: soup.id, version, soup, note, createdAtMs: nowMs };
    await together(database, [
      database.db.insert(soups).values({ id: soup.id, createdAtMs: nowMs }).onConflictDoNothing(),
      database.db.insert(soupVersions).values(row),
      shelfStatement(database, made),
    ]);
    return done({ soup, version, note, createdAtMs: nowMs, tags: newest?.tags ?? [], retired: newest?.retired ?? false });
  });
}

/** The versions of a soup, newest first. */
export async function listVersions({ db }: Database, soupId: string): Promise<SoupVersion[]> {
  const { version, note, createdAtMs } = soupVersions;
  return db.select({ version, note, createdAtMs }).from(soupVersions).where(eq(soupVersions.soupId, soupId)).orderBy(desc(version));
}

/** Where a soup stands on the shelf: its tags, and whether it is retired. Its versions and batches stay as they are. */
export async function shelveSoup(
  database: Database,
  soupId: string,
  shelf: { readonly tags: readonly string[]; readonly retired: boolean },
  nowMs: number,
): Promise<Result<StoredSoup>> {
  return database.write(async () => {
    const kept = await readSoup(database, soupId);
    if (kept === undefined) return failed({ code: 'NO_SUCH_SOUP', field: 'id' });
    const tags = [...new Set(shelf.tags.map((tag) => tag.trim()).filter((tag) => tag !== ''))];
    await database.db
      .update(soups)
      .set({ tags, retiredAtMs: shelf.retired ? nowMs : null })
      .where(eq(soups.id, soupId));
    return done({ ...kept, tags, retired: shelf.retired });
  });
}
