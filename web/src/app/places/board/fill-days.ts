import { dayByMenu, menuOn, type Day, type MenuCycle } from '@tureen/core/board';
import type { Kit } from '@tureen/core/kit';
import { plusDays } from '@tureen/core/stock';
import type { Days } from '../../services/days';

/** Days that a menu was put on, and what stood in its way. */
export interface Filled {
  /** Each with the state in which it was kept, to be taken back from. */
  readonly days: readonly { readonly day: Day; readonly changedAtMs: number | null }[];
  /** Dates that had soups of their own already. */
  readonly had: readonly string[];
  readonly refused: readonly string[];
}

/** Puts what the menu asks for on each day from a date on that has no soup yet; days with soups are left as they are. */
export async function fillDays(days: Days, cycle: MenuCycle, kit: Kit, from: string, count: number): Promise<Filled> {
  const filled: { day: Day; changedAtMs: number | null }[] = [];
  const had: string[] = [];
  const refused: string[] = [];
  for (let n = 0; n < count; n++) {
    const date = plusDays(from, n);
    if (menuOn(cycle, date).length === 0) continue;
    const before = await days.once(date);
    if (!before.ok) {
      refused.push(before.refusal.sentence);
      break;
    }
    const { day, changedAtMs } = before.value;
    if (day !== null && day.batches.length > 0) {
      had.push(date);
      continue;
    }
    const made = dayByMenu(cycle, date, kit, day ?? undefined);
    const saved = await days.save(made, changedAtMs);
    if (saved.ok) filled.push({ day: made, changedAtMs: saved.value.changedAtMs });
    else refused.push(saved.refusal.sentence);
  }
  return { days: filled, had, refused };
}

/** Takes the soups off days again that nobody has changed since. @returns why some were not. */
export async function emptyAgain(days: Days, { days: filled }: Filled): Promise<readonly string[]> {
  const refused: string[] = [];
  for (const { day, changedAtMs } of filled) {
    const answer = await days.save({ ...day, batches: [] }, changedAtMs);
    if (!answer.ok) refused.push(answer.refusal.sentence);
  }
  return refused;
}
