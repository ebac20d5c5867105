import { ONE_PERSON, SERVICE, type BatchWork, type Block, type Link } from './blocks.js';
import { EARLIEST_MIN, type Lanes } from './lanes.js';
import { Timetable, WASH_MIN, type PlacedBlock } from './timetable.js';

/** What is to be laid out: the work of a day, on what, and what is settled already. */
export interface DayWork {
  readonly lanes: Lanes;
  readonly batches: readonly BatchWork[];
  /** Nothing can start before: when the first hands come in, or now. */
  readonly fromMin: number;
  /** When the last hands should be gone: what can be done before is. */
  readonly endsMin?: number | undefined;
  /** Now, where the day is today: what lies before it is no way out. */
  readonly nowMin?: number | undefined;
  /** By block, what the cook has settled or what has begun. */
  readonly pins?: ReadonlyMap<string, { readonly startMin?: number | undefined; readonly person?: string | undefined }>;
}

/** In which order batches are laid out, and by block how many minutes before it is wanted it is over at the least. */
export interface Order {
  readonly batchIds: readonly string[];
  readonly earlyMin: ReadonlyMap<string, number>;
}

/** A wash between two soups. */
export interface Wash {
  readonly what: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly person: string;
  readonly of: string;
  readonly beforeOf: string;
}

/** A whole day, laid out. */
export interface Arrangement {
  readonly blocks: readonly PlacedBlock[];
  readonly washes: readonly Wash[];
  /** When the first thing starts that has not begun, minutes after midnight. */
  readonly firstMin: number;
  /** Minutes for which what is done waits for its use, over all batches: less is fresher. */
  readonly waitMin: number;
  /** Minutes of hands after the day ends. */
  readonly overMin: number;
  /** Minutes for which an oven is kept hot with nothing in it, between its first roast and its last. */
  readonly idleMin: number;
  /** Minutes that whoever does most does more than whoever does least. */
  readonly unevenMin: number;
}

/** How many places are tried for one batch before it is left to another order. */
const MOST_TRIES = 800;
/** How much earlier something is tried at a time, minutes: by single ones near where it is wanted, further off by more. */
const NEAR_MIN = 8;
const EARLIER_MIN = 4;
/** No place is looked for further off than this, minutes. */
const FURTHEST_MIN = 480;

/** What has to go earlier for something to find a place, and by how many minutes. */
interface Blocked {
  readonly by: string;
  readonly min: number;
}

/** Successors of a batch's blocks come before them: what is last is laid out first. */
function backwards(blocks: readonly Block[]): Block[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const done = new Set<string>();
  const sorted: Block[] = [];
  const visit = (block: Block): void => {
    if (done.has(block.id)) return;
    done.add(block.id);
    for (const { to } of block.links) {
      const next = byId.get(to);
      if (next !== undefined) visit(next);
    }
    sorted.push(block);
  };
  // Of rounds that wait for each other the last is laid out first: it may wait least.
  for (const block of [...blocks].reverse()) visit(block);
  return sorted;
}

/** Minutes for which ovens are hot and empty between their first roast and their last. */
function idleMin(blocks: readonly PlacedBlock[]): number {
  const roasts = blocks.flatMap(({ placed }) => placed).sort((a, b) => a.startMin - b.startMin);
  const hotUntil = new Map<string, number>();
  let idle = 0;
  for (const { oven, startMin, endMin } of roasts) {
    if (oven === undefined) continue;
    const until = hotUntil.get(oven) ?? startMin;
    idle += Math.max(0, startMin - until);
    hotUntil.set(oven, Math.max(until, endMin));
  }
  return idle;
}

class Arranging {
  readonly table: Timetable;
  private readonly startOf = new Map<string, number>();
  private tries = 0;

  constructor(
    private readonly day: DayWork,
    private readonly order: Order,
    private readonly lateMin: ReadonlyMap<string, number>,
  ) {
    this.table = new Timetable(day.lanes);
  }

  private dueMin(work: BatchWork): number {
    return work.dueMin + (this.lateMin.get(work.batchId) ?? 0);
  }

  private moment(work: BatchWork, { to, atMin }: Link): number | undefined {
    if (to === SERVICE) return this.dueMin(work);
    const start = this.startOf.get(to);
    return start === undefined ? undefined : start + atMin;
  }

