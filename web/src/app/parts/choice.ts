import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';

export interface ChoiceOption<T extends string = string> {
  readonly value: T;
  readonly name: string;
  /** The key that chooses it, where there is one. */
  readonly key?: string | undefined;
}

/** One of a few, side by side as one control: each a radio button, so that arrows, readers and touch know what it is. */
@Component({
  selector: 'tt-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzRadioModule],
  template: `<nz-radio-group
    nzButtonStyle="solid"
    role="radiogroup"
    [attr.aria-label]="label()"
    [ngModel]="value()"
    (ngModelChange)="chosen.emit($event)"
  >
    @for (one of options(); track one.value) {
      <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- it brings its own input -->
      <label nz-radio-button [nzValue]="one.value">
        {{ one.name }}
        @if (one.key !== undefined) {
          <span class="key" aria-hidden="true">{{ one.key }}</span>
        }
      </label>
    }
  </nz-radio-group>`,
})
export class Choice<T extends string> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly ChoiceOption<T>[]>();
  readonly value = input<T | undefined>();
  readonly chosen = output<T>();
}
