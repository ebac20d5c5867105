import { ChangeDetectionStrategy, Component, computed, input, output, viewChild, type ElementRef } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';

/** A clause of the text with what became of it. */
export interface TextMark {
  readonly clause: number;
  readonly start: number;
  readonly end: number;
  /** A step, one with something taken for granted, or none. */
  readonly kind: 'step' | 'assumed' | 'remark';
}

interface Piece {
  readonly text: string;
  readonly mark: TextMark | undefined;
}

/**
 * A field for a recipe with what is understood underlined in it: the same text stands behind the field, letter on letter, and
 * carries the lines. Where the cursor stands, that clause is lit.
 */
@Component({
  selector: 'tt-recipe-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `
    <div class="behind" #behind aria-hidden="true">
      @for (piece of pieces(); track $index) {
        @if (piece.mark; as mark) {
          <span [class]="mark.kind" [class.lit]="mark.clause === lit()">{{ piece.text }}</span>
        } @else {
          <span>{{ piece.text }}</span>
        }
      }
    </div>
    <textarea
      #field
      id="soup-text"
      nz-input
      spellcheck="false"
      [value]="text()"
      [placeholder]="placeholder()"
      (input)="typed.emit(field.value)"
      (scroll)="behind.scrollTop = field.scrollTop"
      (click)="seek(field.selectionStart)"
      (keyup)="seek(field.selectionStart)"
    ></textarea>
  `,
  styleUrl: './recipe-text.less',
})
export class RecipeText {
  readonly text = input.required<string>();
  readonly marks = input.required<readonly TextMark[]>();
  readonly lit = input<number>();
  readonly placeholder = input('');
  readonly typed = output<string>();
  readonly sought = output<number | undefined>();

  private readonly field = viewChild.required<ElementRef<HTMLTextAreaElement>>('field');

  protected readonly pieces = computed((): readonly Piece[] => {
    const text = this.text();
    const out: Piece[] = [];
    let at = 0;
    for (const mark of this.marks()) {
      // What is typed is a moment ahead of what is understood.
      if (mark.start < at || mark.end > text.length) continue;
      out.push({ text: text.slice(at, mark.start), mark: undefined }, { text: text.slice(mark.start, mark.end), mark });
      at = mark.end;
    }
    // A line's end at the very end has to stand in the field behind too.
    return [...out, { text: `${text.slice(at)}\n`, mark: undefined }];
  });

  protected seek(at: number): void {
    this.sought.emit(this.marks().find(({ start, end }) => at >= start && at <= end)?.clause);
  }

  /** Brings a clause into view. */
  reveal(mark: TextMark): void {
    const field = this.field().nativeElement;
    const lines = this.text().slice(0, mark.start).length / Math.max(1, this.text().length);
    const wanted = lines * field.scrollHeight - field.clientHeight / 2;
    if (Math.abs(wanted - field.scrollTop) > field.clientHeight / 2) field.scrollTop = Math.max(0, wanted);
  }
}
