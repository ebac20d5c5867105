import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { clockOf } from '@tureen/core/board';
import type { DayPicture } from '../../cooking/day-picture';
import { isNarrow } from '../../services/narrow';
import { drawn, type Drawn } from './lanes-geometry';

const WIDE_PX = 1216;
const NARROW_PX = 960;
/** What moves less was a touch, px. */
const LEAST_PX = 8;
/** A block is dragged in steps of so many minutes. */
const STEP_MIN = 5;
/** The label of what is dragged stays so far from the picture's sides, px. */
const EDGE_PX = 64;

/** That a block was dragged: by how many minutes, and whose lane it was dropped on, if on another's. */
export interface Moved {
  readonly blockId: string;
  readonly byMin: number;
  readonly person: string | undefined;
}

interface Held {
  readonly blockId: string;
  /** When it starts as it is laid out, minutes after midnight. */
  readonly startMin: number;
  readonly x: number;
  readonly y: number;
  readonly fromX: number;
  readonly fromY: number;
  readonly dx: number;
  readonly dy: number;
  readonly canMove: boolean;
  readonly isPulled: boolean;
}

/**
 * A day as lanes of kit and hands, each soup as its own ribbon through them, as thick as it is heavy. The list by the clock
 * beneath says the same in words; for readers and paper that is the table.
 */
@Component({
  selector: 'tt-day-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown.escape)': 'letGo()' },
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
          [class.dragged]="dragOf(bar.blockId) !== undefined"
          [attr.transform]="dragOf(bar.blockId)"
          (pointerdown)="take($event, bar)"
          (pointermove)="pull($event)"
          (pointerup)="drop()"
          (pointercancel)="letGo()"
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
      @if (dragText(); as label) {
        <text class="post-text" text-anchor="middle" [attr.x]="label.x" [attr.y]="label.y">{{ label.text }}</text>
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
      touch-action: pan-y;
    }
    .dragged {
      cursor: grabbing;
      opacity: 0.75;
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
  /** When each block starts, minutes after midnight: those can be dragged. */
  readonly starts = input<ReadonlyMap<string, number>>(new Map());
  readonly chose = output<string>();
  /** A block that was dragged along the clock, or onto somebody's lane. */
  readonly moved = output<Moved>();

  private readonly narrow = isNarrow();
  protected readonly drawing = computed(() => drawn(this.picture(), this.narrow() ? NARROW_PX : WIDE_PX, this.nowMin()));

  /** The bar that is held, and how far it was pulled, in the picture's own px. */
  private readonly held = signal<Held | undefined>(undefined);
  private readonly byMin = computed(() => {
    const held = this.held();
    // What is dropped on somebody keeps its time, unless it is clearly dragged along the clock too.
    return held === undefined || Math.abs(held.dx) < LEAST_PX
      ? 0
      : Math.round(held.dx / this.drawing().perMin / STEP_MIN) * STEP_MIN;
  });
  /** Whose lane the bar is held over, where that is another than its own. */
  private readonly over = computed(() => {
    const held = this.held();
    if (held === undefined || Math.abs(held.dy) < LEAST_PX) return undefined;
    return this.drawing().lanes.find(({ isHands, top, bottom }) => isHands && top <= held.y && held.y < bottom);
  });
  protected readonly dragText = computed(() => {
    const held = this.held();
    if (held?.isPulled !== true) return undefined;
    const over = this.over();
    const at = clockOf(held.startMin + this.byMin());
    const { width } = this.drawing();
    const x = Math.min(width - EDGE_PX, Math.max(EDGE_PX, held.x));
    return { x, y: Math.max(EDGE_PX / 4, held.y - EDGE_PX / 4), text: over === undefined ? at : `${at}  ${over.name}` };
  });

  /** How far the bars of a block are shown from where they lie; undefined for one that is not held. */
  protected dragOf(blockId: string): string | undefined {
    const held = this.held();
    if (held?.isPulled !== true || held.blockId !== blockId) return undefined;
    return `translate(${String(this.byMin() * this.drawing().perMin)} ${String(this.over() === undefined ? 0 : held.dy)})`;
  }

  protected take(event: PointerEvent, { blockId, waits }: Drawn): void {
    if (event.button !== 0) return;
    const bar = event.currentTarget as SVGGraphicsElement;
    const { x, y } = this.inPicture(event);
    const startMin = this.starts().get(blockId);
    const canMove = !waits && startMin !== undefined;
    if (canMove) bar.setPointerCapture(event.pointerId);
    this.held.set({ blockId, startMin: startMin ?? 0, x, y, dx: 0, dy: 0, fromX: x, fromY: y, canMove, isPulled: false });
  }

  protected pull(event: PointerEvent): void {
    const held = this.held();
    if (held?.canMove !== true) return;
    const { x, y } = this.inPicture(event);
    const dx = x - held.fromX;
    const dy = y - held.fromY;
    this.held.set({ ...held, x, y, dx, dy, isPulled: held.isPulled || Math.hypot(dx, dy) >= LEAST_PX });
  }

  protected drop(): void {
    const held = this.held();
    const byMin = this.byMin();
    const person = this.over()?.id;
    this.held.set(undefined);
    if (held === undefined) return;
    if (!held.isPulled) this.chose.emit(held.blockId);
    else if (byMin !== 0 || person !== undefined) this.moved.emit({ blockId: held.blockId, byMin, person });
  }

  protected letGo(): void {
    this.held.set(undefined);
  }

  /** Where a pointer is in the picture's own px. */
  private inPicture(event: PointerEvent): { readonly x: number; readonly y: number } {
    const svg = (event.currentTarget as SVGGraphicsElement).ownerSVGElement;
    const box = svg?.getBoundingClientRect();
    const scale = box === undefined || box.width === 0 ? 1 : this.drawing().width / box.width;
    return { x: (event.clientX - (box?.left ?? 0)) * scale, y: (event.clientY - (box?.top ?? 0)) * scale };
  }
}
