import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Measure } from '@tureen/core/kit';
import { showVolume, type UnitSystem } from '@tureen/core/units';
import { Sheet } from './sheet';

/** Spoons, cups and a carton that every kitchen has beside its ladles. Metric spoons and cup; common practice for the carton. */
const COMMON: readonly Measure[] = [
  { id: 'teaspoon', name: 'Teaspoon', volumeM3: 5e-6 },
  { id: 'tablespoon', name: 'Tablespoon', volumeM3: 15e-6 },
  { id: 'cup', name: 'Cup', volumeM3: 250e-6 },
  { id: 'carton', name: 'Carton', volumeM3: 1e-3 },
];
const PARTS = [
  { name: 'a quarter', part: 0.25 },
  { name: 'half', part: 0.5 },
  { name: 'three quarters', part: 0.75 },
  { name: 'whole', part: 1 },
] as const;

/** Every vessel of the kit and the common ones, each whole or in part; with one vessel given, only its parts. */
@Component({
  selector: 'tt-vessels-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Sheet],
  template: `<tt-sheet [title]="'Pour ' + liquid()" [width]="720" (closed)="closed.emit()">
    <ul>
      @for (one of all(); track one.measure.id) {
        <li>
          <span
            ><strong>{{ one.measure.name }}</strong> <span class="soft">{{ one.text }}</span></span
          >
          @for (part of parts; track part.part) {
            <button
              type="button"
              class="press"
              [class.main]="part.part === 1"
              (click)="poured.emit({ measure: one.measure, part: part.part })"
              [attr.aria-label]="part.name + ' of the ' + one.measure.name"
            >
              {{ part.name }}
            </button>
          }
        </li>
      }
    </ul>
  </tt-sheet>`,
  styles: `
    ul {
      display: grid;
      gap: 8px;
    }
    li {
      display: grid;
      grid-template-columns: 1fr repeat(4, auto);
      align-items: center;
      gap: 8px;
    }
    .press {
      min-height: 56px;
      padding: 0 12px;
      font-size: 16px;
    }
  `,
})
export class VesselsSheet {
  readonly ladles = input.required<readonly Measure[]>();
  readonly one = input<Measure | undefined>();
  readonly liquid = input('');
  readonly units = input<UnitSystem>('metric');
  readonly poured = output<{ readonly measure: Measure; readonly part: number }>();
  readonly closed = output();
  protected readonly parts = PARTS;
  protected readonly all = computed(() => {
    const one = this.one();
    return (one === undefined ? [...this.ladles(), ...COMMON] : [one]).map((measure) => {
      const { digits, unit } = showVolume(measure.volumeM3, this.units());
      return { measure, text: `${digits} ${unit}` };
    });
  });
}
