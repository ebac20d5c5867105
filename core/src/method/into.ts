import { joinsAt, joinsLater, middleOf } from './later.js';
import { unlisted, unknown, soakedIn } from './foods.js';
import { target } from './where.js';
import { LEAST_OF_SOUP, type Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { minutesIn, ovenIn, degreesIn, partOf } from './measures.js';
import { HOW_ONLY } from './usual.js';
import { isHob, type Vessel } from './vessel.js';
import type { Clause } from './clauses.js';
import { doRoast, doHeat } from './heat.js';
import { heated, kindOfHeat } from './heated.js';
import { A_FEW, lift } from './lift.js';
import { ASIDE, heldAside, meantAside, restOfKept, whatSoftens, withoutLaterHerbs } from './meant.js';
import { isGivenBack, isPartLifted, partOffTray, returnsKept } from './given-back.js';
import { joinAll, movedHere } from './moved.js';
import { onTop } from './top.js';
import { withWater, isSaltToTaste, isDeglazing, deglazeWith, coverWith, yolksMoved, thinWith, creamTarget } from './poured.js';

const IN_THE_OVEN =
  /\b(?:put|place|pop|slide|return|bung|shove|get|whack|stick|set)\b.*\b(?:in|into|to) (?:the|a|your)(?: (?:very )?(?:hot|preheated|moderate|medium|heated))?(?: ?\d{2,3} ?(?:°|º|degrees?)? ?[CF]?)? ?oven\b/i;

const PAN_WITH =
  /( (?:to|into|in) the (?:\w+ )?(?:pan|pot|saucepan|casserole)) (?:with|of|containing|holding|that has) (?:the |your )?((?!.*\band\b)[a-z][a-z ]*?)\s*$/i;

const TWO_TRAYS =
  /^(.*\b(?:on|in|onto|into) (?:one|a|the first) (?:[\w-]+ )*(?:trays?|sheets?|tins?|pans?)\b),?(?: and| with|,)? (?!.*\btoss\b)(.*\b(?:on|in|onto|into) (?:another|a second|the other|the second|a separate)\b.*)$/i;

const FOR_TOP =
  /\bfor (?:the )?(?:drizzl\w+|garnish\w*|tops?|topping|serving|swirl\w*|finish\w*)\b|\bto (?:serve|garnish|finish|drizzle|swirl)\b/i;

/** What goes in; "(save some pretty florets)" behind what was cooked already is taken back from it. */
export function doAdd(k: Kitchen, whole: Clause, n: number): void {
  addAll(k, whole, n);
  const aside = ASIDE.exec(whole.text);
  const cooked = aside === null ? undefined : (meantAside(k, whole, aside) ?? whatSoftens(k, whole, aside.index));
  const isKept = k.actions.some(({ clause, does }) => clause === n && does === 'keep');
  if (aside !== null && cooked !== undefined && !isKept && k.isUsedUp(cooked.line))
    lift(k, n, [{ ...cooked, vague: true }], true, partOf(aside[1] ?? '') ?? A_FEW);
}

/** "Stir to coat in the butter": how it is done, by what is in already. */
const COATED = /\b(?:to coat|coated|coating)\b/i;

function addAll(k: Kitchen, whole: Clause, n: number): void {
  if (
    /^(?:and |then )*(?:put|place|pop|move)\b(?: (?:it|them|these|those|this))? (?:(?:to|on) one side|aside|by)\b/i.test(whole.text)
  ) {
    // "Break the tops into florets and put to one side."
    k.as('set', { ...whole, text: 'set aside', verb: 'set', verbAt: 0 }, n);
    return;
  }
  const cut = k.cutBefore();
  const few =
    /^(?:and |then )*(?:put|set|place|pop|leave) (?:a few|some|a couple|a handful)(?: (?:of the )?[\w-]+)? (?:ones|bits|pieces) (?:by|aside|back|to one side)\b/i;
  const [only] = cut;
  if (few.test(whole.text) && only !== undefined && cut.length === 1) {
    // "Cut into florets – put a few tiny ones by for later."
    const name = (k.lineOf(only)?.taken.row.name.split(',')[0] ?? '').toLowerCase();
    k.as('reserve', { ...whole, text: `reserve a few of the ${name}`, verb: 'reserve', verbAt: 0 }, n, 'reserve');
    return;
  }
  if (/^(?:and |then )*scrape\b.*\b(?:cobs?|ears?)\b/i.test(whole.text)) {
    // "Scrape the cobs to release their milk."
    k.put('prepare', n, { vessel: undefined });
    return;
  }
  const out = /^(?:and |then )*(?:ladle|scoop|spoon|dip|lift) out (?:[^.;]*? of )?(?:the |some |a few )?(.+)$/i.exec(whole.text);
  const lifted = out === null ? [] : k.mentions(out[1] ?? '', whole).filter(({ line }) => k.isUsedUp(line) && !k.isLiquid(line));
  if (lifted.length > 0 && k.here !== undefined && lifted.every(({ line }) => k.here?.lines.has(line) === true)) {
    // "Ladle out 2 cups of beans and reserve": how much that is of what has swollen nobody says.
    const kept = k.clauses
      .slice(n, n + 2)
      .some(({ text, sentence }) => sentence === whole.sentence && /\b(?:reserve|keep|set aside|save|aside)\b/i.test(text));
    lift(
      k,
      n,
      lifted.map((one) => ({ ...one, vague: true as const })),
      kept,
      partOf(whole.text) ?? A_FEW,
    );
    return;
  }
  const filled =
    /^(?:and |then )*ladle (?:it|that|the soup|this)?(?: \w+)? ?(?:out|up|into (?:the |your |warm )?(?:\w+ )?bowls?)\b,?\s*(.*)$/i.exec(
      whole.text,
    );
  if (filled !== null && k.isFinished() && !/\bof\b.*\breserve\b/i.test(whole.text)) {
    // "Ladle it out, swirl of coconut cream, pepitas."
    k.put('serve', n);
    const above = k.mentions(filled[1] ?? '', whole);
    if (above.length > 0) onTop(k, above, filled[1] ?? '', n);
    return;
  }
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
    const measured = k.measuredAs(heldLine.line, saved.replace(/\s+(?:for|to|of|aside|until)\b.*$/i, ''));
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
  if (isInWater(k, clause, n, body)) return;
  if (isDrawn(k, clause, n, body)) return;
  if (isOwnStock(k, clause, n, body)) return;
  if (
    /\b(?:back )?(?:on|over|onto|to) (?:the|a) (?:very )?(?:low |gentle |medium |lowest )?(?:heat|hob|stove|flame)$/i.test(text) &&
    k.mentions(body, clause).length === 0
  ) {
    k.put('setting', n);
    return;
  }
  if (
    /^(?:and |then )?(?:stir|pour|tip|mix) (?:it |this )?back in\b/i.test(text) &&
    k.here?.isBlended === true &&
    k.here.aside.size === 0
  ) {
    k.put('setting', n);
    return;
  }
  if (/^throw (?:out|away)\b/i.test(body)) {
    k.as('remove', { ...clause, text: text.replace(/\bthrow (?:out|away)\b/i, 'remove') }, n, 'remove');
    return;
  }
  if (ICED.test(text) && k.mentions(body, clause).every(({ line }) => k.isUsedUp(line))) {
    iced(k, clause, n);
    return;
  }
  if (clause.verb === 'use' && /\bto (?:pur[ée]e|blend|blitz|whizz?|liquidi[sz]e|process)\b/i.test(text)) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (
    clause.verb === 'use' &&
    /\b(?:stick|hand|immersion|wand|jug)?[- ]?(?:blender|liquidi[sz]er)\b/i.test(text) &&
    k.mentions(body, clause).length === 0
  ) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (clause.verb === 'use' && /\bslotted spoon\b/i.test(text) && k.mentions(body, clause).every(({ line }) => k.isUsedUp(line))) {
    k.as('remove', { ...clause, text: 'remove with a slotted spoon to a plate', verbAt: 0 }, n, 'remove');
    return;
  }
  if (/\b(?:through|thru) (?:(?:a|the|your) )?(?:blender|liquidi[sz]er|food processor)\b/i.test(text)) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (/^\w+ (?:the two|both|the lot|them all|everything|all)(?: \w+){0,2} together\b/i.test(body) && joinAll(k, n)) return;
  if (/\b(?:through|via) (?:a |the )?(?:\w+[ -])*(?:sieve|strainer|mouli|food mill|chinois|colander)\b/i.test(text)) {
    k.as('strain', clause, n);
    return;
  }
  if (/\b(?:return|bring|come|back) to (?:the|a) (?:boil|simmer)\b/i.test(text) && k.mentions(body, clause).length === 0) {
    k.as('bring', clause, n);
    return;
  }
  if (/\b(?:within|for up to) (?:\d+|one|two|three|four|five) (?:days?|months?|weeks?)\b/i.test(text)) {
    k.put('store', n);
    return;
  }
  if (/^(?:pour|tip|spoon|ladle|drain) (?:off|away|out)\b.*\b(?:fat|oil|grease|drippings?)\b/i.test(body)) {
    k.put('setting', n);
    return;
  }
  if (/\b(?:a|the) (?:tight[- ]fitting )?lid\b/i.test(body) && k.mentions(body, clause).length === 0) {
    if (k.here !== undefined) k.here.lid = 'on';
    k.put('setting', n);
    return;
  }
  if (IN_THE_OVEN.test(body) && k.mentions(body, clause).length === 0) {
    const isTimedBehind = minutesIn(k.clauses[n + 1]?.text ?? '') !== undefined && k.clauses[n + 1]?.verb === undefined;
    if (minutesIn(text) !== undefined || ovenIn(text, k.context.country) !== undefined || isTimedBehind) doRoast(k, clause, n);
    else k.put('setting', n);
    return;
  }
  const isLiquor =
    /\b(?:reserved|cooking|soaking) (?:water|liquid|liquor)\b/i.test(body) && k.vessels.some(({ isDrained }) => isDrained);
  // "Slice the artichokes, drain, add": what was made ready, or what was soaked and drained.
  const isBareAdd = /^(?:and |then )?(?:add|tip in|in)(?: (?:them|it|these))?$/i.test(text);
  const drained = k.actions.at(-1);
  const soaked =
    isBareAdd && drained?.does === 'drain' && k.clauses[drained.clause]?.sentence === clause.sentence
      ? k.open().find(({ name, isDrained }) => isDrained && name === drained.vessel)
      : undefined;
  if (soaked !== undefined && k.here !== undefined && soaked !== k.here) {
    const lines = [...soaked.lines].map((line) => ({ line }));
    k.move(soaked, k.here, n);
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
    ({ line }) => !(SALT_MEASURED.test(body) && isSaltToTaste(k, line)),
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
    // Scalded in a bowl so that the skins slip off: the water goes nowhere.
    k.unlist(more);
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
  const goingIn = withWater(k, body, [...mentions, ...more, ...soakedIn(k, body, clause)]);
  if (goingIn.length === 0 && k.placeIn(body) === undefined) goingIn.push(...unknown(k, body, clause));
  const hasCover =
    /\b(?:to (?:just |barely |almost )?cover|(?:until|till|so (?:that )?(?:it|they|everything)(?:['’]s|['’]re| is| are)) (?:just |barely )?covered|enough[\w ]*cover|just covers?)\b/i.test(
      text,
    );
  const vessel = target(k, clause, n, goingIn);
  intoVessel(k, clause, n, vessel, goingIn, hasCover);
}

/** "Pour in the corn stock": the one that was boiled and strained before, in a pot of its own. */
function isOwnStock(k: Kitchen, clause: Clause, n: number, body: string): boolean {
  const { here } = k;
  const stock = k.open().find((one) => one.isStock && one !== here && isHob(one));
  if (stock === undefined || here === undefined || !isHob(here) || !/\b(?:stock|broth|liquor)\b/i.test(body)) return false;
  if (k.all.some(({ taken }) => taken.row.group === 'liquids' && taken.row.id.includes('stock'))) return false;
  const lines = [...stock.lines].map((line) => ({ line }));
  k.move(stock, here, n);
  // How much of it is said, and all of it goes in: told.
  k.put('join', n, { vessel: here.name, lines, assumed: /\d/.test(body) ? ['SHARE'] : [] });
  const others = k.mentions(body, clause).filter(({ line }) => !k.isUsedUp(line));
  if (others.length > 0) intoVessel(k, clause, n, here, others, false);
  here.isWet = true;
  return true;
}

/** "Pour this tempering over the soup": into the pot that it is for, and not bowl by bowl. */
function isTempering(k: Kitchen, { text }: Clause, n: number): boolean {
  const { here } = k;
  if (
    !/\b(?:temper(?:ing)?|tadka|tarka|chaunk|sizzling (?:oil|butter|ghee)|(?:flavou?red|spiced|infused) (?:oil|butter|ghee))\b/i.test(
      text,
    )
  )
    return false;
  if (/\b(?:each|bowls?|to serve|portions?)\b/i.test(text) || here === undefined || !isHob(here) || here.isWet) return false;
  const pot = k.open().findLast((one) => one !== here && isHob(one) && (one.isWet || one.isBlended) && !one.isForTop);
  if (pot === undefined) return false;
  const lines = [...here.lines].map((line) => ({ line }));
  k.move(here, pot, n);
  k.put('join', n, { vessel: pot.name, lines });
  k.here = pot;
  return true;
}

/** "Drop them into a bowl of water with the juice of half the lemon": so that nothing browns, and no water of the soup's. */
function isInWater(k: Kitchen, clause: Clause, n: number, body: string): boolean {
  const isBowl =
    /\b(?:bowl|bucket|basin|sink|bath|tub|pan|pot)(?:ful)? of (?:[\w-]+ ){0,3}water\b/i.test(body) ||
    /\b(?:in|into) (?:some |plenty of )?(?:cold )?(?:acidulated|lemony|lemon|vinegared) water\b/i.test(body);
  if (!isBowl || /\b(?:boil\w*|simmer\w*|salted|hot|iced?|ice-cold)\b/i.test(body)) return false;
  const lines = k.about(clause).filter(({ line }) => {
    const row = k.lineOf(line)?.taken.row;
    return row !== undefined && row.softening > 0 && !k.isUsed(line) && !/^(?:lemon|lime)/.test(row.id);
  });
  if (lines.length === 0) return false;
  k.put('prepare', n, { vessel: undefined, lines: lines.map(({ line }) => ({ line })) });
  return true;
}

/** "In a colander, with salt, for 20 minutes; rinse and dry": what salt draws out, and nothing of it goes into the soup. */
function isDrawn(k: Kitchen, clause: Clause, n: number, body: string): boolean {
  if (k.vessels.some(({ isHot }) => isHot)) return false;
  const ahead = k.clauses.slice(n + 1, n + 1 + RINSED_WITHIN).some(({ text }) => /\brins(?:e|ed|ing)\b/i.test(text));
  if (!ahead) return false;
  const isInColander = /\b(?:colander|sieve|strainer)\b/i.test(body);
  const mentions = k.mentions(body, clause);
  const isSalting =
    /\bsalt\b/i.test(body) &&
    mentions.every(({ line }) => (k.lineOf(line)?.taken.row.id ?? '').endsWith('salt') || !k.isUsedUp(line));
  if (!isInColander && !isSalting) return false;
  const lines = mentions.filter(({ line }) => !(k.lineOf(line)?.taken.row.id ?? '').endsWith('salt')).map(({ line }) => ({ line }));
  k.put('prepare', n, { vessel: undefined, lines });
  return true;
}
/** So many clauses at most lie between the salting and the rinsing. */
const RINSED_WITHIN = 4;

const ICED = /\b(?:ice|iced|ice-cold)[- ](?:cold )?water\b|\bice (?:and|&) water\b|\bice[- ]bath\b/i;

/** "Fill a bowl with iced water", "plunge into the iced water": what was blanched is drained, a blended soup cools, and no water goes in. */
function iced(k: Kitchen, clause: Clause, n: number): void {
  const { here } = k;
  if (clause.verb === 'fill' || here?.isHot !== true) k.put('setting', n);
  else if (here.isBlended) k.as('cool', clause, n);
  else if (here.isWet && here.lines.size > LEAST_OF_SOUP) k.as('cool', { ...clause, text: 'cool over ice', verbAt: 0 }, n, 'cool');
  else if (here.isWet) k.as('drain', { ...clause, text: 'drain', verbAt: 0 }, n, 'drain');
  else k.put('setting', n);
}

/** "1/2 teaspoon salt" in the method is so much, whatever the step that seasons settles. */
const SALT_MEASURED =
  /(?:\d|½|¼|¾|\ba|\bone|\bhalf a) ?(?:g|grams?|tsps?|teaspoons?|tbsps?|tablespoons?)\.? (?:of )?(?:\w+ )?salt\b/i;

/** "Add more salt if it needs it." */
function isMoreSalt(k: Kitchen, mentions: readonly Mention[], text: string): boolean {
  return (
    mentions.length > 0 &&
    mentions.every(({ line }) => k.isSaltOrPepper(line)) &&
    mentions.every(({ line }) => k.isUsedUp(line) || isSaltToTaste(k, line)) &&
    /\b(?:if|more|extra|again|to taste|wants?|needs?|needed)\b/i.test(text)
  );
}

export function intoVessel(
  k: Kitchen,
  clause: Clause,
  n: number,
  vessel: Vessel,
  mentions: readonly Mention[],
  hasCover: boolean,
): void {
  const body = k.body(clause);
  movedHere(k, clause, n, vessel, body);
  const covering = hasCover ? mentions.filter(({ line }) => k.isLiquid(line)) : [];
  const deglazing = isDeglazing(k, vessel, mentions, n);
  const yolk = yolksMoved(k, vessel, n, mentions);
  if (yolk) return;
  const isAsCream = /\bas the cream\b/i.test(clause.text);
  const creams = mentions.filter(
    ({ line }) =>
      (k.isCream(line) || isAsCream) && (vessel.isBlended || isAsCream || (vessel.isWet && vessel.isHot)) && !k.isUsedUp(line),
  );
  const thinning =
    vessel.isBlended && THINS.test(clause.text)
      ? mentions.filter(({ line }) => k.isLiquid(line)).slice(0, /\bor\b/i.test(clause.text) ? 1 : undefined)
      : [];
  const isEither = thinning.length > 0 && /\bor\b/i.test(clause.text);
  const salted = mentions.filter(({ line }) => isSaltToTaste(k, line));
  const plain = mentions.filter(
    (one) =>
      !salted.includes(one) &&
      !covering.includes(one) &&
      !deglazing.includes(one) &&
      !creams.includes(one) &&
      !thinning.includes(one) &&
      !(isEither && k.isLiquid(one.line)),
  );
  const creamFirst = creams.length > 0 && creams[0] === mentions[0];
  const pourCream = (): void => {
    for (const one of creams) {
      const use = k.use(one, body);
      vessel.lines.add(one.line);
      k.put('cream', n, { vessel: vessel.name, lines: [use] });
      k.spoon(vessel, { kind: 'cream', clause: n, use, target: creamTarget(clause.text) });
    }
  };
  if (creamFirst) pourCream();
  const { added, joined, back } = k.putLines(vessel, plain, body, n);
  k.here = vessel;
  k.told(joined, vessel, n);
  if (back.length > 0) k.put('giveBack', n, { vessel: vessel.name, lines: back.map((line) => ({ line })) });
  if (added.length > 0) {
    const vague = plain.some(({ vague: own }) => own);
    k.put('add', n, { vessel: vessel.name, lines: added, assumed: vague ? ['SHARE'] : [] });
  }
  for (const one of covering) coverWith(k, one, vessel, n);
  if (salted.length > 0) k.as('season', { ...clause, text: 'season' }, n);
  for (const one of deglazing) deglazeWith(k, one, vessel, clause, n);
  if (!creamFirst) pourCream();
  for (const one of thinning) thinWith(k, one, vessel, clause, n);
  const did =
    salted.length +
    added.length +
    joined.length +
    back.length +
    covering.length +
    deglazing.length +
    creams.length +
    thinning.length;
  // "Cook for 5 minutes" is its own clause; "stir for 1 minute" heats too.
  if (
    minutesIn(clause.text) !== undefined &&
    (vessel.isHot || (isHob(vessel) && vessel.lines.size > 0)) &&
    !vessel.isBlended &&
    /\b(?:stir\w*|for|cook)\b|\s\d+ ?min(?:ute)?s?\.?$|, ?(?:about )?\d+(?: ?[-–] ?\d+)? ?(?:m\b|min|sec|['′’](?!\w))/i.test(
      clause.text,
    ) &&
    deglazing.length === 0
  ) {
    const kind = kindOfHeat(k, clause, vessel, [], false);
    const isFryOn = kind === 'sweat' && k.lastHeat === 'fry' && !/\b(?:soft\w*|gentl[ey]|low|lid)\b/i.test(clause.text);
    heated(k, vessel, isFryOn ? 'fry' : kind, clause, n, []);
    return;
  }
  const atC = degreesIn(clause.text);
  const isWarmed =
    did > 0 &&
    vessel.isBlended &&
    /\buntil (?:just |piping |really )?(?:hot|heated|warmed|warm)\b|\bheated through\b/i.test(clause.text);
  if (isWarmed) {
    doHeat(k, { ...clause, text: 'heat through', verbAt: 0 }, n, 'heat');
    return;
  }
  if (atC !== undefined && atC >= SERVED_C && atC < BOILS_C && vessel.isBlended) {
    const time = minutesIn(clause.text.replace(/\b(?:and )?hold\b.*$/i, ''));
    const words = time === undefined ? 'heat through' : `heat through for ${String(middleOf(time))} minutes`;
    doHeat(k, { ...clause, text: words, verbAt: 0 }, n, 'heat');
    return;
  }
  if (salted.length === 0 && /\b(?:salt|seasoning)\b.*\bto taste\b/i.test(body))
    k.as('season', { ...clause, text: 'season', verbAt: 0 }, n);
  else if (did === 0) {
    // "Tip onto a baking tray", of what was tossed before.
    const isPlaced = k.placeIn(body) !== undefined && vessel.lines.size > 0;
    k.put(k.movedNow || mentions.length > 0 || isPlaced || HOW_ONLY.test(clause.text) ? 'setting' : 'remark', n);
  }
}

/** "Add enough water to give the consistency you like": a pour behind the blade that has an end. */
const THINS =
  /\bif\b[^.]*\b(?:thick|necessary|needed|required)\b|\bto (?:thin|loosen|adjust)\b|\bthin(?:ner)?\b|\b(?:until|till|to|for)\b[^.]*\b(?:consistency|thickness)\b/i;

/** A soup that is brought to so much is warmed, °C. */
const SERVED_C = 60;
const BOILS_C = 97;
