import { LOOK, ONE_PERSON, SERVICE, type BatchWork, type Block } from './blocks.js';
import type { DayWork } from './arrange.js';
import { SAME_OVEN_K, WASH_MIN, needsWash } from './timetable.js';

/** What stands in the way of starting later: one batch's own length, or something that is shared. */
export interface Limit {
  /** The latest minute at which any order of work has to have started. */
  readonly latestMin: number;
  readonly by:
    | { readonly kind: 'batch'; readonly batchId: string }
    | { readonly kind: 'hands' | 'oven' | 'iced water' }
    | { readonly kind: 'blender'; readonly of: 'jug' | 'stick' | 'processor' }
    | { readonly kind: 'pot'; readonly potId: string };
}

/** A piece of work on something shared: how much, how long before the bowls it is over at the latest, and what comes before it. */
interface Job {
  readonly work: number;
  readonly headMin: number;
  readonly latestEndMin: number;
}

/** A job of one thing that does one at a time: `work` is minutes, and what follows may want it washed first. */
interface SingleJob extends Job {
  readonly batch: BatchWork;
}

/** Jobs whose orders are all tried: more would take too long. */
const MOST_ORDERED = 7;

/**
 * As `latest`, for one thing that does one job at a time, with the washing between: every order of the most laborious jobs is
 * tried, from the last one backwards.
 */
function latestInTurn(all: readonly SingleJob[], setup: (before: SingleJob, after: SingleJob) => number): number {
  const jobs = [...all].sort((a, b) => b.work - a.work).slice(0, MOST_ORDERED);
  let best = Number.NEGATIVE_INFINITY;
  const used = jobs.map(() => false);
  const from = (count: number, next: SingleJob | undefined, nextStart: number, soFar: number): void => {
    if (soFar <= best) return;
    if (count === jobs.length) {
      best = soFar;
      return;
    }
    for (const [n, job] of jobs.entries()) {
      if (used[n] === true) continue;
      used[n] = true;
      const end = next === undefined ? job.latestEndMin : Math.min(job.latestEndMin, nextStart - setup(job, next));
      from(count + 1, job, end - job.work, Math.min(soFar, end - job.work - job.headMin));
      used[n] = false;
    }
  };
  from(0, undefined, 0, Number.POSITIVE_INFINITY);
  return best;
}

/** Minutes of washing between two jobs. */
function washed(before: SingleJob, after: SingleJob): number {
  return before.batch !== after.batch && needsWash(before.batch, after.batch) ? WASH_MIN : 0;
}

/** Two roasts of different heat in the only oven: one of them first. */
function latestOfRoasts(roasts: readonly (SingleJob & { readonly ovenC: number })[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const [n, one] of roasts.entries()) {
    for (const other of roasts.slice(n + 1))
      if (Math.abs(one.ovenC - other.ovenC) > SAME_OVEN_K)
        least = Math.min(
          least,
          latestInTurn([one, other], () => 0),
        );
  }
  return least;
}

/** The shortest way from the first knife to a block's start, and from its start to the bowls. */
class Lengths {
  private readonly tails = new Map<string, number>();
  private readonly heads = new Map<string, number>();
  private readonly byId: ReadonlyMap<string, Block>;
  private readonly before = new Map<string, { readonly from: Block; readonly atMin: number }[]>();

  constructor(blocks: readonly Block[]) {
    this.byId = new Map(blocks.map((block) => [block.id, block]));
    for (const from of blocks) {
      for (const { to, atMin } of from.links) this.before.set(to, [...(this.before.get(to) ?? []), { from, atMin }]);
    }
  }

  /** From a block's start to the bowls. */
  tail(block: Block): number {
    const have = this.tails.get(block.id);
    if (have !== undefined) return have;
    let longest = block.minutes;
    for (const { to, atMin } of block.links) {
      const next = this.byId.get(to);
      if (to !== SERVICE && next !== undefined) longest = Math.max(longest, block.minutes + this.tail(next) - atMin);
    }
    this.tails.set(block.id, longest);
    return longest;
  }

  /** From the first start of anything to a block's start. */
  head(block: Block): number {
    const have = this.heads.get(block.id);
    if (have !== undefined) return have;
    let longest = 0;
    for (const { from, atMin } of this.before.get(block.id) ?? [])
      longest = Math.max(longest, this.head(from) + from.minutes - atMin);
    this.heads.set(block.id, longest);
    return longest;
  }
}

