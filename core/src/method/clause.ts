import { Kitchen, type KitchenContext, type Handlers } from './kitchen.js';
import { VERBS, type Sense } from './lexicon.js';
import type { MethodLine } from './mentions.js';
import { afterSoLong } from './later.js';
import { figureIn, minutesIn, ovenIn, partOf } from './measures.js';
import { TALK, type Clause } from './clauses.js';
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
import { verbless } from './verbless.js';
import { isHob } from './vessel.js';
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
  backToSoup(k, clause);
  const text = ofTheKept(k, asMeant(clause.text));
  takeAs(k, text === clause.text ? clause : { ...clause, text, verbAt: asMeant(clause.text.slice(0, clause.verbAt)).length }, n);
}

/** "Meanwhile toast the nuts in a dry pan, then crush them. Add the apple": the nuts are done, and the cook is back at the pot. */
function backToSoup(k: Kitchen, clause: Clause): void {
  const { here } = k;
  const begun = k.clauses[here?.steps[0]?.clause ?? -1];
  if (here === undefined || !isHob(here) || here.isWet || begun === undefined || begun.sentence === clause.sentence) return;
  const isBeside = /\b(?:meanwhile|in the meantime|while)\b/i.test(begun.text);
  const isDry = here.isHot && [...here.lines].every((id) => BESIDE.test(k.lineOf(id)?.taken.row.group ?? ''));
  const pot = k.open().findLast((one) => one !== here && isHob(one) && one.isHot && !one.isForTop && k.hasPieces(one));
  if (!isBeside || !isDry || here.isForTop || pot === undefined || pot.isBlended || k.placeIn(clause.text) !== undefined) return;
  // What is done next is still done to them.
  if (/\b(?:them|these|those|nuts?|seeds?|crumbs?|croutons?)\b/i.test(clause.text)) return;
  if (k.names.mentions(clause.text, clause.section, () => false).some(({ line }) => here.lines.has(line))) return;
  if (clause.verb !== undefined && BACK_AT_POT.has(VERBS[clause.verb] ?? 'remark')) k.here = pot;
}

const BESIDE = /^(?:nuts|breads|spices)$/;
const BACK_AT_POT: ReadonlySet<Sense> = new Set(['add', 'mix', 'deglaze', 'boil', 'bring', 'simmer', 'season', 'blend', 'reduce']);

/** A pressure cooker whistles once in so many minutes. Common practice, kitchen default. */
const WHISTLE_MIN = 4;

/** "For 3 whistles", "2-3 whistles": minutes under pressure. */
function inWhistles(text: string): string {
  // "3 whistles, about 10 minutes."
  if (minutesIn(text) !== undefined) return text;
  return text.replace(
    /\b(?:for |until |till |after )?(?:about |around )?(\d+|one|two|three|four|five|six|seven|eight)(?: ?(?:-|–|to|or) ?(\d+|two|three|four|five|six))? (?:long )?whistles?\b(?: (?:on|over|at) \w+(?: (?:heat|flame))?)?/gi,
    (_all, low: string, high: string | undefined) =>
      `under pressure for ${String(((figureIn(low) + figureIn(high ?? low)) / 2) * WHISTLE_MIN)} minutes`,
  );
}

