import type { BatchWork, Day, DayPlan, DayWork, IntoCold, PlacedBlock } from '@tureen/core/board';
import { LOOK, clockMinute } from '@tureen/core/board';

/** A lane of the picture: a piece of kit, or a pair of hands. */
export interface LaneView {
  readonly id: string;
  readonly name: string;
  readonly isHands: boolean;
}

/** Where a batch is for a while: a bar in a lane. Times in minutes after midnight, kilos as handled. */
export interface Stay {
  readonly lane: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly kg: number;
  readonly blockId: string;
  /** Nothing is done: it stands and waits, or is kept hot or cold. */
  readonly waits: boolean;
}

/** From one stay to the next. */
export interface Bend {
  readonly fromLane: string;
  readonly fromMin: number;
  readonly toLane: string;
  readonly toMin: number;
  readonly kg: number;
}

/** One soup's way through the lanes. */
export interface Way {
  readonly batchId: string;
  readonly name: string;
  readonly colour: string;
  readonly stays: readonly Stay[];
  readonly bends: readonly Bend[];
}

/** Something a person does that moves no soup from lane to lane: a wash, filling jugs, stirring. */
export interface Chip {
  readonly lane: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly text: string;
}

/** When bowls go out. */
export interface Post {
  readonly atMin: number;
  readonly text: string;
}

/** A day as lanes with ribbons in them; drawn to any width by the Board. */
export interface DayPicture {
  readonly lanes: readonly LaneView[];
  readonly ways: readonly Way[];
  readonly chips: readonly Chip[];
  readonly posts: readonly Post[];
  readonly fromMin: number;
  readonly toMin: number;
  readonly mostKg: number;
}

/** A wait that is shown, minutes. */
const WORTH_SHOWING_MIN = 4;
const PAN_LANE = 'a-pan';
const HOUR = 60;

/** Where each piece of a block is, one stay for what follows in one lane. */
function staysOf({ block, placed, startMin }: PlacedBlock, work: BatchWork): Stay[] {
  const stays: Stay[] = [];
  for (const one of placed) {
    if (one.activity.minutes === 0) continue;
    const pot = block.kind === 'pot' ? work.potId : PAN_LANE;
    const lane = block.kind === 'trim' ? (one.person ?? '') : (one.oven ?? one.blender ?? pot);
    const last = stays.at(-1);
    const { kg } = one.activity;
    if (last?.lane === lane) stays[stays.length - 1] = { ...last, toMin: one.endMin, kg: Math.max(last.kg, kg) };
    else stays.push({ lane, fromMin: one.startMin, toMin: one.endMin, kg, blockId: block.id, waits: false });
  }
  if (stays.length === 0 && block.kind === 'pot')
    stays.push({ lane: work.potId, fromMin: startMin, toMin: startMin, kg: work.kg, blockId: block.id, waits: false });
  return stays;
}

function wayOf(work: BatchWork, blocks: readonly PlacedBlock[], dueMin: number, servedMin: number): Way {
  const byBlock = new Map(blocks.map((one) => [one.block.id, staysOf(one, work)]));
  const stays: Stay[] = [...byBlock.values()].flat();
  const bends: Bend[] = [];
  for (const own of byBlock.values()) {
    for (const [n, to] of own.entries()) {
      const from = own[n - 1];
      if (from !== undefined)
        bends.push({ fromLane: from.lane, fromMin: from.toMin, toLane: to.lane, toMin: to.fromMin, kg: Math.min(from.kg, to.kg) });
    }
  }
  for (const { block, endMin } of blocks) {
    const last = byBlock.get(block.id)?.at(-1);
    if (last === undefined) continue;
    for (const link of block.links) {
      const isService = link.to === 'service';
      const next = blocks.find((one) => one.block.id === link.to);
      const at = isService ? dueMin : (next?.startMin ?? endMin) + link.atMin;
      const target = isService
        ? undefined
        : (byBlock.get(link.to)?.find((stay) => stay.toMin > at || stay.fromMin >= at) ?? byBlock.get(link.to)?.at(-1));
      const waits = at - endMin;
      const stands = block.kind !== 'trim' && waits >= WORTH_SHOWING_MIN;
      const lane = isService && block.kind === 'pot' ? work.potId : last.lane;
      if (isService && block.kind === 'pot' && servedMin > 0)
        stays.push({ lane, fromMin: endMin, toMin: dueMin + servedMin, kg: last.kg, blockId: block.id, waits: true });
      else if (stands) stays.push({ lane, fromMin: endMin, toMin: at, kg: last.kg, blockId: block.id, waits: true });
      if (lane !== last.lane) bends.push({ fromLane: last.lane, fromMin: last.toMin, toLane: lane, toMin: endMin, kg: last.kg });
      if (target !== undefined)
        bends.push({
          fromLane: lane,
          fromMin: stands ? at : endMin,
          toLane: target.lane,
          toMin: Math.max(at, stands ? at : endMin),
          kg: Math.min(last.kg, target.kg),
        });
    }
  }
  return { batchId: work.batchId, name: work.soupName, colour: work.colour, stays, bends };
}

