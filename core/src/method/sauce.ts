import type { Clause } from './clauses.js';
import { heated } from './heated.js';
import type { Kitchen } from './kitchen.js';
import { intoVessel } from './into-vessel.js';
import { isHob, type Vessel } from './vessel.js';

const SAUCE = /\b(?:white sauce|b[ée]chamel|cream sauce|velout[ée] sauce)\b/i;

/** "Make a white sauce with the butter, flour and milk": a pan of its own, the flour cooked in the butter, the milk on it. */
export function isWhiteSauce(k: Kitchen, clause: Clause, n: number): boolean {
  const { text } = clause;
  if (!/\b(?:make|prepare|cook)\b/i.test(text.slice(0, clause.verbAt + MAKE)) || !SAUCE.test(text)) return false;
  const mentions = k.mentions(text, clause).filter(({ line }) => !k.isUsedUp(line));
  const row = (line: string): string => k.lineOf(line)?.taken.row.group ?? '';
  const thickening = mentions.filter(({ line }) => /^(?:fats|flours and starches)$/.test(row(line)));
  const rest = mentions.filter((one) => !thickening.includes(one) && !k.isSaltOrPepper(one.line));
  if (thickening.length < 2 || rest.length === 0) return false;
  const { here } = k;
  const vessel = here !== undefined && isHob(here) && here.lines.size === 0 ? here : k.fresh('pan', clause.section);
  heated(k, vessel, 'bloom', { ...clause, text: 'cook' }, n, thickening);
  const { added } = k.putLines(vessel, rest, text, n);
  k.put('add', n, { vessel: vessel.name, lines: added });
  vessel.isWet = true;
  k.sauce = vessel;
  return true;
}
/** Letters from the verb on that still are the verb. */
const MAKE = 8;

/** "Pour the tomatoes into the white sauce", or the sauce into the soup: the two become one. */
export function isSauced(k: Kitchen, clause: Clause, n: number): boolean {
  const sauce = k.sauce ?? (/\b(?:white |roux|the )(?:sauce|roux)\b|\bb[ée]chamel\b/i.test(clause.text) ? aRoux(k) : undefined);
  if (sauce === undefined || sauce.joinedTo !== undefined || !/\bsauce\b|\broux\b|\bb[ée]chamel\b/i.test(clause.text)) return false;
  const soup = k.open().find((one) => one !== sauce && isHob(one) && !one.isForTop && one.lines.size > 0);
  if (soup === undefined) return false;
  const isInto = /\b(?:in|into|to|onto|with) (?:the |your )?(?:\w+ )?(?:sauce|roux|b[ée]chamel)\b/i.test(clause.text);
  const [from, to] = isInto ? [soup, sauce] : [sauce, soup];
  const lines = [...from.lines].map((line) => ({ line }));
  k.move(from, to, n);
  k.here = to;
  k.put('join', n, { vessel: to.name, lines });
  const others = k.mentions(k.body(clause), clause).filter(({ line }) => !k.isUsedUp(line));
  if (others.length > 0) intoVessel(k, clause, n, to, others, false);
  return true;
}

/** A pan in which flour was cooked in fat and nothing else was cooked. */
function aRoux(k: Kitchen): Vessel | undefined {
  const isRoux = (vessel: Vessel): boolean =>
    isHob(vessel) &&
    [...vessel.lines].some((line) => k.lineOf(line)?.taken.row.id.endsWith('flour') === true) &&
    [...vessel.lines].every((line) => (k.lineOf(line)?.taken.row.softening ?? 0) === 0);
  return k.open().find(isRoux);
}
