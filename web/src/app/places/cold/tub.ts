import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ContainerRow } from './container-words';

const WIDE = 116;
const HIGH = 96;
const LID = 12;
const LEAST_LEVEL = 10;

/** A tub cut open, filled as it is full, in the colour of its soup; on it its last day and its bowls. */
@Component({
  selector: 'tt-tub',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + wide + ' ' + high" aria-hidden="true">
      <rect x="8" y="14" [attr.width]="wide - 16" [attr.height]="high - 16" rx="8" class="inside" />
      <clipPath [attr.id]="'in-' + row().id">
        <rect x="8" y="14" [attr.width]="wide - 16" [attr.height]="high - 16" rx="8" />
      </clipPath>
      <rect
        x="8"
        [attr.y]="levelY()"
        [attr.width]="wide - 16"
        [attr.height]="high - levelY()"
        [attr.fill]="row().colour"
        [attr.clip-path]="'url(#in-' + row().id + ')'"
      />
      <rect x="8" y="14" [attr.width]="wide - 16" [attr.height]="high - 16" rx="8" class="wall" />
      <rect x="2" y="2" [attr.width]="wide - 4" [attr.height]="lid" rx="6" class="lid" [class.warn]="row().urgency !== 'later'" />
      @if (row().state === 'frozen') {
        <path d="M 20 8 h 76" class="frost" />
      }
    </svg>
    <span class="plate">
      <strong>
        @if (row().urgency === 'past') {
          <span aria-hidden="true">▲</span> past
        } @else if (row().urgency === 'today') {
          <span aria-hidden="true">▲</span> today
        } @else {
          {{ row().until }}
        }
      </strong>
      <span>{{ row().bowls === 0 ? row().mass : row().bowls + (row().bowls === 1 ? ' bowl' : ' bowls') }}</span>
    </span>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      width: 116px;
    }
    svg {
      display: block;
      width: 100%;
    }
    .inside {
      fill: var(--cream);
    }
    .wall {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .lid {
      fill: var(--cream);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .lid.warn {
      fill: var(--saffron);
    }
    .frost {
      stroke: var(--ink);
      stroke-width: 2;
      stroke-dasharray: 2 5;
    }
    .plate {
      position: absolute;
      left: 16px;
      right: 16px;
      bottom: 9px;
      display: grid;
      padding: 2px 4px;
      border-radius: 6px;
      background: var(--cream);
      color: var(--ink);
      font-size: 15px;
      line-height: 1.2;
      text-align: center;
      white-space: nowrap;
    }
  `,
})
export class Tub {
  readonly row = input.required<ContainerRow>();
  protected readonly wide = WIDE;
  protected readonly high = HIGH;
  protected readonly lid = LID;
  protected readonly levelY = computed(() => HIGH - LEAST_LEVEL - this.row().full * (HIGH - LEAST_LEVEL - 22));
}
