import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { toPullCsv } from '@tureen/core/formats';
import { GROUPS } from '@tureen/core/larder';
import type { PlanRequest, RoundedPull, RoundedRow } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { UnitSystem } from '@tureen/core/units';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { Figure } from '../../parts/why/figure';
import { mass, NOTHING_KG } from '../figures';
import { saveAs } from '../save-as';

/** A row's name in the ticks that are kept: one ingredient trimmed one way. */
export function tickOf({ ingredient, way }: Pick<RoundedRow, 'ingredient' | 'way'>): string {
  return `${ingredient} ${way ?? ''}`.trim();
}

/** What is bought once it is rounded, against what is wanted. */
function bought({ roundedKg, boughtKg }: RoundedRow): number {
  return roundedKg / Math.max(1e-9, boughtKg);
}

function pieces({ pieces: counted }: RoundedRow): string {
  if (counted === undefined) return '';
  const { size } = counted;
  const whole = Math.floor(counted.count + 1e-9);
  const count = counted.count - whole < 0.25 ? String(whole) : `${whole === 0 ? '' : String(whole)}½`;
  const isOne = counted.count <= 1;
  const container = /^(can|carton|jar|pack|bottle|tube)-(.+)$/.exec(size);
  if (container !== null) return `${count} ${container[1] ?? ''}${isOne ? '' : 's'} of ${container[2] ?? ''}`;
  if (size === 'medium') return count;
  const isCounted = !isOne && !/^(?:small|large|middling|half)$/.test(size);
  return `${count} ${isCounted ? (size === 'leaf' ? 'leaves' : `${size}s`) : size}`;
}

/** What to take from the shelves, by group, in what can be bought and measured, to be ticked off. */
@Component({
  selector: 'tt-pull-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Figure, NzCheckboxModule],
  template: `
    <table>
      <caption>
        Pull list
        <span class="soft">{{ got() }} of {{ pull().rows.length }} on the bench</span>
      </caption>
      <thead>
        <tr>
          <th scope="col">take from the shelves</th>
          <th scope="col">as bought</th>
          <th scope="col">after trim</th>
          <th scope="col">to the tub</th>
        </tr>
      </thead>
      @for (group of groups(); track group.name) {
        <tbody>
          <tr class="group">
            <th scope="rowgroup" colspan="4">{{ group.name }}</th>
          </tr>
          @for (row of group.rows; track row.tick) {
            <tr [class.got]="ticks().has(row.tick)">
              <th scope="row">
                <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- NG-ZORRO puts the input inside -->
                <label
                  nz-checkbox
                  [nzChecked]="ticks().has(row.tick)"
                  (nzCheckedChange)="ticked.emit({ tick: row.tick, on: $event })"
                  >{{ row.name }} <span class="soft">{{ row.manner }}</span></label
                >
              </th>
              <td>
                @if (row.pieces !== '') {
                  <span class="pieces">{{ row.pieces }}</span>
                }
                <tt-figure [figure]="row.key" [value]="row.bought" [soup]="soup()" [request]="request()" />
              </td>
              <td>{{ row.edible }}</td>
              <td>{{ row.tub }}</td>
            </tr>
          }
        </tbody>
      }
    </table>
    <p class="soft drift">{{ drift() }}</p>
    <p class="doors no-print">
      <button type="button" class="press" (click)="print()">Print</button>
      <button type="button" class="press" (click)="csv()">Save as CSV</button>
    </p>
  `,
  styleUrl: './pull-list.less',
})
export class PullList {
  readonly pull = input.required<RoundedPull>();
  readonly soup = input.required<Soup>();
  readonly request = input.required<PlanRequest>();
  readonly units = input.required<UnitSystem>();
  readonly title = input.required<string>();
  readonly bowls = input.required<number>();
  readonly ticks = input.required<ReadonlySet<string>>();
  readonly nameOf = input.required<(lineId: string) => string>();
  readonly ticked = output<{ readonly tick: string; readonly on: boolean }>();

  protected readonly got = computed(() => this.pull().rows.filter((row) => this.ticks().has(tickOf(row))).length);
  protected readonly groups = computed(() => {
    const units = this.units();
    const rows = this.pull().rows.map((row) => ({
      group: row.group,
      tick: tickOf(row),
      name: row.name,
      manner: [row.way, row.cut].filter((one) => one !== undefined).join(', '),
      pieces: pieces(row),
      bought: mass(row.roundedKg, units),
      key: { ingredient: row.ingredient, way: row.way, name: row.name },
      edible: row.edibleKg > 0 && row.trimKg <= NOTHING_KG ? '–' : mass(row.edibleKg * bought(row), units),
      tub: row.trimKg > NOTHING_KG ? mass(row.trimKg * bought(row), units) : '–',
    }));
    return GROUPS.map((name) => ({ name, rows: rows.filter(({ group }) => group === name) })).filter(
      (group) => group.rows.length > 0,
    );
  });
  protected readonly drift = computed(() => {
    const { figures, most } = this.pull();
    const off = Math.abs((most?.drift ?? 0) * 100);
    const bowls = figures.bowls.toFixed(1).replace(/\.0$/, '');
    const stray =
      most === undefined || off < 0.05 ? 'nothing strays' : `the ${this.nameOf()(most.lineId)} strays most, by ${off.toFixed(1)} %`;
    return `Rounded to what can be bought and weighed, it makes ${bowls} bowls; ${stray}.`;
  });

  protected print(): void {
    window.print();
  }

  protected csv(): void {
    const rows = this.pull().rows.map((row) => ({
      ...row,
      boughtKg: row.roundedKg,
      edibleKg: row.edibleKg * bought(row),
      trimKg: row.trimKg * bought(row),
      cost: row.cost * bought(row),
    }));
    saveAs(`${this.title()} for ${this.bowls().toFixed(0)}.csv`, 'text/csv', toPullCsv(rows));
  }
}
