import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import type { Buying, ShoppingRow, SupplyAction } from '@tureen/core/shop';
import type { UnitSystem } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { AmountField } from '../../parts/amount-field';
import { Supplies } from '../../services/supplies';
import { weighedIn } from '@tureen/core/units';
import { mass } from '../figures';

/** What happened to an ingredient in the store, and how it is bought. Kilos are kept, whatever unit the kitchen weighs in. */
@Component({
  selector: 'tt-store-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AmountField, NzInputModule],
  template: `<form (submit)="$event.preventDefault(); received()">
      <tt-amount
        before="came in"
        [label]="inUnits('of', 'that came in')"
        [unit]="unit().name"
        [start]="got()"
        (committed)="got.set($event)"
      />
      <tt-amount
        before="at"
        [label]="'Price of a ' + unit().name + ' of ' + row().name"
        [unit]="currency() + ' the ' + unit().name + ', if it is another price'"
        [step]="0.1"
        [start]="price()"
        (committed)="price.set($event)"
      />
      <button type="submit" class="press main">It came in</button>
      <tt-amount
        before="or there are"
        [label]="inUnits('of', 'that are there')"
        [unit]="unit().name + ', counted'"
        [start]="shown(row().onHandKg)"
        (committed)="counted($event)"
      />
      <tt-amount
        before="or were thrown away"
        [label]="inUnits('of', 'thrown away')"
        [unit]="unit().name"
        [start]="null"
        (committed)="thrown($event)"
      />
    </form>
    <p>
      <label>
        bought from
        <input nz-input maxlength="60" [value]="pack()?.supplier ?? ''" (change)="buy({ supplier: text($event) })" />
      </label>
      <label>
        in
        <input
          nz-input
          class="short"
          maxlength="30"
          placeholder="sack"
          [value]="pack()?.packName ?? ''"
          (change)="buy({ packName: text($event) })"
        />
      </label>
      <tt-amount
        before="of"
        [label]="inUnits('of', 'in a pack')"
        [unit]="unit().name"
        [step]="1"
        [most]="1000"
        [start]="shown(pack()?.packKg)"
        (committed)="sized($event)"
      />
    </p>`,
  styles: `
    form,
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 12px 22px;
      align-items: center;
      padding: 6px 0;
    }
    label {
      display: inline-flex;
      align-items: center;
      gap: 8px;
    }
    input {
      width: 180px;
      height: 48px;
    }
    .short {
      width: 110px;
    }
  `,
})
export class StoreForm {
  readonly row = input.required<ShoppingRow>();
  readonly units = input.required<UnitSystem>();
  readonly currency = input('');
  /** What was entered, in a sentence. */
  readonly said = output<string>();
  readonly refused = output<string>();

  private readonly supplies = inject(Supplies);
  /** What the store is weighed in. */
  protected readonly unit = computed(() => weighedIn(this.units()));
  protected readonly got = linkedSignal(() => this.shown(this.row().buyKg > 0 ? this.row().buyKg : undefined));
  protected readonly price = signal<number | null>(null);
  /** How it is bought; what was just typed is ahead of the server for a moment, and the next thing typed goes with it. */
  protected readonly pack = linkedSignal<Buying | undefined>(() => this.row().pack);

  protected inUnits(before: string, after: string): string {
    return `${this.unit().name === 'kg' ? 'Kilos' : 'Pounds'} ${before} ${this.row().name} ${after}`;
  }

  protected shown(kg: number | undefined): number | null {
    return kg === undefined ? null : Math.round((kg / this.unit().kg) * 1000) / 1000;
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value.trim();
  }

  private async enter(action: SupplyAction, what: string): Promise<void> {
    const answer = await this.supplies.enter(this.row().ingredient, action);
    if (answer.ok) this.said.emit(`${mass(action.kg, this.units())} ${this.row().name} ${what}.`);
    else this.refused.emit(answer.refusal.sentence);
  }

  protected async received(): Promise<void> {
    const { kg } = this.unit();
    const got = this.got();
    if (got === null || got <= 0) {
      this.refused.emit(`How much ${this.row().name} came? Type it, or count what is there.`);
      return;
    }
    const price = this.price();
    await this.enter({ kind: 'bought', kg: got * kg, ...(price === null ? {} : { pricePerKg: price / kg }) }, 'came in');
  }

  protected async counted(there: number): Promise<void> {
    await this.enter({ kind: 'counted', kg: there * this.unit().kg }, 'on hand');
  }

  protected async thrown(gone: number): Promise<void> {
    if (gone > 0) await this.enter({ kind: 'thrown', kg: gone * this.unit().kg, why: 'gone off' }, 'thrown away');
  }

  protected async sized(size: number): Promise<void> {
    await this.buy({ packKg: size <= 0 ? undefined : size * this.unit().kg });
  }

  protected async buy(change: Partial<Buying>): Promise<void> {
    const { supplier = '', packKg, packName } = { ...this.pack(), ...change };
    const buying: Buying = {
      ingredient: this.row().ingredient,
      supplier,
      packKg,
      packName: packName === '' ? undefined : packName,
    };
    this.pack.set(buying);
    const answer = await this.supplies.buy(buying);
    if (!answer.ok) this.refused.emit(answer.refusal.sentence);
  }
}
