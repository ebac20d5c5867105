import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { DayBatch } from '@tureen/core/board';
import type { ShareFigures } from '@tureen/core/plan';
import { combineLatest, map, of, switchMap, type Observable } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { DayPlanning } from '../../cooking/day-planning';
import type { MenuSoup } from '../../cooking/day-view';
import { Batches } from '../../services/batches';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { dateName } from './dates';

interface Told {
  readonly at: string;
  readonly name: string;
  readonly isPlan: boolean;
  readonly shares: readonly { readonly name: string; readonly contains: string; readonly diet: string }[];
}

function told(batch: DayBatch, soup: MenuSoup, isPlan: boolean): Told {
  const own = soup.shares.filter((share): share is ShareFigures & { facts: NonNullable<ShareFigures['facts']> } => {
    return share.facts !== undefined && share.whole > 0;
  });
  return {
    at: batch.at,
    name: soup.name,
    isPlan,
    shares: own.map(({ name, facts }) => ({
      name: own.length > 1 ? name : '',
      contains: facts.allergens.length === 0 ? 'none of the 14 allergens' : facts.allergens.join(', '),
      diet: facts.diets.vegan ? 'vegan' : facts.diets.vegetarian ? 'vegetarian' : '',
    })),
  };
}

/** The soups of a day for guests, with what each share of the bowls contains: as cooked where it is on the stove, else as planned. */
@Component({
  selector: 'tt-menu-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <header class="head-line">
      <h1>{{ title() }}</h1>
      <span class="right no-print">
        <a class="press quiet" [routerLink]="['/board', date()]">The day</a>
        <button type="button" class="press" (click)="print()">Print <span class="key" aria-hidden="true">P</span></button>
      </span>
    </header>
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    } @else if (list() === undefined) {
      <p class="soft" role="status">Writing the card…</p>
    }
    @for (soup of soups(); track $index) {
      <section>
        <h2 class="soup-name">{{ soup.name }}</h2>
        @for (share of soup.shares; track $index) {
          <p>
            @if (share.name !== '') {
              <strong>{{ share.name }}: </strong>
            }
            contains {{ share.contains }}{{ share.diet === '' ? '' : ' · ' + share.diet }}
          </p>
        }
        <p class="soft">from {{ soup.at }}{{ soup.isPlan ? '' : ', as it was cooked' }}</p>
      </section>
    } @empty {
      @if (list() !== undefined) {
        <section class="sheet">
          <p>No soup goes out on this day.</p>
          <a class="press main" [routerLink]="['/board', date()]">Plan the day</a>
        </section>
      }
    }
    @if (soups().length > 0) {
      <p class="soft foot">
        Allergens as the kitchen’s larder knows them; traces and shared tools are not counted. Please ask before you eat where it
        matters to you; local food law comes first.
      </p>
    }
  </main>`,
  styles: `
    main {
      display: grid;
      align-content: start;
      gap: 22px;
      max-width: 900px;
    }
    section h2 {
      font-size: 34px;
      line-height: 1.15;
    }
    section p {
      font-size: 20px;
    }
    section p.soft {
      font-size: 16px;
    }
    section {
      display: grid;
      gap: 4px;
      padding-top: 16px;
      border-top: 1px solid var(--hairline);
      break-inside: avoid;
    }
    .foot {
      max-width: 640px;
    }
  `,
})
export class MenuCard {
  readonly date = input.required<string>();
  private readonly days = inject(Days);
  private readonly cards = inject(Soups);
  private readonly batches = inject(Batches);
  private readonly calculating = inject(Cooking);
  private readonly planning = inject(DayPlanning);

  protected readonly title = computed(() => `Soup on ${dateName(this.date())}`);
  private readonly answer = toSignal(toObservable(this.date).pipe(switchMap((date) => this.days.day$(date))));
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly list = toSignal(
    combineLatest([toObservable(this.answer), this.planning.stocked$]).pipe(
      switchMap(([answer]) => {
        const day = answer?.ok === true ? answer.value.day : undefined;
        if (day === undefined) return of(undefined);
        const served = day?.batches.filter(({ keeps }) => keeps !== true) ?? [];
        if (day === null || served.length === 0) return of([] as Told[]);
        return combineLatest([
          this.cards.cardsOf(served).then((soups) => this.planning.ask.menu({ day: { ...day, batches: served }, soups })),
          this.asCooked(served),
        ]).pipe(
          map(([planned, cooked]) =>
            served.flatMap((batch) => {
              const own = cooked.find(({ id }) => id === batch.id);
              const plan = planned.find(({ id }) => id === batch.id);
              const soup = own ?? plan;
              return soup === undefined ? [] : [told(batch, soup, own === undefined)];
            }),
          ),
        );
      }),
    ),
  );
  protected readonly soups = computed(() => [...(this.list() ?? [])].sort((a, b) => a.at.localeCompare(b.at)));

  constructor() {
    onKeys({
      p: () => {
        this.print();
      },
    });
  }

  /** Of what is on the stove, or was, what is really in it: a swap brings its own allergens. */
  private asCooked(batches: readonly DayBatch[]): Observable<MenuSoup[]> {
    const started = batches.flatMap(({ id, batchId }) => (batchId === undefined ? [] : [{ id, batchId }]));
    if (started.length === 0) return of([]);
    return combineLatest(
      started.map(({ id, batchId }) =>
        this.batches.batch$(batchId).pipe(
          switchMap(async (answer): Promise<MenuSoup | undefined> => {
            if (!answer.ok) return undefined;
            const view = await this.calculating.batch(answer.value);
            return { id, name: view.soup.name, shares: view.shares };
          }),
        ),
      ),
    ).pipe(map((all) => all.filter((one) => one !== undefined)));
  }

  protected print(): void {
    globalThis.print();
  }
}
