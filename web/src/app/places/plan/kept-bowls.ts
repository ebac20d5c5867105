import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { dayOf } from '@tureen/core/kit';
import { keptBowls } from '@tureen/core/stock';
import { map, timer } from 'rxjs';
import { Clock } from '../../services/clock';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { dayWords } from '../cold/container-words';

const LOOK_MS = 60_000;

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
        <button type="button" class="press" (click)="cook.emit(wanted())">Cook all {{ wanted() }}</button>
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
  /** So many are to be cooked instead. */
  readonly cook = output<number>();

  private readonly clock = inject(Clock);
  private readonly answer = toSignal(inject(Stock).cold$);
  private readonly today = toSignal(timer(0, LOOK_MS).pipe(map(() => dayOf(this.clock.now(), kitchenZone()))), {
    initialValue: dayOf(this.clock.now(), kitchenZone()),
  });
  private readonly containers = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.containers : [];
  });
  private readonly kept = computed(() => keptBowls(this.containers(), this.soupId(), this.bowlG(), this.today()));

  /** How many were wanted when some of them were to be brought back, and how many that left; forgotten when another number is typed. */
  private readonly split = linkedSignal<number, { readonly wanted: number; readonly cooked: number } | undefined>({
    source: () => this.bowls(),
    computation: (bowls, before) => (before?.value?.cooked === bowls ? before.value : undefined),
  });
  protected readonly isLess = computed(() => this.split() !== undefined);
  protected readonly wanted = computed(() => this.split()?.wanted ?? this.bowls());
  protected readonly left = computed(() => Math.max(0, this.wanted() - this.kept().bowls));
  protected readonly words = computed(() => {
    const { bowls, frozenBowls } = this.kept();
    const split = this.split();
    if (split !== undefined)
      return `${bowlWords(split.wanted)} are wanted: ${String(split.wanted - split.cooked)} brought back, ${String(split.cooked)} cooked. What goes on top of those that are brought back is not on the pull list.`;
    const frozen =
      frozenBowls > 0
        ? `${bowlWords(frozenBowls)} of it ${frozenBowls === 1 ? 'is' : 'are'} frozen: thawed from the day before they could be brought back.`
        : '';
    if (bowls === 0) return frozen;
    const all = this.left() === 0 ? ` Nothing need be cooked for ${String(this.wanted())}.` : '';
    return `${bowlWords(bowls)} of it ${bowls === 1 ? 'stands' : 'stand'} in the cold already.${all}${frozen === '' ? '' : ` ${frozen}`}`;
  });
  protected readonly places = computed(() =>
    this.kept().ready.map(({ container: { id, store, useBy }, bowls }) => ({
      id,
      words: `${bowlWords(bowls)}, ${store.name}, use by ${dayWords(useBy.day)}`,
    })),
  );
  protected less(): void {
    const cooked = this.left();
    this.split.set({ wanted: this.wanted(), cooked });
    this.cook.emit(cooked);
  }
}
