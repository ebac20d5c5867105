import { deepEqual } from 'fast-equals';
import { computed, inject, untracked, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { SERVED_MIN, clockMinute } from '@tureen/core/board';
import { dayClock, dayOf } from '@tureen/core/kit';
import { keptBowls } from '@tureen/core/stock';
import { combineLatest, map, of, switchMap, timer, type Observable } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import type { DayAsk, Started } from '../../cooking/day-view';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Soups } from '../../services/soups';
import { kitchenZone } from '../../services/zone';
import { coldToday } from '../cold-today';
import { KeptDay } from './kept-day';
import { LaidOut } from './laid-out';

const TICK_MS = 1000;
/** A day that goes on is laid out anew so often, minutes; the line of now moves by itself. */
const ANEW_MIN = 5;

/** The kitchen's clock, by the second. To be made where things are injected. */
export class KitchenClock {
  private readonly clock = inject(Clock);
  readonly nowMs = toSignal(timer(0, TICK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  readonly today = computed(() => dayOf(this.nowMs(), kitchenZone()));
  readonly nowMin = computed(() => Math.floor(dayClock(kitchenZone(), this.nowMs()).minuteOf(this.nowMs())));
}

/**
 * The day of a date with its cards and what has been started of it, laid out by the clock. To be made where things are
 * injected.
 */
export class DayAtWork {
  private readonly soupsOf = inject(Soups);
  private readonly batches = inject(Batches);
  private readonly calculating = inject(Cooking);

  readonly kept: KeptDay;
  readonly day: KeptDay['value'];
  readonly laidOut: LaidOut;
  readonly isToday = computed(() => this.date() === this.clock.today());
  readonly isPast = computed(() => {
    const last = Math.max(...(this.day()?.batches.map(({ at }) => clockMinute(at)) ?? [0]));
    const date = this.date() ?? '';
    return date < this.clock.today() || (this.isToday() && this.clock.nowMin() > last + SERVED_MIN);
  });

  private readonly wantedSoups = computed(() => this.day()?.batches.map(({ soupId, version }) => ({ soupId, version })) ?? [], {
    equal: deepEqual,
  });
  readonly cards = toSignal(
    combineLatest([toObservable(this.wantedSoups), this.soupsOf.shelf$]).pipe(
      switchMap(([wanted]) => this.soupsOf.cardsOf(wanted)),
    ),
  );

  readonly startedIds = computed(
    () => this.day()?.batches.flatMap(({ id, batchId }) => (batchId === undefined ? [] : [{ id, batchId }])) ?? [],
    { equal: deepEqual },
  );
  private readonly started = toSignal(
    toObservable(this.startedIds).pipe(
      switchMap((ids) => (ids.length === 0 ? of([]) : combineLatest(ids.map(({ id, batchId }) => this.startedOf(id, batchId))))),
      map((all) => all.filter((one) => one !== undefined)),
    ),
    { initialValue: [] as Started[] },
  );

  private readonly cold = coldToday();
  /** What stands in the cold of the soups of which kept bowls are brought back, soonest day first. */
  private readonly broughtBack = computed(
    () => {
      const day = this.day();
      return (day?.batches ?? []).flatMap(({ id, soupId, request: { broughtBack, bowlG } }) => {
        if (day === undefined || broughtBack === undefined) return [];
        const [first] = keptBowls(this.cold.containers() ?? [], soupId, bowlG, day.date).ready;
        return first === undefined ? [] : [{ id, contents: first.container.contents }];
      });
    },
    { equal: deepEqual },
  );

  private readonly nowAsked = computed(() =>
    this.isToday() && !this.isPast() ? Math.floor(this.clock.nowMin() / ANEW_MIN) * ANEW_MIN : undefined,
  );
  private readonly ask = computed(
    (): DayAsk | undefined => {
      const day = this.day();
      const cards = this.cards();
      if (day === undefined || cards === undefined || day.batches.length === 0) return undefined;
      const soups = cards.map(({ soupId, version, soup }) => ({ soupId, version, soup }));
      const asked = this.nowAsked();
      const now = asked === undefined ? undefined : untracked(() => ({ ms: this.clock.nowMs(), minute: this.clock.nowMin() }));
      return { day, soups, started: this.started(), kept: this.broughtBack(), now };
    },
    { equal: deepEqual },
  );
  constructor(
    private readonly date: Signal<string | undefined>,
    private readonly clock: KitchenClock,
  ) {
    this.kept = new KeptDay(date);
    this.day = this.kept.value;
    this.laidOut = new LaidOut(this.ask);
  }

  /** A batch of the day as it stands at the stove: what is done, what runs, and for how long. */
  private startedOf(id: string, batchId: string): Observable<Started | undefined> {
    return this.batches.batch$(batchId).pipe(
      switchMap(async (answer): Promise<Started | undefined> => {
        if (!answer.ok) return undefined;
        const { snapshot, batch } = answer.value;
        const view = await this.calculating.batch(answer.value);
        const done = view.steps.flatMap(({ stepId, status }) => (status === 'done' || status === 'skipped' ? [stepId] : []));
        const running = view.steps.flatMap(({ stepId, status, startedAtMs, minutes }) =>
          status === 'now' && startedAtMs !== undefined ? [{ stepId, startedAtMs, minutes }] : [],
        );
        return { id, snapshot, done, running, isOver: batch.closedAtMs !== null };
      }),
    );
  }
}
