import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { A_FEW } from './usual.js';

/** "Add the herbs" does not mean the parsley that is served on top. */
export function withoutLaterHerbs(k: Kitchen, mentions: readonly Mention[], body: string, n: number): readonly Mention[] {
  const isHerb = ({ line, at, length }: Mention): boolean =>
    length > 0 && /^herbs$/i.test(body.slice(at, at + length)) && k.lineOf(line)?.taken.row.group === 'herbs';
  if (mentions.filter(isHerb).length < 2) return mentions;
  const onTop = k.clauses
    .slice(n + 1)
    .filter(({ text }) => /\b(?:serve|garnish|top|topped|scatter|sprinkle|finish|strew)\w*\b/i.test(text))
    .flatMap(({ text, section }) => k.names.mentions(text, section, () => false))
    .filter(({ byGroup }) => byGroup !== true)
    .map(({ line }) => line);
  const left = mentions.filter((one) => !isHerb(one) || !onTop.includes(one.line));
  return left.some(isHerb) ? left : mentions;
}

/** "Reserve 1/4 cup of the coconut milk and pour the rest in": what was kept a part of just before. */
export function restOfKept(k: Kitchen, clause: Clause, n: number): Mention[] {
  if (!/\b(?:the )?(?:rest|remainder)\b(?! of)/i.test(clause.text)) return [];
  const last = k.actions.findLast(({ does }) => does !== 'setting');
  if (/\beverything else\b/i.test(clause.text) || last?.lines.some(({ line }) => k.vesselOf(line) !== undefined) === true)
    return [];
  if (last?.does !== 'keep' || last.clause < n - 2 || (k.clauses[n - 1]?.sentence ?? -1) < clause.sentence - 1) return [];
  return last.lines.map(({ line, share = A_FEW }) => ({ line, at: 0, length: 0, share: 1 - share }));
}

/** "Add the florets (set aside a cup of the smallest for the top)": what is kept back while the rest goes in. */
export const ASIDE =
  /\s*\((?:(?:but|and) )?(?:set aside|reserv(?:e|ing)|keep(?:ing)?(?: back)?|hold(?:ing)? back|sav(?:e|ing)) ([^()]*)(?:\)|$)/i;

/** What the brackets name themselves: "(save 1 cup parsnips)". */
export function meantAside(k: Kitchen, whole: Clause, aside: RegExpExecArray): Mention | undefined {
  return k.names.mentions(aside[1] ?? '', whole.section, () => false).find(({ byGroup }) => byGroup !== true);
}

/** The last thing named before a place in the words that has something to soften. */
export function whatSoftens(k: Kitchen, whole: Clause, end: number): Mention | undefined {
  return k.mentions(whole.text.slice(0, end), whole).findLast(({ line }) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
}

/** What the brackets behind several foods keep back: what they name, or what stands right before them. */
export function heldAside(k: Kitchen, whole: Clause, aside: RegExpExecArray): Mention | undefined {
  const named = meantAside(k, whole, aside);
  if (named !== undefined) return named;
  const near = k.mentions(whole.text.slice(0, aside.index), whole);
  const last = near.reduce<Mention | undefined>((a, b) => (a === undefined || b.at > a.at ? b : a), undefined);
  if (last !== undefined && aside.index - (last.at + last.length) <= 1) return last;
  return near.findLast(({ line }) => !k.isDivided(line)) ?? near.at(-1);
}
