import { inject, Injectable } from '@angular/core';
import type { Day, MenuCycle } from '@tureen/core/board';
import type { DayAnswer, DayInList, MenuAnswer } from '@tureen/server/api';
import type { Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Live } from './live';
import { reasonsToAsk, refetched } from './refetch';

/** Days of the Board, as every screen sees them. */
@Injectable({ providedIn: 'root' })
export class Days {
  private readonly api = inject(Api);
  private readonly live = inject(Live);

  /** One day, asked again whenever it changes anywhere. */
  day$(date: string): Observable<Reply<DayAnswer>> {
    return refetched(
      reasonsToAsk(this.live, (change) => change.kind === 'day' && change.date === date),
      () => this.once(date),
    );
  }

  /** One day as it is now. */
  once(date: string): Promise<Reply<DayAnswer>> {
    return request(() => this.api.client.days[':date'].$get({ param: { date } }));
  }

  /** Days from a date on that have something planned. */
  from$(date: string): Observable<Reply<{ days: DayInList[] }>> {
    return refetched(
      reasonsToAsk(this.live, ({ kind }) => kind === 'day'),
      () => request<{ days: DayInList[] }>(() => this.api.client.days.$get({ query: { from: date } })),
    );
  }

  /** The menu of weeks, asked again whenever it changes anywhere. */
  readonly menu$: Observable<Reply<MenuAnswer>> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'menu'),
    () => this.menu(),
  );

  /** The menu of weeks as it is now. */
  menu(): Promise<Reply<MenuAnswer>> {
    return request(() => this.api.client.menu.$get());
  }

  /** Keeps the menu of weeks; whoever saw an older state of it is told. */
  saveMenu(cycle: MenuCycle, seenMs: number | null): Promise<Reply<MenuAnswer>> {
    return request(() => this.api.client.menu.$put({ json: { cycle, seenMs } }));
  }

  /** Keeps a day; whoever saw an older state of it is told. */
  save(day: Day, seenMs: number | null): Promise<Reply<DayAnswer>> {
    return request(() => this.api.client.days[':date'].$put({ param: { date: day.date }, json: { day, seenMs } }));
  }
}
