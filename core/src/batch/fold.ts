import { SALT } from '../larder/index.js';
import { figuresOf, rerun, type Figures, type Planned, type Snapshot } from '../plan/index.js';
import { ribbonOf, run, type Ribbon, type Run, type StepRecord } from '../line/index.js';
import { EMPTY_POT, MASS, contents, potKg, potM3, sdOf, volumeM3, type Caution, type PotState } from '../pot/index.js';
import { walk, type Walked } from '../soup/index.js';
import type { Entry, KeptEntry } from './entry.js';
import { historyOf, type History } from './history.js';
import { NOTHING_DONE, rewrite, type StepDeeds } from './rewrite.js';

export interface StepState {
  readonly stepId: string;
  readonly status: 'done' | 'now' | 'ahead';
  readonly startedAtMs: number | undefined;
  readonly minutes: number;
}

/** A reading and what became of it. */
export interface ReadingState {
  readonly stepId: string;
  readonly massKg: number;
  readonly questioned: boolean;
}

/** A batch at this moment: what happened, what stands in the pot, what is still ahead, how it will come out. */
export interface BatchState {
  readonly planned: Planned;
  readonly history: History;
  readonly steps: readonly StepState[];
  /** The step in hand; undefined when all are done. */
  readonly current: Walked | undefined;
  /** What stands in the vessel of the last thing that happened. */
  readonly pot: PotState;
  /** Estimate of the mass in it and its sd, kg. */
  readonly massKg: number;
  readonly massSdKg: number;
  readonly run: Run;
  readonly forecast: Figures;
  readonly plannedFigures: Figures;
  /** Kilos given so far and still wanted, by line, as bought. */
  readonly inKg: ReadonlyMap<string, number>;
  readonly toGoKg: ReadonlyMap<string, number>;
  readonly readings: readonly ReadingState[];
  readonly cautions: readonly Caution[];
  /** Bowls that the cook counted out; undefined before any count. */
  readonly dishedBowls: number | undefined;
  readonly closed: boolean;
  /** Ids of steps to which an entry belongs that the plan does not know. */
  readonly strangers: readonly string[];
}

function stepOf(entry: KeptEntry): string | undefined {
  return 'stepId' in entry.deed ? entry.deed.stepId : undefined;
}

function deedsByStep(history: History): Map<string, StepDeeds> {
  const deeds = new Map<string, StepDeeds>();
  for (const entry of history.counted) {
    const stepId = stepOf(entry);
    if (stepId === undefined) continue;
    const have = deeds.get(stepId) ?? NOTHING_DONE;
    if (entry.deed.kind === 'started') deeds.set(stepId, { ...have, startedAtMs: have.startedAtMs ?? entry.atMs });
    else if (entry.deed.kind === 'done') deeds.set(stepId, { ...have, done: entry });
    else deeds.set(stepId, { ...have, entries: [...have.entries, entry] });
  }
  return deeds;
}

/** Density with air of what the plan expects to stand in the vessel when a step begins or, while it pours, ends; kg/m3. */
function plannedDensity(planned: Planned): (stepId: string) => number {
  return (stepId) => {
    const at = planned.run.records.findLast(({ step }) => step.id === stepId);
    const pot = at === undefined ? EMPTY_POT : at.step.op === 'dish' ? at.before : at.pot;
    const massKg = potKg(pot);
    return massKg > 0 ? massKg / potM3(pot) : 1 / volumeM3([1, 0, 0, 0, 0, 0, 0, 0, 0, 0], pot.tempC);
  };
}

function sums(records: readonly StepRecord[]): Map<string, number> {
  const kg = new Map<string, number>();
  for (const { took } of records) {
    for (const flow of took) {
      if (flow.kind !== 'ingredient') continue;
      kg.set(flow.lineId, (kg.get(flow.lineId) ?? 0) + potKg({ ...EMPTY_POT, liquid: flow.parcel }));
    }
  }
  return kg;
}

