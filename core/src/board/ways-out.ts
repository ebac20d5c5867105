import type { BatchWork } from './blocks.js';
import type { DayWork } from './arrange.js';
import { planDay, type DayPlan } from './search.js';

/** One thing that would help a day that can't be on time. */
export type Way =
  | { readonly kind: 'start'; readonly atMin: number }
  | { readonly kind: 'hands' }
  | { readonly kind: 'oven' }
  | { readonly kind: 'ice bath' }
  | { readonly kind: 'blender'; readonly of: 'jug' | 'stick' | 'processor' }
  | { readonly kind: 'roasted before'; readonly batchId: string }
  | { readonly kind: 'fewer'; readonly batchId: string; readonly bowls: number };

/** A way out as it was tried: how late the latest bowls then are. */
export interface Tried {
  readonly way: Way;
  readonly lateMin: number;
}

/** A batch at fewer bowls, planned anew; undefined where it can't be. */
export type Fewer = (batchId: string) => readonly { readonly bowls: number; readonly work: BatchWork }[];

/** A day whose bowls are late by no more is as good as on time to nobody; only less is a way out. */
export function latestBy({ lateMin, unplaced }: Pick<DayPlan, 'lateMin' | 'unplaced'>): number {
  return unplaced.length > 0 ? Number.POSITIVE_INFINITY : Math.max(0, ...lateMin.values());
}

/** How much earlier a day is tried to begin at the most, minutes. */
const EARLIER_MIN = 720;

function withoutRoast(work: BatchWork): BatchWork | undefined {
  const roasts = new Set(work.blocks.filter(({ kind }) => kind === 'roast').map(({ id }) => id));
  if (roasts.size === 0) return undefined;
  const blocks = work.blocks.filter(({ id, links }) => !roasts.has(id) && !links.some(({ to }) => roasts.has(to)));
  return { ...work, blocks };
}

function swapped(day: DayWork, work: BatchWork): DayWork {
  return { ...day, batches: day.batches.map((own) => (own.batchId === work.batchId ? work : own)) };
}

/** Each way out of a late day, laid out anew: those by which it is less late, the best first. */
export function waysOut(day: DayWork, plan: DayPlan, fewer: Fewer, tries = 40): Tried[] {
  const late = latestBy(plan);
  if (late === 0) return [];
  const found: Tried[] = [];
  const attempt = (way: Way, other: DayWork): number => {
    const tried = planDay(other, tries, 1, plan.order);
    const lateMin = tried === undefined ? Number.POSITIVE_INFINITY : latestBy(tried);
    if (lateMin < late) found.push({ way, lateMin });
    return lateMin;
  };
  const { nowMin = Number.NEGATIVE_INFINITY } = day;
  const open = planDay({ ...day, fromMin: Math.max(nowMin, day.fromMin - EARLIER_MIN) }, tries, 1, plan.order);
  if (open !== undefined && latestBy(open) === 0)
    found.push({ way: { kind: 'start', atMin: open.arrangement.firstMin }, lateMin: 0 });
  const { lanes } = day;
  const [hand] = lanes.hands;
  if (hand !== undefined) {
    const more = { ...hand, id: 'one-more', fromMin: day.fromMin };
    attempt({ kind: 'hands' }, { ...day, lanes: { ...lanes, hands: [...lanes.hands, more] } });
  }
  const [oven] = lanes.ovens;
  if (oven !== undefined)
    attempt({ kind: 'oven' }, { ...day, lanes: { ...lanes, ovens: [...lanes.ovens, { ...oven, id: 'one-more' }] } });
  if (day.batches.some(({ blocks }) => blocks.some(({ activities }) => activities.some(({ isIced }) => isIced))))
    attempt({ kind: 'ice bath' }, { ...day, lanes: { ...lanes, iceBaths: lanes.iceBaths + 1 } });
  for (const of of new Set(lanes.blenders.map(({ kind }) => kind))) {
    const more = { id: 'one-more', name: '', kind: of };
    attempt({ kind: 'blender', of }, { ...day, lanes: { ...lanes, blenders: [...lanes.blenders, more] } });
  }
  for (const work of day.batches) {
    const roasted = day.nowMin === undefined ? withoutRoast(work) : undefined;
    if (roasted !== undefined) attempt({ kind: 'roasted before', batchId: work.batchId }, swapped(day, roasted));
    for (const { bowls, work: smaller } of fewer(work.batchId)) {
      if (attempt({ kind: 'fewer', batchId: work.batchId, bowls }, swapped(day, smaller)) === 0) break;
    }
  }
  return found.sort((a, b) => a.lateMin - b.lateMin);
}
