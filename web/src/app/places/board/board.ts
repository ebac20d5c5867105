import { deepEqual } from 'fast-equals';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { SERVED_MIN, clockMinute, clockOf, usualPeople, type Day, type DayBatch, type Pin } from '@tureen/core/board';
import { dayCalendar } from '@tureen/core/formats';
import { dayClock, dayOf, type Kit } from '@tureen/core/kit';
import { plusDays } from '@tureen/core/stock';
import { NzSelectModule } from 'ng-zorro-antd/select';
import {
  catchError,
  combineLatest,
  concat,
  debounceTime,
  EMPTY,
  filter,
  from,
  map,
  of,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { DayPlanning } from '../../cooking/day-planning';
import type { DayAsk, DayView, SoupOfDay, Started, WayView } from '../../cooking/day-view';
import type { DayAnswer } from '@tureen/server/api';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Days } from '../../services/days';
import { newId } from '../../services/device';
import { Plans } from '../../services/plans';
import { Soups } from '../../services/soups';
import { clockText, Timers } from '../../services/timers';
import { kitchenZone } from '../../services/zone';
import { onKeys } from '../../shell/keys';
import { saveAs } from '../save-as';
import { dateName } from './dates';
import { DayDemand } from './day-demand';
import { DayLanes } from './day-lanes';
import { DayList } from './day-list';
import { DaySoups } from './day-soups';
import { GoingOut } from './going-out';

const TICK_MS = 1000;
/** A day that goes on is laid out anew so often, minutes; the line of now moves by itself. */
const ANEW_MIN = 5;
const KEYSTROKE_MS = 80;
/** What starts by less another time has not moved. */
const MOVED_MIN = 5;
const NUDGE_MIN = 10;
/** Days back that can be copied. */
const COPY_DAYS = 35;

interface Planned {
  readonly view: DayView | undefined;
  readonly ways: readonly WayView[];
}

/** How many things start at another time than they did, and of which soups there were both times. */
export function movedCount(before: DayView | undefined, after: DayView | undefined): number {
  if (before === undefined || after === undefined) return 0;
  const starts = new Map(before.rows.map(({ id, startMin }) => [id, startMin]));
  return after.rows.filter(({ id, startMin }) => {
    const was = starts.get(id);
    return was !== undefined && Math.abs(was - startMin) > MOVED_MIN;
  }).length;
}

/** What is on today, what needs me next, which clock is running out; and the whole day on the real kit. */
@Component({
  selector: 'tt-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayDemand, DayLanes, DayList, DaySoups, FormsModule, GoingOut, NzSelectModule, RouterLink],
  templateUrl: './board.html',
  styleUrl: './board.less',
})
export class Board {
  /** Of which day; without one, today or the next day on which something is planned. */
  readonly date = input<string | undefined>();

  private readonly router = inject(Router);
  private readonly clock = inject(Clock);
  private readonly days = inject(Days);
  private readonly soupsOf = inject(Soups);
  private readonly batches = inject(Batches);
  private readonly plans = inject(Plans);
  private readonly calculating = inject(Cooking);
  private readonly planning = inject(DayPlanning);

