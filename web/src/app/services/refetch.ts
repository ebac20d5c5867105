import { auditTime, filter, merge, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import type { Change } from '@tureen/server/api';
import type { Live } from './live';

/** What changes in one burst is one reason to ask again. */
export const BURST_MS = 80;

/** Reasons to ask the server again: a change that matters, and a stream that opens, after which something may have been missed. */
export function reasonsToAsk(live: Live, matters: (change: Change) => boolean): Observable<unknown> {
  return merge(live.change$.pipe(filter(matters), auditTime(BURST_MS)), live.open$.pipe(filter((open) => open)));
}

/**
 * What the server says, asked for at once and again for every reason, shared by all who listen.
 *
 * @param isKept whether the last answer is kept while nobody listens.
 */
export function refetched<T>(reasons$: Observable<unknown>, ask: () => Promise<T>, isKept = false): Observable<T> {
  return reasons$.pipe(startWith(undefined), switchMap(ask), shareReplay({ bufferSize: 1, refCount: !isKept }));
}
