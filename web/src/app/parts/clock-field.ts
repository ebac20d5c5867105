import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';

/** A time of day however it is written: 9, 930, 9.30, 9:30, 09h30. Undefined for what is none. @example readClock('9.5') // undefined */
export function readClock(text: string): string | undefined {
  const read = /^\s*(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*(?:h|uhr)?\s*$/i.exec(text);
  if (read === null) return undefined;
  const hours = Number(read[1]);
  const minutes = Number(read[2] ?? '0');
  return hours > 23 || minutes > 59 ? undefined : `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`;
}

/** A field for a time on the kitchen's wall clock, always in 24 hours; what is no time is said and changes nothing. */
@Component({
  selector: 'tt-clock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `<input
      nz-input
      type="text"
      inputmode="numeric"
      autocomplete="off"
      maxlength="8"
      [id]="fieldId()"
      [attr.aria-label]="label() || null"
      [attr.aria-invalid]="isBad() || null"
      [placeholder]="placeholder()"
      [value]="text()"
      (input)="typed($event)"
      (change)="commit()"
      (keydown.enter)="commit()"
    />
    @if (isBad()) {
      <span class="ask" role="alert">Not a time: write it as 12:30</span>
    }`,
  styles: `
    :host {
      position: relative;
      display: inline-block;
      width: 92px;
    }
    input {
      width: 100%;
      height: 48px;
      color: var(--cobalt);
      font-weight: 650;
      font-size: 18px;
      text-align: center;
    }
    .ask {
      position: absolute;
      top: 100%;
      left: 0;
      z-index: 5;
      padding: 6px 12px;
      border-radius: 12px;
      background: var(--saffron-pale);
      color: var(--saffron-ink);
      white-space: nowrap;
    }
  `,
})
export class ClockField {
  readonly value = input('');
  readonly label = input('');
  readonly fieldId = input('');
  readonly placeholder = input('');
  /** Whether it may be left empty. */
  readonly optional = input(false);
  readonly committed = output<string>();

  protected readonly text = linkedSignal(() => this.value());
  private readonly left = signal(false);
  protected readonly isBad = computed(() => this.left() && !this.isRight(this.text()));

  private isRight(text: string): boolean {
    return (this.optional() && text.trim() === '') || readClock(text) !== undefined;
  }

  protected typed(event: Event): void {
    this.text.set((event.target as HTMLInputElement).value);
    this.left.set(false);
  }

  protected commit(): void {
    const text = this.text();
    this.left.set(true);
    if (!this.isRight(text)) return;
    const clock = readClock(text) ?? '';
    this.text.set(clock);
    if (clock !== this.value()) this.committed.emit(clock);
  }
}
