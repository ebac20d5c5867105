import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import {
  bowlsWanted,
  clockOf,
  dayByMenu,
  emptyDay,
  menuOn,
  withoutKept,
  type Day,
  type DayBatch,
  type MenuCycle,
  type Pin,
} from '@tureen/core/board';
import { dayCalendar } from '@tureen/core/formats';
import type { Kit } from '@tureen/core/kit';
import { plusDays } from '@tureen/core/stock';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap } from 'rxjs';
import { DayPlanning } from '../../cooking/day-planning';
import type { WayView } from '../../cooking/day-view';
import { Batches } from '../../services/batches';
import { Days } from '../../services/days';
import { newId } from '../../services/device';
import { Plans } from '../../services/plans';
import { Soups } from '../../services/soups';
import { Stock } from '../../services/stock';
import { clockText, Timers } from '../../services/timers';
import { onKeys } from '../../shell/keys';
import { saveAs } from '../save-as';
import { Cools } from './cools';
import { dateName } from './dates';
import { DayDemand } from './day-demand';
import { DayLanes, type Moved } from './day-lanes';
import { DayList } from './day-list';
import { DaySoups } from './day-soups';
import { GoingOut } from './going-out';
import { DayAtWork, KitchenClock } from './day-at-work';
import { DaysFile } from './days-file';

const NUDGE_MIN = 10;
/** Days back that can be copied. */
const COPY_DAYS = 35;

/** What is on today, what needs me next, which clock is running out; and the whole day on the real kit. */
@Component({
  selector: 'tt-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Cools, DayDemand, DayLanes, DayList, DaysFile, DaySoups, FormsModule, GoingOut, NzSelectModule, RouterLink],
  templateUrl: './board.html',
  styleUrl: './board.less',
})
export class Board {
  /** Of which day; without one, today or the next day on which something is planned. */
  readonly date = input<string | undefined>();

  private readonly router = inject(Router);
  private readonly days = inject(Days);
  private readonly batches = inject(Batches);
  private readonly plans = inject(Plans);
  private readonly planning = inject(DayPlanning);

  protected readonly clockOf = clockOf;
  private readonly clock = new KitchenClock();
  protected readonly nowMs = this.clock.nowMs;
  protected readonly today = this.clock.today;
  protected readonly nowMin = this.clock.nowMin;

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

  private readonly menu = toSignal(this.days.menu$);
  private readonly shelf = toSignal(inject(Soups).shelf$);
  /** What the menu of weeks has for an empty day. */
  protected readonly byMenu = computed(() => {
    const answer = this.menu();
    const date = this.onDate();
    const cycle = answer?.ok === true ? answer.value.cycle : null;
    if (cycle === null || date === undefined) return undefined;
    const shelf = this.shelf();
    const names = new Map(shelf?.ok === true ? shelf.value.soups.map(({ id, name }) => [id, name]) : []);
    const orders = menuOn(cycle, date);
    const text = orders.map(({ soupId, bowls }) => `${names.get(soupId) ?? soupId}, ${String(bowls)} bowls`).join('; ');
    return orders.length === 0 ? undefined : { cycle, text };
  });

  private readonly atWork = new DayAtWork(this.onDate, this.clock);
  private readonly keptDay = this.atWork.kept;
  protected readonly day = this.atWork.day;
  protected readonly trouble = this.keptDay.trouble;
  protected readonly refused = this.keptDay.refused;
  protected readonly isEmpty = computed(() => this.keptDay.isLoaded() && (this.day()?.batches.length ?? 0) === 0);

  protected readonly title = computed(() => {
    const date = this.onDate();
    return date === undefined ? 'Board' : this.nameOf(date);
  });
  protected readonly isToday = this.atWork.isToday;
  private readonly isPast = this.atWork.isPast;
  protected readonly over = computed(() => !this.isEmpty() && this.isPast());

  private readonly laidOut = this.atWork.laidOut;
  protected readonly view = computed(() => (this.day() === undefined ? undefined : this.laidOut.view()));
  protected readonly isLayingOut = computed(() => !this.isEmpty() && this.day() !== undefined && this.laidOut.view() === undefined);
  protected readonly isBroken = this.laidOut.isBroken;
  protected readonly ways = this.laidOut.ways;
  protected readonly moved = this.laidOut.moved;

