import { freeId } from '../draft/index.js';
import type { PlanRequest } from '../plan/index.js';
import { MOST_BATCHES, type Day, type DayBatch } from './day.js';

/** So many bowls of a soup that somebody wants at a time. */
export interface DayOrder {
  readonly soupId: string;
  readonly bowls: number;
  readonly bowlG: number;
  /** HH:MM. */
  readonly at: string;
  /** Whether it is for the cold, not for bowls. */
  readonly keeps: boolean;
  /** Which choices of the card are wanted; left out where the order says nothing of them. */
  readonly choices?: Choices | undefined;
}

type Choices = Pick<PlanRequest, 'variant' | 'without'>;

export interface OrdersTaken {
  readonly day: Day;
  /** Orders for which the day has no room. */
  readonly tooMany: readonly DayOrder[];
}

function isSame(a: Choices, b: Choices): boolean {
  const without = ({ without: lines = [] }: Choices): string => [...lines].sort().join(' ');
  return a.variant === b.variant && without(a) === without(b);
}

function isFor(batch: DayBatch, { soupId, at, keeps, choices }: DayOrder): boolean {
  const isChosen = choices === undefined || isSame(choices, batch.request);
  return isChosen && batch.soupId === soupId && batch.at === at && (batch.keeps === true) === keeps;
}

/**
 * A day with orders taken. An order of a soup for a time at which the day has it already says how many bowls it is now: the
 * same list taken twice is taken once. A batch that was started keeps its bowls; what is wanted beyond them is a batch of its own.
 */
export function takeOrders(day: Day, orders: readonly DayOrder[]): OrdersTaken {
  const batches = [...day.batches];
  const tooMany: DayOrder[] = [];
  for (const order of orders) {
    const { soupId, bowls, bowlG, at, keeps, choices } = order;
    const started = batches.filter((one) => isFor(one, order) && one.batchId !== undefined);
    const left = bowls - started.reduce((sum, { request }) => sum + request.bowls, 0);
    const n = batches.findIndex((one) => isFor(one, order) && one.batchId === undefined);
    const have = batches[n];
    if (have !== undefined) {
      if (left > 0) batches[n] = { ...have, request: { ...have.request, bowls: left } };
      else batches.splice(n, 1);
    } else if (left > 0) {
      const own = {
        id: freeId(soupId, new Set(batches.map(({ id }) => id))),
        soupId,
        request: { bowls: left, bowlG, ...choices },
        at,
        ...(keeps ? { keeps } : {}),
      };
      if (batches.length < MOST_BATCHES) batches.push(own);
      else tooMany.push(order);
    }
  }
  return { day: { ...day, batches }, tooMany };
}