/** Turns of phrase in the words that are read here. */
function asMeant(whole: string): string {
  const text = inWhistles(whole);
  return (
    text
      // "Pots + stock, simmer 20" are no vessels.
      .replace(/^((?:and )?)pots(?= ?[+&,]| in\b)/i, '$1potatoes')
      .replace(
        /^(?:setting|putting) (?:each(?: batch| lot| one)?|them|it|these|the batches)(?: as (?:it|they) \w+)? aside\b/i,
        'set them aside',
      )
      // "Between the pans" is between what goes into the oven; "everything else from the pans" is what lies on them.
      .replace(/\b(between|among|amongst) (the|both|your) (?:two |lined |prepared |hot )*(?:pans|sheets)\b/gi, '$1 $2 sheet pans')
      .replace(
        /\beverything(?: else)? (?:from|off|that is on|on) (?:the |both |your )(?:two |hot )?(?:trays?|pans|sheets?|tins?)\b/gi,
        'everything on the tray',
      )
      // "10 mins – you want them soft": what it is to look like.
      .replace(/\s+[–—-]\s+(?:you(?:['’]re| are)? (?:want|after|looking for)(?:ing)?) (?:it|them|the \w+) (?:to be )?/gi, ' until ')
  );
}

/** "Keep a handful of the florets; toss what's left with the oil": what is left of what was kept. */
function ofTheKept(k: Kitchen, text: string): string {
  const said = k.clauses[k.actions.at(-1)?.clause ?? -1]?.text ?? '';
  // "Cut off the kernels. Break the cobs in half and simmer them": the cobs.
  if (/\bcobs?\b/i.test(said) && !/\bkernels?\b/i.test(said) && k.actions.at(-1)?.does === 'prepare')
    return text.replace(/^((?:and |then )*[\w-]+ )(?:them|these)\b/i, '$1the cobs');
  const half = /\b(half|a third|a quarter|two[- ]thirds|three[- ]quarters|some|most) of (?:it|them)\b/i;
  const [made, ...besides] = k.actions.at(-1)?.does === 'prepare' ? (k.actions.at(-1)?.lines ?? []) : [];
  const cut =
    made === undefined || besides.length > 0 || k.isUsed(made.line) ? undefined : k.lineOf(made.line)?.taken.row.name.split(',')[0];
  // "Break up the cauliflower, toss half of it with oil."
  if (cut !== undefined && half.test(text)) return text.replace(half, `$1 of the ${cut.toLowerCase()}`);
  const part =
    /\b(?:cut|snap|trim|slice|chop|pull|take|break)(?:ping|ting)?(?: off)? (?:the |their )?(tips|tops|heads|spears)\b/i.exec(
      said,
    )?.[1];
  if (part !== undefined && k.actions.at(-1)?.does === 'prepare')
    // "Cut off the tips and blanch them."
    text = text.replace(/^((?:and |then )*[\w-]+ )(?:them|these)\b/i, `$1the ${part}`);
  const last = k.actions.at(-1);
  const [only, ...others] = last?.lines ?? [];
  const name = only === undefined || others.length > 0 ? undefined : k.lineOf(only.line)?.taken.row.name.split(',')[0];
  if (name === undefined || last === undefined) return text;
  const isHalved = only?.share !== undefined && only.share < 1 && /^(?:add|cream|garnish)$/.test(last.does);
  // "Half the cream into the soup, the other half on top."
  if (isHalved) return text.replace(/\bthe other (?:half|third)(?! (?:of|in)\b)/i, `the remaining ${name.toLowerCase()}`);
  if (last.does !== 'keep') return text;
  return text.replace(/\b(?:what(?:['’]s| is) left|the rest)(?! (?:of|in)\b)/i, `the remaining ${name.toLowerCase()}`);
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
  if (
    /\b(?:oven )?racks?\b/i.test(text) &&
    minutesIn(text) === undefined &&
    !/\bwire\b|\bcool/i.test(text) &&
    k.mentions(text, clause).length === 0
  ) {
    doPreheat(k, clause, n);
    return;
  }
  const behind = text.slice(clause.verbAt);
  const isSpoken =
    /^(?:roast|grilled?|fried|baked?|toast) [a-z]/i.test(behind) &&
    k.isFinished() &&
    minutesIn(text) === undefined &&
    ovenIn(text, k.context.country) === undefined;
  const spoken = isSpoken ? k.mentions(behind, clause) : [];
  if (spoken.length > 0 && spoken.every(({ line }) => k.isUsedUp(line) || k.lineOf(line)?.taken.role === 'herb')) {
    // "+ roast leek + chives", over a soup that is done: what was roasted before.
    onTop(k, k.mentions(text, clause), text, n);
    return;
  }
  const cookedIn = /^(?:and |then )*(?:the )?(?:roast|grilled|fried|baked) ([a-z][a-z ]*?) (?:(?:goes? )?(?:back )?in)\b/i.exec(
    text,
  );
  if (cookedIn !== null && k.mentions(cookedIn[1] ?? '', clause).some(({ line }) => k.isUsed(line))) {
    // "Roast parsnip in", of what came out of the oven.
    const what = text.slice(cookedIn[0].length);
    k.as('add', { ...clause, text: `add the roasted ${cookedIn[1] ?? ''}${what}`, verb: 'add', verbAt: 0 }, n, 'add');
    return;
  }
  if (/\bwhistles?\b/i.test(k.clauses[n]?.text ?? '') && /\bunder pressure for \d/.test(text)) {
    k.as('pressure', clause, n, 'pressure');
    const last = k.actions.at(-1);
    if (last !== undefined) k.actions[last.n] = { ...last, assumed: [...last.assumed, 'MINUTES'] };
    return;
  }
  if (/^(?:and |then )*(?:npr|nr|qpr|qr|natural pressure release|quick pressure release)\b/i.test(text)) {
    k.put('setting', n);
    return;
  }
  const isSealed = k.clauses
    .slice(Math.max(0, n - SEALED_WITHIN), n)
    .some((one) => /\b(?:seal|lock|pressure|lid)\b/i.test(one.text));
  if (
    isSealed &&
    minutesIn(text) !== undefined &&
    /^(?:and |then )*(?:on |set to |set for |cook on )?(?:manual|pressure cook|high|hp|low pressure|hi)\b/i.test(text)
  ) {
    // "Seal. Manual/High 10 min."
    k.as('pressure', clause, n, 'pressure');
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
  if (/^(?:and |then )?(?:whip|whisk|yank|hook|haul|get|pluck|pick|dig|tweeze|spear) out\b/i.test(text)) {
    k.as(
      'remove',
      {
        ...clause,
        text: text.replace(/\b(?:whip|whisk|yank|hook|haul|get|pluck|pick|dig|tweeze|spear) out\b/i, 'remove'),
        verbAt: 0,
      },
      n,
    );
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
  const isKeptAhead = k.actions.some(({ does, clause: at }) => does === 'store' && k.clauses[at]?.sentence === clause.sentence);
  if (isKeptAhead && /\b(?:fridge|refrigerator|freezer|freeze|chill)\b/i.test(text) && k.mentions(text, clause).length === 0) {
    k.put('setting', n);
    return;
  }
  if (
    /^(?:and |then )*(?:put|place|pop|stick|set|stand|leave)(?: (?:it|them|the soup|everything))?(?: back)? (?:in|into|inside) (?:the|a) (?:fridge|refrigerator)\b/i.test(
      text,
    )
  ) {
    k.as('chill', clause, n, 'chill');
    return;
  }
  const dipped = /\b(?:in|into|with|over)\b(?: [\w-]+){0,4} boiling water\b|\bboiling water over\b/i.test(text)
    ? minutesIn(text)
    : undefined;
  const isSkinned = k.clauses.slice(n + 1, n + 1 + SKINNED_WITHIN).some((one) => /\b(?:peel|skins?|skinned)\b/i.test(one.text));
  if (dipped !== undefined && isSkinned && dipped.high <= DIPPED_MOST && !k.vessels.some(({ isWet }) => isWet)) {
    // "Drop the tomatoes into boiling water for 30 seconds": to be skinned, and no water of the soup's.
    k.put('prepare', n, {
      lines: k
        .mentions(text, clause)
        .filter(({ line }) => k.lineOf(line)?.taken.row.id !== 'water')
        .map(({ line }) => ({ line })),
    });
    return;
  }
  const taking =
    /^(?:and |then )?(?:take|spend|give it) ((?:about |around |a good |the first )?[\w½ –-]{1,20}?(?:minutes?|mins?|min)) (?:to|and) (\w+) (.+)$/i.exec(
      text,
    );
  if (taking !== null && VERBS[(taking[2] ?? '').toLowerCase()] !== undefined) {
    // "Take 8 minutes to soften the onion in the butter."
    const [, time = '', verb = '', what = ''] = taking;
    take(k, { ...clause, text: `${verb} ${what.replace(/[.,;]\s*$/, '')} for ${time}`, verb: verb.toLowerCase(), verbAt: 0 }, n);
    return;
  }
  if (
    /^(?:you (?:may|might|will|can)(?: well)? (?:need|have|want) to |(?:do|work) )(?:do |work )?(?:this |it )?in (?:\w+ )?(?:batches|goes|lots)\b/i.test(
      text,
    )
  ) {
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
    /^(?:it|this|they|which)(?: will|['’]ll| should)? (?:takes?|needs?|wants?) (?:about |around |only |just )?(?:\d+|an?|half|one|two|ten|fifteen|twenty|thirty|forty|fifty)\b[\w -]*(?:min|hour|hr)/i.test(
      text,
    )
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
  if (sense === 'peel' && partOf(text) !== undefined && /\b(?:soup|mixture|chowder)\b/i.test(text)) {
    // "Scoop out half of the soup."
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
    k.mentions(behind, clause).some(({ line }) => !k.isUsedUp(line))
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
}

/** From here something is in an oven, °C. */
const ROASTS_C = 120;
/** So many clauses at most lie between the lid of a pressure cooker and its minutes. */
const SEALED_WITHIN = 2;
const STARTS =
  /\b(?:start|begin|switch|turn|run|blast|rip)\b.*\b(?:low|slow(?:ly)?|high|speed|full|on|pulse)\b|\bwork(?:ing)? up\b/i;
const RUNS =
  /\b(?:let|leave|run|keep) (?:it|the (?:blender|machine|motor|soup))?(?: to)? ?(?:go|going|run|running|whirl|spin|rip|blitz|do its thing)?\b/i;

/** What was poured into a blender has been blended when something else is done to it, whatever the words for it were. */
function isInBlender(k: Kitchen, clause: Clause, n: number, sense: Sense): boolean {
  const said = k.clauses.slice(0, n).findLastIndex(({ text }) => INTO_BLENDER.test(text));
  if (k.blenderSaid === undefined || said < 0 || n - said > IN_BLENDER_WITHIN) return false;
  const { text } = clause;
  const isRun =
    RUNS.test(text) && (minutesIn(text) !== undefined || /\b(?:until|till)\b.*\b(?:smooth|silky|velvet\w*)\b/i.test(text));
  if (isRun) {
    k.as('blend', { ...clause, text: text.replace(RUNS, 'blend it'), verb: 'blend', verbAt: 0 }, n, 'blend');
    return true;
  }
  const isBehind = k.clauses[said]?.sentence !== clause.sentence;
  if (isBehind && UNBLENDED.has(sense) && !STARTS.test(text))
    k.as('blend', { ...clause, text: 'blend', verb: 'blend', verbAt: 0 }, n, 'blend');
  return false;
}

const INTO_BLENDER = /\b(?:in|into|to) (?:a |the |your )?(?:[\w-]+ )?(?:blender|liquidi[sz]er|food processor|processor)\b/i;
/** So many clauses at most lie between what is poured into a blender and what is done behind it. */
const IN_BLENDER_WITHIN = 6;
/** What is done to a soup that comes out of a blender. */
const UNBLENDED: ReadonlySet<Sense> = new Set(['strain', 'heat', 'bring', 'simmer', 'serve', 'top', 'chill', 'check']);

/** Longer than so many minutes in boiling water is cooking. Kitchen default. */
const DIPPED_MOST = 2;
/** So many clauses after it at most it is skinned. */
const SKINNED_WITHIN = 4;

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
  const before = clause.text.slice(0, clause.verbAt).replace(/\s*\([^)]*\)/g, '');
  const isWarmedAgain = clause.verb === 'return' && /\breturn to (?:a |the )?(?:boil|simmer|\d)/i.test(clause.text);
  if (!(AFTER_A_LIST.has(sense) || isWarmedAgain) || !/^[\w\s+&,-]+(?: in)?(?:[,:]|\s[–-])\s*$/.test(before)) return undefined;
  if (/^(?:in|on|once|when|while|after|before|with|for|if|as|meanwhile|then|to|until|over|now|off|using)\b/i.test(before))
    return undefined;
  // "Start with the onions: soften them" says what is begun with, and not what goes in.
  if (/:\s*$/.test(before) && /\b(?:start|begin|with|the|your|for)\b/i.test(before)) return undefined;
  const fresh = k.mentions(before, clause).filter(({ line }) => !k.isUsedUp(line));
  return fresh.length === 0 ? undefined : { ...clause, text: before.replace(/\s*[,:–-]\s*$/, ''), verb: undefined, verbAt: 0 };
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
      /\bevery\b|\bafter\b|\blast\b|\bbefore the end\b|\bhalf ?-?way\b/i.test(clause.text);
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
