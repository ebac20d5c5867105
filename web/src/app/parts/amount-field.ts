import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NumberField } from './number-field';

/** A number in a sentence: what stands before it, the field, and its unit behind. */
@Component({
  selector: 'tt-amount',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField],
  template: `<span>{{ before() }}</span>
    <tt-number
      class="dense"
      [label]="label()"
      [least]="least()"
      [most]="most()"
      [step]="step()"
      [start]="start()"
      (committed)="committed.emit($event)"
    />
    <span>{{ unit() }}</span>`,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 8px;
      white-space: nowrap;
    }
    tt-number {
      width: 96px;
    }
  `,
})
export class AmountField {
  readonly before = input.required<string>();
  /** The whole of what is asked, for who hears it. */
  readonly label = input.required<string>();
  readonly unit = input.required<string>();
  readonly start = input.required<number | null>();
  readonly least = input(0);
  readonly most = input(20_000);
  readonly step = input(0.5);
  readonly committed = output<number>();
}
