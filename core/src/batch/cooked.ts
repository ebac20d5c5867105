import type { Planned } from '../plan/index.js';
import type { Held, PreparedSoup } from '../runner/index.js';
import type { Branch, SoupStep } from '../soup/index.js';
import type { Seen } from '../steps/index.js';
import type { Entry, StoredEntry } from './entry.js';
import { foldWorked, type BatchState } from './fold.js';

/**
 * A batch as a forward run that believes no reading: what was done at every step, with the kilos that were really given,
 * so that what such a run comes to can be laid beside what was read. For learning and for finding what is wrong.
 */
export interface CookedBatch {
  /** The plan's soup with its steps as they were done. Readings stand in it as steps that do nothing. */
  readonly prepared: PreparedSoup;
  readonly scale: number;
  readonly held: Held;
  /** What was read, by the step that stands for it. */
  readonly readings: ReadonlyMap<SoupStep, Seen>;
  readonly state: BatchState;
}

/** A batch's entries as such a run. Readings of heat stay: they say how the pot is, and bias nothing. */
export function asCooked(planned: Planned, entries: readonly (Entry | StoredEntry)[]): CookedBatch {
  const { state, root } = foldWorked(planned, entries);
  const readings = new Map<SoupStep, Seen>();
  const unread = (branch: Branch): Branch => ({
    ...branch,
    steps: branch.steps.map((step): SoupStep => {
      if (step.op === 'join') return { ...step, branch: unread(step.branch) };
      if (step.op !== 'read' || step.seen.of === 'heat') return step;
      const marker: SoupStep = { id: step.id, op: 'add', uses: [] };
      readings.set(marker, step.seen);
      return marker;
    }),
  });
  const soup = { ...state.prepared.soup, root: unread(root) };
  const held = new Map<string, number>();
  for (const { step, counts } of state.run.records) {
    if (step.op !== 'hold' && counts?.settledKg !== undefined) held.set(step.id, counts.settledKg);
  }
  return { prepared: { ...state.prepared, soup }, scale: planned.snapshot.scale, held, readings, state };
}
