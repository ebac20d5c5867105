import { inject, Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import { combineLatest, shareReplay, switchMap } from 'rxjs';
import { Kitchen } from '../services/kitchen';
import { narrow$ } from '../services/narrow';
import type { StoredEntry } from '@tureen/core/batch';
import type { OpenBatch } from '../services/batches';
import type { BatchView } from './batch-view';
import type { Calculator } from './calculator';

/** Batches that the thread follows at a time: one at the stove, those on the wall. */
const MOST_FOLLOWED = 8;

type Followed = Pick<OpenBatch, 'batch' | 'snapshot' | 'entries' | 'short'>;

/** A batch that is told shortened another way is followed anew: what was drawn together then is not what is now. */
export function followedKey({ batch, entries, short }: Pick<OpenBatch, 'batch' | 'entries' | 'short'>): string {
  if (short === undefined) return batch.id;
  const drawn = entries.reduce((sum, { together = 0 }) => sum + together, 0);
  return `${batch.id} ${String(short.wholeAfter)} ${String(drawn)}`;
}

/**
 * Core in a thread of its own, so that the screen never waits for the pot. The thread is told of the kitchen's kit and
 * larder whenever they change; `stocked$` says when, so that what was worked out before can be asked anew.
 */
@Injectable({ providedIn: 'root' })
export class Cooking {
  readonly calculator: Remote<Calculator> = wrap<Calculator>(
    new Worker(new URL('./cooking.worker', import.meta.url), { type: 'module' }),
  );

  /** Of batches that the thread follows, the entries that it has, each with its arrival as it was told. */
  private readonly told = new Map<string, Map<string, number | undefined>>();

  /** A batch as it stands; what the thread has of it already is not sent again. */
  async batch(open: Followed): Promise<BatchView> {
    const key = followedKey(open);
    let told = this.told.get(key);
    if (told === undefined) {
      told = new Map();
      const [oldest] = this.told.keys();
      if (this.told.size >= MOST_FOLLOWED && oldest !== undefined) {
        this.told.delete(oldest);
        void this.calculator.batchLeft(oldest);
      }
      this.told.set(key, told);
      void this.calculator.batchOpened(key, open.snapshot);
    }
    const since: StoredEntry[] = [];
    for (const entry of open.entries) {
      if (told.has(entry.id) && told.get(entry.id) === entry.arrival) continue;
      told.set(entry.id, entry.arrival);
      since.push(entry);
    }
    return this.calculator.batch(key, since);
  }

  /** A batch that is followed as it would be with some more entries. */
  batchWith(open: Followed, more: readonly StoredEntry[]): Promise<BatchView> {
    return this.calculator.batchWith(followedKey(open), more);
  }

  constructor() {
    narrow$().subscribe((is) => void this.calculator.narrow(is));
  }

  /** The kitchen as the thread knows it: every value comes after the thread has been told. */
  readonly stocked$ = combineLatest([inject(Kitchen).kitchen$, inject(Kitchen).rows$]).pipe(
    switchMap(async ([answer, rows]) => {
      const kit = answer.ok ? (answer.value.kit ?? undefined) : undefined;
      await this.calculator.stock(rows, kit);
      return { kit, rows };
    }),
    shareReplay({ bufferSize: 1, refCount: false }),
  );
}
