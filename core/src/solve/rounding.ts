import { kgAtScale, type PreparedSoup } from '../runner/index.js';

/** In which amounts a line is bought or measured: so many kilos each, by a name. */
export interface Unit {
  readonly lineId: string;
  readonly unitKg: number;
  readonly label: string;
  /** Pieces in one unit, where it is counted: half an onion is bought with the other half. */
  readonly pieces?: number;
  /** No more than this is on hand, kg. */
  readonly mostKg?: number;
}

export interface RoundedLine extends Unit {
  readonly count: number;
  readonly exactKg: number;
  readonly roundedKg: number;
  /** ln(rounded / (factor x exact)). */
  readonly drift: number;
}

export interface Rounding {
  /** By how much the batch grows or shrinks as a whole. */
  readonly factor: number;
  readonly lines: readonly RoundedLine[];
  /** Root mean square of the lines' drifts from one proportion. */
  readonly drift: number;
  /** How many candidates were looked at, of how many there were. */
  readonly looked: number;
  readonly candidates: number;
}

/** Steps in which something is weighed out, by its size, kg. Kitchen defaults: what a scale shows and a cook reads. */
const WEIGHED: readonly (readonly [below: number, step: number])[] = [
  [0.01, 0.0005],
  [0.05, 0.001],
  [0.25, 0.005],
  [1, 0.01],
  [5, 0.05],
  [20, 0.1],
  [Number.POSITIVE_INFINITY, 0.5],
];

/** A unit that a line of so many kilos is weighed in. */
export function weighedUnit(lineId: string, kg: number): Unit {
  const step = WEIGHED.find(([below]) => kg < below)?.[1] ?? 0.5;
  return { lineId, unitKg: step, label: step < 1 ? `${String(step * 1000)} g` : `${String(step)} kg` };
}

/** Below so many pieces a half counts, of what is cut anyway. Kitchen default. */
const FEW = 4;
/** Halves that stray by more are weighed instead. Kitchen default. */
const MOST_STRAY = 0.15;
const CUT: ReadonlySet<string> = new Set([
  'roots',
  'potatoes',
  'squashes',
  'alliums',
  'stems',
  'fruit vegetables',
  'brassicas',
  'fruit',
  'chillies',
]);

/** Units as a soup's lines are written: pieces and cans whole, few vegetables in halves, all else by weight. Kilos are as bought. */
export function unitsOf(prepared: PreparedSoup, kgOf: (lineId: string) => number): Unit[] {
  return prepared.soup.lines.flatMap(({ id, amount }) => {
    const line = prepared.lines.find((own) => own.line.id === id)?.line;
    const kg = kgOf(id);
    if (line === undefined || kg <= 0 || (amount.rule !== 'scaled' && amount.rule !== 'spice')) return [];
    const { unit, size = 'medium' } = amount.amount;
    const grams = unit === 'piece' ? line.ingredient.row.pieces?.[size] : undefined;
    if (grams === undefined) return [weighedUnit(id, kg)];
    const pieceKg = grams / 1000 / line.keptShare;
    if (kg >= FEW * pieceKg || !CUT.has(line.ingredient.row.group))
      return [{ lineId: id, unitKg: pieceKg, label: size, pieces: 1 }];
    const halfKg = pieceKg / 2;
    const strays = Math.abs((Math.max(1, Math.round(kg / halfKg)) * halfKg) / kg - 1);
    // Of what is cut anyway a part is weighed off, where halves would be another soup.
    return [strays > MOST_STRAY ? weighedUnit(id, kg) : { lineId: id, unitKg: halfKg, label: size, pieces: 0.5 }];
  });
}

/** The nearest count, or the most that is on hand. */
function nearestCount(kg: number, { unitKg, mostKg }: Unit): number {
  const nearest = Math.max(1, Math.round(kg / unitKg));
  return mostKg === undefined ? nearest : Math.max(1, Math.min(nearest, Math.floor(mostKg / unitKg + 1e-9)));
}

