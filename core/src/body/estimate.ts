import { bodySlope, sinceReadLn, type PotState } from '../pot/index.js';

/** What a reading may be doubted of. */
export type Doubted = 'mass' | 'salt' | 'body';

/**
 * How far a batch's run is trusted: a joint normal over ln mass, ln salt and ln body, and over the bias of each device that
 * has been read, so that two readings of one device are not taken for two witnesses. What readings have moved of mass, salt
 * and body is in the pot itself; `mean` holds what they have shown of the biases, and noughts before them.
 */
export interface Estimate {
  /** Names of the states in order: 'mass', 'salt', 'body', then 'answers' and 'bias:<device>' as they come to be known. */
  readonly names: readonly string[];
  readonly mean: readonly number[];
  /** Covariance, row by row. */
  readonly cov: readonly (readonly number[])[];
  /** How far off, in ln, readings of mass, salt or body were that nobody believed; one that says it again is believed. */
  readonly doubted?: Readonly<Partial<Record<Doubted, number>>> | undefined;
}

/** What a run without any reading is trusted to: 1 sd of ln mass and ln salt. Kitchen defaults. */
export const UNREAD_MASS_SD = 0.05;
export const UNREAD_SALT_SD = 0.06;
/** 1 sd of ln body before any reading: what the prior misses of one soup against another. Kitchen default. */
export const UNREAD_BODY_SD = 0.4;

/** 1 sd of how much more or less a body answers to what is poured than its composition says. Kitchen default. */
export const UNREAD_ANSWERS_SD = 0.35;
export const ANSWERS = 'answers';

export const MASS = 0;
export const SALTINESS = 1;
export const BODY = 2;

export const UNREAD: Estimate = {
  names: ['mass', 'salt', 'body'],
  mean: [0, 0, 0],
  cov: [
    [UNREAD_MASS_SD ** 2, 0, 0],
    [0, UNREAD_SALT_SD ** 2, 0],
    [0, 0, UNREAD_BODY_SD ** 2],
  ],
};

/** What a run without any reading is trusted to where the body of this soup is known to so many sd of its ln, and how it answers to so many. */
export function unreadWith(bodySd: number, answersSd: number): Estimate {
  const variances = [UNREAD_MASS_SD ** 2, UNREAD_SALT_SD ** 2, bodySd ** 2, answersSd ** 2];
  return {
    names: [...UNREAD.names, ANSWERS],
    mean: variances.map(() => 0),
    cov: variances.map((variance, i) => variances.map((_, j) => (i === j ? variance : 0))),
  };
}

function at({ cov }: Estimate, i: number, j: number): number {
  return cov[i]?.[j] ?? 0;
}

/** 1 sd of one of the three states. */
export function sdOf(estimate: Estimate, state: typeof MASS | typeof SALTINESS | typeof BODY): number {
  return Math.sqrt(at(estimate, state, state));
}

/** What no reading tells of a whole pot: it is thicker below than above, and one bowl is not the next. 1 sd of ln body, kitchen default. */
const UNEVEN_SD = 0.06;

/**
 * 1 sd of ln body of what stands in the pot. A pot that may hold more water than was thought is thinner too, so that what
 * is not known of its mass counts, with what readings of the body have tied to it.
 */
export function bodySdLn(estimate: Estimate, pot: PotState, tempC: number, a: number): number {
  const slope = bodySlope(pot, tempC, a);
  const since = sinceReadLn(pot, a);
  const n = estimate.names.indexOf(ANSWERS);
  const answers =
    n < 0
      ? (since * UNREAD_ANSWERS_SD) ** 2
      : since * since * at(estimate, n, n) + 2 * since * (at(estimate, n, BODY) + slope * at(estimate, n, MASS));
  const variance = slope * slope * at(estimate, MASS, MASS) + 2 * slope * at(estimate, MASS, BODY) + at(estimate, BODY, BODY);
  return Math.sqrt(Math.max(0, variance + answers) + UNEVEN_SD ** 2);
}

/** 1 sd of ln of the salt's share: it blurs by what is not known of the salt and of the mass that it is in. */
export function saltSdLn(estimate: Estimate): number {
  const variance = at(estimate, MASS, MASS) - 2 * at(estimate, MASS, SALTINESS) + at(estimate, SALTINESS, SALTINESS);
  return Math.sqrt(Math.max(0, variance));
}

/** What is known of two pots poured together: what is known of the heavier, since readings are taken of the soup, not of the splash. */
export function estimateOfJoined(a: Estimate, b: Estimate, massA: number, massB: number): Estimate {
  return massA >= massB ? a : b;
}
