import { inject, Injectable } from '@angular/core';
import type { Entry } from '@tureen/core/batch';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { BehaviorSubject, distinctUntilChanged, filter, map } from 'rxjs';
import { Api, ask, isForGood, type Refusal } from './api';
import { Live } from './live';

export interface Unsent {
  readonly id: string;
  readonly batchId: string;
  readonly entry: Entry;
  /** Why the server will not have it; kept and shown, never dropped. */
  readonly refusal?: Refusal;
}

interface Shape extends DBSchema {
  unsent: { key: string; value: Unsent };
}

const RETRY_MS = 3000;
/** What one request may carry. */
const AT_ONCE = 200;

/**
 * Entries that the server has not acknowledged yet, kept in the browser's own database. An entry is written there
 * before anything else happens to it, and leaves only when the server says that it has it.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(Api);
  private readonly store: Promise<IDBPDatabase<Shape>> = openDB<Shape>('tidy-tureen', 1, {
    upgrade: (db) => {
      db.createObjectStore('unsent', { keyPath: 'id' });
    },
  });
  private readonly held = new BehaviorSubject<readonly Unsent[]>([]);
  private sending: Promise<void> | undefined;
  private again = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  readonly unsent$ = this.held.asObservable();
  readonly count$ = this.held.pipe(
    map((list) => list.length),
    distinctUntilChanged(),
  );

  constructor() {
    void this.reload().then(() => {
      this.send();
    });
    inject(Live)
      .open$.pipe(filter((open) => open))
      .subscribe(() => {
        this.send();
      });
  }

  /** What an earlier visit left; what was entered while this was being read stays. */
  private async reload(): Promise<void> {
    const stored = await (await this.store).getAll('unsent');
    const here = new Set(this.held.value.map(({ id }) => id));
    this.held.next([...stored.filter(({ id }) => !here.has(id)), ...this.held.value]);
  }

  /** Keeps an entry and tries to send it. Resolves once it is kept, sent or not. */
  async keep(batchId: string, entry: Entry): Promise<void> {
    const unsent: Unsent = { id: entry.id, batchId, entry };
    this.held.next([...this.held.value, unsent]);
    await (await this.store).put('unsent', unsent);
    this.send();
  }

  /** Sends what is held, one request at a time, oldest first. */
  send(): void {
    if (this.sending !== undefined) {
      this.again = true;
      return;
    }
    this.sending = this.sendAll().finally(() => {
      this.sending = undefined;
      if (this.again) {
        this.again = false;
        this.send();
      }
    });
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer);
    const waiting = this.held.value.filter(({ refusal }) => refusal === undefined);
    for (const batchId of new Set(waiting.map((unsent) => unsent.batchId))) {
      const own = waiting.filter((unsent) => unsent.batchId === batchId).slice(0, AT_ONCE);
      const answer = await ask(() =>
        this.api.client.batches[':id'].entries.$post({ param: { id: batchId }, json: { entries: own.map(({ entry }) => entry) } }),
      );
      if (answer.ok) await this.drop(own);
      else if (isForGood(answer)) await this.mark(own, answer.refusal);
      else this.retryLater();
    }
  }

  private retryLater(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.send();
    }, RETRY_MS);
  }

  private async drop(list: readonly Unsent[]): Promise<void> {
    const store = await this.store;
    const gone = new Set(list.map(({ id }) => id));
    await Promise.all([...gone].map((id) => store.delete('unsent', id)));
    this.held.next(this.held.value.filter(({ id }) => !gone.has(id)));
    if (this.held.value.some(({ refusal }) => refusal === undefined)) this.again = true;
  }

  /** One bad entry must not hold up the others: a refused bundle is tried one by one, and what is refused alone is marked. */
  private async mark(list: readonly Unsent[], refusal: Refusal): Promise<void> {
    if (list.length === 1) {
      const [bad] = list;
      if (bad === undefined) return;
      const marked: Unsent = { ...bad, refusal };
      await (await this.store).put('unsent', marked);
      this.held.next(this.held.value.map((unsent) => (unsent.id === bad.id ? marked : unsent)));
      return;
    }
    for (const unsent of list) {
      const answer = await ask(() =>
        this.api.client.batches[':id'].entries.$post({ param: { id: unsent.batchId }, json: { entries: [unsent.entry] } }),
      );
      if (answer.ok) await this.drop([unsent]);
      else if (isForGood(answer)) await this.mark([unsent], answer.refusal);
      else {
        this.retryLater();
        return;
      }
    }
  }
}