function coldLane({ split: { place } }: IntoCold): string {
  return `cold/${place.id}`;
}

/** Places in which something cools, once each. */
function coldLanes(cooled: readonly IntoCold[]): { readonly id: string; readonly name: string }[] {
  return [...new Map(cooled.map((one) => [coldLane(one), { id: coldLane(one), name: one.split.place.name }])).values()];
}

/** A soup's way goes on into the cold, where it is in pans until it is cold. */
function withCold(way: Way, work: BatchWork, cold: IntoCold | undefined, endsMin: number): Way {
  if (cold === undefined) return way;
  const { kg, fromMin } = cold;
  // Through the night it stands by itself: the picture is of the day.
  const untilMin = Math.min(cold.untilMin, Math.max(endsMin, fromMin + HOUR));
  const lane = coldLane(cold);
  return {
    ...way,
    stays: [...way.stays, { lane, fromMin, toMin: untilMin, kg, blockId: '', waits: true }],
    bends: [...way.bends, { fromLane: work.potId, fromMin, toLane: lane, toMin: fromMin, kg }],
  };
}

function postsOf(day: Day, late: ReadonlyMap<string, number>): Post[] {
  const at = new Map<number, string[]>();
  for (const { id, at: clock, request, keeps } of day.batches) {
    if (keeps === true) continue;
    const minute = clockMinute(clock) + (late.get(id) ?? 0);
    at.set(minute, [...(at.get(minute) ?? []), String(Math.round(request.bowls))]);
  }
  return [...at].sort(([a], [b]) => a - b).map(([atMin, bowls]) => ({ atMin, text: `${bowls.join(' + ')} bowls` }));
}

/** A day as laid out, as lanes and ribbons; lanes that nothing uses are left out, hands never are. */
export function dayPicture(
  day: Day,
  { batches, lanes }: DayWork,
  plan: DayPlan | undefined,
  cooled: readonly IntoCold[] = [],
): DayPicture {
  const blocks = plan?.arrangement.blocks ?? [];
  const late = plan?.lateMin ?? new Map<string, number>();
  const ways = batches.map((work) =>
    withCold(
      wayOf(
        work,
        blocks.filter(({ block }) => block.batchId === work.batchId),
        work.dueMin + (late.get(work.batchId) ?? 0),
        work.servedMin,
      ),
      work,
      cooled.find(({ batchId }) => batchId === work.batchId),
      clockMinute(day.ends),
    ),
  );
  const used = new Set(ways.flatMap(({ stays }) => stays.map(({ lane }) => lane)));
  const views: LaneView[] = [
    ...[...lanes.ovens, ...lanes.pots, { id: PAN_LANE, name: 'Pans' }, ...lanes.blenders, ...coldLanes(cooled)]
      .filter(({ id }) => used.has(id))
      .map(({ id, name }) => ({ id, name, isHands: false })),
    ...lanes.hands.map(({ id, name }) => ({ id, name, isHands: true })),
  ];
  const chips: Chip[] = [];
  const washed = new Map([...lanes.blenders, ...lanes.pots].map(({ id, name }) => [id, name.toLowerCase()]));
  for (const { person, startMin, endMin, what } of plan?.arrangement.washes ?? [])
    chips.push({ lane: person, fromMin: startMin, toMin: endMin, text: `wash ${washed.get(what) ?? ''}` });
  for (const { block, placed } of blocks) {
    if (block.kind === 'trim') continue;
    for (const { activity, person, startMin, endMin } of placed)
      if (person !== undefined && activity.hands > LOOK)
        chips.push({
          lane: person,
          fromMin: startMin,
          toMin: endMin,
          text: activity.blender === 'jug' ? 'jugs' : activity.step.op === 'blend' ? 'blend' : activity.step.op,
        });
  }
  const posts = postsOf(day, late);
  const starts = blocks.map(({ startMin }) => startMin);
  const ends = [
    ...posts.map(({ atMin }) => atMin + HOUR),
    ...blocks.map(({ endMin }) => endMin),
    ...cooled.map(({ fromMin: from, untilMin }) => Math.min(untilMin, Math.max(clockMinute(day.ends), from + HOUR))),
  ];
  const fromMin = Math.floor(Math.min(clockMinute(day.starts), ...starts) / HOUR) * HOUR;
  return {
    lanes: views,
    ways,
    chips,
    posts,
    fromMin,
    toMin: Math.max(Math.ceil(Math.max(clockMinute(day.starts) + HOUR, ...ends) / HOUR) * HOUR, fromMin + HOUR),
    mostKg: Math.max(1e-9, ...ways.flatMap(({ stays }) => stays.map(({ kg }) => kg))),
  };
}
