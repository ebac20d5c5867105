import { lift } from './lift.js';
import { A_FEW, FOR_TOP } from './usual.js';
import { target } from './where.js';
import { intoVessel } from './into-vessel.js';
import type { Kitchen } from './kitchen.js';
import { VERBS } from './lexicon.js';
import { figureIn, minutesIn, partOf, percentIn } from './measures.js';
import type { Clause } from './clauses.js';
import { isHob } from './vessel.js';
import type { Action } from './action.js';
import { cutOf } from '../draft/index.js';
import { doAdd } from './into.js';
import { doMash } from './blade.js';
export function doPeel(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (clause.verb === 'slip' && /\b(?:in|into) each\b/i.test(text)) {
    doAdd(k, clause, n);
    return;
  }
  const next = k.clauses[n + 1];
  const isBare = /^(?:(?:and|then|meanwhile|in the meantime),? )*(?:peel|skin)$/i.test(text);
  const isShared = isBare && next?.sentence === clause.sentence && VERBS[next.verb ?? ''] === 'prepare';
  // "Peel and dice the spuds", "peel, core and chop the apples": the same spuds.
  const shared = isShared ? `${text} ${sameObject(k, n, clause.sentence)}` : text;
  // "Squeeze the garlic from its skins into a blender with the squash": only what comes out of a skin.
  const skins = /\b(?:from|out of) (?:its|their|the) skins?\b/i.exec(shared);
  const mentions = k.mentions(skins === null ? shared : shared.slice(0, skins.index + skins[0].length), clause);
  const before = k.actions.at(-1);
  const hot = mentions.filter(({ line }) => k.vesselOf(line)?.isHot === true);
  const lines =
    hot.length > 0
      ? hot.map(({ line }) => line)
      : mentions.length === 0 && (k.here?.isHot === true || (before?.does === 'rest' && k.here?.kind === 'tray'))
        ? skinned(k, before)
        : [];
  if (/\bscoop\b/i.test(text) && /\b(?:bowls?|ice cream)\b/i.test(text) && lines.length === 0) {
    k.put('serve', n);
    return;
  }
  const spooned = /\b(ladle(?:ful)?|cup(?:ful)?|spoonful|few|some|third|half|quarter)s? of\b/i.exec(text);
  if (clause.verb === 'scoop' && hot.length > 0 && spooned !== null && !/\bskins?\b|\bflesh\b/i.test(text)) {
    // "Scoop out a ladleful of the beans and leeks and set aside."
    const next = k.clauses[n + 1];
    const isKept = next?.sentence === clause.sentence && /^(?:keep|reserve|set|save)$/.test(next.verb ?? '');
    lift(
      k,
      n,
      hot.map((one) => ({ ...one, vague: true as const })),
      isKept,
      partOf(text) ?? A_FEW,
    );
    return;
  }
  if (clause.verb === 'scoop' && /\bslotted spoon\b|\b(?:kitchen|paper) (?:paper|towels?|roll)\b/i.test(text)) {
    k.as('remove', clause, n);
    return;
  }
  const part = partOf(text) ?? (/\b(?:some|few|cup|spoonful)\b/i.test(text) ? A_FEW : undefined);
  if (
    clause.verb === 'scoop' &&
    part !== undefined &&
    mentions.length === 0 &&
    k.here?.isHot === true &&
    !/\bskins?\b|\bflesh\b/i.test(text)
  ) {
    const next = k.clauses[n + 1];
    const keeps = next?.sentence === clause.sentence && /^(?:keep|reserve|set|save)$/.test(next.verb ?? '');
    lift(
      k,
      n,
      [...k.here.lines].map((line) => ({ line, at: 0, length: 0 })),
      keeps,
      part,
    );
    return;
  }
  const goesInto = k.placeIn(text)?.kind;
  if (lines.length === 0 && mentions.length > 0 && clause.verb === 'scoop' && goesInto !== undefined && goesInto !== 'serving') {
    // "Scoop the avocado into a blender."
    k.as('add', clause, n);
    return;
  }
  if (lines.length === 0) {
    doPrepare(k, isShared ? { ...clause, text: shared } : clause, n);
    return;
  }
  if (lines.every((line) => k.peeledLate.has(line))) {
    k.put('setting', n);
    return;
  }
  for (const line of lines) {
    const vessel = k.vesselOf(line);
    if (vessel === undefined || k.peeledLate.has(line)) continue;
    k.peeledLate.add(line);
    const keeps = percentIn(text) ?? keptOf(k, line);
    k.step(vessel, n, `peel-${line}`.slice(0, 50), (id) => ({ id, op: 'peel', lines: [line], keeps }));
  }
  k.put('peel', n, { lines: lines.map((line) => ({ line })) });
  const body = k.body(clause);
  const place = k.placeIn(body);
  if (
    place !== undefined &&
    (place.kind === 'pot' || place.kind === 'pan' || place.kind === 'jug') &&
    /\b(?:into|to|in)\b/i.test(body)
  ) {
    intoVessel(k, clause, n, target(k, clause, n, mentions), mentions, false);
  }
}

