import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PlanRequest } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import { WhyAsked, type WhyQuestion } from '../../services/why-asked';

/** A figure that can be asked why: pressed, it opens to what it is made of. */
@Component({
  selector: 'tt-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button type="button" (click)="open()" [attr.aria-label]="value() + ', ' + of() + ': why?'" title="Why?">
    {{ value() }}
  </button>`,
  styles: `
    button {
      padding: 0 2px;
      border: 0;
      border-bottom: 2px dotted var(--cobalt);
      background: none;
      color: inherit;
      font: inherit;
      font-weight: inherit;
      white-space: nowrap;
      cursor: pointer;
    }
    @media print {
      button {
        border-bottom: 0;
      }
    }
  `,
})
export class Figure {
  private readonly asked = inject(WhyAsked);
  readonly value = input.required<string>();
  readonly figure = input.required<WhyQuestion['figure']>();
  readonly soup = input.required<Soup>();
  readonly request = input<PlanRequest | undefined>();
  readonly batch = input<WhyQuestion['batch']>();
  protected readonly of = computed(() => {
    const figure = this.figure();
    return typeof figure === 'string' ? figure : figure.name;
  });

  protected open(): void {
    this.asked.question.set({ soup: this.soup(), request: this.request(), figure: this.figure(), batch: this.batch() });
  }
}