/** Branch names of a soup by id, for its ribbon. */
export function branchNames(planned: Pick<Planned, 'ready'>): ReadonlyMap<string, string> {
  return new Map(walk(planned.ready.soup.root).map(({ branch }) => [branch.id, branch.name]));
}

/**
 * The state of a batch: its plan with every step replaced by what was done at it, run by the same runner as the
 * plan. Depends only on the set of entries, not on their order or number of arrivals.
 */
export function foldBatch(
  snapshot: Snapshot,
  entries: readonly (Entry | KeptEntry)[],
  planned: Planned = rerun(snapshot),
): BatchState {
  const history = historyOf(entries);
  const deeds = deedsByStep(history);
  const walked = walk(planned.ready.soup.root);
  const current = history.closed === undefined ? walked.find(({ step }) => deeds.get(step.id)?.done === undefined) : undefined;
  const rewritten = rewrite(planned.ready, snapshot.scale, (id) => deeds.get(id) ?? NOTHING_DONE, plannedDensity(planned));
  const real = run({ ...planned.ready, soup: { ...planned.ready.soup, root: rewritten.root } }, snapshot.scale);
  const happened = real.records.filter(({ step }) => !rewritten.ahead.has(step));
  const ahead = real.records.filter(({ step }) => rewritten.ahead.has(step));
  const last = happened.at(-1);
  const pot = last === undefined ? EMPTY_POT : last.step.op === 'dish' ? last.before : last.pot;
  const massKg = potKg(pot);
  const known = new Set(walked.map(({ step }) => step.id));
  const dished = history.counted.filter(({ deed }) => deed.kind === 'dished');

  return {
    planned,
    history,
    steps: walked.map(({ step }) => {
      const own = deeds.get(step.id) ?? NOTHING_DONE;
      const minutes = real.records.reduce((sum, record) => (record.step.id === step.id ? sum + record.minutes : sum), 0);
      const status = own.done !== undefined ? 'done' : step.id === current?.step.id ? 'now' : 'ahead';
      return { stepId: step.id, status, startedAtMs: own.startedAtMs, minutes };
    }),
    current,
    pot,
    massKg,
    massSdKg: massKg * sdOf(pot.belief, MASS),
    run: real,
    forecast: figuresOf(planned.ready, real),
    plannedFigures: figuresOf(planned.ready, planned.run),
    inKg: sums(happened),
    toGoKg: sums(ahead),
    readings: real.records.flatMap(({ step, cautions }) =>
      step.op === 'read' && step.seen.of === 'mass'
        ? [{ stepId: step.id, massKg: step.seen.massKg, questioned: cautions.some(({ code }) => code === 'READING_QUESTIONED') }]
        : [],
    ),
    cautions: real.records.filter(({ step }) => step.id === current?.step.id).flatMap(({ cautions }) => cautions),
    dishedBowls:
      dished.length === 0 ? undefined : dished.reduce((sum, { deed }) => (deed.kind === 'dished' ? sum + deed.bowls : sum), 0),
    closed: history.closed !== undefined,
    strangers: [...deeds.keys()].filter((id) => !known.has(id)),
  };
}

/** The ribbon of what has really happened so far; the plan's own is the outline around it. */
export function actualRibbon(state: BatchState): Ribbon {
  const doneIds = new Set(state.steps.filter(({ status }) => status === 'done').map(({ stepId }) => stepId));
  const touched = new Set(
    state.history.counted.flatMap((entry) =>
      entry.deed.kind === 'started' || entry.deed.kind === 'done' ? [] : (stepOf(entry) ?? []),
    ),
  );
  const records = state.run.records.filter(({ step }) => doneIds.has(step.id) || touched.has(step.id));
  return ribbonOf({ records }, branchNames(state.planned));
}

/** Salt in the pot as it stands, % of its mass; 0 for an empty pot. */
export function saltPctNow(state: BatchState): number {
  const { mix } = contents(state.pot);
  return state.massKg > 0 ? (mix[SALT] / state.massKg) * 100 : 0;
}
