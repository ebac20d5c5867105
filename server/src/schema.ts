import type { Ask, Figures, Snapshot } from '@tureen/core/plan';
import type { Entry } from '@tureen/core/batch';
import type { Kit } from '@tureen/core/kit';
import type { Soup } from '@tureen/core/soup';
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

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
