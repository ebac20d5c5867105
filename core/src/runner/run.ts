import { handsOf, usableM3 } from '../kit/index.js';
import {
  COST,
  potAnswering,
  joined,
  parcelKg,
  plusParcel,
  potKg,
  potM3,
  type Caution,
  type Flow,
  type Parcel,
  type PotState,
} from '../pot/index.js';
import { UNREAD, estimateOfJoined, type Estimate } from '../body/index.js';
import {
  afterwards,
  withToCome,
  type ToCome,
  type SizedLine,
  type Serving,
  type StepContext,
  type StepResult,
} from '../steps/index.js';
import { kindOf, type Branch, type SoupStep } from '../soup/index.js';
import { minutesOf, type Task } from './timeline.js';
import { kgAtScale, stepContext, type PreparedSoup, type PreparedLine } from './prepared.js';

/** What happened at one step: the pot on either side and the step's own account of the difference. */
export interface StepRecord extends StepResult {
  /** How well the pot is known when the step is over. */
  readonly estimate: Estimate;
  readonly step: SoupStep;
  readonly branchId: string;
  readonly before: PotState;
}

/** Where a run writes what happened, one record after the other, as it goes. */
export type Sink = (record: StepRecord) => void;

/** What a run comes to, whether or not anybody kept its records. */
export interface RunEnd {
  /** The last step, by which the bowls were filled; undefined for a soup without any. */
  readonly last: StepRecord | undefined;
  readonly pot: PotState;
  readonly bowls: number;
  /** What went into the bowls, of it the soup without what lies on top, and how hot. */
  readonly dished: { readonly parcel: Parcel; readonly soup: Parcel; readonly tempC: number } | undefined;
  /** The same, share by share. */
  readonly servings: readonly Serving[];
  /** The most that stood in the main pot, m3 and kg. */
  readonly peakM3: number;
  readonly peakKg: number;
  /** How long all of it takes the hands of the kit, minutes. */
  readonly minutes: number;
  /** What there was to do, in cooking order. */
  readonly tasks: readonly Task[];
  /** Kilos that crossed the rim from each line, as bought. */
  readonly usedKg: ReadonlyMap<string, number>;
  /** What all of it cost, in the kitchen's currency. */
  readonly costSum: number;
  /** Cautions of the run as a whole; those of a step stand in its record. */
  readonly cautions: readonly Caution[];
}

/** A run with everything that happened, in cooking order. */
export interface Run extends RunEnd {
  readonly records: readonly StepRecord[];
}

/** Kilos by step id that a run is held to, instead of settling them by its own targets. */
export type Held = ReadonlyMap<string, number>;

/** Half the air whipped in is gone in so many minutes. Kitchen default. */
const AIR_HALF_LIFE_MIN = 6;
/** From here a pot is lifted by two. Common practice, kg with the pot. */
const TWO_PEOPLE_KG = 30;
/** From here a pot of hot soup is lifted by nobody. Common practice, kg with the pot. */
const NEVER_KG = 45;
/** A pot this much lighter than the heaviest can't be the fullest, however much air is whipped in (8 % at most). */
const LIGHTEST_PEAK = 0.85;

/** Air leaves by itself while time passes; the blade has set it for its own step. */
function settled(pot: PotState, step: SoupStep, minutes: number): PotState {
  return pot.airShare === 0 || minutes === 0 || step.op === 'blend'
    ? pot
    : { ...pot, airShare: pot.airShare * 0.5 ** (minutes / AIR_HALF_LIFE_MIN) };
}

/** A step as what it asks of the kitchen. */
function taskOf(step: SoupStep, branchId: string, { minutes, counts }: StepResult): Task {
  return {
    stepId: step.id,
    branchId,
    minutes,
    attention: step.op === 'join' ? 0 : kindOf(step).attention,
    atBoard: step.op === 'trim',
    rounds: counts?.rounds ?? 1,
    after: step.op === 'join' ? step.branch.id : undefined,
  };
}

