/**
 * How far a run is trusted: a joint normal over ln mass, ln salt and ln body, and over the bias of each device that has
 * been read, so that two readings of one device are not taken for two witnesses. `mean` holds what readings have moved
 * beside the components themselves: ln body against the model's prior, and the biases.
 */
export interface Belief {
  /** Names of the states in order: 'mass', 'salt', 'body', then 'bias:<device>'. */
  readonly names: readonly string[];
  readonly mean: readonly number[];
  /** Covariance, row by row. */
  readonly cov: readonly (readonly number[])[];
}

/** What a run without any reading is trusted to: 1 sd of ln mass and ln salt. Kitchen defaults. */
export const UNREAD_MASS_SD = 0.05;
export const UNREAD_SALT_SD = 0.06;
/** 1 sd of ln body before any reading: what the prior misses of one soup against another. Kitchen default. */
export const UNREAD_BODY_SD = 0.4;

export const MASS = 0;
export const SALTINESS = 1;
export const BODY = 2;

export const UNREAD: Belief = {
  names: ['mass', 'salt', 'body'],
  mean: [0, 0, 0],
  cov: [
    [UNREAD_MASS_SD ** 2, 0, 0],
    [0, UNREAD_SALT_SD ** 2, 0],
    [0, 0, UNREAD_BODY_SD ** 2],
  ],
};

/** 1 sd of one of the three states. */
export function sdOf(belief: Belief, state: typeof MASS | typeof SALTINESS | typeof BODY): number {
  return Math.sqrt(belief.cov[state]?.[state] ?? 0);
}
