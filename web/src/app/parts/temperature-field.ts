import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { celsiusOf, degreeUnit, showDegrees } from '@tureen/core/units';
import { kitchenUnits } from '../services/units';
import { NumberField } from './number-field';

/** To what a probe reads and a hand types: finer, and a figure taken over from °C would show its sums. */
const PLACES = 1;

/** A temperature, typed on the kitchen's own scale and held in °C. */
@Component({
  selector: 'tt-temperature',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `<tt-number
      [label]="label() + ', ' + unit()"
      [least]="shown(leastC()) ?? 0"
      [most]="shown(mostC()) ?? 0"
      [step]="step()"
      [ngModelOptions]="{ standalone: true }"
      [ngModel]="shown(celsius())"
      (ngModelChange)="typed($event)"
    />
    {{ unit() }}`,
})
export class TemperatureField {
  readonly label = input.required<string>();
  readonly leastC = input.required<number>();
  readonly mostC = input.required<number>();
  readonly step = input(1);
  readonly celsius = model.required<number | null>();
  protected readonly unit = computed(() => degreeUnit(kitchenUnits()));

  protected shown(c: number | null): number | null {
    return c === null ? null : Number(showDegrees(c, kitchenUnits(), PLACES).digits.replace('−', '-'));
  }

  protected typed(figure: number | null): void {
    // What was only shown anew is not a new figure: it would lose what its rounding left out.
    if (figure === this.shown(this.celsius())) return;
    this.celsius.set(figure === null ? null : kitchenUnits() === 'us' ? celsiusOf(figure) : figure);
  }
}
