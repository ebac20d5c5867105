import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { weighedIn } from '@tureen/core/units';
import { kitchenUnits } from '../services/units';
import { NumberField } from './number-field';

/** A mass, typed in what the kitchen's large scale shows and held in kg. */
@Component({
  selector: 'tt-mass',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `<tt-number
      [label]="label() + ', ' + unit().name"
      [least]="shown(leastKg()) ?? 0"
      [most]="shown(mostKg()) ?? 0"
      [step]="0.1"
      [ngModelOptions]="{ standalone: true }"
      [ngModel]="shown(kg())"
      (ngModelChange)="typed($event)"
    />
    {{ unit().name }}`,
})
export class MassField {
  readonly label = input.required<string>();
  readonly leastKg = input.required<number>();
  readonly mostKg = input.required<number>();
  readonly kg = model.required<number | null>();
  protected readonly unit = computed(() => weighedIn(kitchenUnits()));

  /** As it stands where it is metric; to a hundredth of a pound, where more would show its sums. */
  protected shown(kg: number | null): number | null {
    if (kg === null || this.unit().kg === 1) return kg;
    return Math.round((kg / this.unit().kg) * 100) / 100;
  }

  protected typed(figure: number | null): void {
    // What was only shown anew is not a new figure: it would lose what its rounding left out.
    if (figure === this.shown(this.kg())) return;
    this.kg.set(figure === null ? null : figure * this.unit().kg);
  }
}
