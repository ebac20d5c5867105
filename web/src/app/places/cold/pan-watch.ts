import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { REHEATING, type WatchedStage } from '@tureen/core/cold';
import type { ColdStore } from '@tureen/core/kit';
import type { Container, StockAction } from '@tureen/core/stock';
import { showMinutes } from '@tureen/core/units';
import { map, timer } from 'rxjs';
import { watchOf, type RescueView, type WatchAnswer } from '../../cooking/cold-view';
import { Cooking } from '../../cooking/cooking';
import { QuantityField } from '../../parts/quantity-field';
import { Clock } from '../../services/clock';
import { newId } from '../../services/device';
import { Kitchen } from '../../services/kitchen';
import { IS_PRACTICE } from '../../services/practice-mode';
import { Stock } from '../../services/stock';
import { mass, timeOfDay } from '../figures';
import { FromDevice } from '../stove/from-device';
import { CoolingChart } from './cooling-chart';
import { heat, kitchenUnits } from '../../services/units';

const MINUTE_MS = 60_000;
/** How often its clock is looked at: in a practice it may go six hundred times as fast. */
const LOOK_MS = IS_PRACTICE ? 1000 : 10_000;
const COLDEST_C = -5;
const HOTTEST_C = 100;

/** One container that cools, watched by what is read of it: when it passes the marks, and what can still be done. */
@Component({
  selector: 'tt-pan-watch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CoolingChart, FormsModule, FromDevice, QuantityField, RouterLink],
  templateUrl: './pan-watch.html',
  styleUrl: './pan-watch.less',
})
export class PanWatch {
  protected readonly heat = heat;
  private readonly calculating = inject(Cooking);
  private readonly clock = inject(Clock);
  private readonly stock = inject(Stock);
  readonly container = input.required<Container>();
  /** The first of several is drawn with its curve; the others until they are opened in words. */
  readonly isFirst = input(false);
  protected readonly isOpen = linkedSignal(() => this.isFirst());
  protected readonly reheatC = REHEATING.toC;
  protected readonly coldest = COLDEST_C;
  protected readonly hottest = HOTTEST_C;
  protected readonly typed = signal<number | null>(null);
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly cooling = computed(() => this.container().cooling);
  private readonly startMs = computed(() => this.cooling()?.startMs ?? this.nowMs());
  private readonly nowMin = computed(() => Math.max(0, (this.nowMs() - this.startMs()) / MINUTE_MS));
  protected readonly since = computed(() => showMinutes(this.nowMin()));
  protected readonly weighs = computed(() => mass(this.container().kg, kitchenUnits()));
  protected readonly last = computed(() => this.cooling()?.readings.at(-1));
  protected readonly stores = toSignal(inject(Kitchen).coldStores$, { initialValue: [] });

  private readonly stocked = toSignal(this.calculating.stocked$);
  private readonly asked = resource({
    params: () => (this.stocked() === undefined ? undefined : watchOf(this.container(), this.nowMs())),
    loader: ({ params }) => this.calculating.calculator.watching(params),
  });
  protected readonly answer = linkedSignal<WatchAnswer | undefined, WatchAnswer | undefined>({
    source: () => this.asked.value(),
    computation: (now, before) => now ?? before?.value,
  });
  protected readonly now = computed(() => this.answer()?.nowC ?? this.cooling()?.startC ?? 0);
  /** Cold by its rule: the last mark is met by what was read, not by what is reckoned. */
  protected readonly isCold = computed(() => {
    const toC = this.answer()?.stages.at(-1)?.toC;
    const last = this.last();
    return toC !== undefined && last !== undefined && last.tempC <= toC;
  });
  protected readonly start = computed(() => this.startMs());

  protected async read(): Promise<void> {
    const tempC = this.typed();
    if (tempC === null) return;
    await this.stock.enter({ kind: 'read', container: this.container().id, tempC });
    this.typed.set(null);
  }

  protected takeBack(target: string): void {
    void this.stock.enter({ kind: 'undone', container: this.container().id, target });
  }

  protected cold(store: ColdStore): void {
    const { id, name, kind } = store;
    void this.stock.enter({ kind: 'cooled', container: this.container().id, store: { id, name, kind } });
  }

  /** Done now, as it was offered: the rule goes on with the time that is left. */
  protected rescue({ rescue, words }: RescueView): void {
    const own = this.cooling();
    const answer = this.answer();
    if (own === undefined || answer === undefined) return;
    const { id, kg, vessel } = this.container();
    const countsFromMs = this.startMs() + answer.countsFromMin * MINUTE_MS;
    const anew = (container: string, change: Partial<Extract<StockAction, { kind: 'set to cool' }>>): StockAction => ({
      kind: 'set to cool',
      container,
      startC: Math.round(answer.meanC * 10) / 10,
      depthM: own.depthM,
      place: own.place,
      isStirred: own.isStirred,
      ...(own.hindered === undefined ? {} : { hindered: [...own.hindered] }),
      rule: own.rule,
      own: own.own,
      words,
      countsFromMs,
      ...change,
    });
    if (rescue.kind === 'move') {
      void this.stock.enter(anew(id, { place: rescue.place.id, isStirred: rescue.isStirred, hindered: [] }));
      return;
    }
    const into = newId();
    const half = { depthM: own.depthM / 2 };
    void this.stock.enter({ kind: 'split', container: id, into, vessel, kg: kg / 2 }, anew(id, half), anew(into, half));
  }

  /** Missed, heated through once, and cooled again from the start: its rule counts anew. */
  protected again(): void {
    const own = this.cooling();
    if (own === undefined) return;
    const { depthM, place, isStirred, hindered, rule, own: ours } = own;
    const container = this.container().id;
    void this.stock.enter(
      { kind: 'note', container, text: `missed its cooling; heated to ${this.heat(REHEATING.toC)} once and cooled again` },
      {
        kind: 'set to cool',
        container,
        startC: REHEATING.toC,
        depthM,
        place,
        isStirred,
        ...(hindered === undefined ? {} : { hindered: [...hindered] }),
        rule,
        own: ours,
        words: `again, ${own.words}`.slice(0, 300),
      },
    );
  }

  /** The time of day so many minutes after the start. */
  protected at(minute: number): string {
    return timeOfDay(this.startMs() + minute * MINUTE_MS);
  }

  protected marked({ stages }: WatchAnswer): string {
    return this.heat(stages.find(({ state }) => state !== 'in time')?.toC ?? 0);
  }

  protected said({ toC, byMin, middleMin, lowMin, highMin, state }: WatchedStage): string {
    if (middleMin === undefined || lowMin === undefined || highMin === undefined)
      return `${this.heat(toC)} not within a day, wanted by ${this.at(byMin)}`;
    const range = `${this.at(lowMin)} to ${this.at(highMin)} in nine of ten`;
    return `${this.heat(toC)} at ${this.at(middleMin)} (${range}), wanted by ${this.at(byMin)}: ${state}`;
  }
}
