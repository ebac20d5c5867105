import { found } from './foods.js';
import { hob, roastVessel } from './where.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { USUAL } from './usual.js';
import { LOOKS } from './lexicon.js';
import { degreesIn, minutesIn, ovenIn } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { heated, kindOfHeat } from './heated.js';
import { EVAPORATED } from './poured.js';
import { PLUS_MORE } from './top.js';
import { settledLater } from './later.js';
import { doBlanch, doPressure } from './boil.js';

export function doRoast(k: Kitchen, clause: Clause, n: number): void {
  inTheOven(k, clause, n, USUAL.roastMin);
}

function inTheOven(k: Kitchen, clause: Clause, n: number, usualMin: number): void {
  const body = k.body(clause);
  const mentions = k.withPrepared(k.mentions(body, clause), body, clause);
  const oven = ovenIn(clause.text, k.context.country);
  if (oven !== undefined) k.setOven(oven);
  const isNew = mentions.some(({ line }) => !k.isUsedUp(line));
  const { here } = k;
  const isOther =
    here?.kind === 'tray' &&
    (here.isHot || here.section !== clause.section) &&
    isNew &&
    (k.placeIn(clause.text)?.isNew === true || here.section !== clause.section || minutesIn(clause.text) !== undefined);
  // Foil parcels share the oven; so do all trays that were filled, where the words name none of them.
  const isOfOne = mentions.some(({ line }) => k.isUsedUp(line));
  const foil = k
    .open()
    .filter(
      (one) =>
        !one.isHot &&
        (one.name.startsWith('Foil') ||
          (one.kind === 'tray' && one.lines.size > 0 && !isOfOne && !isNew && one.section === clause.section)),
    );
  const vessel = isOther ? k.fresh('tray', clause.section) : roastVessel(k, clause, mentions);
  const isBare = !k.hasPieces(vessel) && !mentions.some(({ line }) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  heated(k, vessel, 'roast', clause, n, isBare ? [...k.pending(), ...mentions] : mentions, usualMin);
  for (const parcel of foil) {
    if (parcel === vessel) continue;
    const last = vessel.steps.at(-1);
    if (last?.kind === 'step') parcel.steps.push({ ...last });
    parcel.isHot = true;
  }
}

export function doGrill(k: Kitchen, clause: Clause, n: number): void {
  if (ovenIn(clause.text, k.context.country) === undefined) {
    k.oven = USUAL.grillC;
    k.isOvenGuessed = true;
  }
  inTheOven(k, clause, n, USUAL.grillMin);
}

export function doSmoke(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.about(clause);
  const vessel = mentions.some(({ line }) => !k.isUsedUp(line))
    ? k.fresh('pan', clause.section)
    : (k.here ?? k.fresh('pan', clause.section));
  const { added } = k.putLines(vessel, mentions, clause.text, n);
  if (added.length > 0) k.put('add', n, { lines: added });
  const { minutes, assumed } = k.range(clause, USUAL.smokeMin);
  vessel.isHot = true;
  k.here = vessel;
  k.put('smoke', n, { minutes, assumed });
  k.step(vessel, n, 'smoke', (id) => ({ id, op: 'fry', how: 'smoke', minutes: (minutes.low + minutes.high) / 2 }));
}

export function doToast(k: Kitchen, clause: Clause, n: number): void {
  if (/\boven\b|\btray\b|\bsheet\b|\b\d{3} ?(?:°|c\b|f\b)/i.test(clause.text)) {
    doRoast(k, clause, n);
    return;
  }
  const mentions = k.about(clause);
  const isNew = mentions.some(({ line }) => !k.isUsedUp(line));
  const vessel =
    isNew &&
    k.here !== undefined &&
    k.here.steps.length > 0 &&
    !(isHob(k.here) && !k.here.isWet && k.placeIn(clause.text) === undefined)
      ? k.fresh('pan', clause.section)
      : hob(k, clause, n, isNew);
  heated(k, vessel, 'toast', clause, n, mentions);
}

/** A knob of butter, g: as the larder has it. */
const KNOB_G = 20;

const SOUP_WITH =
  /^(?:and |then )*(?:gently |slowly )?(?:re-?)?(?:heat|warm)(?: (?:it|the (?:soup|pur[ée]e)|soup|through|gently|slowly|up|again))*(?: (?:over|on) [^,.;]*?)? with\b/i;

/** What is heated with the soup goes into it first. @returns whether anything did. */
function addedWith(k: Kitchen, clause: Clause, n: number, text: string): boolean {
  const behind = /\bwith (?:the |your |a )?(.+)$/i.exec(text)?.[1];
  if (behind === undefined || !k.mentions(behind, clause).some(({ line }) => !k.isUsedUp(line))) return false;
  k.as('add', { ...clause, text: `add the ${behind}`, verb: 'add', verbAt: 0 }, n, 'add');
  return true;
}

export function doHeat(k: Kitchen, clause: Clause, n: number, verb: string): void {
  if (/^(?:and |then )*melt in\b/i.test(clause.text) && k.here?.isWet === true) {
    // "Melt in the cheese."
    k.as('add', { ...clause, text: clause.text.replace(/melt in/i, 'stir in'), verb: 'stir', verbAt: 0 }, n, 'stir');
    return;
  }
  const { text } = clause;
  const main = k.isFinished() ? k.mainVessel() : undefined;
  if (
    main !== undefined &&
    isHob(main) &&
    k.here !== main &&
    /^(?:and |then )*(?:gently )?(?:re-?heat|warm (?:it )?through)\b/i.test(text)
  )
    k.here = main;
  if (
    main !== undefined &&
    /^(?:and |then )*(?:gently )?re-?heat\b[^,;]*?\bin (?:a|another|the) (?:clean |large |fresh )*(?:pan|pot|saucepan)\b/i.test(
      text,
    )
  ) {
    // "Reheat in a pan with the cream": the same soup, out of the blender.
    k.here = main;
    addedWith(k, clause, n, text.replace(/\bin (?:a|another|the) (?:clean |large |fresh )*(?:pan|pot|saucepan)\b ?/i, ''));
    k.as('heat', { ...clause, text: 'heat through', verb: 'heat', verbAt: 0 }, n, 'heat');
    return;
  }
  if (main !== undefined && isHob(main) && SOUP_WITH.test(text)) {
    // "Reheat the soup gently with the cream."
    const back = k.here;
    k.here = main;
    if (addedWith(k, clause, n, text)) {
      const time = /\bfor (?:about |another )?[\d½–-]+ ?(?:minutes?|mins?)\b/i.exec(text)?.[0] ?? '';
      k.as('heat', { ...clause, text: `heat through ${time}`, verb: 'heat', verbAt: 0 }, n, 'heat');
      return;
    }
    k.here = back;
  }
  const isOvenRack =
    ovenIn(text, k.context.country) !== undefined &&
    !(k.here !== undefined && isHob(k.here)) &&
    /\b(?:oven|racks?)\b/i.test(k.clauses[n - 1]?.text ?? '');
  if (isOvenRack || (/\b(?:oven|broiler|grill)\b/i.test(text) && !/\bdutch oven\b/i.test(text))) {
    doPreheat(k, clause, n);
    return;
  }
  if (/\bto (?:the |a )?(?:boil|boiling|simmer)\b/i.test(text) && k.here?.isWet === true) {
    k.as('bring', clause, n, 'bring');
    return;
  }
  const body = k.body(clause);
  const mentions = k.mentions(body, clause);
  const fats = mentions.filter(({ line }) => k.lineOf(line)?.taken.role === 'fat' || k.lineOf(line)?.taken.row.group === 'fats');
  if (verb === 'melt' && mentions.length === 0 && k.lastNamed.length > 0 && !/\b(?:fat|butter|oil)\b/i.test(text)) {
    // "Scoop the cream off the top and melt it": what was named before.
    k.put('setting', n);
    return;
  }
  if (fats.length > 0 || verb === 'melt') {
    const vessel = hob(k, clause, n, true);
    // "Melt the knob of butter" of "25 g butter, plus a knob to finish": it is besides what went in.
    const isBesides =
      mentions.length > 0 && mentions.every(({ line }) => k.isUsedUp(line) && PLUS_MORE.test(k.lineOf(line)?.taken.text ?? ''));
    const fat = /\b(?:fat|butter)\b/i.test(text) ? 'butter' : 'olive oil';
    const own = isBesides ? found(k, fat, clause, KNOB_G) : mentions.length > 0 ? mentions : found(k, fat, clause);
    k.here = vessel;
    const { added } = k.putLines(vessel, own, body, n);
    k.put('add', n, { lines: added, vessel: vessel.name });
    const isMoreThanFat = fats.length > 0 && fats.length < mentions.length && minutesIn(text) !== undefined;
    if (isMoreThanFat) heated(k, vessel, kindOfHeat(k, clause, vessel, mentions, false), clause, n, []);
    return;
  }
  if (/\b(?:a (?:little|glug|splash|drizzle) (?:of )?(?:oil|butter)|oil)\b/i.test(body)) {
    const vessel = hob(k, clause, n, true);
    k.here = vessel;
    const { added } = k.putLines(vessel, found(k, /butter/i.test(body) ? 'butter' : 'olive oil', clause), body, n);
    k.put('add', n, { lines: added, vessel: vessel.name, assumed: ['LINE'] });
    return;
  }
  const place = k.placeIn(body);
  if (
    place !== undefined &&
    mentions.length === 0 &&
    (place.kind === 'pan' || place.kind === 'pot') &&
    !/\bthrough|\bsoup\b|\bit\b/i.test(body)
  ) {
    // "Heat a large saucepan over medium heat".
    if (place.isNew) k.here = hob(k, clause, n, true);
    k.put('setting', n);
    return;
  }
  if (k.isFinished() && /\b(?:again|through)\b/i.test(body) && mentions.some(({ line }) => !k.isUsedUp(line))) {
    k.as('add', clause, n);
    const time = /\bfor (?:about |another )?[\d½–-]+ ?(?:minutes?|mins?)\b/i.exec(body)?.[0] ?? '';
    doHeat(k, { ...clause, text: `heat through ${time}`, verbAt: 0 }, n, 'heat');
    return;
  }
  if (mentions.some(({ line }) => !k.isUsedUp(line)) && !/\b(?:through|soup)\b/i.test(body)) {
    const vessel = hob(k, clause, n, true);
    k.here = vessel;
    const { added, joined } = k.putLines(vessel, mentions, body, n);
    k.put('add', n, { lines: added, vessel: vessel.name });
    k.told(joined, vessel, n);
    return;
  }
  const soup = /\bsoup\b/i.test(body) ? k.mainVessel() : undefined;
  const vessel =
    soup !== undefined && isHob(soup)
      ? soup
      : k.here !== undefined && isHob(k.here)
        ? k.here
        : (k.latestHob() ?? k.fresh('pot', clause.section));
  k.here = vessel;
  if (k.actions.some(({ does }) => does === 'liaison')) {
    // The warming that thickens egg and cream belongs to them.
    k.put('setting', n);
    return;
  }
  const toC = minutesIn(text) === undefined ? degreesIn(text) : undefined;
  if (
    toC !== undefined &&
    toC >= USUAL.reheatLeastC &&
    toC <= USUAL.reheatMostC &&
    (/^re-?(?:heat|warm)/i.test(verb) || k.isFinished())
  ) {
    // "Reheat to 74 °C": until a probe says so, however long that takes.
    k.put('warm', n);
    k.step(vessel, n, 'reheat', (id) => ({ id, op: 'reheat', toC, lid: k.lidOf(clause, vessel) ?? 'ajar' }));
    vessel.isHot = true;
    return;
  }
  const { minutes, assumed } = k.range(clause, USUAL.warmMin);
  k.put('warm', n, { minutes, assumed });
  k.step(vessel, n, 'warm', (id) => ({
    id,
    op: 'simmer',
    minutes: (minutes.low + minutes.high) / 2,
    vigour: 'bare',
    lid: 'on',
  }));
  vessel.isHot = true;
}

export function doPreheat(k: Kitchen, clause: Clause, n: number): void {
  const oven = ovenIn(clause.text, k.context.country);
  if (oven !== undefined) k.setOven(oven);
  else if (/\b(?:broiler|grill)\b/i.test(clause.text)) {
    k.oven = USUAL.grillC;
    k.isOvenGuessed = true;
  }
  k.put('setting', n, oven === undefined ? {} : { ovenC: oven });
}

export function doSweat(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.about(clause);
  const vessel = hob(
    k,
    clause,
    n,
    mentions.some(({ line }) => !k.isUsedUp(line)),
  );
  const heat =
    LOOKS.golden.test(clause.text) && !LOOKS.notBrown.test(clause.text) && !LOOKS.soft.test(clause.text)
      ? 'fry'
      : vessel.isWet && !mentions.some(({ line }) => !k.isUsedUp(line))
        ? 'simmer'
        : 'sweat';
  heated(k, vessel, heat, clause, n, mentions);
}

export function doFry(k: Kitchen, clause: Clause, n: number): void {
  if (/\bdeep-fr(?:y|ied)\b/i.test(clause.text)) {
    // What goes on top, in a pan of its own: none of its oil is in the soup.
    k.put('prepare', n, { vessel: undefined });
    return;
  }
  if (/\bair[- ]?fry\b/i.test(k.clauses[n]?.text ?? '')) {
    doRoast(k, clause, n);
    return;
  }
  const mentions = k.about(clause);
  if (/\b(?:in|into) the oven\b|\bin a (?:hot|moderate) oven\b/i.test(clause.text)) {
    doRoast(k, clause, n);
    return;
  }
  const isNew = mentions.some(({ line }) => !k.isUsedUp(line));
  const vessel = hob(k, clause, n, isNew);
  heated(k, vessel, kindOfHeat(k, clause, vessel, mentions, true), clause, n, mentions);
}

export function doBloom(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.about(clause);
  heated(k, hob(k, clause, n, false), 'bloom', clause, n, mentions);
}

/** "Tip in the onion, carrot and celery. Cook the vegetables until soft": those, and none that has not gone in yet. */
function withoutOthers(k: Kitchen, mentions: readonly Mention[]): readonly Mention[] {
  const last = k.actions.findLast(({ does }) => does !== 'setting' && does !== 'remark');
  const isPiece = (line: string): boolean => (k.lineOf(line)?.taken.row.softening ?? 0) > 0;
  const justIn = last?.does === 'add' ? last.lines.filter(({ line }) => isPiece(line) && k.here?.lines.has(line) === true) : [];
  return justIn.length >= 2 && mentions.every(({ byGroup }) => byGroup === true) ? [] : mentions;
}

export function doCook(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const mentions = withoutOthers(k, k.about(clause));
  if (mentions.length === 0 && k.actions.at(-1)?.does === 'deglaze' && EVAPORATED.test(text)) {
    const time = minutesIn(text);
    k.put('setting', n, time === undefined ? {} : { minutes: { low: time.low, high: time.high } });
    return;
  }
  if (/\b(?:in|into) (?:a |the )?(?:pan of )?(?:boiling|salted|simmering|plenty of)[\w ]* water\b/i.test(text)) {
    const own = k.all.filter(
      ({ id, taken }) => (taken.row.id === 'water' || taken.row.id === 'fine-salt') && !k.isUsedUp(id) && taken.kg > 0,
    );
    if (own.some(({ taken }) => taken.row.id === 'water')) {
      // The water of the recipe: it is the soup's.
      const vessel = hob(
        k,
        clause,
        n,
        mentions.some(({ line }) => !k.isUsedUp(line)),
      );
      heated(k, vessel, 'simmer', clause, n, [
        ...mentions,
        ...own.filter(({ id }) => !mentions.some(({ line }) => line === id)).map(({ id }) => ({ line: id, at: 0, length: 0 })),
      ]);
      return;
    }
    doBlanch(k, clause, n);
    return;
  }
  const isUnderPressure = k.pressureAt === n - 1 && minutesIn(text) !== undefined;
  if (isUnderPressure || /\bpressure\b/i.test(text)) {
    doPressure(k, clause, n);
    return;
  }
  const isOnTray = k.placeIn(text)?.kind === 'tray' && minutesIn(text) !== undefined && k.here?.isWet !== true;
  if (isOnTray || (/\boven\b/i.test(text) && !/\bdutch oven\b/i.test(text))) {
    doRoast(k, clause, n);
    return;
  }
  const isNew = mentions.some(({ line }) => !k.isUsedUp(line));
  const vessel =
    k.here?.kind === 'tray' && !isNew && k.placeIn(text) === undefined
      ? k.here
      : hob(k, clause, n, isNew && (k.here?.kind === 'tray' || k.here?.kind === 'bowl'));
  const yolks = [...vessel.lines].find((id) => k.lineOf(id)?.taken.role === 'yolk');
  if (yolks !== undefined && vessel.isBlended) {
    // The warming that thickens egg and cream belongs to them.
    k.put('setting', n);
    return;
  }
  const isWarming = /\b(?:hot|heated|warmed?|warm through|without boiling|not (?:let(?:ting)? it )?boil)\b/i.test(text);
  if (vessel.isBlended && isWarming) {
    doHeat(k, clause, n, 'heat');
    return;
  }
  heated(k, vessel, kindOfHeat(k, clause, vessel, mentions, false), clause, n, mentions);
}

export function doGive(k: Kitchen, clause: Clause, n: number): void {
  const { text: words } = clause;
  if (
    /\b(?:blitz|whizz?|blend|pur[ée]e)\b/i.test(words) ||
    /\b(?:blast|buzz|whirl|zap|go|going[- ]over|spin|turn)\b.*\b(?:blender|blade|wand|liquidi[sz]er)\b/i.test(words)
  ) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  const vessel = k.here;
  const given = minutesIn(words);
  if (given !== undefined && vessel !== undefined && settledLater(k, vessel, given)) {
    k.put('setting', n, { minutes: { low: given.low, high: given.high } });
    return;
  }
  if (
    given !== undefined &&
    vessel !== undefined &&
    (vessel.isHot || (vessel.kind === 'tray' && vessel.lines.size > 0) || (isHob(vessel) && k.hasPieces(vessel)))
  ) {
    const kind = kindOfHeat(k, clause, vessel, [], false);
    const isOn = /\b(?:more|another|further|longer)\b/i.test(words) && (k.lastHeat === 'sweat' || k.lastHeat === 'fry');
    heated(
      k,
      vessel,
      (kind !== 'bloom' || given.high >= 2) && !vessel.isWet && (isOn || (kind === 'sweat' && k.lastHeat === 'fry'))
        ? (k.lastHeat ?? kind)
        : kind,
      clause,
      n,
      [],
    );
    return;
  }
  k.put('remark', n);
}

export function doHold(k: Kitchen, _clause: Clause, n: number): void {
  k.put('hold', n);
}

export function doLine(k: Kitchen, clause: Clause, n: number): void {
  const { here } = k;
  const isFood = /^(?:and |then )?(?:oil|butter) (?:it|them|the (?!tray|tin|sheet|dish|pan))/i.test(clause.text);
  if (isFood && here !== undefined && here.lines.size > 0 && !here.isWet) {
    // "Lay the squash on a tray. Oil it."
    k.as('add', { ...clause, text: `add ${clause.verb ?? 'oil'}`, verb: 'add', verbAt: 0 }, n, 'add');
    return;
  }
  k.put('setting', n);
}

export function doRemark(k: Kitchen, clause: Clause, n: number): void {
  const liquids = /^(?:and |then )?repeat\b.*\b(?:remaining|rest)\b/i.test(clause.text)
    ? k.mentions(clause.text, clause).filter(({ line }) => k.isLiquid(line) && !k.isUsedUp(line))
    : [];
  if (liquids.length > 0 && k.here !== undefined) {
    // "Repeat with the remaining vegetables and broth": the second jug is filled up with what is left.
    const { added } = k.putLines(
      k.here,
      liquids.map((one) => ({ ...one, rest: true as const })),
      clause.text,
      n,
    );
    k.put('add', n, { lines: added });
    return;
  }
  k.put('remark', n);
}
