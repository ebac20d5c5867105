import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import { placeWords } from '@tureen/core/messages';
import type { CooledPan, CoolingDebrief, TrueStage } from '@tureen/core/practice';
import { showMinutes } from '@tureen/core/units';
import type { CurveView } from '../../cooking/cold-view';
import { Choice } from '../../parts/choice';
import { CoolingChart } from '../cold/cooling-chart';
import { mass } from '../figures';
import { harmWords } from './debrief-words';
import { MarksTable } from './marks-table';
import { heat, kitchenUnits } from '../../services/units';

const HOUR_MIN = 60;
const RECORDED: Readonly<Record<TrueStage['recorded'], string>> = {
  kept: 'kept, by what you read',
  missed: 'missed, by what you read',
  'not shown': 'not shown by any reading',
};

function stageWords({ stage: { fromC, toC, withinMin }, minutes, recorded }: TrueStage): string {
  const from = fromC === undefined ? 'since it was portioned' : `from ${heat(fromC)}`;
  const took = minutes === undefined ? 'not within a day' : showMinutes(minutes);
  return `to ${heat(toC)} ${from}: ${took} of ${showMinutes(withinMin)} allowed; ${RECORDED[recorded]}`;
}

function curveOf({ curve, readings, stages }: CooledPan): CurveView {
  const at = (toC: number): number => (curve.find(([, tempC]) => tempC <= toC)?.[0] ?? 0) / HOUR_MIN;
  return {
    middle: curve.map(([minute, y]) => ({ x: minute / HOUR_MIN, y })),
    slow: [],
    fast: [],
    rule: stages.flatMap(({ stage: { fromC, toC, withinMin } }, n) => {
      const from = fromC === undefined ? 0 : at(fromC);
      const end = { x: from + withinMin / HOUR_MIN, y: toC };
      return n === 0 ? [{ x: from, y: fromC ?? curve[0]?.[1] ?? 0 }, end] : [end];
    }),
    readings: readings.map(([minute, y]) => ({ x: minute / HOUR_MIN, y })),
  };
}

/** What putting a soup away came to: how the middle of each pan really cooled, against the rule and against what was read. */
@Component({
  selector: 'tt-pans-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, CoolingChart, MarksTable],
  template: `<tt-marks-table [judged]="debrief().marks" />
    @if (shown(); as pan) {
      <section class="pan" aria-labelledby="pan-title">
        <div class="words">
          <h2 id="pan-title">What was true of it</h2>
          @if (choices().length > 1) {
            <tt-choice label="which pan" [options]="choices()" [value]="at()" (chosen)="at.set($event)" />
          }
          <p class="soft">{{ pan.vessel }}, {{ kept(pan) }}</p>
          @if (pan.isCooling) {
            <p class="caution" role="status">
              <span>It still cools: this is how it goes on if it is left alone. Go back to the cold, and say when it is cold.</span>
            </p>
          }
          <ul>
            @for (stage of pan.stages; track stage.stage.toC) {
              <li>
                <span aria-hidden="true">{{ isKept(stage) ? '✓' : '✗' }}</span> {{ said(stage) }}
              </li>
            }
          </ul>
        </div>
        <tt-cooling-chart
          [curve]="curve()"
          sinceWords="hours since it was left over"
          [label]="'How its middle really cooled. ' + chartWords()"
        />
      </section>
    }
    <div class="debrief-cards">
      @for (harm of harms(); track $index) {
        <section class="harm">
          <h2>▲ {{ harm.title }}</h2>
          <p>{{ harm.words }}</p>
        </section>
      }
      <section>
        <h2>The fewest pans that would have done</h2>
        <p>{{ best() }}</p>
      </section>
      @if (harms().length > 0) {
        <section>
          <h2>To practise</h2>
          <p>{{ hint() }}</p>
        </section>
      }
    </div>`,
  styles: `
    :host {
      display: grid;
      gap: 18px;
    }
    .pan {
      display: grid;
      grid-template-columns: minmax(280px, 400px) minmax(0, 1fr);
      gap: 28px;
      max-width: 1160px;
    }
    .words {
      display: grid;
      gap: 10px;
      align-content: start;
    }
    tt-cooling-chart {
      height: 320px;
    }
    ul {
      display: grid;
      gap: 6px;
      padding: 0;
      list-style: none;
    }
    h2 {
      font-size: 19px;
      font-weight: 700;
    }
    @media (max-width: 860px) {
      .pan {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class PansDebrief {
  readonly debrief = input.required<CoolingDebrief>();
  /** What a coach would say. */
  readonly hint = input.required<string>();

  protected readonly choices = computed(() =>
    this.debrief().pans.map(({ id, isKept }, n) => ({ value: id, name: `${isKept ? '✓' : '✗'} pan ${String(n + 1)}` })),
  );
  /** The one that went worst is looked at first. */
  protected readonly at = linkedSignal(() => {
    const { pans } = this.debrief();
    return (pans.find(({ isKept, keptKg }) => !isKept && keptKg > 0) ?? pans[0])?.id ?? '';
  });
  protected readonly shown = computed(() => this.debrief().pans.find(({ id }) => id === this.at()));
  protected readonly curve = computed((): CurveView => {
    const pan = this.shown();
    return pan === undefined ? { middle: [], slow: [], fast: [], rule: [], readings: [] } : curveOf(pan);
  });
  protected readonly chartWords = computed(() => (this.shown()?.stages ?? []).map(stageWords).join('. '));
  protected readonly harms = computed(() => this.debrief().harms.map(harmWords));
  protected readonly best = computed(() => {
    const { best } = this.debrief();
    if (best === undefined) return 'None of this kitchen’s places would have cooled it in time: it was to be thrown away.';
    const { place, isStirred, depthM, pans, stages } = best;
    const times = stages.map(({ stage: { toC }, minutes }) => `${heat(toC)} after ${showMinutes(minutes)}`).join(', ');
    return `${String(pans)} ${pans === 1 ? 'pan' : 'pans'}, up to ${placeWords({ depthM, place, isStirred, iceKg: 0 }, kitchenUnits())}: ${times}.`;
  });

  protected kept({ keptKg }: CooledPan): string {
    return keptKg > 0 ? `${mass(keptKg, kitchenUnits())} kept` : 'thrown away or poured elsewhere';
  }

  protected isKept({ stage, minutes }: TrueStage): boolean {
    return minutes !== undefined && minutes <= stage.withinMin;
  }

  protected said(stage: TrueStage): string {
    return stageWords(stage);
  }
}
