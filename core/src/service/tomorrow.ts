import { probit, quantile } from 'simple-statistics';
import { daysBetween, weekdayOf } from '../stock/index.js';

/** Bowls of one service of the past. */
export interface Served {
  /** YYYY-MM-DD. */
  readonly date: string;
  readonly bowls: number;
  /** In a word, where somebody wrote it down. */
  readonly weather?: string | undefined;
}

/** Bowls that will be wanted on a day, with the band in which four of five such days lie, and from how many days it is told. */
export interface Demand {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
  readonly sd: number;
  readonly days: number;
  /** What the weather makes of it: by how many days of the past that had it, and how many times as many bowls. */
  readonly weather?: { readonly days: number; readonly times: number };
}

/** A day of the past counts half after so many weeks. Kitchen default. */
const HALF_LIFE_DAYS = 56;
/** So many days of the same weekday weigh as much as all the others together. Kitchen default. */
const ENOUGH = 3;
const WEEK = 7;
/** Bowls differ from day to day by this share where the past is too short to say. Kitchen default. */
const USUAL_SPREAD = 0.2;
/** Of a normal distribution: four of five lie within so many sd. */
const FOUR_OF_FIVE = 1.2816;

/** The mean of each weekday as seen from a date, Monday first, leaning on all days where there are few of it. */
function usualBowls(before: readonly Served[], date: string): readonly number[] {
  const sum = new Array<number>(WEEK).fill(0);
  const weight = new Array<number>(WEEK).fill(0);
  for (const one of before) {
    const day = weekdayOf(one.date);
    const own = 0.5 ** (Math.max(0, daysBetween(one.date, date)) / HALF_LIFE_DAYS);
    sum[day] = (sum[day] ?? 0) + own * one.bowls;
    weight[day] = (weight[day] ?? 0) + own;
  }
  const total = (of: readonly number[]): number => of.reduce((all, one) => all + one, 0);
  const all = total(sum) / Math.max(Number.MIN_VALUE, total(weight));
  return sum.map((bowls, day) => (bowls + ENOUGH * all) / ((weight[day] ?? 0) + ENOUGH));
}

function sameWord(a: string | undefined, b: string): boolean {
  return a?.trim().toLowerCase() === b.trim().toLowerCase();
}

/** How many times as many bowls go out in such weather as usual on those weekdays; near 1 where few days had it. */
function timesInWeather(word: string, before: readonly Served[], usual: readonly number[]): Demand['weather'] {
  const same = before.filter(({ weather }) => sameWord(weather, word));
  const all = same.reduce((sum, { date, bowls }) => sum + Math.log(bowls / (usual[weekdayOf(date)] ?? bowls)), 0);
  return { days: same.length, times: Math.exp(all / (same.length + ENOUGH)) };
}

/**
 * Bowls wanted on a day, by the past: the mean of its weekday, leaning on all days where there are few of it, recent days more;
 * and where the weather is told in a word, by what days of that word made of it. Undefined without any past. Days that sold
 * out say less than was wanted; they count as they are.
 */
export function demandOn(date: string, past: readonly Served[], weather?: string): Demand | undefined {
  const before = past.filter((one) => one.date < date && one.bowls > 0);
  if (before.length === 0) return undefined;
  const byWeekday = usualBowls(before, date);
  const inWeather = weather === undefined || weather.trim() === '' ? undefined : timesInWeather(weather, before, byWeekday);
  const usual = byWeekday[weekdayOf(date)] ?? 0;
  const middle = usual * (inWeather?.times ?? 1);
  const off = before.map(({ bowls }) => Math.abs(bowls - usual) / usual);
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
    ...(inWeather === undefined ? {} : { weather: inWeather }),
  };
}

/** How far off the forecasts of past days were, beside taking the bowls of the same weekday a week before. */
export interface PastErrors {
  /** Days that could be foretold both ways. */
  readonly days: number;
  /** Mean of how far off, as a share of what was served. */
  readonly forecast: number;
  readonly weekBefore: number;
  /** Days that lay in the band that is to hold four of five. */
  readonly inBand: number;
}

/** Every day of the past foretold by the days before it alone. Undefined where none has a day of the same weekday a week before. */
export function pastErrors(past: readonly Served[]): PastErrors | undefined {
  const bowlsOn = new Map(past.map(({ date, bowls }) => [date, bowls]));
  const told = past.flatMap(({ date, bowls, weather }) => {
    const before = [...bowlsOn].find(([other]) => daysBetween(other, date) === 7)?.[1];
    const demand = demandOn(date, past, weather);
    if (bowls <= 0 || before === undefined || before <= 0 || demand === undefined) return [];
    return [
      {
        forecast: Math.abs(demand.middle - bowls) / bowls,
        weekBefore: Math.abs(before - bowls) / bowls,
        isIn: bowls >= demand.low && bowls <= demand.high,
      },
    ];
  });
  if (told.length === 0) return undefined;
  const mean = (of: (one: (typeof told)[number]) => number): number => told.reduce((sum, one) => sum + of(one), 0) / told.length;
  return {
    days: told.length,
    forecast: mean(({ forecast }) => forecast),
    weekBefore: mean(({ weekBefore }) => weekBefore),
    inBand: told.filter(({ isIn }) => isIn).length,
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
  return Math.max(0, middle + sd * probit(share));
}
