import { inject, Injectable } from '@angular/core';
import { combineLatest, map, timer } from 'rxjs';
import { remindsAtMs } from '@tureen/core/batch';
import { Clock } from './clock';
import { Timers, type KitchenTimer } from './timers';

const AGAIN_MS = 20_000;
const LOOK_MS = 1000;
/** A reminder that is noticed later than this is past. */
const REMIND_WITHIN_MS = 20_000;
/** Older than this when first seen, a timer was over before anybody looked: it is shown, not rung. */
const STALE_MS = 15 * 60_000;

/** Asks once whether the browser may tell of a timer while another window is in front. */
export function allowNotes(): void {
  if ('Notification' in window && Notification.permission === 'default') void Notification.requestPermission();
}

/** Rings when a timer is over: two tones, a buzz where the tablet can, a notification where it is allowed. */
@Injectable({ providedIn: 'root' })
export class Bell {
  private readonly clock = inject(Clock);
  private readonly rung = new Map<string, number>();
  private sound: AudioContext | undefined;

  /** Timers that are over and have not been heard. */
  readonly over$ = combineLatest([inject(Timers).timers$, timer(0, LOOK_MS)]).pipe(
    map(([timers]) => timers.filter(({ endsAtMs }) => endsAtMs <= this.clock.now())),
  );

  /** Reminders on the way whose moment has just come. */
  private readonly due$ = combineLatest([inject(Timers).timers$, timer(0, LOOK_MS)]).pipe(
    map(([timers]) =>
      timers.flatMap((one) =>
        remindsAtMs(one).flatMap((at) => (at <= this.clock.now() && this.clock.now() - at < REMIND_WITHIN_MS ? [{ one, at }] : [])),
      ),
    ),
  );

  /** From now on. The shell does so once, so that it rings on every screen. */
  listen(): void {
    this.over$.subscribe((over) => {
      for (const one of over) this.ring(one);
    });
    this.due$.subscribe((due) => {
      for (const { one, at } of due) this.remind(one, at);
    });
  }

  private ring(one: KitchenTimer): void {
    const now = this.clock.now();
    const key = `${one.batchId} ${one.id} ${String(one.endsAtMs)}`;
    const last = this.rung.get(key);
    if (now - one.endsAtMs > STALE_MS || (last !== undefined && now - last < AGAIN_MS)) return;
    this.rung.set(key, now);
    this.tone(880, 0);
    this.tone(1174, 0.22);
    if ('vibrate' in navigator) navigator.vibrate(200);
    if (last === undefined && 'Notification' in window && Notification.permission === 'granted') {
      new Notification(`${one.name}: time`, { body: one.soupName, tag: key });
    }
  }

  /** Once, shorter than the end: of tossing, of stirring. */
  private remind(one: KitchenTimer, at: number): void {
    const key = `${one.batchId} ${one.id} ${String(at)}`;
    if (this.rung.has(key)) return;
    this.rung.set(key, this.clock.now());
    this.tone(660, 0);
    if ('vibrate' in navigator) navigator.vibrate(120);
    if ('Notification' in window && Notification.permission === 'granted') {
      new Notification(`${one.name}: ${one.every?.of ?? ''}`, { body: one.soupName, tag: key });
    }
  }

  private tone(hertz: number, after: number): void {
    try {
      this.sound ??= new AudioContext();
      const from = this.sound.currentTime + after;
      const source = this.sound.createOscillator();
      const volume = this.sound.createGain();
      source.frequency.value = hertz;
      volume.gain.setValueAtTime(0.2, from);
      volume.gain.exponentialRampToValueAtTime(0.001, from + 0.2);
      source.connect(volume).connect(this.sound.destination);
      source.start(from);
      source.stop(from + 0.2);
    } catch {
      // A browser that makes no sound still shows and buzzes.
    }
  }
}
