import { joinsAt, joinsLater } from './later.js';
import { unlisted, unknown, soakedIn } from './foods.js';
import { target } from './where.js';
import { A_FEW, FOR_TOP } from './usual.js';
import { VERBS } from './lexicon.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { minutesIn, ovenIn, partOf } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { doHeat } from './warm.js';
import { lift } from './lift.js';
import { ASIDE, heldAside, meantAside, restOfKept, whatSoftens, withoutLaterHerbs } from './meant.js';
import { isGivenBack, isPartLifted, partOffTray, returnsKept } from './given-back.js';
import { onTop } from './top.js';
import { intoVessel } from './into-vessel.js';
import { NOT_GOING_IN, SAID_AS_ADDED, isTempering } from './not-added.js';
import { withWater, isSaltToTaste } from './poured.js';

const PAN_WITH =
  /( (?:to|into|in) the (?:\w+ )?(?:pan|pot|saucepan|casserole)) (?:with|of|containing|holding|that has) (?:the |your )?((?!.*\band\b)[a-z][a-z ]*?)\s*$/i;

const TWO_TRAYS =
  /^(.*\b(?:on|in|onto|into) (?:one|a|the first) (?:[\w-]+ )*(?:trays?|sheets?|tins?|pans?)\b),?(?: and| with|,)? (?!.*\btoss\b)(.*\b(?:on|in|onto|into) (?:another|a second|the other|the second|a separate)\b.*)$/i;

/** What goes in; "(save some pretty florets)" behind what was cooked already is taken back from it. */
export function doAdd(k: Kitchen, whole: Clause, n: number): void {
  addAll(k, whole, n);
  const aside = ASIDE.exec(whole.text);
  const cooked = aside === null ? undefined : (meantAside(k, whole, aside) ?? whatSoftens(k, whole, aside.index));
  const isKept = k.actions.some(({ clause, does }) => clause === n && does === 'keep');
  if (aside !== null && cooked !== undefined && !isKept && k.isUsedUp(cooked.line))
    lift(k, n, [{ ...cooked, vague: true }], true, partOf(aside[1] ?? '') ?? A_FEW);
}

/** "500 g small florets", kept back of a line that has another name. */
const WEIGHED_FIRST = /^(?:about |roughly )?[\d½¼¾⅓⅔., /]+(?:kg|g|ml|l|oz|lb|cups?|tbsps?|tablespoons?|tsps?|teaspoons?)\b/i;

/** "Stir to coat in the butter": how it is done, by what is in already. */
const COATED = /\b(?:to coat|coated|coating)\b/i;

