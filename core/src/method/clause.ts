import { Kitchen, type Handlers } from './kitchen.js';
import type { KitchenContext } from './words-in-use.js';
import { VERBS, type Sense } from './lexicon.js';
import type { MethodLine } from './mentions.js';
import { afterSoLong } from './later.js';
import { minutesIn, ovenIn, partOf } from './measures.js';
import type { Clause } from './clauses.js';
import { TALK } from './openings.js';
import type { Doing } from './action.js';
import { HOW_ONLY } from './usual.js';
import { markLeftOut } from './left-out.js';
import { doRoast, doGrill, doSmoke, doToast, doSweat, doFry, doBloom, doCook, doGive, doLine, doRemark, doHold } from './heat.js';
import { doHeat, doPreheat } from './warm.js';
import { doBoil, doBring, doSimmer, doBlanch, doPressure, doReduce, doTurn } from './boil.js';
import { doTop, doServe, doStore } from './top.js';
import { doAdd } from './into.js';
import { doJoin, doMix, doWrap } from './mix.js';
import { doDeglaze, doCover, doThin, doThicken, doBind, doBalance } from './thin.js';
import { doSeason, doCheck } from './taste.js';
import { doBlend, doMash, isInBlender } from './blade.js';
import { doPeel, doPrepare, doSoak, doSqueeze } from './knife.js';
import { doRemove, doSet } from './out.js';
import { doReserve } from './reserve.js';
import { verbless } from './verbless.js';
import { SET_PHRASES } from './set-phrases.js';
import { SHORT_NOTES } from './short-notes.js';
import { asMeant, backToSoup, inTwoParts, ofTheKept } from './turns.js';
import { doDrain, doSkim, doStrain } from './strain.js';
import { doChill, doCool, doLet } from './stand.js';

/** "To freeze: cool, and freeze before adding the cream": for another day, whatever its clauses name. */
const FOR_ANOTHER_DAY = /^(?:to (?:freeze|store|make ahead)|if (?:freezing|storing|making (?:it )?ahead))\b/i;

function take(k: Kitchen, whole: Clause, n: number): void {
  const first = k.clauses.find(({ sentence }) => sentence === whole.sentence);
  if (first !== undefined && FOR_ANOTHER_DAY.test(first.text) && k.context.fixes?.[whole.text]?.does === undefined) {
    k.put('store', n, { vessel: undefined });
    return;
  }
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
  backToSoup(k, clause);
  const text = ofTheKept(k, inTwoParts(k, asMeant(clause.text)));
  takeAs(k, text === clause.text ? clause : { ...clause, text, verbAt: asMeant(clause.text.slice(0, clause.verbAt)).length }, n);
}

