import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { dayOf } from '@tureen/core/kit';
import { Clock } from '../../services/clock';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { bowlsOf, dayWords } from '../cold/container-words';

/** What of a soup stands in the cold already, so that nobody makes what is there. */
@Component({
  selector: 'tt-kept-bowls',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (kept(); as own) {
    <p class="no-print">
      In the cold already: <a routerLink="/cold">{{ own.words }}</a>. They are not taken off the plan: ask for as many fewer if they
      go out first.
    </p>
  }`,
  styles: `
    p {
      margin: 0 0 10px;
      font-size: 17px;
    }
    a {
      color: var(--cobalt);
      font-weight: 650;
      text-decoration: underline;
    }
  `,
})
export class KeptBowls {
  private readonly clock = inject(Clock);
  private readonly cold = toSignal(inject(Stock).cold$);
  readonly soupId = input.required<string>();
  protected readonly kept = computed(() => {
    const cold = this.cold();
    if (cold?.ok !== true) return undefined;
    const today = dayOf(this.clock.now(), kitchenZone());
    const own = cold.value.containers.filter(({ contents, useBy, state }) => {
      return contents.soupId === this.soupId() && useBy.day >= today && state !== 'cooling';
    });
    const bowls = (frozen: boolean): number =>
      own.filter(({ state }) => (state === 'frozen') === frozen).reduce((sum, { kg, contents }) => sum + bowlsOf(kg, contents), 0);
    const [fresh, frozen] = [bowls(false), bowls(true)];
    const first = own.find(({ state }) => state !== 'frozen');
    const words = [
      ...(fresh > 0 && first !== undefined
        ? [`${String(fresh)} bowls in the fridge, the first to ${dayWords(first.useBy.day)}`]
        : []),
      ...(frozen > 0 ? [`${String(frozen)} bowls frozen`] : []),
    ].join(', ');
    return words === '' ? undefined : { words };
  });
}
