import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { CoolingWatchSchema, type CoolingWatch } from '@tureen/core/cold';
import { showMinutes } from '@tureen/core/units';
import { map, timer } from 'rxjs';
import type { CoolingWay, WatchAnswer, WatchedStage } from '../../cooking/cold-view';
import { Cooking } from '../../cooking/cooking';
import { NumberField } from '../../parts/number-field';
import { Clock } from '../../services/clock';
import { recall, remember } from '../../services/remembered';
import { timeOfDay } from '../figures';

const MINUTE_MS = 60_000;
const LOOK_MS = 10_000;
const COLDEST_C = -5;
const HOTTEST_C = 100;

/** One pan that cools, watched on this screen by what is read of it: when it passes the marks, and what can still be done. */
@Component({
  selector: 'tt-pan-watch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `
    @if (watch(); as own) {
      <p class="clock" role="timer">
        <strong>{{ since() }}</strong>
        <span>since {{ at(0) }}, about {{ now() }} °C in the warmest place</span>
      </p>
      <p class="soft">{{ own.words }}</p>
      @if (answer(); as answer) {
        <ul>
          @for (stage of answer.stages; track stage.toC) {
            <li [attr.data-state]="stage.state">
              <span aria-hidden="true">{{ stage.state === 'in time' ? '✓' : stage.state === 'close' ? '▲' : '✗' }}</span>
              {{ said(stage) }}
            </li>
          }
        </ul>
        @for (rescue of answer.rescues; track rescue.words) {
          <p class="caution" role="alert">
            {{ rescue.words }}, before {{ at(rescue.lastMin) }}: then {{ marked(answer) }} at {{ at(rescue.thenMin) }}.
          </p>
        }
        @if (answer.missed; as text) {
          <p class="caution" role="alert">{{ text }}</p>
        }
        @for (odd of answer.odd; track odd.minute) {
          <p class="caution">
            {{ odd.tempC }} °C at {{ at(odd.minute) }} does not fit the others and is left out: did the probe slip?
          </p>
        }
      }
      <form class="ask" (submit)="$event.preventDefault(); read()">
        <label
          >it reads
          <span class="figure"
            ><tt-number
              label="it reads, °C"
              [least]="coldest"
              [most]="hottest"
              [ngModel]="typed()"
              name="read"
              (ngModelChange)="typed.set($event)"
            />
            °C</span
          ></label
        >
        <button type="submit" class="press" [disabled]="typed() === null">Read</button>
        @if (own.readings.length > 0) {
          <button type="button" class="press" (click)="takeBack()">
            Take back {{ own.readings.at(-1)!.tempC }} °C of {{ at(own.readings.at(-1)!.minute) }}
          </button>
        }
        <button type="button" class="press" (click)="stop()">Stop watching</button>
      </form>
      <p class="soft">Read the warmest place: the middle, with a clean probe. The watch is kept on this screen.</p>
    } @else {
      <button type="button" class="press" (click)="start()">It cools so from now: watch it</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    .clock {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 14px;
      align-items: baseline;
      margin: 0;
    }
    .clock strong {
      font-size: 38px;
    }
    ul {
      display: grid;
      gap: 4px;
      margin: 0;
      padding: 0;
      list-style: none;
      font-weight: 600;
    }
    p {
      margin: 0;
    }
    [data-state='too slow'] {
      color: var(--red);
    }
    .ask {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
      align-items: flex-end;
    }
    .figure {
      white-space: nowrap;
    }
  `,
})
export class PanWatch {
  private readonly cooking = inject(Cooking);
  private readonly clock = inject(Clock);
  /** What is watched: a leftover, or a pan that was only asked about. */
  readonly subject = input.required<string>();
  readonly way = input<CoolingWay | undefined>();
  readonly startC = input.required<number>();
  readonly ruleId = input.required<string>();
  protected readonly coldest = COLDEST_C;
  protected readonly hottest = HOTTEST_C;
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly watch = linkedSignal(() => this.recalled(this.subject()));
  protected readonly typed = signal<number | null>(null);
  private readonly nowMin = computed(() => Math.max(0, (this.nowMs() - (this.watch()?.startMs ?? this.nowMs())) / MINUTE_MS));
  protected readonly since = computed(() => showMinutes(this.nowMin()));

  private readonly asked = resource({
    params: () => {
      const own = this.watch();
      return own === undefined ? undefined : { ...own, nowMin: Math.round(this.nowMin()) };
    },
    loader: ({ params: { depthM, placeId, isStirred, startC, ruleId, nowMin, readings } }) =>
      this.cooking.calculator.watching({ depthM, placeId, isStirred, startC, ruleId, nowMin, readings }),
  });
  protected readonly answer = linkedSignal<WatchAnswer | undefined, WatchAnswer | undefined>({
    source: () => this.asked.value(),
    computation: (now, before) => now ?? before?.value,
  });
  protected readonly now = computed(() => Math.round(this.answer()?.nowC ?? this.startC()));

  private key(subject: string): string {
    return `tureen-watch-${subject}`;
  }

  private recalled(subject: string): CoolingWatch | undefined {
    try {
      const parsed = CoolingWatchSchema.safeParse(JSON.parse(recall(this.key(subject)) ?? 'null'));
      return parsed.success ? parsed.data : undefined;
    } catch {
      return undefined;
    }
  }

  private keep(watch: CoolingWatch | undefined): void {
    remember(this.key(this.subject()), JSON.stringify(watch ?? null));
    this.watch.set(watch);
  }

  protected start(): void {
    const way = this.way();
    if (way === undefined) return;
    const { depthM, placeId, isStirred, words } = way;
    this.keep({
      startMs: this.clock.now(),
      startC: this.startC(),
      depthM,
      placeId,
      isStirred,
      ruleId: this.ruleId(),
      words,
      readings: [],
    });
  }

  protected read(): void {
    const tempC = this.typed();
    const own = this.watch();
    if (tempC === null || own === undefined) return;
    const minute = Math.max(0, (this.clock.now() - own.startMs) / MINUTE_MS);
    this.keep({ ...own, readings: [...own.readings, { minute, tempC }] });
    this.typed.set(null);
  }

  protected takeBack(): void {
    const own = this.watch();
    if (own !== undefined) this.keep({ ...own, readings: own.readings.slice(0, -1) });
  }

  protected stop(): void {
    this.keep(undefined);
  }

  /** The time of day so many minutes after the start. */
  protected at(minute: number): string {
    return timeOfDay((this.watch()?.startMs ?? 0) + minute * MINUTE_MS);
  }

  protected marked({ stages }: WatchAnswer): string {
    return `${String(stages.find(({ state }) => state !== 'in time')?.toC ?? '')} °C`;
  }

  protected said({ toC, byMin, middleMin, lowMin, highMin, state }: WatchedStage): string {
    if (middleMin === undefined || lowMin === undefined || highMin === undefined)
      return `${String(toC)} °C not within a day, wanted by ${this.at(byMin)}`;
    const range = `${this.at(lowMin)} to ${this.at(highMin)} in nine of ten`;
    return `${String(toC)} °C at ${this.at(middleMin)} (${range}), wanted by ${this.at(byMin)}: ${state}`;
  }
}
