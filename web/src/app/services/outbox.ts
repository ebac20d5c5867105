import { inject, Injectable, type OnDestroy } from '@angular/core';
import { liftEntry, type Entry } from '@tureen/core/batch';
import type { StockEntry } from '@tureen/core/stock';
import { BehaviorSubject, distinctUntilChanged, filter, map } from 'rxjs';
import { Api, request, isForGood, type Refusal } from './api';
import { BrowserStore } from './browser-store';
import { Live } from './live';
import { keptAs } from './practice-mode';

interface Waiting {
  readonly id: string;
  /** Why the server will not have it; kept and shown, never dropped. */
  readonly refusal?: Refusal;
  /** The browser has it: a reload would not lose it. */
  readonly kept?: boolean;
}

/** An entry of a batch. */
export interface UnsentEntry extends Waiting {
  readonly batchId: string;
  readonly entry: Entry;
}

/** An entry of the stock: of no batch. */
export interface UnsentStock extends Waiting {
  readonly batchId?: undefined;
  readonly entry: StockEntry;
}

export type Unsent = UnsentEntry | UnsentStock;

export function isOfBatch(unsent: Unsent): unsent is UnsentEntry {
  return unsent.batchId !== undefined;
}

const RETRY_MS = 3000;
/** What one request may carry. */
const AT_ONCE = 200;
const CHANNEL = keptAs('tureen-unsent');
/** Refused because something that another tablet has yet to send is not there: sent again when the stream opens. */
const MAY_COME = 'NO_SUCH_LINE';

type Message =
  | { readonly kind: 'kept'; readonly unsent: readonly Unsent[] }
  | { readonly kind: 'sent' | 'stored'; readonly ids: readonly string[] }
  | { readonly kind: 'asked' };

/**
 * Entries that the server has not acknowledged yet. Each is held in the page, told to the other tabs, written to the
 * browser's own database and sent, all at once: whichever works is enough to go on. It leaves only when the server says that
 * it has it.
 */
@Injectable({ providedIn: 'root' })
export class Outbox implements OnDestroy {
  private readonly api = inject(Api);
  private readonly store = new BrowserStore<{ unsent: Unsent }>('tidy-tureen', ['unsent']);
  private readonly held = new BehaviorSubject<readonly Unsent[]>([]);
  private readonly fragile = new BehaviorSubject(false);
  private readonly channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
  /** Sent from here or by another tab: what the store or a tab says of them later is old. */
  private readonly gone = new Set<string>();
  private sending: Promise<void> | undefined;
  private again = false;
  private isGone = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  readonly unsent$ = this.held.asObservable();
  readonly count$ = this.held.pipe(
    map((list) => list.length),
    distinctUntilChanged(),
  );
  /** True while something is in this page alone, because the browser would not keep it: a reload would lose it. */
  readonly fragile$ = this.fragile.pipe(distinctUntilChanged());

  constructor() {
    if (this.channel !== undefined) {
      this.channel.onmessage = ({ data }: MessageEvent<Message>) => {
        if (data.kind === 'kept') this.add(data.unsent);
        else if (data.kind === 'sent') this.remove(data.ids);
        else if (data.kind === 'stored') this.stored(data.ids);
        else if (this.held.value.length > 0) this.tell({ kind: 'kept', unsent: this.held.value });
      };
    }
    this.tell({ kind: 'asked' });
    void this.reload().then(() => {
      this.send();
    });
    inject(Live)
      .open$.pipe(filter((open) => open))
      .subscribe(() => {
        void this.hopeful().then(() => {
          this.send();
        });
      });
  }

  ngOnDestroy(): void {
    this.isGone = true;
    clearTimeout(this.timer);
    this.channel?.close();
  }

  private tell(told: Message): void {
    if (!this.isGone) this.channel?.postMessage(told);
  }

  private add(list: readonly Unsent[]): void {
    const here = new Set(this.held.value.map(({ id }) => id));
    const fresh = list.filter(({ id }) => !here.has(id) && !this.gone.has(id));
    if (fresh.length > 0) this.held.next([...this.held.value, ...fresh]);
  }

  private remove(ids: readonly string[]): void {
    for (const id of ids) this.gone.add(id);
    const left = this.held.value.filter(({ id }) => !this.gone.has(id));
    if (left.length !== this.held.value.length) this.held.next(left);
    if (left.length === 0) this.fragile.next(false);
  }

