import { SALT } from '../larder/index.js';
import { figuresOf, rerun, sharesOf, type ShareFigures, type Figures, type Planned, type Snapshot } from '../plan/index.js';
import { ribbonOf, run, type Ready, type Ribbon, type Run, type StepRecord } from '../line/index.js';
import { EMPTY_POT, MASS, contents, potKg, sdOf, type Caution, type PotState } from '../pot/index.js';
import { potKgPerBowl, massSeen } from '../steps/index.js';
import { walk, type Walked } from '../soup/index.js';
import { changesOf, type BatchChanges } from './changes.js';
import type { Entry, KeptEntry } from './entry.js';
import { historyOf, type History } from './history.js';
import { frontsOf, type Front } from './fronts.js';
import { outOf, type Out } from './out.js';
import { timersOf, type BatchTimer } from './timers.js';
import { NOTHING_DONE, rewrite, type StepDeeds } from './rewrite.js';

export interface StepState {
  readonly stepId: string;
  readonly status: 'done' | 'skipped' | 'now' | 'ahead';
  /** The entry that ended it: taking it back goes back to the step. */
  readonly endedBy: string | undefined;
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
  /** What is really being cooked: the plan's soup with what was swapped, brought or left out. */
  readonly ready: Ready;
  readonly altered: Pick<BatchChanges, 'leftOut' | 'swapped' | 'brought' | 'told'>;
  readonly timers: readonly BatchTimer[];
  readonly history: History;
  readonly steps: readonly StepState[];
  /** The step in hand; undefined when all are done. */
  readonly current: Walked | undefined;
  /** Every step that can be worked at side by side, the one in hand among them. */
  readonly fronts: readonly Front[];
  /** What stands in the vessel of each branch, as far as it has got. */
  readonly pots: ReadonlyMap<string, PotState>;
  /** What stands in the vessel of the last thing that happened. */
  readonly pot: PotState;
  /** Estimate of the mass in it and its sd, kg. */
  readonly massKg: number;
  readonly massSdKg: number;
  readonly run: Run;
  /** Of the run, what is behind the cook: steps that are done, and of those in hand what has been entered. */
  readonly happened: readonly StepRecord[];
  readonly forecast: Figures;
  readonly plannedFigures: Figures;
  /** Kilos given so far and still wanted, by line, as bought. */
  readonly inKg: ReadonlyMap<string, number>;
  readonly toGoKg: ReadonlyMap<string, number>;
  readonly readings: readonly ReadingState[];
  readonly cautions: readonly Caution[];
  /** What left the pot by count: bowls, ladlings, jugs, leftovers. */
  readonly out: Out;
  /** Bowls that the cook counted out; undefined before any count. */
  readonly dishedBowls: number | undefined;
  /** Kilos of the pot that those bowls took: until the batch is closed the pot is reckoned with them in it. */
  readonly dishedKg: number;
  /** Every share of the bowls as it comes out. */
  readonly shares: readonly ShareFigures[];
  readonly closed: boolean;
  /** Ids of steps to which an entry belongs that the plan does not know. */
  readonly strangers: readonly string[];
  /**
   * Entries at a step that nobody could be at yet, as when two tablets disagree: they count where they were told to
   * have happened, and are shown so that somebody looks.
   */
  readonly early: readonly string[];
  /** Weights less than the empty pot: kept, not used. */
  readonly belowTare: readonly string[];
}

function stepOf(entry: KeptEntry): string | undefined {
  return 'stepId' in entry.deed ? entry.deed.stepId : undefined;
}

/** Grown in place: a batch may have tens of thousands of entries. */
function deedsByStep(history: History): Map<string, StepDeeds> {
  const deeds = new Map<string, StepDeeds & { readonly entries: KeptEntry[] }>();
  for (const entry of history.counted) {
    const stepId = stepOf(entry);
    if (stepId === undefined) continue;
    const have = deeds.get(stepId) ?? { ...NOTHING_DONE, entries: [] };
    if (entry.deed.kind === 'started') deeds.set(stepId, { ...have, startedAtMs: have.startedAtMs ?? entry.atMs });
    else if (entry.deed.kind === 'done') deeds.set(stepId, { ...have, done: entry });
    else if (entry.deed.kind === 'skipped') deeds.set(stepId, { ...have, skipped: entry });
    else if (entry.deed.kind === 'timed') continue;
    else {
      have.entries.push(entry);
      deeds.set(stepId, have);
    }
  }
  return deeds;
}

/** Kilos of the pot that went out in bowls by an entry; a finish that is stirred into the bowl does not come out of it. */
function dishedKgOf({ soup, bowlKg }: Ready): (deed: KeptEntry['deed']) => number {
  const dish = walk(soup.root).find(({ step }) => step.op === 'dish')?.step;
  const { any, of } = potKgPerBowl(bowlKg, dish?.op === 'dish' ? dish.shares : undefined);
  return (deed) => (deed.kind === 'dished' ? deed.bowls * (deed.share === undefined ? any : (of.get(deed.share) ?? any)) : 0);
}

