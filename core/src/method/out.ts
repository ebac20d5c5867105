import { TOUCH_C } from '../steps/index.js';
import { A_FEW, lift } from './lift.js';
import { target } from './where.js';
import { intoVessel } from './into.js';
import type { Kitchen } from './kitchen.js';
import { USUAL } from './usual.js';
import { VERBS } from './lexicon.js';
import type { Mention } from './mentions.js';
import { minutesIn, degreesIn, percentIn, partOf } from './measures.js';
import { isHob, type Vessel } from './vessel.js';
import { readLine } from '../amounts/index.js';
import type { Clause } from './clauses.js';
import type { Action } from './action.js';
import { cutOf } from '../draft/index.js';
import { doRoast, doPreheat, doSweat, doCook } from './heat.js';
import { doBring, doSimmer } from './boil.js';
import { doAdd } from './into.js';
import { doThin } from './thin.js';
import { doMash } from './blade.js';

export function doRemove(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const body = k.body(clause);
  const named = k.mentions(body, clause);
  // "Remove the herbs" is of those that are in.
  const mentions = named.some(({ line }) => k.vesselOf(line) !== undefined)
    ? named
    : /\b(?:herbs|aromatics|spices)\b/i.test(body)
      ? k.names.mentions(body, clause.section, (line) => k.vesselOf(line) === undefined)
      : named;
  if (
    /\b(?:heat|oven|stove|hob|flame|grill)\b/i.test(body) &&
    !mentions.some(({ line }) => /^(?:bundle)$/.test(k.lineOf(line)?.taken.role ?? ''))
  ) {
    if (/\blid\b/i.test(body) && k.here !== undefined) k.here.lid = 'off';
    k.put('setting', n);
    return;
  }
  if (/\b(?:lid|foil|paper|cartouche|scum)\b/i.test(body) && mentions.length === 0 && !/\bslotted|\bplate\b/i.test(body)) {
    if (/\bscum\b/i.test(body)) {
      doSkim(k, clause, n);
      return;
    }
    if (k.here !== undefined) k.here.lid = 'off';
    k.put('setting', n);
    return;
  }
  if (/\bskins?|\bpeel\b|\bseeds\b|\bshells?\b/i.test(body)) {
    doPeel(k, clause, n);
    return;
  }
  const dry = k.here;
  const part = partOf(body);
  if (mentions.length === 0 && dry !== undefined && dry.lastIn.length > 0 && part !== undefined && /\bout\b/i.test(body)) {
    const isKept = k.clauses
      .slice(n + 1, n + 2)
      .some((one) => one.sentence === clause.sentence && /^(?:reserve|set|keep|save)$/.test(one.verb ?? ''));
    lift(
      k,
      n,
      dry.lastIn.map((line) => ({ line, at: 0, length: 0 })),
      isKept,
      part,
    );
    return;
  }
  if (
    mentions.length === 0 &&
    dry !== undefined &&
    isHob(dry) &&
    !dry.isWet &&
    /\bslotted spoon\b|\bplate\b|\bpaper\b/i.test(text)
  ) {
    // "Remove with a slotted spoon to a plate": what was browned, not its fat.
    const pieces = [...dry.lines].filter((line) => k.lineOf(line)?.taken.row.group !== 'fats');
    lift(
      k,
      n,
      pieces.map((line) => ({ line, at: 0, length: 0 })),
      true,
      undefined,
    );
    return;
  }
  const share =
    mentions.find(({ share: own }) => own !== undefined)?.share ??
    mentions.map((one) => k.measured(one, body)).find((own) => own !== undefined && own < 1);
  const keeps =
    /\b(?:keep|reserve|set aside|save|for (?:the )?(?:garnish|top|serving))\b/i.test(text) ||
    k.clauses
      .slice(n + 1, n + 3)
      .some(
        (one) =>
          (one.sentence === clause.sentence || /^(?:shred|chop|dice|flake|strip|pull)$/.test(k.clauses[n + 1]?.verb ?? '')) &&
          /^(?:reserve|set|keep|save)$/.test(one.verb ?? ''),
      ) ||
    share !== undefined;
  if (!keeps && mentions.length > 0) {
    const back = comesBack(k, clause, n);
    const kept = mentions.filter(({ line }) => back.has(line));
    if (kept.length > 0) {
      lift(k, n, kept, true, undefined);
      const gone = mentions.filter(({ line }) => !back.has(line));
      if (gone.length > 0) lift(k, n, gone, false, undefined);
      return;
    }
  }
  const thrown = keeps && share === undefined ? mentions.filter(({ line }) => k.lineOf(line)?.taken.row.group === 'herbs') : [];
  if (thrown.length > 0 && thrown.length < mentions.length) lift(k, n, thrown, false, undefined);
  lift(k, n, thrown.length < mentions.length ? mentions.filter((one) => !thrown.includes(one)) : mentions, keeps, share);
}

