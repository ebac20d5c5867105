import type { Planned } from '../plan/index.js';
import type { Action } from './entry.js';

/** What is remembered of a batch that was cooked without the page. */
export interface Remembered {
  /** When it was begun. */
  readonly startedAtMs: number;
  /** What stood in the pot before the first bowl, kg without the pot; undefined where nobody weighed it. */
  readonly cookedKg?: number;
  /** Bowls that went out; undefined where nobody counted them. */
  readonly bowls?: number;
  /** What was left and went to be kept, kg. */
  readonly keptKg?: number;
  /** In the cook's own words. */
  readonly note?: string;
}

/** An action and when it was done. */
export interface Dated {
  readonly atMs: number;
  readonly action: Action;
}

const MINUTE_MS = 60_000;

/**
 * A batch entered after the fact: every step of its plan ticked at the minute at which the plan has it over, then what is
 * remembered, then the close. The plan stands for all that nobody remembers.
 */
export function rememberedActions({ run }: Pick<Planned, 'run'>, remembered: Remembered): readonly Dated[] {
  const whole = run.records.reduce((sum, { minutes }) => sum + minutes, 0);
  const pace = whole > 0 ? run.minutes / whole : 0;
  let minutes = 0;
  const at = (): number => Math.round(remembered.startedAtMs + pace * minutes * MINUTE_MS);
  const all: Dated[] = [];
  for (const { step, minutes: own } of run.records) {
    minutes += own;
    if (step.op === 'dish') continue;
    all.push({ atMs: at(), action: { kind: 'done', stepId: step.id } });
  }
  const { cookedKg, bowls, keptKg, note } = remembered;
  const { last } = run;
  const after = (action: Action): void => {
    all.push({ atMs: at(), action });
  };
  if (last !== undefined && cookedKg !== undefined) after({ kind: 'weighed', stepId: last.step.id, grossKg: cookedKg, tareKg: 0 });
  if (bowls !== undefined) after({ kind: 'dished', bowls });
  if (keptKg !== undefined && keptKg > 0) after({ kind: 'stored', kg: keptKg });
  if (note !== undefined && note.trim() !== '') after({ kind: 'note', text: note.trim().slice(0, 1000) });
  after({ kind: 'closed' });
  return all;
}