function addAll(k: Kitchen, whole: Clause, n: number): void {
  if (NOT_GOING_IN.some((isSo) => isSo(k, whole, n))) return;
  const coated = COATED.exec(whole.text);
  if (coated !== null) {
    const into = k.mentions(whole.text.slice(coated.index), whole);
    const first = k.mentions(whole.text.slice(0, coated.index), whole);
    if (into.every(({ line }) => k.isUsedUp(line)) && (into.length > 0 || first.length === 0)) {
      if (first.length === 0) k.put('setting', n);
      else addAll(k, { ...whole, text: whole.text.slice(0, coated.index) }, n);
      return;
    }
  }
  const aside = ASIDE.exec(whole.text);
  const held = aside === null ? undefined : heldAside(k, whole, aside);
  const heldLine = held !== undefined && !k.isUsedUp(held.line) ? held : undefined;
  const clause =
    aside === null || heldLine === undefined
      ? whole
      : { ...whole, text: whole.text.slice(0, aside.index) + whole.text.slice(aside.index + aside[0].length) };
  if (aside !== null && heldLine !== undefined) {
    const [, saved = ''] = aside;
    const measured =
      k.measuredAs(heldLine.line, saved.replace(/\s+(?:for|to|of|aside|until)\b.*$/i, '')) ??
      k.measuredAs(heldLine.line, WEIGHED_FIRST.exec(saved)?.[0] ?? '');
    const share = partOf(saved) ?? measured ?? A_FEW;
    k.heldBack.set(heldLine.line, share);
    if (FOR_TOP.test(saved)) k.heldForTop.set(heldLine.line, n);
    k.put('keep', n, { lines: [{ line: heldLine.line, share }], assumed: measured === undefined ? ['SHARE'] : [] });
  }
  const { text } = clause;
  const met = PAN_WITH.exec(text);
  if (met !== null) {
    // "Add the leeks to the pan with the carrots": it is the pan in which they are.
    const [first] = k.names.mentions(met[2] ?? '', clause.section, k.isUsedUp);
    const at = first === undefined || !k.isUsedUp(first.line) ? undefined : k.vesselOf(first.line);
    if (at !== undefined && isHob(at) && at.steps.length > 0) {
      const short = { ...clause, text: text.slice(0, met.index) + (met[1] ?? '') };
      intoVessel(k, short, n, at, k.mentions(k.body(short), short), false);
      return;
    }
  }
  const trays = TWO_TRAYS.exec(text);
  if (trays !== null) {
    // "The carrots on one tray and the peppers on another."
    const [, first = '', second = ''] = trays;
    addAll(k, { ...clause, text: first }, n);
    const other = /\b(?:tray|sheet|tin|pan)\b/i.test(second)
      ? second
      : second.replace(/\b(another|the other|a second|the second)\b/i, '$1 tray');
    addAll(k, { ...clause, text: `put ${other}`, verb: 'put', verbAt: 0 }, n);
    return;
  }
  const body = k.body(clause);
  const off = partOffTray(k, clause, n);
  if (off !== undefined) {
    addAll(k, off, n);
    return;
  }
  if (SAID_AS_ADDED.some((isSo) => isSo(k, clause, n))) return;
  const isLiquor =
    /\b(?:reserved|cooking|soaking) (?:water|liquid|liquor)\b/i.test(body) && k.vessels.some(({ isDrained }) => isDrained);
  // "Slice the artichokes, drain, add": what was made ready, or what was soaked and drained.
  const isBareAdd =
    /^(?:and |then )?(?:add|tip in|in)(?: (?:them|it|these|both|both of them|the two|all three))?$|^(?:and |then )?(?:stir|mix|tip|put|throw) (?:them|it|these) in$/i.test(
      text,
    );
  const { soaked } = k;
  if (isBareAdd && soaked?.joinedTo === undefined && soaked !== undefined && k.here !== undefined && soaked !== k.here) {
    const lines = [...soaked.lines].map((line) => ({ line }));
    k.move(soaked, k.here, n);
    k.soaked = undefined;
    k.put('add', n, { vessel: k.here.name, lines });
    return;
  }
  const all = isBareAdd ? k.pending() : k.mentions(body, clause);
  const named = all.filter(({ line }) => !(isLiquor && k.lineOf(line)?.taken.row.id === 'water'));
  const kept = restOfKept(k, clause, n);
  const others = named.filter(({ byGroup }) => byGroup !== true);
  const goes =
    kept.length > 0 || returnsKept(k, n, body) ? others.filter(({ line }) => !kept.some((one) => one.line === line)) : named;
  const mentions = withoutLaterHerbs(k, k.withPrepared([...kept, ...goes], body, clause), body, n).filter(
    ({ line, at, byGroup }) =>
      !(byGroup === true && isAddedLater(k, line, n)) &&
      !isWhere(k, line, body.slice(0, at)) &&
      !(SALT_MEASURED.test(body) && isSaltToTaste(k, line)) &&
      !isPouredBack(k, line, body) &&
      // "Salt and pepper to taste", of a measured salt that has gone in: more of it, as the tongue says.
      !(SALT_TO_TASTE.test(body) && k.isSaltOrPepper(line) && k.isUsed(line)),
  );
  const through = /\bthrough (?:the |your )(.+)$/i.exec(body);
  if (through !== null && k.isFinished() && mentions.some(({ at, length }) => length > 0 && at < through.index)) {
    const [into] = k.names.mentions(through[1] ?? '', clause.section, k.isUsedUp);
    const row = into === undefined ? undefined : k.lineOf(into.line)?.taken.row;
    if (into !== undefined && !k.isUsed(into.line) && (k.isCream(into.line) || row?.id.includes('yoghurt') === true)) {
      // "Stir the zest through the yoghurt": made ready for the top, and not in the soup.
      k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
      return;
    }
  }
  if (isMoreSalt(k, mentions, text)) {
    k.as('season', { ...clause, text: 'season', verbAt: 0 }, n);
    return;
  }
  if (isPartLifted(k, clause, n, mentions) || isGivenBack(k, clause, n, mentions)) return;
  const isMore =
    mentions.length > 0 &&
    !/^(?:and |then )*(?:drizzle|scatter|sprinkle|top|dollop|spoon)\b/i.test(clause.text) &&
    /\b(?:more|extra|another)\b/i.test(text) &&
    !/\d|½|¼|\b(?:spoon|tbsp|tsp|cup|splash|knob|handful)/i.test(text) &&
    mentions.every(
      ({ line }) => k.isUsedUp(line) && !(k.uses.get(line) ?? []).some(({ share }) => share !== undefined) && !k.isLiquid(line),
    );
  if (isMore && k.isFinished()) {
    // "Taste; add more vinegar or salt": at the cook's tongue, and none of it is taken from what went in.
    if (mentions.some(({ line }) => k.isSaltOrPepper(line))) k.as('season', { ...clause, text: 'season', verbAt: 0 }, n);
    else k.put('remark', n);
    return;
  }
  // On a tray of its own it shares the oven, and nothing else.
  const isApart = /\b(?:another|second|separate|different|smaller?) (?:\w+ )?(?:trays?|tins?|sheets?|pans?)\b/i.test(text);
  if (isApart && joinsAt(text) !== undefined && k.here?.kind === 'tray' && k.here.isHot && minutesIn(text) !== undefined) {
    k.here = k.fresh('tray', clause.section);
    k.as('roast', clause, n, 'roast');
    return;
  }
  const late = joinsAt(text);
  if (
    late !== undefined &&
    k.here !== undefined &&
    (k.here.kind === 'tray' || isHob(k.here)) &&
    mentions.length > 0 &&
    joinsLater(k, k.here, mentions, late, n)
  )
    return;
  if (
    mentions.length === 0 &&
    k.here?.isBlended === true &&
    /\b(?:heat(?:ed)?|until hot|warm(?:ed)?)\b/i.test(text) &&
    clause.verb === 'stir'
  ) {
    doHeat(k, clause, n, 'heat');
    return;
  }
  const isTempered =
    /\b(?:hot|simmering) (?:soup|liquid|stock)\b/i.test(body) &&
    k.open().some((one) => one.kind === 'bowl' && [...one.lines].some((id) => k.lineOf(id)?.taken.role === 'yolk'));
  if (isTempered && mentions.length === 0) {
    k.put('setting', n);
    return;
  }
  const place = k.placeIn(body);
  if (place?.kind === 'bowl' && k.here?.isBlended === true && isHob(k.here) && mentions.length === 0 && /\bsoup\b/i.test(body)) {
    // "Transfer the soup to a bowl" between two goes of the blender.
    k.put('setting', n);
    return;
  }
  if (place?.kind === 'tray' && ovenIn(text, k.context.country) !== undefined && minutesIn(text) !== undefined) {
    k.as('roast', clause, n);
    return;
  }
  const { here } = k;
  const isLaidBy =
    here !== undefined && isHob(here) && !here.isWet && !k.isFinished() && mentions.every(({ line }) => here.lines.has(line));
  if (
    isLaidBy &&
    /\b(?:to|onto) (?:a|the) (?:warm |clean )?plate\b|\b(?:paper[- ]towel|kitchen (?:paper|roll|towel)|towel-lined|paper-lined)/i.test(
      body,
    )
  ) {
    k.as('remove', clause, n);
    return;
  }
  if (isTempering(k, clause, n)) return;
  const isServed =
    k.actions.at(-1)?.does === 'serve' && (k.clauses[k.actions.at(-1)?.clause ?? -1]?.sentence ?? -2) >= clause.sentence - 1;
  // "Cream to finish", of a soup that is still in its pot.
  const isCreamed =
    /\bto finish\b/i.test(body) &&
    !isServed &&
    mentions.length > 0 &&
    mentions.every(
      ({ line }) =>
        (k.isCream(line) ||
          /juice|vinegar/.test(k.lineOf(line)?.taken.row.id ?? '') ||
          /^(?:salt)$/.test(k.lineOf(line)?.taken.role ?? '')) &&
        !k.isUsedUp(line),
    ) &&
    !/\b(?:each|bowls?|swirl|drizzle|dollop|top)\b/i.test(body);
  const isTop =
    isServed ||
    (/^(?:and |then )*ladle(?: (?:the|your))?(?: hot)?(?: soup)?\b/i.test(text) &&
      place === undefined &&
      k.mainVessel()?.isBlended === true) ||
    /\bat (?:the )?table\b/i.test(text) ||
    place?.kind === 'serving' ||
    /\b(?:over|on(?:to)?) (?:the )?(?:top|each|soup)\b|\bon top\b|\beach bowl\b|\b(?:of|in|into) each\b|\bto (?:serve|garnish|finish)\b/i.test(
      body,
    ) ||
    (clause.verb !== undefined &&
      /^(?:scatter|sprinkle|dust|shower|strew|drizzle|spoon|crumble|grate|dot|snip|tear|shave)$/.test(clause.verb) &&
      k.isFinished() &&
      !/\b(?:in|into|flour)\b/i.test(body) &&
      (clause.verb !== 'spoon' || /\bover\b|\bon top\b|^spoon on\b/i.test(body)));
  if (
    /\b(?:in|into|to) (?:a|the|your) (?:[\w-]+ )?(?:blender|liquidi[sz]er|(?:food )?processor|goblet)\b/i.test(body) &&
    mentions.length === 0
  ) {
    // "Transfer 2 cups of soup to a blender": what is blended next.
    k.put('setting', n);
    return;
  }
  if (isTop && !isCreamed && (k.isFinished() || place?.kind === 'serving')) {
    const isSide = k.here !== undefined && k.here !== k.mainVessel() && k.here.steps.length > 0 && /\bover\b/i.test(body);
    if (
      (/^(?:ladle|pour|divide|tip|serve|fill)\b/i.test(body) || /^(?:then )?spoon\b/i.test(clause.text)) &&
      mentions.length === 0 &&
      !isSide
    )
      k.put('serve', n);
    else onTop(k, mentions, body, n);
    return;
  }
  const more = isLiquor ? [] : unlisted(k, body, clause, mentions);
  const isSoaked =
    k.here?.kind === 'bowl' &&
    mentions.length === 0 &&
    more.length > 0 &&
    more.every(({ line }) => k.lineOf(line)?.taken.row.id === 'water') &&
    /\b(?:boiling|hot) water\b/i.test(body) &&
    [...k.here.lines].every((line) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (isSoaked) {
    // Scalded in a bowl so that the skins slip off: the water goes nowhere. What was dried gives it its taste, and it may go in later.
    k.unlist(more);
    const isDried = [...(k.here?.lines ?? [])].every((line) => k.lineOf(line)?.taken.row.id.startsWith('dried-') === true);
    if (isDried && /\d/.test(text)) k.soakWater = text;
    k.put('prepare', n);
    return;
  }
  const isOnlyIf = mentions.length === 0 && more.length > 0 && /\bif\b/i.test(text) && !k.isFinished();
  const isSpent = mentions.length > 0 && mentions.every(({ line }) => k.isUsedUp(line) && k.isLiquid(line));
  if (isOnlyIf || (isSpent && /\bif\b/i.test(text) && !k.isFinished())) {
    // "A splash of water if they catch": at the cook's eye, in no sum.
    k.unlist(more);
    k.put('remark', n);
    return;
  }
  // "Put the peppers in a bowl to steam": what lies on the hot tray is only set apart.
  const onTray =
    place?.kind === 'bowl' &&
    (mentions.length > 0 || (k.here?.kind === 'tray' && k.here.isHot)) &&
    mentions.every(({ line }) => {
      const at = k.vesselOf(line);
      return at?.kind === 'tray' && at.isHot;
    });
  if (onTray) {
    const [first] = mentions;
    k.here = (first === undefined ? undefined : k.vesselOf(first.line)) ?? k.here;
    if (minutesIn(text) === undefined) k.put('setting', n);
    else k.as('cool', clause, n);
    return;
  }
  const soakedWith = soakedIn(k, body, clause);
  const besides = mentions.filter(({ line }) => !soakedWith.some((one) => one.line === line));
  const goingIn = withWater(k, body, [...besides, ...more, ...soakedWith]);
  if (goingIn.length === 0 && k.placeIn(body) === undefined) goingIn.push(...unknown(k, body, clause));
  const hasCover =
    /\b(?:to (?:just |barely |almost )?cover|(?:until|till|so (?:that )?(?:it|they|everything)(?:['’]s|['’]re| is| are)) (?:just |barely )?covered|enough[\w ]*cover|just covers?)\b/i.test(
      text,
    );
  const vessel = target(k, clause, n, goingIn);
  intoVessel(k, clause, n, vessel, goingIn, hasCover);
}

/** "Put everything in a blender. With the motor running, trickle in the oil": what is poured in later is no part of everything. */
function isAddedLater(k: Kitchen, line: string, n: number): boolean {
  if (!k.isDivided(line) || k.isUsed(line)) return false;
  return k.clauses
    .slice(n + 1)
    .some(
      ({ text, section, verb, verbAt }) =>
        /^(?:add|mix)$/.test(VERBS[verb ?? ''] ?? '') &&
        !/\b(?:remaining|rest|more|extra|another|any|splash|little|drizzle|serve)\b|\bif\b/i.test(text) &&
        k.names.mentions(text.slice(verbAt), section, () => false).some((one) => one.line === line && one.byGroup !== true),
    );
}

/** Whether a liquid has gone into a pot, all of it. */
function standsInPot(k: Kitchen, line: string): boolean {
  const at = k.vesselOf(line);
  return k.isLiquid(line) && k.isUsedUp(line) && at !== undefined && isHob(at);
}

/** "Add the peas to the hot stock", which is in the pot already: where they go, and no more of it. */
function isWhere(k: Kitchen, line: string, before: string): boolean {
  const isPlace = /\b(?:to|into|in) (?:the|your|that) (?!remaining|rest|other|leftover|reserved)(?:[a-z]+ ){0,2}$/i.test(before);
  return isPlace && standsInPot(k, line);
}

/** "Return the broth to the pot", which was strained: what stood there before, and no more out of the carton. */
function isPouredBack(k: Kitchen, line: string, body: string): boolean {
  const isBack = /^(?:return|[a-z]+ [^.;]*\bback\b)/i.test(body);
  return isBack && !/\b(?:remaining|rest|more|extra|another|other|reserved)\b|\d|[½¼¾]/i.test(body) && standsInPot(k, line);
}

/** "1/2 teaspoon salt" in the method is so much, whatever the step that seasons settles. */
const SALT_MEASURED =
  /(?:\d|½|¼|¾|\ba|\bone|\bhalf a) ?(?:g|grams?|tsps?|teaspoons?|tbsps?|tablespoons?)\.? (?:of )?(?:\w+ )?salt\b/i;

const SALT_TO_TASTE = /\b(?:salt|pepper)(?:,? (?:and|&) (?:[a-z]+ )?pepper)? to taste\b/i;

/** "Add more salt if it needs it." */
function isMoreSalt(k: Kitchen, mentions: readonly Mention[], text: string): boolean {
  return (
    mentions.length > 0 &&
    mentions.every(({ line }) => k.isSaltOrPepper(line)) &&
    mentions.every(({ line }) => k.isUsedUp(line) || isSaltToTaste(k, line)) &&
    /\b(?:if|more|extra|again|to taste|wants?|needs?|needed)\b/i.test(text)
  );
}
