import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { BODY_WITHIN, SALT_WITHIN_PCT } from '@tureen/core/batch';
import { bodyWord } from '@tureen/core/body';
import type { OddsBand } from '@tureen/core/odds';
import { WHAT_IFS } from '@tureen/core/practice';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, debounceTime, from, of, switchMap } from 'rxjs';
import { Benching } from '../../cooking/benching';
import type { KitchensAsk } from '../../cooking/bench-view';

const KITCHENS = 100;
const SETTLED_MS = 200;

/** What goes wrong, in a cook's words. */
const WORDS: Readonly<Record<string, string>> = {
  nothing: 'nothing goes wrong',
  'lid off': 'the lid was off: three times the steam',
  'tray forgotten': 'the tray was forgotten: 60 % more is roasted away',
  'salted stock': 'the stock was salted: 6 g a kilo',
  'small ladle': 'the ladle holds a quarter less',
  'large ladle': 'the ladle holds a third more',
  'covered well': 'it was covered by 40 % more',
  floury: 'the vegetables bind twice as well',
  watery: 'the vegetables bind half as well',
};

/** The same doings in a hundred simulated kitchens, whose truth owes nothing to the model that planned them. */
@Component({
  selector: 'tt-in-kitchens',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  template: `
    <p class="ask">
      <label for="what-if">What if</label>
      <nz-select nzId="what-if" [ngModel]="whatIf()" (ngModelChange)="whatIf.set($event)">
        @for (one of whatIfs; track one.id) {
          <nz-option [nzValue]="one.id" [nzLabel]="one.words" />
        }
      </nz-select>
    </p>
    @if (answer(); as told) {
      @if (told === 'failed') {
        <p class="caution" role="alert"><span>This can’t be cooked in the bench. Change the plan and look again.</span></p>
      } @else if (told.kitchens === 0) {
        <p class="soft">Nothing is in the pot yet.</p>
      } @else {
        <table class="figure-table" aria-live="polite">
          <caption class="unseen">
            What comes of it in
            {{
              told.kitchens
            }}
            kitchens
          </caption>
          <thead>
            <tr>
              <th scope="col"><span class="unseen">figure</span></th>
              <th scope="col">planned</th>
              <th scope="col">half of the kitchens</th>
              <th scope="col">nine of ten</th>
              <th scope="col">right in</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.name) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td>{{ row.planned }}</td>
                <td>{{ row.half }}</td>
                <td>{{ row.most }}</td>
                <td>
                  <strong>{{ row.right }}</strong> of {{ told.kitchens }}
                </td>
              </tr>
            }
          </tbody>
        </table>
        <p class="soft">{{ note() }} {{ rightIs }}</p>
      }
    } @else {
      <p class="soft" role="status">Cooking it in a hundred kitchens…</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .ask {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: center;
      margin: 0;
    }
    nz-select {
      width: 340px;
      max-width: 100%;
    }
  `,
})
export class InKitchensPanel {
  readonly ask = input.required<KitchensAsk>();
  private readonly benching = inject(Benching);

  protected readonly whatIfs = WHAT_IFS.map(({ id }) => ({ id, words: WORDS[id] ?? id }));
  protected readonly whatIf = signal('nothing');
  private readonly question = computed(() => ({ ask: this.ask(), whatIf: this.whatIf() }));
  protected readonly answer = toSignal(
    toObservable(this.question).pipe(
      debounceTime(SETTLED_MS),
      switchMap(({ ask, whatIf }) =>
        from(this.benching.ask.inKitchensView(ask, whatIf, KITCHENS)).pipe(catchError(() => of('failed' as const))),
      ),
    ),
  );
  protected readonly rows = computed(() => {
    const told = this.answer();
    if (told === undefined || told === 'failed') return [];
    const { planned, bowls, saltPct, bodyMPas, right } = told;
    const row = (name: string, plan: number, spread: OddsBand, share: number, say: (value: number) => string) => ({
      name,
      planned: say(plan),
      half: range(spread.p25, spread.p75, say),
      most: range(spread.p5, spread.p95, say),
      right: Math.round(share * told.kitchens),
    });
    return [
      row('bowls', planned.bowls, bowls, right.bowls, (value) => value.toFixed(0)),
      row('salt', planned.saltPct, saltPct, right.salt, (value) => `${value.toFixed(2)} %`),
      ...(bodyMPas === undefined || right.body === undefined
        ? []
        : [row('texture', planned.bodyMPas, bodyMPas, right.body, bodyWord)]),
    ];
  });
  protected readonly rightIs = `Right: at most 5 % fewer bowls than planned, salt within ${String(SALT_WITHIN_PCT)} points, texture within ${String(BODY_WITHIN)} times, thicker or thinner.`;
  protected readonly note = computed(() =>
    this.ask().entries === undefined
      ? 'Done to the letter, with no look at the pot: what a dip, a spoon and a taste are for. These kitchens are simulated, with other waters, flames and knives, by other rules than the plan’s.'
      : 'What was entered of this batch, done again in kitchens with other waters, flames and knives. They are simulated, by other rules than the plan’s.',
  );
}

function range(low: number, high: number, say: (value: number) => string): string {
  const [least, most] = [say(low), say(high)];
  return least === most ? least : `${least} to ${most}`;
}
