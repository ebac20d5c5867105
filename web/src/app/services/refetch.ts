import { auditTime, filter, map, merge, race, shareReplay, skip, startWith, switchMap, take, timer, type Observable } from 'rxjs';
import type { Change } from '@tureen/server/api';
import type { Live } from './live';

/** What changes in one burst is one reason to ask again. */
export const BURST_MS = 80;
/** So long a list waits for the stream of changes before it is asked for without it. */
export const STREAM_MS = 200;

/**
 * Reasons to ask the server: the first as soon as the stream of changes is open, so that nothing is missed behind the answer
 * and nothing is asked twice, or a moment later where it is not; then every change that matters, and a stream that opens
 * after that, since something may have been missed.
 */
export function reasonsToAsk(live: Pick<Live, 'change$' | 'open$'>, matters: (change: Change) => boolean): Observable<unknown> {
  const opened$ = live.open$.pipe(filter((open) => open));
  const first$ = race(opened$.pipe(map(() => true)), timer(STREAM_MS).pipe(map(() => false))).pipe(take(1));
  const begun$ = first$.pipe(switchMap((isOpen) => opened$.pipe(skip(isOpen ? 1 : 0), startWith(undefined))));
  return merge(begun$, live.change$.pipe(filter(matters), auditTime(BURST_MS)));
}

/**
 * What the server says, asked for at every reason, shared by all who listen.
 *
 * @param isKept whether the last answer is kept while nobody listens.
 */
export function refetched<T>(reasons$: Observable<unknown>, ask: () => Promise<T>, isKept = false): Observable<T> {
  return reasons$.pipe(switchMap(ask), shareReplay({ bufferSize: 1, refCount: !isKept }));
}
