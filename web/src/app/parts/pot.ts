import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Vessel } from '@tureen/core/kit';

const BOX_W = 190;
const BOX_H = 150;

/** The real pot cut open, to scale: the level now, the level wanted, the headspace line. */
@Component({
  selector: 'tt-pot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + boxW + ' ' + (boxH + 8)" role="img" [attr.aria-label]="label()">
      <rect [attr.x]="x()" [attr.y]="levelY()" [attr.width]="w()" [attr.height]="bottom - levelY()" [attr.fill]="colour()" />
      @if (levelM() > 0.002) {
        <line [attr.x1]="x()" [attr.x2]="x() + w()" [attr.y1]="levelY()" [attr.y2]="levelY()" class="level" />
      }
      @if (wantedM() > 0.002) {
        <line [attr.x1]="x()" [attr.x2]="x() + w()" [attr.y1]="yOf(wantedM())" [attr.y2]="yOf(wantedM())" class="wanted" />
      }
      <line [attr.x1]="x() - 7" [attr.x2]="x() + w() + 7" [attr.y1]="headY()" [attr.y2]="headY()" class="head" />
      <path [attr.d]="wall()" class="wall" />
      <path
        [attr.d]="'M ' + (x() - 3) + ' ' + (top() + 16) + ' h -12 M ' + (x() + w() + 3) + ' ' + (top() + 16) + ' h 12'"
        class="handle"
      />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
    }
    .wall {
      fill: none;
      stroke: var(--ink);
      stroke-width: 5;
      stroke-linejoin: round;
      stroke-linecap: round;
    }
    .handle {
      stroke: var(--ink);
      stroke-width: 6;
      stroke-linecap: round;
    }
    .level {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .wanted {
      stroke: var(--ink);
      stroke-width: 2;
      stroke-dasharray: 6 4;
    }
    .head {
      stroke: #8a5a00;
      stroke-width: 2;
    }
  `,
})
export class PotPicture {
  readonly vessel = input.required<Vessel>();
  readonly levelM = input.required<number>();
  readonly wantedM = input(0);
  readonly headspaceM = input.required<number>();
  readonly colour = input.required<string>();
  readonly label = input.required<string>();

  protected readonly boxW = BOX_W;
  protected readonly boxH = BOX_H;
  protected readonly bottom = BOX_H;
  private readonly pxPerM = computed(() => Math.min((BOX_W - 44) / this.vessel().widthM, (BOX_H - 12) / this.vessel().depthM));
  protected readonly w = computed(() => this.vessel().widthM * this.pxPerM());
  protected readonly x = computed(() => (BOX_W - this.w()) / 2);
  protected readonly top = computed(() => BOX_H - this.vessel().depthM * this.pxPerM());
  protected readonly levelY = computed(() => this.yOf(this.levelM()));
  protected readonly headY = computed(() => this.top() + this.headspaceM() * this.pxPerM());
  protected readonly wall = computed(
    () => `M ${String(this.x())} ${String(this.top())} V ${String(BOX_H)} H ${String(this.x() + this.w())} V ${String(this.top())}`,
  );

  protected yOf(levelM: number): number {
    return BOX_H - Math.min(this.vessel().depthM, Math.max(0, levelM)) * this.pxPerM();
  }
}
