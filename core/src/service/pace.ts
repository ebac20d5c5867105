import { randomGamma } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';

/** Bowls that went out together. */
export interface Out {
  readonly atMs: number;
  readonly bowls: number;
}

/** How fast bowls go: a rate that is not known for sure, as a gamma distribution of bowls a minute. */
export interface Pace {
  readonly shape: number;
  /** Minutes. */
  readonly rate: number;
}

/** When what is left will be gone, minutes from now: in the middle, and the band in which nine of ten such services lie. */
export interface RunsOut {
  readonly middleMin: number;
  readonly bandMin: readonly [number, number];
}

/** So many minutes of service are believed before anything has gone out today. Kitchen default. */
const BELIEVED_MIN = 5;
/** All bowls go within an hour where nothing is known. Kitchen default. */
const USUAL_MIN = 60;
const MINUTE_MS = 60_000;
const DRAWS = 4000;
const SEED = 1;

/** What is expected before the first bowl of so many goes out. */
export function usualPace(bowls: number): Pace {
  return { shape: Math.max(0.5, (Math.max(1, bowls) / USUAL_MIN) * BELIEVED_MIN), rate: BELIEVED_MIN };
}

/**
 * The pace after what has gone out: bowls are taken as coming one by one, each as likely at any moment (Poisson), and every
 * minute since service began counts, also those in which none went out.
 */
export function paceOf(usual: Pace, out: readonly Out[], sinceMs: number, nowMs: number): Pace {
  const minutes = Math.max(0, (nowMs - sinceMs) / MINUTE_MS);
  const bowls = out.reduce((sum, one) => sum + (one.atMs <= nowMs ? one.bowls : 0), 0);
  return { shape: usual.shape + Math.max(0, bowls), rate: usual.rate + minutes };
}

/** Bowls a minute in the middle of what is believed. */
export function perMinute({ shape, rate }: Pace): number {
  return shape / rate;
}

/**
 * When so many bowls will be gone. The last of them waits for that many guests (a gamma of the rate), and the rate itself is
 * only believed: both are drawn, from a fixed seed.
 */
export function runsOut(left: number, pace: Pace): RunsOut {
  if (left <= 0) return { middleMin: 0, bandMin: [0, 0] };
  const generator = xoroshiro128plus(SEED);
  const uniform = (): number => uniformFloat64(generator);
  const guests = randomGamma.source(uniform)(Math.max(1, Math.round(left)), 1);
  const rates = randomGamma.source(uniform)(pace.shape, 1 / pace.rate);
  const minutes = Float64Array.from({ length: DRAWS }, () => guests() / Math.max(1e-9, rates())).sort();
  const at = (share: number): number => minutes[Math.min(DRAWS - 1, Math.floor(share * DRAWS))] ?? 0;
  return { middleMin: at(0.5), bandMin: [at(0.05), at(0.95)] };
}
