import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  MOST_BATCHES,
  MOST_WEEKS,
  NOON,
  cycleOfDays,
  weekOfCycle,
  type Day,
  type DayOrder,
  type MenuCycle,
} from '@tureen/core/board';
import { LEAST_BOWL_G, MOST_BOWL_G, MOST_BOWLS } from '@tureen/core/plan';
import { plusDays, weekdayOf } from '@tureen/core/stock';
import type { OnShelf } from '@tureen/server/api';
import { DayPlanning } from '../../cooking/day-planning';
import { ClockField } from '../../parts/clock-field';
import { NumberField } from '../../parts/number-field';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { KitchenClock } from './day-at-work';
import { KeptMenu } from './kept-day';
import { SoupPicker, USUAL_BOWLS } from './soup-picker';
import { emptyAgain, fillDays, type Filled } from './fill-days';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const MOST_AHEAD_WEEKS = 12;
const AHEAD_WEEKS = 4;

/** What is cooked on each weekday of some weeks that come round again, and the days ahead planned by it. */
@Component({
  selector: 'tt-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ClockField, NumberField, RouterLink, SoupPicker],
  templateUrl: './weeks.html',
  styleUrl: './weeks.less',
})
export class Weeks {
  private readonly days = inject(Days);
  private readonly clock = new KitchenClock();
  protected readonly today = this.clock.today;
  protected readonly weekdays = WEEKDAYS;
  protected readonly mostBowls = MOST_BOWLS;
  protected readonly leastG = LEAST_BOWL_G;
  protected readonly mostG = MOST_BOWL_G;
  protected readonly mostAhead = MOST_AHEAD_WEEKS;
  protected readonly mostWeeks = MOST_WEEKS;

  private readonly kitchen = toSignal(inject(DayPlanning).stocked$);
  protected readonly kit = computed(() => this.kitchen()?.kit);
  private readonly shelfAnswer = toSignal(inject(Soups).shelf$);
  /** Of soups that are retired too: a menu may still name one. */
  private readonly names = computed(() => {
    const answer = this.shelfAnswer();
    return new Map(answer?.ok === true ? answer.value.soups.map(({ id, name }) => [id, name]) : []);
  });

  private readonly kept = new KeptMenu();
  protected readonly trouble = this.kept.trouble;
  protected readonly isLoaded = this.kept.isLoaded;
  protected readonly cycle = this.kept.value;
  /** Why days were not planned or read. */
  private readonly stopped = signal<readonly string[]>([]);
  protected readonly refused = computed(() => [this.kept.refused(), ...this.stopped()].filter((text) => text !== ''));

  /** Which day is looked at: the how manieth of the whole menu, from 0. */
  private readonly chosenAt = signal<number | undefined>(undefined);
  protected readonly thisWeek = computed(() => {
    const cycle = this.cycle();
    return cycle === undefined ? 0 : weekOfCycle(cycle, this.today());
  });
  protected readonly chosen = computed(() => {
    const most = (this.cycle()?.weeks.length ?? 1) * WEEKDAYS.length;
    return Math.min(most - 1, this.chosenAt() ?? this.thisWeek() * WEEKDAYS.length + weekdayOf(this.today()));
  });
  protected readonly chosenName = computed(() => {
    const day = WEEKDAYS[this.chosen() % WEEKDAYS.length] ?? '';
    return (this.cycle()?.weeks.length ?? 1) > 1
      ? `${day} of week ${String(Math.floor(this.chosen() / WEEKDAYS.length) + 1)}`
      : day;
  });
  protected readonly rows = computed(() =>
    (this.cycle()?.weeks ?? []).map(({ days }, week) => ({
      name: `Week ${String(week + 1)}`,
      isNow: week === this.thisWeek(),
      cells: days.map((orders, weekday) => ({
        at: week * WEEKDAYS.length + weekday,
        orders: orders.map((order) => ({ ...order, name: this.nameOf(order.soupId) })),
        bowls: orders.reduce((sum, { bowls, keeps }) => sum + (keeps ? 0 : bowls), 0),
      })),
    })),
  );
  protected readonly orders = computed(() => this.ordersAt(this.cycle(), this.chosen()));
  protected readonly isFull = computed(() => this.orders().length >= MOST_BATCHES);

