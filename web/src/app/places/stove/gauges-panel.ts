import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Gauge } from '../../parts/gauge';
import type { Askable } from '@tureen/core/why';
import type { WhyQuestion } from '../../services/why-asked';
import { bowlRows, gaugesOf } from './gauges';
import { Hand } from './hand';
import { bodyGauge } from './landing';

/** The gauges in the order of tasting. */
@Component({
  selector: 'tt-gauges-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Gauge],
  template: `
    <section class="gauges" aria-label="Gauges">
      @for (gauge of gauges(); track gauge.name) {
        <tt-gauge [of]="gauge" [why]="asked(gauge.why)" />
      }
      @if (body(); as own) {
        <tt-gauge [of]="own.gauge" [why]="asked('body')" />
        @if (own.lines.length === 0 && own.says !== '') {
          <p class="soft">{{ own.says }}</p>
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
  protected readonly gauges = computed(() => {
    const view = this.hand.view();
    return view === undefined ? [] : gaugesOf(view, this.hand.units());
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
