import { ChangeDetectionStrategy, Component, computed, input, output, signal, type OnDestroy, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { BETWEEN_WORDS, SPOON_WORDS, syringeLevel, type BodyReading, type SpoonReading } from '@tureen/core/body';
import { NumberField } from '../../parts/number-field';
import { Choice } from '../../parts/choice';
import { OWN_TIME } from '../../services/own-time';
import { Sheet } from './sheet';
import { degrees } from '@tureen/core/units';
import { kitchenUnits } from '../../services/units';

type Device = BodyReading['device'];

const DEVICES: readonly { readonly value: Device; readonly name: string; readonly how: string }[] = [
  {
    value: 'spoon',
    name: 'Spoon',
    how: 'Dip a spoon, hold it level, draw a finger across its back. Take the word that fits, or what lies between two.',
  },
  {
    value: 'syringe',
    name: 'Syringe',
    how: 'Fill a 10 mL syringe without its plunger from this batch, let it run for 10 seconds, and read what is left.',
  },
  {
    value: 'plate ring',
    name: 'Plate',
    how: 'Pour 50 mL on a level plate, wait a minute, and measure from the middle to the rim of the pool.',
  },
  {
    value: 'drain cup',
    name: 'Drain cup',
    how: 'For thin and fine soups: fill the 4 mm cup level, lift the finger, and stop when the stream first breaks. 30 to 100 s count.',
  },
  {
    value: 'viscometer',
    name: 'Viscometer',
    how: 'Stirred, without pieces, the spindle in to its mark; the figure at 50 turns of shear a second.',
  },
];

/** What a device asks for: where the figure lies, in what unit, and the picture of what to do. */
const ASKED: Readonly<
  Record<
    Exclude<Device, 'spoon'>,
    {
      readonly least: number;
      readonly most: number;
      readonly by: number;
      readonly unit: string;
      readonly label: string;
      readonly draw: string;
    }
  >
> = {
  syringe: {
    least: 0,
    most: 10,
    by: 0.5,
    unit: 'mL',
    label: 'left in the syringe',
    draw: 'M 34 8 V 62 L 44 74 V 88 H 52 V 74 L 62 62 V 8 M 34 34 H 62 M 46 94 V 104 M 50 94 V 104',
  },
  'plate ring': {
    least: 20,
    most: 200,
    by: 1,
    unit: 'mm',
    label: 'from the middle to the rim',
    draw: 'M 6 70 H 90 M 18 70 C 18 48 78 48 78 70 M 48 84 V 70 M 48 84 H 78 M 48 80 V 88 M 78 80 V 88',
  },
  'drain cup': {
    least: 1,
    most: 1000,
    by: 1,
    unit: 's',
    label: 'until the stream breaks',
    draw: 'M 22 12 H 74 V 50 L 52 70 H 44 L 22 50 Z M 48 74 V 96 M 48 100 V 104',
  },
  viscometer: {
    least: 1,
    most: 100_000,
    by: 10,
    unit: 'mPa·s',
    label: 'on its display',
    draw: 'M 30 8 H 66 V 34 H 30 Z M 48 34 V 84 M 38 62 H 58 V 84 H 38 Z M 20 54 V 96 H 76 V 54',
  },
};
const SPOON_DRAW = 'M 8 40 H 52 M 52 40 C 52 24 90 24 90 42 C 90 60 52 60 52 40 M 70 30 V 54';
const SYRINGE_S = 10;

/** The body of what is in the pot, read by the spoon first; a syringe or a plate for those who need a figure. */
@Component({
  selector: 'tt-body-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, NumberField, Sheet],
  template: `<tt-sheet title="How thick is it?" (closed)="closed.emit()">
    <tt-choice label="Read by" [options]="devices" [value]="device()" (chosen)="device.set($event)" />
    <div class="how">
      <svg viewBox="0 0 96 110" aria-hidden="true"><path [attr.d]="drawing()" /></svg>
      <p class="soft">{{ how() }}</p>
    </div>
    @if (device() === 'spoon') {
      <ul class="words">
        @for (one of words; track one.word) {
          <li>
            <button type="button" class="press" (click)="spoon(one.word)">
              {{ one.word }} <span class="soft">{{ one.bodyMPas }} mPa·s</span>
            </button>
            @if (between[$index]; as both) {
              <button type="button" class="press both" (click)="spoon(both)">{{ both }}</button>
            }
          </li>
        }
      </ul>
    } @else {
      <form class="row" (submit)="$event.preventDefault(); figure()">
        <label for="body-figure">{{ range().label }}</label>
        <tt-number
          fieldId="body-figure"
          name="figure"
          [least]="range().least"
          [most]="range().most"
          [step]="range().by"
          [unit]="range().unit"
          [(ngModel)]="value"
        />
        <span>{{ range().unit }}</span>
        <button type="submit" class="press main" [attr.aria-disabled]="!good() || null">Enter it</button>
      </form>
      @if (device() === 'syringe') {
        <p class="row">
          <button type="button" class="press" (click)="run()">{{ left() === undefined ? 'Run 10 s' : left() + ' s' }}</button>
          @if (level() !== undefined) {
            <span>
              That means <strong>level {{ level() }}</strong> of the ten-second flow test, for this batch at {{ heat() }}, without
              pieces.
            </span>
          }
        </p>
      }
    }
    <p class="soft">Read at {{ heat() }}, as the pot stands; it is told for the heat it is served at.</p>
    <p class="caution">A person with a swallowing disorder eats the texture that their clinician set; test it as they say.</p>
  </tt-sheet>`,
  styles: `
    .panels,
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
      margin-bottom: 12px;
    }
    .words {
      display: grid;
      gap: 8px;
      margin: 12px 0;
    }
    .words li {
      display: grid;
      grid-template-columns: repeat(2, 1fr);
      gap: 10px;
    }
    .words .press {
      min-height: 56px;
      justify-content: space-between;
    }
    /* Half a row lower: it stands between the two words that it lies between. */
    .words .both {
      transform: translateY(32px);
      color: var(--ink-soft);
    }
    tt-number {
      width: 130px;
    }
    .how {
      display: grid;
      grid-template-columns: 72px 1fr;
      align-items: center;
      gap: 14px;
    }
    .how path {
      fill: none;
      stroke: var(--ink);
      stroke-width: 4;
      stroke-linejoin: round;
      stroke-linecap: round;
    }
    .press {
      min-height: 56px;
    }
    p {
      margin-top: 10px;
    }
  `,
})
export class BodySheet implements OnDestroy {
  private readonly ownMs = inject(OWN_TIME);
  readonly tempC = input.required<number>();
  protected readonly heat = computed(() => degrees(this.tempC(), kitchenUnits()));
  readonly read = output<BodyReading>();
  readonly closed = output();
  protected readonly devices = DEVICES;
  protected readonly words = SPOON_WORDS;
  protected readonly between = BETWEEN_WORDS;
  protected readonly device = signal<Device>('spoon');
  protected readonly value = signal<number | null>(null);
  protected readonly how = computed(() => DEVICES.find(({ value }) => value === this.device())?.how ?? '');
  protected readonly range = computed(() => {
    const device = this.device();
    return ASKED[device === 'spoon' ? 'syringe' : device];
  });
  protected readonly drawing = computed(() => {
    const device = this.device();
    return device === 'spoon' ? SPOON_DRAW : ASKED[device].draw;
  });
  /** Only what was read of this batch is given a level. */
  protected readonly level = computed(() => {
    const value = this.value();
    return this.device() === 'syringe' && value !== null && this.good() ? syringeLevel(value) : undefined;
  });
  /** Seconds of the syringe's own clock. */
  protected readonly left = signal<number | undefined>(undefined);
  private ticking: ReturnType<typeof setInterval> | undefined;
  protected readonly good = computed(() => {
    const value = this.value();
    const { least, most } = this.range();
    return value !== null && value >= least && value <= most;
  });

  protected spoon(word: SpoonReading): void {
    this.read.emit({ device: 'spoon', word, tempC: this.within() });
  }

  protected figure(): void {
    const value = this.value();
    if (value === null || !this.good()) return;
    const tempC = this.within();
    switch (this.device()) {
      case 'syringe':
        this.read.emit({ device: 'syringe', leftMl: value, tempC });
        return;
      case 'plate ring':
        this.read.emit({ device: 'plate ring', radiusMm: value, tempC });
        return;
      case 'drain cup':
        this.read.emit({ device: 'drain cup', cupMm: 4, seconds: value, tempC });
        return;
      case 'viscometer':
        this.read.emit({ device: 'viscometer', mPas: value, tempC });
        return;
      case 'spoon':
    }
  }

  /** Ten seconds by the clock: let it run at the start, put the finger on at the end. */
  protected run(): void {
    clearInterval(this.ticking);
    const until = this.ownMs() + SYRINGE_S * 1000;
    this.left.set(SYRINGE_S);
    this.ticking = setInterval(() => {
      const left = Math.ceil((until - this.ownMs()) / 1000);
      this.left.set(left > 0 ? left : undefined);
      if (left > 0) return;
      clearInterval(this.ticking);
      if ('vibrate' in navigator) navigator.vibrate(300);
    }, 100);
  }

  ngOnDestroy(): void {
    clearInterval(this.ticking);
  }

  private within(): number {
    return Math.min(100, Math.max(0, this.tempC()));
  }
}
