import type { Kit, Learned } from '@tureen/core/kit';
import { MOST_BATCHES, learnUnlessOdd, type BatchEvidence, type FigureChoice, type Learning } from '@tureen/core/learn';
import { desc, eq, inArray } from 'drizzle-orm';
import type { Database } from './database.js';
import { forgetLearned, learnedVersion } from './evidence.js';
import { done, failed, type Result } from './failure.js';
import { readKit } from './kitchen.js';
import { batchEvidence, batchSummaries, learningBatches, learningChoices } from './schema.js';

/** A closed batch and what it has to say: how far it is from the others, and whether it counts. */
export interface TeachingBatch {
  readonly batchId: string;
  readonly soupId: string;
  readonly soupName: string;
  readonly startedAtMs: number;
  readonly oddSd: number;
  readonly weight: number;
  /** It is so unlike the others that it teaches nothing until the cook says whether it should. */
  readonly waits: boolean;
  readonly counts: boolean;
  /** Figures that it speaks of. */
  readonly keys: readonly string[];
}

/** What the kitchen has learnt, and from what. */
export interface LearnedAnswer {
  readonly figures: Learned['figures'];
  /** 1 sd of each figure before anything was learnt, in the order of the figures. */
  readonly priorSd: readonly number[];
  readonly choices: readonly FigureChoice[];
  readonly batches: readonly TeachingBatch[];
}

interface Worked {
  readonly version: number;
  readonly learning: Learning;
  readonly answer: LearnedAnswer;
}

const worked = new WeakMap<Database, Worked>();

async function readChoices({ db }: Database): Promise<FigureChoice[]> {
  const rows = await db.select().from(learningChoices);
  return rows.map(({ key, holds, sinceMs }) => ({ key, holds: holds ?? undefined, sinceMs: sinceMs ?? undefined }));
}

/** Works out what the newest batches teach. One that is unlike the others waits for the cook's word. */
async function workOut(database: Database, version: number): Promise<Worked> {
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
  const answer: LearnedAnswer = {
    figures: learning.figures,
    priorSd: learning.figures.map(({ key }) => priors.get(key) ?? 0),
    choices,
    batches: all.flatMap(({ batchId, keys }) => {
      const own = nameOf.get(batchId);
      const { oddSd = 0, weight = 1 } = weightOf.get(batchId) ?? {};
      return own === undefined ? [] : [{ ...own, oddSd, weight, waits: waiting.has(batchId), counts: counting.has(batchId), keys }];
    }),
  };
  return { version, learning, answer };
}

async function upToDate(database: Database): Promise<Worked> {
  const version = learnedVersion(database);
  const have = worked.get(database);
  if (have?.version === version) return have;
  const made = await workOut(database, version);
  worked.set(database, made);
  return made;
}

export async function readLearned(database: Database): Promise<LearnedAnswer> {
  return (await upToDate(database)).answer;
}

/** The kitchen's kit with what its batches have shown; undefined until one has been chosen. */
export async function readKitAsLearned(database: Database): Promise<Kit | undefined> {
  const kit = await readKit(database);
  if (kit === undefined) return undefined;
  const { figures, together } = (await upToDate(database)).learning;
  return figures.length === 0 ? kit : { ...kit, learned: { figures: [...figures], together: [...together] } };
}

/** Keeps what the cook says of a figure; nothing of it takes back what was said. */
export async function chooseFigure(database: Database, choice: FigureChoice, nowMs: number): Promise<Result<{ key: string }>> {
  const { key, holds, sinceMs } = choice;
  const { answer } = await upToDate(database);
  if (!answer.batches.some(({ keys }) => keys.includes(key))) return failed({ code: 'NO_SUCH_FIGURE', field: 'key' });
  await database.write(async () => {
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
    await database.db.delete(learningBatches).where(eq(learningBatches.batchId, batchId));
    if (counts !== null) await database.db.insert(learningBatches).values({ batchId, counts, atMs: nowMs });
  });
  forgetLearned(database);
  return done({ batchId });
}
