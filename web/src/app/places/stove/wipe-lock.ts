import { ChangeDetectionStrategy, Component, inject, output, signal, type OnDestroy, type OnInit } from '@angular/core';
import { Keys } from '../../shell/keys';

/** How long the lock is pressed before it opens: longer than a cloth stays in one place. */
const PRESS_MS = 1200;

/** The screen takes no touch while it is wiped; one long press opens it again. */
@Component({
  selector: 'tt-wipe-lock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section class="lock" role="dialog" aria-modal="true" aria-label="Locked for wiping">
    <h2>Wipe away</h2>
    <p>Nothing is entered while this stands. Timers run on.</p>
    <button
      type="button"
      class="press main"
      [class.pressing]="pressing()"
      (pointerdown)="press()"
      (pointerup)="lift()"
      (pointerleave)="lift()"
      (keydown.enter)="press()"
      (keyup.enter)="lift()"
    >
      Press for a second to go on
    </button>
  </section>`,
  styles: `
    .lock {
      position: fixed;
      inset: 0;
      z-index: 2000;
      display: grid;
      place-content: center;
      justify-items: center;
      gap: 18px;
      background: color-mix(in srgb, var(--linen) 88%, transparent);
      font-size: 22px;
      touch-action: none;
    }
    h2 {
      font-size: 40px;
    }
    .press {
      min-width: 340px;
      min-height: 96px;
      font-size: 24px;
    }
    .pressing {
      outline: 8px solid var(--saffron-ink);
    }
  `,
})
export class WipeLock implements OnInit, OnDestroy {
  private readonly keys = inject(Keys);
  readonly opened = output();
  protected readonly pressing = signal(false);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private release: (() => void) | undefined;

  ngOnInit(): void {
    this.release = this.keys.hold();
  }

  protected press(): void {
    if (this.pressing()) return;
    this.pressing.set(true);
    this.timer = setTimeout(() => {
      this.opened.emit();
    }, PRESS_MS);
  }

  protected lift(): void {
    this.pressing.set(false);
    clearTimeout(this.timer);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.release?.();
  }
}
