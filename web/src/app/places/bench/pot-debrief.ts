import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { WAY_WORDS } from '@tureen/core/messages';
import { showMinutes } from '@tureen/core/units';
import type { DebriefView } from '../../cooking/bench-view';
import { mass } from '../figures';
import { bandsOf } from './debrief-bands';
import { figure, harmWords, turnWords } from './debrief-words';
import { MarksTable } from './marks-table';

/** Less than this is no advice, kg. */
const WORTH_WATER_KG = 0.1;
const WORTH_SALT_KG = 0.002;

/** What a pot of a practice came to: marks, three ribbons over one another, and the moments that mattered. */
@Component({
  selector: 'tt-pot-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MarksTable],
  template: `<tt-marks-table [judged]="view().marks" />
    @if (bands(); as drawn) {
      <svg [attr.viewBox]="'0 0 ' + drawn.width + ' ' + drawn.height" role="img" [attr.aria-label]="summary()">
        @for (band of drawn.bands; track band.name) {
          <text x="0" [attr.y]="band.labelY" class="name">{{ band.name }}</text>
          <path [attr.d]="band.path" [attr.class]="band.kind" [style.fill]="band.kind === 'believed' ? 'none' : view().colour" />
        }
        @for (turn of drawn.turns; track turn.n) {
          <line [attr.x1]="turn.x" [attr.x2]="turn.x" y1="30" [attr.y2]="drawn.height - 30" />
          <circle [attr.cx]="turn.x" cy="16" r="14" />
          <text [attr.x]="turn.x" y="22" class="n">{{ turn.n }}</text>
        }
        @for (label of drawn.labels; track label.x) {
          <text [attr.x]="label.x" [attr.y]="drawn.height - 6" class="step" [attr.text-anchor]="label.anchor">
            {{ label.text }}
          </text>
        }
        <line class="scale" x1="0" [attr.x2]="0" [attr.y1]="drawn.height - 60" [attr.y2]="drawn.height - 60 + drawn.kiloPx" />
        <text x="10" [attr.y]="drawn.height - 54 + drawn.kiloPx / 2" class="step start">{{ drawn.barText }}</text>
      </svg>
    }
    @if (ways(); as ways) {
      <h2 id="ways">Both ways in this kitchen, done as the card says with no look at anything</h2>
      <table class="figure-table ways" aria-labelledby="ways">
        <thead>
          <tr>
            <th scope="col">way</th>
            <th scope="col">goes off, by the card</th>
            <th scope="col">liquid poured</th>
            <th scope="col">takes</th>
            <th scope="col">bowls planned</th>
            <th scope="col">bowls, true</th>
            <th scope="col">texture, true</th>
          </tr>
        </thead>
        <tbody>
          @for (way of ways; track way.name) {
            <tr>
              <th scope="row">{{ way.name }}</th>
              <td>{{ way.off }}</td>
              <td>{{ way.liquid }}</td>
              <td>{{ way.minutes }}</td>
              <td>{{ way.planned }}</td>
              <td>
                <strong>{{ way.bowls }}</strong>
              </td>
              <td>{{ way.body }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
    <div class="debrief-cards">
      @for (harm of harms(); track $index) {
        <section class="harm">
          <h2>▲ {{ harm.title }}</h2>
          <p>{{ harm.words }}</p>
          @if (harm.step !== '') {
            <p class="soft">At “{{ harm.step }}”</p>
          }
        </section>
      }
      @for (turn of turns(); track turn.n) {
        <section>
          <h2>{{ turn.n }} {{ turn.step }}</h2>
          <p>{{ turn.words }}</p>
          <button
            type="button"
            class="press"
            [attr.aria-label]="'Back to this moment: ' + turn.step"
            (click)="back.emit(turn.entryId)"
          >
            Back to this moment
          </button>
        </section>
      } @empty {
        @if (isEmpty()) {
          <section>
            <h2>Nothing is in the pot</h2>
            <p>No step is done yet. Go back to the pot, and ask again once it is cooked.</p>
          </section>
        } @else {
          <section>
            <h2>What you believed was true</h2>
            <p>Kilos, salt and texture were near what the record says, all the way.</p>
          </section>
        }
      }
      @if (!isEmpty()) {
        <section>
          <h2>What would have landed it</h2>
          <p>{{ best() }}</p>
        </section>
      }
      @if (!view().isPassed) {
        <section>
          <h2>To practise</h2>
          <p>{{ hint() }}</p>
        </section>
      }
    </div>`,
  styles: `
    :host {
      display: grid;
      gap: 16px;
    }
    #ways {
      font-size: 19px;
    }
    svg {
      width: 100%;
      max-width: 1224px;
      height: auto;
      overflow: visible;
    }
    .believed {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
      stroke-dasharray: 6 4;
    }
    .true {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .best {
      fill-opacity: 0.45;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    line {
      stroke: var(--ink);
      stroke-width: 1;
    }
    line.scale {
      stroke-width: 3;
    }
    circle {
      fill: var(--ink);
    }
    text {
      fill: var(--ink);
      font-size: 15px;
    }
    text.name {
      font-weight: 700;
    }
    text.n {
      fill: var(--linen);
      font-weight: 700;
      text-anchor: middle;
    }
    text.step {
      font-size: 14px;
    }
    text.start {
      text-anchor: start;
    }
  `,
})
export class PotDebrief {
  readonly view = input.required<DebriefView>();
  /** What a coach would say. */
  readonly hint = input.required<string>();
  /** The entry behind which somebody wants to go on otherwise. */
  readonly back = output<string>();
  /** Nothing was cooked: there is no truth to speak of. */
  protected readonly isEmpty = computed(() => (this.view().marks.find(({ mark }) => mark === 'yield')?.true ?? 0) <= 0);
  protected readonly bands = computed(() => {
    const view = this.view();
    return view.moments.length < 2 ? undefined : bandsOf(view);
  });
  protected readonly turns = computed(() =>
    this.view().turns.map(({ of, step, entryId, believed, true: real }, k) => ({
      n: k + 1,
      step,
      entryId,
      words: turnWords(of, believed, real, this.view().units),
    })),
  );
  /** Undefined where the lesson is cooked one way only. */
  protected readonly ways = computed(() => {
    const { ways, units } = this.view();
    if (ways.length < 2) return undefined;
    return ways.map(({ way, plannedOffKg, liquidKg, minutes, plannedBowls, bowls, bodyMPas }) => ({
      name: WAY_WORDS[way],
      off: mass(plannedOffKg, units),
      liquid: mass(liquidKg, units),
      minutes: showMinutes(minutes),
      planned: plannedBowls.toFixed(0),
      bowls: figure('yield', bowls),
      body: figure('body', bodyMPas),
    }));
  });
  protected readonly harms = computed(() => this.view().harms.map(({ harm, step }) => ({ ...harmWords(harm), step })));
  protected readonly best = computed(() => {
    const { waterKg, saltKg, bowls } = this.view().best;
    const ways = [
      ...(waterKg >= WORTH_WATER_KG ? [`${mass(waterKg, this.view().units)} more water`] : []),
      ...(Math.abs(saltKg) >= WORTH_SALT_KG
        ? [`${mass(Math.abs(saltKg), this.view().units)} ${saltKg > 0 ? 'more' : 'less'} salt`]
        : []),
    ];
    const end = `${bowls.toFixed(0)} bowls`;
    return ways.length === 0 ? `Nothing: it was landed, in ${end}.` : `${ways.join(' and ')}, for ${end}.`;
  });
  protected readonly summary = computed(() => {
    const view = this.view();
    const last = view.moments.at(-1);
    return last === undefined
      ? ''
      : `At the end you believed ${mass(last.believedKg, this.view().units)}, ${mass(last.trueKg, this.view().units)} were there, and at best it would have been ${mass(view.bestKg, this.view().units)}.`;
  });
}
