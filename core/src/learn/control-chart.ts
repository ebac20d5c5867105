import { mean, median } from 'simple-statistics';

/** Why a point of a control chart is spoken of. */
export type Signal = 'far off' | 'one side' | 'drifting';

/** A run of a figure over batches, oldest first: its middle, what chance does to it, and where it is not chance. */
export interface ControlChart {
  readonly middle: number;
  /** Three sigma of what chance does from one batch to the next. */
  readonly low: number;
  readonly high: number;
  /** What is spoken of: the place of its last point, how many points it lasts, and on which side it is. */
  readonly signals: readonly {
    readonly what: Signal;
    readonly at: number;
    readonly count: number;
    readonly side: 'high' | 'low';
  }[];
}

/**
 * 3 / d4 with d4 = 0.954 for the median of moving ranges of two (tables of control charts, from memory). By their middle and not
 * their mean: one spoilt batch, or a soup that strays more than the others, must not hide the next.
 */
const THREE_SIGMA_OF_RANGE = 3 / 0.954;
/** So many in a row on one side, or rising or falling, are not chance (Western Electric 1956 and Nelson 1984, from memory). */
const ONE_SIDE = 8;
const DRIFTING = 6;
/** Fewer than this say nothing. */
const LEAST = 4;

/**
 * A chart for individuals by the median of moving ranges. Points beyond three sigma, eight in a row on one side and six in a row rising or
 * falling are named; nothing is with fewer than four points.
 */
export function controlChart(values: readonly number[]): ControlChart | undefined {
  if (values.length < LEAST) return undefined;
  const middle = mean([...values]);
  const ranges = values.slice(1).map((value, n) => Math.abs(value - (values[n] ?? value)));
  const reach = THREE_SIGMA_OF_RANGE * median(ranges);
  const signals: ControlChart['signals'][number][] = [];
  for (const [at, value] of values.entries()) {
    if (Math.abs(value - middle) > reach) signals.push({ what: 'far off', at, count: 1, side: value > middle ? 'high' : 'low' });
  }
  runs(values, (value) => Math.sign(value - middle), ONE_SIDE, 'one side', signals);
  const steps = values.slice(1).map((value, n) => Math.sign(value - (values[n] ?? value)));
  const drifts: typeof signals = [];
  runs(steps, (step) => step, DRIFTING - 1, 'drifting', drifts);
  for (const one of drifts) signals.push({ ...one, at: one.at + 1, count: one.count + 1 });
  return { middle, low: middle - reach, high: middle + reach, signals };
}

function runs(
  values: readonly number[],
  sideOf: (value: number) => number,
  least: number,
  what: Signal,
  into: { what: Signal; at: number; count: number; side: 'high' | 'low' }[],
): void {
  let side = 0;
  let count = 0;
  for (const [at, value] of [...values, Number.NaN].entries()) {
    const now = Number.isNaN(value) ? 0 : sideOf(value);
    if (now !== 0 && now === side) {
      count += 1;
      continue;
    }
    if (side !== 0 && count >= least) into.push({ what, at: at - 1, count, side: side > 0 ? 'high' : 'low' });
    side = now;
    count = now === 0 ? 0 : 1;
  }
}
