import '../no-eval';
import { expose } from 'comlink';
import { DayPlanner } from './day-view';

/** Core in a thread that lays days out: the screen goes on meanwhile. */
expose(new DayPlanner());
