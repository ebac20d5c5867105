import { sql } from 'drizzle-orm';
import { blob, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shaped } from './shaped.js';
import {
  BUYING,
  CLOSED,
  CONTAINER,
  CORRECTION,
  DAY,
  ENTRY,
  EVIDENCE,
  FIGURES,
  KIT,
  LEARNED_STATE,
  MENU_CYCLE,
  NAMES,
  REQUEST,
  SHELF_FACTS,
  SHELF_ROW,
  SNAPSHOT,
  SOUP,
  STOCK_ENTRY,
  SUPPLY_ENTRY,
  TIMER,
} from './shapes.js';

export type { ClosedFigures, ShelfRow } from './shapes.js';

/** What a list of names is where nothing was written: read as shape 1. */
const NONE = sql`'[]'`;

export const kitchens = sqliteTable('kitchens', {
  id: integer('id').primaryKey(),
  kit: shaped('kit', KIT).notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

export const soups = sqliteTable('soups', {
  id: text('id').primaryKey(),
  createdAtMs: integer('created_at_ms').notNull(),
  tags: shaped('tags', NAMES).notNull().default(NONE),
  retiredAtMs: integer('retired_at_ms'),
});

export const soupVersions = sqliteTable(
  'soup_versions',
  {
    soupId: text('soup_id')
      .notNull()
      .references(() => soups.id),
    version: integer('version').notNull(),
    soup: shaped('soup', SOUP).notNull(),
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
  request: shaped('request', REQUEST).notNull(),
  snapshot: shaped('snapshot', SNAPSHOT).notNull(),
  figures: shaped('figures', FIGURES).notNull(),
  createdAtMs: integer('created_at_ms').notNull(),
  /** Rows of the pull list that are on the bench already. */
  ticks: shaped('ticks', NAMES).notNull().default(NONE),
  /** What a bowl is sold for, in the kitchen's currency. */
  bowlPrice: real('bowl_price'),
});

export const batches = sqliteTable(
  'batches',
  {
    id: text('id').primaryKey(),
    planId: text('plan_id')
      .notNull()
      .references(() => plans.id),
    startedAtMs: integer('started_at_ms').notNull(),
    closedAtMs: integer('closed_at_ms'),
    closedFigures: shaped('closed_figures', CLOSED),
  },
  (table) => [index('batches_by_plan').on(table.planId), index('batches_by_closing').on(table.closedAtMs, table.startedAtMs)],
);

/** What an entry is about. What happens to containers has a record of its own: no batch is folded with it. */
export const SUBJECTS = ['batch'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** A field of an entry's action, in the shape of today or the first. */
function ofAction(field: 'kind' | 'line') {
  return sql.raw(`coalesce(json_extract(entry, '$.value.action.${field}'), json_extract(entry, '$.deed.${field}'))`);
}

/** The record itself: what anybody entered, in the order in which it reached the server. Nothing in it is ever changed. */
export const entries = sqliteTable(
  'entries',
  {
    arrival: integer('arrival').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    subject: text('subject', { enum: SUBJECTS }).notNull(),
    subjectId: text('subject_id').notNull(),
    entry: shaped('entry', ENTRY).notNull(),
    kind: text('kind').generatedAlwaysAs(ofAction('kind'), { mode: 'virtual' }),
    line: text('line').generatedAlwaysAs(ofAction('line'), { mode: 'virtual' }),
    receivedAtMs: integer('received_at_ms').notNull(),
  },
  (table) => [
    index('entries_by_subject').on(table.subject, table.subjectId, table.arrival),
    index('entries_by_kind').on(table.subject, table.subjectId, table.kind),
  ],
);

/** The record of the stock: what anybody entered of a container, in the order in which it reached the server. */
export const stockEntries = sqliteTable(
  'stock_entries',
  {
    arrival: integer('arrival').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    entry: shaped('entry', STOCK_ENTRY).notNull(),
    counter: integer('counter').generatedAlwaysAs(sql.raw("json_extract(entry, '$.value.stamp.counter')"), { mode: 'virtual' }),
    /** When it happened, as it was told. */
    atMs: real('at_ms').generatedAlwaysAs(sql.raw("json_extract(entry, '$.value.atMs')"), { mode: 'virtual' }),
    receivedAtMs: integer('received_at_ms').notNull(),
  },
  (table) => [index('stock_entries_by_time').on(table.atMs), index('stock_entries_by_counter').on(table.counter)],
);

/** Which containers and batches an entry of the stock ties together: those are folded together. */
export const stockTies = sqliteTable(
  'stock_ties',
  {
    tie: text('tie').notNull(),
    arrival: integer('arrival').notNull(),
  },
  (table) => [primaryKey({ columns: [table.tie, table.arrival] }), index('ties_by_arrival').on(table.arrival)],
);

/*
 * Projections: what lists read. Each is written together with the entries that it follows from, and all of them can be made
 * anew from the entries, the plans and the batches.
 */

/** A batch as lists show it. */
export const batchSummaries = sqliteTable(
  'batch_summaries',
  {
    batchId: text('batch_id').primaryKey(),
    soupId: text('soup_id').notNull(),
    version: integer('version').notNull(),
    soupName: text('soup_name').notNull(),
    request: shaped('request', REQUEST).notNull(),
    planned: shaped('planned', FIGURES).notNull(),
    startedAtMs: integer('started_at_ms').notNull(),
    closedAtMs: integer('closed_at_ms'),
    closedFigures: shaped('closed_figures', CLOSED),
    lateEntries: integer('late_entries').notNull(),
  },
  (table) => [
    index('summaries_by_start').on(table.startedAtMs, table.batchId),
    index('summaries_by_closing').on(table.closedAtMs, table.startedAtMs),
    index('summaries_by_soup').on(table.soupId, table.startedAtMs),
  ],
);

/** A soup's newest version as the shelf shows it; `madeFor` says of which kit, larder and core its facts are. */
export const shelfRows = sqliteTable('shelf_rows', {
  soupId: text('soup_id').primaryKey(),
  version: integer('version').notNull(),
  row: shaped('row', SHELF_ROW).notNull(),
  facts: shaped('facts', SHELF_FACTS).notNull(),
  madeFor: text('made_for').notNull(),
});

/** Timers of batches that are being cooked and that nobody has silenced. */
export const openTimers = sqliteTable(
  'open_timers',
  {
    batchId: text('batch_id').notNull(),
    timerId: text('timer_id').notNull(),
    timer: shaped('timer', TIMER).notNull(),
  },
  (table) => [primaryKey({ columns: [table.batchId, table.timerId] })],
);

/** What batches had left over, by the entry that says so. */
export const leftovers = sqliteTable(
  'leftovers',
  {
    entryId: text('entry_id').primaryKey(),
    batchId: text('batch_id').notNull(),
    kg: real('kg').notNull(),
    atMs: integer('at_ms').notNull(),
    who: text('who').notNull(),
  },
  (table) => [index('leftovers_by_time').on(table.atMs), index('leftovers_by_batch').on(table.batchId)],
);

/** Containers as the entries of the stock have them. */
export const containers = sqliteTable(
  'containers',
  {
    id: text('id').primaryKey(),
    /** The entry of a batch that said what was left over, where it was filled from that; and how much of it. */
    leftoverId: text('leftover_id'),
    filledKg: real('filled_kg').notNull(),
    isGone: integer('is_gone', { mode: 'boolean' }).notNull(),
    useByDay: text('use_by_day').notNull(),
    container: shaped('container', CONTAINER).notNull(),
  },
  (table) => [index('containers_by_day').on(table.isGone, table.useByDay), index('containers_by_leftover').on(table.leftoverId)],
);

/** What trimming left of a line in a batch that was closed, kg as bought and as it went on. */
export const lineYields = sqliteTable(
  'line_yields',
  {
    batchId: text('batch_id').notNull(),
    line: text('line').notNull(),
    ingredient: text('ingredient').notNull(),
    boughtKg: real('bought_kg').notNull(),
    keptKg: real('kept_kg').notNull(),
  },
  (table) => [primaryKey({ columns: [table.batchId, table.line] }), index('yields_by_ingredient').on(table.ingredient)],
);

/** What a closed batch took of each ingredient, kg as bought. */
export const batchUses = sqliteTable(
  'batch_uses',
  {
    batchId: text('batch_id').notNull(),
    ingredient: text('ingredient').notNull(),
    kg: real('kg').notNull(),
    atMs: integer('at_ms').notNull(),
  },
  (table) => [primaryKey({ columns: [table.batchId, table.ingredient] }), index('uses_by_ingredient').on(table.ingredient)],
);

/** What was bought, counted and thrown away of ingredients. Nothing in it is ever changed. No projection. */
export const supplyEntries = sqliteTable('supply_entries', {
  id: text('id').primaryKey(),
  entry: shaped('entry', SUPPLY_ENTRY).notNull(),
  receivedAtMs: integer('received_at_ms').notNull(),
});

/** From whom an ingredient is bought, and in what size. No projection. */
export const buyings = sqliteTable('buyings', {
  ingredient: text('ingredient').primaryKey(),
  buying: shaped('buying', BUYING).notNull(),
});

/** What a closed batch says of the kitchen's own figures, made from its plan and its entries. */
export const batchEvidence = sqliteTable('batch_evidence', {
  batchId: text('batch_id').primaryKey(),
  atMs: integer('at_ms').notNull(),
  evidence: shaped('evidence', EVIDENCE).notNull(),
});

/** What all of the evidence comes to, in one row: made when it is asked for, gone when any of it changes. */
export const learnedStates = sqliteTable('learned_states', {
  id: integer('id').primaryKey(),
  state: shaped('state', LEARNED_STATE).notNull(),
});

/** Days as they are planned: soups, times, people. `changedAtMs` tells one state of it from the next. */
export const days = sqliteTable('days', {
  date: text('date').primaryKey(),
  day: shaped('day', DAY).notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

/** The menu of weeks, in one row. No projection. */
export const menuCycles = sqliteTable('menu_cycles', {
  id: integer('id').primaryKey(),
  cycle: shaped('cycle', MENU_CYCLE).notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

/** What the cook has said of a learnt figure: held at a value, or what was before a moment forgotten. No projection. */
export const learningChoices = sqliteTable('learning_choices', {
  key: text('key').primaryKey(),
  holds: real('holds'),
  sinceMs: integer('since_ms'),
  atMs: integer('at_ms').notNull(),
});

/** Whether a batch that is unlike the others teaches all the same, as the cook has said. No projection. */
export const learningBatches = sqliteTable('learning_batches', {
  batchId: text('batch_id').primaryKey(),
  counts: integer('counts', { mode: 'boolean' }).notNull(),
  atMs: integer('at_ms').notNull(),
});

/** The price of each ingredient that holds on a day of the kitchen, made anew when a day begins or a price is added. */
export const pricesInForce = sqliteTable('prices_in_force', {
  ingredient: text('ingredient').primaryKey(),
  pricePerKg: real('price_per_kg').notNull(),
  since: text('since').notNull(),
});

/** For which day and clock the prices in force were made. */
export const projectionDays = sqliteTable('projection_days', {
  projection: text('projection').primaryKey(),
  day: text('day').notNull(),
});

/** What a cook put in the place of a larder row, or beside the rows; the newest of an ingredient counts, null takes it back. */
export const corrections = sqliteTable(
  'corrections',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    ingredient: text('ingredient').notNull(),
    row: shaped('row', CORRECTION),
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

/** Practices of the bench: which lesson in which hidden kitchen, by whom, and what it came to once it was over. */
export const practices = sqliteTable(
  'practices',
  {
    batchId: text('batch_id').primaryKey(),
    lesson: text('lesson').notNull(),
    /** How its vegetables are cooked, where the lesson lets the cook say so. */
    way: text('way', { enum: ['roast', 'sweat'] }),
    seed: integer('seed').notNull(),
    who: text('who').notNull(),
    startedAtMs: integer('started_at_ms').notNull(),
    passed: integer('passed', { mode: 'boolean' }),
    points: integer('points'),
  },
  (table) => [index('practices_by_start').on(table.startedAtMs)],
);

/** The kitchen's PIN as a salted scrypt hash; one row, none until the kitchen is opened to its network. */
export const pins = sqliteTable('pins', {
  id: integer('id').primaryKey(),
  salt: text('salt').notNull(),
  hash: text('hash').notNull(),
  changedAtMs: integer('changed_at_ms').notNull(),
});

/** Browsers that were let in, by the hash of their token. */
export const sessions = sqliteTable('sessions', {
  tokenHash: text('token_hash').primaryKey(),
  untilMs: integer('until_ms').notNull(),
});
