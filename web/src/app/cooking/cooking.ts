import { inject, Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import { combineLatest, shareReplay, switchMap } from 'rxjs';
import { Kitchen } from '../services/kitchen';
import { narrow$ } from '../services/narrow';
import type { CookingThread } from './thread';

/**
 * Core in a thread of its own, so that the screen never waits for the pot. The thread is told of the kitchen's kit and
 * larder whenever they change; `stocked$` says when, so that what was worked out before can be asked anew.
 */
@Injectable({ providedIn: 'root' })
export class Cooking {
  readonly thread: Remote<CookingThread> = wrap<CookingThread>(
    new Worker(new URL('./cooking.worker', import.meta.url), { type: 'module' }),
  );

  constructor() {
    narrow$().subscribe((is) => void this.thread.narrow(is));
  }

  /** The kitchen as the thread knows it: every value comes after the thread has been told. */
  readonly stocked$ = combineLatest([inject(Kitchen).kitchen$, inject(Kitchen).rows$]).pipe(
    switchMap(async ([answer, rows]) => {
      const kit = answer.ok ? (answer.value.kit ?? undefined) : undefined;
      await this.thread.stock(rows, kit);
      return { kit, rows };
    }),
    shareReplay({ bufferSize: 1, refCount: false }),
  );
}