  /** When a block can end: not after what uses it, and not so long before that it spoils. */
  private window(work: BatchWork, block: Block): { readonly first: number; readonly last: number } {
    let first = EARLIEST_MIN;
    let last = Number.POSITIVE_INFINITY;
    for (const link of block.links) {
      const at = this.moment(work, link);
      if (at === undefined) continue;
      last = Math.min(last, at);
      first = Math.max(first, at - link.mostWaitMin);
    }
    return { first, last: Number.isFinite(last) ? last : this.dueMin(work) };
  }

  /** Until when a pot is held from a block on: the next block of the pot, or the end of service. */
  private potUntil(work: BatchWork, block: Block, endMin: number): number {
    if (block.kind !== 'pot') return endMin;
    let until = endMin;
    for (const link of block.links)
      until = Math.max(until, link.to === SERVICE ? this.dueMin(work) + work.servedMin : (this.moment(work, link) ?? endMin));
    return until;
  }

  private tryAt(work: BatchWork, block: Block, endMin: number): boolean {
    const pin = this.day.pins?.get(block.id);
    const startMin = endMin - block.minutes;
    if (pin?.startMin !== undefined && pin.startMin !== startMin) return false;
    this.tries += 1;
    const placed = this.table.place(work, block, startMin, this.potUntil(work, block, endMin), pin?.person);
    if (placed === undefined) return false;
    this.startOf.set(block.id, startMin);
    return true;
  }

  private takeOut(block: Block): void {
    this.table.unplace();
    this.startOf.delete(block.id);
  }

  /** A block that stands where it ends at a minute is put as late as it finds a place within so many minutes. @returns its end. */
  private latestFrom(work: BatchWork, block: Block, end: number, within: number): number {
    this.takeOut(block);
    for (let by = within - 1; by > 0; by--) if (this.tryAt(work, block, end + by)) return end + by;
    this.tryAt(work, block, end);
    return end;
  }

  /** What holds a block from going earlier: the successor for which it would wait too long. */
  private heldBy(work: BatchWork, block: Block): string {
    let by = SERVICE;
    let first = Number.NEGATIVE_INFINITY;
    for (const link of block.links) {
      const at = this.moment(work, link);
      if (at === undefined || at - link.mostWaitMin <= first) continue;
      first = at - link.mostWaitMin;
      by = link.to;
    }
    return by;
  }

  /** How many minutes before its window a block would find a place. */
  private missing(work: BatchWork, block: Block, first: number): number {
    for (let by = 1; by <= FURTHEST_MIN; by += by < NEAR_MIN ? 1 : EARLIER_MIN) {
      if (!this.tryAt(work, block, first - by)) continue;
      this.takeOut(block);
      return by;
    }
    return FURTHEST_MIN;
  }

  /**
   * Blocks from the `at`-th on, each as late as can be. Where one finds no place in its window, the one that it must not wait for
   * any longer goes so much earlier, and all that was laid out since anew.
   *
   * @returns what has to go earlier, and by how much; undefined where all have their place.
   */
  private inTurn(work: BatchWork, blocks: readonly Block[], at: number, byMin = Number.POSITIVE_INFINITY): Blocked | undefined {
    const block = blocks[at];
    if (block === undefined) return undefined;
    const { first, last } = this.window(work, block);
    const held = this.heldBy(work, block);
    const pinned = this.day.pins?.get(block.id)?.startMin;
    if (pinned !== undefined) {
      const end = pinned + block.minutes;
      if (end > last || end < first || !this.tryAt(work, block, end)) return { by: held, min: Math.max(1, first - end) };
      const blocked = this.inTurn(work, blocks, at + 1);
      if (blocked !== undefined) this.takeOut(block);
      return blocked;
    }
    const from = Math.min(last - (this.order.earlyMin.get(block.id) ?? 0), byMin);
    let end = from;
    let step = 1;
    let wasPlaced = false;
    while (end >= first) {
      if (this.tries > MOST_TRIES) return { by: SERVICE, min: FURTHEST_MIN };
      if (!this.tryAt(work, block, end)) {
        step = from - end < NEAR_MIN ? 1 : EARLIER_MIN;
        end -= step;
        continue;
      }
      // Found by a long step, it may have stepped over what is better.
      if (step > 1) end = this.latestFrom(work, block, end, step);
      step = 1;
      wasPlaced = true;
      const blocked = this.inTurn(work, blocks, at + 1);
      if (blocked === undefined) return undefined;
      this.takeOut(block);
      if (blocked.by !== block.id) return blocked;
      end -= Math.max(1, blocked.min);
    }
    return { by: held, min: wasPlaced ? Math.max(1, first - end) : this.missing(work, block, first) };
  }

