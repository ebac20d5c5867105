import { Injectable, signal } from '@angular/core';
import type { Stamp } from '@tureen/core/batch';
import { v4 } from 'uuid';
import { recall, remember } from './remembered';

const DEVICE_KEY = 'tureen-device';
const SEQUENCE_KEY = 'tureen-sequence';
const WHO_KEY = 'tureen-who';

/** A new id. The browser's own `randomUUID` needs a secure page, this one does not. */
export function newId(): string {
  return v4();
}

/** Which browser this is, and its own count of what it entered. */
@Injectable({ providedIn: 'root' })
export class Device {
  private readonly id = this.readId();

  /** Who stands at this screen, as they call themselves; empty until somebody says. */
  readonly who = signal(recall(WHO_KEY) ?? '');

  /** Says who stands here from now on. Entries made before keep who made them. */
  call(who: string): void {
    remember(WHO_KEY, who);
    this.who.set(who);
  }

  private readId(): string {
    const have = recall(DEVICE_KEY);
    if (have !== undefined) return have;
    const fresh = newId();
    remember(DEVICE_KEY, fresh);
    return fresh;
  }

  /** A stamp after everything seen so far. */
  stamp(highestSeen: number): Stamp {
    const seq = Number(recall(SEQUENCE_KEY) ?? '0') + 1;
    remember(SEQUENCE_KEY, String(seq));
    return { counter: highestSeen + 1, device: this.id, seq };
  }
}
