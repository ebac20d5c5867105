import { computed, inject, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, combineLatest, concat, debounceTime, defer, EMPTY, from, map, Observable, of, switchMap } from 'rxjs';
import type { DayPlan } from '@tureen/core/board';
import { DayPlanning } from '../../cooking/day-planning';
import type { DayAsk, DayView, ProofAsk, WayView } from '../../cooking/day-view';

const KEYSTROKE_MS = 80;
/** What starts by less another time has not moved, minutes. */
const MOVED_MIN = 5;

interface Found {
  readonly view: DayView | undefined;
  readonly ways: readonly WayView[];
  readonly isBroken?: boolean;
}

const NOTHING: Found = { view: undefined, ways: [] };

/** How many things start at another time than they did, of those that there were both times. */
export function movedCount(before: DayView | undefined, after: DayView | undefined): number {
  if (before === undefined || after === undefined) return 0;
  const starts = new Map(before.rows.map(({ id, startMin }) => [id, startMin]));
  return after.rows.filter(({ id, startMin }) => {
    const was = starts.get(id);
    return was !== undefined && Math.abs(was - startMin) > MOVED_MIN;
  }).length;
}

function movedWords(count: number): string {
  if (count === 0) return 'nothing else moved';
  return count === 1 ? 'one thing starts at another time' : `${String(count)} things start at another time`;
}

/** A day as the thread lays it out: at once, then after a longer look, then what would help. To be made where things are injected. */
export class LaidOut {
  private readonly planning = inject(DayPlanning);
  private readonly found: Signal<Found | undefined>;
  /** Whether somebody changed the day here since it was last laid out. */
  private isChanged = false;

  readonly view = computed(() => this.found()?.view);
  readonly ways = computed(() => this.found()?.ways ?? []);
  readonly isBroken = computed(() => this.found()?.isBroken === true);
  /** What moved when it was last laid out anew, in a sentence. */
  readonly moved = signal('');

  constructor(ask: Signal<DayAsk | undefined>) {
    this.found = toSignal(
      combineLatest([toObservable(ask), this.planning.stocked$]).pipe(
        debounceTime(KEYSTROKE_MS),
        switchMap(([asked]) => (asked === undefined ? of(NOTHING) : this.lookedAt(asked))),
      ),
    );
  }

  /** The next time it is laid out it is said what moved, also where that is nothing. */
  expectMoves(): void {
    this.isChanged = true;
  }

  private lookedAt(ask: DayAsk): Observable<Found> {
    const before = this.view();
    const thread = this.planning.ask;
    let last: DayView | undefined;
    const first$ = from(thread.first(ask)).pipe(
      map((view): Found => {
        last = view;
        return { view, ways: [] };
      }),
    );
    const better$ = defer(() => thread.better()).pipe(
      switchMap(async (view): Promise<Found> => {
        last = view ?? last;
        this.tellMoved(before, last);
        return { view: last, ways: last?.isLate === true ? await thread.ways() : [] };
      }),
    );
    const proved$ = defer(() => thread.open()).pipe(
      switchMap((open) => (open === undefined ? EMPTY : this.proved(open))),
      switchMap(async (plan): Promise<Found> => {
        last = (await thread.take(plan)) ?? last;
        return { view: last, ways: last?.isLate === true ? await thread.ways() : [] };
      }),
      // A day whose proof fails is as it was laid out.
      catchError(() => EMPTY),
    );
    return concat(first$, better$, proved$).pipe(catchError(() => of({ ...NOTHING, view: last, isBroken: true })));
  }

  /** A proof in a thread of its own, which ends with whoever waits for it. */
  private proved(open: ProofAsk): Observable<DayPlan> {
    return new Observable((told) => {
      const proof = this.planning.prove(open);
      proof.plan.then(
        (plan) => {
          told.next(plan);
          told.complete();
        },
        (error: unknown) => {
          told.error(error);
        },
      );
      return proof.stop;
    });
  }

  private tellMoved(before: DayView | undefined, after: DayView | undefined): void {
    if (before === undefined || after === undefined) return;
    const count = movedCount(before, after);
    if (count === 0 && !this.isChanged) return;
    this.isChanged = false;
    this.moved.set(`Laid out anew: ${movedWords(count)}. ${after.main}`);
  }
}