  /** What can't be moved apart, batch by batch; then washing up; then all that is cut, the last wanted first. */
  all(): Arrangement | undefined {
    // An order of a moment ago may know fewer soups, or more: every soup of the day is laid out.
    const placeOf = new Map(this.order.batchIds.map((id, n) => [id, n]));
    const works = [...this.day.batches].sort(
      (a, b) => (placeOf.get(a.batchId) ?? placeOf.size) - (placeOf.get(b.batchId) ?? placeOf.size),
    );
    const trims: { work: BatchWork; block: Block; last: number }[] = [];
    for (const work of works) {
      this.tries = 0;
      const stiff = backwards(work.blocks.filter(({ kind }) => kind !== 'trim'));
      if (this.inTurn(work, stiff, 0) !== undefined) return undefined;
      for (const block of work.blocks) if (block.kind === 'trim') trims.push({ work, block, last: this.window(work, block).last });
    }
    const washes: Wash[] = [];
    for (const gap of this.table.gapsToWash()) {
      const found = this.table.wash(gap);
      if (found === undefined) return undefined;
      washes.push({ ...gap, ...found, endMin: found.startMin + WASH_MIN });
    }
    trims.sort((a, b) => b.last - a.last || b.block.minutes - a.block.minutes);
    for (const { work, block } of trims) {
      this.tries = 0;
      const endsMin = this.day.endsMin ?? Number.POSITIVE_INFINITY;
      // What is cut for bowls after hours is cut before they begin, where there is time.
      const isLate = this.window(work, block).last > endsMin;
      if (isLate && this.inTurn(work, [block], 0, endsMin) === undefined) continue;
      this.tries = 0;
      if (this.inTurn(work, [block], 0) !== undefined) return undefined;
    }
    return this.arrangement(washes);
  }

  private arrangement(washes: readonly Wash[]): Arrangement {
    let waitMin = 0;
    const workOf = new Map(this.day.batches.map((work) => [work.batchId, work]));
    for (const { block, endMin } of this.table.blocks) {
      const work = workOf.get(block.batchId);
      if (work === undefined || block.kind === 'trim') continue;
      for (const link of block.links) waitMin += Math.max(0, (this.moment(work, link) ?? endMin) - endMin);
    }
    const doneBy = new Map(this.day.lanes.hands.map(({ id }) => [id, 0]));
    let overMin = 0;
    const { endsMin = Number.POSITIVE_INFINITY } = this.day;
    const hand = (person: string | undefined, startMin: number, endMin: number, share: number): void => {
      if (person === undefined) return;
      doneBy.set(person, (doneBy.get(person) ?? 0) + share * (endMin - startMin));
      overMin += share * Math.max(0, endMin - Math.max(startMin, endsMin));
    };
    for (const { placed } of this.table.blocks)
      for (const { activity, person, startMin, endMin } of placed) hand(person, startMin, endMin, activity.hands / ONE_PERSON);
    for (const { person, startMin, endMin } of washes) hand(person, startMin, endMin, 1);
    const begun = (id: string): boolean => this.day.pins?.get(id)?.startMin !== undefined;
    const starts = this.table.blocks.flatMap(({ block, startMin }) => (begun(block.id) ? [] : [startMin]));
    return {
      blocks: [...this.table.blocks].sort((a, b) => a.startMin - b.startMin),
      washes,
      firstMin: Math.min(...starts, ...washes.map(({ startMin }) => startMin)),
      waitMin,
      overMin,
      idleMin: idleMin(this.table.blocks),
      unevenMin: Math.max(...doneBy.values()) - Math.min(...doneBy.values()),
    };
  }
}

/**
 * Lays a day out backwards from its bowls in one order, each thing as late as what comes after it, the kit and the hands
 * allow. It may start before the day does: how much is then the answer to whether it can be done. Undefined where this
 * order finds no place for something.
 *
 * @param lateMin minutes by which a batch's bowls may come after they are wanted.
 */
export function arrange(day: DayWork, order: Order, lateMin: ReadonlyMap<string, number> = new Map()): Arrangement | undefined {
  return new Arranging(day, order, lateMin).all();
}