  protected readonly chosen = signal('');
  protected readonly chosenRows = computed(
    () => this.view()?.rows.filter(({ blockId }) => blockId !== '' && blockId === this.chosen()) ?? [],
  );
  /** When each block starts; what is over can't be moved any more. */
  protected readonly starts = computed(() => {
    const starts = new Map<string, number>();
    if (this.isPast()) return starts;
    for (const { blockId, startMin } of this.view()?.rows ?? []) {
      const before = starts.get(blockId);
      if (blockId !== '' && (before === undefined || startMin < before)) starts.set(blockId, startMin);
    }
    return starts;
  });
  protected readonly chosenPin = computed(() => this.day()?.pins?.find(({ block }) => block === this.chosen()));

  private readonly cold = toSignal(inject(Stock).cold$);
  protected readonly cooling = computed(() => {
    const answer = this.cold();
    return answer?.ok === true ? answer.value.containers.filter(({ state }) => state === 'cooling') : [];
  });
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
  /** Bowls that go out on the day, cooked and brought back; what goes into the cold is for another. */
  protected readonly bowls = computed(() =>
    Math.round(this.day()?.batches.reduce((sum, { request, keeps }) => sum + (keeps === true ? 0 : bowlsWanted(request)), 0) ?? 0),
  );
  protected readonly elsewhere = computed(() => {
    const answer = this.openAnswer();
    const own = new Set(this.atWork.startedIds().map(({ batchId }) => batchId));
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

  /** Keeps the day as it now is, for every screen. */
  protected async change(day: Day): Promise<boolean> {
    this.laidOut.expectMoves();
    return this.keptDay.change(day);
  }

  /** The day with its weather as it is told; none where the word is empty. */
  protected inWeather(day: Day, word: string): Day {
    return { ...day, weather: word === '' ? undefined : word };
  }

  protected async begin(): Promise<void> {
    const date = this.onDate();
    const kit = this.kit();
    if (date === undefined || kit === undefined) return;
    await this.change(emptyDay(date, kit));
  }

  /** The day with what the menu of weeks has for it. */
  protected async takeMenu(cycle: MenuCycle): Promise<void> {
    const date = this.onDate();
    const kit = this.kit();
    if (date !== undefined && kit !== undefined) await this.change(dayByMenu(cycle, date, kit, this.day()));
  }

  /** Another day's soups, people and times, none of its batches. */
  protected async copy(of: string | null): Promise<void> {
    const date = this.onDate();
    if (of === null || date === undefined) return;
    const answer = await this.days.once(of);
    if (!answer.ok) this.refused.set(answer.refusal.sentence);
    else if (answer.value.day !== null) {
      const { day } = answer.value;
      const batches = day.batches.map((batch) => ({ ...batch, request: withoutKept(batch.request), batchId: undefined }));
      await this.change({ ...day, date, batches, pins: undefined, weather: undefined });
    }
  }

  protected async start(batch: DayBatch): Promise<void> {
    const day = this.day();
    const card = this.atWork.cards()?.find(({ soupId, version }) => soupId === batch.soupId && version === batch.version);
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
    // Others may have changed the day while the batch was being started.
    const now = this.day() ?? day;
    const isKept = await this.change({
      ...now,
      batches: now.batches.map((one) => (one.id === batch.id ? { ...one, batchId } : one)),
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

  /** What was dragged stays where it was dropped, and is what is looked at from then on. */
  protected async drag({ blockId, byMin, person }: Moved): Promise<void> {
    const startMin = this.starts().get(blockId);
    if (startMin === undefined) return;
    this.chosen.set(blockId);
    await this.pin({
      ...(byMin === 0 ? {} : { at: clockOf(startMin + byMin) }),
      ...(person === undefined ? {} : { person }),
    });
  }

  protected async give(person: string): Promise<void> {
    await this.pin({ person });
  }

  protected async free(): Promise<void> {
    await this.pin(undefined);
  }
}
