import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { keepInVariant } from '@tureen/core/draft';
import { readingSentence } from '@tureen/core/messages';
import type { Soup } from '@tureen/core/soup';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { debounceTime, from, of, switchMap } from 'rxjs';
import type { StoodIn } from '../../cooking/answers';
import { Cooking } from '../../cooking/cooking';
import { differenceInWords } from './method-choices';

const KEYSTROKE_MS = 200;

/** A line replaced by something near it, or left out: what that changes, before it is taken into the soup or kept as a variant. */
@Component({
  selector: 'tt-substitute-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzInputModule, NzSelectModule],
  template: `
    <p class="soft">Something is missing, or the soup is to go another way.</p>
    <label for="stand-line">Instead of</label>
    <nz-select nzId="stand-line" [ngModel]="lineId()" (ngModelChange)="lineId.set($event)">
      @for (line of lines(); track line.id) {
        <nz-option [nzValue]="line.id" [nzLabel]="line.text" />
      }
    </nz-select>
    <label for="substitute">take</label>
    <input
      id="substitute"
      nz-input
      placeholder="400 ml coconut milk; empty to leave it out"
      maxlength="300"
      [ngModel]="text()"
      (ngModelChange)="text.set($event)"
    />
    @if (outcome(); as own) {
      @if (own.ok) {
        <p class="says">{{ says() }}</p>
        <p><button type="button" class="press" (click)="take()">Take it into this soup</button></p>
        <label for="variant-name">or keep both, this one as; a name that is there gathers it too</label>
        <input
          id="variant-name"
          nz-input
          placeholder="coconut"
          maxlength="60"
          [ngModel]="name()"
          (ngModelChange)="name.set($event)"
        />
        <p><button type="button" class="press" [disabled]="name().trim() === ''" (click)="keep()">Keep it as a variant</button></p>
      } @else {
        <p class="caution">{{ asks() }}</p>
      }
    }
    @if (variants().length > 0) {
      <h3>Variants</h3>
      <ul>
        @for (variant of variants(); track variant.id) {
          <li>
            <span>{{ variant.name }}: {{ variant.what }}</span>
            <button type="button" class="press" (click)="drop(variant.id)" [attr.aria-label]="'Drop the variant ' + variant.name">
              Drop
            </button>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    label {
      font-weight: 650;
    }
    .says {
      font-weight: 700;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 10px;
      padding: 6px 0;
      border-bottom: 1px solid var(--hairline);
    }
    li .press {
      min-height: 44px;
    }
  `,
})
export class SubstitutePanel {
  private readonly cooking = inject(Cooking);
  private readonly stocked = toSignal(this.cooking.stocked$);
  readonly soup = input.required<Soup>();
  readonly words = input.required<ReadonlyMap<string, string>>();
  readonly changed = output<Soup>();

  protected readonly lines = computed(() => this.soup().lines.map(({ id }) => ({ id, text: this.words().get(id) ?? id })));
  protected readonly lineId = linkedSignal(() => this.soup().lines[0]?.id ?? '');
  protected readonly text = signal('');
  protected readonly name = signal('');
  private readonly question = computed(() => ({ soup: this.soup(), lineId: this.lineId(), text: this.text().trim() }));
  protected readonly outcome = toSignal(
    toObservable(this.question).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(({ soup, lineId, text }) =>
        lineId === '' ? of(undefined) : from(this.cooking.calculator.substituted(soup, lineId, text)),
      ),
    ),
  );
  protected readonly says = computed(() => {
    const own = this.outcome();
    return own?.ok === true ? (differenceInWords(own.difference, this.stocked()?.kit?.currency) ?? 'It can’t be cooked so.') : '';
  });
  protected readonly asks = computed(() => {
    const own = this.outcome();
    return own?.ok === false ? (readingSentence(own.reading) ?? 'That is not understood yet.') : '';
  });
  protected readonly variants = computed(() =>
    (this.soup().variants ?? []).map(({ id, name, instead, without }) => ({
      id,
      name,
      what: [
        ...(instead ?? []).map((line) => line.written ?? line.ingredient),
        ...(without ?? []).map((line) => `no ${this.words().get(line) ?? line}`),
      ].join(', '),
    })),
  );

  /** What is typed now: what was worked out of it last may be a keystroke behind. */
  private async standing(): Promise<StoodIn | undefined> {
    const { soup, lineId, text } = this.question();
    return lineId === '' ? undefined : this.cooking.calculator.substituted(soup, lineId, text);
  }

  protected async take(): Promise<void> {
    const own = await this.standing();
    if (own?.ok === true) this.changed.emit(own.soup);
    this.text.set('');
  }

  protected async keep(): Promise<void> {
    const own = await this.standing();
    if (own?.ok !== true) return;
    this.changed.emit(keepInVariant(this.soup(), this.name().trim(), { lineId: this.lineId(), line: own.line }));
    this.name.set('');
    this.text.set('');
  }

  protected drop(id: string): void {
    const variants = (this.soup().variants ?? []).filter((variant) => variant.id !== id);
    this.changed.emit({ ...this.soup(), variants: variants.length === 0 ? undefined : variants });
  }
}
