import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { remindsAtMs, type BatchTimer } from '@tureen/core/batch';
import { clockText } from '../../services/timers';

/** Timers of the batch that run, the first to end first: one touch gives a minute more, one ends it. */
@Component({
  selector: 'tt-timer-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of shown(); track one.id) {
      <section class="timer" [class.over]="one.over" [attr.aria-label]="'Timer ' + one.name">
        <span class="name">{{ one.name }}</span>
        <span class="clock" role="timer">{{ one.text }}</span>
        @if (one.over) {
          <strong role="alert">time</strong>
        } @else if (one.next) {
          <span class="soft">{{ one.next }}</span>
        }
        <button type="button" class="press" (click)="more.emit(one.id)" [attr.aria-label]="'A minute more for ' + one.name">
          +1 min
        </button>
        <button type="button" class="press" (click)="heard.emit(one.id)" [attr.aria-label]="'Stop the timer ' + one.name">
          {{ one.over ? 'Heard' : 'Stop' }}
        </button>
      </section>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .timer {
      display: flex;
      align-items: center;
      gap: 8px;
      padding: 4px 4px 4px 14px;
      border: 2px solid var(--ink);
      border-radius: var(--round);
      background: var(--cream);
    }
    .over {
      border-width: 3px;
      background: var(--saffron-pale);
    }
    .clock {
      font-size: 28px;
      font-weight: 700;
      font-variant-numeric: tabular-nums;
    }
    .press {
      min-height: 56px;
      padding: 0 10px;
      white-space: nowrap;
    }
  `,
})
export class TimerStrip {
  readonly timers = input.required<readonly BatchTimer[]>();
  readonly nowMs = input.required<number>();
  readonly more = output<string>();
  readonly heard = output<string>();
  protected readonly shown = computed(() => {
    const nowMs = this.nowMs();
    return this.timers()
      .filter(({ silenced }) => !silenced)
      .map((one) => {
        const next = remindsAtMs(one).find((at) => at > nowMs);
        return {
          id: one.id,
          name: one.name,
          over: one.endsAtMs <= nowMs,
          text: clockText(one.endsAtMs, nowMs),
          next: next === undefined || one.every === undefined ? undefined : `${one.every.of} in ${clockText(next, nowMs)}`,
        };
      });
  });
}
