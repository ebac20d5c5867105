import type { Habits, Kit, Vessel } from '../kit/index.js';
import { spiceFactor, type SpiceSchool } from '../season/index.js';
import type { ReadyLine } from '../steps/index.js';
import type { Soup, SoupProblem } from '../soup/index.js';

/** A soup with its larder rows and kit looked up once, to be run many times at many scales. */
export interface Ready {
  readonly soup: Soup;
  readonly kit: Kit;
  readonly habits: Habits;
  readonly vessel: Vessel;
  readonly boilC: number;
  readonly servedC: number;
  readonly bowlKg: number;
  readonly lines: readonly ReadyAtOne[];
  /** Of a batch: lines as they were before a cook put something else in their place, each under a key that only its steps know. */
  readonly earlier?: ReadonlyMap<string, ReadyAtOne>;
  /** Cards that its lines take from, made ready too, with how much of each a kilo was worked out for. */
  readonly cards: ReadonlyMap<string, Ready>;
}

/** A line at scale 1, and how its kilos follow the scale: as it is, as spice, or not at all (the pan or a step decides). */
export interface ReadyAtOne {
  readonly line: ReadyLine;
  readonly follows: 'scale' | SpiceSchool | 'nothing';
}

export type Readied =
  | { readonly ok: true; readonly ready: Ready }
  | {
      readonly ok: false;
      readonly problems: readonly (SoupProblem | { readonly path: string; readonly code: 'UNKNOWN_POT'; readonly potId: string })[];
    };

/** Kilos of a line at a scale. */
export function kgAtScale({ line, follows }: ReadyAtOne, scale: number): number {
  if (follows === 'scale') return line.massKg * scale;
  return follows === 'nothing' ? line.massKg : line.massKg * spiceFactor(follows, scale);
}
