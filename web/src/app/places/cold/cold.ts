import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { showMinutes } from '@tureen/core/units';
import { map, timer } from 'rxjs';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { day, mass, timeOfDay } from '../figures';

const MINUTE_MS = 60_000;
const LOOK_MS = 30_000;

/** What came off the stove to be kept. Cooling curves, labels and use-by days are not built yet; this is the list they start from. */
@Component({
  selector: 'tt-cold',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    <h1>Cold</h1>
    <section class="sheet">
      @if (trouble(); as text) {
        <p class="caution" role="alert">{{ text }}</p>
      } @else {
        <ul>
          @for (one of stored(); track one.entryId) {
            <li>
              <strong>{{ one.mass }}</strong>
              <a [routerLink]="['/ledger', one.batchId]">{{ one.soupName }}</a>
              <span class="soft">since {{ one.since }}, {{ one.ago }} ago{{ one.who === '' ? '' : ', by ' + one.who }}</span>
            </li>
          } @empty {
            <li>
              Nothing was left over. At the end of a batch, “left over, to the cold” puts it here with its kilos and its time.
            </li>
          }
        </ul>
      }
      <p class="caution">
        57 to 21 °C within 2 h, to 5 °C within 6 h in all (FDA Food Code 2022, 3-501.14): shallow pans or an ice bath, a large pot
        is too slow. Local food law comes first.
      </p>
      <p class="soft">How fast it cools, labels with use-by days, and what stands in fridge and freezer are not built yet.</p>
    </section>
  </main>`,
  styles: `
    .sheet {
      display: grid;
      gap: 14px;
      max-width: 860px;
      font-size: 19px;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 6px 16px;
      padding: 10px 0;
      border-bottom: 1px solid var(--hairline);
    }
    strong {
      font-size: 26px;
    }
  `,
})
export class Cold {
  private readonly batches = inject(Batches);
  private readonly clock = inject(Clock);
  private readonly answer = resource({ loader: () => this.batches.stored() });
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly trouble = computed(() => {
    const answer = this.answer.value();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly stored = computed(() => {
    const answer = this.answer.value();
    if (answer?.ok !== true) return [];
    return answer.value.stored.map(({ atMs, kg, ...one }) => ({
      ...one,
      mass: mass(kg, 'metric'),
      since: `${day(atMs)} ${timeOfDay(atMs)}`,
      ago: showMinutes(Math.max(0, this.nowMs() - atMs) / MINUTE_MS),
    }));
  });
}
