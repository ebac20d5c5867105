import type { StoredEntry } from '@tureen/core/batch';
import { WAY_WORDS } from '@tureen/core/messages';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import {
  cookedAs,
  coolingDebriefOf,
  debriefOf,
  leftOverOf,
  lessonOf,
  planForPractice,
  type Hidden,
  type Judged,
  type Lesson,
  type Way,
} from '@tureen/core/practice';
import { rerun, type Planned } from '@tureen/core/plan';
import { desc, eq } from 'drizzle-orm';
import { appendEntries, readBatch, startBatch, type StoredBatch } from '../batches.js';
import type { Database } from '../database.js';
import { done, failed, type Result } from '../failure.js';
import { readKit } from '../kitchen.js';
import { readLarder } from '../larder.js';
import { savePlan } from '../plans.js';
import { practices } from '../schema.js';
import { readSoup, saveSoup } from '../soups.js';
import { readStockOf } from '../stock.js';

/** A practice as it is kept. `passed` and `points` are null until it is over. */
export interface Practice {
  readonly batchId: string;
  readonly lesson: string;
  readonly way: Way | null;
  readonly seed: number;
  readonly who: string;
  readonly startedAtMs: number;
  readonly passed: boolean | null;
  readonly points: number | null;
}

export interface PracticeWish {
  readonly batchId: string;
  readonly planId: string;
  readonly lesson: string;
  readonly way?: Way | undefined;
  readonly seed: number;
  readonly who: string;
}

/** Practices of one list. */
const MOST = 200;

/** Practices, the newest first. */
export async function listPractices({ db }: Database): Promise<Practice[]> {
  return db.select().from(practices).orderBy(desc(practices.startedAtMs)).limit(MOST);
}

export async function readPractice({ db }: Database, batchId: string): Promise<Practice | undefined> {
  const [row] = await db.select().from(practices).where(eq(practices.batchId, batchId));
  return row;
}

/** What is hidden of a practice; undefined for a batch that is none. */
export function hiddenOf(practice: Practice): { readonly hidden: Hidden; readonly lesson: Lesson } | undefined {
  const lesson = lessonOf(practice.lesson);
  return lesson === undefined ? undefined : { lesson, hidden: { seed: practice.seed, mishaps: lesson.mishaps } };
}

/** The way that is cooked: the one asked for where the lesson has it, else its first; null where it has none. */
function wayOf({ ways }: Lesson, asked: Way | undefined): Way | null {
  const [first] = ways ?? [];
  return ways?.find((way) => way === asked) ?? first ?? null;
}

/** Digits of an id that tell the entries of a batch apart which somebody made before the practice began. */
const ID_DIGITS = 12;

/** What somebody cooked before it began, and left over. Sent again its entries are the same. */
function leftOver(batchId: string, plan: Planned, nowMs: number): readonly StoredEntry[] {
  return leftOverOf(plan, nowMs, (n) => batchId.slice(0, -ID_DIGITS) + n.toString(16).padStart(ID_DIGITS, '0'));
}

/** Begins a lesson: its soup is planned on the practice kitchen's kit and a batch of it started. Sent again it is the same one. */
export async function beginPractice(database: Database, wish: PracticeWish, nowMs: number): Promise<Result<Practice>> {
  const lesson = lessonOf(wish.lesson);
  const shipped = EXAMPLE_SOUPS.find(({ id }) => id === lesson?.soupId);
  if (lesson === undefined || shipped === undefined) return failed({ code: 'NO_SUCH_LESSON', field: 'lesson' });
  const way = wayOf(lesson, wish.way);
  const have = await readPractice(database, wish.batchId);
  if (have !== undefined) return done(have);
  const cooked = way === null ? shipped : cookedAs(shipped, way);
  const soup = way === null || cooked === shipped ? shipped : { ...cooked, name: `${shipped.name}, ${WAY_WORDS[way]}` };
  if (soup !== shipped && (await readSoup(database, soup.id)) === undefined) {
    const saved = await saveSoup(database, soup, 0, 'for a lesson', nowMs);
    if (!saved.ok && saved.failure.code !== 'SOUP_CHANGED_SINCE') return saved;
  }
  const kit = await readKit(database);
  const { rows } = await readLarder(database, nowMs);
  const planning = kit === undefined ? undefined : planForPractice(soup, lesson.bowls, rows, kit);
  if (planning === undefined) return failed({ code: 'NO_KITCHEN' });
  if (!planning.ok) return failed({ code: 'PLAN_IMPOSSIBLE', field: 'lesson', error: planning.error });
  const { request } = planning.plan.snapshot;
  const plan = await savePlan(database, { id: wish.planId, soupId: soup.id, version: 1, request }, nowMs);
  if (!plan.ok) return plan;
  const batch = await startBatch(database, wish.batchId, wish.planId, nowMs);
  if (!batch.ok) return batch;
  const { batchId, seed, who } = wish;
  if (lesson.isPuttingAway === true) {
    const left = await appendEntries(database, batchId, leftOver(batchId, rerun(plan.value.snapshot), nowMs), nowMs);
    if (!left.ok) return left;
  }
  const practice: Practice = { batchId, lesson: lesson.id, way, seed, who, startedAtMs: nowMs, passed: null, points: null };
  await database.write(() => database.db.insert(practices).values(practice).onConflictDoNothing());
  return done(practice);
}

async function marksOf(
  database: Database,
  { id, snapshot, entries }: StoredBatch,
  { hidden, lesson }: { readonly hidden: Hidden; readonly lesson: Lesson },
): Promise<{ readonly marks: readonly Judged[]; readonly isPassed: boolean }> {
  const plan = rerun(snapshot);
  if (lesson.isPuttingAway !== true) return debriefOf(plan, entries, hidden, lesson);
  return coolingDebriefOf(plan, entries, await readStockOf(database, id), hidden) ?? { marks: [], isPassed: false };
}

/** What a practice came to, judged by what is true of it and kept. */
export async function judgePractice(database: Database, batchId: string): Promise<Result<Practice>> {
  const practice = await readPractice(database, batchId);
  const hidden = practice === undefined ? undefined : hiddenOf(practice);
  const batch = await readBatch(database, batchId);
  if (practice === undefined || hidden === undefined || batch === undefined)
    return failed({ code: 'NO_SUCH_BATCH', field: 'batchId' });
  const { marks, isPassed } = await marksOf(database, batch, hidden);
  const points = marks.reduce((sum, one) => sum + one.points, 0);
  await database.write(() => database.db.update(practices).set({ passed: isPassed, points }).where(eq(practices.batchId, batchId)));
  return done({ ...practice, passed: isPassed, points });
}

/** Forgets what somebody practised; empty are those at whose screen nobody was named. @returns how many practices. */
export async function forgetPractices(database: Database, who: string): Promise<number> {
  const { db } = database;
  const gone = await database.write(() => db.delete(practices).where(eq(practices.who, who)).returning({ id: practices.batchId }));
  return gone.length;
}
