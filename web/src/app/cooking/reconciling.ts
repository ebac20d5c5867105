import type { StoredEntry } from '@tureen/core/batch';
import type { IngredientRow } from '@tureen/core/larder';
import type { Correction, Reconciled, Suspect } from '@tureen/core/learn';
import type { Snapshot } from '@tureen/core/plan';
import { wrap } from 'comlink';
import { inject, Injectable, InjectionToken } from '@angular/core';
import type { ReconcileThread } from './reconcile.worker';

/** What lays readings beside entries: a thread in the application, something else in a test. */
export interface Reconciler {
  reconcile(snapshot: Snapshot, entries: readonly StoredEntry[], rows: readonly IngredientRow[]): Promise<Reconciled | undefined>;
  corrections(
    snapshot: Snapshot,
    entries: readonly StoredEntry[],
    suspects: readonly Suspect[],
    why: string,
  ): Promise<readonly Correction[]>;
}

export const RECONCILER = new InjectionToken<() => Reconciler>('reconciler', {
  providedIn: 'root',
  factory: () => () => wrap<ReconcileThread>(new Worker(new URL('./reconcile.worker', import.meta.url), { type: 'module' })),
});

/** The thread, made when it is first asked. */
@Injectable({ providedIn: 'root' })
export class Reconciling {
  private readonly make = inject(RECONCILER);
  private thread: Reconciler | undefined;

  get ask(): Reconciler {
    this.thread ??= this.make();
    return this.thread;
  }
}
