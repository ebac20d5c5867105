import { hob, roastVessel } from './where.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import { IN_WATER, USUAL } from './usual.js';
import { LOOKS } from './lexicon.js';
import { minutesIn, ovenIn } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { heated, kindOfHeat } from './heated.js';
import { EVAPORATED } from './poured.js';
import { settledLater } from './later.js';
import { doBlanch, doPressure } from './boil.js';
import { doHeat } from './warm.js';

/** "Char in a dry skillet", "roast the seeds over a low heat": on the hob, whatever it is called. */
const ON_HOB =
  /\b(?:in|on) (?:an? |the |your )?(?:(?:very|smoking|hot|dry|heavy|heavy-based|cast[- ]iron|large|small|non-?stick|ridged)[, ]+)*(?:frying[- ]?pans?|fry-?pan|skillet|griddle(?:[- ]pan)?|wok|saucepan|(?<=dry |hot |cast[- ]iron |heavy |ridged )pan)\b|\b(?:over|on) (?:an? )?(?:very )?(?:low|medium|med|moderate|high|gentle)(?:[- ](?:low|high))?(?: heat)?\b/i;
/** "Directly over a gas flame", "on the barbecue": as hot as a grill. */
const OVER_FLAME =
  /\b(?:over|on|in) (?:an? |the |your )?(?:open |gas |naked |direct |live |stove )*(?:flames?|burners?|hob|gas ring|ring|barbecue|bbq|coals|embers)\b/i;
const IN_OVEN = /\b(?:oven|tray|sheet|broiler|roasting (?:pan|tin)|rack|grill|degrees)\b|\d ?°|\b\d{3} ?[cf]\b/i;

export function doRoast(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (ovenIn(text, k.context.country) === undefined && k.here?.kind !== 'tray' && !IN_OVEN.test(text)) {
    if (OVER_FLAME.test(text)) {
      doGrill(k, clause, n);
      return;
    }
    if (ON_HOB.test(text)) {
      k.as('fry', clause, n);
      return;
    }
  }
  inTheOven(k, clause, n, USUAL.roastMin);
}

/** "Roast both sheets until the tomatoes catch": whatever else is named. */
const ALL_TRAYS =
  /\b(?:both|all(?: of)?(?: the)?|each of the|the (?:two|three)) (?:baking |roasting |oven )?(?:sheets?|trays?|tins?|pans?)\b/i;

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
          (one.kind === 'tray' &&
            one.lines.size > 0 &&
            one.section === clause.section &&
            (ALL_TRAYS.test(clause.text) || (!isOfOne && !isNew)))),
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
  if (ON_HOB.test(clause.text) && !IN_OVEN.test(clause.text)) {
    k.as('fry', clause, n);
    return;
  }
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
  if (IN_WATER.test(text)) {
    const own = k.all.filter(
      ({ id, taken }) => (taken.row.id === 'water' || taken.row.id === 'fine-salt') && !k.isUsedUp(id) && taken.kg > 0,
    );
    // "Cook the tips in a little boiling water" beside the pot in which the stalks are.
    const isBeside = /\bin (?:a little|a bit of|some|a (?:small )?pan of|a separate)\b/i.test(text) && k.wetPots().length > 0;
    if (!isBeside && own.some(({ taken }) => taken.row.id === 'water')) {
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
  if (minutesIn(text) !== undefined && k.here?.kind === 'tray' && !k.here.isHot && k.onGrill === k.here) {
    // "Place them directly on the grill and cook until charred."
    k.as('grill', clause, n, 'grill');
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
