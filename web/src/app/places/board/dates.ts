import { plusDays } from '@tureen/core/stock';

/** A date in words, told from today where it is near. @example dateName('2026-12-04') // 'Friday 4 December' */
export function dateName(date: string, today?: string): string {
  const ms = Date.parse(`${date}T12:00:00Z`);
  if (Number.isNaN(ms)) return date;
  const said = new Date(ms).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
  if (today === undefined) return said;
  if (date === today) return `Today, ${said}`;
  if (date === plusDays(today, 1)) return `Tomorrow, ${said}`;
  return date === plusDays(today, -1) ? `Yesterday, ${said}` : said;
}
