import { Kitchen, type KitchenContext, type Handlers } from './kitchen.js';
import { PARTICIPLES, VERBS, type Sense } from './lexicon.js';
import type { MethodLine } from './mentions.js';
import { afterSoLong, settledLater } from './later.js';
import { minutesIn } from './measures.js';
import { BLOOM_MOST } from './usual.js';
import type { Clause } from './clauses.js';
import type { Doing } from './action.js';
import {
  doRoast,
  doGrill,
  doSmoke,
  doToast,
  doHeat,
  doPreheat,
  doSweat,
  doFry,
  doBloom,
  doCook,
  doGive,
  doLine,
  doRemark,
  doHold,
} from './heat.js';
import { doBoil, doBring, doSimmer, doBlanch, doPressure, doReduce, doTurn } from './boil.js';
import { heated } from './heated.js';
import { doTop, doServe, doStore, onTop } from './top.js';
import { doAdd } from './into.js';
import { doJoin, doMix, doWrap } from './mix.js';
import { doDeglaze, doCover, doThin, doThicken, doBind, doBalance } from './thin.js';
import { doSeason, doCheck } from './taste.js';
import { doBlend, doMash } from './blade.js';
import { doPeel, doPrepare, doSoak, doSqueeze } from './knife.js';
import { doRemove, doReserve, doSet } from './out.js';
import { isSauced, isWhiteSauce } from './sauce.js';
import { doDrain, doSkim, doStrain } from './strain.js';
import { doChill, doCool, doLet } from './stand.js';

