import '../no-eval';
import { expose } from 'comlink';
import { provePlan, type DayPlan } from '@tureen/core/board';
import { loadSolver } from '@tureen/core/solver';
import type { ProofAsk } from './day-view';

/** So long it may take to prove a day, seconds: on two cores most days take less than three. */
const MOST_S = 8;

/** A thread for one proof: the solver can't be interrupted, so that who wants no answer any more ends the thread. */
const thread = {
  async prove({ work, plan }: ProofAsk): Promise<DayPlan> {
    const solver = await loadSolver((file) => new URL(`/${file}`, globalThis.location.origin).href);
    return provePlan(work, plan, solver, MOST_S, () => performance.now());
  },
};

export type ProofThread = typeof thread;

expose(thread);