/** The words of the last knife work of several that share what they are done to. */
function sameObject(k: Kitchen, n: number, sentence: number): string {
  for (const one of k.clauses.slice(n + 1)) {
    if (one.sentence !== sentence || VERBS[one.verb ?? ''] !== 'prepare') return '';
    if (/\s/.test(one.text.replace(/^and /i, '').trim())) return k.body(one);
  }
  return '';
}

/** What of a line goes on once it is peeled, by the larder's yield of the way that it names. */
function keptOf(k: Kitchen, line: string): number {
  const taken = k.lineOf(line)?.taken;
  const trims = taken?.row.trims ?? [];
  const way = trims.find(({ way: own }) => own === taken?.way) ?? trims.find(({ share }) => share < 1);
  return way?.share ?? 1;
}

/** What of a hot vessel has a skin to come off, where the words do not say. */
function skinned(k: Kitchen, before: Action | undefined): string[] {
  const hasSkin = (line: string): boolean => {
    const row = k.lineOf(line)?.taken.row;
    return (
      row !== undefined && row.trims.some(({ share }) => share < 1) && !/^(?:herbs|fats)$/.test(row.group) && row.id !== 'onion'
    );
  };
  // What it is brushed with is spoken of last, and has none.
  const held = k.here === undefined ? [] : [...k.here.lines].filter((line) => k.lineOf(line)?.taken.row.group !== 'fats');
  const named = before?.lines.map(({ line }) => line).filter((line) => held.includes(line)) ?? [];
  const spoken = k.lastNamed.filter((line) => held.includes(line));
  return (named.length > 0 ? named : spoken.length > 0 ? spoken : held).filter(hasSkin);
}

export function doSqueeze(k: Kitchen, clause: Clause, n: number): void {
  if (
    clause.verb === 'pop' &&
    minutesIn(clause.text) === undefined &&
    !/\bbag\b/i.test(clause.text) &&
    /^(?:and |then )*pop (?:it|that|them|those|these|the [a-z]+)(?: all)? (?:in|on|into|onto|over)\b/i.test(clause.text)
  ) {
    // "Cut the garlic in half, pop that on too."
    doAdd(k, { ...clause, text: clause.text.replace(/^(?:and |then )*pop/i, 'put'), verb: 'put', verbAt: 0 }, n);
    return;
  }
  if (/\bbag\b/i.test(clause.text) && minutesIn(clause.text) !== undefined) {
    // Steamed in a bag, so that the skins come off.
    k.as('cool', clause, n);
    return;
  }
  const before = k.clauses[n - 1];
  if (
    before?.sentence === clause.sentence &&
    /\b(?:bowl|basin|pan)\b[^.;]*\bwater\b/i.test(before.text) &&
    k.here?.isHot !== true
  ) {
    // "Fill a bowl with cold water and squeeze in half the lemon": for what would turn brown.
    k.put('setting', n);
    return;
  }
  const mentions = k.mentions(clause.text, clause);
  const hot = mentions.filter(
    ({ line }) =>
      k.vesselOf(line)?.isHot === true && !k.isLiquid(line) && !/juice|lemon|lime/.test(k.lineOf(line)?.taken.row.id ?? ''),
  );
  const goal = /\binto the ([a-z ]+)$/i.exec(clause.text)?.[1];
  const [met] = goal === undefined ? [] : k.names.mentions(goal, clause.section, k.isUsedUp);
  const at = met === undefined ? k.here : k.vesselOf(met.line);
  const hob = at !== undefined && isHob(at) ? at : undefined;
  const isInto = /^(?:and |then )?squeeze in\b/i.test(clause.text) || met !== undefined;
  if (hob !== undefined && isInto && hot.some(({ line }) => k.vesselOf(line) !== hob)) {
    // "Squeeze in the roast garlic": out of its skin and into the pot.
    const own = goal === undefined ? clause : { ...clause, text: clause.text.replace(/\binto the [a-z ]+$/i, '').trim() };
    doPeel(k, own, n);
    k.here = hob;
    const coming = hot.filter(({ line }) => k.vesselOf(line) !== hob);
    intoVessel(k, { ...own, verb: 'add' }, n, hob, coming, false);
    return;
  }
  if (hot.length > 0 || (mentions.length === 0 && /\bskins?\b|\bflesh\b|\bcloves?\b/i.test(clause.text))) {
    doPeel(k, clause, n);
    return;
  }
  const soup = k.isFinished() ? k.mainVessel() : undefined;
  // "Toast the bread. Squeeze in the lemon": into the soup, and not over the toast.
  if (soup !== undefined && isHob(soup) && at !== soup && at?.isWet === false && !/\bover\b/i.test(clause.text)) k.here = soup;
  if (/\b(?:in|into|over)\b/i.test(clause.text) || k.isFinished()) doAdd(k, clause, n);
  else doPrepare(k, clause, n);
}

