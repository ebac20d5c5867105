import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Gauge } from '../../parts/gauge';
import type { Askable } from '@tureen/core/why';
import type { WhyQuestion } from '../../services/why-asked';
import { bowlRows, gaugesOf } from './gauges';
import { Hand } from './hand';
import { bodyGauge, saltLines, type LandingLine } from './landing';

/** Before these, salt is still to come; after, it is too late. */
const SALTED_AT: ReadonlySet<string> = new Set(['season', 'tune', 'cream', 'simmer', 'film', 'dish', 'thin', 'add', 'hold']);

/** The gauges in the order of tasting, each with at most three ways to land it. */
@Component({
  selector: 'tt-gauges-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Gauge],
  template: `
    <section class="gauges" aria-label="Gauges">
      @for (gauge of gauges(); track gauge.name) {
        <tt-gauge [of]="gauge" [why]="asked(gauge.why)" />
        @for (way of gauge.name === 'Salt' ? salt() : []; track way.key) {
          <button type="button" class="press way" (click)="land.emit(way)">
            {{ way.text }} <span class="soft">{{ way.also }}</span>
          </button>
        }
      }
      @if (body(); as own) {
        <tt-gauge [of]="own.gauge" [why]="asked('body')" />
        @if (own.says !== '') {
          <p class="soft">{{ own.says }}</p>
        }
        @for (way of own.lines; track way.key) {
          @if (way.aim || way.ladleOutKg) {
            <button type="button" class="press way" (click)="land.emit(way)">
              {{ way.text }} <span class="soft">{{ way.also }}</span>
            </button>
          } @else {
            <p class="way">
              {{ way.text }} <span class="soft">{{ way.also }}</span>
            </p>
          }
        }
      }
      @if (hand.aimed(); as aim) {
        <p class="aim" role="status">{{ aim.text }}</p>
        @if (aim.done) {
          <button type="button" class="press way" (click)="again.emit(aim.then)">
            Look again <span class="soft">stirred first</span>
          </button>
        }
      }
      <h2>Each bowl will carry</h2>
      <dl class="facts">
        @for (row of bowl(); track row.name) {
          <dt>{{ row.name }}</dt>
          <dd>{{ row.value }}</dd>
        }
      </dl>
    </section>
  `,
  styleUrl: './gauges-panel.less',
})
export class GaugesPanel {
  protected readonly hand = inject(Hand);
  readonly land = output<LandingLine>();
  readonly again = output<string>();
  protected readonly gauges = computed(() => {
    const view = this.hand.view();
    return view === undefined ? [] : gaugesOf(view, this.hand.units());
  });
  protected readonly salt = computed(() => {
    const view = this.hand.view();
    return view === undefined || !SALTED_AT.has(this.hand.step()?.op ?? '')
      ? []
      : saltLines(view, this.hand.nameOf(), this.hand.units());
  });
  protected readonly body = computed(() => {
    const view = this.hand.view();
    return view === undefined ? undefined : bodyGauge(view, this.hand.nameOf(), this.hand.units(), this.hand.nowMs());
  });
  protected readonly bowl = computed(() => {
    const view = this.hand.view();
    return view === undefined ? [] : bowlRows(view);
  });

  /** A figure of the batch, for whoever asks why it is what it is. */
  protected asked(figure: Askable): WhyQuestion | undefined {
    const soup = this.hand.view()?.soup;
    return soup === undefined ? undefined : { soup, request: undefined, figure, batch: this.hand.watched.asked };
  }
}
