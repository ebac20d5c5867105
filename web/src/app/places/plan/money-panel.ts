import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { PlanRequest } from '@tureen/core/plan';
import { NumberField } from '../../parts/number-field';
import type { PlanView } from '../../cooking/views';
import { Figure } from '../../parts/why/figure';
import { factRows, money } from '../figures';

const DEAREST = 8;

/** What it costs, what is left of a selling price, and what is in a bowl for those who ask. */
@Component({
  selector: 'tt-money-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Figure, FormsModule, NumberField],
  template: `
    <section aria-labelledby="cost">
      <h3 id="cost">Cost</h3>
      <dl class="facts">
        <dt>of the batch</dt>
        <dd><tt-figure figure="cost" [value]="cash(view().figures.cost)" [soup]="view().soup" [request]="request()" /></dd>
        <dt>of a bowl</dt>
        <dd><tt-figure figure="cost" [value]="cash(perBowl())" [soup]="view().soup" [request]="request()" /></dd>
        <dt><label for="bowl-price">sold for</label></dt>
        <dd>
          <tt-number
            fieldId="bowl-price"
            name="bowlPrice"
            [least]="0"
            [most]="10000"
            [step]="0.1"
            [ngModel]="bowlPrice()"
            (ngModelChange)="priced.emit($event)"
          />
        </dd>
        @if (margin(); as own) {
          <dt>left of it</dt>
          <dd>{{ own.left }} · {{ own.share }}</dd>
          <dt>left of the batch</dt>
          <dd>{{ own.batch }}</dd>
        }
      </dl>
      <p class="soft">Prices are the larder’s, most of them defaults: put yours in there. Work, gas and rent are not in it.</p>
    </section>
    <section aria-labelledby="dear">
      <h3 id="dear">What costs most</h3>
      <dl class="facts">
        @for (row of dearest(); track row.name) {
          <dt>{{ row.name }}</dt>
          <dd>{{ row.cost }}</dd>
        }
      </dl>
    </section>
    <section aria-labelledby="in-it">
      <h3 id="in-it">In a bowl</h3>
      <dl class="facts">
        @for (row of facts(); track row.name) {
          <dt>{{ row.name }}</dt>
          <dd>
            @if (row.figure; as figure) {
              <tt-figure [figure]="figure" [value]="row.value" [soup]="view().soup" [request]="request()" />
            } @else {
              {{ row.value }}
            }
          </dd>
        }
      </dl>
    </section>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
      gap: 36px;
      align-items: start;
    }
    h3 {
      font-size: 20px;
    }
    dd tt-number {
      width: 130px;
    }
    p {
      margin-top: 8px;
      font-size: 15px;
    }
  `,
})
export class MoneyPanel {
  readonly view = input.required<PlanView>();
  readonly request = input.required<PlanRequest>();
  readonly currency = input.required<string | undefined>();
  readonly bowlPrice = input.required<number | null>();
  readonly priced = output<number | null>();

  protected readonly perBowl = computed(() => {
    const { cost, bowls } = this.view().figures;
    return bowls > 0 ? cost / bowls : 0;
  });
  protected readonly margin = computed(() => {
    const price = this.bowlPrice();
    if (price === null || !(price > 0)) return undefined;
    const left = price - this.perBowl();
    return {
      left: this.cash(left),
      share: `${((left / price) * 100).toFixed(0)} %`,
      batch: this.cash(left * this.view().figures.bowls),
    };
  });
  protected readonly dearest = computed(() =>
    [...this.view().pull]
      .sort((a, b) => b.cost - a.cost)
      .slice(0, DEAREST)
      .filter(({ cost }) => cost > 0)
      .map(({ name, cost }) => ({ name, cost: this.cash(cost) })),
  );
  protected readonly facts = computed(() => {
    const { facts, bodyMPas } = this.view().figures;
    return facts === undefined ? [] : factRows(facts, bodyMPas);
  });

  protected cash(amount: number): string {
    return money(amount, this.currency());
  }
}
