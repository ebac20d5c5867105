import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Measure } from '@tureen/core/kit';
import { showVolume, type UnitSystem, degreeUnit } from '@tureen/core/units';
import { NzSelectModule } from 'ng-zorro-antd/select';

export interface Liquid {
  readonly lineId: string;
  readonly name: string;
  readonly inText: string;
  readonly toGoText: string;
}

const PINNED = 4;
/** Held so long, a part of a ladle is asked for. */
const HELD_MS = 550;
/** Drawn width of a ladle of half a litre, px; others by the cube root of what they hold. */
const HALF_LITRE_PX = 52;

/** The ladles hung in a row at their sizes: one touch, one ladle of the liquid chosen. */
@Component({
  selector: 'tt-hand-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  template: `
    <section class="bar" aria-label="Hand bar">
      <div class="liquid">
        <label for="liquid">pouring</label>
        <nz-select
          nzId="liquid"
          [ngModel]="liquid()?.lineId"
          (ngModelChange)="chosen.emit($event)"
          [nzDisabled]="liquids().length === 0"
          nzPlaceHolder="no liquid"
        >
          @for (one of liquids(); track one.lineId) {
            <nz-option [nzValue]="one.lineId" [nzLabel]="one.name" />
          }
        </nz-select>
        <span class="soft">{{ liquid()?.inText }} in, {{ liquid()?.toGoText }} to go</span>
      </div>
      <div class="ladles">
        @for (ladle of drawn(); track ladle.measure.id; let n = $index) {
          <button
            type="button"
            class="ladle"
            [class.long]="ladle.text.length > 8"
            [disabled]="liquid() === undefined || disabled()"
            (pointerdown)="press(ladle.measure)"
            (pointerup)="lift()"
            (pointerleave)="lift()"
            (pointercancel)="lift()"
            (contextmenu)="$event.preventDefault()"
            (click)="pour(ladle.measure)"
            [attr.aria-keyshortcuts]="n + 1"
          >
            <svg viewBox="0 0 64 62" aria-hidden="true">
              @if (ladle.jug) {
                <path d="M 14 8 H 46 L 43 56 H 17 Z M 45 16 c 14 0 14 24 -1 26" class="jug" />
              } @else {
                <path d="M 32 0 V 32" class="stem" />
                <path [attr.d]="ladle.cup" class="cup" />
              }
            </svg>
            <span
              ><span class="key" aria-hidden="true">{{ n + 1 }}</span> {{ ladle.text
              }}<span class="unseen"> of {{ liquid()?.name }}, {{ ladle.measure.name }}</span></span
            >
          </button>
        }
        <button type="button" class="press more" [disabled]="liquid() === undefined || disabled()" (click)="more.emit(undefined)">
          More
        </button>
      </div>
      <div class="actions">
        <button type="button" class="press quiet" (click)="add.emit()" [disabled]="disabled()">
          Add <span class="key" aria-hidden="true">A</span>
        </button>
        <button type="button" class="press quiet" (click)="dip.emit()" [disabled]="disabled()">
          Dip <span class="key" aria-hidden="true">D</span>
        </button>
        <button type="button" class="press quiet" (click)="weigh.emit()" [disabled]="disabled()">
          Weigh <span class="key" aria-hidden="true">W</span>
        </button>
        <button type="button" class="press quiet" (click)="taste.emit()" [disabled]="disabled()">
          Taste <span class="key" aria-hidden="true">T</span>
        </button>
        <button type="button" class="press quiet" (click)="body.emit()" [disabled]="disabled()">
          Body <span class="key" aria-hidden="true">B</span>
        </button>
        <button type="button" class="press quiet" (click)="heat.emit()" [disabled]="disabled()">
          {{ degree() }} <span class="key" aria-hidden="true">H</span>
        </button>
        <button type="button" class="press quiet" (click)="undo.emit()" [disabled]="!canUndo()">
          Undo <span class="key" aria-hidden="true">U</span>
        </button>
      </div>
    </section>
  `,
  styleUrl: './hand-bar.less',
})
export class HandBar {
  readonly liquids = input.required<readonly Liquid[]>();
  readonly liquid = input<Liquid | undefined>();
  readonly ladles = input.required<readonly Measure[]>();
  readonly units = input<UnitSystem>('metric');
  protected readonly degree = computed(() => degreeUnit(this.units()));
  readonly canUndo = input(false);
  readonly disabled = input(false);
  readonly chosen = output<string>();
  readonly poured = output<Measure>();
  readonly add = output();
  readonly dip = output();
  readonly weigh = output();
  readonly undo = output();
  readonly taste = output();
  readonly body = output();
  readonly heat = output();
  /** A part of one vessel is wanted, or, with none named, a vessel that does not hang here. */
  readonly more = output<Measure | undefined>();

  private held: ReturnType<typeof setTimeout> | undefined;
  private askedForPart = false;

  protected readonly drawn = computed(() =>
    this.ladles()
      .slice(0, PINNED)
      .map((measure) => {
        const { digits, unit } = showVolume(measure.volumeM3, this.units());
        const half = (HALF_LITRE_PX / 2) * Math.cbrt(measure.volumeM3 / 500e-6);
        const cup = `M ${String(32 - half)} 30 H ${String(32 + half)} A ${String(half)} ${String(half)} 0 0 1 ${String(32 - half)} 30 Z`;
        return { measure, text: `${digits} ${unit}`, cup, jug: measure.name.toLowerCase().includes('jug') };
      }),
  );

  /** A ladle that is held down asks how much of it, instead of pouring all. */
  protected press(measure: Measure): void {
    this.askedForPart = false;
    clearTimeout(this.held);
    this.held = setTimeout(() => {
      this.askedForPart = true;
      this.more.emit(measure);
    }, HELD_MS);
  }

  protected lift(): void {
    clearTimeout(this.held);
  }

  protected pour(measure: Measure): void {
    clearTimeout(this.held);
    if (!this.askedForPart) this.poured.emit(measure);
    this.askedForPart = false;
  }
}