/** So much work with so many doing it can't have started later than this, whatever the order. */
function latest(jobs: readonly Job[], capacity: number): number {
  let least = Number.POSITIVE_INFINITY;
  const heads = [...new Set(jobs.map(({ headMin }) => headMin))];
  const ends = [...new Set(jobs.map(({ latestEndMin }) => latestEndMin))];
  for (const head of heads) {
    for (const end of ends) {
      let work = 0;
      for (const job of jobs) if (job.headMin >= head && job.latestEndMin <= end) work += job.work;
      if (work > 0) least = Math.min(least, end - work / capacity - head);
    }
  }
  return least;
}

/**
 * The latest minute at which any order of work has to have begun, so that all bowls are on time: no arrangement starts later.
 * Each limit stands by itself: a batch's longest chain; and for hands, oven places, blenders and each pot, that the work
 * which lies between two moments of the chains fits between them (an energy argument over heads and tails, as for one
 * machine; Carlier 1982, from memory), and for what does one thing at a time that its jobs fit in some order with the washing
 * between them.
 */
export function limitsOf({ lanes, batches, pins }: DayWork): Limit[] {
  const hands: Job[] = [];
  const oven: Job[] = [];
  const iced: Job[] = [];
  const roasts: (SingleJob & { readonly ovenC: number })[] = [];
  const blenders = new Map<'jug' | 'stick' | 'processor', SingleJob[]>();
  const pots = new Map<string, SingleJob[]>();
  const found: Limit[] = [];
  for (const work of batches) {
    // What is settled or has begun says nothing of when the rest can start.
    const blocks = work.blocks.filter(({ id }) => pins?.get(id)?.startMin === undefined);
    const lengths = new Lengths(blocks);
    let chain = 0;
    const inPot: { readonly head: number; readonly tail: number }[] = [];
    for (const block of blocks) {
      const tail = lengths.tail(block);
      const head = lengths.head(block);
      chain = Math.max(chain, head + tail);
      if (block.kind === 'pot') inPot.push({ head, tail });
      for (const { startsAfter, minutes, hands: share, trays, ovenC, blender, isIced } of block.activities) {
        const job = (amount: number): SingleJob => ({
          batch: work,
          work: amount * minutes,
          headMin: head + startsAfter,
          latestEndMin: work.dueMin - tail + startsAfter + minutes,
        });
        if (share > LOOK && minutes > 0) hands.push(job(share / ONE_PERSON));
        if (isIced && minutes > 0) iced.push(job(1));
        if (ovenC !== undefined) {
          oven.push(job(trays));
          roasts.push({ ...job(1), ovenC });
        }
        if (blender !== undefined && minutes > 0) blenders.set(blender, [...(blenders.get(blender) ?? []), job(1)]);
      }
    }
    if (blocks.length > 0) found.push({ latestMin: work.dueMin - chain, by: { kind: 'batch', batchId: work.batchId } });
    const longest = Math.max(0, ...inPot.map(({ tail }) => tail));
    if (longest > 0) {
      const headMin = Math.min(...inPot.map(({ head }) => head));
      const job = { batch: work, work: longest + work.servedMin, headMin, latestEndMin: work.dueMin + work.servedMin };
      pots.set(work.potId, [...(pots.get(work.potId) ?? []), job]);
    }
  }
  const places = lanes.ovens.reduce((sum, one) => sum + one.places, 0);
  found.push({ latestMin: latest(hands, lanes.hands.length), by: { kind: 'hands' } });
  found.push({ latestMin: latest(iced, lanes.iceBaths), by: { kind: 'iced water' } });
  if (places > 0) {
    const inTurn = lanes.ovens.length === 1 ? latestOfRoasts(roasts) : Number.POSITIVE_INFINITY;
    found.push({ latestMin: Math.min(latest(oven, places), inTurn), by: { kind: 'oven' } });
  }
  for (const [of, jobs] of blenders) {
    const count = lanes.blenders.filter(({ kind }) => kind === of).length;
    const inTurn = count === 1 ? latestInTurn(jobs, washed) : Number.POSITIVE_INFINITY;
    if (count > 0) found.push({ latestMin: Math.min(latest(jobs, count), inTurn), by: { kind: 'blender', of } });
  }
  for (const [potId, jobs] of pots) {
    found.push({ latestMin: Math.min(latest(jobs, 1), latestInTurn(jobs, washed)), by: { kind: 'pot', potId } });
  }
  return found.filter(({ latestMin }) => Number.isFinite(latestMin)).sort((a, b) => a.latestMin - b.latestMin);
}
