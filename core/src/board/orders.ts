import { freeId } from '../draft/index.js';
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
}

export interface OrdersTaken {
  readonly day: Day;
  /** Orders for which the day has no room. */
  readonly tooMany: readonly DayOrder[];
}

function isFor(batch: DayBatch, order: DayOrder): boolean {
  return batch.soupId === order.soupId && batch.at === order.at && (batch.keeps === true) === order.keeps;
}

/**
 * A day with orders taken. An order of a soup for a time at which the day has it already says how many bowls it is now: the
 * same list taken twice is taken once. A batch that was started keeps its bowls; what is wanted beyond them is a batch of its own.
 */
export function takeOrders(day: Day, orders: readonly DayOrder[]): OrdersTaken {
  const batches = [...day.batches];
  const tooMany: DayOrder[] = [];
  for (const order of orders) {
    const { soupId, bowls, bowlG, at, keeps } = order;
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
        request: { bowls: left, bowlG },
        at,
        ...(keeps ? { keeps } : {}),
      };
      if (batches.length < MOST_BATCHES) batches.push(own);
      else tooMany.push(order);
    }
  }
  return { day: { ...day, batches }, tooMany };
}
