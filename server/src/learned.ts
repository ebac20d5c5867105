import type { Kit, Learned } from '@tureen/core/kit';
import { MOST_BATCHES, learnUnlessOdd, type BatchEvidence, type FigureChoice } from '@tureen/core/learn';
import { CORE_VERSION } from '@tureen/core/plan';
import { desc, eq, inArray } from 'drizzle-orm';
import type { Database } from './database.js';
import { forgetLearned, learnedVersion } from './evidence.js';
import { done, failed, type Result } from './failure.js';
import { readKit } from './kitchen.js';
import { batchEvidence, batchSummaries, learnedStates, learningBatches, learningChoices } from './schema.js';
import { Unreadable } from './shaped.js';
import type { LearnedState } from './shapes.js';

export type { TeachingBatch } from './shapes.js';

/** What the kitchen has learnt, and from what. */
export interface LearnedAnswer extends Omit<LearnedState, 'learned' | 'coreVersion'> {
  readonly figures: Learned['figures'];
}

interface Worked {
  readonly version: number;
  readonly state: LearnedState;
}

/** The one row that what was learnt is kept in. */
const ROW = 1;

const worked = new WeakMap<Database, Worked>();

async function readChoices({ db }: Database): Promise<FigureChoice[]> {
  const rows = await db.select().from(learningChoices);
  return rows.map(({ key, holds, sinceMs }) => ({ key, holds: holds ?? undefined, sinceMs: sinceMs ?? undefined }));
}

/** Works out what the newest batches teach. One that is unlike the others waits for the cook's word. */
async function workOut(database: Database): Promise<LearnedState> {
  const { db } = database;
  const rows = await db.select().from(batchEvidence).orderBy(desc(batchEvidence.atMs)).limit(MOST_BATCHES);
  const [choices, said, named] = await Promise.all([
    readChoices(database),
    db.select().from(learningBatches),
    db
      .select({
        batchId: batchSummaries.batchId,
        soupId: batchSummaries.soupId,
        soupName: batchSummaries.soupName,
        startedAtMs: batchSummaries.startedAtMs,
      })
      .from(batchSummaries)
      .where(
        inArray(
          batchSummaries.batchId,
          rows.map(({ batchId }) => batchId),
        ),
      ),
  ]);
  const all = rows.map(({ batchId, atMs, evidence }): BatchEvidence => ({ ...evidence, batchId, atMs }));
  const { learning, weights, waiting, counting } = learnUnlessOdd(
    all,
    choices,
    new Map(said.map((one) => [one.batchId, one.counts])),
  );
  const weightOf = new Map(weights.map((one) => [one.batchId, one]));
  const priors = new Map(all.flatMap(({ keys, priorSd }) => keys.map((key, n) => [key, priorSd[n] ?? 0] as const)));
  const nameOf = new Map(named.map((one) => [one.batchId, one]));
  const { figures, together } = learning;
  return {
    coreVersion: CORE_VERSION,
    learned: { figures: [...figures], together: [...together] },
    priorSd: figures.map(({ key }) => priors.get(key) ?? 0),
    choices,
    batches: all.flatMap(({ batchId, keys }) => {
      const own = nameOf.get(batchId);
      const { oddSd = 0, weight = 1 } = weightOf.get(batchId) ?? {};
      return own === undefined ? [] : [{ ...own, oddSd, weight, waits: waiting.has(batchId), counts: counting.has(batchId), keys }];
    }),
  };
}

/** What was kept by this version of the sums; undefined where nothing is, or nothing that can be read. */
async function readKept({ db }: Database): Promise<LearnedState | undefined> {
  try {
    const [kept] = await db.select().from(learnedStates).where(eq(learnedStates.id, ROW));
    return kept?.state.coreVersion === CORE_VERSION ? kept.state : undefined;
  } catch (error) {
    if (error instanceof Unreadable) return undefined;
    throw error;
  }
}

async function upToDate(database: Database): Promise<LearnedState> {
  const version = learnedVersion(database);
  const have = worked.get(database);
  if (have?.version === version) return have.state;
  // Whatever changes the evidence or what was said of it takes the row away: as long as it is there, it holds.
  const kept = await readKept(database);
  const state = kept ?? (await workOut(database));
  worked.set(database, { version, state });
  if (kept === undefined) keep(database, version, state);
  return state;
}

/** Keeps what was worked out for the next start. Nobody waits for it: without it, it is worked out again. */
function keep(database: Database, version: number, state: LearnedState): void {
  database
    .write(async () => {
      if (learnedVersion(database) !== version) return;
      await database.db
        .insert(learnedStates)
        .values({ id: ROW, state })
        .onConflictDoUpdate({ target: learnedStates.id, set: { state } });
    })
    .catch(() => undefined);
}

export async function readLearned(database: Database): Promise<LearnedAnswer> {
  const { learned, priorSd, choices, batches } = await upToDate(database);
  return { figures: learned.figures, priorSd, choices, batches };
}

/** The kitchen's kit with what its batches have shown; undefined until one has been chosen. */
export async function readKitAsLearned(database: Database): Promise<Kit | undefined> {
  const kit = await readKit(database);
  if (kit === undefined) return undefined;
  const { learned } = await upToDate(database);
  return learned.figures.length === 0 ? kit : { ...kit, learned };
}

/** Keeps what the cook says of a figure; nothing of it takes back what was said. */
export async function chooseFigure(database: Database, choice: FigureChoice, nowMs: number): Promise<Result<{ key: string }>> {
  const { key, holds, sinceMs } = choice;
  const { batches } = await upToDate(database);
  if (!batches.some(({ keys }) => keys.includes(key))) return failed({ code: 'NO_SUCH_FIGURE', field: 'key' });
  await database.write(async () => {
    await database.db.delete(learnedStates);
    await database.db.delete(learningChoices).where(eq(learningChoices.key, key));
    if (holds === undefined && sinceMs === undefined) return;
    await database.db.insert(learningChoices).values({ key, holds: holds ?? null, sinceMs: sinceMs ?? null, atMs: nowMs });
  });
  forgetLearned(database);
  return done({ key });
}

/** Keeps whether a batch counts; null takes back what was said. */
export async function chooseBatch(
  database: Database,
  batchId: string,
  counts: boolean | null,
  nowMs: number,
): Promise<Result<{ batchId: string }>> {
  const [have] = await database.db
    .select({ id: batchEvidence.batchId })
    .from(batchEvidence)
    .where(eq(batchEvidence.batchId, batchId));
  if (have === undefined) return failed({ code: 'NO_SUCH_BATCH', field: 'id' });
  await database.write(async () => {
    await database.db.delete(learnedStates);
    await database.db.delete(learningBatches).where(eq(learningBatches.batchId, batchId));
    if (counts !== null) await database.db.insert(learningBatches).values({ batchId, counts, atMs: nowMs });
  });
  forgetLearned(database);
  return done({ batchId });
}
