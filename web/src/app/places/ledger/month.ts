import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { MonthSheet } from '@tureen/core/month';
import { percentMore } from '@tureen/core/units';
import { combineLatest, map, of, switchMap } from 'rxjs';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { onKeys } from '../../shell/keys';
import { mass, money } from '../figures';
import { LedgerTabs } from './ledger-tabs';
import { flowPicture } from './month-flow';

/** Months whose price of a bowl is laid side by side. */
const PRICED_MONTHS = 6;

/** The month so many before or behind one, YYYY-MM. */
export function monthBy(month: string, by: number): string {
  const [year = 0, of = 1] = month.split('-').map(Number);
  const at = new Date(Date.UTC(year, of - 1 + by, 1));
  return at.toISOString().slice(0, 7);
}

function named(month: string): string {
  return new Date(`${month}-01T00:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
}

/** What a month came to: bowls, kilos and money by soup, where its kilos went, what was thrown away, what a bowl cost before. */
@Component({
  selector: 'tt-month',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerTabs],
  templateUrl: './month.html',
  styleUrl: './month.less',
})
export class MonthPlace {
  private readonly batches = inject(Batches);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly now = new Date(inject(Clock).now());
  private readonly thisMonth = `${String(this.now.getFullYear())}-${String(this.now.getMonth() + 1).padStart(2, '0')}`;
  private readonly kit = computed(() => {
    const kitchen = this.kitchen();
    return kitchen?.ok === true ? (kitchen.value.kit ?? undefined) : undefined;
  });

  protected readonly month = signal(this.thisMonth);
  protected readonly name = computed(() => named(this.month()));
  protected readonly isNewest = computed(() => this.month() >= this.thisMonth);
  private readonly answer = toSignal(toObservable(this.month).pipe(switchMap((month) => this.batches.month$(month))));
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly sheet = computed((): MonthSheet | undefined => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly picture = computed(() => {
    const sheet = this.sheet();
    return sheet === undefined ? undefined : flowPicture(sheet.flow);
  });
  private readonly before = toSignal(
    toObservable(this.month).pipe(
      switchMap((month) => {
        const months = Array.from({ length: PRICED_MONTHS }, (_, n) => monthBy(month, n + 1 - PRICED_MONTHS));
        return months.length === 0 ? of([]) : combineLatest(months.map((one) => this.batches.month$(one)));
      }),
      map((answers) => answers.flatMap((answer) => (answer.ok ? [answer.value] : []))),
    ),
    { initialValue: [] },
  );
  /** What a bowl cost in the months up to this one, as bars that begin at nothing. */
  protected readonly prices = computed(() => {
    const priced = this.before().flatMap(({ month, costPerBowl, batches }) =>
      costPerBowl === undefined ? [] : [{ month, costPerBowl, batches }],
    );
    const most = Math.max(0, ...priced.map(({ costPerBowl }) => costPerBowl));
    return priced.map(({ month, costPerBowl, batches }) => ({
      name: named(month),
      price: this.pay(costPerBowl),
      share: most > 0 ? (costPerBowl / most) * 100 : 0,
      of: `${String(batches)} ${batches === 1 ? 'batch' : 'batches'}`,
    }));
  });

  constructor() {
    onKeys({
      ArrowLeft: () => {
        this.go(-1);
      },
      ArrowRight: () => {
        this.go(1);
      },
      p: () => {
        this.print();
      },
    });
  }

  protected go(by: number): void {
    if (by > 0 && this.isNewest()) return;
    this.month.update((month) => monthBy(month, by));
  }

  protected print(): void {
    globalThis.print();
  }

  protected kilos(kg: number): string {
    return mass(kg, this.kit()?.units ?? 'metric');
  }

  protected pay(amount: number): string {
    return money(amount, this.kit()?.currency);
  }

  protected apart({ cookedKg, plannedKg }: { readonly cookedKg: number; readonly plannedKg: number }): string {
    if (plannedKg <= 0) return '';
    return percentMore((cookedKg / plannedKg - 1) * 100);
  }
}
