/** When a practice's clock was set going, by whose clock and by its own, ms, and how many times as fast as that it goes; 0 stops it. */
export interface ClockAnchor {
  readonly ownMs: number;
  readonly practiceMs: number;
  readonly speed: number;
}

/** What a practice's clock says, ms, when another's says so; the same where it was never set. */
export function practiceTime(anchor: ClockAnchor | undefined, ownMs: number): number {
  return anchor === undefined ? ownMs : anchor.practiceMs + (ownMs - anchor.ownMs) * anchor.speed;
}
