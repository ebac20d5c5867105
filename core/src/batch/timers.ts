import type { StoredEntry } from './entry.js';
import { historyOf, type History } from './history.js';

/** A timer of a batch, by the clock: when it began, when it is over, and whether a cook has heard it. Milliseconds. */
export interface BatchTimer {
  readonly id: string;
  /** The entry that started it. */
  readonly entryId: string;
  readonly name: string;
  readonly stepId: string | undefined;
  readonly startedAtMs: number;
  readonly endsAtMs: number;
  readonly silenced: boolean;
  /** Reminders on the way to its end. */
  readonly every: { readonly minutes: number; readonly of: string } | undefined;
}

const MINUTE_MS = 60_000;
/** So close to the end nothing is reminded of any more: the end says it. */
const NOT_WITHIN_MS = MINUTE_MS;

/**
 * The timers of a batch as its entries say: each ends at a moment, not after so many ticks, so that a screen that slept,
 * reloaded or joined late shows the same. In the order in which they end.
 */
export function timersOf({ counted }: Pick<History, 'counted'>): BatchTimer[] {
  return followed(new Map(), counted);
}

/**
 * Timers that are known without their entries, with what was entered since: on a screen that has not sent it yet. Of what is
 * taken back only a start among them can be.
 */
export function timersAfter(known: readonly BatchTimer[], since: readonly StoredEntry[]): BatchTimer[] {
  const { counted, undone } = historyOf(since);
  return followed(new Map(known.filter(({ entryId }) => !undone.has(entryId)).map((timer) => [timer.id, timer])), counted);
}

function followed(timers: Map<string, BatchTimer>, counted: readonly StoredEntry[]): BatchTimer[] {
  for (const { id: entryId, action, atMs } of counted) {
    if (action.kind === 'timed') {
      const { timer: id, name, stepId, minutes, every } = action;
      timers.set(id, {
        id,
        entryId,
        name,
        stepId,
        startedAtMs: atMs,
        endsAtMs: atMs + minutes * MINUTE_MS,
        silenced: false,
        every,
      });
    } else if (action.kind === 'done' || action.kind === 'skipped') {
      // A step that is over needs no ringing; taking it back brings its timer back.
      for (const [id, own] of timers) if (own.stepId === action.stepId) timers.set(id, { ...own, silenced: true });
    } else if (action.kind === 'longer' || action.kind === 'silenced') {
      const have = timers.get(action.timer);
      if (have === undefined) continue;
      // More time makes it run again, from now if it is over already.
      const from = action.kind === 'longer' && have.endsAtMs < atMs ? atMs : have.endsAtMs;
      timers.set(
        action.timer,
        action.kind === 'silenced'
          ? { ...have, silenced: true }
          : { ...have, endsAtMs: Math.max(have.startedAtMs, from + action.minutes * MINUTE_MS), silenced: false },
      );
    }
  }
  return [...timers.values()].sort((a, b) => a.endsAtMs - b.endsAtMs);
}

/** Moments at which a timer reminds of something on the way, before its end; none for one without reminders. */
export function remindsAtMs({ startedAtMs, endsAtMs, every }: Omit<BatchTimer, 'id' | 'entryId' | 'name'>): number[] {
  if (every === undefined) return [];
  const stepMs = every.minutes * MINUTE_MS;
  const count = Math.max(0, Math.ceil((endsAtMs - NOT_WITHIN_MS - startedAtMs) / stepMs) - 1);
  return Array.from({ length: count }, (_, n) => startedAtMs + (n + 1) * stepMs);
}
