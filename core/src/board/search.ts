import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { arrange, type Arrangement, type DayWork, type Order } from './arrange.js';
import { limitsOf, type Limit } from './bound.js';
import { ONE_PERSON, type BatchWork } from './blocks.js';

/** What was found: the day as laid out, how late which bowls are, and how much better any order could be. */
export interface DayPlan {
  readonly arrangement: Arrangement;
  readonly order: Order;
  /** Minutes by which bowls come after they are wanted; batches that are on time are not in it. */
  readonly lateMin: ReadonlyMap<string, number>;
  /** Minutes between the start of the day, or now, and the first thing that has to start. */
  readonly inHandMin: number;
  /** No order of work gives more minutes in hand than this; negative where it can't be done in time by any. */
  readonly mostInHandMin: number;
  /** What any order is held by, the tightest first. */
  readonly limits: readonly Limit[];
  /** Batches that have no place at all. */
  readonly unplaced: readonly string[];
}

const NOTHING: Arrangement = {
  blocks: [],
  washes: [],
  firstMin: Number.POSITIVE_INFINITY,
  waitMin: 0,
  overMin: 0,
  idleMin: 0,
  unevenMin: 0,
};
const NO_ORDER: Order = { batchIds: [], earlyMin: new Map() };

/** How much earlier something is done where that lets others through, minutes. */
const EARLY_MIN = [0, 0, 0, 5, 10, 15, 20, 25, 30, 45, 60] as const;
/** So much of a later start a minute of fresher soup is worth: none of it, it only decides between equals. */
const WAIT_WEIGHT = 1e-4;
/** How often all bowls are put off until a day fits between its start and them. */
const MOST_PUT_OFF = 40;
/** By how much one batch is put off at a time where it finds no place, minutes. */
const PUT_OFF_MIN = 15;
/** Over this many minutes late nothing is laid out any more. */
const LATEST_BY_MIN = 720;

/** A minute after hours is worth so many of those in hand. */
const OVER_WEIGHT = 10;
/** So little of a later start a minute of an empty hot oven, and one by which somebody does more than another, is worth: they decide last. */
const IDLE_WEIGHT = 1e-7;
const UNEVEN_WEIGHT = 1e-10;

/** Higher is better: no work after hours, a late start, what waits little, no oven hot for nothing, even hands, in this order. */
function worth({ firstMin, waitMin, overMin, idleMin, unevenMin }: Arrangement): number {
  return firstMin - OVER_WEIGHT * overMin - WAIT_WEIGHT * waitMin - IDLE_WEIGHT * idleMin - UNEVEN_WEIGHT * unevenMin;
}

function chainMin(work: BatchWork): number {
  return work.blocks.reduce((sum, { kind, minutes }) => sum + (kind === 'trim' ? 0 : minutes), 0);
}

function handMin(work: BatchWork): number {
  return work.blocks.reduce(
    (sum, { activities }) => sum + activities.reduce((own, one) => own + (one.hands * one.minutes) / ONE_PERSON, 0),
    0,
  );
}

/** Orders that are good to begin with: by time, the longest first, the fewest allergens first, the most work first. */
function firstOrders({ batches }: DayWork): string[][] {
  const by = (value: (work: BatchWork) => number): string[] =>
    [...batches].sort((a, b) => b.dueMin - a.dueMin || value(a) - value(b)).map(({ batchId }) => batchId);
  return [
    by((work) => -chainMin(work)),
    by((work) => -work.allergens.length),
    by((work) => work.allergens.length),
    by((work) => -handMin(work)),
    by(chainMin),
    [...batches].sort((a, b) => a.dueMin - chainMin(a) - (b.dueMin - chainMin(b))).map(({ batchId }) => batchId),
  ];
}

