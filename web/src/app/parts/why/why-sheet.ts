import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { namer, stepSentence } from '@tureen/core/messages';
import { walk } from '@tureen/core/soup';
import { showMinutes, type UnitSystem, degrees, degreesMore } from '@tureen/core/units';
import type { Part, Why } from '@tureen/core/why';
import { combineLatest, from, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { mass, money } from '../../places/figures';
import type { WhyQuestion } from '../../services/why-asked';

const TITLES: Readonly<Record<Why['figure'], string>> = {
  salt: 'Salt in all bowls',
  fat: 'Fat in all bowls',
  energy: 'Energy in all bowls',
  cost: 'Cost of the batch',
  litres: 'Litres dished out',
  yield: 'Kilos dished out',
  bowls: 'Bowls',
  body: 'Body at the table',
  minutes: 'Minutes from the first knife',
  stock: 'Liquid poured in',
  cream: 'Cream in all bowls',
  sodium: 'Sodium in all bowls',
  fibre: 'Fibre in all bowls',
  steam: 'Boiled off in simmering',
  boil: 'Minutes to the boil',
  trays: 'Oven trays',
  rounds: 'Rounds of the oven',
  jugs: 'Jugs to blend',
  contains: 'Allergens',
  grain: 'Coarsest grain',
  heat: 'How hot it goes out',
  pull: 'To take from the shelves',
};

/** Figures that go on from step to step. */
const IN_ORDER: ReadonlySet<Why['figure']> = new Set(['heat', 'grain', 'minutes']);

const KINDS: Readonly<Partial<Record<NonNullable<Part['kind']>, string>>> = {
  ingredient: '',
  trim: 'trimmed off',
  vapour: 'steam',
  'taken out': 'taken out',
  'given back': 'given back',
  stays: 'stays behind',
};

/** What a figure is made of: its parts, the rules behind it, their sources, and whether they are the kitchen's own. */
@Component({
  selector: 'tt-why-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (why(); as own) {
      <h2>{{ title() }}</h2>
      <p class="value">{{ value() }}</p>
      @if (own.attribution) {
        <p class="soft">Shared out {{ own.attribution }}.</p>
      }
      <table>
        <thead>
          <tr>
            <th scope="col">made of</th>
            <th scope="col">{{ unit() }}</th>
          </tr>
        </thead>
        <tbody>
          @for (part of parts(); track $index) {
            <tr>
              <th scope="row">
                {{ part.name }} <span class="soft">{{ part.kind }}</span>
              </th>
              <td>{{ part.value }}</td>
            </tr>
          }
        </tbody>
      </table>
      <h3>By these rules</h3>
      <ul>
        @for (rule of own.rules; track $index) {
          <li>
            {{ rule.rule }}
            <span class="soft">Source: {{ rule.source }}.</span>
            @if (rule.parameter; as parameter) {
              <span class="parameter"
                >{{ threeFigures(parameter.value) }} {{ parameter.unit }},
                {{
                  parameter.from === 'learnt'
                    ? 'learnt from ' + parameter.batches + (parameter.batches === 1 ? ' batch' : ' batches') + ' here'
                    : parameter.from === 'kitchen'
                      ? 'this kitchen’s own'
                      : 'a default'
                }}</span
              >
            }
          </li>
        }
      </ul>
    } @else {
      <p role="status">Working it out…</p>
    }
  `,
  styles: `
    h2 {
      font-size: 22px;
    }
    h3 {
      margin: 18px 0 6px;
      font-size: 17px;
    }
    .value {
      font-size: 34px;
      font-weight: 700;
    }
    table {
      width: 100%;
      margin-top: 10px;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 7px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: left;
    }
    thead th {
      color: var(--ink-soft);
      font-size: 15px;
    }
    td,
    thead th:last-child {
      font-weight: 700;
      text-align: right;
      white-space: nowrap;
    }
    li {
      padding: 6px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .parameter {
      display: block;
      font-weight: 650;
    }
  `,
})
export class WhySheet {
  readonly question = input.required<WhyQuestion>();
  private readonly cooking = inject(Cooking);
  private readonly stocked = toSignal(this.cooking.stocked$);
  /** Followed live: a ladle poured while it stands open changes it. */
  private readonly batch = computed(() => this.question().batch?.());
  protected readonly why = toSignal(
    combineLatest([toObservable(this.question), toObservable(this.batch), this.cooking.stocked$]).pipe(
      switchMap(([{ soup, request, figure }, batch]) =>
        from(
          batch !== undefined && typeof figure === 'string'
            ? this.cooking.calculator.whyOf(batch.snapshot, batch.entries, figure)
            : this.cooking.calculator.why(soup, request, figure),
        ),
      ),
    ),
  );
  private readonly units = computed((): UnitSystem => this.stocked()?.kit?.units ?? 'metric');
  private readonly currency = computed(() => this.stocked()?.kit?.currency);
  protected readonly title = computed(() => {
    const { figure } = this.question();
    return typeof figure === 'string' ? TITLES[figure] : `${TITLES.pull}: ${figure.name.toLowerCase()}`;
  });
  protected readonly value = computed(() => {
    const why = this.why();
    return why === undefined ? '' : this.shown(why, why.value);
  });
  protected readonly unit = computed(() => {
    const why = this.why();
    if (why === undefined) return '';
    return why.unit === '°C' ||
      why.unit === 'mm' ||
      why.unit === 'kg' ||
      why.unit === 'g' ||
      why.unit === 'min' ||
      why.unit === 'money'
      ? ''
      : why.figure === 'body'
        ? 'share of ln'
        : why.unit;
  });
  protected readonly parts = computed(() => {
    const why = this.why();
    if (why === undefined) return [];
    const { soup } = this.question();
    const nameOf = this.batch()?.nameOf ?? namer(soup, this.stocked()?.rows ?? []);
    const steps = new Map(walk(soup.root).map(({ step }) => [step.id, step]));
    // What goes on from step to step is told in that order, the rest by size.
    const told = IN_ORDER.has(why.figure) ? why.parts : [...why.parts].sort((a, b) => Math.abs(b.value) - Math.abs(a.value));
    return told
      .filter((part) => why.unit !== '°C' || Math.abs(part.value) >= 0.5)
      .map((part) => {
        const step = steps.get(part.id);
        return {
          name:
            part.of === 'step' && step !== undefined
              ? stepSentence(step, nameOf, this.units())
              : part.of === 'line'
                ? nameOf(part.id)
                : part.id,
          kind: part.note ?? (part.kind === undefined ? '' : (KINDS[part.kind] ?? '')),
          value:
            why.unit === '°C' && part.of === 'step'
              ? `${part.value > 0 ? '+' : '−'}${degreesMore(Math.abs(part.value), this.units())}`
              : why.figure === 'contains'
                ? mass(part.value, this.units())
                : this.shown(why, part.value),
        };
      });
  });

  protected threeFigures(value: number): string {
    return String(Number(value.toPrecision(3)));
  }

  private shown({ unit, figure }: Why, value: number): string {
    if (unit === 'kg') return mass(value, this.units());
    if (unit === 'g') return mass(value / 1000, this.units());
    if (unit === '°C') return degrees(value, this.units());
    if (unit === '' || unit === 'allergens') return value.toFixed(0);
    if (unit === 'min') return showMinutes(value);
    if (unit === 'money') return money(value, this.currency());
    if (figure === 'body' && unit === 'mPa·s' && value > 20) return `${value.toFixed(0)} mPa·s`;
    return `${Math.abs(value) >= 100 ? value.toFixed(0) : value.toFixed(2)} ${figure === 'body' ? '' : unit}`.trim();
  }
}
