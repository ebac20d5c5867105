const DAY_MS = 86_400_000;

/** A date so many days on. @example plusDay('2026-12-31', 1) // '2027-01-01' */
export function plusDay(date: string, days: number): string {
  return new Date(Date.parse(`${date}T12:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

/** A date in words, told from today where it is near. @example dateName('2026-12-04') // 'Friday 4 December' */
export function dateName(date: string, today?: string): string {
  const ms = Date.parse(`${date}T12:00:00Z`);
  if (Number.isNaN(ms)) return date;
  const said = new Date(ms).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
  if (today === undefined) return said;
  if (date === today) return `Today, ${said}`;
  if (date === plusDay(today, 1)) return `Tomorrow, ${said}`;
  return date === plusDay(today, -1) ? `Yesterday, ${said}` : said;
}
