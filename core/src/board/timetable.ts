import { LOOK, ONE_PERSON, type Activity, type BatchWork, type Block } from './blocks.js';
import { EARLIEST_MIN, LATEST_MIN, type Lanes } from './lanes.js';

/** Minutes that washing a jug, a stick or a pot takes between two soups when the next must be free of an allergen. Kitchen default. */
export const WASH_MIN = 10;
/** Roasts share an oven when they want nearly the same heat, °C. Common practice. */
export const SAME_OVEN_K = 10;

/** A person who does one thing wholly still has an eye for two others now and then. Kitchen default. */
export const PERSON_ROOM = ONE_PERSON + 2 * LOOK + 1;

/** An activity with its time and what does it. Minutes after midnight. */
export interface Placed {
  readonly activity: Activity;
  readonly startMin: number;
  readonly endMin: number;
  readonly person: string | undefined;
  readonly blender: string | undefined;
  readonly oven: string | undefined;
}

/** A block with its time. A pot is held from the block's start until `potUntilMin`. */
export interface PlacedBlock {
  readonly block: Block;
  readonly startMin: number;
  readonly endMin: number;
  readonly placed: readonly Placed[];
  readonly potUntilMin: number;
}

/** A span in which something is held, by whom. */
interface Span {
  readonly from: number;
  readonly to: number;
  readonly work: BatchWork;
}

interface OvenSpan extends Span {
  readonly trays: number;
  readonly ovenC: number;
}

const SIZE = LATEST_MIN - EARLIEST_MIN;

/** How full something is, minute by minute. */
class Level {
  private readonly used = new Int16Array(SIZE);
  /** All that is held of it, in units times minutes. */
  total = 0;

  constructor(private readonly most: number) {}

  fits(from: number, to: number, units: number): boolean {
    const room = this.most - units;
    const end = to - EARLIEST_MIN;
    for (let at = from - EARLIEST_MIN; at < end; at++) if ((this.used[at] ?? 0) > room) return false;
    return true;
  }

  add(from: number, to: number, units: number): void {
    for (let at = from - EARLIEST_MIN; at < to - EARLIEST_MIN; at++) this.used[at] = (this.used[at] ?? 0) + units;
    this.total += units * (to - from);
  }
}

/** Whether what held it last must be washed off before the next. */
export function needsWash(before: Pick<BatchWork, 'allergens'>, after: Pick<BatchWork, 'allergens'>): boolean {
  return before.allergens.some((name) => !after.allergens.includes(name));
}

/** Something that one batch holds at a time: between two it may have to be washed. */
class Single {
  readonly spans: Span[] = [];

  fits(from: number, to: number, work: BatchWork): boolean {
    return this.spans.every((span) => {
      if (span.work === work) return to <= span.from || from >= span.to;
      const before = needsWash(span.work, work) ? WASH_MIN : 0;
      const after = needsWash(work, span.work) ? WASH_MIN : 0;
      return from >= span.to + before || to + after <= span.from;
    });
  }
}

/** Where a wash has to lie: something that two soups use, free between them. */
export interface WashGap {
  readonly what: string;
  readonly fromMin: number;
  readonly untilMin: number;
  readonly of: string;
  readonly beforeOf: string;
}

/** What has been laid out so far. Blocks go in one by one and can be taken out again, the last first. */
export class Timetable {
  readonly blocks: PlacedBlock[] = [];
  private readonly hands: ReadonlyMap<string, Level>;
  private readonly hob: Level;
  private readonly iced: Level;
  private readonly pots: ReadonlyMap<string, Single>;
  private readonly blenders: ReadonlyMap<string, Single>;
  private readonly ovens: ReadonlyMap<string, OvenSpan[]>;

  constructor(private readonly lanes: Lanes) {
    this.hands = new Map(lanes.hands.map(({ id }) => [id, new Level(PERSON_ROOM)]));
    for (const { id, fromMin, toMin } of lanes.hands) {
      this.hands.get(id)?.add(EARLIEST_MIN, fromMin, PERSON_ROOM);
      this.hands.get(id)?.add(toMin, LATEST_MIN, PERSON_ROOM);
      const level = this.hands.get(id);
      if (level !== undefined) level.total = 0;
    }
    this.hob = new Level(lanes.hobs);
    this.iced = new Level(lanes.iceBaths);
    this.pots = new Map(lanes.pots.map(({ id }) => [id, new Single()]));
    this.blenders = new Map(lanes.blenders.map(({ id }) => [id, new Single()]));
    this.ovens = new Map(lanes.ovens.map(({ id }) => [id, []]));
  }

  /** The person with the least to do who is free; the one who has it in hand already comes first. */
  freePerson(from: number, to: number, units: number, first: string | undefined, only: string | undefined): string | undefined {
    let best: string | undefined;
    let least = Number.POSITIVE_INFINITY;
    for (const [id, level] of this.hands) {
      if (only !== undefined && id !== only) continue;
      if (!level.fits(from, to, units)) continue;
      if (id === first) return id;
      if (level.total < least) {
        least = level.total;
        best = id;
      }
    }
    return best;
  }

  private freeBlender(kind: Activity['blender'], from: number, to: number, work: BatchWork): string | undefined {
    return this.lanes.blenders.find((one) => one.kind === kind && this.blenders.get(one.id)?.fits(from, to, work) === true)?.id;
  }

