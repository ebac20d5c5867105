import { inject, Injectable } from '@angular/core';
import { historyOf, timersOf, type BatchTimer } from '@tureen/core/batch';
import { combineLatest, distinctUntilChanged, map, of, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import { Batches } from './batches';

/** A timer with the batch that it belongs to. */
export interface KitchenTimer extends BatchTimer {
  readonly batchId: string;
  readonly soupName: string;
}

/** Every timer that runs in the kitchen, of every batch that is being cooked, whatever screen is looked at. */
@Injectable({ providedIn: 'root' })
export class Timers {
  private readonly batches = inject(Batches);

  readonly timers$: Observable<readonly KitchenTimer[]> = this.batches.batches$.pipe(
    map((answer) => (answer.ok ? answer.value.batches.filter(({ closedAtMs }) => closedAtMs === null) : [])),
    distinctUntilChanged((a, b) => a.map(({ id }) => id).join() === b.map(({ id }) => id).join()),
    switchMap((open) =>
      open.length === 0
        ? of([])
        : combineLatest(
            open.map(({ id, soupName }) =>
              this.batches.batch$(id).pipe(
                map((answer) =>
                  answer.ok ? timersOf(historyOf(answer.value.entries)).map((timer) => ({ ...timer, batchId: id, soupName })) : [],
                ),
                startWith<KitchenTimer[]>([]),
              ),
            ),
          ).pipe(
            map((lists) =>
              lists
                .flat()
                .filter(({ silenced }) => !silenced)
                .sort((a, b) => a.endsAtMs - b.endsAtMs),
            ),
          ),
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