/** Kilos that had gone out in bowls when an entry was made. */
function dishedBefore({ counted }: History, dishedKg: (deed: KeptEntry['deed']) => number): (entry: KeptEntry) => number {
  const sums = new Map<string, number>();
  let kg = 0;
  for (const { id, deed } of counted) {
    sums.set(id, kg);
    kg += dishedKg(deed);
  }
  return ({ id }) => sums.get(id) ?? 0;
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

/** The pot behind a step; before the bowls were filled, where it is the dishing. */
function standing({ step, before, pot }: StepRecord): PotState {
  return step.op === 'dish' ? before : pot;
}

/** Cautions of a step as it stands in a batch. That a reading was doubted is over once another has been taken. */
export function cautionsAt({ run: { records: all } }: Pick<BatchState, 'run'>, stepId: string | undefined): Caution[] {
  const records = all.filter(({ step }) => step.id === stepId);
  const last = (of: 'body' | 'heat'): number => records.findLastIndex(({ step }) => step.op === 'read' && step.seen.of === of);
  const over = { BODY_QUESTIONED: last('body'), TEMPERATURE_QUESTIONED: last('heat') };
  const from = (code: Caution['code']): number => (code in over ? over[code as keyof typeof over] : 0);
  const standing = records.flatMap(({ cautions }, n) => cautions.filter(({ code }) => n >= from(code)));
  // What doubts a reading comes first: it is about what the hand has just done.
  return [...standing].sort((a, b) => Number(b.code.endsWith('QUESTIONED')) - Number(a.code.endsWith('QUESTIONED')));
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
  const altered = changesOf(planned.ready, history, snapshot.scale);
  const { ready, emptied, keyOf } = altered;
  const walked = walk(ready.soup.root);
  const isOver = (stepId: string): boolean => {
    const own = deeds.get(stepId);
    return own?.done !== undefined || own?.skipped !== undefined;
  };
  const current = history.closed === undefined ? walked.find(({ step }) => !isOver(step.id)) : undefined;
  const dishedKg = dishedKgOf(ready);
  const rewritten = rewrite(
    { ready, scale: snapshot.scale, dishedBeforeKg: dishedBefore(history, dishedKg), emptied, keyOf },
    (id) => deeds.get(id) ?? NOTHING_DONE,
  );
  const real = run({ ...ready, soup: { ...ready.soup, root: rewritten.root } }, snapshot.scale);
  const happened = real.records.filter(({ step }) => !rewritten.ahead.has(step));
  const ahead = real.records.filter(({ step }) => rewritten.ahead.has(step));
  const last = happened.at(-1);
  const pot = last === undefined ? EMPTY_POT : standing(last);
  const massKg = potKg(pot);
  const known = new Set(walk(planned.ready.soup.root).map(({ step }) => step.id));
  const out = outOf(history);
  const fronts = history.closed === undefined ? frontsOf(ready.soup.root, isOver) : [];
  const workable = new Set(fronts.map(({ step }) => step.id));
  const isEarly = (stepId: string | undefined): boolean =>
    stepId !== undefined && history.closed === undefined && known.has(stepId) && !isOver(stepId) && !workable.has(stepId);

  return {
    planned,
    history,
    steps: walked.map(({ step }) => {
      const own = deeds.get(step.id) ?? NOTHING_DONE;
      const minutes = real.records.reduce((sum, record) => (record.step.id === step.id ? sum + record.minutes : sum), 0);
      const ended = own.done ?? own.skipped;
      const over = own.done !== undefined ? 'done' : own.skipped !== undefined ? 'skipped' : undefined;
      const status = over ?? (step.id === current?.step.id ? 'now' : 'ahead');
      return { stepId: step.id, status, endedBy: ended?.id, startedAtMs: own.startedAtMs, minutes };
    }),
    current,
    fronts,
    pots: new Map(happened.map((record) => [record.branchId, standing(record)])),
    pot,
    massKg,
    massSdKg: massKg * sdOf(pot.belief, MASS),
    run: real,
    happened,
    ready,
    altered: { leftOut: altered.leftOut, swapped: altered.swapped, brought: altered.brought, told: altered.told },
    timers: timersOf(history),
    forecast: figuresOf(ready, real),
    plannedFigures: figuresOf(planned.ready, planned.run),
    inKg: sums(happened),
    toGoKg: sums(ahead),
    readings: real.records.flatMap(({ step, before, cautions }) => {
      const massKg = step.op === 'read' ? massSeen(before, step.seen)?.massKg : undefined;
      if (massKg === undefined) return [];
      return [{ stepId: step.id, massKg, questioned: cautions.some(({ code }) => code === 'READING_QUESTIONED') }];
    }),
    cautions: cautionsAt({ run: real }, current?.step.id),
    out,
    dishedBowls: out.bowls,
    dishedKg: history.counted.reduce((sum, { deed }) => sum + dishedKg(deed), 0),
    shares: sharesOf(real),
    closed: history.closed !== undefined,
    strangers: [...deeds.keys()].filter((id) => !known.has(id)),
    belowTare: history.counted.flatMap(({ id, deed }) => (deed.kind === 'weighed' && deed.grossKg < deed.tareKg ? [id] : [])),
    early: history.counted.filter((entry) => entry.deed.kind !== 'note' && isEarly(stepOf(entry))).map(({ id }) => id),
  };
}

/** The ribbon of what has really happened so far; the plan's own is the outline around it. */
export function actualRibbon(state: BatchState): Ribbon {
  return ribbonOf({ records: state.happened }, branchNames(state.planned));
}

/** Salt in the pot as it stands, % of its mass; 0 for an empty pot. */
export function saltPctNow(state: BatchState): number {
  const { mix } = contents(state.pot);
  return state.massKg > 0 ? (mix[SALT] / state.massKg) * 100 : 0;
}
