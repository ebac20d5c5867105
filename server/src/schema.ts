import type { Ask, Figures, Snapshot } from '@tureen/core/plan';
import type { Entry } from '@tureen/core/batch';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import type { Soup } from '@tureen/core/soup';
import { blob, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Figures of a batch as they stood when it was closed; a newer core never rewrites them. */
export interface ClosedFigures {
  readonly planned: Figures;
  readonly actual: Figures;
  readonly dishedBowls: number | null;
  readonly coreVersion: string;
}

export const kitchens = sqliteTable('kitchens', {
  id: integer('id').primaryKey(),
  kit: text('kit', { mode: 'json' }).$type<Kit>().notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

export const soups = sqliteTable('soups', {
  id: text('id').primaryKey(),
  createdAtMs: integer('created_at_ms').notNull(),
  tags: text('tags', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
  retiredAtMs: integer('retired_at_ms'),
});

export const soupVersions = sqliteTable(
  'soup_versions',
  {
    soupId: text('soup_id')
      .notNull()
      .references(() => soups.id),
    version: integer('version').notNull(),
    soup: text('soup', { mode: 'json' }).$type<Soup>().notNull(),
    note: text('note').notNull(),
    createdAtMs: integer('created_at_ms').notNull(),
  },
  (table) => [primaryKey({ columns: [table.soupId, table.version] })],
);

export const plans = sqliteTable('plans', {
  id: text('id').primaryKey(),
  soupId: text('soup_id')
    .notNull()
    .references(() => soups.id),
  version: integer('version').notNull(),
  ask: text('ask', { mode: 'json' }).$type<Ask>().notNull(),
  snapshot: text('snapshot', { mode: 'json' }).$type<Snapshot>().notNull(),
  figures: text('figures', { mode: 'json' }).$type<Figures>().notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
  /** Rows of the pull list that are on the bench already. */
  ticks: text('ticks', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
  /** What a bowl is sold for, in the kitchen's currency. */
  bowlPrice: real('bowl_price'),
});

export const batches = sqliteTable('batches', {
  id: text('id').primaryKey(),
  planId: text('plan_id')
    .notNull()
    .references(() => plans.id),
  startedAtMs: integer('started_at_ms').notNull(),
  closedAtMs: integer('closed_at_ms'),
  closedFigures: text('closed_figures', { mode: 'json' }).$type<ClosedFigures>(),
});

export const entries = sqliteTable(
  'entries',
  {
    arrival: integer('arrival').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    batchId: text('batch_id')
      .notNull()
      .references(() => batches.id),
    entry: text('entry', { mode: 'json' }).$type<Entry>().notNull(),
    late: integer('late', { mode: 'boolean' }).notNull(),
    receivedAtMs: integer('received_at_ms').notNull(),
  },
  (table) => [index('entries_by_batch').on(table.batchId, table.arrival)],
);

/** What a cook put in the place of a larder row, or beside the rows; the newest of an ingredient counts, null takes it back. */
export const corrections = sqliteTable(
  'corrections',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    ingredient: text('ingredient').notNull(),
    row: text('row', { mode: 'json' }).$type<IngredientRow | null>(),
    why: text('why').notNull(),
    createdAtMs: integer('created_at_ms').notNull(),
  },
  (table) => [index('corrections_by_ingredient').on(table.ingredient, table.id)],
);

/** Pictures of steps, each under the SHA-256 of its bytes: the same picture twice is one. */
export const photos = sqliteTable('photos', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
});

/** Prices by the kilo as bought, each from a day on. */
export const prices = sqliteTable(
  'prices',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    ingredient: text('ingredient').notNull(),
    pricePerKg: real('price_per_kg').notNull(),
    day: text('day').notNull(),
    source: text('source').notNull(),
    createdAtMs: integer('created_at_ms').notNull(),
  },
  (table) => [index('prices_by_ingredient').on(table.ingredient, table.day)],
);

/** The kitchen's PIN as a salted scrypt hash; one row, none until the kitchen is opened to its network. */
export const doors = sqliteTable('doors', {
  id: integer('id').primaryKey(),
  salt: text('salt').notNull(),
  hash: text('hash').notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

/** Browsers that were let in, by the hash of their token. */
export const visits = sqliteTable('visits', {
  tokenHash: text('token_hash').primaryKey(),
  untilMs: integer('until_ms').notNull(),
});
