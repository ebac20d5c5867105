import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { keptBowls } from '@tureen/core/stock';
import { coldToday } from '../cold-today';
import { dayWords } from '../cold/container-words';

function bowlWords(count: number): string {
  return `${String(count)} ${count === 1 ? 'bowl' : 'bowls'}`;
}

/** Bowls of a soup that stand in the cold and could be brought back instead of cooked. */
@Component({
  selector: 'tt-kept-bowls',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (words(); as text) {
    <p class="kept">
      <span>{{ text }}</span>
      @for (one of places(); track one.id) {
        <a [routerLink]="['/cold', one.id]" [queryParams]="{ ask: 'reheated' }">{{ one.words }}</a>
      }
      @if (isLess()) {
        <button type="button" class="press" (click)="all()">Cook all {{ wanted() }}</button>
      } @else if (left() > 0 && left() < wanted()) {
        <button type="button" class="press" (click)="less()">Bring them back, cook {{ left() }}</button>
      }
    </p>
  }`,
  styles: `
    .kept {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 14px;
      align-items: center;
    }
    a {
      color: var(--cobalt);
    }
  `,
})
export class KeptBowlsLine {
  readonly soupId = input.required<string>();
  readonly bowlG = input.required<number>();
  /** How many bowls are to be cooked as the plan stands. */
  readonly bowls = input.required<number>();
  /** How many of them the plan brings back already. */
  readonly broughtBack = input.required<number>();
  /** The day (YYYY-MM-DD) on which they are wanted, where that is not today. */
  readonly on = input<string>();
  /** Bowls of the same size that are brought back for something else, on that day or another: they are there once. */
  readonly elsewhere = input(0);
  /** So many are to be cooked, and so many brought back, instead. */
  readonly cook = output<{ readonly bowls: number; readonly broughtBack: number }>();

  private readonly cold = coldToday();
  private readonly day = computed(() => this.on() ?? this.cold.today());
  private readonly kept = computed(() => {
    const kept = keptBowls(this.cold.containers() ?? [], this.soupId(), this.bowlG(), this.day());
    return { ...kept, bowls: Math.max(0, kept.bowls - this.elsewhere()), promised: Math.min(kept.bowls, this.elsewhere()) };
  });

  protected readonly isLess = computed(() => this.broughtBack() > 0);
  /** Both that are cooked and that are brought back. */
  protected readonly wanted = computed(() => this.bowls() + this.broughtBack());
  protected readonly left = computed(() => Math.max(0, this.wanted() - this.kept().bowls));
  protected readonly words = computed(() => {
    const { bowls, frozenBowls, promised } = this.kept();
    const more = promised > 0 ? `, and ${bowlWords(promised)} more that ${promised === 1 ? 'is' : 'are'} promised already` : '';
    const back = this.broughtBack();
    if (back > 0) {
      const missing =
        back > bowls
          ? ` Only ${bowlWords(bowls)} of it can be brought back${this.on() === undefined ? ' by now' : ' on that day'}.`
          : '';
      return `${bowlWords(this.wanted())} in all: ${String(back)} brought back, ${String(this.bowls())} cooked. What goes on top of those that are brought back is not on the pull list.${missing}`;
    }
    const frozen =
      frozenBowls > 0
        ? `${bowlWords(frozenBowls)} of it ${frozenBowls === 1 ? 'is' : 'are'} frozen: thawed from the day before they could be brought back.`
        : '';
    if (bowls === 0) return frozen;
    const all = this.left() === 0 ? ` Nothing need be cooked for ${String(this.wanted())}.` : '';
    return `${bowlWords(bowls)} of it ${bowls === 1 ? 'stands' : 'stand'} in the cold already${more}.${all}${frozen === '' ? '' : ` ${frozen}`}`;
  });
  protected readonly places = computed(() =>
    this.kept().ready.map(({ container: { id, store, useBy }, bowls }) => ({
      id,
      words: `${bowlWords(bowls)}, ${store.name}, use by ${dayWords(useBy.day)}`,
    })),
  );
  protected less(): void {
    const cooked = this.left();
    this.cook.emit({ bowls: cooked, broughtBack: this.wanted() - cooked });
  }

  protected all(): void {
    this.cook.emit({ bowls: this.wanted(), broughtBack: 0 });
  }
}
