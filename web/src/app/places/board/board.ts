import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Batches } from '../../services/batches';
import { day, timeOfDay } from '../figures';

@Component({
  selector: 'tt-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>Board</h1>
    @if (cooking(); as list) {
      <section class="sheet">
        <h2>On the stove</h2>
        @for (batch of list; track batch.id) {
          <a class="press" [routerLink]="['/stove', batch.id]">
            <span class="soup-name">{{ batch.soupName }}</span> {{ batch.request.bowls }} bowls, since {{ day(batch.startedAtMs) }}
            {{ time(batch.startedAtMs) }}
          </a>
        } @empty {
          <p>Nothing is being cooked. Choose a soup on the shelf and plan a batch.</p>
          <a class="press main" routerLink="/shelf">To the Shelf</a>
        }
      </section>
    }
    <section class="sheet soft">
      <p>Not built yet: the day’s soups on the real kit, what needs you next, and which clock is running out.</p>
    </section>
  </main>`,
  styles: `
    .soup-name {
      font-size: 22px;
    }
    .sheet {
      display: grid;
      gap: 14px;
      justify-items: start;
      max-width: 760px;
      font-size: 19px;
    }
    h2 {
      font-size: 21px;
    }
  `,
})
export class Board {
  private readonly answer = toSignal(inject(Batches).open$);
  protected readonly day = day;
  protected readonly time = timeOfDay;
  protected readonly cooking = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.batches : undefined;
  });
}
