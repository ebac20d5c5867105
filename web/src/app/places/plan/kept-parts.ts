import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Diets } from '@tureen/core/larder';
import type { PlanRequest } from '@tureen/core/plan';
import { isUsable, keptRow, mayGoInto, type StockAction } from '@tureen/core/stock';
import { coldToday } from '../cold-today';
import { dayWords } from '../cold/container-words';
import { mass } from '../figures';
import { kitchenUnits } from '../../services/units';

type Part = NonNullable<PlanRequest['kept']>[number];

/** Kept soups that are named as able to go in, and that go into one plan; the rest stands in the cold. */
const MOST_NAMED = 3;
/** Of a batch, what kept soup is proposed for at most: more, and it is another soup. Kitchen default. */
const MOST_SHARE = 0.2;

/** What leaves a container for a batch when it starts. */
export function takenFor({ container, kg }: Part, batchId: string): StockAction {
  return { kind: 'took', container, kg, as: 'used', batchId };
}

/** Kept soup that can go into what is planned, soonest day first, with nothing in it that the soup is told to be free of. */
@Component({
  selector: 'tt-kept-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@for (part of taken(); track part.container) {
      <p class="kept">
        <span>{{ part.words }}</span>
        @if (part.missing; as text) {
          <strong>{{ text }}</strong>
        }
        <button type="button" class="press" (click)="takeOut(part.container)">Leave it out</button>
      </p>
    }
    @if (open(); as all) {
      @if (all.length > 0) {
        <p class="kept">
          <span>Kept, and could go in:</span>
          @for (one of all; track one.id) {
            <span>
              <a [routerLink]="['/cold', one.id]">{{ one.words }}</a>
              <button
                type="button"
                class="press"
                [attr.aria-label]="'Put ' + one.put + ' of ' + one.name + ' in'"
                (click)="put(one)"
              >
                Put {{ one.put }} in
              </button>
            </span>
          }
        </p>
      }
    }`,
  styles: `
    .kept {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 14px;
      align-items: center;
    }
    a {
      margin-right: 8px;
      color: var(--cobalt);
    }
    strong {
      color: var(--red);
    }
  `,
})
export class KeptParts {
  readonly soupId = input.required<string>();
  readonly cookedKg = input.required<number>();
  readonly allergens = input.required<readonly string[]>();
  readonly diets = input.required<Diets | undefined>();
  readonly isServedCold = input.required<boolean>();
  readonly kept = input.required<readonly Part[]>();
  readonly changed = output<Part[]>();

  private readonly cold = coldToday();
  private readonly today = this.cold.today;

  /** What is planned to go in, and whether it still stands there. */
  protected readonly taken = computed(() =>
    this.kept().map(({ container, kg, row }) => {
      const there = this.cold.containers()?.find(({ id }) => id === container);
      const haveKg = there !== undefined && isUsable(there, this.today()) ? there.kg : 0;
      const isMissing = this.cold.containers() !== undefined && haveKg < kg - 1e-6;
      return {
        container,
        words: `${mass(kg, kitchenUnits())} of ${row.name} ${there === undefined ? '' : `(${there.store.name}) `}goes in before the blade.`,
        missing: isMissing ? `Only ${mass(haveKg, kitchenUnits())} of it can still be used.` : '',
      };
    }),
  );
  protected readonly open = computed(() => {
    if (this.kept().length >= MOST_NAMED) return [];
    const into = {
      soupId: this.soupId(),
      allergens: this.allergens(),
      diets: this.diets(),
      isServedCold: this.isServedCold(),
    };
    const used = new Set(this.kept().map(({ container }) => container));
    const may = (this.cold.containers() ?? []).filter(
      (one) => !used.has(one.id) && isUsable(one, this.today()) && mayGoInto(one.contents, into),
    );
    // One line a soup, of the container that has to go first.
    return may
      .filter((one, n) => may.findIndex(({ contents }) => contents.name === one.contents.name) === n)
      .slice(0, MOST_NAMED)
      .map((container) => {
        // To ten grams, and never more than is there.
        const kg = Math.min(container.kg, Math.floor(this.cookedKg() * MOST_SHARE * 100) / 100);
        const { id, contents, useBy } = container;
        const alike = may.filter((one) => one.contents.name === contents.name).length;
        return {
          id,
          name: contents.name,
          words: `${contents.name}, ${mass(container.kg, kitchenUnits())}${alike > 1 ? ` (the first of ${String(alike)})` : ''}, use by ${dayWords(useBy.day)}`,
          put: mass(kg, kitchenUnits()),
          part: { container: id, kg, row: keptRow(container) },
        };
      })
      .filter(({ part }) => part.kg > 0);
  });

  protected put({ part }: { readonly part: Part }): void {
    this.changed.emit([...this.kept(), part]);
  }

  protected takeOut(container: string): void {
    this.changed.emit(this.kept().filter((one) => one.container !== container));
  }
}
