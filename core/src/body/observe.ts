import { Matrix } from 'ml-matrix';
import { between } from '../numbers/index.js';
import { ANSWERS, UNREAD_ANSWERS_SD, type Estimate } from './estimate.js';

/** One observation of the state: how it depends on mass, salt and body, what was expected and what was seen. */
export interface Observation {
  /** Whose bias it shares; readings of one device are not independent witnesses. */
  readonly device: string;
  /** Change of the observed quantity per unit of ln mass, ln salt and ln body. */
  readonly slopes: readonly [mass: number, salt: number, body: number];
  /** Change per unit of how much more the body answers than its composition says; none where it says nothing of that. */
  readonly answers?: number;
  readonly expected: number;
  /** Equal for a value; apart for a reading that only bounds it. */
  readonly low: number;
  readonly high: number;
  readonly biasSd: number;
  readonly noiseSd: number;
}

export interface Observed {
  readonly estimate: Estimate;
  /** How far what is in the pot moved. */
  readonly moved: readonly [lnMass: number, lnSalt: number, lnBody: number];
  /** How far it moved how much more the body answers. */
  readonly answers: number;
  /** How many sd of the difference the reading was off. */
  readonly sds: number;
  readonly questioned: boolean;
}

/** From here a reading is questioned, not averaged, in sd of the difference. */
export const QUESTIONED_SD = 3;

/**
 * Degrees of freedom with which the estimate's own spread is trusted. An update widens or narrows by (ν + d²) / (ν + 1)
 * what the reading speaks of, d being its distance in sd: two readings that agree narrow the estimate, two that
 * disagree do not (the update of a Student-t filter, after Roth, Özkan and Gustafsson 2013). Kitchen default.
 */
const TRUST = 3;

/** The estimate with one more state of a name and a spread, where it has none yet. */
function withState(estimate: Estimate, name: string, sd: number): { estimate: Estimate; at: number } {
  const have = estimate.names.indexOf(name);
  if (have >= 0) return { estimate, at: have };
  const n = estimate.names.length;
  return {
    at: n,
    estimate: {
      ...estimate,
      names: [...estimate.names, name],
      mean: [...estimate.mean, 0],
      cov: [...estimate.cov.map((row) => [...row, 0]), Array.from({ length: n + 1 }, (_, i) => (i === n ? sd ** 2 : 0))],
    },
  };
}

/**
 * Updates the joint estimate by one observation: the linear (Kalman) update, with the innovation's distance deciding
 * how much is learnt. A reading that only bounds the quantity enters by the moments of the normal between its bounds.
 * What is more than 3 sd off is questioned and moves nothing.
 */
export function observe(before: Estimate, o: Observation): Observed {
  const speaks = o.answers === undefined ? undefined : withState(before, ANSWERS, UNREAD_ANSWERS_SD);
  const { estimate, at } = withState(speaks?.estimate ?? before, `bias:${o.device}`, o.biasSd);
  const { names, mean } = estimate;
  const cov = new Matrix(estimate.cov.map((row) => [...row]));
  const slopeOf = (i: number): number =>
    i < 3 ? o.slopes[i as 0 | 1 | 2] : i === at ? 1 : i === speaks?.at ? (o.answers ?? 0) : 0;
  const h = Matrix.columnVector(names.map((_, i) => slopeOf(i)));
  const ph = cov.mmul(h);
  const hph = h.dot(ph);
  const s = hph + o.noiseSd ** 2;
  const sd = Math.sqrt(s);
  const expected = o.expected + (mean[at] ?? 0);
  const low = (o.low - expected) / sd;
  const high = (o.high - expected) / sd;
  const isValue = o.low === o.high;
  const sds = isValue ? Math.abs(low) : low > 0 ? low : high < 0 ? -high : 0;
  const nothing: Observed = { estimate: before, moved: [0, 0, 0], answers: 0, sds, questioned: false };
  if (!(sds <= QUESTIONED_SD)) return { ...nothing, questioned: true };
  const seen = isValue ? { mean: low, variance: 0 } : between(low, high);
  if (seen === undefined) return { ...nothing, questioned: true };

  const gain = Matrix.div(ph, s);
  const step = gain.to1DArray().map((value) => value * seen.mean * sd);
  const narrowed = Matrix.sub(cov, gain.mmul(gain.transpose()).mul(s * (1 - seen.variance)));
  // Only what the reading speaks of is widened or narrowed by how well it agrees: by its squared correlation with it.
  const factor = isValue ? (TRUST + sds * sds) / (TRUST + 1) : 1;
  const scale = Matrix.diag(
    ph.to1DArray().map((value, i) => {
      const variance = cov.get(i, i);
      const told = variance > 0 && hph > 0 ? value ** 2 / (variance * hph) : 0;
      return Math.sqrt(1 + (factor - 1) * told);
    }),
  );
  return {
    estimate: {
      names,
      // What is in the pot is moved there, so that its mean here stays nought.
      mean: mean.map((value, i) => (i < 3 || i === speaks?.at ? 0 : value + (step[i] ?? 0))),
      cov: scale.mmul(narrowed).mmul(scale).to2DArray(),
    },
    moved: [step[0] ?? 0, step[1] ?? 0, step[2] ?? 0],
    answers: speaks === undefined ? 0 : (step[speaks.at] ?? 0),
    sds,
    questioned: false,
  };
}
