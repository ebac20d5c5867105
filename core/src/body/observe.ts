import { between } from '../numbers/index.js';
import type { Belief } from '../pot/index.js';

/** One observation of the state: how it depends on mass, salt and body, what was expected and what was seen. */
export interface Observation {
  /** Whose bias it shares; readings of one device are not independent witnesses. */
  readonly device: string;
  /** Change of the observed quantity per unit of ln mass, ln salt and ln body. */
  readonly slopes: readonly [mass: number, salt: number, body: number];
  readonly expected: number;
  /** Equal for a value; apart for a reading that only bounds it. */
  readonly low: number;
  readonly high: number;
  readonly biasSd: number;
  readonly noiseSd: number;
}

export interface Observed {
  readonly belief: Belief;
  /** How far the estimate moved: ln mass, ln salt. The body's move is in the belief's mean. */
  readonly moved: readonly [lnMass: number, lnSalt: number];
  /** How many sd of the difference the reading was off. */
  readonly sds: number;
  readonly questioned: boolean;
}

/** From here a reading is questioned, not averaged, in sd of the difference. */
export const QUESTIONED_SD = 3;

/**
 * Degrees of freedom with which the belief's own spread is trusted. An update widens or narrows by (ν + d²) / (ν + 1)
 * what the reading speaks of, d being its distance in sd: two readings that agree narrow the estimate, two that
 * disagree do not (the update of a Student-t filter, after Roth, Özkan and Gustafsson 2013). Kitchen default.
 */
const TRUST = 3;

function withDevice(belief: Belief, device: string, biasSd: number): { belief: Belief; at: number } {
  const name = `bias:${device}`;
  const have = belief.names.indexOf(name);
  if (have >= 0) return { belief, at: have };
  const n = belief.names.length;
  return {
    at: n,
    belief: {
      names: [...belief.names, name],
      mean: [...belief.mean, 0],
      cov: [...belief.cov.map((row) => [...row, 0]), Array.from({ length: n + 1 }, (_, i) => (i === n ? biasSd ** 2 : 0))],
    },
  };
}

/**
 * Updates the joint estimate by one observation: the linear (Kalman) update, with the innovation's distance deciding
 * how much is learnt. A reading that only bounds the quantity enters by the moments of the normal between its bounds.
 * What is more than 3 sd off is questioned and moves nothing.
 */
export function observe(before: Belief, o: Observation): Observed {
  const { belief, at } = withDevice(before, o.device, o.biasSd);
  const n = belief.names.length;
  const h = Array.from({ length: n }, (_, i) => (i < 3 ? o.slopes[i as 0 | 1 | 2] : i === at ? 1 : 0));
  const ph = belief.cov.map((row) => row.reduce((sum, c, j) => sum + c * (h[j] ?? 0), 0));
  const hph = h.reduce((sum, hi, i) => sum + hi * (ph[i] ?? 0), 0);
  const s = hph + o.noiseSd ** 2;
  const sd = Math.sqrt(s);
  const expected = o.expected + (belief.mean[at] ?? 0);
  const low = (o.low - expected) / sd;
  const high = (o.high - expected) / sd;
  const isValue = o.low === o.high;
  const sds = isValue ? Math.abs(low) : low > 0 ? low : high < 0 ? -high : 0;
  const nothing: Observed = { belief: before, moved: [0, 0], sds, questioned: false };
  if (!(sds <= QUESTIONED_SD)) return { ...nothing, questioned: true };
  const seen = isValue ? { mean: low, variance: 0 } : between(low, high);
  if (seen === undefined) return { ...nothing, questioned: true };

  const gain = ph.map((value) => value / s);
  const step = gain.map((value) => value * seen.mean * sd);
  const learnt = s * (1 - seen.variance);
  const factor = isValue ? (TRUST + sds * sds) / (TRUST + 1) : 1;
  const narrowed = belief.cov.map((row, i) => row.map((c, j) => c - (gain[i] ?? 0) * (gain[j] ?? 0) * learnt));
  // Only what the reading speaks of is widened or narrowed by how well it agrees: by its squared correlation with it.
  const scale = narrowed.map((_, i) => {
    const variance = belief.cov[i]?.[i] ?? 0;
    const told = variance > 0 && hph > 0 ? (ph[i] ?? 0) ** 2 / (variance * hph) : 0;
    return Math.sqrt(1 + (factor - 1) * told);
  });
  return {
    belief: {
      names: belief.names,
      // Mass and salt are moved in the pot's own components, so that their mean here stays nought.
      mean: belief.mean.map((value, i) => (i < 2 ? 0 : value + (step[i] ?? 0))),
      cov: narrowed.map((row, i) => row.map((c, j) => c * (scale[i] ?? 1) * (scale[j] ?? 1))),
    },
    moved: [step[0] ?? 0, step[1] ?? 0],
    sds,
    questioned: false,
  };
}