/** What later clauses put back into the soup: "stir the ham back in", "return the meat to the pan". */
function comesBack(k: Kitchen, clause: Clause, n: number): ReadonlySet<string> {
  const later = k.clauses.slice(n + 1, n + 1 + LOOKS_AHEAD);
  const backs = later.filter(
    ({ text }) => /\bback (?:in|into|to)\b|^(?:and |then )?return\b/i.test(text) && !/\bboil\b|\bheat\b/i.test(text),
  );
  return new Set(
    backs.flatMap(({ text, section }) => {
      const meat = /\bmeat\b/i.test(text) ? k.all.filter(({ taken }) => taken.row.origin === 'meat').map(({ id }) => id) : [];
      return [...meat, ...k.names.mentions(text, section || clause.section, () => false).map(({ line }) => line)];
    }),
  );
}
const LOOKS_AHEAD = 8;

/** Held hot through a service. */
function holdAt(k: Kitchen, clause: Clause, n: number, atC: number): void {
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  const { minutes, assumed } = k.range(clause, USUAL.holdMin);
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
  const holdC = clause.verb === 'hold' ? degreesIn(text) : undefined;
  if (holdC !== undefined) {
    holdAt(k, clause, n, holdC);
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
  if (k.actions.at(-1)?.does === 'drain' && /\b(?:water|liquid|liquor|stock)\b/i.test(body)) {
    // What is kept of the liquid belongs to the draining.
    k.put('setting', n);
    return;
  }
  const mentions = k.mentions(body, clause);
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
    k.put('keep', n, { lines: mentions.map(({ line, share }) => ({ line, share })) });
    return;
  }
  const named = k.lastNamed.filter((line) => !k.isUsedUp(line) && (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  if (
    named.length > 0 &&
    /\b(?:back|aside)\b/i.test(body) &&
    /\b(?:one|two|three|some|few|handful|half|third|quarter|\d)/i.test(body)
  ) {
    // "Keep two back for the crisps."
    const kept = named.map((line) => ({ line, at: 0, length: 0 }));
    holdBack(k, kept, body);
    k.put('keep', n, { lines: kept.map(({ line }) => ({ line })) });
    return;
  }
  const before = k.beforeLast;
  if (before !== undefined && /^(?:drain|remove|lift|take|strain)$/.test(VERBS[before.verb ?? ''] ?? '')) {
    k.put('setting', n);
    return;
  }
  k.put('setting', n);
}

/** Remembers the part of lines that is kept before they go anywhere. */
function holdBack(k: Kitchen, mentions: readonly Mention[], body: string): void {
  for (const one of mentions) {
    const share = k.measured(one, body) ?? one.share ?? partOf(body) ?? A_FEW;
    if (share < 1 && !k.isDivided(one.line)) k.heldBack.set(one.line, share);
  }
}

export function doSet(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\boven\b/i.test(text)) {
    doPreheat(k, clause, n);
    return;
  }
  if (/\baside\b|\bto one side\b/i.test(text)) {
    const mentions = k.mentions(k.body(clause), clause);
    const isPart =
      mentions.some(({ share }) => share !== undefined) || /\b(?:some|half|third|quarter|few|pinch|cup|handful)\b/i.test(text);
    if (mentions.length > 0 && isPart) {
      doReserve(k, clause, n);
      return;
    }
    if (isPart && k.here !== undefined && k.here.lastIn.length > 0) {
      lift(
        k,
        n,
        k.here.lastIn.map((line) => ({ line, at: 0, length: 0, ...(partOf(text) === undefined ? { vague: true as const } : {}) })),
        true,
        partOf(text) ?? 0.1,
      );
      return;
    }
    const cut = k.actions.at(-1);
    if (
      mentions.length === 0 &&
      cut?.does === 'prepare' &&
      cut.lines.length > 0 &&
      k.clauses[cut.clause]?.sentence === clause.sentence
    ) {
      // "Cut the tips off and set aside."
      const kept = cut.lines.filter(({ line }) => !k.isUsedUp(line)).map(({ line }) => ({ line, at: 0, length: 0 }));
      if (kept.length > 0 && /\b(?:tips?|some|few|half|third|quarter|\d+)\b/i.test(k.clauses[cut.clause]?.text ?? '')) {
        holdBack(k, kept, k.clauses[cut.clause]?.text ?? '');
        k.put('keep', n, { lines: kept.map(({ line }) => ({ line })) });
        return;
      }
    }
    if (/\b(?:cool|for \d|minutes|until)\b/i.test(text)) {
      doCool(k, clause, n);
      return;
    }
  }
  k.put('setting', n);
}

export function doLet(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const minutes = minutesIn(text);
  if (/\blet\b(?: \w+){0,2} down\b/i.test(text)) {
    doThin(k, clause, n);
    return;
  }
  if (/\b(?:whole|chunky|bit chunky|lumps|as it is)\b/i.test(text) && minutes === undefined) {
    k.put('remark', n);
    return;
  }
  if (
    /\b(?:boil|bubble|cook|evaporate|reduce|simmer)\w*(?: \w+)? (?:away|off|down)\b|\b(?:bubble|boil|cook) (?:for )?(?:about )?(?:\d|a minute)|\bevaporate|\breduce\b|\bgone\b|\bdry\b|\bnothing left\b/i.test(
      text,
    ) &&
    k.actions.filter(({ does }) => does !== 'remark').at(-1)?.does === 'deglaze'
  ) {
    k.put('setting', n);
    return;
  }
  if (/\bsweat|\bsoften\b|\bstew\b|\bbraise\b/i.test(text)) {
    doSweat(k, clause, n);
    return;
  }
  if (/\b(?:simmer|bubble|tick|blip|putter|murmur|cook|boil)\b/i.test(text) && !/\bcool\b/i.test(text)) {
    if (/\bboil\b/i.test(text) && minutes === undefined) doBring(k, clause, n);
    else if (k.here?.isWet === true || /\b(?:simmer|bubble|tick|boil)\b/i.test(text)) doSimmer(k, clause, n);
    else doCook(k, clause, n);
    return;
  }
  if (/\bpressure\b/i.test(text) && minutes === undefined) {
    k.put('setting', n);
    return;
  }
  const isLong = minutes !== undefined && minutes.high >= 0.5;
  if (
    /\b(?:go|get on with it|do (?:its|their) thing)\b/i.test(text) &&
    isLong &&
    k.here !== undefined &&
    isHob(k.here) &&
    k.hasPieces(k.here)
  ) {
    k.as('give', clause, n);
    return;
  }
  if (/\bmelt|\bdissolve|\bfoam|\bwilt|\bsizzle|\bcrackle|\bsplutter|\bpop\b/i.test(text) && !isLong) {
    k.put('setting', n);
    return;
  }
  if (/\b(?:roast|bake)\b/i.test(text)) {
    doRoast(k, clause, n);
    return;
  }
  if (/\bsoak\b/i.test(text) && k.here?.isHot !== true) {
    k.put('prepare', n);
    return;
  }
  doCool(k, clause, n);
}

export function doCool(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const vessel = k.here;
  const isTouch = /\bhandle\b|\btouch\b/i.test(text);
  const isOnIce = /\bice\b/i.test(text);
  const { minutes, assumed } = k.range(clause, USUAL.restMin);
  const degrees = degreesIn(text);
  const toC = isTouch
    ? TOUCH_C
    : degrees !== undefined && degrees < 100
      ? degrees
      : isOnIce || /\b(?:completely )?cold\b/i.test(text)
        ? 10
        : /\b(?:completely|room temperature|fully)\b/i.test(text)
          ? 25
          : undefined;
  const byTime = minutesIn(text) !== undefined || toC === undefined;
  k.put('rest', n, byTime ? { minutes, assumed } : {});
  if (vessel === undefined) return;
  const around = isOnIce ? ('ice bath' as const) : ('air' as const);
  k.step(vessel, n, 'rest', (id) =>
    byTime ? { id, op: 'rest', minutes: (minutes.low + minutes.high) / 2, around } : { id, op: 'rest', toC, around },
  );
}

export function doChill(k: Kitchen, clause: Clause, n: number): void {
  const minutes = minutesIn(clause.text);
  if (/\bwithin\b|[<≤]|\bbelow\b|\bor serve\b/i.test(clause.text)) {
    // A rule for what is left over.
    k.put('store', n);
    return;
  }
  k.servedCold ||= !/\b(?:fat|overnight then|store|keep)\b/i.test(clause.text);
  k.put('chill', n, minutes === undefined ? {} : { minutes: { low: minutes.low, high: minutes.high } });
}

export function doPeel(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (clause.verb === 'slip' && /\b(?:in|into) each\b/i.test(text)) {
    doAdd(k, clause, n);
    return;
  }
  const mentions = k.mentions(text, clause);
  const before = k.actions.at(-1);
  const hot = mentions.filter(({ line }) => k.vesselOf(line)?.isHot === true);
  const lines =
    hot.length > 0 ? hot.map(({ line }) => line) : mentions.length === 0 && k.here?.isHot === true ? skinned(k, before) : [];
  if (/\bscoop\b/i.test(text) && /\b(?:bowls?|ice cream)\b/i.test(text) && lines.length === 0) {
    k.put('serve', n);
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
  if (lines.length === 0) {
    doPrepare(k, clause, n);
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

/** What of a line goes on once it is peeled, by the larder's yield of the way that it names. */
function keptOf(k: Kitchen, line: string): number {
  const taken = k.lineOf(line)?.taken;
  const trims = taken?.row.trims ?? [];
  const way = trims.find(({ way: own }) => own === taken?.way) ?? trims.find(({ share }) => share < 1);
  return way?.share ?? 1;
}

/** What of a hot vessel has a skin to come off, where the words do not say. */
function skinned(k: Kitchen, before: Action | undefined): string[] {
  const held = k.here === undefined ? [] : [...k.here.lines];
  const named = before?.lines.map(({ line }) => line).filter((line) => held.includes(line)) ?? [];
  const spoken = k.lastNamed.filter((line) => held.includes(line));
  const pool = named.length > 0 ? named : spoken.length > 0 ? spoken : held;
  return pool.filter((line) => {
    const row = k.lineOf(line)?.taken.row;
    return (
      row !== undefined && row.trims.some(({ share }) => share < 1) && !/^(?:herbs|fats)$/.test(row.group) && row.id !== 'onion'
    );
  });
}

export function doSqueeze(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.mentions(clause.text, clause);
  const hot = mentions.filter(
    ({ line }) =>
      k.vesselOf(line)?.isHot === true && !k.isLiquid(line) && !/juice|lemon|lime/.test(k.lineOf(line)?.taken.row.id ?? ''),
  );
  if (hot.length > 0 || (mentions.length === 0 && /\bskins?\b|\bflesh\b|\bcloves?\b/i.test(clause.text))) {
    doPeel(k, clause, n);
    return;
  }
  if (/\b(?:in|into|over)\b/i.test(clause.text) || k.isFinished()) doAdd(k, clause, n);
  else doPrepare(k, clause, n);
}

export function doPrepare(k: Kitchen, clause: Clause, n: number): void {
  const { text, verb } = clause;
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
    doRemove(k, clause, n);
    return;
  }
  if (verb === 'separate' || verb === 'wipe') {
    k.put('remark', n);
    return;
  }
  const cut = cutOf(text);
  if (cut !== undefined) for (const { line } of mentions) k.cuts.set(line, cut);
  k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
}

export function doSoak(k: Kitchen, clause: Clause, n: number): void {
  if (/\d.*\bwater\b/i.test(clause.text)) k.soakWater = clause.text;
  k.put('prepare', n, { vessel: undefined, lines: k.mentions(clause.text, clause).map(({ line }) => ({ line })) });
}

/** Of the liquid, where a part of it is kept. Kitchen default. */
const LIQUOR = 0.3;

/** "Reserving 300 ml of the cooking water": the share of the liquid that it is; undefined where no measure is said or none known. */
function measuredShare(k: Kitchen, vessel: Vessel, text: string): number | undefined {
  const measure = /(\d+(?:[.,]\d+)?|a|one|two|half a) ?(ml|l|litres?|liters?|cups?|pints?|ladlefuls?|ladles?)\b/i.exec(text)?.[0];
  if (measure === undefined) return undefined;
  const reading = readLine(`${measure} water`, k.context);
  const liquidKg = [...vessel.lines].reduce((sum, line) => {
    const taken = k.lineOf(line)?.taken;
    if (taken === undefined || !k.isLiquid(line)) return sum;
    const used = (k.uses.get(line) ?? []).reduce((all, { share = 1 }) => all + share, 0);
    return sum + taken.kg * Math.min(1, used);
  }, 0);
  return reading.code === 'READ' && liquidKg > 0 ? Math.min(1, reading.kg / liquidKg) : undefined;
}

export function doDrain(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.mentions(k.body(clause), clause);
  const at = mentions.map(({ line }) => k.vesselOf(line)).find((one) => one !== undefined);
  const vessel = at ?? (mentions.length === 0 ? k.here : undefined);
  if (!vessel?.isWet) {
    k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
    return;
  }
  const said = joinedText(clause, k.clauses[n + 1]);
  const keepsLiquid = /\b(?:reserv|keep|sav)\w*\b.*\b(?:liquid|water|stock|cooking)\b/i.test(said);
  const liquidShare = keepsLiquid ? (percentIn(said) ?? measuredShare(k, vessel, said) ?? LIQUOR) : 0;
  k.put('drain', n, { vessel: vessel.name });
  k.step(vessel, n, 'drain', (id) => ({
    id,
    op: 'drain',
    keep: 'pieces',
    liquidShare,
  }));
  vessel.isWet = keepsLiquid;
  vessel.isDrained = true;
  // Something blanched beside the soup: the cook is back at the pot.
  k.here =
    k.open().find((one) => one !== vessel && isHob(one) && one.isWet && one.isHot && !one.isDrained && !one.isForTop) ?? vessel;
}

export function doStrain(k: Kitchen, clause: Clause, n: number): void {
  const { text: words } = clause;
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  if (vessel === undefined || (/^(?:press|force|work)$/.test(clause.verb ?? '') && !/\bthrough\b/i.test(words))) {
    k.put('remark', n);
    return;
  }
  k.here = vessel;
  if (!vessel.isBlended && !/\b(?:mouli|food mill)\b/i.test(words) && !/^(?:rub|press|push|force|work)$/.test(clause.verb ?? '')) {
    k.put('drain', n);
    k.step(vessel, n, 'strain', (id) => ({ id, op: 'drain', keep: 'liquid', liquidShare: percentIn(words) ?? 1 }));
    return;
  }
  const mesh = /(\d+(?:\.\d+)?) ?mm\b/i.exec(words);
  const meshMm =
    mesh !== null ? Math.min(10, Math.max(0.1, Number(mesh[1]))) : /\b(?:fine|chinois|muslin)\b/i.test(words) ? 0.6 : 1;
  const scraped = !/\bwithout scraping\b/i.test(words);
  if (!vessel.isBlended) {
    vessel.isBlended = true;
    k.put('blend', n, { assumed: ['COARSE'] });
    k.step(vessel, n, 'mill', (id) => ({ id, op: 'blend', blender: k.blenderOf('stick'), minutes: USUAL.mashMin }));
  }
  k.put('sieve', n);
  k.step(vessel, n, 'sieve', (id) => ({ id, op: 'sieve', meshMm, scraped }));
  if (/\bice\b/i.test(words)) doCool(k, clause, n);
}

/** What a spoon lifts off of the fat that floats. Kitchen default. */
const SKIMMED = 0.5;

export function doSkim(k: Kitchen, clause: Clause, n: number): void {
  const share = Math.min(1, percentIn(clause.text) ?? SKIMMED);
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : k.latestHob();
  k.put('skim', n);
  if (vessel === undefined) return;
  vessel.steps.push({ kind: 'step', clause: n, id: 'skim', make: (id) => ({ id, op: 'skim', share }) });
}

function joinedText(clause: Clause, next: Clause | undefined): string {
  return `${clause.text} ${next?.sentence === clause.sentence ? next.text : ''}`;
}
