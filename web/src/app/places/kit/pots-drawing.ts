import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { brimM3, usableM3, type Vessel } from '@tureen/core/kit';
import { showVolume, UNITS, type UnitSystem } from '@tureen/core/units';

const HIGH_PX = 190;
const WIDE_PX = 1180;
const GAP_PX = 56;

/** All pots of a kitchen side by side, cut open, at one scale: how full each may be boiled, and what it holds. */
@Component({
  selector: 'tt-pots-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + (high + 52)" role="img" [attr.aria-label]="label()">
      @for (pot of pots(); track pot.id) {
        <rect [attr.x]="pot.x" [attr.y]="pot.line" [attr.width]="pot.w" [attr.height]="high - pot.line" class="full" />
        <line [attr.x1]="pot.x - 6" [attr.x2]="pot.x + pot.w + 6" [attr.y1]="pot.line" [attr.y2]="pot.line" class="head" />
        <path [attr.d]="pot.wall" class="wall" />
        <text [attr.x]="pot.x + pot.w / 2" [attr.y]="high + 22">{{ pot.name }}</text>
        <text [attr.x]="pot.x + pot.w / 2" [attr.y]="high + 42" class="soft">{{ pot.holds }}</text>
      }
      <path [attr.d]="'M ' + (width - 60) + ' ' + (high - scale()) + ' h 8 m -4 0 v ' + scale() + ' m -4 0 h 8'" class="scale" />
      <text [attr.x]="width - 30" [attr.y]="high - scale() / 2 + 5" class="soft">
        {{ units() === 'metric' ? '10 cm' : '4 in' }}
      </text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    .full {
      fill: var(--linen-deep);
    }
    .head {
      stroke: var(--saffron-line);
      stroke-width: 2;
    }
    .wall {
      fill: none;
      stroke: var(--ink);
      stroke-width: 4;
      stroke-linejoin: round;
      stroke-linecap: round;
    }
    .scale {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    text {
      fill: var(--ink);
      font-size: 15px;
      text-anchor: middle;
    }
    text.soft {
      fill: var(--ink-soft);
      font-size: 14px;
    }
  `,
})
export class PotsDrawing {
  readonly vessels = input.required<readonly Vessel[]>();
  readonly units = input.required<UnitSystem>();
  protected readonly high = HIGH_PX;
  protected readonly width = WIDE_PX;

  private readonly pxPerM = computed(() => {
    const vessels = this.vessels();
    const deepest = Math.max(0.01, ...vessels.map(({ depthM }) => depthM));
    const widest = vessels.reduce((sum, { widthM }) => sum + widthM, 0);
    return Math.min((HIGH_PX - 8) / deepest, (WIDE_PX - 140 - GAP_PX * vessels.length) / Math.max(0.01, widest));
  });
  /** Ten centimetres, or four inches, by the same scale. */
  protected readonly scale = computed(() => (this.units() === 'metric' ? 0.1 : 4 * UNITS.in.si) * this.pxPerM());
  protected readonly pots = computed(() => {
    const px = this.pxPerM();
    let x = 24;
    return this.vessels().map((vessel) => {
      const w = vessel.widthM * px;
      const top = HIGH_PX - vessel.depthM * px;
      const at = x;
      x += Math.max(w, 110) + GAP_PX;
      const shown = (m3: number): string => {
        const { digits, unit } = showVolume(m3, this.units());
        return `${digits} ${unit}`;
      };
      return {
        id: vessel.id,
        name: vessel.name,
        x: at + (Math.max(w, 110) - w) / 2,
        w,
        line: HIGH_PX - (usableM3(vessel) / brimM3(vessel)) * vessel.depthM * px,
        wall: `M ${String(at + (Math.max(w, 110) - w) / 2)} ${String(top)} V ${String(HIGH_PX)} h ${String(w)} V ${String(top)}`,
        holds: `${shown(usableM3(vessel))} of ${shown(brimM3(vessel))}`,
      };
    });
  });
  protected readonly label = computed(
    () =>
      `Pots to one scale: ${this.pots()
        .map(({ name, holds }) => `${name}, ${holds} may be boiled`)
        .join('; ')}`,
  );
}
