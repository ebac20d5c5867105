import { CORE_VERSION, shelfFactsOf, type ShelfFacts } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import { and, desc, eq, isNotNull, max } from 'drizzle-orm';
import type { Database } from './database.js';
import { readKit } from './kitchen.js';
import { readLarder } from './larder.js';
import { together, type Statement } from './projections.js';
import { batchSummaries, corrections, kitchens, shelfRows, soups, soupVersions, type ShelfRow } from './schema.js';

/** How the last batch of a soup came out: bowls that went out against bowls that were asked for. */
export interface LastMade {
  readonly startedAtMs: number;
  readonly served: number;
  readonly asked: number;
}

/** A soup as the shelf needs it to be found and drawn. */
export interface OnShelf extends ShelfRow {
  readonly version: number;
  readonly tags: readonly string[];
  readonly retired: boolean;
  readonly facts: ShelfFacts;
  /** Whether the facts are of the kit and larder as they are now. */
  readonly fresh: boolean;
  readonly last: LastMade | null;
}

function rowOf(soup: Soup, createdAtMs: number): ShelfRow {
  const dish = soup.root.steps.at(-1);
  return {
    id: soup.id,
    name: soup.name,
    lead: soup.lead,
    school: soup.school,
    served: soup.served,
    bowlG: soup.writtenFor.bowlG,
    ingredients: soup.lines.map(({ ingredient }) => ingredient),
    garnished: dish?.op === 'dish' && (dish.shares ?? []).some(({ garnish }) => (garnish ?? []).length > 0),
    createdAtMs,
  };
}

/** What facts are made of beside the soup: another of it makes them old. */
async function stock({ db }: Database): Promise<string> {
  const [kitchen] = await db.select({ changedAtMs: kitchens.changedAtMs }).from(kitchens);
  const [corrected] = await db.select({ id: max(corrections.id) }).from(corrections);
  return `${CORE_VERSION} ${String(kitchen?.changedAtMs ?? 0)} ${String(corrected?.id ?? 0)}`;
}

type Made = typeof shelfRows.$inferInsert;

/** A version of a soup worked out for the shelf. */
export async function madeForShelf(
  database: Database,
  { soup, version, createdAtMs }: { readonly soup: Soup; readonly version: number; readonly createdAtMs: number },
  nowMs: number,
): Promise<Made> {
  const { rows } = await readLarder(database, nowMs);
  return {
    soupId: soup.id,
    version,
    row: rowOf(soup, createdAtMs),
    facts: shelfFactsOf(soup, rows, await readKit(database)),
    madeFor: await stock(database),
  };
}

/** What is written with a new version of a soup, so that its bowl is never without its colour. */
export function shelfStatement({ db }: Database, made: Made): Statement {
  return db.insert(shelfRows).values(made).onConflictDoUpdate({ target: shelfRows.soupId, set: made });
}

/** Every soup as it stands on the shelf, without its steps and amounts, by name. */
export async function listShelf(database: Database): Promise<OnShelf[]> {
  const { db } = database;
  const now = await stock(database);
  const newest = db
    .select({ soupId: batchSummaries.soupId, startedAtMs: max(batchSummaries.startedAtMs).as('newest') })
    .from(batchSummaries)
    .where(isNotNull(batchSummaries.closedFigures))
    .groupBy(batchSummaries.soupId)
    .as('newest');
  const made = await db
    .select({
      soupId: batchSummaries.soupId,
      startedAtMs: batchSummaries.startedAtMs,
      request: batchSummaries.request,
      closedFigures: batchSummaries.closedFigures,
    })
    .from(batchSummaries)
    .innerJoin(newest, and(eq(newest.soupId, batchSummaries.soupId), eq(newest.startedAtMs, batchSummaries.startedAtMs)));
  const last = new Map(
    made.map(({ soupId, startedAtMs, request, closedFigures }): [string, LastMade] => [
      soupId,
      { startedAtMs, served: closedFigures?.dishedBowls ?? closedFigures?.actual.bowls ?? 0, asked: request.bowls },
    ]),
  );
  const rows = await db
    .select({
      row: shelfRows.row,
      version: shelfRows.version,
      facts: shelfRows.facts,
      madeFor: shelfRows.madeFor,
      tags: soups.tags,
      retiredAtMs: soups.retiredAtMs,
    })
    .from(shelfRows)
    .innerJoin(soups, eq(soups.id, shelfRows.soupId));
  return rows
    .map(({ row, version, facts, madeFor, tags, retiredAtMs }) => ({
      ...row,
      version,
      facts,
      fresh: madeFor === now,
      tags,
      retired: retiredAtMs !== null,
      last: last.get(row.id) ?? null,
    }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

/** Soups that are worked out in one write: nobody waits long behind it. */
const AT_ONCE = 5;

/**
 * Works the shelf out anew where it is missing, or of another kit or larder: a few soups at a time, so that requests come
 * between. @returns how many were.
 */
export async function refreshShelf(database: Database, nowMs: number): Promise<number> {
  const { db } = database;
  let done = 0;
  const now = await stock(database);
  const all = await db
    .select({ soupId: soupVersions.soupId, version: max(soupVersions.version).as('newest') })
    .from(soupVersions)
    .groupBy(soupVersions.soupId);
  const good = new Map(
    (await db.select({ soupId: shelfRows.soupId, version: shelfRows.version, madeFor: shelfRows.madeFor }).from(shelfRows)).map(
      ({ soupId, version, madeFor }) => [soupId, madeFor === now ? version : -1],
    ),
  );
  const todo = all.filter(({ soupId, version }) => good.get(soupId) !== version);
  for (let from = 0; from < todo.length; from += AT_ONCE) {
    const made: Made[] = [];
    for (const { soupId } of todo.slice(from, from + AT_ONCE)) {
      const newest = await db
        .select()
        .from(soupVersions)
        .where(eq(soupVersions.soupId, soupId))
        .orderBy(desc(soupVersions.version))
        .limit(1);
      for (const one of newest) made.push(await madeForShelf(database, one, nowMs));
    }
    await database.write(() =>
      together(
        database,
        made.map((one) => shelfStatement(database, one)),
      ),
    );
    done += made.length;
    await new Promise((resolve) => setImmediate(resolve));
  }
  return done;
}
