import { wrap } from 'comlink';
import { inject, Injectable, InjectionToken } from '@angular/core';
import type { CoolingDebrief, Senses } from '@tureen/core/practice';
import type { DebriefView, KitchensAsk, KitchensView, PracticeAsk, PuttingAwayAsk } from './bench-view';
import type { BenchWorker } from './bench.worker';

/** What knows the truth of a practice: a thread in the application, something else in a test. */
export interface BenchThread {
  seenNow(ask: PracticeAsk, look: number, nowMs: number): Promise<Senses>;
  debriefView(ask: PracticeAsk): Promise<DebriefView>;
  puttingAwayView(ask: PuttingAwayAsk): Promise<CoolingDebrief | undefined>;
  inKitchensView(ask: KitchensAsk, whatIf: string, kitchens: number): Promise<KitchensView>;
}

export const BENCH_THREAD = new InjectionToken<() => BenchThread>('BENCH_THREAD', {
  providedIn: 'root',
  factory: () => () => wrap<BenchWorker>(new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' })),
});

/** The thread, made when it is first asked. */
@Injectable({ providedIn: 'root' })
export class Benching {
  private readonly make = inject(BENCH_THREAD);
  private thread: BenchThread | undefined;

  get ask(): BenchThread {
    this.thread ??= this.make();
    return this.thread;
  }
}
