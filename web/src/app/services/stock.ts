import { inject, Injectable } from '@angular/core';
import { dayOf } from '@tureen/core/kit';
import {
  STOCK_SHAPE,
  foldStock,
  keepingOf,
  tiesOf,
  type Container,
  type StockAction,
  type StockEntry,
  type StockNotice,
  type StockRules,
} from '@tureen/core/stock';
import type { ColdAnswer, ColdLog, KnownContainer, Leftover } from '@tureen/server/api';
import { combineLatest, map, shareReplay, type Observable } from 'rxjs';
import { Api, request, type Reply } from './api';
import { Clock } from './clock';
import { Device, newId } from './device';
import { Kitchen } from './kitchen';
import { Live } from './live';
import { isOfBatch, Outbox } from './outbox';
import { reasonsToAsk, refetched } from './refetch';

/** What stands in the cold as far as it is known here: what the server has and what it has not yet. */
export interface ColdView {
  readonly leftovers: readonly Leftover[];
  /** Containers with something in them, soonest day first. */
  readonly containers: readonly Container[];
  /** Those too that were emptied here and that the server does not know as empty yet. */
  readonly all: ReadonlyMap<string, Container>;
  /** Containers of which something has not been sent yet. */
  readonly unsent: ReadonlySet<string>;
  /** What could not be booked of what has not been sent yet. */
  readonly notices: readonly StockNotice[];
}

/** What a list of the server, and entries that it does not have yet, come to. */
export function coldView(answer: ColdAnswer, own: readonly StockEntry[], rules: StockRules): ColdView {
  const base = new Map<string, Container>();
  for (const { contentsAt, ...container } of answer.containers) {
    const contents = answer.contents[contentsAt];
    if (contents !== undefined) base.set(container.id, { ...container, contents });
  }
  const known = new Set(answer.recent);
  const fresh = own.filter(({ id }) => !known.has(id));
  const { containers, notices, undone } = foldStock(fresh, rules, base);
  const filledKg = new Map<string, number>();
  for (const { id, action } of fresh) {
    if (action.kind !== 'filled' || action.from?.entryId === undefined || undone.has(id)) continue;
    filledKg.set(action.from.entryId, (filledKg.get(action.from.entryId) ?? 0) + action.kg - (action.addedKg ?? 0));
  }
  return {
    leftovers: answer.stored.map((one) => ({ ...one, filledKg: one.filledKg + (filledKg.get(one.entryId) ?? 0) })),
    containers: [...containers.values()]
      .filter(({ state }) => state !== 'gone')
      .sort((a, b) => (a.useBy.day === b.useBy.day ? a.madeMs - b.madeMs : a.useBy.day < b.useBy.day ? -1 : 1)),
    all: containers,
    unsent: new Set(fresh.flatMap(tiesOf)),
    notices,
  };
}

/** Containers: what stands in the cold, and what a cook does with it. Entries are kept in the browser until the server has them. */
@Injectable({ providedIn: 'root' })
export class Stock {
  private readonly api = inject(Api);
  private readonly live = inject(Live);
  private readonly outbox = inject(Outbox);
  private readonly device = inject(Device);
  private readonly clock = inject(Clock);
  private readonly kitchen = inject(Kitchen);
  /** What was entered here: shown until the server's own list has it. */
  private readonly mine = new Map<string, StockEntry>();
  private counter = 0;

  private readonly list$: Observable<Reply<ColdAnswer>> = refetched(
    reasonsToAsk(this.live, ({ kind }) => kind === 'cold'),
    async () => {
      const answer = await request<ColdAnswer>(() => this.api.client.cold.$get());
      if (answer.ok) {
        this.counter = Math.max(this.counter, answer.value.counter);
        for (const id of answer.value.recent) this.mine.delete(id);
      }
      return answer;
    },
    true,
  );

  private readonly rules$: Observable<StockRules> = this.kitchen.kitchen$.pipe(
    map((answer) => {
      const kit = answer.ok ? answer.value.kit : null;
      return { keeping: keepingOf(kit?.keeps), dayOf: (ms: number) => dayOf(ms, kit?.zone) };
    }),
  );

  readonly cold$: Observable<Reply<ColdView>> = combineLatest([this.list$, this.outbox.unsent$, this.rules$]).pipe(
    map(([answer, unsent, rules]): Reply<ColdView> => {
      for (const one of unsent) {
        if (isOfBatch(one)) continue;
        // What the server will not have is shown as refused, not as if it had happened.
        if (one.refusal === undefined) this.mine.set(one.id, one.entry);
        else this.mine.delete(one.id);
      }
      return answer.ok ? { ok: true, value: coldView(answer.value, [...this.mine.values()], rules) } : answer;
    }),
    // Kept while nobody looks: thousands of containers are not reckoned anew each time the place is opened.
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  /** A container with all that the server has on record of it, asked again when something in the cold changes. */
  container$(id: string): Observable<Reply<KnownContainer>> {
    return refetched(
      reasonsToAsk(this.live, ({ kind }) => kind === 'cold'),
      () => request<KnownContainer>(() => this.api.client.cold[':id'].$get({ param: { id } })),
    );
  }

  /** The log of a day of the calendar, asked again when something in the cold changes. */
  log$(day: string): Observable<Reply<ColdLog>> {
    return refetched(
      reasonsToAsk(this.live, ({ kind }) => kind === 'cold'),
      () => request<ColdLog>(() => this.api.client.cold.log.$get({ query: { day } })),
    );
  }

  /** Enters what was done, in this order. It is kept in the browser first and counts at once. */
  async enter(...actions: readonly StockAction[]): Promise<void> {
    await Promise.all(actions.map((action) => this.enterAs(newId(), action)));
  }

  /** As `enter`, under an id that is known before: something else may name it. */
  enterAs(id: string, action: StockAction): Promise<void> {
    const stamp = this.device.stamp(this.counter);
    this.counter = stamp.counter;
    return this.outbox.keepStock({
      of: 'stock',
      id,
      shape: STOCK_SHAPE,
      stamp,
      atMs: this.clock.now(),
      who: this.device.who(),
      action,
    });
  }
}
