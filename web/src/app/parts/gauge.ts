import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { WhyAsked, type WhyQuestion } from '../services/why-asked';

/** What a gauge shows: the band wanted, where it stands, and to which figure it is drawn. */
export interface GaugeFigures {
  readonly name: string;
  readonly figure: string;
  readonly wanted: string;
  readonly value: number;
  /** Left out where nothing is wanted. */
  readonly low?: number;
  readonly high?: number;
  readonly most: number;
  /** Between what it lies nine times in ten, and where the last reading stood, on the same scale. */
  readonly from?: number;
  readonly to?: number;
  readonly read?: number;
}

/** One gauge of a soup: the band wanted and where it stands, with the figure and its unit. */
@Component({
  selector: 'tt-gauge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <span>{{ of().name }}</span>
      <span class="figure" [class.asked]="why() !== undefined">{{ of().figure }}</span>
    </div>
    <svg
      viewBox="0 0 300 26"
      role="img"
      [attr.aria-label]="of().name + ' ' + of().figure + ', wanted ' + of().wanted"
      preserveAspectRatio="none"
    >
      <rect x="0" y="6" width="300" height="14" rx="7" class="track" />
      @if (of().low !== undefined && of().high !== undefined) {
        <rect
          [attr.x]="px(of().low ?? 0)"
          y="3"
          [attr.width]="px(of().high ?? 0) - px(of().low ?? 0)"
          height="20"
          rx="10"
          class="band"
        />
      }
      @if (of().from !== undefined && of().to !== undefined) {
        <rect [attr.x]="px(of().from ?? 0)" y="9" [attr.width]="px(of().to ?? 0) - px(of().from ?? 0)" height="8" class="blur" />
      }
      @if (of().read !== undefined) {
        <path [attr.d]="'M ' + px(of().read ?? 0) + ' 14 l -6 11 h 12 Z'" class="read" />
      }
      <line [attr.x1]="px(of().value)" [attr.x2]="px(of().value)" y1="1" y2="25" class="mark" />
    </svg>
    <div class="foot soft">
      <span>{{ of().wanted }}</span>
    </div>
    @if (why(); as question) {
      <button type="button" class="ask" (click)="asked.question.set(question)" [attr.aria-label]="label()" title="Why?"></button>
    }
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    /* The whole gauge is what is pressed: a figure alone is no target for a wet thumb. */
    .ask {
      position: absolute;
      inset: 0;
      width: 100%;
      border: 0;
      border-radius: 12px;
      background: none;
      cursor: pointer;
    }
    .asked {
      border-bottom: 2px dotted var(--cobalt);
    }
    .head {
      display: flex;
      justify-content: space-between;
      align-items: baseline;
    }
    .figure {
      font-weight: 700;
      font-size: 22px;
    }
    svg {
      display: block;
      width: 100%;
      height: 26px;
    }
    .track {
      fill: var(--linen-deep);
    }
    .band {
      fill: var(--cream);
      stroke: var(--ink);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .blur {
      fill: var(--ink);
      opacity: 0.28;
    }
    .read {
      fill: var(--saffron-ink);
    }
    .mark {
      stroke: var(--ink);
      stroke-width: 4;
      vector-effect: non-scaling-stroke;
    }
    .foot {
      font-size: 15px;
    }
  `,
})
export class Gauge {
  readonly of = input.required<GaugeFigures>();
  /** What the figure is asked why with; without it, it can't be. */
  readonly why = input<WhyQuestion | undefined>();
  protected readonly asked = inject(WhyAsked);
  protected readonly label = computed(() => {
    const figure = this.why()?.figure;
    return `${this.of().figure}, ${typeof figure === 'string' ? figure : ''}: why?`;
  });

  private readonly pxPer = computed(() => 300 / this.of().most);

  protected px(value: number): number {
    return Math.min(298, Math.max(2, value * this.pxPer()));
  }
}
