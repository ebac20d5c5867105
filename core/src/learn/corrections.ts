import type { Action, BatchState, StoredEntry } from '../batch/index.js';
import { kindOf } from '../soup/index.js';
import type { Suspect } from './suspects.js';
import { entryIf, uncountedLine } from './suspects.js';

/** An entry that puts a record right, and before which entry it belongs where that matters. */
export interface Correction {
  readonly action: Action;
  /** The counter of its stamp; after all others where it is left out. */
  readonly counter?: number;
}

/** An amount that readings have found is entered to the gram, kg. */
const KG_STEP = 0.001;

/** An entry corrected to what it should have said; nothing where that is what it says. */
function corrected(entry: StoredEntry, to: Action, why: string): Correction[] {
  return to.kind === 'corrected' || to === entry.action ? [] : [{ action: { kind: 'corrected', target: entry.id, to, why } }];
}

function correctionsOfOne(state: BatchState, suspect: Suspect, why: string): Correction[] {
  const { counted } = state.history;
  switch (suspect.what) {
    case 'twice':
      return [{ action: { kind: 'undone', target: suspect.entryId } }];
    case 'missing': {
      const row = state.prepared.lines.find(({ line }) => line.id === suspect.line)?.line.ingredient.row;
      const first = counted.find(
        ({ action }) =>
          'stepId' in action && action.stepId === suspect.stepId && action.kind !== 'started' && action.kind !== 'timed',
      );
      if (row === undefined || first === undefined) return [];
      const kg = Math.max(KG_STEP, Math.round(suspect.kg / KG_STEP) * KG_STEP);
      return [
        {
          action: { kind: 'brought', stepId: suspect.stepId, line: uncountedLine(suspect.line), row, kg },
          counter: Math.max(0, first.stamp.counter - 1),
        },
      ];
    }
    case 'another':
      return [{ action: { kind: 'swapped', line: suspect.line, row: suspect.row }, counter: 0 }];
    case 'measure':
    case 'unit':
    case 'tare':
    case 'pot':
    case 'not done': {
      const of = entryIf(suspect, state.prepared);
      return counted.flatMap((entry) => corrected(entry, of(entry), why));
    }
  }
}

/**
 * The entries that put a batch's record right as suspects have it. What the page said when a step was ticked is what was given,
 * whatever it would say now: that is written into the ticks too. A closed batch is opened for it and closed again.
 *
 * @param why what was found wrong, in words.
 */
export function correctionsOf(state: BatchState, suspects: readonly Suspect[], why: string): Correction[] {
  const { counted, closed } = state.history;
  const notDone = new Set(suspects.flatMap((suspect) => (suspect.what === 'not done' ? [suspect.entryId] : [])));
  const gave = new Map(
    state.run.records.flatMap(({ step, counts }) =>
      step.op !== 'join' && kindOf(step).told && counts?.settledKg !== undefined ? [[step.id, counts.settledKg] as const] : [],
    ),
  );
  const ticks = counted.flatMap((entry): Correction[] => {
    const { action, id } = entry;
    const gaveKg = action.kind === 'done' && !notDone.has(id) ? gave.get(action.stepId) : undefined;
    return action.kind !== 'done' || gaveKg === undefined || action.gaveKg !== undefined
      ? []
      : corrected(entry, { ...action, gaveKg }, why);
  });
  const own = suspects.flatMap((suspect) => correctionsOfOne(state, suspect, why));
  if (own.length === 0) return [];
  const open: Correction[] = closed === undefined ? [] : [{ action: { kind: 'undone', target: closed.id } }];
  const close: Correction[] = closed === undefined ? [] : [{ action: { kind: 'closed' } }];
  return [...open, ...ticks, ...own, ...close];
}
