import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import type { Kit } from '@tureen/core/kit';
import { planErrorSentence } from '@tureen/core/messages';
import { MOST_BOWLS, type PlanRequest } from '@tureen/core/plan';
import type { MethodChoices, Soup } from '@tureen/core/soup';
import { showMinutes, showVolume } from '@tureen/core/units';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { debounceTime, from, switchMap } from 'rxjs';
import { NumberField } from '../../parts/number-field';
import { Cooking } from '../../cooking/cooking';
import type { PlanView } from '../../cooking/views';
import { mass, money } from '../figures';

const KEYSTROKE_MS = 60;

interface Row {
  readonly name: string;
  readonly here: string;
  readonly there: string;
  readonly change: string;
}

/** This plan beside another: another pot, roast or sweat, more bowls or fewer. */
@Component({
  selector: 'tt-side-by-side',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, NzSelectModule],
  template: `
    <form class="sentence" (submit)="$event.preventDefault()">
      <span>Beside it</span>
      <label class="unseen" for="other-bowls">bowls of the other plan</label>
      <tt-number fieldId="other-bowls" name="otherBowls" [least]="1" [most]="most" [step]="10" [(ngModel)]="bowls" />
      <span>bowls in the</span>
      <label class="unseen" for="other-pot">pot of the other plan</label>
      <nz-select nzId="other-pot" name="otherPot" [(ngModel)]="potId">
        @for (pot of kit().pots; track pot.id) {
          <nz-option [nzValue]="pot.id" [nzLabel]="pot.name" />
        }
      </nz-select>
      <label class="unseen" for="other-colour">colour of the other plan</label>
      <nz-select nzId="other-colour" name="otherColour" [(ngModel)]="colour">
        <nz-option nzValue="same" nzLabel="coloured the same" />
        <nz-option nzValue="roast" nzLabel="roasted" />
        <nz-option nzValue="sweat" nzLabel="sweated" />
      </nz-select>
    </form>
    @if (trouble(); as text) {
      <p class="caution" role="alert">{{ text }}</p>
    }
    <table>
      <thead>
        <tr>
          <th scope="col"></th>
          <th scope="col">this plan</th>
          <th scope="col">beside it</th>
          <th scope="col">difference</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td>{{ row.here }}</td>
            <td>{{ row.there }}</td>
            <td class="soft">{{ row.change }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    .sentence {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 12px;
      font-size: 20px;
    }
    tt-number {
      width: 120px;
    }
    nz-select {
      min-width: 220px;
    }
    table {
      width: 100%;
      margin-top: 16px;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 8px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: right;
    }
    th:first-child {
      text-align: left;
    }
    thead th {
      color: var(--ink-soft);
      font-size: 15px;
    }
    td {
      font-weight: 650;
    }
    td.soft {
      font-weight: 400;
    }
  `,
})
export class SideBySide {
  private readonly cooking = inject(Cooking);
  readonly soup = input.required<Soup>();
  readonly request = input.required<PlanRequest>();
  readonly kit = input.required<Kit>();
  readonly view = input.required<PlanView>();

  protected readonly most = MOST_BOWLS;
  protected readonly bowls = linkedSignal<number | null>(() => Math.round(this.view().figures.bowls));
  protected readonly potId = linkedSignal<string>(() => {
    const here = this.request().potId;
    // The biggest other pot is likely to hold it.
    return [...this.kit().pots].reverse().find(({ id }) => id !== here)?.id ?? here;
  });
  protected readonly colour = linkedSignal<'same' | NonNullable<MethodChoices['colour']>>(() => 'same');

  private readonly other = computed(() => {
    const colour = this.colour();
    const soup: Soup =
      colour === 'same' ? this.soup() : { ...this.soup(), methodChoices: { ...this.soup().methodChoices, colour } };
    const request: PlanRequest = {
      ...this.request(),
      anchors: undefined,
      bowls: Math.max(1, this.bowls() ?? 1),
      potId: this.potId(),
    };
    return { soup, request };
  });
  private readonly answer = toSignal(
    toObservable(this.other).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(({ soup, request }) => from(this.cooking.calculator.plan(soup, request))),
    ),
  );
  protected readonly trouble = computed(() => {
    const outcome = this.answer()?.outcome;
    return outcome?.ok === false ? planErrorSentence(outcome.error) : undefined;
  });

  protected readonly rows = computed((): Row[] => {
    const outcome = this.answer()?.outcome;
    const there = outcome?.ok === true ? outcome.view : undefined;
    const here = this.view();
    const { units, currency } = this.kit();
    const volume = (m3: number): string => {
      const { digits, unit } = showVolume(m3, units);
      return `${digits} ${unit}`;
    };
    const of = (name: string, figure: (view: PlanView) => number, shown: (value: number) => string): Row => {
      const a = figure(here);
      const b = there === undefined ? undefined : figure(there);
      const delta = b === undefined ? 0 : b - a;
      return {
        name,
        here: shown(a),
        there: b === undefined ? '–' : shown(b),
        change: b === undefined || shown(Math.abs(delta)) === shown(0) ? '–' : `${delta > 0 ? '+' : '−'}${shown(Math.abs(delta))}`,
      };
    };
    const what =
      (name: string) =>
      (view: PlanView): number =>
        view.notScaling.find((row) => row.what === name)?.now ?? 0;
    const bowlsOf = (view: PlanView): number => Math.max(1e-9, view.figures.bowls);
    return [
      of(
        'bowls',
        ({ figures }) => figures.bowls,
        (x) => x.toFixed(0),
      ),
      of(
        'cooked',
        ({ figures }) => figures.cookedKg,
        (x) => mass(x, units),
      ),
      of('stock poured', what('poured stock'), (x) => mass(x, units)),
      of('boils off', what('boil-off'), (x) => mass(x, units)),
      of('fullest', ({ peakM3 }) => peakM3, volume),
      of('from the first knife', ({ figures }) => figures.minutes, showMinutes),
      of('to the boil', what('minutes to the boil'), showMinutes),
      of('oven rounds', what('oven rounds'), (x) => x.toFixed(0)),
      of('jugs', what('jugs'), (x) => x.toFixed(0)),
      of(
        'body',
        ({ figures }) => figures.bodyMPas,
        (x) => `${x.toFixed(0)} mPa·s`,
      ),
      of(
        'salt',
        ({ figures }) => figures.saltPct,
        (x) => `${x.toFixed(2)} %`,
      ),
      of(
        'fat a bowl',
        ({ figures }) => figures.facts?.fatG ?? 0,
        (x) => `${x.toFixed(1)} g`,
      ),
      of(
        'cost a bowl',
        (view) => view.figures.cost / bowlsOf(view),
        (x) => money(x, currency),
      ),
    ];
  });
}
