import { inject, Injectable } from '@angular/core';
import type { Correction } from '@tureen/core/learn';
import { ENTRY_SHAPE, reachesBack, type Action, type Dated, type StoredEntry } from '@tureen/core/batch';
import type { MonthSheet } from '@tureen/core/month';
import type { Snapshot } from '@tureen/core/plan';
import type { BatchCursor, BatchSummary, StoredBatch } from '@tureen/server/api';
import { combineLatest, filter, map, merge, type Observable, scan, shareReplay, startWith, Subject, switchMap, tap } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Clock } from './clock';
import { Copies } from './copies';
import { Device, newId } from './device';
import { Live } from './live';
import { isOfBatch, Outbox } from './outbox';
import { reasonsToAsk, refetched } from './refetch';

/** A batch with all that is known of it here: what the server has and what it has not yet. */
export interface OpenBatch {
  readonly batch: Omit<StoredBatch, 'entries' | 'snapshot'>;
  readonly snapshot: Snapshot;
  readonly entries: readonly StoredEntry[];
  readonly unsentIds: ReadonlySet<string>;
  /** How many of them the browser keeps: a reload would not lose them. */
  readonly keptHere: number;
  /** Of a long batch that is told with fewer entries: how many it has. All of them come once they are needed. */
  readonly short: StoredBatch['short'];
}

/** A list of batches as far as it has been asked for. */
export interface BatchList {
  readonly batches: readonly BatchSummary[];
  /** Where older ones begin; null when there are none. */
  readonly next: BatchCursor | null;
}

/** What batches are looked for by: words of the soup or of a note, when they were begun, and how far they were off. */
export interface BatchSearch {
  readonly words?: string;
  readonly sinceMs?: number;
  readonly beforeMs?: number;
  readonly apart?: 'short' | 'over';
}

/** Every entry once; the server's own copy wins, since it knows in which order they came. */
export function mergedEntries(server: readonly StoredEntry[], here: readonly StoredEntry[]): readonly StoredEntry[] {
  const known = new Set(server.map(({ id }) => id));
  return [...server, ...here.filter(({ id }) => !known.has(id))];
}

function totalOf({ short, entries }: StoredBatch): number {
  return short?.total ?? entries.length;
}

/**
 * A batch as told twice, the second time perhaps by an older copy: entries are only ever added, so both together are
 * right. Of one that is shortened nothing older is taken than what it draws together, or it would count twice.
 */
export function unitedBatch(told: StoredBatch, have: StoredBatch): StoredBatch {
  if (told.short === undefined && have.short === undefined) return { ...told, entries: mergedEntries(told.entries, have.entries) };
  const [base, other] = totalOf(have) > totalOf(told) ? [have, told] : [told, have];
  const { short } = base;
  const more = other.entries.filter(
    ({ together, stamp }) => together === undefined && (short === undefined || stamp.counter > short.wholeAfter),
  );
  const entries = mergedEntries(base.entries, more);
  const total = totalOf(base) + entries.length - base.entries.length;
  return { ...told, entries, short: short === undefined ? undefined : { ...short, total } };
}

/** Batches: the list, one of them live, and what a cook enters in it. */
@Injectable({ providedIn: 'root' })
export class Batches {
  private readonly api = inject(Api);
  private readonly live = inject(Live);
  private readonly outbox = inject(Outbox);
  private readonly device = inject(Device);
  private readonly clock = inject(Clock);
  private readonly copies = inject(Copies);

  /** Batches of which all entries are needed, however many. */
  private readonly wholeOf = new Set<string>();
  private readonly askedAgain$ = new Subject<string>();

  private readonly moved$ = reasonsToAsk(this.live, ({ kind }) => kind === 'batch');

  /** Batches that are being cooked. */
  readonly open$: Observable<Reply<{ batches: BatchSummary[] }>> = refetched(this.moved$, () =>
    request<{ batches: BatchSummary[] }>(() => this.api.client.batches.open.$get()),
  );

  /** The newest batches, asked again whenever one starts or ends. */
  readonly batches$: Observable<Reply<BatchList>> = this.found$({});

