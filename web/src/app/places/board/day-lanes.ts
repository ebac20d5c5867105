import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DayPicture } from '../../cooking/day-picture';
import { isNarrow } from '../../services/narrow';
import { drawn } from './lanes-geometry';

const WIDE_PX = 1216;
const NARROW_PX = 960;

/**
 * A day as lanes of kit and hands, each soup as its own ribbon through them, as thick as it is heavy. The list by the clock
 * beneath says the same in words; for readers and paper that is the table.
 */
@Component({
  selector: 'tt-day-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = drawing();
    <svg [attr.viewBox]="'0 0 ' + own.width + ' ' + own.height" role="img" [attr.aria-label]="summary()">
      @for (lane of own.lanes; track $index) {
        <line class="hair" [attr.x1]="own.left" [attr.x2]="own.width" [attr.y1]="lane.top" [attr.y2]="lane.top" />
        <text class="lane" [class.hands]="lane.isHands" x="0" [attr.y]="lane.middle">{{ lane.name }}</text>
      }
      @for (hour of own.hours; track $index) {
        <line class="hair" [attr.x1]="hour.x" [attr.x2]="hour.x" [attr.y1]="hour.y + 10" [attr.y2]="own.height" />
        <text class="hour" [attr.x]="hour.x" [attr.y]="hour.y">{{ hour.text }}</text>
      }
      @for (chip of own.chips; track $index) {
        <rect class="chip" [attr.x]="chip.x" [attr.y]="chip.y" [attr.width]="chip.width" [attr.height]="chip.height" rx="8">
          <title>{{ chip.title }}</title>
        </rect>
      }
      @for (bend of own.bends; track $index) {
        <path class="bend-edge" [attr.d]="bend.path" [attr.stroke-width]="bend.wide + 2" />
        <path class="bend" [attr.d]="bend.path" [attr.stroke]="bend.colour" [attr.stroke-width]="bend.wide" />
      }
      @for (bar of own.bars; track $index) {
        <!-- The list says the same in words and takes the keys; a bar is a shorter way to it for whoever points. -->
        <path
          class="bar"
          [class.waits]="bar.waits"
          [class.chosen]="bar.blockId === chosen() && chosen() !== ''"
          [attr.d]="bar.path"
          [attr.fill]="bar.colour"
          (click)="chose.emit(bar.blockId)"
        >
          <title>{{ bar.title }}</title>
        </path>
      }
      @for (chip of own.chips; track $index) {
        <text class="chip-text" [attr.x]="chip.x + 6" [attr.y]="chip.y + 18">{{ chip.text }}</text>
      }
      @for (post of own.posts; track $index) {
        <line class="post" [attr.x1]="post.x" [attr.x2]="post.x" y1="6" [attr.y2]="own.height" />
        <text
          class="post-text"
          [attr.x]="post.anchor === 'start' ? post.x + 8 : post.x - 8"
          [attr.y]="post.y"
          [attr.text-anchor]="post.anchor"
        >
          {{ post.text }}
        </text>
      }
      @for (name of own.names; track $index) {
        <text class="soup" [attr.x]="name.x" [attr.y]="name.y">{{ name.text }}</text>
      }
      @if (own.nowX; as x) {
        <line class="now" [attr.x1]="x" [attr.x2]="x" y1="30" [attr.y2]="own.height" />
        <circle class="now-dot" [attr.cx]="x" cy="30" r="7" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .hair {
      stroke: var(--hairline);
      stroke-width: 1;
    }
    .lane {
      fill: var(--ink);
      font-size: 15px;
    }
    .hands {
      font-weight: 750;
    }
    .hour {
      fill: var(--ink-soft);
      font-size: 15px;
      text-anchor: middle;
    }
    .chip {
      fill: var(--cream);
      stroke: var(--ink-soft);
      stroke-width: 1.5;
    }
    .chip-text {
      fill: var(--ink);
      font-size: 14px;
    }
    .bar {
      stroke: var(--ink);
      stroke-width: 1.5;
      cursor: pointer;
    }
    .waits {
      fill-opacity: 0.35;
      stroke-dasharray: 5 4;
    }
    .chosen {
      stroke: var(--cobalt);
      stroke-width: 4;
    }
    .bend,
    .bend-edge {
      fill: none;
    }
    .bend-edge {
      stroke: var(--ink);
    }
    .soup,
    .chip-text,
    .post-text {
      paint-order: stroke;
      stroke: var(--linen);
      stroke-width: 4px;
      stroke-linejoin: round;
    }
    .chip-text {
      stroke: var(--cream);
      stroke-width: 2px;
    }
    .soup {
      fill: var(--ink);
      font-family: var(--serif);
      font-weight: 650;
      font-size: 16px;
    }
    .post {
      stroke: var(--ink);
      stroke-width: 3;
    }
    .post-text {
      fill: var(--ink);
      font-weight: 700;
      font-size: 15px;
      white-space: pre;
    }
    .now {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .now-dot {
      fill: var(--ink);
    }
  `,
})
export class DayLanes {
  readonly picture = input.required<DayPicture>();
  readonly nowMin = input<number | undefined>();
  readonly summary = input.required<string>();
  /** The block that is being looked at. */
  readonly chosen = input('');
  readonly chose = output<string>();

  private readonly narrow = isNarrow();
  protected readonly drawing = computed(() => drawn(this.picture(), this.narrow() ? NARROW_PX : WIDE_PX, this.nowMin()));
}
