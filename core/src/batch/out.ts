import type { LeavesAs } from '../steps/index.js';
import type { History } from './history.js';

/** What left the pot, as it was told: bowls by share and sitting, soup that went elsewhere, what is kept. */
export interface Out {
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
export function outOf({ counted }: Pick<History, 'counted'>): Out {
  const byShare = new Map<string, number>();
  const bySitting = new Map<number, number>();
  const elsewhereKg = new Map<LeavesAs, number>();
  const jugs = new Map<string, number>();
  let bowls: number | undefined;
  let storedKg = 0;
  for (const { deed } of counted) {
    if (deed.kind === 'dished') {
      bowls = (bowls ?? 0) + deed.bowls;
      if (deed.share !== undefined) plus(byShare, deed.share, deed.bowls);
      plus(bySitting, deed.sitting ?? 1, deed.bowls);
    } else if (deed.kind === 'ladled out') plus(elsewhereKg, deed.as, deed.kg);
    else if (deed.kind === 'stored') storedKg += deed.kg;
    else if (deed.kind === 'jugged') plus(jugs, deed.stepId, 1);
  }
  return { bowls, byShare, bySitting, elsewhereKg, storedKg, jugs };
}
