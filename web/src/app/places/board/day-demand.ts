import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { dayOf } from '@tureen/core/kit';
import { bowlsToMake, demandOn, pastErrors, type Served } from '@tureen/core/service';
import { AmountField } from '../../parts/amount-field';
import { Batches } from '../../services/batches';
import { kitchenZone } from '../../services/zone';

const MOST = 1000;
/** What a bowl too few costs against one too many, until the cook says otherwise. Kitchen default. */
const TOO_FEW = 3;

/** How many bowls such a day has taken so far, and how many to make of all soups together by what too many and too few cost. */
@Component({
  selector: 'tt-day-demand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountField],
  template: `@if (demand(); as own) {
    <p>
      By {{ own.days }} days of the past about <strong>{{ own.middle.toFixed(0) }} bowls</strong> are wanted on such a day, four
      times in five {{ own.low.toFixed(0) }} to {{ own.high.toFixed(0) }}.
      <tt-amount
        before="Where a bowl too few costs"
        label="What a bowl too few costs"
        [unit]="currency()"
        [least]="0.1"
        [most]="most"
        [start]="few()"
        (committed)="few.set($event)"
      />
      <tt-amount
        before="and one too many"
        label="What a bowl too many costs"
        [unit]="currency() + ','"
        [least]="0.1"
        [most]="most"
        [start]="many()"
        (committed)="many.set($event)"
      />
      make <strong>{{ make() }}</strong>; {{ planned() }} are planned.
    </p>
    @if (errors(); as past) {
      <p class="soft past">
        Each of {{ past.days }} past days foretold by those before it: off by {{ pct(past.forecast) }} % on average, where the same
        day a week before was off by {{ pct(past.weekBefore) }} %; {{ past.inBand }} of {{ past.days }} lay in the band, and four in
        five were to.
      </p>
    }
  }`,
  styles: `
    p {
      line-height: 2.4;
    }
    .past {
      line-height: 1.5;
    }
  `,
})
export class DayDemand {
  readonly date = input.required<string>();
  readonly planned = input.required<number>();
  /** The kitchen's currency, as three letters. */
  readonly currency = input('');

  protected readonly most = MOST;
  protected readonly few = signal(TOO_FEW);
  protected readonly many = signal(1);
  private readonly answer = toSignal(inject(Batches).batches$);
  protected readonly pct = (share: number): string => (100 * share).toFixed(0);
  private readonly past = computed((): Served[] => {
    const answer = this.answer();
    const bowls = new Map<string, number>();
    for (const { startedAtMs, closedFigures } of answer?.ok === true ? answer.value.batches : []) {
      const out = closedFigures?.dishedBowls ?? 0;
      if (out <= 0) continue;
      const date = dayOf(startedAtMs, kitchenZone());
      bowls.set(date, (bowls.get(date) ?? 0) + out);
    }
    return [...bowls].map(([date, count]) => ({ date, bowls: count }));
  });
  protected readonly demand = computed(() => demandOn(this.date(), this.past()));
  protected readonly errors = computed(() => pastErrors(this.past()));
  protected readonly make = computed(() => {
    const demand = this.demand();
    return demand === undefined ? '' : bowlsToMake(demand, this.many(), this.few()).toFixed(0);
  });
}