/** "Chop three-quarters of the cucumber; dice the rest for the garnish": what is left of it is for the bowls. */
function isRestForTop(k: Kitchen, { text, sentence }: Clause, n: number): boolean {
  const cut = k.clauses[n - 1];
  if (!/\bthe rest\b/i.test(text) || !FOR_TOP.test(text) || cut === undefined || cut.sentence < sentence - 1) return false;
  const parted = k.mentions(cut.text, cut).filter(({ line, share }) => share !== undefined && share < 1 && !k.isUsed(line));
  if (parted.length === 0) return false;
  for (const { line, share = 1 } of parted) {
    k.heldBack.set(line, 1 - share);
    k.heldForTop.set(line, n);
  }
  k.put('keep', n, { vessel: undefined, lines: parted.map(({ line, share = 1 }) => ({ line, share: 1 - share })) });
  return true;
}

/** "Thinly slice one leek for the topping", "cut the tips from 12 spears, reserve for garnish": so many of those that the line counts. */
function areSomeForTop(k: Kitchen, clause: Clause, n: number): boolean {
  const { text, sentence } = clause;
  const next = k.clauses[n + 1];
  const isNext =
    next !== undefined && next.sentence <= sentence + 1 && /^(?:and |then )*(?:reserve|set|keep|save)\b/i.test(next.text);
  if (!FOR_TOP.test(text) && !(isNext && FOR_TOP.test(next.text))) return false;
  const mentions = k.mentions(k.body(clause), clause);
  const [only, ...others] = mentions;
  if (only === undefined || others.length > 0 || k.isUsed(only.line) || (only.share !== undefined && only.vague !== true))
    return false;
  const count = /\b(an?|one|two|three|four|five|six|\d{1,2}) (?:of the |of them |small |large |thin |nice )*$/i.exec(
    k.body(clause).slice(0, only.at),
  )?.[1];
  const all = /^(\d{1,2}|one|two|three|four|five|six|seven|eight|ten|twelve)\b(?! ?(?:kg|g|lbs?|oz|ml|bunch))/i.exec(
    k.lineOf(only.line)?.taken.text ?? '',
  )?.[1];
  if (count === undefined) return false;
  const share = all === undefined ? (only.share ?? A_FEW) : figureIn(count) / figureIn(all);
  if (share >= 1) return false;
  k.heldBack.set(only.line, share);
  k.heldForTop.set(only.line, n);
  k.put('keep', n, { vessel: undefined, lines: [{ line: only.line, share }], assumed: all === undefined ? ['SHARE'] : [] });
  return true;
}

