import { ChangeDetectionStrategy, Component, computed, forwardRef, input, linkedSignal, output, signal } from '@angular/core';
import { NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { readNumber, showNumber, type NumberRead } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';

/**
 * The one field for a number, whatever hand writes it: point or comma, thousands, fractions. What it shows is what was
 * understood; what could be two numbers is asked, and until it is answered the field holds none.
 *
 * It speaks at every stroke (`ngModel`), and once when it is left or Enter is pressed (`committed`).
 */
@Component({
  selector: 'tt-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => NumberField), multi: true }],
  template: `<input
      nz-input
      type="text"
      inputmode="decimal"
      role="spinbutton"
      autocomplete="off"
      [id]="fieldId()"
      [attr.aria-label]="label() || null"
      [attr.aria-valuenow]="value()"
      [attr.aria-valuemin]="least()"
      [attr.aria-valuemax]="most()"
      [attr.aria-invalid]="trouble() !== '' || null"
      [disabled]="disabled()"
      [value]="text()"
      (input)="typed($event)"
      (change)="commit()"
      (blur)="left()"
      (keydown.enter)="commit()"
      (keydown.arrowup)="nudge($event, 1)"
      (keydown.arrowdown)="nudge($event, -1)"
    />
    @if (twoWays(); as both) {
      <span class="ask" role="group" [attr.aria-label]="text() + ' could be two numbers'">
        <span>{{ text() }}:</span>
        @for (meant of both; track meant) {
          <button type="button" class="press" (click)="mean(meant)">{{ shown(meant) }}{{ unit() ? ' ' + unit() : '' }}</button>
        }
      </span>
    } @else if (trouble() !== '') {
      <span class="ask" role="alert">{{ trouble() }}</span>
    }`,
  styles: `
    :host {
      position: relative;
      display: inline-block;
      width: 120px;
    }
    input {
      width: 100%;
      height: var(--touch);
      min-height: 0;
      color: var(--cobalt);
      font-weight: 650;
      font-size: 20px;
    }
    :host(.dense) {
      width: 84px;
    }
    :host(.dense) input {
      height: 46px;
      padding: 2px 10px;
      font-size: inherit;
      text-align: right;
    }
    .ask {
      position: absolute;
      z-index: 6;
      top: calc(100% + 4px);
      left: 0;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px;
      width: max-content;
      max-width: min(340px, 80vw);
      padding: 6px 10px;
      border: 2px solid var(--ink);
      border-radius: 14px;
      background: var(--saffron-pale);
      color: var(--ink);
      font-size: 15px;
    }
    .press {
      min-height: 40px;
      padding: 0 12px;
    }
  `,
})
export class NumberField implements ControlValueAccessor {
  readonly fieldId = input('');
  readonly label = input('');
  readonly least = input(0);
  readonly most = input(1e9);
  readonly step = input(1);
  readonly unit = input('');
  /** The number where there is no form around it. */
  readonly start = input<number | null>(null);
  /** Said when the field is left with another number in it. */
  readonly committed = output<number>();

  /** What is being typed; undefined while nothing is. */
  private readonly written = signal<string | undefined>(undefined);
  protected readonly value = linkedSignal<number | null>(() => this.start());
  protected readonly disabled = signal(false);
  private tell: (value: number | null) => void = () => undefined;
  private touch: () => void = () => undefined;
  private said: number | null | undefined;

  protected readonly text = computed(() => {
    const value = this.value();
    return this.written() ?? (value === null ? '' : showNumber(value));
  });
  private readonly read = computed((): NumberRead => {
    const written = this.written();
    if (written === undefined) {
      const value = this.value();
      return value === null ? { ok: false, code: 'EMPTY' } : { ok: true, value };
    }
    return readNumber(this.bare(written), { least: this.least(), most: this.most() });
  });
  protected readonly twoWays = computed(() => {
    const read = this.read();
    return !read.ok && read.code === 'AMBIGUOUS' ? [read.decimal, read.thousands] : undefined;
  });
  protected readonly trouble = computed(() => {
    const read = this.read();
    if (read.ok)
      return this.fits(read.value)
        ? ''
        : `Give a number from ${showNumber(this.least())} to ${showNumber(this.most())}${this.unit() === '' ? '' : ` ${this.unit()}`}.`;
    return read.code === 'NOT_A_NUMBER' ? 'That is no number.' : '';
  });

  protected shown(value: number): string {
    return showNumber(value);
  }

  private fits(value: number): boolean {
    return value >= this.least() && value <= this.most();
  }

  /** What is typed without the field's own unit behind it. */
  private bare(written: string): string {
    const unit = this.unit();
    const text = written.trim();
    return unit !== '' && text.toLowerCase().endsWith(unit.toLowerCase()) ? text.slice(0, -unit.length) : text;
  }

  private current(): number | null {
    const read = this.read();
    return read.ok && this.fits(read.value) ? read.value : null;
  }

  private say(): void {
    const value = this.current();
    if (value === this.said) return;
    this.said = value;
    this.tell(value);
  }

  protected typed(event: Event): void {
    this.written.set((event.target as HTMLInputElement).value);
    this.say();
  }

  /** Takes what is understood: from now on it stands there as it was understood. */
  protected commit(): void {
    const read = this.read();
    if (this.written() === undefined || !read.ok || !this.fits(read.value)) return;
    this.settle(read.value);
  }

  private settle(value: number): void {
    const before = this.value();
    this.value.set(value);
    this.written.set(undefined);
    this.say();
    if (value !== before) this.committed.emit(value);
  }

  protected mean(value: number): void {
    this.settle(value);
  }

  protected left(): void {
    this.commit();
    this.touch();
  }

  protected nudge(event: Event, by: 1 | -1): void {
    event.preventDefault();
    const next = Number(((this.current() ?? 0) + by * this.step()).toFixed(6));
    const value = Math.min(this.most(), Math.max(this.least(), next));
    this.value.set(value);
    this.written.set(undefined);
    this.say();
    this.committed.emit(value);
  }

  writeValue(value: number | null | undefined): void {
    const next = value ?? null;
    // What is being typed stays as it is typed as long as it is the same number.
    if (this.written() !== undefined && this.current() === next) return;
    this.said = next;
    this.value.set(next);
    if (next !== null || this.read().ok) this.written.set(undefined);
  }

  registerOnChange(tell: (value: number | null) => void): void {
    this.tell = tell;
  }

  registerOnTouched(touch: () => void): void {
    this.touch = touch;
  }

  setDisabledState(isDisabled: boolean): void {
    this.disabled.set(isDisabled);
  }
}
