import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { TASTED, type Tasted } from '@tureen/core/batch';
import { potDose } from '@tureen/core/season';
import { FIRST_SHARE } from '@tureen/core/solve';
import { walk, type Branch } from '@tureen/core/soup';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Choice, type ChoiceOption } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { mass } from '../figures';
import { SIDES } from '../tasted';
import { Asking } from './asking';
import { Hand } from './hand';
import { recall, remember } from '../../services/remembered';
import { Sheet } from './sheet';

const HOW: Readonly<Record<Tasted, string>> = {
  salt: 'From a small bowl that has cooled a minute. Salt first, alone.',
  sour: 'Against the sweet. Flat or heavy wants a squeeze; harsh wants fat or a little sweet.',
  sweet: 'Against the sour. Too sweet wants acid, spice or salt.',
  heat: 'A bit at a time; it goes on growing in the mouth.',
  body: 'Last, since all that went in has changed it. Read it by the spoon for a figure.',
};
const TASTES: readonly ChoiceOption<Tasted | 'cup'>[] = [
  ...TASTED.map((taste) => ({ value: taste, name: taste })),
  { value: 'cup', name: 'Try in a cup' },
];
const TASTER_KEY = 'tureen-taster';
/** A cup that is enough to taste from and little to lose. Common practice, g. */
const CUP_G = 200;
const NO_BRANCH: Branch = { id: '', name: '', vessel: 'pot', steps: [] };

/** One taste at a time, in the order in which they are put right, from far too little to far too much; a dose tried in a cup first. */
@Component({
  selector: 'tt-taste-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, NzInputModule, NumberField, NzSelectModule, Sheet],
  template: `<tt-sheet title="Taste" [width]="720" (closed)="closed.emit()">
    <tt-choice label="Which taste" [options]="tastes" [value]="cup() ? 'cup' : taste()" (chosen)="look($event)" />
    @if (cup()) {
      <form class="cup" (submit)="$event.preventDefault(); liked()">
        <p class="soft">
          Weigh out a cup, dose it until it is liked, and carry the dose to the pot. What the cup took is taken off.
        </p>
        <label for="cup-line">dosed with</label>
        <nz-select nzId="cup-line" name="line" [ngModel]="line()" (ngModelChange)="line.set($event)">
          @for (one of lines(); track one.id) {
            <nz-option [nzValue]="one.id" [nzLabel]="one.name" />
          }
        </nz-select>
        <label for="cup-g">cup, g</label>
        <tt-number
          fieldId="cup-g"
          name="cup"
          [least]="20"
          [most]="2000"
          [step]="10"
          [ngModel]="cupG()"
          (ngModelChange)="cupG.set($event)"
        />
        <label for="dose-g">liked with, g</label>
        <tt-number
          fieldId="dose-g"
          name="dose"
          [least]="0"
          [most]="200"
          [step]="0.1"
          [ngModel]="doseG()"
          (ngModelChange)="doseG.set($event)"
        />
        @if (carried(); as dose) {
          <p class="advice">For the pot that is {{ dose.all }}; give {{ dose.first }} first, then taste.</p>
        }
        <button type="submit" class="press main" [attr.aria-disabled]="carried() === undefined || null">
          Liked: carry it to the pot
        </button>
      </form>
    } @else {
      <p class="soft">{{ how() }}</p>
      <div class="sides" role="group" [attr.aria-label]="taste() + ' is'">
        @for (side of sides; track side; let n = $index) {
          <button type="button" class="press" [class.main]="n === 2" (click)="say(n - 2)">
            {{ side }}
          </button>
        }
      </div>
      @if (taste() === 'salt' && advice() !== '') {
        <p class="advice">{{ advice() }}</p>
      }
      <p class="who">
        <label for="taster">tasted by</label>
        <input
          id="taster"
          nz-input
          maxlength="12"
          placeholder="initials, if you like"
          autocomplete="off"
          [ngModel]="taster()"
          (ngModelChange)="taster.set($event)"
        />
        @if (taste() === 'salt') {
          <button type="button" class="press" (click)="metered()">Read by a salt meter</button>
        }
        @if (before() !== '') {
          <span class="soft">{{ before() }}</span>
        }
      </p>
    }
  </tt-sheet>`,
  styles: `
    .panels,
    .sides,
    .who {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
      margin: 12px 0;
    }
    .sides .press {
      flex: 1 1 150px;
      min-height: 62px;
    }
    .press {
      min-height: 56px;
    }
    .who input {
      width: 190px;
    }
    .advice {
      font-weight: 650;
    }
    .cup {
      display: grid;
      grid-template-columns: auto 1fr;
      align-items: center;
      gap: 10px 14px;
    }
    .cup > p,
    .cup > .press {
      grid-column: 1 / -1;
    }
  `,
})
export class TasteSheet {
  private readonly hand = inject(Hand);
  private readonly asking = inject(Asking);
  /** What the sums say of the salt. */
  readonly advice = input('');
  readonly first = input<Tasted>('salt');
  readonly closed = output();
  protected readonly tastes = TASTES;
  protected readonly sides = SIDES;
  protected readonly taste = linkedSignal<Tasted>(() => this.first());
  protected readonly how = computed(() => HOW[this.taste()]);
  protected readonly taster = signal(recall(TASTER_KEY) ?? '');
  protected look(at: Tasted | 'cup'): void {
    this.cup.set(at === 'cup');
    if (at !== 'cup') this.taste.set(at);
  }

