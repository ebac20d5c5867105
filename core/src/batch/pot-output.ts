import type { LeavesAs } from '../steps/index.js';
import type { History } from './history.js';

/** What left the pot, as it was told: bowls by share and sitting, soup that went elsewhere, what is kept. */
export interface PotOutput {
  /** Undefined before any count. */
  readonly bowls: number | undefined;
  readonly byShare: ReadonlyMap<string, number>;
  readonly bySitting: ReadonlyMap<number, number>;
  readonly elsewhereKg: ReadonlyMap<LeavesAs, number>;
  readonly storedKg: number;
  /** Jugs that have been through the blade, by step. */
  readonly jugs: ReadonlyMap<string, number>;
}

function plus<K>(map: Map<K, number>, key: K, value: number): void {
  map.set(key, (map.get(key) ?? 0) + value);
}

/** Sums up what was told of bowls, ladlings and jugs. Counts that name no share or sitting are in the whole alone. */
export function potOutputOf({ counted }: Pick<History, 'counted'>): PotOutput {
  const byShare = new Map<string, number>();
  const bySitting = new Map<number, number>();
  const elsewhereKg = new Map<LeavesAs, number>();
  const jugs = new Map<string, number>();
  let bowls: number | undefined;
  let storedKg = 0;
  for (const { action } of counted) {
    if (action.kind === 'dished') {
      bowls = (bowls ?? 0) + action.bowls;
      if (action.share !== undefined) plus(byShare, action.share, action.bowls);
      plus(bySitting, action.sitting ?? 1, action.bowls);
    } else if (action.kind === 'ladled out') plus(elsewhereKg, action.as, action.kg);
    else if (action.kind === 'stored') storedKg += action.kg;
    else if (action.kind === 'jugged') plus(jugs, action.stepId, 1);
  }
  return { bowls, byShare, bySitting, elsewhereKg, storedKg, jugs };
}
