import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import type { Vessel } from './vessel.js';

/** The middle of a range. */
export function middleOf({ low, high }: { readonly low: number; readonly high: number }): number {
  return (low + high) / 2;
}

/** Parts a heat that was to come so that lines join it on the way; false where there is none to part. */
export function joinsLater(
  k: Kitchen,
  vessel: Vessel,
  mentions: readonly Mention[],
  earlyOf: (wholeMin: number) => number,
  n: number,
): boolean {
  const last = vessel.steps.at(-1);
  const whole = last?.kind === 'step' ? last.make('heat') : undefined;
  if (last?.kind !== 'step' || (whole?.op !== 'roast' && whole?.op !== 'simmer' && whole?.op !== 'sweat')) return false;
  const early = earlyOf(whole.minutes);
  if (early <= 0 || early >= whole.minutes) return false;
  vessel.steps.pop();
  vessel.steps.push({ ...last, make: (id) => ({ ...whole, id, minutes: early }) });
  const { added } = k.putLines(vessel, mentions, k.clauses[n]?.text ?? '', n);
  vessel.steps.push({ ...last, make: (id) => ({ ...whole, id, minutes: whole.minutes - early }) });
  k.put('add', n, { vessel: vessel.name, lines: added });
  return true;
}
