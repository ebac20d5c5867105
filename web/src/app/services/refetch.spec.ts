import { BehaviorSubject, Subject, firstValueFrom, take, timer, toArray } from 'rxjs';
import type { Change } from '@tureen/server/api';
import { BURST_MS, STREAM_MS, reasonsToAsk, refetched } from './refetch';

describe('asking the server', () => {
  let open$: BehaviorSubject<boolean>;
  let change$: Subject<Change>;
  let asked: number;

  const list$ = (isKept = false) =>
    refetched(
      reasonsToAsk({ open$, change$ }, ({ kind }) => kind === 'cold'),
      () => Promise.resolve((asked += 1)),
      isKept,
    );
  const wait = (ms: number): Promise<unknown> => firstValueFrom(timer(ms));

  beforeEach(() => {
    open$ = new BehaviorSubject(false);
    change$ = new Subject();
    asked = 0;
  });

  it('asks once where the stream opens in time, and not again for that', async () => {
    const seen = list$().subscribe();
    expect(asked).toBe(0);
    open$.next(true);
    await wait(STREAM_MS * 2);
    expect(asked).toBe(1);
    seen.unsubscribe();
  });

  it('asks at once where the stream is open already', async () => {
    open$.next(true);
    expect(await firstValueFrom(list$())).toBe(1);
  });

  it('asks without a stream after a moment, and again when it opens, since something may have been missed', async () => {
    const answers = firstValueFrom(list$().pipe(take(2), toArray()));
    await wait(STREAM_MS * 1.5);
    expect(asked).toBe(1);
    open$.next(true);
    expect(await answers).toEqual([1, 2]);
  });

  it('asks again for a stream that comes back and for changes that matter, a burst of them once', async () => {
    open$.next(true);
    const seen = list$().subscribe();
    open$.next(false);
    open$.next(true);
    expect(asked).toBe(2);
    change$.next({ kind: 'cold' });
    change$.next({ kind: 'cold' });
    await wait(BURST_MS * 2);
    expect(asked).toBe(3);
    seen.unsubscribe();
  });
});
