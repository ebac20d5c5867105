import type { Block, DayWork } from '@tureen/core/board';

/** Everything starts on a grid of so many minutes: minutes that are all of it leave nothing better between. */
const GRID = 5;
const WHOLE = 20;
const WITH_LOOKS = 25;

interface Load {
  readonly hands: Uint8Array;
  readonly whole: Uint8Array;
  readonly jug: Uint8Array;
}

/**
 * The latest minute at which a day of one cook and one jug can begin, by trying every start of every block: no order, rule or
 * bound of the planner is used. Minutes have to be multiples of five, each soup has its own pot, nothing has to be washed.
 */
export function latestFirstStart({ batches }: DayWork): number {
  const slots = Math.max(...batches.map(({ dueMin }) => dueMin)) / GRID;
  const load: Load = { hands: new Uint8Array(slots), whole: new Uint8Array(slots), jug: new Uint8Array(slots) };
  const due = new Map(batches.map(({ batchId, dueMin }) => [batchId, dueMin]));
  // Service first: a block is only tried when what it waits for stands.
  const blocks = batches.flatMap((work) => work.blocks);
  const starts = new Map<string, number>();
  let best = Number.NEGATIVE_INFINITY;

  const fits = (block: Block, start: number, sign: 1 | -1): boolean => {
    let isFree = true;
    for (const { startsAfter, minutes, hands, blender } of block.activities)
      for (let at = start + startsAfter; at < start + startsAfter + minutes; at += GRID) {
        const slot = at / GRID;
        load.hands[slot] = (load.hands[slot] ?? 0) + sign * hands;
        if (hands > 2) load.whole[slot] = (load.whole[slot] ?? 0) + sign * hands;
        if (blender !== undefined) load.jug[slot] = (load.jug[slot] ?? 0) + sign;
        if ((load.hands[slot] ?? 0) > WITH_LOOKS || (load.whole[slot] ?? 0) > WHOLE || (load.jug[slot] ?? 0) > 1) isFree = false;
      }
    return isFree;
  };

  const place = (n: number, first: number): void => {
    const block = blocks[n];
    if (block === undefined) {
      best = Math.max(best, first);
      return;
    }
    const [link] = block.links;
    if (link === undefined) throw new Error('Each block leads to another or to service.');
    const next = link.to === 'service' ? due.get(block.batchId) : (starts.get(link.to) ?? Number.NaN) + link.atMin;
    const latest = (next ?? Number.NaN) - block.minutes;
    for (let start = latest; start >= Math.max(0, latest - link.mostWaitMin) && Math.min(first, start) > best; start -= GRID) {
      if (fits(block, start, 1)) {
        starts.set(block.id, start);
        place(n + 1, Math.min(first, start));
      }
      fits(block, start, -1);
    }
  };
  place(0, Number.POSITIVE_INFINITY);
  return best;
}
