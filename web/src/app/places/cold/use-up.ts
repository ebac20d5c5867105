import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { dayOf } from '@tureen/core/kit';
import { bowlsIn, daysBetween, mayGoInto } from '@tureen/core/stock';
import { map, timer } from 'rxjs';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { mass, money } from '../figures';
import { dayWords } from './container-words';
import { kitchenUnits } from '../../services/units';

const LOOK_MS = 60_000;
/** What is looked at ahead, days. */
const AHEAD_DAYS = 3;

interface Day {
  readonly day: string;
  readonly name: string;
  readonly isPast: boolean;
  readonly bowls: number;
  readonly worth: number;
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly where: string;
    readonly bowls: number;
    readonly mass: string;
    readonly worth: string;
  }[];
}

/** What has to go in the next days, by bowls and by what it is worth. */
@Component({
  selector: 'tt-use-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  templateUrl: './use-up.html',
  styleUrl: './use-up.less',
})
export class UseUp {
  private readonly clock = inject(Clock);
  private readonly answer = toSignal(inject(Stock).cold$);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly shelf = toSignal(inject(Soups).shelf$);
  private readonly today = toSignal(timer(0, LOOK_MS).pipe(map(() => dayOf(this.clock.now(), kitchenZone()))), {
    initialValue: dayOf(this.clock.now(), kitchenZone()),
  });
  protected readonly ahead = AHEAD_DAYS;
  protected readonly isLoading = computed(() => this.answer() === undefined);
  private readonly currency = computed(() => {
    const answer = this.kitchen();
    return answer?.ok === true ? answer.value.kit?.currency : undefined;
  });
  protected cash(amount: number): string {
    return money(amount, this.currency());
  }

  protected readonly days = computed((): Day[] => {
    const answer = this.answer();
    const today = this.today();
    if (answer?.ok !== true) return [];
    const byDay = new Map<string, (typeof answer.value.containers)[number][]>();
    for (const container of answer.value.containers) {
      const { day } = container.useBy;
      if (daysBetween(today, day) > AHEAD_DAYS) continue;
      byDay.set(day, [...(byDay.get(day) ?? []), container]);
    }
    return [...byDay]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([day, list]) => {
        const away = daysBetween(today, day);
        return {
          day,
          name: away < 0 ? `${dayWords(day)}, past` : away === 0 ? 'today' : away === 1 ? 'tomorrow' : dayWords(day),
          isPast: away < 0,
          bowls: list.reduce((sum, { kg, contents }) => sum + bowlsIn(kg, contents), 0),
          worth: list.reduce((sum, { kg, contents }) => sum + kg * contents.row.pricePerKg, 0),
          rows: list.map(({ id, contents, kg, store }) => ({
            id,
            name: contents.name,
            where: store.name,
            bowls: bowlsIn(kg, contents),
            mass: mass(kg, kitchenUnits()),
            worth: this.cash(kg * contents.row.pricePerKg),
          })),
        };
      });
  });

  /** Soups of the shelf that would take what has to go: no allergen that they lack, no diet that they keep and it does not. */
  protected readonly takers = computed(() => {
    const answer = this.answer();
    const shelf = this.shelf();
    if (answer?.ok !== true || shelf?.ok !== true) return [];
    const today = this.today();
    const soon = answer.value.containers.filter(({ useBy, state }) => {
      const away = daysBetween(today, useBy.day);
      return state !== 'frozen' && away >= 0 && away <= AHEAD_DAYS;
    });
    const bySoup = new Map(soon.map((one) => [one.contents.name, one]));
    return [...bySoup.values()].map(({ id, contents }) => ({
      id,
      name: contents.name,
      soups: shelf.value.soups
        .filter(({ retired, facts: { allergens, diets }, id: soupId, served }) => {
          return !retired && mayGoInto(contents, { soupId, allergens, diets, isServedCold: served === 'cold' });
        })
        .slice(0, 4)
        .map(({ id: soupId, name }) => ({ id: soupId, name })),
    }));
  });
}
