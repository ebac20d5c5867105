import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Kit, Place } from '@tureen/core/kit';
import { NzSelectModule } from 'ng-zorro-antd/select';

interface Choice {
  readonly value: string;
  readonly label: string;
}

export const COUNTRY_CHOICES: readonly (Choice & { readonly value: NonNullable<Kit['country']> | '' })[] = [
  { value: 'gb', label: 'British' },
  { value: 'us', label: 'American' },
  { value: 'au', label: 'Australian' },
  { value: '', label: 'ask each time' },
];

export const UNIT_CHOICES: readonly (Choice & { readonly value: Kit['units'] })[] = [
  { value: 'metric', label: 'metric' },
  { value: 'us', label: 'US' },
  { value: 'imperial', label: 'imperial' },
];

/** What the browser knows, each under its own name, behind a choice that leaves it open. */
function listed(names: readonly string[], open: string): readonly Choice[] {
  return [{ value: '', label: open }, ...names.map((name) => ({ value: name, label: name }))];
}

const FIELDS: readonly {
  readonly key: keyof Place;
  readonly label: string;
  readonly search: boolean;
  readonly choices: readonly Choice[];
}[] = [
  { key: 'units', label: 'Units', search: false, choices: UNIT_CHOICES },
  { key: 'country', label: 'Spoons and names', search: false, choices: COUNTRY_CHOICES },
  { key: 'currency', label: 'Prices in', search: true, choices: listed(Intl.supportedValuesOf('currency'), 'no currency') },
  { key: 'zone', label: 'Days by', search: true, choices: listed(Intl.supportedValuesOf('timeZone'), 'the server’s clock') },
];

/** Where a kitchen stands: its units, whose spoons and names, its currency and its time zone. */
@Component({
  selector: 'tt-place-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  template: `@for (field of fields; track field.key) {
    <span>
      <label [for]="field.key">{{ field.label }}</label>
      <nz-select
        [nzId]="field.key"
        [nzShowSearch]="field.search"
        [ngModel]="place()[field.key] ?? ''"
        (ngModelChange)="choose(field.key, $event)"
      >
        @for (one of field.choices; track one.value) {
          <nz-option [nzValue]="one.value" [nzLabel]="one.label" />
        }
      </nz-select>
    </span>
  }`,
  styles: `
    :host {
      display: contents;
    }
    span {
      display: inline-flex;
      align-items: center;
      gap: 10px;
    }
    nz-select {
      min-width: 150px;
    }
  `,
})
export class PlaceFields {
  readonly place = input.required<Place>();
  readonly changed = output<Partial<Place>>();
  protected readonly fields = FIELDS;

  /** What is left open is told as undefined. */
  protected choose(key: keyof Place, value: string): void {
    this.changed.emit({ [key]: value === '' ? undefined : value });
  }
}
