import { quantile } from 'simple-statistics';

/** Bowls of one service of the past. */
export interface Served {
  /** YYYY-MM-DD. */
  readonly date: string;
  readonly bowls: number;
}

/** Bowls that will be wanted on a day, with the band in which four of five such days lie, and from how many days it is told. */
export interface Demand {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
  readonly sd: number;
  readonly days: number;
}

/** A day of the past counts half after so many weeks. Kitchen default. */
const HALF_LIFE_DAYS = 56;
/** So many days of the same weekday weigh as much as all the others together. Kitchen default. */
const ENOUGH = 3;
/** Bowls differ from day to day by this share where the past is too short to say. Kitchen default. */
const USUAL_SPREAD = 0.2;
const DAY_MS = 86_400_000;
/** Of a normal distribution: four of five lie within so many sd. */
const FOUR_OF_FIVE = 1.2816;

function dayNumber(date: string): number {
  return Math.round(Date.parse(`${date}T12:00:00Z`) / DAY_MS);
}

function weekday(date: string): number {
  return (dayNumber(date) + 4) % 7;
}

interface Mean {
  readonly mean: number;
  readonly weight: number;
}

function meanOf(days: readonly Served[], on: string): Mean {
  let sum = 0;
  let weight = 0;
  for (const { date, bowls } of days) {
    const own = 0.5 ** (Math.max(0, dayNumber(on) - dayNumber(date)) / HALF_LIFE_DAYS);
    sum += own * bowls;
    weight += own;
  }
  return { mean: weight > 0 ? sum / weight : 0, weight };
}

/** Normal quantile by Acklam's rational approximation (from memory), good to 1e-9 in the middle and 1e-4 in the tails used here. */
function normalQuantile(p: number): number {
  const a = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239];
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783,
  ];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
  const poly = (terms: readonly number[], x: number): number => terms.reduce((sum, term) => sum * x + term, 0);
  const tail = 0.02425;
  if (p < tail) {
    const q = Math.sqrt(-2 * Math.log(p));
    return poly(c, q) / (poly(d, q) * q + 1);
  }
  if (p > 1 - tail) return -normalQuantile(1 - p);
  const q = p - 0.5;
  const r = q * q;
  return (poly(a, r) * q) / (poly(b, r) * r + 1);
}

/**
 * Bowls wanted on a day, by the past: the mean of its weekday, leaning on all days where there are few of it, recent days more.
 * Undefined without any past. Days that sold out say less than was wanted; they count as they are.
 */
export function demandOn(date: string, past: readonly Served[]): Demand | undefined {
  const before = past.filter((one) => one.date < date && one.bowls > 0);
  if (before.length === 0) return undefined;
  const all = meanOf(before, date);
  const same = before.filter((one) => weekday(one.date) === weekday(date));
  const own = meanOf(same, date);
  const lean = own.weight / (own.weight + ENOUGH);
  const middle = lean * own.mean + (1 - lean) * all.mean;
  const off = before.map(({ bowls }) => Math.abs(bowls - middle) / middle);
  // The middle of how far days were off, as an sd of a normal distribution; a short past leans on what is usual.
  const seen = off.length < 2 ? USUAL_SPREAD : quantile(off, 0.5) / 0.6745;
  const share = before.length / (before.length + ENOUGH);
  const sd = middle * Math.max(0.03, share * seen + (1 - share) * USUAL_SPREAD);
  return {
    middle,
    low: Math.max(0, middle - FOUR_OF_FIVE * sd),
    high: middle + FOUR_OF_FIVE * sd,
    sd,
    days: before.length,
  };
}

/**
 * How many bowls to make so that one too many and one too few cost the same in the long run: the quantile of demand at
 * too few over both together (the newsvendor's rule, from memory).
 *
 * @param overCost what a bowl too many costs, @param underCost what one too few does, in one currency; both positive.
 */
export function bowlsToMake({ middle, sd }: Demand, overCost: number, underCost: number): number {
  const share = Math.min(0.999, Math.max(0.001, underCost / (underCost + overCost)));
  return Math.max(0, middle + sd * normalQuantile(share));
}