/** Looks for a better and better day. Each call of `better` tries one more order; the same seed gives the same day. */
export class DaySearch {
  best: { readonly arrangement: Arrangement; readonly order: Order } | undefined;
  private readonly random;
  readonly limits: readonly Limit[];
  private tried = 0;
  private readonly first: string[][];
  /** By batch, what can be done earlier than it is wanted. */
  private readonly stiff: ReadonlyMap<string, readonly string[]>;

  constructor(
    private readonly day: DayWork,
    seed: number,
    private readonly lateMin: ReadonlyMap<string, number> = new Map(),
    start?: Order,
  ) {
    this.random = xoroshiro128plus(seed);
    this.limits = limitsOf(day);
    this.first = firstOrders(day);
    this.stiff = new Map(
      day.batches.map(({ batchId, blocks }) => [batchId, blocks.flatMap(({ id, kind }) => (kind === 'trim' ? [] : [id]))]),
    );
    if (start !== undefined) this.consider(start);
  }

  /** Whether no order can be better. */
  get isProved(): boolean {
    const latestMin = this.limits[0]?.latestMin ?? Number.POSITIVE_INFINITY;
    const { overMin, firstMin } = this.best?.arrangement ?? NOTHING;
    return this.best !== undefined && overMin === 0 && firstMin >= Math.floor(latestMin);
  }

  private below(most: number): number {
    return uniformInt(this.random, 0, most - 1);
  }

  private consider(order: Order): boolean {
    const arrangement = arrange(this.day, order, this.lateMin);
    if (arrangement === undefined) return false;
    if (this.best !== undefined && worth(arrangement) < worth(this.best.arrangement)) return false;
    const isBetter = this.best === undefined || worth(arrangement) > worth(this.best.arrangement);
    this.best = { arrangement, order };
    return isBetter;
  }

  private neighbour({ batchIds, earlyMin }: Order): Order {
    const ids = [...batchIds];
    const early = new Map(earlyMin);
    const moves = 1 + this.below(2);
    for (let n = 0; n < moves; n++) {
      const at = this.below(ids.length);
      const id = ids[at];
      if (id === undefined) continue;
      if (this.below(2) === 0 && ids.length > 1) {
        ids.splice(at, 1);
        ids.splice(this.below(ids.length + 1), 0, id);
      } else {
        const stiff = this.stiff.get(id) ?? [];
        const block = stiff[this.below(Math.max(1, stiff.length))];
        if (block !== undefined) early.set(block, EARLY_MIN[this.below(EARLY_MIN.length)] ?? 0);
      }
    }
    return { batchIds: ids, earlyMin: early };
  }

  /** Tries one more order; true where the day got better by it. */
  better(): boolean {
    const fresh = this.first[this.tried];
    this.tried += 1;
    if (fresh !== undefined) return this.consider({ batchIds: fresh, earlyMin: new Map() });
    const from = this.best?.order ?? { batchIds: this.first[this.below(this.first.length)] ?? [], earlyMin: new Map() };
    return this.consider(this.neighbour(from));
  }
}

function searched(day: DayWork, tries: number, seed: number, late: ReadonlyMap<string, number>, start?: Order): DaySearch {
  const search = new DaySearch(day, seed, late, start);
  for (let n = 0; n < tries && !search.isProved; n++) search.better();
  return search;
}

/** Late by what they are already, and so many minutes more, all of them. */
function putOff(batches: readonly BatchWork[], late: ReadonlyMap<string, number>, byMin: number): Map<string, number> {
  return new Map(batches.map(({ batchId }) => [batchId, (late.get(batchId) ?? 0) + byMin]));
}

interface Settled {
  readonly day: DayWork;
  readonly late: ReadonlyMap<string, number>;
  readonly unplaced: readonly string[];
}

/**
 * What is in each other's way whatever the hour (two soups in one pot at one time): batches are taken up one by one, the
 * soonest wanted first, and one that finds no place is put off until it does, or left out.
 */
