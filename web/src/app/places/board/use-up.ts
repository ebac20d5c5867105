import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { emptyDay, serviceOf, type DayBatch } from '@tureen/core/board';
import { freeId } from '@tureen/core/draft';
import type { ShoppingRow } from '@tureen/core/shop';
import { plusDays } from '@tureen/core/stock';
import type { UnitSystem } from '@tureen/core/units';
import { combineLatest, of, switchMap } from 'rxjs';
import { DayPlanning } from '../../cooking/day-planning';
import type { UseUpView, UseUpWay, UsingSoup } from '../../cooking/use-up-view';
import { AmountField } from '../../parts/amount-field';
import { Days } from '../../services/days';
import { Soups } from '../../services/soups';
import { Supplies } from '../../services/supplies';
import { mass, money } from '../figures';
import { dateName } from './dates';

/** Soon is to the end of so many days behind the one that is shopped for. */
const SOON_DAYS = 2;
const USUAL_BOWLS = 40;
/** Soups of the shelf that are looked through. */
const MOST_SOUPS = 200;

const NONE: UseUpView = { soon: [], ways: [] };

/** What is on hand and goes off soon, and which soups of the shelf use the most of it. */
@Component({
  selector: 'tt-use-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountField],
  template: `@if (view().soon.length > 0) {
    <section aria-labelledby="goes-off" class="sheet">
      <h2 id="goes-off">
        Goes off soon <span class="soft">by the end of {{ until() }}, beside what this list needs</span>
      </h2>
      <ul>
        @for (one of soon(); track one.ingredient) {
          <li>
            <strong>{{ one.mass }}</strong> {{ one.name }}
            <span [class.due]="one.isDue" [class.soft]="!one.isDue">{{ one.when }}</span>
          </li>
        }
      </ul>
      <p class="soft">By usual keeping times from the day it came. Look, smell, and go by the label and your local rules first.</p>
      <p class="ask no-print">
        <tt-amount
          before="use it up in at most"
          label="Bowls of all soups together"
          unit="bowls"
          [step]="4"
          [least]="8"
          [most]="2000"
          [start]="bowls()"
          (committed)="bowls.set($event)"
        />
      </p>
      @for (way of ways(); track way.words) {
        <article>
          <p>
            <strong>{{ way.words }}</strong>
            <span class="soft">{{ way.takes }}</span>
            <span>{{ way.worth }}</span>
          </p>
          <button
            type="button"
            class="press no-print"
            [attr.aria-disabled]="isAdding() || null"
            [attr.aria-label]="'Add to the day: ' + way.words"
            (click)="add(way.way)"
          >
            Add to the day
          </button>
        </article>
      } @empty {
        <p>No soup on the shelf takes any of it in so many bowls. Swap it into one, or throw it away and enter it.</p>
      }
    </section>
  }`,
  styles: `
    section {
      display: grid;
      gap: 12px;
    }
    h2 {
      font-size: 22px;
    }
    h2 .soft {
      margin-left: 10px;
      font-weight: 400;
      font-size: 17px;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 32px;
      padding: 0;
      list-style: none;
      font-size: 19px;
    }
    li span {
      margin-left: 8px;
      font-size: 17px;
    }
    .due {
      color: var(--red);
      font-weight: 700;
    }
    article {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 8px 22px;
      align-items: center;
      padding-top: 12px;
      border-top: 1px solid var(--hairline);
    }
    article p {
      display: grid;
      gap: 2px;
      font-size: 17px;
    }
    article strong {
      font-size: 19px;
    }
    .ask {
      font-size: 18px;
    }
  `,
})
export class UseUp {
  readonly date = input.required<string>();
  /** What is planned takes of it already. */
  readonly needed = input.required<readonly ShoppingRow[]>();
  readonly units = input.required<UnitSystem>();
  readonly currency = input<string>();
  readonly said = output<string>();
  readonly refused = output<string>();

  private readonly days = inject(Days);
  private readonly soups = inject(Soups);
  private readonly supplies = inject(Supplies);
  private readonly planning = inject(DayPlanning);