  protected readonly clockOf = clockOf;
  protected readonly nowMs = toSignal(timer(0, TICK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly today = computed(() => dayOf(this.nowMs(), kitchenZone()));
  protected readonly nowMin = computed(() => Math.floor(dayClock(kitchenZone(), this.nowMs()).minuteOf(this.nowMs())));

  private readonly kitchen = toSignal(this.planning.stocked$);
  protected readonly kit = computed((): Kit | undefined => this.kitchen()?.kit);
  protected readonly noKitchen = computed(() => this.kitchen() !== undefined && this.kit() === undefined);

  private readonly ahead = toSignal(
    toObservable(this.today).pipe(switchMap((today) => this.days.from$(plusDays(today, -COPY_DAYS)))),
  );
  private readonly withSoups = computed(() => {
    const answer = this.ahead();
    return answer?.ok === true ? answer.value.days.filter(({ soups }) => soups > 0) : undefined;
  });
  protected readonly onDate = computed(() => {
    const asked = this.date();
    if (asked !== undefined && /^\d{4}-\d{2}-\d{2}$/.test(asked)) return asked;
    const days = this.withSoups();
    if (days === undefined) return this.ahead()?.ok === false ? this.today() : undefined;
    return days.find(({ date }) => date >= this.today())?.date ?? this.today();
  });
  protected readonly copyable = computed(() =>
    (this.withSoups() ?? [])
      .filter(({ date }) => date !== this.onDate())
      .reverse()
      .map(({ date, soups, bowls }) => ({
        date,
        name: `${this.nameOf(date)}: ${String(soups)} ${soups === 1 ? 'soup' : 'soups'}, ${String(Math.round(bowls))} bowls`,
      })),
  );

  private readonly answer = toSignal(
    toObservable(this.onDate).pipe(
      filter((date) => date !== undefined),
      switchMap((date) => this.days.day$(date)),
    ),
  );
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  private readonly kept = computed(
    () => {
      const answer = this.answer();
      return answer?.ok === true ? answer.value : undefined;
    },
    { equal: deepEqual },
  );
  /** Changes on their way to the server: until they are there, what it says is older than what stands here. */
  private underWay = 0;
  /** The day as it stands on the screen; what was just changed is ahead of the server for a moment. */
  protected readonly day = linkedSignal<DayAnswer | undefined, Day | undefined>({
    source: this.kept,
    computation: (kept, before) =>
      this.underWay > 0 && before?.value !== undefined && before.value.date === this.onDate()
        ? before.value
        : (kept?.day ?? undefined),
  });
  /** The state of the day that this screen has seen or made last. */
  private seen: { readonly date: string; readonly ms: number | null } = { date: '', ms: null };
  protected readonly isEmpty = computed(() => this.kept() !== undefined && (this.day()?.batches.length ?? 0) === 0);
  protected readonly refused = signal('');

  protected readonly title = computed(() => {
    const date = this.onDate();
    return date === undefined ? 'Board' : this.nameOf(date);
  });
  protected readonly isToday = computed(() => this.onDate() === this.today());
  private readonly isPast = computed(() => {
    const last = Math.max(...(this.day()?.batches.map(({ at }) => clockMinute(at)) ?? [0]));
    const date = this.onDate() ?? '';
    return date < this.today() || (this.isToday() && this.nowMin() > last + SERVED_MIN);
  });
  protected readonly over = computed(() => !this.isEmpty() && this.isPast());

  private readonly wantedSoups = computed(
    () => [...new Set(this.day()?.batches.map(({ soupId, version }) => `${soupId} ${String(version ?? '')}`) ?? [])].sort(),
    { equal: deepEqual },
  );
  private readonly cards = toSignal(
    combineLatest([toObservable(this.wantedSoups), this.soupsOf.shelf$]).pipe(
      switchMap(async ([wanted]): Promise<(SoupOfDay & { readonly newest: number })[]> => {
        const found = await Promise.all(
          wanted.map(async (key) => {
            const [soupId = '', version = ''] = key.split(' ');
            const asked = version === '' ? undefined : Number(version);
            const answer = await this.soupsOf.one(soupId, asked);
            return answer.ok ? [{ soupId, version: asked, soup: answer.value.soup, newest: answer.value.version }] : [];
          }),
        );
        return found.flat();
      }),
    ),
  );

  private readonly startedIds = computed(
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

  private readonly nowAsked = computed(() =>
    this.isToday() && !this.isPast() ? Math.floor(this.nowMin() / ANEW_MIN) * ANEW_MIN : undefined,
  );
  private readonly ask = computed(
    (): DayAsk | undefined => {
      const day = this.day();
      const cards = this.cards();
      if (day === undefined || cards === undefined || day.batches.length === 0) return undefined;
      const soups = cards.map(({ soupId, version, soup }) => ({ soupId, version, soup }));
      const asked = this.nowAsked();
      const now = asked === undefined ? undefined : untracked(() => ({ ms: this.nowMs(), minute: this.nowMin() }));
      return { day, soups, started: this.started(), now };
    },
    { equal: deepEqual },
  );
  private readonly planned = toSignal(
    combineLatest([toObservable(this.ask), this.planning.stocked$]).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(([ask]) => (ask === undefined ? of({ view: undefined, ways: [] }) : this.lookedAt(ask))),
    ),
  );
  protected readonly view = computed(() => (this.day() === undefined ? undefined : this.planned()?.view));
  protected readonly isLayingOut = computed(
    () => !this.isEmpty() && this.day() !== undefined && this.planned()?.view === undefined,
  );
  protected readonly ways = computed(() => this.planned()?.ways ?? []);
  protected readonly moved = signal('');

  protected readonly chosen = signal('');
  protected readonly chosenRows = computed(
    () => this.view()?.rows.filter(({ blockId }) => blockId !== '' && blockId === this.chosen()) ?? [],
  );
  protected readonly chosenPin = computed(() => this.day()?.pins?.find(({ block }) => block === this.chosen()));

  private readonly timers = toSignal(inject(Timers).timers$, { initialValue: [] });
  protected readonly runsOut = computed(() => {
    const [first] = this.timers();
    return first === undefined ? undefined : { ...first, text: clockText(first.endsAtMs, this.nowMs()) };
  });
  protected readonly next = computed(() => {
    const rows = this.view()?.rows ?? [];
    const day = this.day();
    if (day === undefined || this.isPast()) return [];
    return day.people.flatMap(({ id, name }) => {
      const row = rows.find(({ person, isLook }) => person === name && !isLook);
      return row === undefined ? [] : [{ id, name, row }];
    });
  });
  private readonly openAnswer = toSignal(this.batches.open$);
  protected readonly cooking = computed(() => {
    const answer = this.openAnswer();
    return answer?.ok === true ? answer.value.batches.map(({ id }) => id) : [];
  });
  /** Bowls that go out on the day; what goes into the cold is for another. */
  protected readonly bowls = computed(() =>
    Math.round(this.day()?.batches.reduce((sum, { request, keeps }) => sum + (keeps === true ? 0 : request.bowls), 0) ?? 0),
  );
  protected readonly elsewhere = computed(() => {
    const answer = this.openAnswer();
    const own = new Set(this.startedIds().map(({ batchId }) => batchId));
    return answer?.ok === true ? answer.value.batches.filter(({ id }) => !own.has(id)) : [];
  });
  protected readonly summary = computed(() => {
    const view = this.view();
    return view === undefined
      ? ''
      : `${view.soups.map(({ name }) => name).join(', ')}. ${view.main} The list below says the same by the clock.`;
  });

  constructor() {
    onKeys({
      ArrowLeft: () => void this.turn(-1),
      ArrowRight: () => void this.turn(1),
      p: () => {
        this.print();
      },
    });
  }

  protected nameOf(date: string): string {
    return dateName(date, this.today());
  }

  protected async turn(days: number): Promise<void> {
    const date = this.onDate();
    if (date !== undefined) await this.router.navigate(['/board', plusDays(date, days)]);
  }

  /** The list by the clock for a calendar: of everybody, or of one person. */
  protected saveCalendar(): void {
    const date = this.onDate();
    const rows = this.view()?.rows;
    if (date === undefined || rows === undefined || rows.length === 0) return;
    saveAs(`day ${date}.ics`, 'text/calendar', dayCalendar(rows, date, `${this.kit()?.kitchen ?? ''} ${date}`.trim()));
  }

  protected print(): void {
    globalThis.print();
  }

  /** A batch of the day as it stands at the stove: what is done, what runs, and for how long. */
  private startedOf(id: string, batchId: string): Observable<Started | undefined> {
    return this.batches.batch$(batchId).pipe(
      switchMap(async (answer): Promise<Started | undefined> => {
        if (!answer.ok) return undefined;
        const { snapshot, entries, batch } = answer.value;
        const view = await this.calculating.batch(batchId, snapshot, entries);
        const done = view.steps.flatMap(({ stepId, status }) => (status === 'done' || status === 'skipped' ? [stepId] : []));
        const running = view.steps.flatMap(({ stepId, status, startedAtMs, minutes }) =>
          status === 'now' && startedAtMs !== undefined ? [{ stepId, startedAtMs, minutes }] : [],
        );
        return { id, snapshot, done, running, isOver: batch.closedAtMs !== null };
      }),
    );
  }

  /** First what can be told at once, then what a longer look finds, then the ways out where it is late. */
  private lookedAt(ask: DayAsk): Observable<Planned> {
    const before = this.planned()?.view;
    const thread = this.planning.ask;
    let last: DayView | undefined;
    const first$ = from(thread.first(ask)).pipe(
      map((view): Planned => {
        last = view;
        return { view, ways: [] };
      }),
    );
    const better$ = from(of(undefined)).pipe(
      switchMap(() => thread.better()),
      switchMap(async (view): Promise<Planned> => {
        last = view ?? last;
        this.tellMoved(before, last);
        return { view: last, ways: last?.isLate === true ? await thread.ways() : [] };
      }),
    );
    return concat(first$, better$).pipe(catchError(() => EMPTY));
  }

  /** Whether somebody changed the day here since it was last laid out. */
  private hasChanged = false;

  private tellMoved(before: DayView | undefined, after: DayView | undefined): void {
    if (before === undefined || after === undefined) return;
    const count = movedCount(before, after);
    if (count === 0 && !this.hasChanged) return;
    this.hasChanged = false;
    const what =
      count === 0
        ? 'nothing else moved'
        : count === 1
          ? 'one thing starts at another time'
          : `${String(count)} things start at another time`;
    this.moved.set(`Laid out anew: ${what}. ${after.main}`);
  }

  /** Keeps the day as it now is, for every screen. */
  protected async change(day: Day): Promise<boolean> {
    this.underWay += 1;
    this.hasChanged = true;
    this.day.set(day);
    this.refused.set('');
    return this.keep(day);
  }

  private keeping: Promise<unknown> = Promise.resolve();

  /** The newer of what the server said last and what it said to this screen's own last change. */
  private seenOf(date: string): number | null {
    const told = this.kept()?.changedAtMs ?? null;
    const own = this.seen.date === date ? this.seen.ms : null;
    return told === null || own === null ? (told ?? own) : Math.max(told, own);
  }

  private keep(day: Day): Promise<boolean> {
    // One after the other: each has to have seen what the one before came to.
    const done = this.keeping.then(async () => {
      const answer = await this.days.save(day, this.seenOf(day.date));
      this.underWay -= 1;
      if (answer.ok) {
        this.seen = { date: day.date, ms: answer.value.changedAtMs };
        return true;
      }
      this.refused.set(answer.refusal.sentence);
      if (this.underWay === 0) await this.asItIs(day.date);
      return false;
    });
    this.keeping = done;
    return done;
  }

  /** What was refused is not shown as if it were so. */
  private async asItIs(date: string): Promise<void> {
    const answer = await this.days.once(date);
    if (!answer.ok || this.onDate() !== date) return;
    this.seen = { date, ms: answer.value.changedAtMs };
    this.day.set(answer.value.day ?? undefined);
  }

  protected async begin(): Promise<void> {
    const date = this.onDate();
    const kit = this.kit();
    if (date === undefined || kit === undefined) return;
    await this.change({ date, starts: '07:00', ends: '15:00', people: usualPeople(kit), batches: [] });
  }

  /** Another day's soups, people and times, none of its batches. */
  protected async copy(of: string | null): Promise<void> {
    const date = this.onDate();
    if (of === null || date === undefined) return;
    const answer = await this.days.once(of);
    if (!answer.ok) this.refused.set(answer.refusal.sentence);
    else if (answer.value.day !== null) {
      const { day } = answer.value;
      const batches = day.batches.map((batch) => ({ ...batch, batchId: undefined }));
      await this.change({ ...day, date, batches, pins: undefined });
    }
  }

  protected async start(batch: DayBatch): Promise<void> {
    const day = this.day();
    const card = this.cards()?.find(({ soupId, version }) => soupId === batch.soupId && version === batch.version);
    const potId = this.view()?.soups.find(({ id }) => id === batch.id)?.potId;
    if (day === undefined || card === undefined || potId === undefined || potId === '') return;
    const planId = newId();
    const kept = await this.plans.keep({
      id: planId,
      soupId: batch.soupId,
      version: card.newest,
      request: { ...batch.request, potId },
    });
    const started = kept.ok ? await this.batches.start(newId(), planId) : kept;
    if (!started.ok) {
      this.refused.set(started.refusal.sentence);
      return;
    }
    const batchId = started.value.id;
    const isKept = await this.change({
      ...day,
      batches: day.batches.map((one) => (one.id === batch.id ? { ...one, batchId } : one)),
    });
    if (isKept) await this.router.navigate(['/stove', batchId]);
  }

  protected async take(way: WayView): Promise<void> {
    const day = this.day();
    const { change } = way;
    if (day === undefined || change === undefined) return;
    const { starts, batchId, bowls } = change;
    await this.change({
      ...day,
      ...(starts === undefined ? {} : { starts }),
      batches: day.batches.map((batch) =>
        batch.id === batchId && bowls !== undefined ? { ...batch, request: { ...batch.request, bowls } } : batch,
      ),
    });
  }

  protected choose(blockId: string): void {
    this.chosen.update((have) => (have === blockId ? '' : blockId));
  }

  private async pin(change: Partial<Pin> | undefined): Promise<void> {
    const day = this.day();
    const block = this.chosen();
    if (day === undefined || block === '') return;
    const others = day.pins?.filter((one) => one.block !== block) ?? [];
    const own = change === undefined ? [] : [{ ...this.chosenPin(), block, ...change }];
    await this.change({ ...day, pins: [...others, ...own] });
  }

  protected async nudge(minutes: number): Promise<void> {
    const [first] = this.chosenRows();
    if (first !== undefined) await this.pin({ at: clockOf(first.startMin + minutes * NUDGE_MIN) });
  }

  protected async give(person: string): Promise<void> {
    await this.pin({ person });
  }

  protected async free(): Promise<void> {
    await this.pin(undefined);
  }
}
