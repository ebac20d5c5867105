import '../no-eval';
import { expose } from 'comlink';
import { debriefView, seenNow } from './bench-view';

const thread = { seenNow, debriefView };

export type BenchWorker = typeof thread;

expose(thread);
