import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  output,
  viewChild,
  type ElementRef,
} from '@angular/core';
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
  private readonly behind = viewChild.required<ElementRef<HTMLElement>>('behind');

  constructor() {
    afterRenderEffect(() => {
      if (this.lit() === undefined) return;
      const clause = this.behind().nativeElement.querySelector<HTMLElement>('.lit');
      const field = this.field().nativeElement;
      if (clause === null) return;
      const { offsetTop: top, offsetHeight: height } = clause;
      // A clause out of sight is brought into the middle.
      if (top < field.scrollTop || top + height > field.scrollTop + field.clientHeight) {
        field.scrollTop = Math.max(0, top - field.clientHeight / 2);
        this.behind().nativeElement.scrollTop = field.scrollTop;
      }
    });
  }

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
}
