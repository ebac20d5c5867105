import type { Arrangement, DayWork } from '@tureen/core/board';

/**
 * Everything that is wrong with a day as it was laid out, told by plain counting minute by minute: apart in code from what
 * lays it out. Nothing where a cook can do just what it says.
 */
export function faultsOf(day: DayWork, { blocks, washes }: Arrangement, late: ReadonlyMap<string, number> = new Map()): string[] {
  const faults: string[] = [];
  const at = new Map(blocks.map((one) => [one.block.id, one]));
  for (const work of day.batches) {
    const due = work.dueMin + (late.get(work.batchId) ?? 0);
    for (const block of work.blocks) {
      const own = at.get(block.id);
      if (own === undefined) {
        faults.push(`${block.id} is not laid out`);
        continue;
      }
      for (const { to, atMin, mostWaitMin } of block.links) {
        const next = to === 'service' ? due : (at.get(to)?.startMin ?? Number.NaN) + atMin;
        const wait = next - (own.startMin + block.minutes);
        if (!(wait >= 0)) faults.push(`${block.id} is not over when ${to} wants it`);
        if (wait > mostWaitMin) faults.push(`${block.id} waits ${String(wait)} for ${to}`);
      }
    }
  }
  const first = Math.min(...blocks.map(({ startMin }) => startMin), ...washes.map(({ startMin }) => startMin));
  const last = Math.max(...day.batches.map(({ dueMin, servedMin, batchId }) => dueMin + servedMin + (late.get(batchId) ?? 0)));
  const workOf = new Map(day.batches.map((work) => [work.batchId, work]));
  for (let minute = first; minute < last; minute++) {
    const hands = new Map<string, number>();
    const wholly = new Map<string, number>();
    const ovens = new Map<string, { trays: number; least: number; most: number }>();
    const blenders = new Map<string, string[]>();
    const pots = new Map<string, string[]>();
    let hot = 0;
    let iced = 0;
    for (const { startMin, endMin, person } of washes)
      if (startMin <= minute && minute < endMin) {
        hands.set(person, (hands.get(person) ?? 0) + 20);
        wholly.set(person, (wholly.get(person) ?? 0) + 20);
      }
    for (const { block, startMin, potUntilMin, placed } of blocks) {
      const work = workOf.get(block.batchId);
      if (work === undefined) continue;
      if (block.kind === 'pot' && startMin <= minute && minute < potUntilMin)
        pots.set(work.potId, [...(pots.get(work.potId) ?? []), work.batchId]);
      for (const { activity, startMin: from, endMin: to, person, oven, blender } of placed) {
        if (minute < from || minute >= to) continue;
        if (activity.hands > 0) {
          if (person === undefined) faults.push(`${activity.id} is done by nobody`);
          else {
            hands.set(person, (hands.get(person) ?? 0) + activity.hands);
            if (activity.hands > 2) wholly.set(person, (wholly.get(person) ?? 0) + activity.hands);
          }
        }
        if (activity.isHeated) hot += 1;
        if (activity.isIced) iced += 1;
        if (activity.blender !== undefined) {
          if (blender === undefined) faults.push(`${activity.id} has no blender`);
          else blenders.set(blender, [...(blenders.get(blender) ?? []), activity.id]);
        }
        if (activity.ovenC !== undefined) {
          if (oven === undefined) faults.push(`${activity.id} has no oven`);
          else {
            const have = ovens.get(oven) ?? { trays: 0, least: activity.ovenC, most: activity.ovenC };
            ovens.set(oven, {
              trays: have.trays + activity.trays,
              least: Math.min(have.least, activity.ovenC),
              most: Math.max(have.most, activity.ovenC),
            });
          }
        }
      }
    }
    for (const { id, fromMin, toMin } of day.lanes.hands) {
      const load = hands.get(id) ?? 0;
      const whole = wholly.get(id) ?? 0;
      if (whole > 20) faults.push(`${id} does ${String(whole)} twentieths at once at ${String(minute)}`);
      if (load > 25) faults.push(`${id} looks at too much at ${String(minute)}`);
      if (load > 0 && (minute < fromMin || minute >= toMin)) faults.push(`${id} is not there at ${String(minute)}`);
    }
    for (const { id, places } of day.lanes.ovens) {
      const have = ovens.get(id);
      if (have !== undefined && have.trays > places) faults.push(`${id} is too full at ${String(minute)}`);
      if (have !== undefined && have.most - have.least > 10) faults.push(`${id} has two heats at ${String(minute)}`);
    }
    for (const [id, uses] of blenders) if (uses.length > 1) faults.push(`${id} twice at ${String(minute)}: ${uses.join(', ')}`);
    for (const [id, uses] of pots)
      if (new Set(uses).size > 1) faults.push(`${id} holds ${uses.join(' and ')} at ${String(minute)}`);
    if (iced > day.lanes.iceBaths) faults.push(`too many pots in iced water at ${String(minute)}`);
    if (hot > day.lanes.hobs) faults.push(`too many pots on the fire at ${String(minute)}`);
  }
  return [...faults, ...unwashed(day, { blocks, washes })];
}

/** Jugs and pots that go from one soup to another which must be free of what was in the first, with no wash between. */
function unwashed(day: DayWork, { blocks, washes }: Pick<Arrangement, 'blocks' | 'washes'>): string[] {
  const uses = new Map<string, { from: number; to: number; batchId: string }[]>();
  const use = (what: string, from: number, to: number, batchId: string): void => {
    uses.set(what, [...(uses.get(what) ?? []), { from, to, batchId }]);
  };
  const workOf = new Map(day.batches.map((work) => [work.batchId, work]));
  for (const { block, startMin, potUntilMin, placed } of blocks) {
    const work = workOf.get(block.batchId);
    if (work === undefined) continue;
    if (block.kind === 'pot') use(work.potId, startMin, potUntilMin, work.batchId);
    for (const one of placed) if (one.blender !== undefined) use(one.blender, one.startMin, one.endMin, work.batchId);
  }
  const faults: string[] = [];
  for (const [what, spans] of uses) {
    spans.sort((a, b) => a.from - b.from);
    for (const [n, after] of spans.entries()) {
      const before = spans[n - 1];
      if (before === undefined || before.batchId === after.batchId) continue;
      const left = workOf.get(before.batchId)?.allergens ?? [];
      const may = workOf.get(after.batchId)?.allergens ?? [];
      if (left.every((name) => may.includes(name))) continue;
      const isWashed = washes.some((one) => one.what === what && one.startMin >= before.to && one.endMin <= after.from);
      if (!isWashed) faults.push(`${what} is not washed between ${before.batchId} and ${after.batchId}`);
    }
  }
  return faults;
}
