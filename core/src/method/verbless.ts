import { PARTICIPLES, VERBS } from './lexicon.js';
import { ASIDE } from './meant.js';
import { BLOOM_MOST, FOR_TOP } from './usual.js';
import type { Clause } from './clauses.js';
import { heated } from './heated.js';
import { doRoast } from './heat.js';
import { doPreheat } from './warm.js';
import { doBring, doSimmer } from './boil.js';
import { doAdd } from './into.js';
import type { Kitchen } from './kitchen.js';
import { joinsAt, settledLater } from './later.js';
import { minutesIn } from './measures.js';
import { doSeason } from './taste.js';
import { isHob } from './vessel.js';
import { onTop } from './top.js';

/** A clause without a word for what is done: kitchen notes, lists, and what is said of the food itself. */
export function verbless(k: Kitchen, whole: Clause, n: number): void {
  const clause = { ...whole, text: whole.text.replace(WHEN, '') };
  const { text } = clause;
  if (n === 0 && (TITLE.test(text) || IN_CAPITALS.test(text)) && minutesIn(text) === undefined) {
    // "Parsnip soup 60 covers", over the method.
    k.put('remark', n);
    return;
  }
  if (
    /^(?:and |then )*(?:crank|whack|ramp|jack|knock|back|drop|nudge|kick|dial) (?:up |down )?(?:the |it )?/i.test(text) &&
    k.mentions(k.body(clause), clause).length === 0
  ) {
    // "Crank the heat to get a boil", "back it down so it barely bubbles, for half an hour".
    if (minutesIn(text) !== undefined && k.here !== undefined && isHob(k.here) && k.here.isWet) {
      heated(k, k.here, 'simmer', clause, n, []);
      return;
    }
    if (/\bboil\b/i.test(text) && minutesIn(text) === undefined) doBring(k, { ...clause, text: 'bring to the boil' }, n);
    else k.put('setting', n);
    return;
  }
  if (/^(?:and |then )?(?:the )?lid(?: (?:back )?on)?$/i.test(text) && k.here !== undefined && isHob(k.here)) {
    k.here.lid = 'on';
    k.put('setting', n);
    return;
  }
  const held = /^(\d{2}) ?(?:°|º)? ?C? hold\b/i.exec(text);
  if (held !== null) {
    // "72C hold."
    k.as('reserve', { ...clause, text: `hold at ${held[1] ?? ''} C`, verb: 'hold', verbAt: 0 }, n, 'hold');
    return;
  }
  const goes = /^(?:and |then )*in (?:they|it|these|those|that) go(?:es)?\b(?: too| as well| next| also)?(.*)$/i.exec(text);
  const placed = /^(?:and |then )*(?:they|those|these|it|that)(?: all)? go(?:es)? ((?:in|on|into|onto|to)\b.*)$/i.exec(text);
  if (placed !== null) {
    // "And they go on a big tray."
    k.as('add', { ...clause, text: `add them ${placed[1] ?? ''}`, verb: 'add', verbAt: 0 }, n, 'add');
    return;
  }
  if (goes !== null) {
    // "And in they go too, another 10 mins with the lid on."
    const how = (goes[1] ?? '').replace(/^,? (?:for )?(another|a further) /i, ' for $1 ');
    k.as('add', { ...clause, text: `add them${how}`, verb: 'add', verbAt: 0 }, n, 'add');
    return;
  }
  if (/^[\w ,&]+ out$/i.test(text) && k.mentions(text, clause).some(({ line }) => k.vesselOf(line) !== undefined)) {
    // "Bay out."
    k.as('remove', { ...clause, text: `remove ${text.replace(/ out$/i, '')}`, verbAt: 0 }, n, 'remove');
    return;
  }
  if (/\b(?:in|on|out) (?:with|comes|goes) (?:the|your) (?:stick |hand |immersion |jug )?(?:blender|liquidi[sz]er)\b/i.test(text)) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (/^(?:and |then )?out (?:with|come|comes|goes|go)\b/i.test(text)) {
    // "Out with the bay."
    k.as('remove', { ...clause, text: text.replace(/^(?:and |then )?out (?:with|comes?|goe?s?)/i, 'remove'), verbAt: 0 }, n);
    return;
  }
  if (
    k.here?.isWet === true &&
    /^(?:(?:and |then )*(?:the |use (?:a |the )?)?(?:stick|hand|immersion|jug|bar) )?(?:blender|liquidi[sz]er)\b/i.test(text)
  ) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (
    k.here?.isWet === true &&
    /^(?:and |then |straight |all |everything |off |on )*(?:into|in) (?:a |the |your )?(?:\w+ )?(?:blender|liquidi[sz]er|(?:food )?processor|goblet)\b/i.test(
      text,
    )
  ) {
    // "Straight into the blender, then through a sieve."
    k.as('blend', { ...clause, text: `blend ${text}`, verb: 'blend', verbAt: 0 }, n, 'blend');
    return;
  }
  if (
    /^(?:and |then )*(?:all )?(?:in|into) (?:a |the )?(?:\w+ )?(?:pot|pan|saucepan|stockpot|blender)\b/i.test(text) &&
    k.here?.kind === 'tray'
  ) {
    // "Into the pot with stock": what is on the tray.
    k.as('add', { ...clause, text: `tip everything ${text.replace(/^.*?(?=in)/i, '')}`, verb: 'tip', verbAt: 0 }, n);
    return;
  }
  const told = TOLD.exec(text);
  const sense = told === null ? undefined : VERBS[PARTICIPLES[(told[1] ?? '').toLowerCase()] ?? ''];
  if (sense !== undefined && told !== null && minutesIn(text) !== undefined && k.mentions(text, clause).length > 0) {
    // "Parsnips and onion roasted at 190 for 40 mins."
    k.as(sense, { ...clause, verb: PARTICIPLES[(told[1] ?? '').toLowerCase()] }, n, told[1]);
    return;
  }
  if (
    /^(?:and |then )*(?:through|by way of) (?:a |the )?(?:\w+[ -])*(?:sieve|strainer|mouli|(?:food )?mill|chinois|colander)\b|^(?:fine )?(?:chinois|tamis|sieve|mouli)$/i.test(
      text,
    )
  ) {
    k.as('strain', clause, n, 'pass');
    return;
  }
  const bladed =
    /^(.+?)[:;,–-]+ ?(?:in (?:the |a )?)?(?:blender|liquidi[sz]er|food processor|jug blender),? ?(?:until |till )?(?:smooth|silky|fine)?[.\s]*$/i.exec(
      text,
    );
  if (bladed !== null && k.mentions(bladed[1] ?? '', clause).some(({ line }) => !k.isUsedUp(line))) {
    // "Cucumber, garlic, yoghurt: blender, smooth."
    verbless(k, { ...clause, text: bladed[1] ?? '' }, n);
    k.as('blend', { ...clause, text: 'blend in a blender', verb: 'blend', verbAt: 0 }, n, 'blend');
    return;
  }
  const mentions = k.mentions(k.body(clause), clause);
  if (
    /\bin (?:a |another )?(?:separate |big |large )?(?:bowl|bucket|pan|basin) of (?:cold |fresh )?water\b/i.test(text) &&
    !k.vessels.some(({ isHot }) => isHot)
  ) {
    // "The ham in a bowl of cold water": soaked before anything is cooked.
    k.put('prepare', n, {
      vessel: undefined,
      lines: mentions.filter(({ line }) => k.lineOf(line)?.taken.row.id !== 'water').map(({ line }) => ({ line })),
    });
    return;
  }
  if (
    /\b(?:keeps?(?! (?:the |its |their |an? )?(?:colou?r|green|warm|stirring|moving|eye|watch|hot|it|them))|freez\w+|fridge|freezer)\b/i.test(
      text,
    ) &&
    mentions.length === 0
  ) {
    k.put('store', n);
    return;
  }
  const aside = ASIDE.exec(text);
  if (aside !== null && FOR_TOP.test(aside[1] ?? '') && k.mentions(text.slice(0, aside.index), clause).length > 0) {
    // "In with the coconut milk (keep back a spoonful to swirl on top)."
    doAdd(k, clause, n);
    return;
  }
  const tasted = /^([^,;]*\bto taste), (?:and |then )?(.*\b(?:on top|over the top|to serve|to garnish))\s*$/i.exec(text);
  if (tasted !== null) {
    // "Lime juice to taste, peanuts on top."
    verbless(k, { ...clause, text: tasted[1] ?? '' }, n);
    verbless(k, { ...clause, text: tasted[2] ?? '' }, n);
    return;
  }
  if (
    /\b(?:on top|to serve|over the top|to garnish|(?:each|per) (?:bowl|portion|plate|person|cover|head)|pp|p\/p|(?:on|at|for|to) service)\b/i.test(
      text,
    ) &&
    mentions.length > 0
  ) {
    onTop(k, mentions, text, n);
    return;
  }
  if (/^(?:the )?oven (?:on )?(?:to|at|on|\d)/i.test(text) && mentions.length === 0) {
    // "Oven 180 fan, 1 hr 30", of what was wrapped before.
    if (minutesIn(text) !== undefined && k.here?.isHot === false) doRoast(k, clause, n);
    else doPreheat(k, clause, n);
    return;
  }
  if (
    n === k.clauses.length - 1 &&
    k.isFinished() &&
    mentions.length > 0 &&
    mentions.every(({ line }) => k.lineOf(line)?.taken.role === 'herb' && !k.isUsedUp(line)) &&
    !/\b(?:in|through)\b/i.test(text)
  ) {
    // "Don't let it boil again. Chives."
    onTop(k, mentions, text, n);
    return;
  }
  const isSeason = mentions.length > 0 && mentions.every(({ line }) => k.isSaltOrPepper(line));
  if (/\bs ?[+&] ?p\b/i.test(text)) {
    if (mentions.length > 0) doAdd(k, clause, n);
    doSeason(k, { ...clause, text: 'season' }, n);
    return;
  }
  if (mentions.length === 0 && /(?:^|\b(?:up|back) )to (?:a|the) (?:boil|simmer)\b|\bdown to a\b.*\bsimmer\b/i.test(text)) {
    if (/\bboil\b/i.test(text)) doBring(k, { ...clause, text: 'bring to the boil' }, n);
    if (/\bsimmer\b/i.test(text) && minutesIn(text) !== undefined) doSimmer(k, clause, n);
    return;
  }
  if (
    mentions.length === 0 &&
    /^(?:loads|lots|plenty|a good grind\w*) of (?:black |white |freshly ground )*(?:pepper|salt)\b/i.test(text)
  ) {
    doSeason(k, { ...clause, text: 'season' }, n);
    return;
  }
  if (isSeason || (mentions.length === 0 && /^(?:salt|pepper|seasoning)\b/i.test(text))) {
    doSeason(k, clause, n);
    return;
  }
  if (/\boff the heat\b|^heat off\b/i.test(text) && mentions.length === 0) {
    k.put('setting', n);
    return;
  }
  const minutes = minutesIn(text);
  if (
    minutes !== undefined &&
    mentions.length > 0 &&
    k.here?.kind === 'tray' &&
    !k.here.isHot &&
    /\b(?:going|goes|go|back) in\b|\bin (?:it|they) go(?:es)?\b/i.test(text)
  ) {
    // "Oil all over, paprika, and that's going in for 45 minutes."
    const at = text.search(
      /,? (?:and )?(?:that|it|they|this)(?:['’](?:s|re)| is| are)? (?:all )?(?:going|goes|go)\b|,? (?:and )?in (?:it|they) go/i,
    );
    if (at > 0) doAdd(k, { ...clause, text: text.slice(0, at) }, n);
    doRoast(k, { ...clause, text: at > 0 ? text.slice(at) : text }, n);
    return;
  }
  if (mentions.length === 0 && /^(?:on )?(?:low|high)\b/i.test(text) && (minutes?.high ?? 0) >= SLOW_MIN && k.here !== undefined) {
    // "Low 8-9 hrs": a slow cooker, which has its lid on.
    heated(k, k.here, 'simmer', { ...clause, text: `${text} with the lid on` }, n, []);
    return;
  }
  const poured = k.clauses
    .slice(Math.max(0, n - 2), n)
    .some((one) => /\b(?:in|into|to) (?:the |a |your )?(?:\w+ )?(?:blender|liquidi[sz]er|processor)\b/i.test(one.text));
  if (mentions.length === 0 && minutes !== undefined && poured && k.blenderSaid !== undefined && k.here?.isBlended !== true) {
    // "Everything in the blender with the stock. 2 mins full whack."
    k.as('blend', { ...clause, text: `blend ${text}`, verb: 'blend', verbAt: 0 }, n, 'blend');
    return;
  }
  const onTray = k.here?.kind === 'tray';
  if (onTray && minutes !== undefined && mentions.length === 0) {
    doRoast(k, clause, n);
    return;
  }
  if (
    mentions.length > 0 &&
    minutes !== undefined &&
    (/\b(?:on|in) (?:\d+ ?[x×]? ?)?(?:[\w/.]+ ){0,2}(?:trays?|tins?)\b/i.test(text) ||
      /, (?:trays?|roasting tin)(?=,|$)/i.test(text))
  ) {
    // Kitchen notes: "squash on 2 trays, 35 min".
    doRoast(k, clause, n);
    return;
  }
  const isElsewhere = onTray && k.here?.isHot === true && !/\b(?:trays?|tins?|oven|roast\w*)\b/i.test(text);
  if (isElsewhere && minutes !== undefined && mentions.some(({ line }) => !k.isUsedUp(line) && !k.isLiquid(line))) {
    // "Onion in the rest of the oil, 12 min gentle", while the tray is in.
    k.as(/\b(?:gentle|gently|low|soft)\b/i.test(text) ? 'sweat' : 'cook', clause, n);
    return;
  }
  const isReady = /\b(?:soaked|chopped|peeled|sliced|diced|washed|ready|prepared)\b/i.test(text);
  if (isReady && mentions.length > 0 && !k.vessels.some(({ isHot }) => isHot)) {
    // "Two onions, three carrots, all chopped up": what is wanted, told before the work, where it is spoken of again.
    const later = k.clauses.slice(n + 1).flatMap((one) => k.names.mentions(one.text, one.section, () => false));
    if (mentions.every(({ line }) => later.some((one) => one.line === line))) {
      k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
      return;
    }
  }
  const heats = k.actions.length;
  if (mentions.length > 0 && k.isFinished() && /^(?:serve|garnish)$/.test(k.actions.at(-1)?.does ?? '')) {
    onTop(k, mentions, text, n);
    return;
  }
  if (mentions.length > 0) doAdd(k, clause, n);
  // "Florets in for the last 4 minutes": of the heat that was to come.
  if (mentions.length > 0 && joinsAt(text) !== undefined && (k.here?.steps.at(-1)?.clause ?? n) !== n) {
    const time = minutesIn(text);
    if (time !== undefined && k.here !== undefined)
      k.put(k.here.isWet ? 'simmer' : 'sweat', n, { vessel: k.here.name, minutes: { low: time.low, high: time.high } });
    return;
  }
  const isSaltNamed = /\b(?:salt|seasoning)\b/i.test(text) && !/\bsalted\b/i.test(text);
  const isSaltMeasured = mentions.some(
    ({ line }) => (k.lineOf(line)?.taken.row.id ?? '').endsWith('salt') && (k.lineOf(line)?.taken.kg ?? 0) > 0,
  );
  if (mentions.length > 0 && isSaltNamed && !isSaltMeasured && k.actions.at(-1)?.does !== 'season')
    doSeason(k, { ...clause, text: 'season' }, n);
  if (mentions.length > 0 && /\bback to (?:the )?boil\b/i.test(text)) doBring(k, { ...clause, text: 'bring to the boil' }, n);
  if (k.actions.slice(heats).some(({ minutes: own }) => own !== undefined)) return;
  if (mentions.length === 0 && minutes !== undefined && k.here !== undefined && settledLater(k, k.here, minutes)) {
    k.put('setting', n, { minutes: { low: minutes.low, high: minutes.high } });
    return;
  }
  if (
    minutes !== undefined &&
    k.here !== undefined &&
    (mentions.length > 0 ||
      /^(?:(?:lid (?:on|off|ajar)|(?:un)?covered|(?:on (?:a )?)?(?:low|gentle|medium|high|lowest) (?:heat|flame))[, ]+)*(?:for )?(?:about |another |a further )?(?:[\d½]|(?:five|ten|fifteen|twenty|twenty-five|thirty|forty|half an hour|a few|a couple)\b)/i.test(
        text,
      ))
  ) {
    const isOther = k.lastHeat === 'simmer' || k.lastHeat === 'bloom' || (k.lastHeat === 'roast' && isHob(k.here));
    const last = k.lastHeat === undefined || isOther ? 'sweat' : k.lastHeat;
    const small = k.here.lastIn.length > 0 && k.here.lastIn.every((line) => k.isBloomed(line));
    heated(k, k.here, k.here.isWet ? 'simmer' : small && minutes.high <= BLOOM_MOST ? 'bloom' : last, clause, n, []);
    return;
  }
  if (mentions.length === 0 && k.here?.isWet === true && !k.here.isBlended && SMOOTH.test(text)) {
    // Whatever the blade is called: "wand till smooth".
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (mentions.length === 0) k.put('remark', n);
}

const TOLD =
  /\b(roasted|baked|grilled|sweated|softened|fried|sautéed|sauteed|boiled|simmered|stewed|braised)(?= (?:at|in|for|until|till|with|on|off|gently|slowly|together|\d))/i;
/** "When you can smell the spice, in with the squash": what is smelt goes nowhere. */
const WHEN = /^(?:and |then )?(?:when|once|as soon as|the moment) [^,]*, (?=in\b|on\b|the\b)/i;
const TITLE =
  /^[a-z &,’'-]*\b(?:soups?|velout[ée]|bisque|chowder|potage)\b[^.;]{0,40}$|^[a-z][a-z &,’'+–-]*\b\d+ ?(?:ptns?|portions?|covers?|pax|serves|servings|bowls|people)\b[^.;]{0,20}$/i;
const IN_CAPITALS = /^[A-Z][A-Z &,’'+–-]{6,}$/;
/** So long only a slow cooker is on low or high. */
const SLOW_MIN = 120;
const SMOOTH = /^(?:[a-z]+ )(?:it )?(?:until|till|['’]til) (?:very |really |completely |silky )?smooth\b/i;
