import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Container } from '@tureen/core/stock';
import { map, timer } from 'rxjs';
import { watchOf, type WatchAnswer } from '../../cooking/cold-view';
import { Cooking } from '../../cooking/cooking';
import { Clock } from '../../services/clock';
import { mass, timeOfDay } from '../figures';

const LOOK_MS = 30_000;
const MINUTE_MS = 60_000;

/** A container that cools, for the wall: how warm, which mark is next and by when, and what can still be done. */
@Component({
  selector: 'tt-wall-cooling',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section [attr.aria-label]="container().contents.name + ', cooling'">
    <h2>
      <span class="soup-name">{{ container().contents.name }}</span> <span class="soft">{{ weighs() }}, cooling</span>
    </h2>
    @if (answer(); as answer) {
      <p>
        <strong>{{ temp() }} °C</strong>
        @if (next(); as stage) {
          <span [class.slow]="stage.state === 'too slow'"
            ><span aria-hidden="true">{{ stage.state === 'in time' ? '✓' : stage.state === 'close' ? '▲' : '✗' }}</span>
            {{ stage.toC }} °C {{ stage.words }}</span
          >
        }
      </p>
      @for (rescue of rescues(); track rescue) {
        <p class="caution" role="alert">
          <span>{{ rescue }}</span>
        </p>
      }
      @if (answer.missed; as text) {
        <p class="caution" role="alert">
          <span>{{ text }}</span>
        </p>
      }
    }
  </section>`,
  styles: `
    section {
      display: grid;
      gap: 6px;
      padding-top: 14px;
      border-top: 1px solid var(--hairline);
      font-size: 26px;
    }
    h2,
    p {
      margin: 0;
    }
    h2 {
      font-size: 34px;
    }
    h2 .soft {
      font-weight: 400;
      font-size: 26px;
    }
    strong {
      margin-right: 18px;
      font-size: 56px;
      line-height: 1;
    }
    .slow {
      color: var(--red);
      font-weight: 700;
    }
  `,
})
export class WallCooling {
  private readonly cooking = inject(Cooking);
  private readonly clock = inject(Clock);
  readonly container = input.required<Container>();
  private readonly stocked = toSignal(this.cooking.stocked$);
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  private readonly asked = resource({
    params: () => (this.stocked() === undefined ? undefined : watchOf(this.container(), this.nowMs())),
    loader: ({ params }) => this.cooking.calculator.watching(params),
  });
  protected readonly answer = linkedSignal<WatchAnswer | undefined, WatchAnswer | undefined>({
    source: () => this.asked.value(),
    computation: (now, before) => now ?? before?.value,
  });
  protected readonly weighs = computed(() => mass(this.container().kg, 'metric'));
  protected readonly temp = computed(() => Math.round(this.answer()?.nowC ?? 0));
  /** The mark that is not passed yet. */
  protected readonly next = computed(() => {
    const answer = this.answer();
    const stage = answer?.stages.find(({ toC }) => answer.nowC > toC) ?? answer?.stages.at(-1);
    if (stage === undefined) return undefined;
    const at = stage.middleMin === undefined ? 'not within a day' : `at ${this.at(stage.middleMin)}`;
    return { ...stage, words: `${at}, wanted by ${this.at(stage.byMin)}: ${stage.state}` };
  });
  protected readonly rescues = computed(() =>
    (this.answer()?.rescues ?? []).map(({ words, lastMin }) => `${words}, before ${this.at(lastMin)}.`),
  );

  private at(minute: number): string {
    return timeOfDay((this.container().cooling?.startMs ?? 0) + minute * MINUTE_MS);
  }
}