  protected readonly before = computed(() => {
    const said = this.hand
      .counted()
      .flatMap(({ action }) => (action.kind === 'tasted' && action.taste === this.taste() ? [action] : []))
      .slice(0, 3)
      .map(({ side, taster }) => `${taster === undefined ? '' : `${taster}: `}${SIDES[side + 2] ?? ''}`);
    return said.length === 0 ? '' : `Before: ${said.join('; ')}`;
  });

  protected readonly cup = signal(false);
  protected readonly cupG = signal<number | null>(CUP_G);
  protected readonly doseG = signal<number | null>(null);
  /** What can be dosed: what is seasoned or tuned with first, then everything that is in the soup. */
  protected readonly lines = computed(() => {
    const view = this.hand.view();
    return (view?.soup.lines ?? []).map(({ id }) => ({ id, name: this.hand.nameOf()(id) }));
  });
  protected readonly line = linkedSignal(() => {
    const step = this.hand.step();
    if (step?.op === 'season' || step?.op === 'tune') return step.line;
    const salts = walk(this.hand.view()?.soup.root ?? NO_BRANCH).flatMap(({ step: one }) =>
      one.op === 'season' ? [one.line] : [],
    );
    return salts[0] ?? this.lines()[0]?.id ?? '';
  });
  protected readonly carried = computed(() => {
    const cupG = this.cupG();
    const doseG = this.doseG();
    const potKg = this.hand.front()?.pot.massKg ?? 0;
    if (cupG === null || doseG === null || !(cupG > 0) || !(doseG > 0) || potKg * 1000 <= cupG) return undefined;
    const kg = potDose({ cupKg: cupG / 1000, doseKg: doseG / 1000, potKg });
    return { kg, all: mass(kg, this.hand.units()), first: mass(kg * FIRST_SHARE, this.hand.units()) };
  });

  protected say(side: number): void {
    const step = this.hand.step();
    const taster = this.taster().trim();
    remember(TASTER_KEY, taster);
    if (step !== undefined) {
      const taste = this.taste();
      this.hand.enter(
        { kind: 'tasted', stepId: step.id, taste, side, ...(taster === '' ? {} : { taster }) },
        `${taste}: ${SIDES[side + 2] ?? ''}.`,
      );
    }
    this.closed.emit();
  }

  /** A meter's figure moves what is believed of the salt; a taste is on record only. */
  protected metered(): void {
    const step = this.hand.step();
    const now = this.hand.view()?.saltPct ?? 0;
    if (step === undefined) return;
    this.closed.emit();
    this.asking.ask(
      {
        title: 'Salt by the meter',
        unit: '%',
        step: 0.05,
        least: 0.01,
        most: 20,
        start: Math.max(0.01, Math.round(now * 100) / 100),
        note: 'Let the sample cool and settle; a meter for soup reads salt as % of the weight.',
      },
      ({ amount, text }) => {
        this.hand.enter({ kind: 'salt', stepId: step.id, saltPct: amount }, `Salt of ${text} read.`);
      },
    );
  }

  protected liked(): void {
    const step = this.hand.step();
    const dose = this.carried();
    const cupG = this.cupG() ?? 0;
    const doseG = this.doseG() ?? 0;
    if (step === undefined || dose === undefined) return;
    this.hand.enter(
      { kind: 'cup', stepId: step.id, cupKg: cupG / 1000, line: this.line(), doseKg: doseG / 1000 },
      `A cup of ${String(cupG)} g liked with ${String(doseG)} g.`,
    );
    this.hand.aimAt(this.line(), dose.kg * FIRST_SHARE, 'taste');
    this.closed.emit();
  }
}
