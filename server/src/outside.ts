/** Time and chance as a server takes them from outside: a test or a demo of its own hands in others. */
export interface Outside {
  /** Milliseconds since the epoch. */
  readonly nowMs: () => number;
  /** A seed for draws: a whole number from 0. */
  readonly seed: () => number;
}

const SEEDS = 2 ** 31;

/**
 * The machine that the server runs on. This is the one place where either is asked for, but for secrets, which come from the
 * platform's own cryptography.
 */
export const MACHINE: Outside = {
  nowMs: () => Date.now(),
  seed: () => Date.now() % SEEDS,
};
