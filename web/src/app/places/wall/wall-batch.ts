import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { stepName, stepSentence } from '@tureen/core/messages';
import { walk } from '@tureen/core/soup';
import { clockText } from '../../services/timers';
import { wholeBowls } from '../figures';
import { unplannedOf } from '../unplanned';
import { watchBatch } from '../watched-batch';
import { kitchenUnits } from '../../services/units';

/** One batch on the wall, in type that is read across a kitchen. */
@Component({
  selector: 'tt-wall-batch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (shown(); as one) {
    <section [attr.aria-label]="one.name">
      <h1 class="soup-name">{{ one.name }}</h1>
      @for (now of one.now; track now) {
        <p class="now">{{ now }}</p>
      }
      @if (one.next !== '') {
        <p class="next">next: {{ one.next }}</p>
      }
      <p class="bowls">
        <strong>{{ one.bowls }}</strong> bowls left
      </p>
      <ul class="clocks">
        @for (clock of one.clocks; track clock.id) {
          <li [class.over]="clock.over">
            {{ clock.name }} <strong>{{ clock.text }}</strong> {{ clock.over ? 'time' : '' }}
          </li>
        }
      </ul>
      @if (one.changed !== '') {
        <p class="changed">Not as planned: {{ one.changed }}. Contains {{ one.contains }}.</p>
      }
    </section>
  }`,
  styles: `
    section {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 32px;
      padding-bottom: 18px;
      border-bottom: 3px solid var(--ink);
    }
    h1 {
      grid-column: 1 / -1;
      font-size: 40px;
    }
    .now {
      grid-column: 1;
      font-size: 56px;
      font-weight: 700;
      line-height: 1.12;
    }
    .next {
      grid-column: 1;
      font-size: 34px;
    }
    .bowls {
      grid-column: 2;
      grid-row: 2 / span 3;
      font-size: 30px;
      text-align: right;

      strong {
        display: block;
        font-size: 120px;
        line-height: 1;
      }
    }
    .clocks {
      display: flex;
      flex-wrap: wrap;
      grid-column: 1 / -1;
      gap: 10px 26px;
      font-size: 40px;
    }
    .over {
      padding: 0 14px;
      border: 4px solid var(--ink);
      border-radius: var(--round);
      background: var(--saffron-pale);
    }
    :host(:only-child) .now {
      font-size: 84px;
    }
    :host(:only-child) .clocks {
      margin-top: 24px;
      font-size: 64px;
    }
    :host(:only-child) .bowls strong {
      font-size: 190px;
    }
    .changed {
      grid-column: 1 / -1;
      font-size: 30px;
      font-weight: 650;
    }
  `,
})
export class WallBatch {
  readonly batchId = input.required<string>();
  readonly nowMs = input.required<number>();
  private readonly watched = watchBatch(this.batchId);
  protected readonly shown = computed(() => {
    const view = this.watched.view();
    if (view === undefined) return undefined;
    const nameOf = this.watched.nameOf();
    const nowMs = this.nowMs();
    const fronts = new Set(view.fronts.map(({ step }) => step.id));
    const over = new Set(view.steps.filter(({ status }) => status === 'done' || status === 'skipped').map(({ stepId }) => stepId));
    const next = walk(view.soup.root)
      .filter(({ step }) => !over.has(step.id) && !fronts.has(step.id))
      .slice(0, 2)
      .map(({ step }) => stepName(step, nameOf));
    const changed = unplannedOf(view.changes, nameOf);
    return {
      name: view.soup.name,
      now:
        view.fronts.length === 0
          ? ['Every step is done']
          : view.fronts.map(({ step }) => stepSentence(step, nameOf, kitchenUnits())),
      next: next.join(', '),
      bowls: String(wholeBowls(view.forecast.bowls - (view.dishedBowls ?? 0))),
      clocks: view.timers
        .filter(({ silenced }) => !silenced)
        .map(({ id, name, endsAtMs }) => ({ id, name, over: endsAtMs <= nowMs, text: clockText(endsAtMs, nowMs) })),
      changed: changed.join(', '),
      contains: view.forecast.facts?.allergens.join(', ') ?? '',
    };
  });
}
