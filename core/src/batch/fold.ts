import { deepEqual } from 'fast-equals';
import { SALT } from '../larder/index.js';
import { figuresOf, rerun, sharesOf, type ShareFigures, type Figures, type Planned, type Snapshot } from '../plan/index.js';
import { ribbonOf, run, type Held, type PreparedSoup, type Ribbon, type Run, type StepRecord } from '../runner/index.js';
import { MASS, UNREAD, sdOf, type Estimate } from '../body/index.js';
import { EMPTY_POT, contents, potKg, type Caution, type PotState } from '../pot/index.js';
import { potKgPerBowl, massSeen } from '../steps/index.js';
import { kindOf, walk, type Branch, type SoupStep, type Walked } from '../soup/index.js';
import { changesOf, type BatchChanges } from './changes.js';
import type { Entry, StoredEntry } from './entry.js';
import { historyOf, type History } from './history.js';
import { frontsOf, type Front } from './fronts.js';
import { potOutputOf, type PotOutput } from './pot-output.js';
import { timersOf, type BatchTimer } from './timers.js';
import { NOTHING_DONE, rewrite, type StepActions } from './rewrite.js';

export interface StepState {
  readonly stepId: string;
  readonly status: 'done' | 'skipped' | 'now' | 'ahead';
  /** The entry that ended it: taking it back goes back to the step. */
  readonly endedBy: string | undefined;
  readonly startedAtMs: number | undefined;
  readonly minutes: number;
  /** Rounds of the oven that it takes, where it takes more than one. */
  readonly rounds: number | undefined;
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
  readonly prepared: PreparedSoup;
  readonly changes: Pick<BatchChanges, 'leftOut' | 'swapped' | 'brought' | 'notices'>;
  readonly timers: readonly BatchTimer[];
  readonly history: History;
  readonly steps: readonly StepState[];
  /** The step in hand; undefined when all are done. */
  readonly current: Walked | undefined;
  /** Every step that can be worked at side by side, the one in hand among them. */
  readonly fronts: readonly Front[];
  /** What stands in the vessel of each branch, as far as it has got. */
  readonly pots: ReadonlyMap<string, PotState>;
  /** How well each of them is known. */
  readonly estimates: ReadonlyMap<string, Estimate>;
  /** What stands in the vessel of the last thing that happened, and how well it is known. */
  readonly pot: PotState;
  readonly estimate: Estimate;
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
  readonly output: PotOutput;
  /** Bowls that the cook counted out; undefined before any count. */
  readonly dishedBowls: number | undefined;
  /** Kilos of the pot that those bowls took: until the batch is closed the pot is reckoned with them in it. */
  readonly dishedKg: number;
  /** Every share of the bowls as it comes out. */
  readonly shares: readonly ShareFigures[];
  readonly closed: boolean;
  /** Ids of steps to which an entry belongs that the plan does not know. */
  readonly unknownStepIds: readonly string[];
  /**
   * Entries at a step that nobody could be at yet, as when two tablets disagree: they count where they were told to
   * have happened, and are shown so that somebody looks.
   */
  readonly early: readonly string[];
  /** Weights less than the empty pot: kept, not used. */
  readonly belowTare: readonly string[];
}

function stepOf(entry: StoredEntry): string | undefined {
  return 'stepId' in entry.action ? entry.action.stepId : undefined;
}

/** Grown in place: a batch may have tens of thousands of entries. */
function actionsByStep(history: History): Map<string, StepActions> {
  const actions = new Map<string, StepActions & { readonly entries: StoredEntry[] }>();
  for (const entry of history.counted) {
    const stepId = stepOf(entry);
    if (stepId === undefined) continue;
    const have = actions.get(stepId) ?? { ...NOTHING_DONE, entries: [] };
    if (entry.action.kind === 'started') actions.set(stepId, { ...have, startedAtMs: have.startedAtMs ?? entry.atMs });
    else if (entry.action.kind === 'done') actions.set(stepId, { ...have, done: entry });
    else if (entry.action.kind === 'skipped') actions.set(stepId, { ...have, skipped: entry });
    else if (entry.action.kind === 'timed') continue;
    else {
      have.entries.push(entry);
      actions.set(stepId, have);
    }
  }
  return actions;
}

/** Kilos of the pot that went out in bowls by an entry; a finish that is stirred into the bowl does not come out of it. */
function dishedKgOf({ soup, bowlKg }: PreparedSoup): (action: StoredEntry['action']) => number {
  const dish = walk(soup.root).find(({ step }) => step.op === 'dish')?.step;
  const { any, of } = potKgPerBowl(bowlKg, dish?.op === 'dish' ? dish.shares : undefined);
  return (action) =>
    action.kind === 'dished' ? action.bowls * (action.share === undefined ? any : (of.get(action.share) ?? any)) : 0;
}

