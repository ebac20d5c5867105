import { computed, Injectable, signal } from '@angular/core';
import { practiceTime, type ClockAnchor } from '@tureen/core/practice';
import { recall, remember } from './remembered';

/** The practice kitchen is the same application on another file of the server's, under a path of its own. */
export const PRACTICE_PATH = '/practice';

function isUnder(path: string): boolean {
  return path === PRACTICE_PATH || path.startsWith(`${PRACTICE_PATH}/`);
}

/** Whether this page is the practice kitchen. */
export const IS_PRACTICE = isUnder(location.pathname);

/** What stands before every path of the server's. */
export const SERVER_PATH = IS_PRACTICE ? PRACTICE_PATH : '';

/** A name under which this browser keeps something, other in the practice kitchen than in the kitchen. */
export function keptAs(name: string): string {
  return IS_PRACTICE ? `${name}-practice` : name;
}

/** How many times as fast as the wall's a practice's clock may go; 0 stops it. */
export const SPEEDS = [0, 1, 10, 60, 600] as const;
export type Speed = (typeof SPEEDS)[number];

const KEY = 'tureen-practice-clock';

function anchorIn(text: string | undefined): ClockAnchor | undefined {
  try {
    const kept = JSON.parse(text ?? '') as Partial<ClockAnchor>;
    const { ownMs, practiceMs, speed } = kept;
    return typeof ownMs === 'number' && typeof practiceMs === 'number' && typeof speed === 'number'
      ? { ownMs, practiceMs, speed }
      : undefined;
  } catch {
    return undefined;
  }
}

/** The clock of a practice, which may go faster than the wall's; a reload goes on with it. In the kitchen it is the wall's. */
@Injectable({ providedIn: 'root' })
export class PracticeClock {
  private readonly anchor = signal(IS_PRACTICE ? anchorIn(recall(KEY)) : undefined);
  readonly speed = computed(() => this.anchor()?.speed ?? 1);

  /** What a practice's clock says when this device's says so. */
  at(ownMs: number): number {
    return practiceTime(this.anchor(), ownMs);
  }

  /** From now on it goes so fast. */
  go(speed: Speed, ownMs: number): void {
    const anchor: ClockAnchor = { ownMs, practiceMs: this.at(ownMs), speed };
    this.anchor.set(anchor);
    remember(KEY, JSON.stringify(anchor));
  }
}
