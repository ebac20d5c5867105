import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { lift, partIn } from './lift.js';
import type { Mention } from './mentions.js';
import { isHob, type Vessel } from './vessel.js';

const PART_OF_SOUP =
  /\b(half|a third|one third|a quarter|two[- ]thirds|some|a few|(?:\d+|an?|one|two|three) (?:cup|ladle|ml|litre|spoon)\w*)\b(?: of)?(?: the)? (?:soup|mixture|vegetables)\b/i;
const KEPT = /^(?:keep|reserve|set|save)$/;

/** "Ladle a third of the soup into a bowl and keep it by." */
export function isPartLifted(k: Kitchen, clause: Clause, n: number, mentions: readonly Mention[]): boolean {
  const hit = PART_OF_SOUP.exec(clause.text);
  const next = k.clauses[n + 1];
  const isKept = next?.sentence === clause.sentence && KEPT.test(next.verb ?? '');
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : undefined;
  const place = k.placeIn(k.body(clause))?.kind;
  if (hit === null || vessel === undefined || vessel.isBlended || (!isKept && place !== 'bowl')) return false;
  if (mentions.some(({ line }) => !k.isUsedUp(line))) return false;
  const pieces = [...vessel.lines].filter((line) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (pieces.length === 0) return false;
  lift(
    k,
    n,
    pieces.map((line) => ({ line, at: 0, length: 0 })),
    true,
    partIn(hit[1] ?? ''),
  );
  return true;
}

/** "Stir the reserved soup back in": all that was kept. */
export function isGivenBack(k: Kitchen, clause: Clause, n: number, mentions: readonly Mention[]): boolean {
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  if (vessel === undefined || vessel.aside.size === 0 || mentions.some(({ line }) => !k.isUsedUp(line))) return false;
  const before = k.actions.findLast(({ does }) => does !== 'setting' && does !== 'remark')?.does;
  // "Pull the gammon apart, chuck it back in."
  const isIt = mentions.length === 0 && /\b(?:it|them)\b.*\bback(?: in| into|$)/i.test(clause.text) && before === 'prepare';
  if (
    !isIt &&
    !/\b(?:reserved|kept|saved|set[- ]aside|held[- ]back)\b[\w ]*\b(?:soup|half|third|part|portion|mixture|vegetables|pieces|chunks)\b/i.test(
      clause.text,
    )
  )
    return false;
  k.here = vessel;
  giveAllBack(k, vessel, n);
  return true;
}

/** "Return the vegetables to the pot along with the stalks": those that were lifted out of it. */
export function returnsKept(k: Kitchen, n: number, body: string): boolean {
  const vessel = k.here;
  if (vessel === undefined || vessel.aside.size === 0) return false;
  if (!/^return (?:all )?(?:the )?(?:\w+ )?(?:vegetables|veggies|veg|aromatics)\b/i.test(body)) return false;
  giveAllBack(k, vessel, n);
  return true;
}

function giveAllBack(k: Kitchen, vessel: Vessel, n: number): void {
  const lines = [...vessel.aside.keys()];
  vessel.aside.clear();
  k.put('giveBack', n, { vessel: vessel.name, lines: lines.map((line) => ({ line })) });
  k.step(vessel, n, 'give-back', (id) => ({ id, op: 'giveBack', lines, share: 1 }));
}