function takeAs(k: Kitchen, clause: Clause, n: number): void {
  const { text, verb } = clause;
  if (verb === undefined && TALK.test(text)) {
    takeAs(k, { ...clause, text: text.replace(TALK, '') }, n);
    return;
  }
  const does = k.fix?.does;
  if (does !== undefined) {
    const sense = SENSE_OF[does];
    if (sense === undefined) k.put('remark', n);
    else k.as(sense, clause, n, verb ?? '');
    k.fix = undefined;
    return;
  }
  if ([...SHORT_NOTES, ...SET_PHRASES].some((isSet) => isSet(k, clause, n))) return;
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
  const isScooped =
    /\b(?:mug|cup|ladle|spoon|bowl|hand)(?:ful)?s?\b/i.test(text) && (verb ?? '').startsWith('scoop') && k.here?.isWet === true;
  if (sense === 'peel' && (isScooped || (partOf(text) !== undefined && /\b(?:soup|mixture|chowder)\b/i.test(text)))) {
    // "Scoop out half of the soup", "a mugful of corn".
    k.as('remove', clause, n, verb ?? '');
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
  const ovenC = /^(?:add|mix)$/.test(sense) ? ovenIn(text, k.context.country) : undefined;
  if (
    ovenC !== undefined &&
    ovenC >= ROASTS_C &&
    minutesIn(text) !== undefined &&
    k.mentions(text.slice(clause.verbAt), clause).some(({ line }) => !k.isUsedUp(line))
  ) {
    // "Toss walnuts 160C 8 min."
    k.as('roast', clause, n, 'roast');
    return;
  }
  if (isInBlender(k, clause, n, sense)) return;
  // "Salt and pepper to taste, and grate a little nutmeg on top".
  if (sense !== 'season' && /^(?:then )?(?:salt (?:and|&) pepper|season(?:ing)?)\b[\w ]*,\s*(?:and |then )*$/i.test(before))
    doSeason(k, { ...clause, text: 'season', verbAt: 0 }, n);
  const lead = leadIn(k, clause, sense);
  if (lead !== undefined) doAdd(k, lead, n);
  k.as(sense, clause, n, verb ?? '');
  const isSeasoned = k.actions.some(({ clause: at, does }) => at === n && does === 'season');
  if (/^(?:blend|mash|strain|heat)$/.test(sense) && !isSeasoned && SALT_BEHIND.test(text))
    doSeason(k, { ...clause, text: 'season', verbAt: 0 }, n);
}

/** "Blitz it all up, salt and pepper, and that's it." */
const SALT_BEHIND = /, (?:and )?salt (?:and|&) pepper(?:,[^,]{0,20})?$/i;

/** From here something is in an oven, °C. */
const ROASTS_C = 120;
/** "Scrape the squash from its skin": what is left behind is the skin. */
function isFleshOut(text: string): boolean {
  return /\b(?:from|out of|off) (?:its|their|the) (?:skins?|shells?)\b|\bskins? (?:from|off)\b|\bflesh (?:from|out of)\b/i.test(
    text,
  );
}

/** What may stand behind a list of foods and a comma. */
const AFTER_A_LIST: ReadonlySet<Sense> = new Set([
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
  'reduce',
]);

/** Kitchen notes say first what goes in: "stock, boil, 15 min". */
function leadIn(k: Kitchen, clause: Clause, sense: Sense): Clause | undefined {
  // "Mint leaves (not stalks), blitz."
  const lead = clause.text.slice(0, clause.verbAt).replace(/\s*\([^)]*\)/g, '');
  // "Then in with 100 grams of cheddar, blitz": whether a line has it or not.
  const before = lead.replace(/^(?:(?:and|then|so|now) )*in with (?:the )?/i, '');
  const isMeasuredIn = before !== lead && /\d/.test(before);
  const isWarmedAgain = clause.verb === 'return' && /\breturn to (?:a |the )?(?:boil|simmer|\d)/i.test(clause.text);
  // "Cumin and turmeric, stir round", "potato, water, crumble in the cubes".
  const body = clause.text.slice(clause.verbAt);
  const isOfOthers = k.mentions(body, clause).some(({ line }) => !k.isUsedUp(line));
  const isWithMore =
    ((sense === 'mix' || sense === 'add') && HOW_ONLY.test(body)) ||
    ((sense === 'add' || clause.verb === 'crumble') && isOfOthers && /^\w+ in\b/i.test(body) && !/\b(?:to|into)\b/i.test(body));
  if (!(AFTER_A_LIST.has(sense) || isWarmedAgain || isWithMore) || !/^[\w\s+&,-]+(?: in)?(?:[,:]|\s[–-])\s*$/.test(before))
    return undefined;
  if (/^(?:in|on|once|when|while|after|before|with|for|if|as|meanwhile|then|to|until|over|now|off|using)\b/i.test(before))
    return undefined;
  // "Start with the onions: soften them" says what is begun with, and not what goes in.
  if (/:\s*$/.test(before) && /\b(?:start|begin|with|the|your|for)\b/i.test(before)) return undefined;
  const fresh = k.mentions(before, clause).filter(({ line }) => !k.isUsedUp(line));
  return fresh.length === 0 && !isMeasuredIn
    ? undefined
    : { ...clause, text: before.replace(/\s*[,:–-]\s*$/, ''), verb: undefined, verbAt: 0 };
}

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

/** Cooks a method in the mind, clause by clause. */
export function cookInMind(lines: readonly MethodLine[], clauses: readonly Clause[], context: KitchenContext): Kitchen {
  const kitchen = new Kitchen(lines, clauses, context, HANDLERS);
  for (const [n, clause] of clauses.entries()) {
    take(kitchen, clause, n);
    kitchen.beforeLast = clause;
  }
  for (const [line, clause] of kitchen.heldForTop) {
    // "(save 1/4 cup for drizzling)", and never spoken of again.
    const share = kitchen.heldBack.get(line);
    if (share === undefined) continue;
    const use = { line, share, said: true };
    kitchen.uses.set(line, [...(kitchen.uses.get(line) ?? []), use]);
    kitchen.top.push({ use, clause });
  }
  markLeftOut(kitchen);
  return kitchen;
}