function oneByOne(day: DayWork): Settled {
  const late = new Map<string, number>();
  const unplaced: string[] = [];
  let batches: BatchWork[] = [];
  for (const work of [...day.batches].sort((a, b) => a.dueMin - b.dueMin)) {
    const tried = [...batches, work];
    const order = { batchIds: tried.map(({ batchId }) => batchId), earlyMin: new Map<string, number>() };
    let found = false;
    for (let byMin = 0; byMin <= LATEST_BY_MIN && !found; byMin += PUT_OFF_MIN) {
      late.set(work.batchId, byMin);
      found = arrange({ ...day, batches: tried }, order, late) !== undefined;
    }
    if (found) batches = tried;
    else {
      late.delete(work.batchId);
      unplaced.push(work.batchId);
    }
  }
  return { day: { ...day, batches }, late, unplaced };
}

/** Of bowls that are late, those that need not be: each is tried on time, the soonest wanted first. */
function lessLate(
  day: DayWork,
  found: { readonly order: Order; readonly arrangement: Arrangement },
  late: ReadonlyMap<string, number>,
): { readonly late: ReadonlyMap<string, number>; readonly arrangement: Arrangement } {
  let best = { late, arrangement: found.arrangement };
  for (const { batchId } of [...day.batches].sort((a, b) => a.dueMin - b.dueMin)) {
    const all = best.late.get(batchId) ?? 0;
    if (all === 0) continue;
    for (const share of [0, 0.25, 0.5, 0.75]) {
      const tried = new Map(best.late).set(batchId, Math.ceil(all * share));
      const arrangement = arrange(day, found.order, tried);
      if (arrangement === undefined || arrangement.firstMin < day.fromMin) continue;
      best = { late: tried, arrangement };
      break;
    }
  }
  return best;
}

/**
 * A day laid out: on time where an order is found that is, otherwise with its bowls as little late as was found; what has no
 * place at all (no oven, nobody there, a pin that can't be kept) is left out and named. Undefined for a day without soups.
 *
 * @param tries orders that are tried at the most. The same seed gives the same day.
 * @param start an order to begin with, such as that of a moment ago.
 */
export function planDay(asked: DayWork, tries = 120, seed = 1, start?: Order): DayPlan | undefined {
  if (asked.batches.length === 0) return undefined;
  const { limits } = new DaySearch(asked, seed);
  const mostInHandMin = Math.floor(limits[0]?.latestMin ?? asked.fromMin) - asked.fromMin;
  let search = searched(asked, tries, seed, new Map(), start);
  let settled: Settled = { day: asked, late: new Map(), unplaced: [] };
  if (search.best === undefined) {
    settled = oneByOne(asked);
    search = searched(settled.day, tries, seed, settled.late);
  }
  const { day, unplaced } = settled;
  let found = search.best;
  let late = settled.late;
  let byMin = 0;
  for (let round = 0; found !== undefined && found.arrangement.firstMin < day.fromMin; round++) {
    byMin += Math.max(1, Math.ceil(day.fromMin - found.arrangement.firstMin));
    if (round >= MOST_PUT_OFF || byMin > LATEST_BY_MIN) {
      found = undefined;
      break;
    }
    late = putOff(day.batches, settled.late, byMin);
    found = searched(day, Math.ceil(tries / 4), seed, late, found.order).best;
  }
  if (found === undefined)
    return {
      arrangement: NOTHING,
      order: NO_ORDER,
      lateMin: new Map(),
      inHandMin: 0,
      mostInHandMin,
      limits,
      unplaced: allOf(asked),
    };
  const less = lessLate(day, found, late);
  return {
    arrangement: less.arrangement,
    order: found.order,
    lateMin: new Map([...less.late].filter(([, minutes]) => minutes > 0)),
    inHandMin: less.arrangement.firstMin - day.fromMin,
    mostInHandMin,
    limits,
    unplaced,
  };
}

function allOf({ batches }: DayWork): string[] {
  return batches.map(({ batchId }) => batchId);
}