  /** The newest of those that are looked for, asked again whenever one starts or ends. */
  found$(find: BatchSearch): Observable<Reply<BatchList>> {
    return refetched(this.moved$, () => this.list(null, find));
  }

  /** Batches from a place in the list on, newest first: those that are looked for, or all. */
  list(from: BatchCursor | null, find: BatchSearch = {}): Promise<Reply<BatchList>> {
    const { words, sinceMs, beforeMs, apart } = find;
    const query = {
      ...(from === null ? {} : { startedBefore: String(from.startedAtMs), id: from.id }),
      ...(words === undefined || words === '' ? {} : { words }),
      ...(sinceMs === undefined ? {} : { sinceMs: String(sinceMs) }),
      ...(beforeMs === undefined ? {} : { beforeMs: String(beforeMs) }),
      ...(apart === undefined ? {} : { apart }),
    };
    return request<BatchList>(() => this.api.client.batches.$get({ query }));
  }

  /** What a month came to, YYYY-MM; asked again whenever a batch starts or ends. */
  month$(month: string): Observable<Reply<MonthSheet>> {
    return refetched(this.moved$, () => request<MonthSheet>(() => this.api.client.months[':month'].$get({ param: { month } })));
  }

  /** One batch, followed live: loaded, then entries as they come from this and every other screen. */
  batch$(id: string): Observable<Reply<OpenBatch>> {
    const loaded$ = merge(
      this.live.open$.pipe(filter((open) => open)),
      this.live.change$.pipe(filter((change) => change.kind === 'batch' && change.batchId === id)),
      this.askedAgain$.pipe(filter((of) => of === id)),
    ).pipe(
      startWith(undefined),
      switchMap(() => this.fetched(id)),
      map((answer) => ({ kind: 'loaded' as const, answer })),
    );
    const told$ = this.live.change$.pipe(
      filter((change) => change.kind === 'entries' && change.batchId === id),
      map((change) => ({ kind: 'told' as const, entries: change.kind === 'entries' ? change.entries : [] })),
    );
    type Loaded = Reply<StoredBatch> | undefined;
    const server$ = merge(loaded$, told$).pipe(
      scan((have: Loaded, news): Loaded => {
        if (news.kind === 'loaded') {
          if (!news.answer.ok) return have?.ok === true && !news.answer.reachable ? have : news.answer;
          return have?.ok === true ? { ok: true, value: unitedBatch(news.answer.value, have.value) } : news.answer;
        }
        return have?.ok === true ? { ok: true, value: this.withTold(have.value, news.entries) } : have;
      }, undefined),
      filter((have) => have !== undefined),
    );
    const kept$ = server$.pipe(
      tap((answer) => {
        if (answer.ok) this.copies.keep(answer.value);
      }),
    );
    const mine = new Map<string, StoredEntry>();
    return combineLatest([kept$, this.outbox.unsent$]).pipe(
      map(([answer, unsent]): Reply<OpenBatch> => {
        if (!answer.ok) return answer;
        const own = unsent.filter(isOfBatch).filter(({ batchId }) => batchId === id);
        // What has just been sent is shown until the server's own word of it arrives.
        for (const { entry } of own) mine.set(entry.id, entry);
        const { entries, snapshot, short, ...batch } = answer.value;
        // What a shortened batch draws together has been told with it.
        const here = [...mine.values()].filter(
          (entry) => short === undefined || entry.stamp.counter > short.wholeAfter || own.some((one) => one.entry.id === entry.id),
        );
        return {
          ok: true,
          value: {
            batch,
            snapshot,
            entries: mergedEntries(entries, here),
            short,
            unsentIds: new Set(own.map((one) => one.id)),
            keptHere: own.filter(({ kept }) => kept === true).length,
          },
        };
      }),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
  }

  /** A batch with entries that have just been told of it; of a shortened one, what reaches behind it is asked for anew. */
  private withTold(have: StoredBatch, told: readonly StoredEntry[]): StoredBatch {
    const { short, entries } = have;
    if (short === undefined) return { ...have, entries: mergedEntries(told, entries) };
    const whole = new Set([...entries, ...told].flatMap(({ id, together }) => (together === undefined ? [id] : [])));
    const next = told.filter((entry) => !reachesBack(entry, short, (id) => whole.has(id)));
    if (next.length < told.length) this.askedAgain$.next(have.id);
    const merged = mergedEntries(next, entries);
    return { ...have, entries: merged, short: { ...short, total: short.total + merged.length - entries.length } };
  }

  /** All entries of a long batch, once; undefined where the server does not tell them. */
  async allEntries(id: string): Promise<readonly StoredEntry[] | undefined> {
    const answer = await request<StoredBatch>(() => this.api.client.batches[':id'].$get({ param: { id }, query: {} }));
    return answer.ok ? answer.value.entries : undefined;
  }

  /** All entries of a long batch from now on, one by one. */
  needWhole(id: string): void {
    if (this.wholeOf.has(id)) return;
    this.wholeOf.add(id);
    this.askedAgain$.next(id);
  }

  /** The batch as the server has it; without a network, as it was last heard of here. */
  async fetched(id: string): Promise<Reply<StoredBatch>> {
    const query = this.wholeOf.has(id) ? {} : { entries: 'fewer' as const };
    const answer = await request<StoredBatch>(() => this.api.client.batches[':id'].$get({ param: { id }, query }));
    if (!answer.ok && answer.reachable) return answer;
    const copy = await this.copies.batch(id);
    if (copy === undefined) return answer;
    if (!answer.ok) return { ok: true, value: copy };
    // Without a network the service worker may answer with an older one. Entries are only ever added: both together are right.
    return { ok: true, value: unitedBatch(answer.value, copy) };
  }

  /** Enters what a cook did. It is kept in the browser first and counts at once. */
  enter(open: OpenBatch, action: Action): Promise<void> {
    const highest = open.entries.reduce((most, { stamp }) => Math.max(most, stamp.counter), 0);
    return this.outbox.keep(open.batch.id, {
      id: newId(),
      shape: ENTRY_SHAPE,
      stamp: this.device.stamp(highest),
      atMs: this.clock.now(),
      who: this.device.who(),
      action,
    });
  }

  /** Enters what puts a record right, in this order; what belongs before another entry is stamped so. */
  async correct(open: OpenBatch, corrections: readonly Correction[]): Promise<void> {
    let highest = open.entries.reduce((most, { stamp }) => Math.max(most, stamp.counter), 0);
    for (const { action, counter } of corrections) {
      const stamp = this.device.stamp(highest);
      if (counter === undefined) highest = stamp.counter;
      await this.outbox.keep(open.batch.id, {
        id: newId(),
        shape: ENTRY_SHAPE,
        stamp: counter === undefined ? stamp : { ...stamp, counter },
        atMs: this.clock.now(),
        who: this.device.who(),
        action,
      });
    }
  }

  /**
   * Starts the batch of a kept plan. Its id is made here, so a second try can't make a second batch.
   *
   * @param startedAtMs when it was begun, where it is entered after it was cooked.
   */
  start(batchId: string, planId: string, startedAtMs?: number): Promise<Reply<{ id: string }>> {
    const when = startedAtMs === undefined ? {} : { startedAtMs };
    return request<{ id: string }>(() => this.api.client.batches.$post({ json: { id: batchId, planId, ...when } }));
  }

  /** Enters a batch that was cooked without the page: begun then, each thing done at its own time. */
  async remember(batchId: string, planId: string, startedAtMs: number, all: readonly Dated[]): Promise<Reply<{ id: string }>> {
    const started = await this.start(batchId, planId, startedAtMs);
    if (!started.ok) return started;
    for (const { atMs, action } of all) {
      const stamp = this.device.stamp(0);
      await this.outbox.keep(batchId, { id: newId(), shape: ENTRY_SHAPE, stamp, atMs, who: this.device.who(), action });
    }
    return started;
  }
}
