import { DestroyRef, effect, inject, type Signal } from '@angular/core';
import { fromEvent } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';

/** Keeps the screen lit as long as something is being cooked and looked at, where the tablet can; it is asked again after a sleep. */
export function keepAwake(wanted: Signal<boolean>): void {
  let lock: WakeLockSentinel | undefined;
  const letGo = (): void => {
    void lock?.release();
    lock = undefined;
  };
  const hold = async (): Promise<void> => {
    if (!('wakeLock' in navigator) || document.visibilityState !== 'visible' || lock?.released === false) return;
    try {
      lock = await navigator.wakeLock.request('screen');
    } catch {
      // Refused (a low battery, no secure page): the screen goes dark as it would anyway, and nothing is lost by it.
    }
  };
  effect(() => {
    if (wanted()) void hold();
    else letGo();
  });
  fromEvent(document, 'visibilitychange')
    .pipe(takeUntilDestroyed())
    .subscribe(() => {
      if (wanted()) void hold();
    });
  inject(DestroyRef).onDestroy(letGo);
}
