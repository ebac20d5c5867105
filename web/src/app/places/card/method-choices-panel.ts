import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { MethodChoices, Soup } from '@tureen/core/soup';
import { combineLatest, debounceTime, from, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { differenceInWords, NOTHING, METHOD_CHOICES } from './method-choices';

/** Every school that a soup can be cooked by, each option with what it would change, before it is chosen. */
@Component({
  selector: 'tt-method-choices-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (school of methodChoices(); track school.key) {
      <fieldset>
        <legend>{{ school.title }}</legend>
        @for (option of school.options; track option.name) {
          <button
            type="button"
            class="press"
            [attr.aria-pressed]="option.chosen"
            (click)="choose(school.key, option.value, option.chosen)"
          >
            <span>{{ option.name }}</span> <small>{{ option.chosen ? 'chosen' : (option.change ?? 'can’t be cooked so') }}</small>
          </button>
        }
      </fieldset>
    } @empty {
      <p role="status">Cooking it every way…</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    fieldset {
      display: grid;
      gap: 6px;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      margin: 0;
      padding: 0;
      border: 0;
      color: var(--ink);
      font-size: 17px;
      font-weight: 700;
    }
    .press {
      display: grid;
      justify-content: stretch;
      justify-items: start;
      gap: 0;
      padding: 6px 16px;
      text-align: left;
    }
    small {
      font-size: 14px;
      font-weight: 400;
    }
  `,
})
export class MethodChoicesPanel {
  readonly soup = input.required<Soup>();
  readonly chosen = output<MethodChoices | undefined>();
  private readonly cooking = inject(Cooking);
  private readonly stocked = toSignal(this.cooking.stocked$);

  private readonly asked = METHOD_CHOICES.flatMap(({ key, options }) => options.map(({ value }) => ({ [key]: value })));
  private readonly answers = toSignal(
    combineLatest([toObservable(this.soup), this.cooking.stocked$]).pipe(
      debounceTime(150),
      switchMap(([soup]) => from(this.cooking.calculator.choiceDifferences(soup, this.asked))),
    ),
  );

  /** A school whose options all change nothing is none for this soup, and is left out. */
  protected readonly methodChoices = computed(() => {
    const answers = this.answers();
    if (answers === undefined) return [];
    const currency = this.stocked()?.kit?.currency;
    const now = this.soup().methodChoices ?? {};
    let at = 0;
    return METHOD_CHOICES.map(({ key, title, options }) => ({
      key,
      title,
      options: options.map(({ value, name }) => ({
        value,
        name,
        chosen: now[key] === value,
        change: differenceInWords(answers[at++], currency),
      })),
    })).filter(({ options }) => options.some(({ chosen, change }) => chosen || (change !== undefined && change !== NOTHING)));
  });

  protected choose(key: keyof MethodChoices, value: string | boolean, wasChosen: boolean): void {
    const chosen = Object.entries({ ...this.soup().methodChoices, [key]: value }).filter(([name]) => name !== key || !wasChosen);
    this.chosen.emit(chosen.length === 0 ? undefined : Object.fromEntries(chosen));
  }
}
