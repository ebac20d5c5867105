import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Ribbon, Stop } from '@tureen/core/line';
import { showMass, type UnitSystem } from '@tureen/core/units';
import { alignedPoints, axisOf, bandPath, drawn, heaviest, placed, type Frame } from './layout';

let serial = 0;

interface Row {
  readonly name: string;
  readonly ins: string;
  readonly outs: string;
  readonly plan: string;
  readonly actual: string;
}

/**
 * A batch as one band from left to right, as thick as it is heavy: plan as outline, what happened as fill. The same
 * figures stand in a table for a screen reader and for print.
 */
@Component({
  selector: 'tt-ribbon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + frame().width + ' ' + frame().height"
      role="img"
      [attr.aria-label]="summary()"
      preserveAspectRatio="xMidYMid meet"
    >
      <defs>
        <linearGradient [attr.id]="gradientId" gradientUnits="userSpaceOnUse" [attr.x1]="frame().left" x2="100%" y1="0" y2="0">
          @for (stop of fillColours(); track $index) {
            <stop [attr.offset]="stop.at" [attr.stop-color]="stop.colour" />
          }
        </linearGradient>
      </defs>
      @for (side of plan().sideBands; track $index) {
        <path [attr.d]="side.path" [attr.fill]="actual() === undefined ? side.colour : 'none'" class="outline thin" />
      }
      @for (arm of plan().arms; track $index) {
        <path
          [attr.d]="arm.path"
          [attr.fill]="actual() === undefined ? arm.colour : 'none'"
          class="outline thin"
          [class.dashed]="actual() !== undefined"
        />
      }
      @if (actualPath(); as path) {
        <path [attr.d]="path" [attr.fill]="'url(#' + gradientId + ')'" class="deed" />
        <path [attr.d]="plan().band" fill="none" class="outline dashed" />
      } @else {
        <path
          [attr.d]="plan().band"
          [attr.fill]="actual() === undefined ? 'url(#' + gradientId + ')' : 'none'"
          class="outline"
          [class.dashed]="actual() !== undefined"
        />
      }
      @if (here(); as x) {
        <line [attr.x1]="x" [attr.x2]="x" [attr.y1]="hereTop()" [attr.y2]="frame().height - 22" class="here" />
        <circle [attr.cx]="x" [attr.cy]="hereTop()" r="6" class="here-dot" />
      }
      @for (label of plan().labels; track $index) {
        <text [attr.x]="label.x" [attr.y]="label.y" class="flow">{{ label.text }}</text>
      }
      @for (label of plan().stations; track $index) {
        <text [attr.x]="label.x" [attr.y]="label.y" class="station">{{ label.text }}</text>
      }
      <g class="scale" [attr.transform]="'translate(' + (frame().right + 14) + ' ' + (axis().centre - plan().scalePx / 2) + ')'">
        <path [attr.d]="'M 0 0 h 8 M 4 0 v ' + plan().scalePx + ' M 0 ' + plan().scalePx + ' h 8'" />
        <text x="13" [attr.y]="plan().scalePx / 2 + 5">{{ plan().scaleKg }} kg</text>
      </g>
    </svg>
    <table class="unseen">
      <caption>
        {{
          summary()
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">Came in</th>
          <th scope="col">Left</th>
          <th scope="col">Then in the pot, planned</th>
          <th scope="col">Really</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track $index) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td>{{ row.ins }}</td>
            <td>{{ row.outs }}</td>
            <td>{{ row.plan }}</td>
            <td>{{ row.actual }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .outline {
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    .thin {
      stroke-width: 0.9;
    }
    .dashed {
      stroke-dasharray: 5 4;
    }
    .deed {
      stroke: var(--ink);
      stroke-width: 1;
    }
    text {
      font-size: 14px;
      fill: var(--ink);
      paint-order: stroke;
      stroke: var(--linen);
      stroke-width: 4px;
      stroke-linejoin: round;
    }
    .station {
      fill: var(--ink-soft);
    }
    .scale path {
      stroke: var(--ink);
      stroke-width: 1.5;
      fill: none;
    }
    .here {
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .here-dot {
      fill: var(--ink);
    }
  `,
})
export class RibbonPicture {
  readonly ribbon = input.required<Ribbon>();
  readonly actual = input<Ribbon | undefined>();
  /** Step that the cook stands at. */
  readonly at = input<string | undefined>();
  readonly nameOf = input.required<(lineId: string) => string>();
  readonly stationName = input.required<(stop: Stop) => string>();
  readonly units = input<UnitSystem>('metric');
  readonly height = input(210);
  /** One row of labels instead of two: for where the ribbon is a strip. */
  readonly quiet = input(false);

  protected readonly gradientId = `ribbon-${String((serial += 1))}`;

  protected readonly frame = computed((): Frame => {
    const actual = this.actual();
    const mostKg = Math.max(heaviest(this.ribbon()), actual === undefined ? 0 : heaviest(actual));
    return { width: 1224, height: this.height(), mostKg, left: 2, right: 1158, rows: this.quiet() ? 1 : 2 };
  });

  protected readonly plan = computed(() => drawn(this.ribbon(), this.frame(), this.nameOf(), this.stationName()));
  protected readonly axis = computed(() => axisOf(placed(this.ribbon(), this.frame()), this.frame()));

  private readonly points = computed(() => {
    const actual = this.actual();
    return actual === undefined ? undefined : alignedPoints(actual, this.ribbon(), this.frame());
  });

  protected readonly actualPath = computed(() => {
    const points = this.points();
    if (points === undefined || points.length < 2) return undefined;
    const { centre, pxPerKg } = this.axis();
    return bandPath(points, centre, pxPerKg);
  });

  protected readonly fillColours = computed(() => {
    const { left, right } = this.frame();
    return this.points()?.map(({ x, colour }) => ({ at: (x - left) / (right - left), colour })) ?? this.plan().colours;
  });

  protected readonly here = computed(() => {
    if (this.at() === undefined) return undefined;
    const points = this.points();
    return points?.at(-1)?.x ?? this.frame().left + 1;
  });

  protected readonly hereTop = computed(() => this.axis().centre - (this.frame().mostKg * this.axis().pxPerKg) / 2 - 12);

  protected readonly rows = computed((): Row[] => {
    const kg = (massKg: number): string => {
      const { digits, unit } = showMass(massKg, this.units());
      return `${digits} ${unit}`;
    };
    const nameOf = this.nameOf();
    const real = new Map(this.actual()?.bands.flatMap(({ stops }) => stops.map((stop) => [stop.stepId, stop] as const)) ?? []);
    return this.ribbon().bands.flatMap(({ stops }) =>
      stops.map((stop) => {
        const deed = real.get(stop.stepId);
        return {
          name: this.stationName()(stop),
          ins: stop.ins.map((flow) => `${nameOf(flow.lineId)} ${kg(flow.kg)}`).join(', '),
          outs: stop.outs
            .map((flow) => `${flow.kind === 'vapour' ? 'steam' : `${flow.kind} ${nameOf(flow.lineId)}`} ${kg(flow.kg)}`)
            .join(', '),
          plan: kg(stop.afterKg),
          actual: deed === undefined ? '' : kg(deed.afterKg),
        };
      }),
    );
  });

  protected readonly summary = computed(() => {
    const last = this.ribbon().bands.at(-1)?.stops.at(-1);
    const { digits, unit } = showMass(last?.afterKg ?? 0, this.units());
    return `Ribbon of the batch: ${digits} ${unit} at the end as planned`;
  });
}
