import type { Action } from './action.js';
import type { Clause } from './clauses.js';
import type { Kitchen } from './kitchen.js';
import { VERBS } from './lexicon.js';
import { lift } from './lift.js';
import { degreesIn, partOf } from './measures.js';
import type { Mention } from './mentions.js';
import { A_FEW, FOR_TOP, USUAL } from './usual.js';
import { isHob } from './vessel.js';

/** From here something is kept hot, and not only warm or cold, °C. */
const HELD_FROM_C = 50;

/** Held hot through a service. */
function holdAt(k: Kitchen, clause: Clause, n: number, atC: number): void {
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  // "Hold above 60 °C, or chill to 5 °C within 6 hours": not for six hours.
  const said = clause.text.replace(/,?\s*\bor (?:chill|cool)\b.*$/i, '').replace(/\bwithin\b.*$/i, '');
  const { minutes, assumed } = k.range({ ...clause, text: said }, USUAL.holdMin);
  k.put('hold', n, { minutes, assumed });
  if (vessel === undefined) return;
  const lid = k.lidOf(clause, vessel) ?? 'on';
  const topUp = /\btopped up\b/i.test(clause.text) ? k.mentions(clause.text, clause)[0]?.line : undefined;
  if (topUp !== undefined) {
    k.settled.add(topUp);
    k.uses.set(topUp, [{ line: topUp, said: true }]);
  }
  const at = Math.min(95, Math.max(40, atC));
  k.step(vessel, n, 'hold', (id) => ({
    id,
    op: 'hold',
    minutes: (minutes.low + minutes.high) / 2,
    atC: at,
    lid,
    ...(topUp === undefined ? {} : { topUp }),
  }));
}

