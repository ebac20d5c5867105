import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stepName } from '@tureen/core/messages';
import { stationsOf } from '../stations';
import { Hand } from './hand';

/** The stations with what is done, and what else runs or can start. */
@Component({
  selector: 'tt-stations-column',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol class="stations" aria-label="Stations">
      @for (station of stations(); track $index) {
        <li [class.now]="station.now" [class.done]="station.done">
          <span class="dot" aria-hidden="true" [style.background]="station.done ? colour() : null"></span>
          <span class="name">{{ station.name }}</span> <span class="soft">{{ station.done ? 'done' : station.count }}</span>
          @if (station.now) {
            <ol>
              @for (one of station.steps; track one.id) {
                <li [attr.aria-current]="one.now ? 'step' : null" [class.past]="one.status === 'done' || one.status === 'skipped'">
                  {{ one.name }}{{ one.status === 'skipped' ? ', skipped' : '' }}
                </li>
              }
            </ol>
          }
        </li>
      }
    </ol>
    @if (beside().length > 0) {
      <section class="beside" aria-label="Beside this step">
        <h3>Meanwhile</h3>
        @for (one of beside(); track one.id) {
          <button type="button" class="press" (click)="hand.take(one.id)">
            {{ one.name }} <span class="soft">{{ one.started ? 'runs' : 'can start' }}, {{ one.where }}</span>
          </button>
        }
      </section>
    }
  `,
  styleUrl: './stations-column.less',
})
export class StationsColumn {
  protected readonly hand = inject(Hand);
  protected readonly colour = computed(() => this.hand.view()?.pot.colour ?? null);
  protected readonly beside = computed(() =>
    this.hand.beside().map(({ step, branchName, started }) => ({
      id: step.id,
      name: stepName(step, this.hand.nameOf()),
      where: branchName.toLowerCase(),
      started,
    })),
  );
  protected readonly stations = computed(() => {
    const view = this.hand.view();
    if (view === undefined) return [];
    const status = new Map(view.steps.map((one) => [one.stepId, one]));
    const current = this.hand.step()?.id;
    return stationsOf(view.soup, undefined, this.hand.nameOf(), this.hand.units()).map((station) => {
      const isOver = (id: string): boolean => ['done', 'skipped'].includes(status.get(id)?.status ?? '');
      const done = station.steps.filter(({ id }) => isOver(id)).length;
      const now = station.steps.some(({ id }) => id === current);
      return {
        name: station.name,
        now,
        done: done === station.steps.length,
        steps: now
          ? station.steps.map((step) => ({
              id: step.id,
              name: stepName(step, this.hand.nameOf()),
              now: step.id === current,
              status: status.get(step.id)?.status ?? 'ahead',
            }))
          : [],
        count: `${String(done)} of ${String(station.steps.length)}`,
      };
    });
  });
}
