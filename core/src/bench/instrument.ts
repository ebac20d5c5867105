/** Standard normal deviates from somewhere: a seed in a test, the machine at a bench. */
export type Normal = () => number;

/** How an instrument errs: a share that all its readings have, one that each has, and a drift by the hour. */
export interface Errs {
  readonly biasSd: number;
  readonly noiseSd: number;
  readonly driftPerHour: number;
}

export interface Instrument {
  /** What it shows of a true value at a moment. */
  readonly read: (value: number, atMs: number) => number;
}

/** An instrument whose errors are shares of what is read, with a bias drawn once for its life. */
export function instrument({ biasSd, noiseSd, driftPerHour }: Errs, normal: Normal, bornMs = 0): Instrument {
  const bias = normal() * biasSd;
  const drift = normal() * driftPerHour;
  return {
    read: (value, atMs) => value * Math.exp(bias + (drift * (atMs - bornMs)) / 3_600_000 + normal() * noiseSd),
  };
}
