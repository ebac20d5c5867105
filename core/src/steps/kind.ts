import type { PotState } from '../pot/index.js';
import type { Entered, Parts } from './entered.js';
import { setMinutes, type AnyStep, type StepContext, type StepResult, type ToCome } from './step.js';

/** A line that a step takes from, or only names. */
export interface LineUse {
  readonly line: string;
  readonly share: number;
  /** The step finds out how much: the line's own amount does not count here. */
  readonly settles: boolean;
  /** It is named without being taken from: lifted out, given back, held back. */
  readonly named?: boolean;
}

/** What becomes of a line in a step: what it is called from now on, or undefined where it goes. */
export type LineChange = (use: LineUse) => string | undefined;

/**
 * How much of its lines is right once the step is over: all that was planned, some of it, or whatever the pot wanted,
 * which may be nothing.
 */
export type Given = 'all' | 'some' | 'as wanted';

/** What a step settles the pot to, as its card says it, so that what a batch came to can be taken over into the card. */
export interface StepTarget<S extends AnyStep> {
  readonly of: 'salt' | 'cream' | 'body';
  readonly unit: 'pct' | 'mPas';
  /** What the card says; undefined where it says it some other way. */
  readonly value: (step: S) => number | undefined;
  /** The step with another target, rounded as a card writes it. */
  readonly moved: (step: S, to: number) => S;
  /** Whether two values are so near that they are the scale's and the spoon's, not the cook's. */
  readonly same: (a: number, b: number) => boolean;
}

/** Bodies that differ by less are one body. Kitchen default. */
const BODY_FACTOR = 1.15;

export function sameBody(a: number, b: number): boolean {
  return a < b * BODY_FACTOR && a > b / BODY_FACTOR;
}

/** A body in mPa·s, three figures of it. */
export function bodyTarget<S extends AnyStep>(
  value: (step: S) => number | undefined,
  moved: (step: S, toMPas: number) => S,
): StepTarget<S> {
  return {
    of: 'body',
    unit: 'mPas',
    value,
    moved: (step, to) => moved(step, Number(to.toPrecision(3))),
    same: sameBody,
  };
}

/**
 * Everything that is known of one kind of step. A new kind is one of these, its words in messages and its fields on the
 * card; nothing else asks what kind a step is in order to run it, record it or look for its lines.
 */
export interface StepKind<S extends AnyStep> {
  readonly op: S['op'];
  /** The pot after it, with what it took and gave. */
  readonly run: (pot: PotState, step: S, context: StepContext) => StepResult;
  /** The step with its lines changed; undefined when it is left with nothing to do. */
  readonly lines: (step: S, change: LineChange) => S | undefined;
  /** What of it has happened and what is ahead, by what was entered at it. An amount by hand counts once. */
  readonly entered: (step: S, entered: Entered) => Parts;
  /** Whether the minutes that it really took are taken over from the cook, and whether a timer runs for it. */
  readonly actualMinutes: boolean;
  /** The minutes of its own that a clock's minutes are, as it is told afterwards that it took them. */
  readonly ofClock: (clockMin: number, step: S, reckoned: Reckoned) => number;
  readonly timed: boolean;
  /** Whether its minutes cook rawness out. */
  readonly cooks: boolean;
  /** Hands that it holds while it runs, on average: 1 where someone does nothing else, a tenth for a look now and then. */
  readonly attention: number;
  /** Whether it counts what later steps will bring before it settles anything. */
  readonly looksAhead: boolean;
  /** Whether the page says how many kilos it takes: a tick means that they were given, whatever is entered later. */
  readonly told: boolean;
  /** What it will bring to a pot that has not come to it yet; nothing where it is left out. */
  readonly brings: ((step: S, pot: PotState, context: StepContext) => ToCome) | undefined;
  readonly given: Given;
  readonly target: StepTarget<S> | undefined;
}

/** What a step was reckoned to take on the clock, minutes, and in how many rounds. */
export interface Reckoned {
  readonly minutes: number;
  readonly rounds?: number | undefined;
}

/** On the way to the boil or the pressure, and filling jugs, nothing of a step's own is counted. */
function lessWhatIsApart(clockMin: number, step: AnyStep, { minutes }: Reckoned): number {
  const set = setMinutes(step);
  return set === undefined ? clockMin : Math.max(0, clockMin - (minutes - set));
}

/** Of a step that takes as long as it takes: all of the clock's, over its rounds. */
export function overRounds(clockMin: number, _step: AnyStep, { rounds = 1 }: Reckoned): number {
  return clockMin / rounds;
}

/** What most kinds are: no lines, no minutes of their own, nothing cooked, nothing settled. */
const USUAL = {
  ofClock: lessWhatIsApart,
  actualMinutes: false,
  timed: false,
  cooks: false,
  attention: 0.1,
  looksAhead: false,
  told: false,
  given: 'all',
} as const;

/** A kind with what is usual left out. */
export function stepKind<S extends AnyStep>(own: Pick<StepKind<S>, 'op' | 'run' | 'entered'> & Partial<StepKind<S>>): StepKind<S> {
  const kind = { ...USUAL, lines: (step: S) => step, ...own };
  // Written out, so that all kinds are of one shape: the runner asks them at every step.
  return {
    op: kind.op,
    run: kind.run,
    lines: kind.lines,
    entered: kind.entered,
    actualMinutes: kind.actualMinutes,
    ofClock: kind.ofClock,
    timed: kind.timed,
    cooks: kind.cooks,
    attention: kind.attention,
    looksAhead: kind.looksAhead,
    told: kind.told,
    brings: kind.brings,
    given: kind.given,
    target: kind.target,
  };
}

/** One line that the step settles the amount of. */
export function settledLine<S extends AnyStep & { readonly line: string }>(step: S, change: LineChange): S | undefined {
  const line = change({ line: step.line, share: 1, settles: true });
  return line === undefined ? undefined : { ...step, line };
}

/** A list of lines with their shares; what is left of it. */
export function usesLeft<U extends { line: string; share?: number | undefined }>(uses: readonly U[], change: LineChange): U[] {
  return uses.flatMap((use) => {
    const line = change({ line: use.line, share: use.share ?? 1, settles: false });
    return line === undefined ? [] : [{ ...use, line }];
  });
}

/** Lines that are named and not taken from; what is left of them. */
export function namedLeft(lines: readonly string[], change: LineChange): string[] {
  return lines.flatMap((line) => change({ line, share: 1, settles: false, named: true }) ?? []);
}
