import { readLine } from '../amounts/index.js';
import { found } from './foods.js';
import { hob } from './where.js';
import type { Kitchen } from './kitchen.js';
import { USUAL } from './usual.js';
import { degreesIn, minutesIn, ovenIn } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { heated, kindOfHeat } from './heated.js';
import { PLUS_MORE } from './top.js';

/** A knob of a fat, g, as lines are read. */
function knobG(k: Kitchen, fat: string): number | undefined {
  const reading = readLine(`1 knob ${fat}`, k.context);
  return reading.code === 'READ' ? reading.kg * G_KG : undefined;
}
const G_KG = 1000;

/** How long something is heated, where the words say so. */
function forHowLong(text: string): string {
  return /\bfor (?:about |another )?[\d½–-]+ ?(?:minutes?|mins?)\b/i.exec(text)?.[0] ?? '';
}

/** "Gently reheat the soup with ...": the soup itself, and not a fat with what flavours it. */
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
      k.as('heat', { ...clause, text: `heat through ${forHowLong(text)}`, verb: 'heat', verbAt: 0 }, n, 'heat');
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
  // "Reheat, being careful not to boil."
  const isHeldBack = /\b(?:not|without|don['’]?t|never|avoid\w*|before)\b[^,;]*\bboil/i.test(text);
  if (!isHeldBack && /\bto (?:the |a )?(?:boil|boiling|simmer)\b/i.test(text) && k.here?.isWet === true) {
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
    const own = isBesides ? found(k, fat, clause, knobG(k, fat)) : mentions.length > 0 ? mentions : found(k, fat, clause);
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
    doHeat(k, { ...clause, text: `heat through ${forHowLong(body)}`, verbAt: 0 }, n, 'heat');
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
