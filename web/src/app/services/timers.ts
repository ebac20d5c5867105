import { inject, Injectable } from '@angular/core';
import { timersAfter, type BatchTimer } from '@tureen/core/batch';
import type { OpenTimer } from '@tureen/server/api';
import { auditTime, combineLatest, filter, map, merge, pairwise, scan, shareReplay, startWith, type Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { Batches } from './batches';
import { BURST_MS, reasonsToAsk, refetched } from './refetch';
import { isOfBatch, Outbox, type UnsentEntry } from './outbox';

/** A timer with the batch that it belongs to. */
export interface KitchenTimer extends BatchTimer {
  readonly batchId: string;
  readonly soupName: string;
}

/** Actions that start, move or end a timer. */
const MOVES: ReadonlySet<string> = new Set(['timed', 'longer', 'silenced', 'done', 'skipped', 'undone', 'closed']);

/** What the server knows, with what this browser has entered and not sent yet. */
function withUnsent(
  known: readonly OpenTimer[],
  unsent: readonly UnsentEntry[],
  names: ReadonlyMap<string, string>,
): KitchenTimer[] {
  const ids = new Set([...known, ...unsent].map(({ batchId }) => batchId));
  return [...ids].flatMap((batchId) => {
    const own = known.filter((one) => one.batchId === batchId).map(({ timer }) => timer);
    const since = unsent.filter((one) => one.batchId === batchId).map(({ entry }) => entry);
    return timersAfter(own, since).map((timer) => ({
      ...timer,
      batchId,
      soupName: known.find((one) => one.batchId === batchId)?.soupName ?? names.get(batchId) ?? 'a batch',
    }));
  });
}

/** Every timer that runs in the kitchen, of every batch that is being cooked, whatever screen is looked at. */
@Injectable({ providedIn: 'root' })
export class Timers {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  private readonly outbox = inject(Outbox);

  private readonly known$: Observable<readonly OpenTimer[]> = refetched(
    merge(
      reasonsToAsk(
        this.live,
        (change) =>
          change.kind === 'batch' || (change.kind === 'entries' && change.entries.some(({ action }) => MOVES.has(action.kind))),
      ),
      // What has just been sent from here is the server's now, whether or not its stream says so.
      this.outbox.count$.pipe(
        pairwise(),
        filter(([before, now]) => now < before),
        auditTime(BURST_MS),
      ),
    ),
    () => request<{ timers: OpenTimer[] }>(() => this.api.client.timers.$get()),
  ).pipe(
    // Without a server what was known last still rings.
    scan((have: readonly OpenTimer[], answer: Reply<{ timers: OpenTimer[] }>) => (answer.ok ? answer.value.timers : have), []),
  );

  readonly timers$: Observable<readonly KitchenTimer[]> = combineLatest([
    this.known$.pipe(startWith([])),
    this.outbox.unsent$,
    inject(Batches).open$.pipe(startWith(undefined)),
  ]).pipe(
    map(([known, unsent, open]) =>
      withUnsent(
        known,
        unsent.filter(isOfBatch),
        new Map(open?.ok === true ? open.value.batches.map(({ id, soupName }) => [id, soupName]) : []),
      )
        .filter(({ silenced }) => !silenced)
        .sort((a, b) => a.endsAtMs - b.endsAtMs),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
}

/** Minutes and seconds left, or over with a plus before it. */
export function clockText(endsAtMs: number, nowMs: number): string {
  const seconds = Math.round(Math.abs(endsAtMs - nowMs) / 1000);
  const sign = endsAtMs < nowMs ? '+' : '';
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor(seconds / 60) % 60;
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${sign}${hours > 0 ? `${String(hours)}:${two(minutes)}` : String(minutes)}:${two(seconds % 60)}`;
}
