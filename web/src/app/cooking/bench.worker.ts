import '../no-eval';
import { expose } from 'comlink';
import { debriefView, inKitchensView, seenNow } from './bench-view';

const thread = { seenNow, debriefView, inKitchensView };

export type BenchWorker = typeof thread;

expose(thread);
