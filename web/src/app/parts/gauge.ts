import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** One gauge of a soup: the band wanted and where it stands, with the figure and its unit. */
@Component({
  selector: 'tt-gauge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <span>{{ name() }}</span> <span class="figure">{{ figure() }}</span>
    </div>
    <svg
      viewBox="0 0 300 26"
      role="img"
      [attr.aria-label]="name() + ' ' + figure() + ', wanted ' + wanted()"
      preserveAspectRatio="none"
    >
      <rect x="0" y="6" width="300" height="14" rx="7" class="track" />
      <rect [attr.x]="px(low())" y="3" [attr.width]="px(high()) - px(low())" height="20" rx="10" class="band" />
      <line [attr.x1]="px(value())" [attr.x2]="px(value())" y1="1" y2="25" class="mark" />
    </svg>
    <div class="foot soft">
      <span>{{ wanted() }}</span>
    </div>
  `,
  styles: `
    :host {
      display: block;
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
  readonly name = input.required<string>();
  readonly figure = input.required<string>();
  readonly wanted = input.required<string>();
  readonly value = input.required<number>();
  readonly low = input.required<number>();
  readonly high = input.required<number>();
  readonly most = input.required<number>();

  private readonly pxPer = computed(() => 300 / this.most());

  protected px(value: number): number {
    return Math.min(298, Math.max(2, value * this.pxPer()));
  }
}