  /** Of these the browser has said that it keeps them. */
  private stored(ids: readonly string[]): void {
    const now = new Set(ids);
    if (!this.held.value.some(({ id, kept }) => now.has(id) && kept !== true)) return;
    this.held.next(this.held.value.map((unsent) => (now.has(unsent.id) ? { ...unsent, kept: true } : unsent)));
  }

  /** What an earlier visit or a tab that is gone has left; what was entered while this was being read stays. */
  private async reload(): Promise<void> {
    const found = (await this.store.all('unsent')) ?? [];
    // An entry may have waited here since before an update.
    const all = found.map((unsent) => (isOfBatch(unsent) ? { ...unsent, entry: liftEntry(unsent.entry) as Entry } : unsent));
    this.add(all);
    this.stored(all.map(({ id }) => id));
  }

  /** What was refused only because something was not there yet is tried once more. */
  private async hopeful(): Promise<void> {
    await this.reload();
    this.held.next(
      this.held.value.map((unsent) =>
        isOfBatch(unsent) && unsent.refusal?.code === MAY_COME
          ? { id: unsent.id, batchId: unsent.batchId, entry: unsent.entry, kept: true }
          : unsent,
      ),
    );
  }

  /** Holds an entry of a batch and sends it. Resolves once the browser has kept it, or has said that it can't. */
  keep(batchId: string, entry: Entry): Promise<void> {
    return this.hold({ id: entry.id, batchId, entry });
  }

  /** As `keep`, for an entry of the stock. */
  keepStock(entry: StockEntry): Promise<void> {
    return this.hold({ id: entry.id, entry });
  }

  private async hold(unsent: Unsent): Promise<void> {
    this.add([unsent]);
    this.tell({ kind: 'kept', unsent: [unsent] });
    this.send();
    const kept = await this.store.put('unsent', unsent);
    if (this.gone.has(unsent.id)) await this.store.delete('unsent', [unsent.id]);
    else if (kept) {
      this.stored([unsent.id]);
      this.tell({ kind: 'stored', ids: [unsent.id] });
    } else this.fragile.next(true);
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

  private post(batchId: string | undefined, list: readonly Unsent[]): Promise<Awaited<ReturnType<typeof request>>> {
    if (batchId === undefined) {
      const entries = list.flatMap((unsent) => (isOfBatch(unsent) ? [] : [unsent.entry]));
      return request(() => this.api.client.cold.entries.$post({ json: { entries } }));
    }
    const entries = list.flatMap((unsent) => (isOfBatch(unsent) ? [unsent.entry] : []));
    return request(() => this.api.client.batches[':id'].entries.$post({ param: { id: batchId }, json: { entries } }));
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer);
    const waiting = this.held.value.filter(({ refusal }) => refusal === undefined);
    for (const batchId of new Set(waiting.map((unsent) => unsent.batchId))) {
      const own = waiting.filter((unsent) => unsent.batchId === batchId).slice(0, AT_ONCE);
      const answer = await this.post(batchId, own);
      if (answer.ok) await this.drop(own);
      else if (isForGood(answer)) await this.mark(own, answer.refusal);
      else this.retryLater();
    }
  }

  private retryLater(): void {
    clearTimeout(this.timer);
    if (this.isGone) return;
    this.timer = setTimeout(() => {
      // Another tab may have left something, and may have gone.
      void this.reload().then(() => {
        this.send();
      });
    }, RETRY_MS);
  }

  private async drop(list: readonly Unsent[]): Promise<void> {
    const ids = list.map(({ id }) => id);
    this.remove(ids);
    this.tell({ kind: 'sent', ids });
    if (this.held.value.some(({ refusal }) => refusal === undefined)) this.again = true;
    await this.store.delete('unsent', ids);
  }

  /** One bad entry must not hold up the others: a refused bundle is tried one by one, and what is refused alone is marked. */
  private async mark(list: readonly Unsent[], refusal: Refusal): Promise<void> {
    if (list.length === 1) {
      const [bad] = list;
      if (bad === undefined) return;
      const marked: Unsent = { ...bad, refusal };
      this.held.next(this.held.value.map((unsent) => (unsent.id === bad.id ? marked : unsent)));
      if (!(await this.store.put('unsent', marked))) this.fragile.next(true);
      return;
    }
    for (const unsent of list) {
      const answer = await this.post(unsent.batchId, [unsent]);
      if (answer.ok) await this.drop([unsent]);
      else if (isForGood(answer)) await this.mark([unsent], answer.refusal);
      else {
        this.retryLater();
        return;
      }
    }
  }
}
