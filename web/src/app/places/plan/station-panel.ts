import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { cautionSentence, hurts, stepSentence } from '@tureen/core/messages';
import { showMinutes, type UnitSystem } from '@tureen/core/units';
import type { PlanView } from '../../cooking/views';
import { mass } from '../figures';
import { stationsOf } from '../stations';

/** Station by station: its minutes, what goes in, what to mind there. */
@Component({
  selector: 'tt-station-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (station of stations(); track $index) {
      <section class="sheet">
        <h3>
          {{ station.name }} <span class="soft">{{ station.minutes }}</span>
        </h3>
        <ol>
          @for (step of station.steps; track $index) {
            <li>{{ step }}</li>
          }
        </ol>
        <p>
          @for (row of station.rows; track $index) {
            <span class="row"
              >{{ row.name }} <b>{{ row.amount }}</b></span
            >
          }
        </p>
        @for (caution of station.cautions; track caution.text) {
          <p class="caution" [class.hurt]="caution.hurts">{{ caution.text }}</p>
        }
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
      gap: 14px;
    }
    h3 {
      display: flex;
      justify-content: space-between;
      font-size: 20px;
    }
    h3 .soft {
      font-size: 17px;
      font-weight: 400;
    }
    li {
      padding: 4px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .row {
      display: inline-block;
      margin: 6px 12px 0 0;
    }
    .caution {
      margin-top: 8px;
    }
  `,
})
export class StationPanel {
  readonly view = input.required<PlanView>();
  readonly units = input.required<UnitSystem>();
  readonly nameOf = input.required<(lineId: string) => string>();

  protected readonly stations = computed(() => {
    const view = this.view();
    const nameOf = this.nameOf();
    return stationsOf(view.soup, view, nameOf, this.units()).map(({ name, minutes, steps, rows }) => {
      const ids = new Set(steps.map(({ id }) => id));
      const seen = new Set<string>();
      return {
        name,
        minutes: showMinutes(minutes),
        steps: steps.map((step) => stepSentence(step, nameOf, this.units())),
        rows: rows.map((row) => ({ name: row.name, amount: mass(row.kg, this.units()) })),
        cautions: view.cautions.flatMap(({ stepId, caution }) => {
          if (stepId === undefined || !ids.has(stepId) || seen.has(caution.code)) return [];
          seen.add(caution.code);
          return [{ text: cautionSentence(caution, nameOf, this.units()), hurts: hurts(caution) }];
        }),
      };
    });
  });
}