/** Mean square drift of one factor with every line at its nearest count; stops as soon as it is no better than the best. */
function driftAt(factor: number, exact: readonly number[], units: readonly Unit[], best: number): number {
  let sum = 0;
  const limit = best * units.length;
  for (const [n, unit] of units.entries()) {
    const kg = (exact[n] ?? 0) * factor;
    sum += Math.log((nearestCount(kg, unit) * unit.unitKg) / kg) ** 2;
    if (sum >= limit) return Number.POSITIVE_INFINITY;
  }
  return sum / units.length;
}

/**
 * Rounds kilos to what can be bought and measured with the least drift from one proportion. Counts change only where a
 * line passes a half, so the factor is searched from one such place to the next: between two of them the counts stand
 * still, and the best factor for those counts is the geometric mean of rounded over exact. Exact over all factors from
 * `least` to `most`; a candidate is dropped as soon as its sum passes the best one's.
 *
 * @param kgOf exact kilos by line. @param within least and most factor, 1 in between.
 */
export function roundTogether(
  units: readonly Unit[],
  kgOf: (lineId: string) => number,
  within: { readonly least: number; readonly most: number } = { least: 0.98, most: 1.05 },
): Rounding {
  const used = units.filter(({ lineId }) => kgOf(lineId) > 0);
  const exact = used.map(({ lineId }) => kgOf(lineId));
  const places = new Set<number>([within.least, within.most, 1]);
  for (const [n, { unitKg }] of used.entries()) {
    const kg = exact[n] ?? 1;
    const first = Math.max(1, Math.floor((within.least * kg) / unitKg - 0.5));
    const last = Math.ceil((within.most * kg) / unitKg);
    for (let count = first; count <= last && count - first < 2000; count++) {
      const at = ((count + 0.5) * unitKg) / kg;
      if (at > within.least && at < within.most) places.add(at);
    }
  }
  const sorted = [...places].sort((a, b) => a - b);
  let best = { factor: 1, drift: driftAt(1, exact, used, Number.POSITIVE_INFINITY) };
  let looked = 1;
  let candidates = 1;
  for (let n = 0; n + 1 < sorted.length; n++) {
    const low = sorted[n] ?? 1;
    const high = sorted[n + 1] ?? 1;
    const middle = (low + high) / 2;
    const logs = used.map((unit, i) => Math.log((nearestCount((exact[i] ?? 0) * middle, unit) * unit.unitKg) / (exact[i] ?? 1)));
    const meanLog = logs.reduce((sum, log) => sum + log, 0) / Math.max(1, used.length);
    candidates += 1;
    const factor = Math.min(high * (1 - 1e-12), Math.max(low * (1 + 1e-12), Math.exp(meanLog)));
    const drift = driftAt(factor, exact, used, best.drift);
    if (drift < best.drift) {
      best = { factor, drift };
      looked += 1;
    }
  }
  return {
    factor: best.factor,
    drift: Math.sqrt(best.drift),
    looked,
    candidates,
    lines: used.map((unit, n) => {
      const kg = exact[n] ?? 0;
      const count = nearestCount(kg * best.factor, unit);
      const roundedKg = count * unit.unitKg;
      return { ...unit, count, exactKg: kg, roundedKg, drift: Math.log(roundedKg / (kg * best.factor)) };
    }),
  };
}

/** The line that strays most from the proportion of all; undefined where there is none. */
export function mostStrayed({ lines }: Pick<Rounding, 'lines'>): RoundedLine | undefined {
  return [...lines].sort((a, b) => Math.abs(b.drift) - Math.abs(a.drift))[0];
}

/**
 * A soup prepared so that at a scale its lines come to other kilos, as bought, and go on scaling from there: the real run
 * says what rounded amounts come to.
 */
export function withKilos(prepared: PreparedSoup, kgOf: ReadonlyMap<string, number>, scale: number): PreparedSoup {
  return {
    ...prepared,
    lines: prepared.lines.map((own) => {
      const kg = kgOf.get(own.line.id);
      const was = kgAtScale(own, scale);
      if (kg === undefined || !(was > 0)) return own;
      return { follows: own.follows, line: { ...own.line, massKg: (own.line.massKg * kg) / was } };
    }),
  };
}