/** Kilos that had gone out in bowls when an entry was made. */
function dishedBefore({ counted }: History, dishedKg: (action: StoredEntry['action']) => number): (entry: StoredEntry) => number {
  const sums = new Map<string, number>();
  let kg = 0;
  for (const { id, action } of counted) {
    sums.set(id, kg);
    kg += dishedKg(action);
  }
  return ({ id }) => sums.get(id) ?? 0;
}

function sums(records: readonly StepRecord[]): Map<string, number> {
  const kg = new Map<string, number>();
  for (const { inflows } of records) {
    for (const flow of inflows) {
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
  const last = (of: 'body' | 'heat' | 'salt'): number =>
    records.findLastIndex(({ step }) => step.op === 'read' && step.seen.of === of);
  const over = { BODY_QUESTIONED: last('body'), SALT_QUESTIONED: last('salt'), TEMPERATURE_QUESTIONED: last('heat') };
  const from = (code: Caution['code']): number => (code in over ? over[code as keyof typeof over] : 0);
  const standing = records.flatMap(({ cautions }, n) => cautions.filter(({ code }) => n >= from(code)));
  // What doubts a reading comes first: it is about what the hand has just done.
  return [...standing].sort((a, b) => Number(b.code.endsWith('QUESTIONED')) - Number(a.code.endsWith('QUESTIONED')));
}

/** Branch names of a soup by id, for its ribbon. */
export function branchNames(planned: Pick<Planned, 'prepared'>): ReadonlyMap<string, string> {
  return new Map(walk(planned.prepared.soup.root).map(({ branch }) => [branch.id, branch.name]));
}

/** A batch's entries worked into its plan and run. */
interface Worked {
  readonly actions: ReadonlyMap<string, StepActions>;
  readonly changes: BatchChanges;
  readonly ahead: ReadonlySet<SoupStep>;
  readonly root: Branch;
  readonly real: Run;
}

function workedIn(planned: Planned, history: History, held: Held): Worked {
  const { scale } = planned.snapshot;
  const actions = actionsByStep(history);
  const changes = changesOf(planned.prepared, history, scale);
  const { prepared, emptied, keyOf } = changes;
  const rewritten = rewrite(
    { prepared, scale, dishedBeforeKg: dishedBefore(history, dishedKgOf(prepared)), emptied, keyOf },
    (id) => actions.get(id) ?? NOTHING_DONE,
  );
  const real = run({ ...prepared, soup: { ...prepared.soup, root: rewritten.root } }, scale, held);
  return { actions, changes, ahead: rewritten.ahead, root: rewritten.root, real };
}

/** What ticks gave in the list of entries that a plan was followed by last, by their places in it. */
interface KnownTicks {
  readonly counted: readonly StoredEntry[];
  readonly kg: ReadonlyMap<number, number | undefined>;
}

const KNOWN_TICKS = new WeakMap<Planned, KnownTicks>();

/** How many entries two lists begin with alike. */
function alikeUpTo(a: readonly StoredEntry[], b: readonly StoredEntry[]): number {
  const differs = a.findIndex((entry, n) => {
    const other = b[n];
    return entry !== other && !deepEqual(entry, other);
  });
  return differs < 0 ? a.length : differs;
}

/** Kilos that a step gives by itself once it has been ticked; undefined where all of it was given by hand. */
function givenAt(planned: Planned, history: History, held: Held, stepId: string): number | undefined {
  const { real } = workedIn(planned, history, held);
  return real.records.find(({ step }) => step.id === stepId && step.op !== 'join' && kindOf(step).told)?.counts?.settledKg;
}

/**
 * Kilos that steps gave when they were ticked: what the page said then, by all that was to come then. Whatever is entered
 * later changes what is to come, not what has been given.
 */
function settledWhenTicked(planned: Planned, history: History): Held {
  const settles = new Set(
    walk(planned.prepared.soup.root).flatMap(({ step }) => (step.op !== 'join' && kindOf(step).told ? [step.id] : [])),
  );
  const held = new Map<string, number>();
  const { counted } = history;
  const last = KNOWN_TICKS.get(planned);
  const alike = last === undefined ? 0 : alikeUpTo(counted, last.counted);
  const kgAt = new Map<number, number | undefined>();
  for (const [n, { action }] of counted.entries()) {
    // Behind the last entry nothing can have changed it yet.
    if (action.kind !== 'done' || !settles.has(action.stepId)) continue;
    if (action.gaveKg !== undefined) {
      held.set(action.stepId, action.gaveKg);
      continue;
    }
    if (n === counted.length - 1) continue;
    const kg =
      n < alike && last?.kg.has(n) === true
        ? last.kg.get(n)
        : givenAt(planned, { ...history, counted: counted.slice(0, n + 1), closed: undefined }, held, action.stepId);
    kgAt.set(n, kg);
    if (kg !== undefined) held.set(action.stepId, kg);
  }
  KNOWN_TICKS.set(planned, { counted, kg: kgAt });
  return held;
}

/**
 * The state of a batch: its plan with every step replaced by what was done at it, run by the same runner as the
 * plan. Depends only on the set of entries, not on their order or number of arrivals.
 */
export function foldBatch(
  snapshot: Snapshot,
  entries: readonly (Entry | StoredEntry)[],
  planned: Planned = rerun(snapshot),
): BatchState {
  return foldWorked(planned, entries).state;
}

/** The state of a batch with the tree of steps that it was run by. */
export function foldWorked(
  planned: Planned,
  entries: readonly (Entry | StoredEntry)[],
): { readonly state: BatchState; readonly root: Branch } {
  const history = historyOf(entries);
  const { actions, changes, ahead: stillAhead, root, real } = workedIn(planned, history, settledWhenTicked(planned, history));
  const { prepared } = changes;
  const walked = walk(prepared.soup.root);
  const isOver = (stepId: string): boolean => {
    const own = actions.get(stepId);
    return own?.done !== undefined || own?.skipped !== undefined;
  };
  const current = history.closed === undefined ? walked.find(({ step }) => !isOver(step.id)) : undefined;
  const dishedKg = dishedKgOf(prepared);
  const happened = real.records.filter(({ step }) => !stillAhead.has(step));
  const ahead = real.records.filter(({ step }) => stillAhead.has(step));
  const last = happened.at(-1);
  const pot = last === undefined ? EMPTY_POT : standing(last);
  const estimate = last?.estimate ?? prepared.unread ?? UNREAD;
  const massKg = potKg(pot);
  const known = new Set(walk(planned.prepared.soup.root).map(({ step }) => step.id));
  const output = potOutputOf(history);
  const fronts = history.closed === undefined ? frontsOf(prepared.soup.root, isOver) : [];
  const workable = new Set(fronts.map(({ step }) => step.id));
  const isEarly = (stepId: string | undefined): boolean =>
    stepId !== undefined && history.closed === undefined && known.has(stepId) && !isOver(stepId) && !workable.has(stepId);

  const state: BatchState = {
    planned,
    history,
    steps: walked.map(({ step }) => {
      const own = actions.get(step.id) ?? NOTHING_DONE;
      const minutes = real.records.reduce((sum, record) => (record.step.id === step.id ? sum + record.minutes : sum), 0);
      const rounds = real.records.find(({ step: of, counts }) => of.id === step.id && (counts?.rounds ?? 1) > 1)?.counts?.rounds;
      const ended = own.done ?? own.skipped;
      const over = own.done !== undefined ? 'done' : own.skipped !== undefined ? 'skipped' : undefined;
      const status = over ?? (step.id === current?.step.id ? 'now' : 'ahead');
      return { stepId: step.id, status, endedBy: ended?.id, startedAtMs: own.startedAtMs, minutes, rounds };
    }),
    current,
    fronts,
    pots: new Map(happened.map((record) => [record.branchId, standing(record)])),
    estimates: new Map(happened.map((record) => [record.branchId, record.estimate])),
    pot,
    estimate,
    massKg,
    massSdKg: massKg * sdOf(estimate, MASS),
    run: real,
    happened,
    prepared,
    changes: { leftOut: changes.leftOut, swapped: changes.swapped, brought: changes.brought, notices: changes.notices },
    timers: timersOf(history),
    forecast: figuresOf(prepared, real),
    plannedFigures: figuresOf(planned.prepared, planned.run),
    inKg: sums(happened),
    toGoKg: sums(ahead),
    readings: real.records.flatMap(({ step, before, cautions }) => {
      const massKg = step.op === 'read' ? massSeen(before, step.seen)?.massKg : undefined;
      if (massKg === undefined) return [];
      return [{ stepId: step.id, massKg, questioned: cautions.some(({ code }) => code === 'READING_QUESTIONED') }];
    }),
    cautions: cautionsAt({ run: real }, current?.step.id),
    output,
    dishedBowls: output.bowls,
    dishedKg: history.counted.reduce((sum, { action }) => sum + dishedKg(action), 0),
    shares: sharesOf(real),
    closed: history.closed !== undefined,
    unknownStepIds: [...actions.keys()].filter((id) => !known.has(id)),
    belowTare: history.counted.flatMap(({ id, action }) =>
      action.kind === 'weighed' && action.grossKg < action.tareKg ? [id] : [],
    ),
    early: history.counted.filter((entry) => entry.action.kind !== 'note' && isEarly(stepOf(entry))).map(({ id }) => id),
  };
  return { state, root };
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
