import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { map, timer } from 'rxjs';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { keepAwake } from '../../services/awake';
import { Live } from '../../services/live';
import { Stock } from '../../services/stock';
import { timeOfDay } from '../figures';
import { WallBatch } from './wall-batch';
import { WallCooling } from './wall-cooling';
import { WallDay } from './wall-day';

const SECOND_MS = 1000;

/** A screen on the wall that nobody touches: of every batch what is done now, what comes next, its clocks, and bowls left. */
@Component({
  selector: 'tt-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, WallBatch, WallCooling, WallDay],
  template: `<main class="wall">
    <p class="top">
      <span class="clock">{{ clockText() }}</span>
      @if (!live()) {
        <strong role="status">no server: this is how it stood</strong>
      }
      <a class="press" routerLink="/stove">Leave the wall</a>
    </p>
    <tt-wall-day />
    <div class="batches">
      @for (id of open(); track id) {
        <tt-wall-batch [batchId]="id" [nowMs]="nowMs()" />
      } @empty {
        @if (cooling().length === 0) {
          <h1>Nothing is on the stove</h1>
          <p class="soft"><a class="press" routerLink="/plan">Plan a batch</a></p>
        }
      }
      @for (one of cooling(); track one.id) {
        <tt-wall-cooling [container]="one" />
      }
    </div>
  </main>`,
  styles: `
    .wall {
      display: grid;
      align-content: start;
      gap: 22px;
      height: 100%;
      padding: 20px 32px;
      overflow: auto;
    }
    .batches {
      display: grid;
      gap: 22px;
    }
    .top {
      display: flex;
      align-items: center;
      gap: 22px;
      font-size: 30px;
    }
    .top .press {
      margin-left: auto;
      min-height: 56px;
    }
    .clock {
      font-weight: 700;
    }
    strong {
      padding: 2px 16px;
      border: 3px solid var(--ink);
      border-radius: var(--round);
      background: var(--saffron-pale);
    }
  `,
})
export class Wall {
  private readonly clock = inject(Clock);
  private readonly answer = toSignal(inject(Batches).open$);
  protected readonly nowMs = toSignal(timer(0, SECOND_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly open = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.batches.map(({ id }) => id) : [];
  });

  private readonly cold = toSignal(inject(Stock).cold$);
  protected readonly cooling = computed(() => {
    const cold = this.cold();
    return cold?.ok === true ? cold.value.containers.filter(({ state }) => state === 'cooling') : [];
  });

  protected readonly clockText = computed(() => timeOfDay(this.nowMs()));
  protected readonly live = toSignal(inject(Live).open$, { initialValue: true });

  constructor() {
    keepAwake(computed(() => this.open().length > 0));
  }
}
