import { TOUCH_C } from '../steps/index.js';
import type { Kitchen } from './kitchen.js';
import { LOOKS } from './lexicon.js';
import { USUAL } from './usual.js';
import { minutesIn, degreesIn } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { doRoast, doSweat, doCook } from './heat.js';
import { doBring, doSimmer } from './boil.js';
import { doThin } from './thin.js';
import { isHotOrCold } from './top.js';
export function doLet(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const minutes = minutesIn(text);
  const { here } = k;
  const isFatOnly =
    here !== undefined && here.lines.size > 0 && [...here.lines].every((line) => k.lineOf(line)?.taken.row.group === 'fats');
  if (
    minutes === undefined &&
    ((isFatOnly && /\b(?:bubble|foam|brown|sizzle|nutty)\b/i.test(text)) ||
      /\b(?:fat|oil|drippings?) in (?:the )?(?:pan|pot|skillet)\b/i.test(text))
  ) {
    // "Let it bubble until it smells nutty", "leave a spoonful of fat in the pot".
    k.put('setting', n);
    return;
  }
  if (
    /\b(?:on|in|over) (?:each|top|the soup|the bowls?)\b/i.test(text) &&
    minutes === undefined &&
    k.mentions(k.body(clause), clause).length > 0
  ) {
    // "Sit 2 prawns on each."
    k.as('top', clause, n, 'top');
    return;
  }
  if (
    minutes === undefined &&
    /\b(?:leave|leaving) (?:the |their |its )?(?:skins?|peel|rind) on\b|\bleave (?:it|them) (?:unpeeled|whole)\b/i.test(text)
  ) {
    k.put('setting', n);
    return;
  }
  if (/\blet(?:ting)?\b(?: \w+){0,2} down\b/i.test(text)) {
    doThin(k, clause, n);
    return;
  }
  const goesIn = /^let (?:the |your |in )/i.test(text.slice(clause.verbAt)) && /\bin\b/i.test(text);
  if (goesIn && minutes === undefined && k.mentions(k.body(clause), clause).some(({ line }) => !k.isUsedUp(line))) {
    // "Let the sherry in and boil until nearly gone."
    k.as('add', clause, n);
    return;
  }
  if (/\bdrain\b/i.test(text) && minutes === undefined) {
    k.put('setting', n);
    return;
  }
  if (/\b(?:whole|chunky|bit chunky|lumps|chunks|as it is)\b/i.test(text) && minutes === undefined) {
    // "Leave the other half as it is", of a soup that is blended in part.
    const isSaid = k.actions.findLast(({ does }) => does === 'blend')?.share !== undefined;
    k.put(isSaid ? 'setting' : 'remark', n);
    return;
  }
  if (
    /\b(?:boil|bubble|cook|evaporate|reduce|simmer)\w*(?: \w+)? (?:away|off|down)\b|\b(?:bubble|boil|cook) (?:for )?(?:about )?(?:\d|a minute)|\bevaporate|\breduce\b|\bgone\b|\bdry\b|\bnothing left\b/i.test(
      text,
    ) &&
    k.actions.filter(({ does }) => does !== 'remark' && does !== 'setting').at(-1)?.does === 'deglaze'
  ) {
    k.put('setting', n);
    return;
  }
  if (
    /\b(?:toast|bloom|sizzle|crackle|splutter|sputter|spit|pop|fizz)\b/i.test(text) &&
    minutes !== undefined &&
    here !== undefined &&
    isHob(here) &&
    // "Leave it 10 minutes so it doesn't spit at you", of soup.
    !here.isWet
  ) {
    k.as('bloom', clause, n);
    return;
  }
  if (/\bfry\b/i.test(text) && here !== undefined && isHob(here)) {
    k.as('fry', clause, n);
    return;
  }
  if (/\bsweat|\bsoften\b|\bstew\b|\bbraise\b/i.test(text)) {
    doSweat(k, clause, n);
    return;
  }
  if (/\b(?:simmer|bubble|tick|blip|putter|murmur|cook|boil)\b/i.test(text) && !/\bcool\b/i.test(text)) {
    const isBrought = /\bboil\b/i.test(text) || /\b(?:come|get|return)\b(?: \w+){0,2} to (?:a|the)\b/i.test(text);
    if (isBrought && minutes === undefined) doBring(k, clause, n);
    else if (k.here?.isWet === true || /\b(?:simmer|bubble|tick|boil)\b/i.test(text)) doSimmer(k, clause, n);
    else doCook(k, clause, n);
    return;
  }
  if (/\bpressure\b/i.test(text) && minutes === undefined) {
    k.put('setting', n);
    return;
  }
  const before = k.actions.findLast(({ does }) => does !== 'setting' && does !== 'remark')?.does;
  if (
    here?.boiling !== undefined &&
    before === 'boil' &&
    minutes !== undefined &&
    !/\b(?:aside|cool|off the heat|stand|rest)\b/i.test(text)
  ) {
    // "Bring to a simmer and leave for 20 minutes."
    doSimmer(k, clause, n);
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
  if (
    minutes === undefined &&
    /^(?:sit|stand|rest|nestle)\b(?:.*\b(?:on|onto|in|into|upright)\b|(?: (?:it|them|the [a-z]+))? (?:among|amongst|between|alongside|beside|next to))/i.test(
      text.slice(clause.verbAt),
    )
  ) {
    // "Sit the garlic on one of the trays"; "wrap it in foil and sit it in among the veg", "stand the cobs on end": in the same oven, or by the knife.
    const isPut = k.placeIn(k.body(clause)) !== undefined || k.here?.kind === 'tray';
    if (isPut && k.mentions(k.body(clause), clause).some(({ line }) => !k.isUsedUp(line))) k.as('add', clause, n);
    else k.put('setting', n);
    return;
  }
  if (minutes === undefined && /\b(?:cook|boil|bubble) off\b/i.test(text) && k.actions.at(-1)?.does === 'add') {
    k.put('setting', n);
    return;
  }
  if (
    /\b(?:turn|go|become|get)\b/i.test(text) &&
    (LOOKS.soft.test(text) || LOOKS.golden.test(text)) &&
    k.mentions(k.body(clause), clause).some(({ line }) => !k.isUsedUp(line))
  ) {
    // "Let the shallots turn glassy in the butter."
    doCook(k, clause, n);
    return;
  }
  // "Lid on. Leave them be for 12 minutes", of what has just gone into hot fat.
  const isSweating =
    isLong &&
    here !== undefined &&
    isHob(here) &&
    !here.isWet &&
    !here.isBlended &&
    k.hasPieces(here) &&
    (before === 'add' || before === 'season') &&
    /\b(?:be|alone|to it|to them)\b|\bthem for\b|\bit for\b|\bshak|\bstir|\b(?:low|gentle|lowest|slow|small) (?:heat|light|flame|gas|ring)\b/i.test(
      text,
    ) &&
    !/\b(?:off|aside|cool|rest|stand|steep|soak|infuse|marinate)\b/i.test(text);
  if (isSweating) {
    k.as('give', clause, n);
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
  // "Chill to 4 °C or below. Stir in the cream": the soup goes on.
  const goesOn =
    /\bbelow\b/i.test(clause.text) &&
    k.clauses
      .slice(n + 1)
      .some(
        ({ text, section }) =>
          /\b(?:cold|chilled|iced)\b/i.test(text) ||
          k.names
            .mentions(text, section, () => false)
            .some(({ line }) => !k.isUsed(line) && k.lineOf(line)?.taken.role === 'cream'),
      );
  if (/\bwithin\b|[<≤]|\bor serve\b/i.test(clause.text) || (/\bbelow\b/i.test(clause.text) && !goesOn)) {
    // A rule for what is left over.
    k.put('store', n);
    return;
  }
  // "Chill if you like", "chill if for later", "chill overnight. To finish, reheat".
  const isBegun = k.vessels.some(({ steps }) => steps.length > 0);
  const isReheated = k.clauses
    .slice(n + 1)
    .some(({ text }) => /\b(?:re-?heat\w*|re-?warm\w*|warm through|serve (?:piping )?hot)\b/i.test(text));
  k.servedCold ||=
    isBegun &&
    !isReheated &&
    !isHotOrCold(k, clause) &&
    !/\b(?:fat|overnight then|store|keep|if (?:you|for|not|it|made|making|liked|desired|wanted)|optional)\b/i.test(clause.text);
  k.put('chill', n, minutes === undefined ? {} : { minutes: { low: minutes.low, high: minutes.high } });
}