class Runner {
  last: StepRecord | undefined;
  readonly usedKg = new Map<string, number>();
  readonly tasks: Task[] = [];
  costSum = 0;
  peakM3 = 0;
  peakKg = 0;

  private readonly lines: ReadonlyMap<string, SizedLine>;
  /** Minutes at the simmer so far, by step: a batch cooks one in parts. */
  private readonly simmered = new Map<string, number>();

  constructor(
    private readonly prepared: PreparedSoup,
    scale: number,
    private readonly held: Held | undefined,
    private readonly sink: Sink,
  ) {
    const scaled = (own: PreparedLine): SizedLine =>
      own.follows === 'nothing' ? own.line : { ...own.line, massKg: kgAtScale(own, scale) };
    const lines = new Map(prepared.lines.map((own) => [own.line.id, scaled(own)]));
    for (const [key, own] of prepared.earlier ?? []) lines.set(key, scaled(own));
    this.lines = lines;
  }

  private readonly line = (id: string): SizedLine => {
    const line = this.lines.get(id);
    if (line === undefined) throw new Error(`No line ${id}: a soup is checked before it is run.`);
    return line;
  };

  /** What the rest of a branch will bring; what it settles itself counts what comes after it in turn, once. */
  private toCome(pot: PotState, estimate: Estimate, branch: Branch, from: number, isNested: boolean): ToCome | undefined {
    let all: ToCome | undefined;
    for (let n = from + 1; n < branch.steps.length; n++) {
      const next = branch.steps[n];
      if (next === undefined || next.op === 'join') continue;
      const kind = kindOf(next);
      if (kind.brings === undefined) continue;
      const then = withToCome(pot, all);
      const brought = kind.brings(next, then, this.context(then, estimate, branch, n, next, kind.looksAhead && !isNested, true));
      all = all === undefined ? brought : afterwards(all, brought);
    }
    return all;
  }

  private context(
    pot: PotState,
    estimate: Estimate,
    branch: Branch,
    at: number,
    step: SoupStep,
    looksAhead: boolean,
    isNested = false,
  ): StepContext {
    return stepContext(
      this.prepared,
      this.line,
      estimate,
      looksAhead ? this.toCome(pot, estimate, branch, at, isNested) : undefined,
      this.held?.get(step.id),
      step.op === 'simmer' ? this.simmered.get(step.id) : undefined,
    );
  }

  private count(flows: readonly Flow[]): void {
    for (const { kind, lineId, parcel } of flows) {
      if (kind !== 'ingredient') continue;
      this.usedKg.set(lineId, (this.usedKg.get(lineId) ?? 0) + parcelKg(parcel));
      this.costSum += parcel.carried[COST];
    }
  }

  private countSimmer(stepId: string, { minutes, counts }: StepResult): void {
    this.simmered.set(stepId, (this.simmered.get(stepId) ?? 0) + minutes - (counts?.toBoilMinutes ?? 0));
  }

  private watchPeak(pot: PotState): void {
    const massKg = potKg(pot);
    if (massKg < this.peakKg * LIGHTEST_PEAK) return;
    const volume = potM3(pot);
    if (volume <= this.peakM3) return;
    this.peakM3 = volume;
    this.peakKg = massKg;
  }

  branch(branch: Branch, isRoot: boolean): { pot: PotState; estimate: Estimate } {
    let pot = potAnswering(this.prepared.parameters.bodyAnswers - 1, this.prepared.meantLn ?? 0);
    let estimate = this.prepared.unread ?? UNREAD;
    let at = -1;
    for (const step of branch.steps) {
      at += 1;
      const before = pot;
      let outcome: StepResult;
      if (step.op === 'join') {
        const side = this.branch(step.branch, false);
        estimate = estimateOfJoined(estimate, side.estimate, potKg(pot), potKg(side.pot));
        outcome = { pot: joined(pot, side.pot), inflows: [], outflows: [], minutes: 0, joules: 0, cautions: [] };
      } else {
        const kind = kindOf(step);
        outcome = kind.run(pot, step, this.context(pot, estimate, branch, at, step, kind.looksAhead));
        estimate = outcome.estimate ?? estimate;
        if (step.op === 'simmer') this.countSimmer(step.id, outcome);
      }
      this.tasks.push(taskOf(step, branch.id, outcome));
      pot = settled(outcome.pot, step, outcome.minutes);
      this.count(outcome.inflows);
      // Written out: spreading results of many shapes costs more than the steps themselves.
      this.last = {
        step,
        branchId: branch.id,
        before,
        pot,
        estimate,
        inflows: outcome.inflows,
        outflows: outcome.outflows,
        minutes: outcome.minutes,
        joules: outcome.joules,
        cautions: outcome.cautions,
        counts: outcome.counts,
        servings: outcome.servings,
      };
      this.sink(this.last);
      if (isRoot) {
        this.watchPeak(pot);
      }
    }
    return { pot, estimate };
  }
}

