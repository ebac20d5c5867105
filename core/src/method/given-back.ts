import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { lift, partIn } from './lift.js';
import type { Mention } from './mentions.js';
import { MOST } from './usual.js';
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

const PART_OF_TRAY =
  /\b(half|a third|one third|two[- ]thirds|a quarter|three[- ]quarters|most)(?: of)?(?: (?:the|your|this|these))? (?:(?:roast(?:ed)?|baked|cooked|charred|grilled) )?(?:veg(?:etables|gies)?|veggies|roots|tray(?:ful)?)\b/i;
/**
 * "Tip half of the roast vegetables into a pan with the stock": what is left of them stays by.
 *
 * @returns the words without the part, of what goes in; undefined where no part of a tray is meant.
 */
export function partOffTray(k: Kitchen, clause: Clause, n: number): Clause | undefined {
  const hit = PART_OF_TRAY.exec(clause.text);
  if (hit === null) return undefined;
  const [whole, word = ''] = hit;
  const tray = k.open().findLast(({ kind, isHot, isForTop }) => kind === 'tray' && isHot && !isForTop);
  const target = k.placeIn(clause.text)?.kind;
  if (tray === undefined || tray.aside.size > 0 || target === 'tray') return undefined;
  const pieces = [...tray.lines].filter((line) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (pieces.length === 0) return undefined;
  const part = /most/i.test(word) ? MOST : partIn(word);
  const back = k.here;
  lift(
    k,
    n,
    pieces.map((line): Mention => ({ line, at: 0, length: 0, ...(/most/i.test(word) ? { vague: true } : {}) })),
    true,
    1 - part,
  );
  k.here = back;
  return { ...clause, text: clause.text.replace(whole, 'everything') };
}

const REST_OF_TRAY =
  /\b(?:rest of|remaining|remainder of|other half of|reserved)(?: (?:the|your|these))?(?: \w+)? (?:veg(?:etables|gies)?|veggies|roots)\b/i;

/** "Stir the reserved soup back in": all that was kept. */
export function isGivenBack(k: Kitchen, clause: Clause, n: number, mentions: readonly Mention[]): boolean {
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  if (vessel === undefined || vessel.aside.size === 0 || mentions.some(({ line }) => !k.isUsedUp(line))) return false;
  const before = k.actions.findLast(({ does }) => does !== 'setting' && does !== 'remark')?.does;
  // "Pull the gammon apart, chuck it back in."
  const isIt =
    mentions.length === 0 &&
    /\b(?:it|them)\b.*\bback(?: in| into|$)|^(?:and |then )*(?:put|stir|add|tip|chuck|throw) back in$/i.test(clause.text) &&
    before === 'prepare';
  const last = k.clauses[n - 1];
  // "Chop the rest of the vegetables and stir through the soup."
  const isRest =
    REST_OF_TRAY.test(clause.text) ||
    (mentions.length === 0 &&
      before === 'prepare' &&
      last?.sentence === clause.sentence &&
      REST_OF_TRAY.test(last.text) &&
      /\b(?:stir|fold|add|tip|return|mix|scatter)\b/i.test(clause.text));
  if (
    !isIt &&
    !isRest &&
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
