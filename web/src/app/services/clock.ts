import { computed, inject, Injectable, signal } from '@angular/core';
import { OWN_TIME } from './own-time';
import { PracticeClock } from './practice-mode';
import { recall, remember } from './remembered';

/** A tablet's clock may be off by so much before it is put right: less is the network's delay, and nobody's timer minds. */
export const MAY_BE_OFF_MS = 120_000;
const KEY = 'tureen-clock-off';

/**
 * The kitchen's time. Tablets whose clocks were never set would start timers that are over already and write a record out of
 * order; the server says its own time whenever a stream opens, and what is far off goes by that, after a reload without a
 * network too.
 */
@Injectable({ providedIn: 'root' })
export class Clock {
  private readonly ownMs = inject(OWN_TIME);
  private readonly practice = inject(PracticeClock);
  private readonly off = signal(Number(recall(KEY) ?? '0') || 0);
  /** How far this tablet's clock is behind the kitchen's where that is worth a word, ms; 0 where it is right. */
  readonly offMs = computed(() => (Math.abs(this.off()) > MAY_BE_OFF_MS ? this.off() : 0));

  /** Told how far behind the server's time this tablet was when it heard it. */
  heard(offMs: number): void {
    this.off.set(offMs);
    remember(KEY, String(Math.round(offMs)));
  }

  now(): number {
    return this.practice.at(this.ownMs()) + this.offMs();
  }
}