export function doPrepare(k: Kitchen, clause: Clause, n: number): void {
  const { text, verb } = clause;
  if (areSomeForTop(k, clause, n)) return;
  const enough = /\benough (?:of )?(?:the |your )?([a-z ]+?) to (?:measure|make|give|yield|fill|get) (?:about )?(.+)$/i.exec(text);
  const [own] = enough === null ? [] : k.mentions(enough[1] ?? '', clause);
  const held = own === undefined ? undefined : k.measuredAs(own.line, enough?.[2] ?? '');
  if (own !== undefined && held !== undefined && held < 1) {
    // "Dice enough cucumber to measure 1/2 cup": that much is for later.
    k.heldBack.set(own.line, held);
    k.put('keep', n, { vessel: undefined, lines: [{ line: own.line, share: held }] });
    return;
  }
  const cup = verb === 'weigh' && /\bcup to try\b/i.test(text) ? /(\d+(?:\.\d+)?) ?g\b/.exec(text) : null;
  if (cup !== null && k.here !== undefined) {
    const kg = Number(cup[1]) / 1000;
    k.put('prepare', n);
    k.step(k.here, n, 'cup', (id) => ({ id, op: 'cup', kg }));
    return;
  }
  // "Scoop out the seeds" is not about the seeds that are bought.
  const isSeeded = /\b(?:scoop|remov|discard|deseed|seed)\w*\b.*\bseeds?\b|^(?:de)?seed\b/i.test(text);
  const mentions = k.mentions(text, clause).filter(({ line }) => !(isSeeded && k.lineOf(line)?.taken.row.group === 'nuts'));
  if (verb === 'crush' && k.here?.isWet === true) {
    doMash(k, clause, n);
    return;
  }
  if (/^(?:crumble|tear|snip|zest|grate)$/.test(verb ?? '') && /\b(?:over|into|in|on)\b/i.test(text) && mentions.length > 0) {
    // "Grate over some nutmeg and warm through": it goes into the pot.
    const isBeforeHeat = k.clauses
      .slice(n + 1, n + 3)
      .some((one) => one.sentence === clause.sentence && /^(?:heat|simmer|cook|blend|bring)$/.test(VERBS[one.verb ?? ''] ?? ''));
    doAdd(k, isBeforeHeat ? { ...clause, verb: 'add', text: text.replace(/\bover\b/i, 'in') } : clause, n);
    return;
  }
  if (/^(?:pick|pull|hook)$/.test(verb ?? '') && /\bout\b/i.test(text)) {
    k.as('remove', clause, n);
    return;
  }
  if (verb === 'separate' || verb === 'wipe') {
    k.put('remark', n);
    return;
  }
  const pan = k.here;
  const meat = pan === undefined ? [] : [...pan.lines].filter((line) => k.lineOf(line)?.taken.row.group !== 'fats');
  if (
    mentions.length === 0 &&
    pan !== undefined &&
    isHob(pan) &&
    !pan.isWet &&
    pan.isHot &&
    /^(?:crumble|chop|shred|slice|dice)$/.test(verb ?? '') &&
    meat.length > 0 &&
    meat.every((line) => k.lineOf(line)?.taken.row.group === 'meat' && !pan.aside.has(line))
  ) {
    // "Cook the bacon until crisp, then crumble": it has left its pan, and its fat stays.
    lift(
      k,
      n,
      meat.map((line) => ({ line, at: 0, length: 0 })),
      true,
      undefined,
    );
    return;
  }
  if (isRestForTop(k, clause, n)) return;
  const cut = cutOf(text);
  // "Cut everything in pieces": no oil, and no salt.
  const solids = mentions.filter(({ line, byGroup }) => byGroup !== true || (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (cut !== undefined) for (const { line } of solids) k.cuts.set(line, cut);
  k.put('prepare', n, { vessel: undefined, lines: solids.map(({ line }) => ({ line })) });
}

export function doSoak(k: Kitchen, clause: Clause, n: number): void {
  if (
    /^(?:and |then )*(?:let )?steep\b/i.test(clause.text) &&
    k.here?.isHot === true &&
    k.here.isWet &&
    minutesIn(clause.text) !== undefined
  ) {
    // "Steep 20 min off the heat."
    k.as('cool', clause, n, 'cool');
    return;
  }
  const mentions = k.mentions(clause.text, clause);
  const isInOwn = mentions.some(({ line }) => k.lineOf(line)?.taken.row.id === 'water');
  if (isInOwn || /\d.*\bwater\b/i.test(clause.text)) k.soakWater = clause.text;
  k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
}
