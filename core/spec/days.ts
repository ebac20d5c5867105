import type { Day, DayBatch } from '@tureen/core/board';

/** A Friday. */
export const DATE = '2026-12-04';
export const TWO_COOKS: Day['people'] = [
  { id: 'jt', name: 'JT' },
  { id: 'mo', name: 'MO' },
];

/** So many bowls of a soup that ships, under the first word of its id. */
export function wanted(soupId: string, bowls: number, at = '12:00', bowlG = 300): DayBatch {
  return { id: soupId.split('-')[0] ?? soupId, soupId, request: { bowls, bowlG }, at };
}

/** A day of two cooks from seven to three with these soups; what is named takes the place of that. */
export function dayWith(batches: Day['batches'], more: Partial<Day> = {}): Day {
  return { date: DATE, starts: '07:00', ends: '15:00', people: TWO_COOKS, batches, ...more };
}