  private readonly stocked = toSignal(this.planning.stocked$);
  protected readonly bowls = signal(USUAL_BOWLS);
  protected readonly isAdding = signal(false);
  protected readonly until = computed(() => dateName(plusDays(this.date(), SOON_DAYS)));
  private readonly dayMs = computed(() => Date.parse(`${this.date()}T00:00:00Z`));
  private readonly untilMs = computed(() => Date.parse(`${plusDays(this.date(), SOON_DAYS + 1)}T00:00:00Z`));

  private readonly shelf$ = this.soups.shelf$.pipe(
    switchMap((answer) => {
      const ids = answer.ok ? answer.value.soups.filter(({ retired }) => !retired).map(({ id }) => id) : [];
      return ids.length === 0 ? of(undefined) : this.soups.some(ids.slice(0, MOST_SOUPS));
    }),
  );
  private readonly found = toSignal(
    combineLatest([
      this.shelf$,
      this.supplies.supplies$,
      this.planning.stocked$,
      toObservable(this.needed),
      toObservable(this.bowls),
      toObservable(this.untilMs),
    ]).pipe(
      switchMap(async ([shelf, supplies, , needed, mostBowls, untilMs]) => {
        if (shelf?.ok !== true || !supplies.ok) return NONE;
        const cards = shelf.value.soups.map(({ soup }) => soup);
        return this.planning.ask.useUp({ ...supplies.value, needed, soups: cards, dayMs: this.dayMs(), untilMs, mostBowls });
      }),
    ),
  );
  protected readonly view = computed(() => this.found() ?? NONE);

  protected readonly soon = computed(() =>
    this.view().soon.map(({ ingredient, name, kg, byMs, isRisky }) => {
      const isDue = byMs < this.dayMs();
      const day = dateName(new Date(byMs).toISOString().slice(0, 10));
      const when = !isDue ? `use by ${day}` : `▲ due ${day}, before this day${isRisky ? ': in no soup' : ''}`;
      return { ingredient, name, mass: mass(kg, this.units()), isDue, when };
    }),
  );
  protected readonly ways = computed(() =>
    this.view().ways.map((way) => ({
      way,
      words: way.soups.map(({ bowls, name }) => `${String(bowls)} bowls of ${name}`).join(' and '),
      takes: this.takes(way.soups),
      worth: `saves ${money(way.value, this.currency())}; what it needs beside costs ${money(way.besideCost, this.currency())}${this.left(way)}`,
    })),
  );

  private takes(soups: readonly UsingSoup[]): string {
    const all = new Map<string, number>();
    for (const { takes } of soups) for (const { name, kg } of takes) all.set(name, (all.get(name) ?? 0) + kg);
    return `uses ${[...all].map(([name, kg]) => `${mass(kg, this.units())} ${name.toLowerCase()}`).join(', ')}`;
  }

  private left({ left }: UseUpWay): string {
    return left.length === 0
      ? '; nothing of it is left'
      : `; left ${left.map(({ name, kg }) => `${mass(kg, this.units())} ${name.toLowerCase()}`).join(', ')}`;
  }

  /** Puts the soups of a choice on the day, beside what is there. */
  protected async add({ soups }: UseUpWay): Promise<void> {
    if (this.isAdding()) return;
    this.isAdding.set(true);
    this.refused.emit('');
    const sentence = await this.put(soups);
    this.isAdding.set(false);
    if (sentence === undefined) this.said.emit(`On the day now: ${soups.map(({ name }) => name).join(' and ')}.`);
    else this.refused.emit(sentence);
  }

  /** @returns why it was refused; undefined where it was kept. */
  private async put(soups: readonly UsingSoup[]): Promise<string | undefined> {
    const answer = await this.days.once(this.date());
    if (!answer.ok) return answer.refusal.sentence;
    const kit = this.stocked()?.kit;
    if (kit === undefined) return 'Set up the kitchen first: the day needs its people.';
    const day = answer.value.day ?? emptyDay(this.date(), kit);
    const at = serviceOf(day);
    const batches: DayBatch[] = [...day.batches];
    for (const { soupId, bowls, bowlG } of soups) {
      const id = freeId(soupId, new Set(batches.map((batch) => batch.id)));
      batches.push({ id, soupId, request: { bowls, bowlG }, at });
    }
    const kept = await this.days.save({ ...day, batches }, answer.value.changedAtMs);
    return kept.ok ? undefined : kept.refusal.sentence;
  }
}
