import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ShareFigures } from '@tureen/core/plan';
import { factRows, mass, money } from './figures';
import type { UnitSystem } from '@tureen/core/units';

/** A card for each share of the bowls: what one of them holds, what all of them took. Made to be printed too. */
@Component({
  selector: 'tt-share-cards',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ul>
    @for (share of cards(); track share.id) {
      <li>
        <h3>{{ share.name }}</h3>
        <p class="soft">{{ share.all }}</p>
        <p class="contains">
          Contains <strong>{{ share.contains }}</strong>
        </p>
        <dl class="facts">
          @for (row of share.rows; track row.name) {
            <dt>{{ row.name }}</dt>
            <dd>{{ row.value }}</dd>
          }
        </dl>
      </li>
    }
  </ul>`,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
      gap: 18px 36px;
    }
    li {
      break-inside: avoid;
      padding-top: 10px;
      border-top: 3px solid var(--ink);
    }
    h3 {
      font-size: 24px;
    }
    .contains {
      margin: 6px 0;
      font-size: 20px;
    }
  `,
})
export class ShareCards {
  readonly shares = input.required<readonly ShareFigures[]>();
  readonly units = input<UnitSystem>('metric');
  readonly currency = input<string | undefined>();
  protected readonly cards = computed(() =>
    this.shares().flatMap(({ id, name, whole, totalKg, cost, facts }) => {
      if (facts === undefined || whole <= 0) return [];
      const all = `${String(whole)} bowls, ${mass(totalKg, this.units())}, ${money(cost, this.currency())} in all`;
      const contains = facts.allergens.length === 0 ? 'none of the 14' : facts.allergens.join(', ');
      const rows = factRows(facts).filter(({ name: row }) => row !== 'contains');
      return [{ id, name, all, contains, rows: [...rows, { name: 'cost', value: money(facts.cost, this.currency()) }] }];
    }),
  );
}