export function doReserve(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const body = k.body(clause);
  const bare = /\bat (\d{2})\b(?! ?(?:min|sec|hour|g\b|ml|%))/i.exec(text)?.[1];
  if (/\b(?:oil|fat|drippings?|butter) (?:left )?in (?:the|that) (?:same )?pan\b/i.test(body)) {
    k.put('setting', n);
    return;
  }
  if (/^(?:and |then )*keep (?:on )?(?:blending|whizzing|blitzing|processing|pur[ée]eing)\b/i.test(text)) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (
    /^(?:and |then )*(?:sav|reserv|keep|hold|set)\w*(?: aside)? (?:the |their |all the |all |those |its )?(?:shells?|cobs?|pods?|peelings?|trimmings?|skins?|bones?|heads?|rinds?)\b/i.test(
      text,
    )
  ) {
    // "Saving the shells": what is left of it, and none of what it is bought for.
    k.put('setting', n);
    return;
  }
  const degrees = degreesIn(text);
  const isHot = degrees !== undefined && degrees >= HELD_FROM_C && /^(?:keep|leave)$/.test(clause.verb ?? '');
  const holdC = clause.verb === 'hold' || isHot ? (degrees ?? (bare === undefined ? undefined : Number(bare))) : undefined;
  if (holdC !== undefined) {
    holdAt(k, clause, n, holdC);
    return;
  }
  if (
    /^(?:keep|hold|leave|store) (?:it|them|these|the [\w ]+) (?:in|under) (?:a bowl of )?(?:cold |acidulated |lemon |salted )?water\b/i.test(
      body,
    )
  ) {
    // So that it does not turn brown.
    k.put('prepare', n);
    return;
  }
  if (/\b(?:warm|hot)\b/i.test(body) && !/\bhot soup\b/i.test(body)) {
    k.put('hold', n);
    return;
  }
  if (/\bkeeps?\b.*\b(?:days?|months?|fridge|freezer)\b/i.test(text)) {
    k.put('store', n);
    return;
  }
  const pot = k.here;
  if (
    pot !== undefined &&
    isHob(pot) &&
    pot.isWet &&
    !pot.isBlended &&
    !k.hasPieces(pot) &&
    /^[\w-]+ (?:the |this |that |all the )?(?:[\w-]+ )?(?:broth|stock|liquid|liquor|water)\b/i.test(body)
  ) {
    // "Simmer the cobs in the water 20 minutes. Save the broth": it waits beside what comes next.
    pot.isStock = true;
    pot.isAside = true;
    k.here = undefined;
    k.put('setting', n);
    return;
  }
  if (k.actions.at(-1)?.does === 'drain' && /\b(?:water|liquid|liquor|stock)\b/i.test(body)) {
    // What is kept of the liquid belongs to the draining.
    k.put('setting', n);
    return;
  }
  // "Shake the can of coconut milk, reserve 1/4 cup": what it is of stands before.
  const own = k.mentions(body, clause);
  const cut = k.actions.at(-1);
  const isRestOfCut =
    /\bthe (?:rest|others?)\b(?! of)/i.test(body) &&
    own.every(({ byGroup }) => byGroup === true) &&
    cut?.does === 'prepare' &&
    k.clauses[cut.clause]?.sentence === clause.sentence &&
    k.lastNamed.length > 0;
  if (isRestOfCut) {
    // "Dice one and a half, keep the rest for the garnish": of what was cut, and how much that is nobody says.
    k.put('keep', n, { lines: cutLines(k, cut).map((line) => ({ line })), assumed: ['SHARE'] });
    return;
  }
  const mentions = own.length > 0 ? own : k.mentions(text.slice(0, clause.verbAt), clause).filter(({ line }) => !k.isUsedUp(line));
  const amount = /\b(?:\d+|a|one|two)\s*(?:cups?|ml|ladles?|ladlefuls?)\b/i.test(body);
  const wanted = mentions.filter(({ line }) => k.vesselOf(line) !== undefined);
  const said = mentions.find(({ share }) => share !== undefined)?.share ?? partOf(body);
  if (wanted.length > 0) {
    const few = said === undefined && (amount || /\b(?:few|some|little|handful)\b/i.test(body));
    const marked = few ? wanted.map((one) => ({ ...one, vague: true as const })) : wanted;
    lift(k, n, marked, true, said ?? (few ? A_FEW : undefined));
    return;
  }
  if (mentions.length > 0) {
    // Kept back before it went anywhere: a part for later.
    holdBack(k, mentions, body);
    if (FOR_TOP.test(body)) for (const { line } of mentions) if (k.heldBack.has(line)) k.heldForTop.set(line, n);
    k.put('keep', n, {
      lines: mentions.map((one) => ({ line: one.line, share: saidPart(k, one, body) ?? measureBefore(k, one.line, body) })),
      assumed: mentions.some((one) => k.isDivided(one.line) && saidPart(k, one, body) === undefined) ? ['SHARE'] : [],
    });
    return;
  }
  const before = k.actions.at(-1);
  const whole =
    before !== undefined && /^(?:add|join)$/.test(before.does) && k.clauses[before.clause]?.sentence === clause.sentence
      ? before
      : undefined;
  const solids = (whole?.lines ?? []).filter(({ line }) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (
    solids.length === 1 &&
    (amount ||
      partOf(body) !== undefined ||
      /\b(?:\d+|a|one|two|some|few|handful) ?(?:qts?|quarts?|pints?|handfuls?)?\b.*\b(?:garnish|top|serv\w+|later)\b/i.test(body))
  ) {
    // "Add the roasted corn, reserving a quart for the garnish."
    lift(
      k,
      n,
      solids.map(({ line }) => ({ line, at: 0, length: 0, ...(partOf(body) === undefined ? { vague: true as const } : {}) })),
      true,
      partOf(body) ?? A_FEW,
    );
    return;
  }
  const poured =
    before !== undefined && /^(?:add|cream)$/.test(before.does) && k.clauses[before.clause]?.sentence === clause.sentence
      ? before
      : undefined;
  const [one, ...others] = poured?.lines ?? [];
  const isLittle = FOR_TOP.test(body) && /\b(?:a (?:little|bit|few|spoonful|drizzle|splash)|some|little)\b/i.test(body);
  const measuredBack = one === undefined || others.length > 0 ? undefined : (measureBefore(k, one.line, body) ?? partOf(body));
  const back = measuredBack ?? (isLittle && one !== undefined && others.length === 0 ? A_FEW : undefined);
  const uses = one === undefined ? undefined : k.uses.get(one.line);
  const use = uses?.at(-1);
  if (poured !== undefined && one !== undefined && back !== undefined && uses !== undefined && use !== undefined) {
    // "Stir in the remaining coconut milk, reserving 2 tbsp"; "saving a little to swirl on top".
    const spent = uses.slice(0, -1).reduce((sum, { share = 0 }) => sum + share, 0);
    const share = Math.max(0.01, 1 - spent - back);
    use.share = share;
    use.said = true;
    k.heldBack.set(one.line, back);
    k.actions[poured.n] = { ...poured, lines: [use] };
    if (FOR_TOP.test(body)) k.heldForTop.set(one.line, n);
    k.put('keep', n, { lines: [{ line: one.line, share: back }], assumed: measuredBack === undefined ? ['SHARE'] : [] });
    return;
  }
  const grams = /^[\w-]+ (?:about )?(\d+ ?g)\b(?= (?:for|to|aside|back)\b|$)/i.exec(body)?.[1];
  const [cooked, ...more] = (k.here?.lastIn ?? []).filter((line) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (grams !== undefined && cooked !== undefined && more.length === 0 && /\b(?:garnish|top|serv\w+|later|finish)\b/i.test(body)) {
    // "Mushrooms, 12 min till coloured. Reserve 200 g for garnish": of those.
    lift(k, n, [{ line: cooked, at: 0, length: 0, vague: true as const }], true, k.measuredAs(cooked, grams) ?? A_FEW);
    return;
  }
  const named = k.lastNamed.filter((line) => !k.isUsedUp(line) && (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (
    named.length > 0 &&
    (/\b(?:back|aside)\b/i.test(body) || FOR_TOP.test(body)) &&
    /\b(?:one|two|three|couple|some|few|bit|little|handful|half|third|quarter|\d)/i.test(body)
  ) {
    // "Keep two back for the crisps."
    const kept = named.map((line) => ({ line, at: 0, length: 0 }));
    holdBack(k, kept, body);
    if (FOR_TOP.test(body)) for (const { line } of kept) if (k.heldBack.has(line)) k.heldForTop.set(line, n);
    k.put('keep', n, { lines: kept.map(({ line }) => ({ line })) });
    return;
  }
  if (k.here?.isDrained === true && /^\w+ (?:back|by|aside|to one side|for later)$/i.test(body.trim())) {
    // "Boil the barley apart, drain, cool and keep back."
    k.here.isAside = true;
    k.here = undefined;
    k.put('setting', n);
    return;
  }
  const last = k.beforeLast;
  if (last !== undefined && /^(?:drain|remove|lift|take|strain)$/.test(VERBS[last.verb ?? ''] ?? '')) {
    k.put('setting', n);
    return;
  }
  k.put('setting', n);
}

/** What the knife was at last: what its clause names, or else what was named before it. */
function cutLines(k: Kitchen, { lines }: Action): readonly string[] {
  return lines.length > 0 ? lines.map(({ line }) => line) : k.cutBefore();
}

/** "Reserve 1/4 cup" of something named before it: the share of its line. */
function measureBefore(k: Kitchen, line: string, body: string): number | undefined {
  const hit = /(?:\b|(?<=\d))(?:cups?|ml|tbsps?|tablespoons?|tsps?|teaspoons?|oz|g)\b/i.exec(body);
  const at = hit === null ? 0 : hit.index + hit[0].length;
  const share = hit === null ? undefined : k.measured({ line, at, length: 0 }, body);
  return share !== undefined && share < 1 ? share : undefined;
}

/** Remembers the part of lines that is kept before they go anywhere. */
export function holdBack(k: Kitchen, mentions: readonly Mention[], body: string): void {
  for (const one of mentions) {
    const share = saidPart(k, one, body) ?? measureBefore(k, one.line, body) ?? A_FEW;
    if (share < 1) k.heldBack.set(one.line, share);
  }
}

/** The part of a line that the words keep back: by its measure, or as a share. */
function saidPart(k: Kitchen, one: Mention, body: string): number | undefined {
  return k.measured(one, body) ?? one.share ?? partOf(body);
}
