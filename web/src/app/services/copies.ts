import { inject, Injectable } from '@angular/core';
import type { StoredBatch } from '@tureen/server/api';
import { BrowserStore } from './browser-store';
import { OWN_TIME } from './own-time';

interface Copied {
  readonly id: string;
  readonly batch: StoredBatch;
  readonly seenAtMs: number;
}

/** How long after a change a batch is written down: a burst of ladles is one copy. */
const AFTER_MS = 300;
/** Batches that are kept here at most: the last ones looked at. */
export const MOST_COPIES = 12;
/** A copy that nobody looked at for so long goes. */
const OLD_MS = 14 * 86_400_000;

/**
 * Copies of batches in the browser's own database, as the server last told them, so that a tablet that reloads without a
 * network goes on where it stood. What has not been sent yet is the outbox's. Without a store nothing is copied.
 */
@Injectable({ providedIn: 'root' })
export class Copies {
  private readonly store = new BrowserStore<{ seen: Copied }>('tidy-tureen-batches', ['seen']);
  private readonly ownMs = inject(OWN_TIME);
  private readonly waiting = new Map<string, ReturnType<typeof setTimeout>>();

  constructor() {
    try {
      // Copies of earlier shapes: the server has what they hold, and nothing reads them any more.
      for (const old of ['tidy-tureen-copies', 'tidy-tureen-seen']) indexedDB.deleteDatabase(old);
    } catch {
      // No store, no copies.
    }
  }

  async batch(id: string): Promise<StoredBatch | undefined> {
    return (await this.store.get('seen', id))?.batch;
  }

  /** Writes a batch down soon; the last of several in a row is what is kept. */
  keep(batch: StoredBatch): void {
    clearTimeout(this.waiting.get(batch.id));
    this.waiting.set(
      batch.id,
      setTimeout(() => {
        this.waiting.delete(batch.id);
        void this.store.put('seen', { id: batch.id, batch, seenAtMs: this.ownMs() }).then(() => this.tidied());
      }, AFTER_MS),
    );
  }

  private async tidied(): Promise<void> {
    const all = (await this.store.all('seen')) ?? [];
    const newest = [...all].sort((a, b) => b.seenAtMs - a.seenAtMs);
    const old = newest.filter(({ seenAtMs }, n) => n >= MOST_COPIES || seenAtMs < this.ownMs() - OLD_MS);
    if (old.length > 0)
      await this.store.delete(
        'seen',
        old.map(({ id }) => id),
      );
  }
}
