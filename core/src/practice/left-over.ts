import { ENTRY_SHAPE, foldBatch, type Action, type StoredEntry } from '../batch/index.js';
import type { Planned } from '../plan/index.js';
import { asPlanned } from './what-if.js';

/** What the trainee sees is a moment old when it begins, ms. */
const JUST_NOW_MS = 1000;

/**
 * A batch that somebody has cooked to the letter and of which nobody ate: all of it is left over to be cooled and kept.
 *
 * @param nowMs when the practice begins: what was done is before that.
 * @param idOf an id for the n-th entry, the same each time.
 */
export function leftOverOf(plan: Planned, nowMs: number, idOf: (n: number) => string): StoredEntry[] {
  const done = asPlanned(plan);
  const shiftMs = nowMs - JUST_NOW_MS - (done.at(-1)?.atMs ?? 0);
  const cooked = done.map((entry, n) => ({ ...entry, id: idOf(n + 1), atMs: Math.round(entry.atMs + shiftMs) }));
  const { massKg } = foldBatch(plan.snapshot, cooked, plan);
  const after = (n: number, action: Action): StoredEntry => ({
    id: idOf(cooked.length + n),
    shape: ENTRY_SHAPE,
    stamp: { counter: cooked.length + n, device: 'bench', seq: cooked.length + n },
    atMs: nowMs - JUST_NOW_MS,
    who: '',
    action,
  });
  return [...cooked, after(1, { kind: 'stored', kg: massKg }), after(2, { kind: 'closed' })];
}
