import { CdkDragHandle } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { holdBack, moveUse, placeOf, removeLine, type Answer } from '@tureen/core/draft';
import type { LineReading } from '@tureen/core/amounts';
import { walk } from '@tureen/core/soup';
import { NzInputModule } from 'ng-zorro-antd/input';
import { fromEvent } from 'rxjs';
import { arrowOf, Editing, refocus } from './editing';
import type { LineField } from './step-fields';

/** A line of a step as it is typed, with what it comes to, what was assumed and what is asked. */
@Component({
  // A list holds list items and nothing else.
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'li[tt-edit-line]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDragHandle, NzInputModule],
  templateUrl: './edit-line.html',
  styleUrl: './edit-line.less',
})
export class EditLine {
  protected readonly editing = inject(Editing);
  readonly own = input.required<LineField>();
  protected readonly at = computed(() => `${this.own().stepId} ${this.own().id}`);

  constructor() {
    // A listener in the template would draw the whole page anew at every keystroke; what changes here says so itself.
    fromEvent(inject<ElementRef<HTMLElement>>(ElementRef).nativeElement, 'input')
      .pipe(takeUntilDestroyed())
      .subscribe(({ target }) => {
        if (target instanceof HTMLInputElement) void this.editing.type(this.own().id, target.value);
      });
  }

  protected answer(text: string, answer: Answer): void {
    void this.editing.type(this.own().id, text, answer);
  }

  protected async meant(reading: LineReading, ingredient: string): Promise<void> {
    if (reading.code !== 'UNKNOWN_FOOD') return;
    const answer = await this.editing.meant(reading, ingredient);
    if (answer !== undefined) await this.editing.type(this.own().id, reading.text, answer);
  }

  protected key(event: KeyboardEvent): void {
    const by = arrowOf(event);
    const { id, stepId } = this.own();
    this.editing.changed((soup) => {
      const order = walk(soup.root).map(({ step }) => step.id);
      const target = by === 0 ? undefined : order[order.indexOf(stepId) + by];
      const to = target === undefined ? undefined : placeOf(soup, target);
      return to === undefined ? soup : moveUse(soup, stepId, id, by > 0 ? { ...to, index: to.index + 1 } : to);
    });
    if (by !== 0) refocus(`[data-line-handle="${id}"]`);
  }

  /** Half of the line goes into the step after this one, to be moved from there. */
  protected split(): void {
    const { id, stepId } = this.own();
    this.editing.changed((soup) => {
      const order = walk(soup.root).map(({ step }) => step.id);
      const next = order[order.indexOf(stepId) + 1];
      const to = next === undefined ? undefined : placeOf(soup, next);
      return to === undefined ? soup : moveUse(soup, stepId, id, { ...to, index: to.index + 1 }, 0.5);
    });
  }

  /** Some of it is lifted out before the blender and given back behind it. */
  protected hold(): void {
    this.editing.changed((soup) => holdBack(soup, this.own().id));
  }

  protected optional(): void {
    const { id } = this.own();
    this.editing.changed((soup) => ({
      ...soup,
      lines: soup.lines.map((line) => (line.id === id ? { ...line, optional: line.optional === true ? undefined : true } : line)),
    }));
  }

  protected remove(): void {
    this.editing.changed((soup) => removeLine(soup, this.own().id));
  }
}
