import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MOST_WEATHER } from '@tureen/core/board';
import { dayOf } from '@tureen/core/kit';
import { bowlsToMake, demandOn, pastErrors, type Served } from '@tureen/core/service';
import { AmountField } from '../../parts/amount-field';
import { plusDays } from '@tureen/core/stock';
import { NzInputModule } from 'ng-zorro-antd/input';
import { switchMap } from 'rxjs';
import { Batches } from '../../services/batches';
import { Days } from '../../services/days';
import { kitchenZone } from '../../services/zone';

const MOST = 1000;
/** What a bowl too few costs against one too many, until the cook says otherwise. Kitchen default. */
const TOO_FEW = 3;
/** The weather of so many days of the past is counted in. */
const NOTED_DAYS = 400;

/** How many bowls such a day has taken so far, and how many to make of all soups together by what too many and too few cost. */
@Component({
  selector: 'tt-day-demand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountField, NzInputModule],
  template: `@if (demand(); as own) {
    <p class="line">
      <label for="day-weather">Weather, in a word</label>
      <input
        nz-input
        id="day-weather"
        list="weather-words"
        [attr.maxlength]="mostWeather"
        placeholder="cold, wet …"
        autocomplete="off"
        [value]="weather()"
        (change)="told($event)"
      />
      <datalist id="weather-words">
        @for (word of words(); track word) {
          <option [value]="word"></option>
        }
      </datalist>
      @if (own.weather; as by) {
        <span>
          @if (by.days === 0) {
            No day of the past is noted so: it changes nothing yet.
          } @else {
            {{ by.days === 1 ? 'One such day' : by.days + ' such days' }} of the past: {{ times(by.times) }}.
          }
        </span>
      }
    </p>
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
    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 12px;
      margin-bottom: 8px;
      line-height: 1.5;
    }
    #day-weather {
      width: 150px;
    }
    .past {
      line-height: 1.5;
    }
  `,
})
export class DayDemand {
  readonly date = input.required<string>();
  readonly planned = input.required<number>();
  /** The day's weather as it was written down; empty where it was not. */
  readonly weather = input('');
  readonly weatherTold = output<string>();
  /** The kitchen's currency, as three letters. */
  readonly currency = input('');

  protected readonly most = MOST;
  protected readonly few = signal(TOO_FEW);
  protected readonly many = signal(1);
  protected readonly mostWeather = MOST_WEATHER;
  private readonly answer = toSignal(inject(Batches).batches$);
  protected readonly pct = (share: number): string => (100 * share).toFixed(0);
  private readonly days = inject(Days);
  private readonly noted = toSignal(
    toObservable(this.date).pipe(switchMap((date) => this.days.from$(plusDays(date, -NOTED_DAYS)))),
  );
  private readonly weatherOn = computed(() => {
    const noted = this.noted();
    const all = noted?.ok === true ? noted.value.days : [];
    return new Map(all.flatMap(({ date, weather }): [string, string][] => (weather === undefined ? [] : [[date, weather]])));
  });
  /** Words that this kitchen has for the weather. */
  protected readonly words = computed(() => [
    ...new Map([...this.weatherOn().values()].map((word) => [word.toLowerCase(), word])).values(),
  ]);
  private readonly past = computed((): Served[] => {
    const answer = this.answer();
    const bowls = new Map<string, number>();
    for (const { startedAtMs, closedFigures } of answer?.ok === true ? answer.value.batches : []) {
      const out = closedFigures?.dishedBowls ?? 0;
      if (out <= 0) continue;
      const date = dayOf(startedAtMs, kitchenZone());
      bowls.set(date, (bowls.get(date) ?? 0) + out);
    }
    return [...bowls].map(([date, count]) => ({ date, bowls: count, weather: this.weatherOn().get(date) }));
  });
  protected readonly demand = computed(() => demandOn(this.date(), this.past(), this.weather()));
  protected readonly errors = computed(() => pastErrors(this.past()));
  protected readonly make = computed(() => {
    const demand = this.demand();
    return demand === undefined ? '' : bowlsToMake(demand, this.many(), this.few()).toFixed(0);
  });

  protected told(event: Event): void {
    this.weatherTold.emit((event.target as HTMLInputElement).value.trim());
  }

  /** @example times(1.2) // '20 % more bowls than usual' */
  protected times(times: number): string {
    const pct = Math.round(Math.abs(times - 1) * 100);
    return pct === 0 ? 'as many bowls as usual' : `${String(pct)} % ${times > 1 ? 'more' : 'fewer'} bowls than usual`;
  }
}
