import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { orderText, shoppingCsv } from '@tureen/core/formats';
import type { ShoppingRow } from '@tureen/core/shop';
import { plusDays } from '@tureen/core/stock';
import { combineLatest, from, map, of, switchMap, type Observable } from 'rxjs';
import { DayPlanning } from '../../cooking/day-planning';
import type { ShopDay } from '../../cooking/day-view';
import { Choice } from '../../parts/choice';
import { Batches } from '../../services/batches';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { Supplies } from '../../services/supplies';
import { onKeys } from '../../shell/keys';
import { mass, money } from '../figures';
import { saveAs } from '../save-as';
import { dateName } from './dates';
import { StoreForm } from './store-form';
import { UseUp } from './use-up';

type Span = 'day' | 'week';
const SPANS: readonly { value: Span; name: string }[] = [
  { value: 'day', name: 'This day' },
  { value: 'week', name: 'A week from it' },
];
const WEEK_DAYS = 7;

interface Group {
  readonly supplier: string;
  readonly rows: readonly ShoppingRow[];
  readonly cost: number;
}

/** What has to be bought for a day or a week: pull lists added up, less what is on hand; ticked off as it comes in. */
@Component({
  selector: 'tt-shop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NgTemplateOutlet, RouterLink, StoreForm, UseUp],
  templateUrl: './shop.html',
  styleUrl: './shop.less',
})
export class Shop {
  readonly date = input.required<string>();

  private readonly days = inject(Days);
  private readonly soups = inject(Soups);
  private readonly supplies = inject(Supplies);
  private readonly planning = inject(DayPlanning);
  private readonly open$ = inject(Batches).open$;

  protected readonly spans = SPANS;
  protected readonly span = signal<Span>('day');
  protected readonly opened = signal('');
  protected readonly refused = signal('');
  protected readonly said = signal('');

  private readonly kitchen = toSignal(this.planning.stocked$);
  protected readonly units = computed(() => this.kitchen()?.kit?.units ?? 'metric');
  protected readonly currency = computed(() => this.kitchen()?.kit?.currency ?? '');
  protected readonly title = computed(() => dateName(this.date()));

  private readonly dates = computed(() =>
    Array.from({ length: this.span() === 'day' ? 1 : WEEK_DAYS }, (_, n) => plusDays(this.date(), n)),
  );
  private readonly wanted$: Observable<ShopDay[]> = combineLatest([
    toObservable(this.dates).pipe(switchMap((dates) => combineLatest(dates.map((date) => this.days.day$(date))))),
    this.soups.shelf$,
    this.open$,
  ]).pipe(
    switchMap(async ([answers, , open]) => {
      const cooking = new Set(open.ok ? open.value.batches.map(({ id }) => id) : []);
      const days = answers.flatMap((answer) => {
        if (!answer.ok || answer.value.day === null) return [];
        const { day } = answer.value;
        // What a batch that is over has taken is out of the store already.
        return [{ ...day, batches: day.batches.filter(({ batchId }) => batchId === undefined || cooking.has(batchId)) }];
      });
      return Promise.all(days.map(async (day): Promise<ShopDay> => ({ day, soups: await this.soups.cardsOf(day.batches) })));
    }),
  );
  private readonly list = toSignal(
    combineLatest([this.wanted$, this.supplies.supplies$, this.planning.stocked$]).pipe(
      switchMap(([days, answer]) =>
        answer.ok
          ? from(this.planning.ask.shop(days, answer.value.supplies, answer.value.buying)).pipe(
              map((rows) => ({ rows, trouble: undefined })),
            )
          : of({ rows: [], trouble: answer.refusal.sentence }),
      ),
    ),
  );
  protected readonly trouble = computed(() => this.list()?.trouble);
  protected readonly isLoading = computed(() => this.list() === undefined);
  protected readonly rows = computed(() => this.list()?.rows ?? []);
  protected readonly groups = computed((): Group[] => {
    const rows = this.rows().filter(({ buyKg }) => buyKg > 0);
    return [...new Set(rows.map(({ supplier }) => supplier))].map((supplier) => {
      const own = rows.filter((row) => row.supplier === supplier);
      return { supplier, rows: own, cost: own.reduce((sum, { cost }) => sum + cost, 0) };
    });
  });
  protected readonly there = computed(() => this.rows().filter(({ buyKg }) => buyKg === 0));
  protected readonly total = computed(() => this.cash(this.groups().reduce((sum, { cost }) => sum + cost, 0)));

  constructor() {
    onKeys({
      p: () => {
        this.print();
      },
    });
  }

  protected mass(kg: number): string {
    return mass(kg, this.units());
  }

  protected cash(amount: number): string {
    return money(amount, this.kitchen()?.kit?.currency);
  }

  protected buyWords({ packs, pack, buyKg }: ShoppingRow): string {
    if (packs === undefined || pack?.packKg === undefined) return this.mass(buyKg);
    return `${String(packs)} × ${pack.packName ?? 'pack'} of ${this.mass(pack.packKg)}`;
  }

  protected ofWords({ of: soups }: ShoppingRow): string {
    return soups.map(({ name, kg }) => `${this.mass(kg)} ${name}`).join(' + ');
  }

  protected look({ ingredient }: ShoppingRow): void {
    this.opened.update((have) => (have === ingredient ? '' : ingredient));
    this.said.set('');
    this.refused.set('');
  }

  protected done(said: string): void {
    this.said.set(said);
    this.refused.set('');
    this.opened.set('');
  }

  protected print(): void {
    globalThis.print();
  }

  protected saveCsv(): void {
    saveAs(`shopping ${this.date()}.csv`, 'text/csv', shoppingCsv(this.rows()));
  }

  protected async copy(): Promise<void> {
    const text = orderText(this.rows(), this.kitchen()?.kit?.kitchen ?? '', this.title());
    try {
      await navigator.clipboard.writeText(text);
      this.said.set('The orders are copied as text, by supplier.');
    } catch {
      saveAs(`orders ${this.date()}.txt`, 'text/plain', text);
    }
  }
}
