import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SPOON_WORDS, bodyWord } from '@tureen/core/body';
import { bodyByCard, type Soup } from '@tureen/core/soup';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NumberField } from '../../parts/number-field';

const AS_IT_COMES = 0;

/** Bodies that a card can ask for: none, the five of the spoon, and the one that a batch was judged right at. */
export function bodyChoices(right: number | undefined): readonly { readonly mPas: number; readonly name: string }[] {
  const words = SPOON_WORDS.map(({ word, bodyMPas }) => ({ mPas: bodyMPas, name: `${word}, ${String(bodyMPas)} mPa·s` }));
  const judged =
    right === undefined || words.some(({ mPas }) => mPas === right)
      ? []
      : [{ mPas: right, name: `judged right, ${String(right)} mPa·s (${bodyWord(right)})` }];
  return [{ mPas: AS_IT_COMES, name: 'as it comes' }, ...judged, ...words];
}

/** What a soup is written for, while it is being changed: bowls, their size, hot or cold, and the body that is right for it. */
@Component({
  selector: 'tt-written-for',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, NzSelectModule],
  template: `<p class="written">
    <label
      >written for
      <tt-number
        class="dense"
        [least]="0.1"
        [most]="1000"
        [step]="1"
        [start]="soup().writtenFor.bowls"
        (committed)="writeFor('bowls', $event)"
      />
      bowls</label
    >
    <label
      >of
      <tt-number
        class="dense"
        [least]="20"
        [most]="2000"
        [step]="10"
        [start]="soup().writtenFor.bowlG"
        (committed)="writeFor('bowlG', $event)"
      />
      g</label
    >
    <button type="button" class="press" (click)="serve()">served {{ soup().served }}</button>
    @if (asksForBody()) {
      <label for="right-body"
        >body
        <nz-select
          nzId="right-body"
          class="body"
          [ngModel]="soup().rightMPas ?? none"
          [ngModelOptions]="{ standalone: true }"
          (ngModelChange)="changed.emit({ rightMPas: $event === none ? undefined : $event })"
        >
          @for (choice of bodies(); track choice.mPas) {
            <nz-option [nzValue]="choice.mPas" [nzLabel]="choice.name" />
          }
        </nz-select>
      </label>
    }
    @if (comesTo(); as bowls) {
      <span class="comes"
        >its amounts come to {{ bowls }} bowls
        <button
          type="button"
          class="as-text"
          (click)="changed.emit({ writtenFor: { bowls: bowls, bowlG: soup().writtenFor.bowlG } })"
        >
          write it for those
        </button></span
      >
    }
  </p>`,
  styles: `
    .written {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px 16px;
      margin-bottom: 12px;
    }
    label {
      display: inline-flex;
      align-items: center;
      gap: 8px;
    }
    .body {
      width: 270px;
    }
  `,
})
export class WrittenFor {
  readonly soup = input.required<Soup>();
  /** Bowls that its amounts come to as written; undefined before that is worked out. */
  readonly bowls = input<number>();
  readonly changed = output<Partial<Soup>>();

  protected readonly none = AS_IT_COMES;
  protected readonly bodies = computed(() => bodyChoices(this.soup().rightMPas));
  /** A step that settles the body says itself to which: then there is nothing more to ask for. */
  protected readonly asksForBody = computed(() => bodyByCard(this.soup()) === undefined);

  /** Bowls that the amounts really make, where these are not the bowls that the soup says it is written for. */
  protected readonly comesTo = computed(() => {
    const bowls = Math.round((this.bowls() ?? 0) * 10) / 10;
    return bowls > 0 && Math.abs(bowls / this.soup().writtenFor.bowls - 1) > 0.02 ? bowls : undefined;
  });

  protected writeFor(which: 'bowls' | 'bowlG', value: number): void {
    this.changed.emit({ writtenFor: { ...this.soup().writtenFor, [which]: value } });
  }

  protected serve(): void {
    this.changed.emit({ served: this.soup().served === 'hot' ? 'cold' : 'hot' });
  }
}
