import { ChangeDetectionStrategy, Component, computed, inject, input, output, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { dayOf } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { isUsable } from '@tureen/core/stock';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NumberField } from '../../parts/number-field';
import { Cooking } from '../../cooking/cooking';
import { Clock } from '../../services/clock';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { dayWords } from '../cold/container-words';
import { mass } from '../figures';
import { Sheet } from './sheet';
import { kitchenUnits } from '../../services/units';

const MOST_FOUND = 8;
const MOST_NEAR = 3;
const MOST_KEPT = 4;

/** A line that may be changed on the way. */
export interface ChangeableLine {
  readonly id: string;
  readonly ingredient: string;
  readonly name: string;
  readonly isIn: boolean;
}

export type Changed =
  | { readonly kind: 'swapped'; readonly line: string; readonly row: IngredientRow }
  | { readonly kind: 'left out'; readonly line: string }
  | {
      readonly kind: 'brought';
      readonly row: IngredientRow;
      readonly kg: number;
      /** The container that it comes out of, where it is kept soup. */
      readonly container?: string;
    };

/** Something else in a line's place, something left out, something that was never planned: what the counter has to know. */
@Component({
  selector: 'tt-change-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzInputModule, NumberField, NzSelectModule, Sheet],
  template: `<tt-sheet title="Not as planned" [width]="860" (closed)="closed.emit()">
    @if (here().length > 0) {
      <ul class="here" aria-label="Of this step">
        @for (one of here(); track one.id) {
          <li>
            <strong>{{ one.name }}</strong>
            <span class="choices">
              <button
                type="button"
                class="press"
                (click)="changed.emit({ kind: 'left out', line: one.id })"
                [attr.aria-label]="one.name + ' is left out'"
              >
                left out
              </button>
              @for (row of one.near; track row.id) {
                <button
                  type="button"
                  class="press"
                  (click)="changed.emit({ kind: 'swapped', line: one.id, row })"
                  [attr.aria-label]="row.name + ' in the place of ' + one.name"
                >
                  {{ row.name }} <span class="soft">{{ brings(row) }}</span>
                </button>
              }
            </span>
          </li>
        }
      </ul>
      <p class="soft">Nearest by what it is made of; how it tastes is for you to judge.</p>
    }
    <label for="change-line">{{ here().length > 0 ? 'Something else' : 'What is not as planned?' }}</label>
    <nz-select nzId="change-line" name="line" [ngModel]="line()" (ngModelChange)="line.set($event)">
      <nz-option nzValue="" nzLabel="something that was not planned at all" />
      @for (one of lines(); track one.id) {
        <nz-option [nzValue]="one.id" [nzLabel]="one.name" />
      }
    </nz-select>
    @if (line() !== '') {
      <p>
        @if (canLeave()) {
          <button type="button" class="press" (click)="changed.emit({ kind: 'left out', line: line() })">It is left out</button>
        } @else {
          <span class="soft">It is in already, so it can’t be left out any more.</span>
        }
      </p>
    }
    @if (line() === '' && kept().length > 0) {
      <ul class="found" aria-label="From the cold">
        @for (one of kept(); track one.id) {
          <li>
            <button
              type="button"
              class="press"
              (click)="changed.emit({ kind: 'brought', row: one.row, kg: one.kg, container: one.id })"
            >
              All of it from the cold: {{ one.name }}, {{ one.words }} <span class="soft">{{ brings(one.row) }}</span>
            </button>
          </li>
        }
      </ul>
    }
    <label for="change-find">{{ line() === '' ? 'What goes in' : 'or what goes in its place' }}</label>
    <input
      id="change-find"
      nz-input
      maxlength="60"
      placeholder="coconut"
      autocomplete="off"
      [ngModel]="text()"
      (ngModelChange)="text.set($event)"
    />
    @if (line() === '') {
      <div class="row">
        <label for="change-g">how much</label>
        <tt-number fieldId="change-g" name="grams" [least]="1" [most]="100000" [step]="10" [(ngModel)]="grams" />
        <span>g</span>
      </div>
    }
    <ul class="found">
      @for (row of found(); track row.id) {
        <li>
          <button type="button" class="press" (click)="take(row)">
            {{ row.name }} <span class="soft">{{ brings(row) }}</span>
          </button>
        </li>
      }
    </ul>
    @if (text().trim().length > 1 && found().length === 0) {
      <p class="caution" role="alert">The larder has nothing of that name. Add it there first.</p>
    }
  </tt-sheet>`,
  styles: `
    label {
      display: block;
      margin: 10px 0 4px;
      font-weight: 650;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 10px;
      margin-top: 10px;
    }
    nz-select,
    input {
      width: 100%;
    }
    ul {
      display: grid;
      gap: 8px;
      margin-top: 12px;
    }
    .found .press {
      width: 100%;
      justify-content: space-between;
    }
    .here {
      max-height: 44vh;
      margin-top: 0;
      overflow: auto;
    }
    .here li {
      display: grid;
      grid-template-columns: 160px 1fr;
      gap: 8px 12px;
    }
    .here strong {
      padding-top: 16px;
    }
    .choices {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .here .press {
      min-height: 56px;
      padding: 0 14px;
      font-size: 16px;
    }
    p {
      margin: 10px 0;
    }
  `,
})
export class ChangeSheet {
  private readonly cooking = inject(Cooking);
  private readonly stocked = toSignal(this.cooking.stocked$);
  readonly lines = input.required<readonly ChangeableLine[]>();
  /** Ids of the lines that the step in hand takes. */
  readonly ofStep = input<readonly string[]>([]);
  readonly changed = output<Changed>();
  readonly closed = output();
  protected readonly line = signal('');
  protected readonly text = signal('');
  protected readonly grams = signal<number | null>(100);
  protected readonly canLeave = computed(() => this.lines().find(({ id }) => id === this.line())?.isIn === false);
  /** Lines of the step in hand that are not in yet, each with what comes nearest: two touches in all. */
  private readonly open = computed(() => {
    const own = new Set(this.ofStep());
    return this.lines().filter(({ id, isIn }) => !isIn && own.has(id));
  });
  private readonly near = resource({
    params: () => this.open().map(({ ingredient }) => ingredient),
    loader: ({ params }) => this.cooking.calculator.near(params, MOST_NEAR),
  });
  protected readonly here = computed(() => {
    const near = this.near.hasValue() ? this.near.value() : [];
    return this.open().map((line, n) => ({ ...line, near: near[n] ?? [] }));
  });
  protected readonly found = computed((): readonly IngredientRow[] => {
    const wanted = this.text().trim().toLowerCase();
    if (wanted.length < 2) return [];
    const names = ({ name, us, au }: IngredientRow): string => [name, us, au].join(' ').toLowerCase();
    const rows = (this.stocked()?.rows ?? []).filter((row) => names(row).includes(wanted));
    return [...rows].sort((a, b) => names(a).indexOf(wanted) - names(b).indexOf(wanted)).slice(0, MOST_FOUND);
  });

  private readonly cold = toSignal(inject(Stock).cold$);
  private readonly now = inject(Clock);
  /** Kept soup that could go in, soonest day first; what is frozen or past its day is not offered. */
  protected readonly kept = computed(() => {
    const cold = this.cold();
    if (cold?.ok !== true) return [];
    const wanted = this.text().trim().toLowerCase();
    const today = dayOf(this.now.now(), kitchenZone());
    return cold.value.containers
      .filter((one) => isUsable(one, today) && one.contents.name.toLowerCase().includes(wanted))
      .slice(0, MOST_KEPT)
      .map(({ id, contents, kg, useBy }) => ({
        id,
        name: contents.name,
        row: contents.row,
        kg,
        words: `${mass(kg, kitchenUnits())}, use by ${dayWords(useBy.day)}`,
      }));
  });

  protected brings({ allergens }: IngredientRow): string {
    return allergens.length === 0 ? '' : `brings ${allergens.join(', ')}`;
  }

  protected take(row: IngredientRow): void {
    const grams = this.grams();
    if (this.line() !== '') this.changed.emit({ kind: 'swapped', line: this.line(), row });
    else if (grams !== null && grams > 0) this.changed.emit({ kind: 'brought', row, kg: grams / 1000 });
  }
}
