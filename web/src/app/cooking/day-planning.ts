import { wrap } from 'comlink';
import { inject, Injectable, InjectionToken } from '@angular/core';
import type { DayPlan } from '@tureen/core/board';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { combineLatest, shareReplay, switchMap } from 'rxjs';
import { Kitchen } from '../services/kitchen';
import type { Buying, ShoppingRow, Supply } from '@tureen/core/shop';
import type { UseUpAsk, UseUpView } from './use-up-view';
import type { DayAsk, DayPlanner, DayView, MenuSoup, ProofAsk, ShopDay, WayView } from './day-view';
import type { ProofThread } from './proof.worker';

/** What lays days out: a thread in the application, something else in a test. */
export interface DayThread {
  stock(rows: readonly IngredientRow[], kit: Kit | undefined): Promise<void>;
  first(ask: DayAsk): Promise<DayView | undefined>;
  better(): Promise<DayView | undefined>;
  open(): Promise<ProofAsk | undefined>;
  take(plan: DayPlan): Promise<DayView | undefined>;
  ways(): Promise<WayView[]>;
  menu(day: ShopDay): Promise<MenuSoup[]>;
  useUp(ask: UseUpAsk): Promise<UseUpView>;
  shop(days: readonly ShopDay[], supplies: readonly Supply[], buying: readonly Buying[]): Promise<ShoppingRow[]>;
}

export const DAY_THREAD = new InjectionToken<() => DayThread>('DAY_THREAD', {
  providedIn: 'root',
  factory: () => () => wrap<DayPlanner>(new Worker(new URL('./day.worker', import.meta.url), { type: 'module' })),
});

/** Proves one day; `stop` ends it before it has. */
export interface Proof {
  readonly plan: Promise<DayPlan>;
  readonly stop: () => void;
}

export const PROOF = new InjectionToken<(ask: ProofAsk) => Proof>('PROOF', {
  providedIn: 'root',
  factory: () => (ask) => {
    const worker = new Worker(new URL('./proof.worker', import.meta.url), { type: 'module' });
    return {
      plan: wrap<ProofThread>(worker).prove(ask),
      stop: () => {
        worker.terminate();
      },
    };
  },
});

/** The thread, made when it is first asked, and told of the kitchen whenever that changes. */
@Injectable({ providedIn: 'root' })
export class DayPlanning {
  private readonly make = inject(DAY_THREAD);
  readonly prove = inject(PROOF);
  private thread: DayThread | undefined;

  get ask(): DayThread {
    this.thread ??= this.make();
    return this.thread;
  }

  /** The kitchen as the thread knows it: every value comes after the thread has been told. */
  readonly stocked$ = combineLatest([inject(Kitchen).kitchen$, inject(Kitchen).rows$]).pipe(
    switchMap(async ([answer, rows]) => {
      const kit = answer.ok ? (answer.value.kit ?? undefined) : undefined;
      await this.ask.stock(rows, kit);
      return { kit, rows };
    }),
    shareReplay({ bufferSize: 1, refCount: false }),
  );
}
