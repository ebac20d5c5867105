import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ContainerRow } from './container-words';

/** The bottom of the tub in the picture, its rounding, and how high what is left and what is full stand above it. */
const BOTTOM = 94;
const ROUND = 8;
const LEAST_LEVEL = 8;
const FULL_LEVEL = 72;

/** A tub cut open, filled as it is full, in the colour of its soup; on it its last day and its bowls. */
@Component({
  selector: 'tt-tub',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 116 96" aria-hidden="true">
      <rect x="8" y="14" width="100" height="80" rx="8" class="inside" />
      <path [attr.d]="soup()" [attr.fill]="row().colour" />
      <rect x="8" y="14" width="100" height="80" rx="8" class="wall" />
      <rect x="2" y="2" width="112" height="12" rx="6" class="lid" [class.warn]="row().urgency !== 'later'" />
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
  /** The soup in it, rounded where the tub is: drawn as one outline, since thousands may stand on a shelf. */
  protected readonly soup = computed(() => {
    const level = BOTTOM - LEAST_LEVEL - this.row().full * (FULL_LEVEL - LEAST_LEVEL);
    const round = `${String(ROUND)} ${String(ROUND)} 0 0 1 -${String(ROUND)}`;
    return `M8 ${String(level)} H108 V${String(BOTTOM - ROUND)} a${round} ${String(ROUND)} H16 a${round} -${String(ROUND)} Z`;
  });
}
