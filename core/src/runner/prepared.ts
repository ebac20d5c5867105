import { spiceFactor, type SpiceScaling } from '../season/index.js';
import type { Estimate } from '../body/index.js';
import type { SizedLine, StepContext, Surroundings, ToCome } from '../steps/index.js';
import type { Soup, SoupProblem } from '../soup/index.js';

/** A soup with its larder rows and kit looked up once, to be run many times at many scales. */
export interface PreparedSoup extends Surroundings {
  readonly soup: Soup;
  readonly lines: readonly PreparedLine[];
  /** Of a batch: lines as they were before a cook put something else in their place, each under a key that only its steps know. */
  readonly earlier?: ReadonlyMap<string, PreparedLine>;
  /** How well a pot is known before any reading, by what this kitchen's batches have shown; as for any kitchen where it is left out. */
  readonly unread?: Estimate;
  /** Ln of the body, mPa·s at 65 °C, that it is meant to come to; undefined where its card asks for none. */
  readonly meantLn?: number;
  /** Cards that its lines take from, prepared too, with how much of each a kilo was worked out for. */
  readonly cards: ReadonlyMap<string, PreparedSoup>;
}

/** A line at scale 1, and how its kilos follow the scale: as it is, as spice, or not at all (the pan or a step decides). */
export interface PreparedLine {
  readonly line: SizedLine;
  readonly follows: 'scale' | SpiceScaling | 'nothing';
}

export type Preparation =
  | { readonly ok: true; readonly prepared: PreparedSoup }
  | {
      readonly ok: false;
      readonly problems: readonly (SoupProblem | { readonly path: string; readonly code: 'UNKNOWN_POT'; readonly potId: string })[];
    };

/** Kilos of a line at a scale. */
export function kgAtScale({ line, follows }: PreparedLine, scale: number): number {
  if (follows === 'scale') return line.massKg * scale;
  return follows === 'nothing' ? line.massKg : line.massKg * spiceFactor(follows, scale);
}

/** What a step of a prepared soup may look at beside its pot. Written out: one is made for every step of every run. */
export function stepContext(
  prepared: Surroundings,
  line: StepContext['line'],
  estimate: Estimate,
  toCome?: ToCome,
  heldKg?: number,
  simmeredMinutes?: number,
): StepContext {
  return {
    kit: prepared.kit,
    parameters: prepared.parameters,
    vessel: prepared.vessel,
    boilC: prepared.boilC,
    servedC: prepared.servedC,
    bowlKg: prepared.bowlKg,
    line,
    toCome,
    heldKg,
    estimate,
    simmeredMinutes,
  };
}
