import type { BatchSearch } from '../../services/batches';

const DAY_MS = 86_400_000;

/** How far off, and since when: what may be chosen. */
export const APARTS = [
  { value: 'all', name: 'All' },
  { value: 'short', name: '5 % short' },
  { value: 'over', name: '5 % over' },
];
export const WITHIN = [
  { value: 'any', name: 'Any day' },
  { value: '7', name: '7 days' },
  { value: '31', name: '31 days' },
  { value: '366', name: 'A year' },
];

/** A day, or a month, as it is written in the world: 2026-11-12, 2026-11. */
const DAY = /^(\d{4})-(\d{2})(?:-(\d{2}))?$/;

function daysOf(word: string): Pick<BatchSearch, 'sinceMs' | 'beforeMs'> | undefined {
  const hit = DAY.exec(word);
  if (hit === null) return undefined;
  const [year, month, day] = [Number(hit[1]), Number(hit[2]) - 1, Number(hit[3] ?? 1)];
  const end = hit[3] === undefined ? new Date(year, month + 1, 1) : new Date(year, month, day + 1);
  return { sinceMs: new Date(year, month, day).getTime(), beforeMs: end.getTime() };
}

/**
 * What is looked for, of what was typed and chosen. A day or a month among the words is one of the calendar, by this screen's own clock.
 *
 * @param nowMs the day that it is: since when goes by whole days, so that it stays the same question all day long.
 */
export function searchOf(typed: string, within: string, apart: string, nowMs: number): BatchSearch {
  const all = typed.split(/\s+/).filter((word) => word !== '');
  const days = all.map(daysOf).find((one) => one !== undefined);
  const words = all.filter((word) => !DAY.test(word)).join(' ');
  const midnight = new Date(nowMs).setHours(0, 0, 0, 0);
  return {
    ...(words === '' ? {} : { words }),
    ...(within === 'any' ? {} : { sinceMs: midnight - Number(within) * DAY_MS }),
    ...(days ?? {}),
    ...(apart === 'short' || apart === 'over' ? { apart } : {}),
  };
}