  private freeOven({ trays, ovenC = 0 }: Activity, from: number, to: number): string | undefined {
    return this.lanes.ovens.find(({ id, places }) => {
      const beside = (this.ovens.get(id) ?? []).filter((span) => span.from < to && from < span.to);
      if (beside.some((span) => Math.abs(span.ovenC - ovenC) > SAME_OVEN_K)) return false;
      // What lies beside it at any one moment: counted where something goes in.
      const moments = [from, ...beside.map((span) => span.from)].filter((at) => at >= from && at < to);
      return moments.every(
        (at) => trays + beside.reduce((sum, span) => sum + (span.from <= at && at < span.to ? span.trays : 0), 0) <= places,
      );
    })?.id;
  }

  /**
   * Lays a block out from a minute on; undefined where something that it needs is not free then.
   *
   * @param potUntilMin until when the batch's pot is held, for a block that is in it.
   */
  place(work: BatchWork, block: Block, startMin: number, potUntilMin: number, person?: string): PlacedBlock | undefined {
    const endMin = startMin + block.minutes;
    if (startMin < EARLIEST_MIN || potUntilMin >= LATEST_MIN || endMin >= LATEST_MIN) return undefined;
    const pot = block.kind === 'pot' ? this.pots.get(work.potId) : undefined;
    if (block.kind === 'pot' && pot?.fits(startMin, potUntilMin, work) !== true) return undefined;
    const placed: Placed[] = [];
    const undo: (() => void)[] = [];
    const hold = (level: Level, from: number, to: number, units: number): void => {
      level.add(from, to, units);
      undo.push(() => {
        level.add(from, to, -units);
      });
    };
    let before: string | undefined;
    for (const activity of block.activities) {
      const from = startMin + activity.startsAfter;
      const to = from + activity.minutes;
      let who: string | undefined;
      if (activity.hands > 0 && activity.minutes > 0) {
        who = this.freePerson(from, to, activity.hands, before, person);
        const level = who === undefined ? undefined : this.hands.get(who);
        if (level === undefined) {
          this.giveUp(undo);
          return;
        }
        hold(level, from, to, activity.hands);
        before = who;
      }
      let blender: string | undefined;
      if (activity.blender !== undefined && activity.minutes > 0) {
        blender = this.freeBlender(activity.blender, from, to, work);
        const single = blender === undefined ? undefined : this.blenders.get(blender);
        if (single === undefined) {
          this.giveUp(undo);
          return;
        }
        single.spans.push({ from, to, work });
        undo.push(() => single.spans.pop());
      }
      let oven: string | undefined;
      if (activity.ovenC !== undefined) {
        oven = this.freeOven(activity, from, to);
        const spans = oven === undefined ? undefined : this.ovens.get(oven);
        if (spans === undefined) {
          this.giveUp(undo);
          return;
        }
        spans.push({ from, to, work, trays: activity.trays, ovenC: activity.ovenC });
        undo.push(() => spans.pop());
      }
      for (const [isHeld, level] of [
        [activity.isHeated, this.hob],
        [activity.isIced, this.iced],
      ] as const) {
        if (!isHeld || activity.minutes === 0) continue;
        if (!level.fits(from, to, 1)) {
          this.giveUp(undo);
          return;
        }
        hold(level, from, to, 1);
      }
      placed.push({ activity, startMin: from, endMin: to, person: who, blender, oven });
    }
    if (pot !== undefined) {
      pot.spans.push({ from: startMin, to: potUntilMin, work });
      undo.push(() => pot.spans.pop());
    }
    const done: PlacedBlock = { block, startMin, endMin, placed, potUntilMin };
    this.blocks.push(done);
    this.undos.push(undo);
    return done;
  }

  private readonly undos: (() => void)[][] = [];

  private giveUp(undo: (() => void)[]): undefined {
    for (const step of undo.reverse()) step();
    return undefined;
  }

  /** Takes the last block out again. */
  unplace(): void {
    this.blocks.pop();
    this.giveUp(this.undos.pop() ?? []);
  }

  /** Washes between soups that share a jug or a pot, each with the gap that it has to lie in. */
  gapsToWash(): WashGap[] {
    const found: WashGap[] = [];
    for (const [what, { spans }] of [...this.blenders, ...this.pots]) {
      const inOrder = [...spans].sort((a, b) => a.from - b.from);
      for (const [n, after] of inOrder.entries()) {
        const before = inOrder[n - 1];
        if (before !== undefined && before.work !== after.work && needsWash(before.work, after.work))
          found.push({ what, fromMin: before.to, untilMin: after.from, of: before.work.batchId, beforeOf: after.work.batchId });
      }
    }
    return found;
  }

  /** Takes a person for a wash somewhere in its gap, as late as can be; undefined where nobody has the time. */
  wash({ fromMin, untilMin }: WashGap): { readonly person: string; readonly startMin: number } | undefined {
    for (let from = untilMin - WASH_MIN; from >= fromMin; from--) {
      const person = this.freePerson(from, from + WASH_MIN, ONE_PERSON, undefined, undefined);
      if (person === undefined) continue;
      this.hands.get(person)?.add(from, from + WASH_MIN, ONE_PERSON);
      return { person, startMin: from };
    }
    return undefined;
  }
}
