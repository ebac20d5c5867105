import { handsOf, usableM3 } from '../kit/index.js';
import {
  COST,
  potAnswering,
  joined,
  potDraft,
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
  lineWith,
  unchanged,
  withToCome,
  type StepKind,
  type ToCome,
  type SizedLine,
  type Serving,
  type StepContext,
  type StepResult,
} from '../steps/index.js';
import { kindOf, type Branch, type PotStep, type SoupStep } from '../soup/index.js';
import { minutesOf, type Task } from './timeline.js';
import { kgAtScale, stepContext, type PreparedSoup } from './prepared.js';

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

/**
 * A step with what a run asks of it at every turn looked up once. Steps of a card are of as many shapes as there are kinds,
 * and asking them costs as much as the cooking.
 */
interface ReadyStep {
  readonly step: SoupStep;
  readonly id: string;
  readonly op: SoupStep['op'];
  /** What it runs by; undefined where a branch joins. */
  readonly own: { readonly step: PotStep; readonly kind: StepKind<PotStep> } | undefined;
  /** The branch that joins here. */
  readonly side: Branch | undefined;
}

const READY = new WeakMap<Branch, readonly ReadyStep[]>();

function readySteps(branch: Branch): readonly ReadyStep[] {
  const have = READY.get(branch);
  if (have !== undefined) return have;
  const ready = branch.steps.map((step): ReadyStep => ({
    step,
    id: step.id,
    op: step.op,
    own: step.op === 'join' ? undefined : { step, kind: kindOf(step) },
    side: step.op === 'join' ? step.branch : undefined,
  }));
  READY.set(branch, ready);
  return ready;
}

/** What is said of liquid over pieces: water that is poured off again drowns nothing. */
function toldOfCover(cautions: readonly Caution[], steps: readonly ReadyStep[], at: number): readonly Caution[] {
  const isPouredOff = cautions.length > 0 && steps.some(({ op }, n) => n > at && op === 'drain');
  return isPouredOff ? cautions.filter(({ code }) => code !== 'DROWNED') : cautions;
}

/** Air leaves by itself while time passes; the blade has set it for its own step. */
function settled(pot: PotState, op: SoupStep['op'], minutes: number): PotState {
  if (pot.airShare === 0 || minutes === 0 || op === 'blend') return pot;
  const next = potDraft(pot);
  next.airShare = pot.airShare * 0.5 ** (minutes / AIR_HALF_LIFE_MIN);
  return next;
}

/** A step as what it asks of the kitchen. */
function taskOf({ id, op, own, side }: ReadyStep, branchId: string, { minutes, counts }: StepResult): Task {
  return {
    stepId: id,
    branchId,
    minutes,
    attention: own?.kind.attention ?? 0,
    atBoard: op === 'trim',
    rounds: counts?.rounds ?? 1,
    after: side?.id,
  };
}

class Runner {
  last: StepRecord | undefined;
  readonly usedKg = new Map<string, number>();
  readonly tasks: Task[] = [];
  costSum = 0;
  peakM3 = 0;
  peakKg = 0;

  /** Lines at this run's scale, as they are asked for. */
  private readonly lines = new Map<string, SizedLine>();
  /** Minutes at the simmer so far, by step: a batch cooks one in parts. */
  private readonly simmered = new Map<string, number>();

  constructor(
    private readonly prepared: PreparedSoup,
    private readonly scale: number,
    private readonly held: Held | undefined,
    private readonly sink: Sink,
  ) {}

  private readonly line = (id: string): SizedLine => {
    const have = this.lines.get(id);
    if (have !== undefined) return have;
    const own = this.prepared.earlier?.get(id) ?? this.prepared.lines.find(({ line }) => line.id === id);
    if (own === undefined) throw new Error(`No line ${id}: a soup is checked before it is run.`);
    const line = own.follows === 'nothing' ? own.line : lineWith(own.line, kgAtScale(own, this.scale));
    this.lines.set(id, line);
    return line;
  };

  /** What the rest of a branch will bring; what it settles itself counts what comes after it in turn, once. */
  private toCome(
    pot: PotState,
    estimate: Estimate,
    steps: readonly ReadyStep[],
    from: number,
    isNested: boolean,
  ): ToCome | undefined {
    let all: ToCome | undefined;
    for (let n = from + 1; n < steps.length; n++) {
      const own = steps[n]?.own;
      if (own?.kind.brings === undefined) continue;
      const then = withToCome(pot, all);
      const { step, kind } = own;
      const brought = own.kind.brings(step, then, this.context(then, estimate, steps, n, kind.looksAhead && !isNested, true));
      all = all === undefined ? brought : afterwards(all, brought);
    }
    return all;
  }

  private context(
    pot: PotState,
    estimate: Estimate,
    steps: readonly ReadyStep[],
    at: number,
    looksAhead: boolean,
    isNested = false,
  ): StepContext {
    const ready = steps[at];
    return stepContext(
      this.prepared,
      this.line,
      estimate,
      looksAhead ? this.toCome(pot, estimate, steps, at, isNested) : undefined,
      ready === undefined ? undefined : this.held?.get(ready.id),
      ready?.op === 'simmer' ? this.simmered.get(ready.id) : undefined,
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
    const steps = readySteps(branch);
    for (const ready of steps) {
      const { step, own } = ready;
      at += 1;
      const before = pot;
      let outcome: StepResult;
      if (own !== undefined) {
        outcome = own.kind.run(pot, own.step, this.context(pot, estimate, steps, at, own.kind.looksAhead));
        estimate = outcome.estimate ?? estimate;
        if (ready.op === 'simmer') this.countSimmer(ready.id, outcome);
      } else if (ready.side !== undefined) {
        const side = this.branch(ready.side, false);
        estimate = estimateOfJoined(estimate, side.estimate, potKg(pot), potKg(side.pot));
        outcome = unchanged(joined(pot, side.pot));
      } else continue;
      this.tasks.push(taskOf(ready, branch.id, outcome));
      pot = settled(outcome.pot, ready.op, outcome.minutes);
      this.count(outcome.inflows);
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
        cautions: ready.op === 'cover' ? toldOfCover(outcome.cautions, steps, at) : outcome.cautions,
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
  return new End(runner, pot, dishedOf(servings), servings, cautions, handsOf(prepared.kit));
}

class End implements RunEnd {
  readonly last: StepRecord | undefined;
  readonly bowls: number;
  readonly peakM3: number;
  readonly peakKg: number;
  readonly tasks: readonly Task[];
  readonly usedKg: ReadonlyMap<string, number>;
  readonly costSum: number;

  constructor(
    runner: Runner,
    readonly pot: PotState,
    readonly dished: RunEnd['dished'],
    readonly servings: readonly Serving[],
    readonly cautions: readonly Caution[],
    private readonly hands: number,
  ) {
    this.last = runner.last;
    this.bowls = runner.last?.counts?.bowls ?? 0;
    this.peakM3 = runner.peakM3;
    this.peakKg = runner.peakKg;
    this.tasks = runner.tasks;
    this.usedKg = runner.usedKg;
    this.costSum = runner.costSum;
  }

  /** Worked out only where it is asked for: solving asks for no minutes. */
  get minutes(): number {
    return minutesOf(this.tasks, this.hands);
  }
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
