import '../no-eval';
import { expose } from 'comlink';
import { debriefView, inKitchensView, puttingAwayView, seenNow } from './bench-view';

const thread = { seenNow, debriefView, puttingAwayView, inKitchensView };

export type BenchWorker = typeof thread;

expose(thread);
