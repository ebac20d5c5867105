import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** Thinner than this a soup ripples, thicker it stands; between milk and a coat on the spoon, and double cream. */
const THIN_MPAS = 60;
const STIFF_MPAS = 1200;

/**
 * A bowl drawn from its soup: its colour, its size, a swirl as big as its cream, specks where it was roasted, ripples where
 * it is thin and a ridge where it stands, leaves where it is garnished, steam when hot. Around the rim a line as long as
 * the last batch came to what was asked of it.
 */
@Component({
  selector: 'tt-bowl',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 220 150" aria-hidden="true">
      @if (hot()) {
        <path d="M 92 26 c -8 -8 8 -12 0 -22 M 110 22 c -8 -8 8 -12 0 -20 M 128 26 c -8 -8 8 -12 0 -22" class="steam" />
      }
      <g [attr.transform]="'translate(110 140) scale(' + scale() + ') translate(-110 -140)'">
        <path d="M 14 58 C 16 104 56 130 84 134 L 84 140 L 136 140 L 136 134 C 164 130 204 104 206 58 Z" class="clay" />
        <path d="M 14 58 C 16 104 56 130 84 134" class="shade" />
        <ellipse cx="110" cy="58" rx="96" ry="25" class="clay" />
        <ellipse cx="110" cy="60" rx="86" ry="20" [attr.fill]="colour()" class="soup" />
        @if (roasted()) {
          @for (speck of specks; track $index) {
            <ellipse [attr.cx]="speck[0]" [attr.cy]="speck[1]" [attr.rx]="speck[2]" [attr.ry]="speck[2] / 2.4" class="speck" />
          }
        }
        @if (isThin()) {
          <path d="M 48 66 c 20 9 104 9 124 0 M 70 72 c 14 5 66 5 80 0" class="ripple" />
        }
        @if (isStiff()) {
          <path d="M 58 58 c 14 -12 28 10 44 -2 c 16 -12 30 10 48 0" class="ridge" [attr.stroke]="colour()" />
          <path d="M 58 58 c 14 -12 28 10 44 -2 c 16 -12 30 10 48 0" class="ripple" />
        }
        @if (swirl() > 0) {
          <path
            d="M 72 62 c 6 -13 58 -15 70 -3 c 9 10 -32 16 -44 8 c -7 -6 14 -10 26 -6"
            class="swirl"
            [attr.stroke-width]="swirl()"
          />
        }
        @if (garnished()) {
          @for (leaf of leaves; track $index) {
            <path d="M 0 0 c 3 -5 9 -5 11 0 c -3 4 -8 4 -11 0 Z" class="leaf" [attr.transform]="leaf" />
          }
        }
        @if (rim(); as arc) {
          <path [attr.d]="arc" class="rim" />
        }
      </g>
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
    .clay {
      fill: var(--clay);
      stroke: var(--ink);
      stroke-width: 2;
      stroke-linejoin: round;
    }
    .shade {
      fill: none;
      stroke: var(--hairline);
      stroke-width: 5;
      transform: translate(5px, 1px);
    }
    .soup {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .speck {
      fill: #4a2312;
      opacity: 0.55;
    }
    .swirl {
      fill: none;
      stroke: #fffaf0;
      stroke-linecap: round;
    }
    .ripple {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1;
      opacity: 0.5;
      stroke-linecap: round;
    }
    .ridge {
      fill: none;
      stroke-width: 7;
      stroke-linecap: round;
    }
    .leaf {
      fill: #5d7d3a;
      stroke: #22202a;
      stroke-width: 0.8;
    }
    .rim {
      fill: none;
      stroke: var(--ink);
      stroke-width: 4.5;
      stroke-linecap: round;
    }
    .steam {
      fill: none;
      stroke: #b3a893;
      stroke-width: 2.5;
      stroke-linecap: round;
    }
  `,
})
export class BowlPicture {
  readonly colour = input.required<string>();
  readonly creamShare = input(0);
  readonly roasted = input(false);
  readonly hot = input(true);
  readonly bowlG = input(300);
  readonly bodyMPas = input(0);
  readonly garnished = input(false);
  /** Bowls of the last batch over bowls asked for. */
  readonly reached = input<number | undefined>();

  protected readonly isThin = computed(() => this.bodyMPas() > 0 && this.bodyMPas() < THIN_MPAS);
  protected readonly isStiff = computed(() => this.bodyMPas() > STIFF_MPAS);
  protected readonly leaves = [
    'translate(96 50) rotate(-20)',
    'translate(112 55) rotate(30)',
    'translate(104 61) rotate(5)',
  ] as const;
  /** From nine o'clock, over the back, as far round as the batch came. */
  protected readonly rim = computed(() => {
    const reached = this.reached();
    if (reached === undefined) return undefined;
    if (reached >= 0.99) return 'M 14 58 A 96 25 0 1 1 206 58 A 96 25 0 1 1 14 58';
    const turn = 2 * Math.PI * Math.max(0.01, reached);
    const x = 110 - 96 * Math.cos(turn);
    const y = 58 - 25 * Math.sin(turn);
    return `M 14 58 A 96 25 0 ${turn > Math.PI ? '1' : '0'} 1 ${x.toFixed(1)} ${y.toFixed(1)}`;
  });

  protected readonly specks = [
    [52, 55, 4],
    [150, 70, 3.2],
    [168, 57, 4.6],
    [92, 73, 2.6],
    [120, 49, 3],
  ] as const;

  protected readonly swirl = computed(() => (this.creamShare() > 0 ? 3 + 60 * Math.min(0.15, this.creamShare()) : 0));
  /** Width follows the cube root of what the bowl holds; 300 g is drawn full. */
  protected readonly scale = computed(() => Math.min(1.05, (this.bowlG() / 300) ** (1 / 3)));
}
