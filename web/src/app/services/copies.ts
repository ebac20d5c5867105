import { Injectable } from '@angular/core';
import type { KeptBatch } from '@tureen/server/api';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface Shape extends DBSchema {
  batches: { key: string; value: KeptBatch };
}

/** How long after a change a batch is written down: a burst of ladles is one copy. */
const AFTER_MS = 300;

/**
 * Copies of batches in the browser's own database, as the server last told them, so that a tablet that reloads without a
 * network goes on where it stood. What has not been sent yet is the outbox's.
 */
@Injectable({ providedIn: 'root' })
export class Copies {
  private readonly store: Promise<IDBPDatabase<Shape>> = openDB<Shape>('tidy-tureen-copies', 1, {
    upgrade: (db) => {
      db.createObjectStore('batches', { keyPath: 'id' });
    },
  });
  private readonly waiting = new Map<string, ReturnType<typeof setTimeout>>();

  async batch(id: string): Promise<KeptBatch | undefined> {
    return (await this.store).get('batches', id);
  }

  /** Writes a batch down soon; the last of several in a row is what is kept. */
  keep(batch: KeptBatch): void {
    clearTimeout(this.waiting.get(batch.id));
    this.waiting.set(
      batch.id,
      setTimeout(() => {
        this.waiting.delete(batch.id);
        void this.store.then((store) => store.put('batches', batch));
      }, AFTER_MS),
    );
  }
}