function take(k: Kitchen, whole: Clause, n: number): void {
  k.fix = k.context.fixes?.[whole.text];
  const clause = k.fix?.does === undefined ? afterSoLong(k, whole, n) : whole;
  if (clause === undefined) {
    k.fix = undefined;
    return;
  }
  if (k.here?.kind === 'jug' && k.here.section !== clause.section) {
    // The pesto is done: the cook is back at the soup.
    k.here = k.wetPots().findLast(({ kind }) => kind !== 'jug') ?? k.here;
  }
  const { text, verb } = clause;
  const does = k.fix?.does;
  if (does !== undefined) {
    const sense = SENSE_OF[does];
    if (sense === undefined) k.put('remark', n);
    else k.as(sense, clause, n, verb ?? '');
    k.fix = undefined;
    return;
  }
  if (
    /^(?:and |but )?(?:do not|don['’]t|never|on no account|avoid|make sure|be careful|ensure|take care|be sure|try not)\b/i.test(
      text,
    )
  ) {
    k.put('remark', n);
    return;
  }
  if (
    /^(?:and |then )?(?:pop|put|clap|stick|place|get|whack|bang) (?:a|the|its|your) (?:tight[- ]fitting )?lid (?:back )?on\b/i.test(
      text,
    )
  ) {
    doAdd(k, clause, n);
    return;
  }
  if (
    /^(?:and |then )?(?:get|turn|have|with|set|crank|fire) (?:on |up )?(?:the|your) oven\b/i.test(text) &&
    minutesIn(text) === undefined &&
    k.mentions(text, clause).length === 0
  ) {
    doPreheat(k, clause, n);
    return;
  }
  if (/\b(?:oven )?racks?\b/i.test(text) && !/\bwire\b|\bcool/i.test(text) && k.mentions(text, clause).length === 0) {
    doPreheat(k, clause, n);
    return;
  }
  if (clause.announces === true) {
    k.put('setting', n);
    return;
  }
  if (isWhiteSauce(k, clause, n) || isSauced(k, clause, n)) return;
  if (/\bmake (?:up )?an? (?:\w+ )?roux\b/i.test(text) && k.mentions(k.body(clause), clause).length > 0) {
    doBloom(k, { ...clause, text: text.replace(/\broux\b/i, 'paste') }, n);
    return;
  }
  const machine = /\b(smooth|creamed|pur[ée]e|chunky)\b[\w ]*\b(?:setting|programme|program|cycle|function|mode)\b/i.exec(text);
  if (machine !== null) {
    // A machine that boils and blends in one goes.
    if (k.here !== undefined) heated(k, k.here, 'simmer', clause, n, []);
    if (!/chunky/i.test(machine[1] ?? '')) k.as('blend', { ...clause, text: 'blend', verbAt: 0 }, n, 'blend');
    return;
  }
  if (/\b(?:in|into|to) (?:a |the )?(?:[\w-]+ )?(?:blender|liquidi[sz]er|food processor|processor)\b/i.test(text))
    k.blenderSaid = /\bprocessor\b/i.test(text) ? 'processor' : 'jug';
  if (/^(?:and |then )?(?:whip|whisk|yank|hook|haul|get) out\b/i.test(text)) {
    k.as('remove', { ...clause, text: text.replace(/\b(?:whip|whisk|yank|hook|haul|get) out\b/i, 'remove'), verbAt: 0 }, n);
    return;
  }
  if (
    /^(?:and |then )?(?:close|shut|lock|secure|seal|fasten|latch|open)(?: on)? (?:the )?(?:lid|vent|valve)\b/i.test(text) &&
    minutesIn(text) === undefined
  ) {
    k.put('setting', n);
    return;
  }
  if (/^(?:and |then )?get rid of\b/i.test(text)) {
    k.as('remove', { ...clause, text: text.replace(/get rid of/i, 'discard'), verb: 'discard', verbAt: 0 }, n, 'discard');
    return;
  }
  if (
    /^(?:and |then )?(?:(?:do|use|allow|let it have) (?:a |the )?)?(?:natural(?:ly)?|quick)(?: pressure)?[- ]releas/i.test(text)
  ) {
    // The pressure cooker's own way down is in its step.
    k.put('setting', n);
    return;
  }
  if (/^(?:ccp|haccp|safety|note|tip|nb|allergens?|contains|shelf[- ]life|storage)\b\s*[:.-]/i.test(text)) {
    k.put('remark', n);
    return;
  }
  const isStored = k.actions.findLast(({ does }) => does !== 'setting')?.does === 'store';
  // "Chill for 4 hours" is still said of a cold soup.
  const isTimed = /\b(?:chill|refrigerat)/i.test(text) && minutesIn(text) !== undefined;
  if (
    isStored &&
    !isTimed &&
    /^(?:and |then )*(?:re-?heat|defrost|thaw|warm|let (?:it |the soup )?cool|cool|cover|chill|refrigerate|freeze|transfer to)\b/i.test(
      text,
    ) &&
    k.mentions(text, clause).every(({ line }) => k.isUsedUp(line))
  ) {
    // How it is kept, and brought back another day.
    k.put('setting', n);
    return;
  }
  if (/\bblast[- ]chill/i.test(text)) {
    k.put('store', n);
    return;
  }
  if (/^(?:steam )?combi\b/i.test(text) && k.mentions(text, clause).length === 0) {
    doPreheat(k, clause, n);
    return;
  }
  if (isAhead(k, clause) && !isTimed) {
    k.put(k.actions.at(-1)?.does === 'store' ? 'setting' : 'store', n);
    return;
  }
  if (/\bto (?:come (?:up )?to|reach|build(?: up)?|get to) (?:full )?pressure\b/i.test(text)) {
    k.put('remark', n);
    return;
  }
  if (
    /^(?:it|this|they|which)(?: will|['’]ll| should)? takes? (?:about |around |only |just )?(?:\d|an?\b|half|one|two)/i.test(text)
  ) {
    k.as('give', clause, n, verb ?? '');
    return;
  }
  const sense = verb === undefined ? undefined : VERBS[verb];
  const before = sense === 'peel' ? text : text.slice(0, clause.verbAt);
  if (
    /\b(?:when|once|as soon as|after)\b.*\b(?:cool enough|cooled?|cold)\b/i.test(before) &&
    k.actions.at(-1)?.does !== 'rest' &&
    sense !== 'cool' &&
    sense !== 'let'
  ) {
    const named = k
      .mentions(before, clause)
      .map(({ line }) => k.vesselOf(line))
      .find((one) => one !== undefined);
    if (named !== undefined) k.here = named;
    if (k.here !== undefined && !k.here.steps.some((step) => step.kind === 'step' && step.id === 'rest'))
      doCool(k, { ...clause, text: before }, n);
  }
  if (sense === undefined) {
    verbless(k, clause, n);
    return;
  }
  if (isFleshOut(text) && /^(?:add|mix|prepare|remove|squeeze)$/.test(sense)) {
    k.as('peel', clause, n, verb ?? '');
    return;
  }
  if (/\b(?:make|get) (?:it )?(?:really |piping |very |nice and )?hot\b/i.test(text)) {
    k.as('heat', clause, n, 'heat');
    return;
  }
  // "Salt and pepper to taste, and grate a little nutmeg on top".
  if (sense !== 'season' && /^(?:then )?(?:salt (?:and|&) pepper|season(?:ing)?)\b[\w ]*,\s*(?:and |then )*$/i.test(before))
    doSeason(k, { ...clause, text: 'season', verbAt: 0 }, n);
  const lead = leadIn(k, clause, sense);
  if (lead !== undefined) doAdd(k, lead, n);
  k.as(sense, clause, n, verb ?? '');
}

/** A sentence about making it days before: "you can make it two days ahead; cool, cover and chill". */
function isAhead(k: Kitchen, clause: Clause): boolean {
  const sentence = k.clauses
    .filter((one) => one.sentence === clause.sentence)
    .map(({ text }) => text)
    .join(' ');
  return /\b(?:days?|hours?) (?:ahead|in advance|before)\b|\bahead of time\b|\bmake[- ]ahead\b|\bup to \d+ (?:days|weeks|months)\b/i.test(
    sentence,
  );
}

/** "Scrape the squash from its skin": what is left behind is the skin. */
function isFleshOut(text: string): boolean {
  return /\b(?:from|out of|off) (?:its|their|the) (?:skins?|shells?)\b|\bskins? (?:from|off)\b|\bflesh (?:from|out of)\b/i.test(
    text,
  );
}

const HEATING: ReadonlySet<Sense> = new Set([
  'check',
  'season',
  'boil',
  'simmer',
  'cook',
  'fry',
  'sweat',
  'roast',
  'bring',
  'blend',
  'heat',
]);

/** Kitchen notes say first what goes in: "stock, boil, 15 min". */
function leadIn(k: Kitchen, clause: Clause, sense: Sense): Clause | undefined {
  const before = clause.text.slice(0, clause.verbAt);
  const isWarmedAgain = clause.verb === 'return' && /\breturn to (?:a |the )?(?:boil|simmer|\d)/i.test(clause.text);
  if (!(HEATING.has(sense) || isWarmedAgain) || !/^[\w\s+&,-]+,\s*$/.test(before)) return undefined;
  if (/^(?:in|on|once|when|while|after|before|with|for|if|as|meanwhile|then|to|until|over|now|off|using)\b/i.test(before))
    return undefined;
  const fresh = k.mentions(before, clause).filter(({ line }) => !k.isUsedUp(line));
  return fresh.length === 0 ? undefined : { ...clause, text: before.replace(/,\s*$/, ''), verb: undefined, verbAt: 0 };
}

function verbless(k: Kitchen, whole: Clause, n: number): void {
  const clause = { ...whole, text: whole.text.replace(WHEN, '') };
  const { text } = clause;
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
    /^(?:(?:the |use (?:a |the )?)?(?:stick|hand|immersion|jug|bar) )?(?:blender|liquidi[sz]er)\b/i.test(text)
  ) {
    k.as('blend', clause, n, 'blend');
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
    /^(?:and |then )*(?:through|by way of) (?:a |the )?(?:\w+[ -])*(?:sieve|strainer|mouli|(?:food )?mill|chinois|colander)\b/i.test(
      text,
    )
  ) {
    k.as('strain', clause, n, 'pass');
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
  if (/\b(?:keeps?|freez\w+|fridge|freezer)\b/i.test(text) && mentions.length === 0) {
    k.put('store', n);
    return;
  }
  if (
    /\b(?:on top|to serve|over the top|to garnish|(?:each|per) (?:bowl|portion|plate)|(?:on|at|for|to) service)\b/i.test(text) &&
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
  const isSeason = mentions.length > 0 && mentions.every(({ line }) => k.isSaltOrPepper(line));
  if (/\bs ?[+&] ?p\b/i.test(text)) {
    if (mentions.length > 0) doAdd(k, clause, n);
    doSeason(k, { ...clause, text: 'season' }, n);
    return;
  }
  if (mentions.length === 0 && /\b(?:up|back) to (?:a|the) (?:boil|simmer)\b|\bdown to a\b.*\bsimmer\b/i.test(text)) {
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
  if (mentions.length === 0 && /^(?:on )?(?:low|high)\b/i.test(text) && (minutes?.high ?? 0) >= SLOW_MIN && k.here !== undefined) {
    // "Low 8-9 hrs": a slow cooker, which has its lid on.
    heated(k, k.here, 'simmer', { ...clause, text: `${text} with the lid on` }, n, []);
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
  const heats = k.actions.length;
  if (mentions.length > 0 && k.isFinished() && /^(?:serve|garnish)$/.test(k.actions.at(-1)?.does ?? '')) {
    onTop(k, mentions, text, n);
    return;
  }
  if (mentions.length > 0) doAdd(k, clause, n);
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
      /^(?:about |another |a further )?(?:[\d½]|(?:five|ten|fifteen|twenty|twenty-five|thirty|forty|half an hour|a few|a couple)\b)/i.test(
        text,
      ))
  ) {
    const last = k.lastHeat === undefined || k.lastHeat === 'simmer' || k.lastHeat === 'bloom' ? 'sweat' : k.lastHeat;
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
/** So long only a slow cooker is on low or high. */
const SLOW_MIN = 120;
const SMOOTH = /^(?:[a-z]+ )(?:it )?(?:until|till|['’]til) (?:very |really |completely |silky )?smooth\b/i;

/** How something that is set right by hand is read: as the verb that asks for it. What is not here is no step. */
const SENSE_OF: Readonly<Partial<Record<Doing, Sense>>> = {
  prepare: 'prepare',
  roast: 'roast',
  sweat: 'sweat',
  fry: 'fry',
  bloom: 'bloom',
  toast: 'toast',
  smoke: 'smoke',
  deglaze: 'deglaze',
  add: 'add',
  join: 'add',
  takeOut: 'remove',
  keep: 'reserve',
  giveBack: 'add',
  cover: 'cover',
  drain: 'drain',
  skim: 'skim',
  boil: 'bring',
  simmer: 'simmer',
  pressure: 'pressure',
  reduce: 'reduce',
  warm: 'heat',
  rest: 'cool',
  peel: 'peel',
  blend: 'blend',
  sieve: 'strain',
  thin: 'thin',
  season: 'season',
  chill: 'chill',
  garnish: 'top',
  serve: 'serve',
  store: 'store',
};

const HANDLERS = {
  prepare: doPrepare,
  peel: doPeel,
  squeeze: doSqueeze,
  soak: doSoak,
  drain: doDrain,
  line: doLine,
  preheat: doPreheat,
  heat: doHeat,
  melt: doHeat,
  roast: doRoast,
  grill: doGrill,
  smoke: doSmoke,
  toast: doToast,
  sweat: doSweat,
  fry: doFry,
  bloom: doBloom,
  cook: doCook,
  boil: doBoil,
  bring: doBring,
  simmer: doSimmer,
  blanch: doBlanch,
  pressure: doPressure,
  reduce: doReduce,
  turn: doTurn,
  add: doAdd,
  mix: doMix,
  wrap: doWrap,
  deglaze: doDeglaze,
  cover: doCover,
  season: doSeason,
  thin: doThin,
  thicken: doThicken,
  top: doTop,
  serve: doServe,
  remove: doRemove,
  reserve: doReserve,
  set: doSet,
  let: doLet,
  cool: doCool,
  chill: doChill,
  strain: doStrain,
  skim: doSkim,
  blend: doBlend,
  mash: doMash,
  join: doJoin,
  give: doGive,
  store: doStore,
  hold: doHold,
  check: doCheck,
  bind: doBind,
  balance: doBalance,
  remark: doRemark,
} satisfies Handlers;

/** What a cook may say without a step of its own. */
const PASSED: ReadonlySet<Doing> = new Set(['prepare', 'store', 'hold']);

/** Marks the clauses that name minutes or a food of the recipe which no step of the method has. */
function markLeftOut(k: Kitchen): void {
  const used = new Set(k.actions.filter(({ does }) => does !== 'prepare').flatMap(({ lines }) => lines.map(({ line }) => line)));
  for (const [n, clause] of k.clauses.entries()) {
    const own = k.actions.filter(({ clause: at }) => at === n);
    if (own.some(({ does }) => PASSED.has(does) || does === 'takeOut') || /\brelease\b/i.test(clause.text)) continue;
    const minutes = minutesIn(clause.text);
    const isTimed = own.some((action) => action.minutes !== undefined);
    const isOnTime =
      minutes === undefined ||
      minutes.high < 1 ||
      isTimed ||
      /\bevery\b|\bafter\b|\bthe last\b|\bbefore the end\b|\bhalf ?-?way\b/i.test(clause.text);
    const unused = k.names
      .mentions(k.body(clause), clause.section, () => false)
      .filter(({ line, byGroup }) => byGroup !== true && !used.has(line) && !k.isSaltOrPepper(line));
    if (isOnTime && unused.length === 0) continue;
    const last = own.at(-1);
    if (last !== undefined) k.actions[last.n] = { ...last, assumed: [...last.assumed, 'NOT_ALL'] };
  }
}

/** Cooks a method in the mind, clause by clause. */
export function cookInMind(lines: readonly MethodLine[], clauses: readonly Clause[], context: KitchenContext): Kitchen {
  const kitchen = new Kitchen(lines, clauses, context, HANDLERS);
  for (const [n, clause] of clauses.entries()) {
    take(kitchen, clause, n);
    kitchen.beforeLast = clause;
  }
  markLeftOut(kitchen);
  return kitchen;
}
