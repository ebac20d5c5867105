import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Picture } from './picture';

let serial = 0;

/**
 * A batch as one band from left to right, as thick as it is heavy: plan as outline, what happened as fill. The same
 * figures stand in a table for a screen reader and for print.
 */
@Component({
  selector: 'tt-ribbon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = picture();
    <svg
      [attr.viewBox]="'0 0 ' + own.frame.width + ' ' + own.frame.height"
      role="img"
      [attr.aria-label]="own.summary"
      preserveAspectRatio="xMidYMid meet"
    >
      <defs>
        <linearGradient [attr.id]="gradientId" gradientUnits="userSpaceOnUse" [attr.x1]="own.frame.left" x2="100%" y1="0" y2="0">
          @for (stop of own.fillColours; track $index) {
            <stop [attr.offset]="stop.at" [attr.stop-color]="stop.colour" />
          }
        </linearGradient>
      </defs>
      <!-- Where something really happened the plan is an outline only. -->
      @for (side of own.plan.sideBands; track $index) {
        <path [attr.d]="side.path" [attr.fill]="own.withActual ? 'none' : side.colour" class="outline thin" />
      }
      @for (arm of own.plan.arms; track $index) {
        <path
          [attr.d]="arm.path"
          [attr.fill]="own.withActual ? 'none' : arm.colour"
          class="outline thin"
          [class.dashed]="own.withActual"
        />
      }
      @if (own.actualPath; as path) {
        <path [attr.d]="path" [attr.fill]="fill" class="action" />
        <path [attr.d]="own.plan.band" fill="none" class="outline dashed" />
      } @else {
        <path
          [attr.d]="own.plan.band"
          [attr.fill]="own.withActual ? 'none' : fill"
          class="outline"
          [class.dashed]="own.withActual"
        />
      }
      @if (own.here; as x) {
        <line [attr.x1]="x" [attr.x2]="x" [attr.y1]="own.hereTop" [attr.y2]="own.frame.height - 22" class="here" />
        <circle [attr.cx]="x" [attr.cy]="own.hereTop" r="6" class="here-dot" />
      }
      @for (label of own.plan.labels; track $index) {
        <text [attr.x]="label.x" [attr.y]="label.y" class="flow">{{ label.text }}</text>
      }
      @for (label of own.plan.stations; track $index) {
        <text [attr.x]="label.x" [attr.y]="label.y" class="station">{{ label.text }}</text>
      }
      <g class="scale" [attr.transform]="'translate(' + (own.frame.right + 14) + ' ' + own.scaleTop + ')'">
        <path [attr.d]="'M 0 0 h 8 M 4 0 v ' + own.plan.scalePx + ' M 0 ' + own.plan.scalePx + ' h 8'" />
        <text x="13" [attr.y]="own.plan.scalePx / 2 + 5">{{ own.plan.scaleText }}</text>
      </g>
    </svg>
    <table class="unseen">
      <caption>
        {{
          own.summary
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">Came in</th>
          <th scope="col">Left</th>
          <th scope="col">{{ own.called.outline }}</th>
          @if (own.withActual) {
            <th scope="col">{{ own.called.fill }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of own.rows; track row.id) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td>{{ row.ins }}</td>
            <td>{{ row.outs }}</td>
            <td>{{ row.plan }}</td>
            @if (own.withActual) {
              <td>{{ row.actual }}</td>
            }
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
    .done {
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
    /* On paper the words beside the band would be too small to read: the table says them. */
    @media print {
      .flow,
      .station {
        display: none;
      }
      table.unseen {
        position: static;
        width: 100%;
        height: auto;
        margin: 4px 0 0;
        clip-path: none;
        white-space: normal;
        border-collapse: collapse;
        font-size: 9.5pt;
      }
      caption {
        display: none;
      }
      th,
      td {
        padding: 2px 8px 2px 0;
        border-bottom: 1px solid var(--hairline);
        font-weight: 400;
        text-align: left;
        vertical-align: top;
      }
      th:nth-child(n + 4),
      td:nth-child(n + 4) {
        text-align: right;
        white-space: nowrap;
      }
    }
  `,
})
export class RibbonPicture {
  readonly picture = input.required<Picture>();

  protected readonly gradientId = `ribbon-${String((serial += 1))}`;
  protected readonly fill = `url(#${this.gradientId})`;
}
