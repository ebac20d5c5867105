import type { AnyStep, Use } from './step.js';

/** One planned step as what of it has happened and what is still ahead. */
export interface Parts {
  readonly now: readonly AnyStep[];
  readonly ahead: readonly AnyStep[];
}

/** An entry at a step, as the step of its own that it is. */
export interface Act {
  readonly step: AnyStep;
  /** The line that it gives by hand, where it does. */
  readonly gives: string | undefined;
  /** When it was entered, in minutes since the step was started; 0 where that was never said. */
  readonly atMinutes: number;
}

/** What was entered at a step, as its kind asks for it. Kilos as bought, minutes of the clock. */
export interface Entered {
  readonly isDone: boolean;
  /** Minutes that it really took at its own heat, where the cook said so. */
  readonly minutes: number | undefined;
  /** In the order in which they were entered. */
  readonly acts: readonly Act[];
  readonly enteredByHand: (line: string) => boolean;
  readonly givenKg: (line: string) => number;
  /** What the plan would take for a use. */
  readonly plannedKg: (use: Use) => number;
  /** What trimming leaves of a line. */
  readonly keptShare: (line: string) => number;
  /** What stayed in the sieve, as it was weighed. */
  readonly sievedKg: number | undefined;
  /** Whether shares of what lay beside the pot were given back by hand. */
  readonly gaveBack: boolean;
}

export function actsOf({ acts }: Pick<Entered, 'acts'>): AnyStep[] {
  return acts.map(({ step }) => step);
}

/** Acts but for what was given by hand of some lines: the step itself takes that in. */
export function actsBut({ acts }: Pick<Entered, 'acts'>, lines: readonly string[]): AnyStep[] {
  return acts.filter(({ gives }) => gives === undefined || !lines.includes(gives)).map(({ step }) => step);
}

/** First what was entered, then the step; one that is not done is ahead. */
export function actsThenStep(step: AnyStep, entered: Entered): Parts {
  const acts = actsOf(entered);
  return entered.isDone ? { now: [...acts, step], ahead: [] } : { now: acts, ahead: [step] };
}

/** First the step, then what was entered at it. */
export function stepThenActs(step: AnyStep, entered: Entered): Parts {
  const acts = actsOf(entered);
  return entered.isDone ? { now: [step, ...acts], ahead: [] } : { now: acts, ahead: [step] };
}

/**
 * It finds out how much of its line is wanted: done with some on record, that was all; otherwise it counts what is in, as the
 * page does that says what is still wanted. A reading taken at it was taken before it was done.
 */
export function settles(step: AnyStep & { readonly line: string }, entered: Entered): Parts {
  return entered.isDone && entered.enteredByHand(step.line) ? { now: actsOf(entered), ahead: [] } : actsThenStep(step, entered);
}

/** A use as what is still to be given of it, once some has been given by hand. */
export function restOf(use: Use, entered: Entered): Use {
  if (!entered.enteredByHand(use.line)) return use;
  return { line: use.line, kg: Math.max(0, entered.plannedKg(use) - entered.givenKg(use.line)) };
}

/** A use as exactly what was given by hand, where some was. */
export function asGiven(use: Use, entered: Entered): Use {
  return entered.enteredByHand(use.line) ? { line: use.line, kg: entered.givenKg(use.line) } : use;
}

/** Minutes that the clock has shown, not ones that a card asks for: a step does with them what can be done in them. */
export interface ActualMinutes {
  readonly isActual?: true;
}

/** With the minutes that it really took; they are known once it is done. */
export function tookMinutes<T extends AnyStep & { readonly minutes: number }>(
  step: T,
  { isDone, minutes }: Entered,
): T & ActualMinutes {
  return isDone && minutes !== undefined ? { ...step, minutes, isActual: true } : step;
}
