import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { orderText, shoppingCsv } from '@tureen/core/formats';
import type { ShoppingRow, SupplyAction } from '@tureen/core/shop';
import { plusDays } from '@tureen/core/stock';
import { NzInputModule } from 'ng-zorro-antd/input';
import { combineLatest, from, map, of, switchMap, type Observable } from 'rxjs';
import { DayPlanning } from '../../cooking/day-planning';
import type { ShopDay, SoupOfDay } from '../../cooking/day-view';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Batches } from '../../services/batches';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { Supplies } from '../../services/supplies';
import { onKeys } from '../../shell/keys';
import { mass, money } from '../figures';
import { saveAs } from '../save-as';
import { dateName } from './dates';

type Span = 'day' | 'week';
const SPANS: readonly { value: Span; name: string }[] = [
  { value: 'day', name: 'This day' },
  { value: 'week', name: 'A week from it' },
];
const WEEK_DAYS = 7;
const MOST_KG = 20_000;

interface Group {
  readonly supplier: string;
  readonly rows: readonly ShoppingRow[];
  readonly cost: number;
}

/** What has to be bought for a day or a week: pull lists added up, less what is on hand; ticked off as it comes in. */
@Component({
  selector: 'tt-shop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NumberField, NzInputModule, RouterLink],
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
  protected readonly mostKg = MOST_KG;
  protected readonly span = signal<Span>('day');
  protected readonly opened = signal('');
  protected readonly refused = signal('');
  protected readonly said = signal('');
  protected readonly gotKg = signal<number | null>(null);
  protected readonly gotPrice = signal<number | null>(null);

  private readonly kitchen = toSignal(this.planning.stocked$);
  protected readonly units = computed(() => this.kitchen()?.kit?.units ?? 'metric');
  private readonly currency = computed(() => this.kitchen()?.kit?.currency);
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
      return Promise.all(days.map(async (day): Promise<ShopDay> => ({ day, soups: await this.cardsOf(day.batches) })));
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

  private async cardsOf(batches: ShopDay['day']['batches']): Promise<SoupOfDay[]> {
    const found = await Promise.all(
      batches.map(async ({ soupId, version }) => {
        const answer = await this.soups.one(soupId, version);
        return answer.ok ? [{ soupId, version, soup: answer.value.soup }] : [];
      }),
    );
    return found.flat();
  }

  protected mass(kg: number): string {
    return mass(kg, this.units());
  }

  protected cash(amount: number): string {
    return money(amount, this.currency());
  }

  protected buyWords({ packs, pack, buyKg }: ShoppingRow): string {
    if (packs === undefined || pack?.packKg === undefined) return this.mass(buyKg);
    return `${String(packs)} × ${pack.packName ?? 'pack'} of ${this.mass(pack.packKg)}`;
  }

  protected ofWords({ of: soups }: ShoppingRow): string {
    return soups.map(({ name, kg }) => `${this.mass(kg)} ${name}`).join(' + ');
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value.trim();
  }

  protected look({ ingredient, buyKg }: ShoppingRow): void {
    this.opened.update((have) => (have === ingredient ? '' : ingredient));
    this.gotKg.set(Math.round(buyKg * 1000) / 1000 || null);
    this.gotPrice.set(null);
    this.said.set('');
    this.refused.set('');
  }

  private async enter(row: ShoppingRow, action: SupplyAction, said: string): Promise<void> {
    const answer = await this.supplies.enter(row.ingredient, action);
    if (answer.ok) {
      this.said.set(said);
      this.opened.set('');
    } else this.refused.set(answer.refusal.sentence);
  }

  protected async received(row: ShoppingRow): Promise<void> {
    const kg = this.gotKg();
    if (kg === null || kg <= 0) {
      this.refused.set('How many kilos came? Type them, or count what is there.');
      return;
    }
    const price = this.gotPrice();
    await this.enter(
      row,
      { kind: 'bought', kg, ...(price === null ? {} : { pricePerKg: price }) },
      `${this.mass(kg)} ${row.name} came in.`,
    );
  }

  protected async counted(row: ShoppingRow, kg: number | null): Promise<void> {
    if (kg !== null) await this.enter(row, { kind: 'counted', kg }, `${this.mass(kg)} ${row.name} on hand.`);
  }

  protected async thrown(row: ShoppingRow, kg: number | null): Promise<void> {
    if (kg !== null && kg > 0)
      await this.enter(row, { kind: 'thrown', kg, why: 'gone off' }, `${this.mass(kg)} ${row.name} thrown away.`);
  }

  protected async buying(
    row: ShoppingRow,
    change: { supplier?: string; packKg?: number | null; packName?: string },
  ): Promise<void> {
    const { supplier, packKg, packName } = { ...row.pack, ...change };
    const answer = await this.supplies.buy({
      ingredient: row.ingredient,
      supplier: supplier ?? '',
      packKg: packKg ?? undefined,
      packName: packName === '' ? undefined : packName,
    });
    if (!answer.ok) this.refused.set(answer.refusal.sentence);
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