/** All that was dished, as one parcel, at the heat of the largest share. */
function dishedOf(servings: readonly Serving[]): RunEnd['dished'] {
  const [first, ...others] = servings;
  if (first === undefined) return undefined;
  return others.reduce(
    (sum, { parcel, soup, tempC }) => ({
      parcel: plusParcel(sum.parcel, parcel),
      soup: plusParcel(sum.soup, soup),
      tempC: parcelKg(parcel) > parcelKg(sum.parcel) ? tempC : sum.tempC,
    }),
    { parcel: first.parcel, soup: first.soup, tempC: first.tempC },
  );
}

/**
 * Runs a soup forward at a scale: planning, cooking, sampling and solving all go through here.
 *
 * @param scale times the amounts as written; positive.
 * @param sink told of every step in cooking order as soon as it is over: all are kept for a plan and to ask why, none where
 *   only figures are asked for, and a simulated kitchen takes them one by one.
 * @param held kilos that steps are held to instead of their own targets.
 */
export function runInto(prepared: PreparedSoup, scale: number, sink: Sink, held?: Held): RunEnd {
  const runner = new Runner(prepared, scale, held, sink);
  const { pot } = runner.branch(prepared.soup.root, true);
  const { last } = runner;
  const servings = last?.servings ?? [];
  const { vessel } = prepared;
  const cautions: Caution[] = [];
  const usable = usableM3(vessel);
  if (runner.peakM3 > usable) cautions.push({ code: 'OVER_THE_BRIM', overM3: runner.peakM3 - usable, usableM3: usable });
  const liftKg = runner.peakKg + vessel.tareKg;
  if (liftKg >= NEVER_KG) cautions.push({ code: 'NEVER_LIFT', massKg: liftKg });
  else if (liftKg >= TWO_PEOPLE_KG) cautions.push({ code: 'TWO_PEOPLE_LIFT', massKg: liftKg });
  return {
    last,
    pot,
    bowls: last?.counts?.bowls ?? 0,
    dished: dishedOf(servings),
    servings,
    peakM3: runner.peakM3,
    peakKg: runner.peakKg,
    // Worked out only where it is asked for: solving asks for no minutes.
    get minutes() {
      return minutesOf(runner.tasks, handsOf(prepared.kit));
    },
    tasks: runner.tasks,
    usedKg: runner.usedKg,
    costSum: runner.costSum,
    cautions,
  };
}

const NOWHERE: Sink = () => undefined;

/** What a run comes to, without its records: for sampling and solving. */
export function runFigures(prepared: PreparedSoup, scale: number, held?: Held): RunEnd {
  return runInto(prepared, scale, NOWHERE, held);
}

/** A run with everything that happened. */
export function run(prepared: PreparedSoup, scale: number, held?: Held): Run {
  const records: StepRecord[] = [];
  const end = runInto(prepared, scale, (record) => records.push(record), held);
  return {
    records,
    last: end.last,
    pot: end.pot,
    bowls: end.bowls,
    dished: end.dished,
    servings: end.servings,
    peakM3: end.peakM3,
    peakKg: end.peakKg,
    minutes: end.minutes,
    tasks: end.tasks,
    usedKg: end.usedKg,
    costSum: end.costSum,
    cautions: end.cautions,
  };
}
