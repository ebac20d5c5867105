import '../no-eval';
import { expose } from 'comlink';
import { batchView, planView, writtenView } from './views';

const cooking = { batchView, planView, writtenView };

expose(cooking);
