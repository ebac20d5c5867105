import { practiceTime, type ClockAnchor } from '@tureen/core/practice';

/** What the clock of the practice kitchen says: its screen says so when its speed is chosen, and until then it is the wall's. */
export class PracticeClock {
  private anchor: ClockAnchor | undefined;

  /** From now on it goes so fast. */
  go(practiceMs: number, speed: number, ownMs: number): void {
    this.anchor = { ownMs, practiceMs, speed };
  }

  at(ownMs: number): number {
    return practiceTime(this.anchor, ownMs);
  }
}
