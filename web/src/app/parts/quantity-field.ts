import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { kitchenUnits } from '../services/units';
import { NumberField } from './number-field';
import { rounded, typedIn } from './typed';

/** A mass or a temperature, typed in the kitchen's own units and held in kg or °C. */
@Component({
  selector: 'tt-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `<tt-number
      [label]="label() + ', ' + typed().unit"
      [least]="shown(least()) ?? 0"
      [most]="shown(most()) ?? 0"
      [step]="typed().step"
      [ngModelOptions]="{ standalone: true }"
      [ngModel]="shown(value())"
      (ngModelChange)="take($event)"
    />
    {{ typed().unit }}`,
})
export class QuantityField {
  readonly label = input.required<string>();
  readonly unit = input.required<'kg' | '°C'>();
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly value = model.required<number | null>();
  protected readonly typed = computed(() => typedIn(this.unit(), this.unit() === 'kg' ? 0.1 : 1, kitchenUnits()));

  protected shown(value: number | null): number | null {
    const { factor, shift } = this.typed();
    return value === null ? null : rounded(value * factor + shift);
  }

  protected take(figure: number | null): void {
    // What was only shown anew is not a new figure: it would lose what its rounding left out.
    if (figure === this.shown(this.value())) return;
    const { factor, shift } = this.typed();
    this.value.set(figure === null ? null : (figure - shift) / factor);
  }
}
