import '../no-eval';
import { expose } from 'comlink';
import type { StoredEntry } from '@tureen/core/batch';
import type { IngredientRow } from '@tureen/core/larder';
import { correctionsOf, reconcile, type Correction, type Reconciled, type Suspect } from '@tureen/core/learn';
import { foldBatch } from '@tureen/core/batch';
import { rerun, type Snapshot } from '@tureen/core/plan';

/** Core in a thread that lays a batch's readings beside its entries: it takes up to a second, and nothing else waits for it. */
const thread = {
  reconcile(snapshot: Snapshot, entries: readonly StoredEntry[], rows: readonly IngredientRow[]): Reconciled | undefined {
    return reconcile(rerun(snapshot), entries, rows);
  },
  corrections(snapshot: Snapshot, entries: readonly StoredEntry[], suspects: readonly Suspect[], why: string): Correction[] {
    return correctionsOf(foldBatch(snapshot, entries), suspects, why);
  },
};

export type ReconcileThread = typeof thread;

expose(thread);
