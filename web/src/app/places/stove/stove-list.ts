import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Batches } from '../../services/batches';
import { day, timeOfDay } from '../figures';

/** Batches that are being cooked; the way back to one after the tablet slept. */
@Component({
  selector: 'tt-stove-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>On the stove</h1>
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    } @else {
      <ul>
        @for (batch of cooking(); track batch.id) {
          <li>
            <a class="press" [routerLink]="['/stove', batch.id]"
              ><span class="soup-name">{{ batch.soupName }}</span>
              <span>{{ batch.request.bowls }} bowls · since {{ day(batch.startedAtMs) }}, {{ time(batch.startedAtMs) }}</span></a
            >
          </li>
        } @empty {
          <li class="none">
            Nothing is being cooked. Choose a soup, plan it, start it. <a class="press main" routerLink="/plan">Plan a batch</a>
          </li>
        }
      </ul>
    }
  </main>`,
  styles: `
    ul {
      display: grid;
      gap: 12px;
      max-width: 860px;
    }
    .press {
      width: 100%;
      box-sizing: border-box;
      justify-content: space-between;
    }
    .soup-name {
      color: var(--cobalt);
      font-size: 22px;
    }
    .none {
      display: grid;
      gap: 16px;
      font-size: 19px;
    }
  `,
})
export class StoveList {
  private readonly answer = toSignal(inject(Batches).open$);
  protected readonly day = day;
  protected readonly time = timeOfDay;
  protected readonly cooking = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.batches : [];
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
}