  protected readonly aheadWeeks = signal(AHEAD_WEEKS);
  protected readonly isFilling = signal(false);
  protected readonly filled = signal<Filled | undefined>(undefined);
  protected readonly said = computed(() => {
    const done = this.filled();
    if (done === undefined) return '';
    const count = (n: number): string => (n === 1 ? 'One day' : `${n === 0 ? 'No' : String(n)} days`);
    const had = done.had.length === 0 ? '' : ` ${count(done.had.length)} had soups already and stayed as planned.`;
    return `${count(done.days.length)} planned by the menu.${had}`;
  });

  protected nameOf(soupId: string): string {
    return this.names().get(soupId) ?? soupId;
  }

  private ordersAt(cycle: MenuCycle | undefined, at: number): readonly DayOrder[] {
    return cycle?.weeks[Math.floor(at / WEEKDAYS.length)]?.days[at % WEEKDAYS.length] ?? [];
  }

  protected choose(at: number): void {
    this.chosenAt.set(at);
  }

  /** A menu of one empty week, from this Monday on. */
  protected async begin(): Promise<void> {
    await this.keep(cycleOfDays([], this.monday(), 1));
  }

  private monday(): string {
    return plusDays(this.today(), -weekdayOf(this.today()));
  }

  /** A menu of so many weeks as they were planned, up to the end of this one. */
  protected async fromWeeks(count: number): Promise<void> {
    const first = plusDays(this.monday(), -WEEKDAYS.length * (count - 1));
    const days: Day[] = [];
    for (let n = 0; n < count * WEEKDAYS.length; n++) {
      const answer = await this.days.once(plusDays(first, n));
      if (!answer.ok) {
        this.stopped.set([answer.refusal.sentence]);
        return;
      }
      if (answer.value.day !== null) days.push(answer.value.day);
    }
    await this.keep(cycleOfDays(days, first, count));
  }

  protected async addWeek(): Promise<void> {
    const cycle = this.cycle();
    const last = cycle?.weeks.at(-1);
    if (cycle === undefined || last === undefined || cycle.weeks.length >= MOST_WEEKS) return;
    await this.keep({ ...cycle, weeks: [...cycle.weeks, last] });
  }

  protected async dropWeek(): Promise<void> {
    const cycle = this.cycle();
    if (cycle !== undefined && cycle.weeks.length > 1) await this.keep({ ...cycle, weeks: cycle.weeks.slice(0, -1) });
  }

  protected async add(soup: OnShelf): Promise<void> {
    const at = this.orders()[0]?.at ?? NOON;
    await this.setOrders([...this.orders(), { soupId: soup.id, bowls: USUAL_BOWLS, bowlG: soup.bowlG, at, keeps: false }]);
  }

  protected async set(n: number, change: Partial<DayOrder>): Promise<void> {
    await this.setOrders(this.orders().map((order, own) => (own === n ? { ...order, ...change } : order)));
  }

  protected async remove(n: number): Promise<void> {
    await this.setOrders(this.orders().filter((_, own) => own !== n));
  }

  private async setOrders(orders: readonly DayOrder[]): Promise<void> {
    const cycle = this.cycle();
    const at = this.chosen();
    if (cycle === undefined) return;
    const weeks = cycle.weeks.map(({ days }, week) => ({
      days: days.map((own, weekday) => (week * WEEKDAYS.length + weekday === at ? [...orders] : own)),
    }));
    await this.keep({ ...cycle, weeks });
  }

  private async keep(cycle: MenuCycle): Promise<void> {
    this.stopped.set([]);
    this.filled.set(undefined);
    await this.kept.change(cycle);
  }

  /** Plans the days ahead by the menu, from tomorrow on. */
  protected async fill(): Promise<void> {
    const cycle = this.cycle();
    const kit = this.kit();
    if (cycle === undefined || kit === undefined || this.isFilling()) return;
    this.isFilling.set(true);
    const done = await fillDays(this.days, cycle, kit, plusDays(this.today(), 1), this.aheadWeeks() * WEEKDAYS.length);
    this.isFilling.set(false);
    this.filled.set(done);
    this.stopped.set(done.refused);
  }

  protected async takeBack(): Promise<void> {
    const done = this.filled();
    if (done === undefined) return;
    this.filled.set(undefined);
    this.stopped.set(await emptyAgain(this.days, done));
  }
}
