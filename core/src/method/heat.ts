import { hob, roastVessel } from './where.js';
import type { Kitchen } from './kitchen.js';
import { USUAL, BLOOM_MOST, type Heat } from './usual.js';
import { BODIES, HEATS, LOOKS } from './lexicon.js';
import type { Mention } from './mentions.js';
import { minutesIn, ovenIn, degreesIn, bodyFigureIn } from './measures.js';
import { isHob, type Vessel } from './vessel.js';
import type { Clause } from './clauses.js';
import type { Doing } from './action.js';

/** Lines into the vessel and heat of a kind under it. */
export function heated(k: Kitchen, vessel: Vessel, heat: Heat, clause: Clause, n: number, mentions: readonly Mention[]): void {
  const body = k.body(clause);
  // "in a litre of water": what stands in no line.
  const more = vessel.kind === 'tray' ? [] : k.unlisted(body, clause, mentions);
  const { added, joined, back } = k.putLines(vessel, [...mentions, ...more], body, n);
  k.here = vessel;
  if (added.length > 0) k.put('add', n, { lines: added, vessel: vessel.name });
  k.told(joined, vessel, n);
  if (back.length > 0) k.put('giveBack', n, { lines: back.map((line) => ({ line })) });
  const text = clause.text;
  const lid = k.lidOf(clause, vessel);
  const usual = {
    sweat: USUAL.sweatMin,
    fry: USUAL.fryMin,
    bloom: USUAL.bloomMin,
    simmer: USUAL.simmerMin,
    roast: USUAL.roastMin,
    toast: USUAL.toastMin,
    fryPuree: USUAL.fryPureeMin,
  }[heat];
  const { minutes, assumed } = k.range(clause, usual);
  const middle = (minutes.low + minutes.high) / 2;
  vessel.isHot = true;
  k.lastHeat = heat;
  const does: Doing = heat;
  if (heat === 'roast') {
    const said = ovenIn(text, k.context.country);
    const ovenC = said ?? k.oven ?? USUAL.ovenC;
    if (said !== undefined) {
      k.oven = said;
      k.isOvenGuessed = false;
    }
    k.put(does, n, {
      vessel: vessel.name,
      minutes,
      ovenC,
      assumed: [...assumed, ...(said === undefined && (k.oven === undefined || k.isOvenGuessed) ? (['OVEN'] as const) : [])],
    });
    const toss = /\b(?:every|each) (\d+) min/i.exec(text);
    const tossEveryMin = toss === null ? undefined : Math.min(60, Math.max(5, Number(toss[1])));
    k.step(vessel, n, 'roast', (id) => ({
      id,
      op: 'roast',
      ovenC: Math.min(280, Math.max(120, ovenC)),
      minutes: middle,
      load: /\bcrowded\b/i.test(text) ? 'crowd' : 'rounds',
      ...(tossEveryMin === undefined ? {} : { tossEveryMin }),
    }));
    return;
  }
  k.put(does, n, { vessel: vessel.name, minutes, assumed, ...(lid === undefined ? {} : { lid }) });
  if (heat === 'sweat') {
    const isHigh = HEATS.high.test(text) && !HEATS.gentle.test(text);
    k.step(vessel, n, 'sweat', (id) => ({
      id,
      op: 'sweat',
      minutes: middle,
      heat: isHigh ? 'high' : 'gentle',
      lid: lid === 'on' ? 'on' : 'off',
    }));
  } else if (heat === 'fryPuree') {
    k.step(vessel, n, 'fry-puree', (id) => ({ id, op: 'fryPuree', minutes: middle }));
  } else if (heat === 'simmer') {
    vessel.boiling = undefined;
    const vigour =
      /\b(?:bare(?:ly)?|gentl[ey]|very low|lowest)\b/i.test(text) && !/\bboil/i.test(text)
        ? 'bare'
        : /\b(?:rapid\w*|vigorous\w*|hard|fast|briskly|rolling)\b/i.test(text)
          ? 'rolling'
          : /\bboil\b/i.test(text)
            ? 'lively'
            : 'steady';
    k.step(vessel, n, 'simmer', (id) => ({ id, op: 'simmer', minutes: middle, vigour, lid: lid ?? 'ajar' }));
  } else {
    const how = heat === 'fry' ? 'sauté' : heat;
    k.step(vessel, n, heat, (id) => ({ id, op: 'fry', how, minutes: middle }));
  }
}

/** Flour is cooked out for no longer than this, min. */
const FLOUR_MOST = 5;

/** In a slow cooker, or for hours, "cook" is a simmer. */
function isSlow(k: Kitchen, text: string): boolean {
  const minutes = minutesIn(text);
  if (/\bon (?:low|high)\b/i.test(text) && (minutes?.high ?? 0) >= HOURS_MIN) return true;
  return (minutes?.low ?? 0) >= HOURS_MIN && k.clauses.some((clause) => /\bslow cooker\b/i.test(clause.text));
}
const HOURS_MIN = 60;

/** Which kind of heat "cook" or "fry" means here. */
export function kindOfHeat(k: Kitchen, clause: Clause, vessel: Vessel, mentions: readonly Mention[], isFry: boolean): Heat {
  const { text } = clause;
  if (vessel.kind === 'tray') return 'roast';
  if (isSlow(k, text)) return 'simmer';
  const isHigh = k.isTurnedUp;
  k.isTurnedUp = false;
  if (vessel.isBlended && isFry) return 'fryPuree';
  if (vessel.isWet && !isFry) return 'simmer';
  const minutes = minutesIn(text);
  const last = mentions.some(({ line }) => !k.isUsedUp(line)) ? mentions.map(({ line }) => line) : vessel.lastIn;
  const small = last.length > 0 && last.every((id) => k.isBloomed(id));
  const isFloury = last.length > 0 && last.every((id) => k.lineOf(id)?.taken.row.id.includes('flour'));
  if (isFloury && (minutes?.high ?? 0) <= FLOUR_MOST) return 'bloom';
  const short = minutes === undefined ? LOOKS.fragrant.test(text) : minutes.high <= BLOOM_MOST;
  const isGolden = LOOKS.golden.test(text) && !LOOKS.notBrown.test(text);
  if (small && !(isFry && isGolden) && (short || LOOKS.fragrant.test(text))) return 'bloom';
  if (LOOKS.golden.test(text) && !LOOKS.notBrown.test(text)) return 'fry';
  if (LOOKS.soft.test(text) || LOOKS.notBrown.test(text) || HEATS.gentle.test(text) || /\bsweat/i.test(text)) return 'sweat';
  if (isFry || (isHigh && minutes !== undefined && minutes.high <= BLOOM_MOST * 2)) return small && short ? 'bloom' : 'fry';
  return short && small ? 'bloom' : 'sweat';
}

export function doRoast(k: Kitchen, clause: Clause, n: number): void {
  const body = k.body(clause);
  const mentions = k.withPrepared(k.mentions(body, clause), body, clause);
  const oven = ovenIn(clause.text, k.context.country);
  if (oven !== undefined) k.oven = oven;
  const isNew = mentions.some(({ line }) => !k.isUsedUp(line));
  const { here } = k;
  const isOther =
    here?.kind === 'tray' &&
    (here.isHot || here.section !== clause.section) &&
    isNew &&
    (k.placeIn(clause.text)?.isNew === true || here.section !== clause.section || minutesIn(clause.text) !== undefined);
  const foil = k.open().filter((one) => one.name.startsWith('Foil') && !one.isHot);
  const vessel = isOther ? k.fresh('tray', clause.section) : roastVessel(k, clause, mentions);
  const isBare = !k.hasPieces(vessel) && !mentions.some(({ line }) => (k.lineOf(line)?.taken.row.softening ?? 0) > 0);
  heated(k, vessel, 'roast', clause, n, isBare ? [...k.pending(), ...mentions] : mentions);
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
  doRoast(k, clause, n);
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

export function doHeat(k: Kitchen, clause: Clause, n: number, verb: string): void {
  const { text } = clause;
  if (/\b(?:oven|broiler|grill)\b/i.test(text) && !/\bdutch oven\b/i.test(text)) {
    doPreheat(k, clause, n);
    return;
  }
  const body = k.body(clause);
  const mentions = k.mentions(body, clause);
  const fats = mentions.filter(({ line }) => k.lineOf(line)?.taken.role === 'fat' || k.lineOf(line)?.taken.row.group === 'fats');
  if (fats.length > 0 || verb === 'melt') {
    const vessel = hob(k, clause, n, true);
    const own = mentions.length > 0 ? mentions : k.found(/\b(?:fat|butter)\b/i.test(text) ? 'butter' : 'olive oil', clause);
    k.here = vessel;
    const { added } = k.putLines(vessel, own, body, n);
    k.put('add', n, { lines: added, vessel: vessel.name });
    return;
  }
  if (/\b(?:a (?:little|glug|splash|drizzle) (?:of )?(?:oil|butter)|oil)\b/i.test(body)) {
    const vessel = hob(k, clause, n, true);
    k.here = vessel;
    const { added } = k.putLines(vessel, k.found(/butter/i.test(body) ? 'butter' : 'olive oil', clause), body, n);
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
    doHeat(k, { ...clause, text: 'heat through', verbAt: 0 }, n, 'heat');
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
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : (k.latestHob() ?? k.fresh('pot', clause.section));
  k.here = vessel;
  if (k.actions.some(({ does }) => does === 'liaison')) {
    // The warming that thickens egg and cream belongs to them.
    k.put('setting', n);
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
  if (oven !== undefined) k.oven = oven;
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

export function doCook(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const mentions = k.about(clause);
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
  if (/\bpressure\b/i.test(text)) {
    doPressure(k, clause, n);
    return;
  }
  if (/\boven\b/i.test(text) && !/\bdutch oven\b/i.test(text)) {
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

export function doBoil(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\bkettle\b/i.test(text)) {
    k.put('remark', n);
    return;
  }
  if (k.actions.at(-1)?.does === 'deglaze' && /\b(?:dry|evaporat\w*|gone|reduced(?! by)|syrup\w*)\b/i.test(text)) {
    k.put('setting', n);
    return;
  }
  if (/\b(?:in|into) (?:a |the )?(?:pan of )?(?:boiling|salted|simmering)[\w ]* water\b/i.test(text)) {
    doBlanch(k, clause, n);
    return;
  }
  if (minutesIn(text) === undefined && !LOOKS.soft.test(text)) {
    doBring(k, clause, n);
    return;
  }
  const mentions = k.about(clause);
  const vessel = hob(k, clause, n, false);
  if (vessel.steps.length === 0 || mentions.some(({ line }) => !k.isUsedUp(line))) heated(k, vessel, 'simmer', clause, n, mentions);
  else heated(k, vessel, 'simmer', clause, n, []);
}

export function doBring(k: Kitchen, clause: Clause, n: number): void {
  const degrees = degreesIn(clause.text);
  if (degrees !== undefined && degrees < BOILS_C && k.isFinished()) {
    doHeat(k, clause, n, 'heat');
    return;
  }
  const mentions = k.about(clause).filter(({ line }) => !k.isUsedUp(line));
  const vessel = hob(k, clause, n, false);
  k.here = vessel;
  const { added } = k.putLines(vessel, mentions, k.body(clause), n);
  if (added.length > 0) k.put('add', n, { lines: added, vessel: vessel.name });
  const lid = k.lidOf(clause, vessel);
  if (lid !== undefined) vessel.lid = lid;
  k.put('boil', n, { vessel: vessel.name });
  vessel.boiling = n;
  vessel.isHot = true;
  if (minutesIn(clause.text) !== undefined && /\bsimmer\b/i.test(clause.text) && /\bfor\b/i.test(clause.text))
    heated(k, vessel, 'simmer', clause, n, []);
}

/** Below this a soup is brought to heat, not to the boil, °C. */
const BOILS_C = 97;

export function doSimmer(k: Kitchen, clause: Clause, n: number): void {
  if (/\bin (?:gently |barely )?(?:simmering|boiling)[\w ]* water\b/i.test(clause.text)) {
    doBlanch(k, clause, n);
    return;
  }
  if (
    k.actions.at(-1)?.does === 'deglaze' &&
    /\b(?:away|nothing|gone|off)\b/i.test(clause.text) &&
    minutesIn(clause.text) === undefined
  ) {
    k.put('setting', n);
    return;
  }
  const mentions = k.about(clause).filter(({ line }) => !k.isUsedUp(line) || k.vesselOf(line) !== k.here);
  const vessel = hob(k, clause, n, false);
  heated(k, vessel, 'simmer', clause, n, mentions);
}

export function doBlanch(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.about(clause).filter(({ line }) => k.lineOf(line)?.taken.row.id !== 'water');
  if (mentions.length === 0 || !/\bwater\b|\bblanch|\bsteam/i.test(clause.text)) {
    doSimmer(k, { ...clause, text: clause.text.replace(/\bwater\b/gi, 'pan') }, n);
    return;
  }
  const vessel = k.fresh('pan', clause.section);
  const [water] = k.found('water', clause);
  const { added } = k.putLines(vessel, mentions, clause.text, n);
  if (water !== undefined) {
    k.settled.add(water.line);
    k.uses.set(water.line, [{ line: water.line, said: true }]);
    const { line } = water;
    k.spoon(vessel, { kind: 'step', clause: n, id: 'cover', make: (id) => ({ id, op: 'cover', line, overM: 0.03 }) });
    vessel.lines.add(line);
  }
  vessel.isWet = true;
  k.put('add', n, { lines: added, vessel: vessel.name });
  heated(k, vessel, 'simmer', clause, n, []);
}

export function doPressure(k: Kitchen, clause: Clause, n: number): void {
  const vessel = hob(k, clause, n, false);
  const mentions = k.about(clause).filter(({ line }) => !k.isUsedUp(line));
  const { added } = k.putLines(vessel, mentions, clause.text, n);
  if (added.length > 0) k.put('add', n, { lines: added });
  const { minutes, assumed } = k.range(clause, USUAL.pressureMin);
  k.put('pressure', n, { minutes, assumed });
  vessel.isHot = true;
  vessel.boiling = undefined;
  k.here = vessel;
  k.step(vessel, n, 'pressure', (id) => ({
    id,
    op: 'pressure',
    minutes: (minutes.low + minutes.high) / 2,
    atC: Math.min(121, Math.max(105, degreesIn(clause.text) ?? USUAL.pressureC)),
  }));
}

export function doReduce(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\b(?:heat|flame|temperature|oven|speed)\b/i.test(text) && !/\bby\b/i.test(text)) {
    doTurn(k, clause, n);
    return;
  }
  const next = k.clauses[n + 1];
  if (
    /^(?:then )?reduce$/i.test(text.trim()) &&
    next?.sentence === clause.sentence &&
    /^(?:cook|simmer|continue)$/.test(next.verb ?? '')
  ) {
    k.put('setting', n);
    return;
  }
  const vessel = k.here !== undefined && isHob(k.here) ? k.here : hob(k, clause, n, false);
  const by =
    /\bby (?:about |at least )?(?:a |one )?(half|third|quarter|two[- ]thirds|three[- ]quarters)\b|\bto (?:a |one )?(half|third|quarter)\b/i.exec(
      text,
    );
  const bodySaid = bodyFigureIn(text);
  const stated = /\bto (\d+(?:\.\d+)?) ?%/i.exec(text);
  const gone = by?.[1]?.toLowerCase();
  const stays = by?.[2]?.toLowerCase();
  const part: Readonly<Record<string, number>> = {
    half: 0.5,
    third: 1 / 3,
    quarter: 0.25,
    'two thirds': 2 / 3,
    'two-thirds': 2 / 3,
    'three quarters': 0.75,
    'three-quarters': 0.75,
  };
  const kept =
    stated !== null
      ? Number(stated[1]) / 100
      : gone !== undefined
        ? 1 - (part[gone] ?? 0.5)
        : stays !== undefined
          ? (part[stays] ?? 0.5)
          : undefined;
  k.put('reduce', n, { ...(kept === undefined ? { assumed: ['BODY' as const] } : { share: kept }) });
  vessel.boiling = undefined;
  k.step(vessel, n, 'reduce', (id) => ({
    id,
    op: 'reduce',
    vigour: 'lively',
    to: kept === undefined ? { by: 'body', mPas: bodySaid ?? bodyIn(text) ?? USUAL.thickMPas } : { by: 'share', kept },
  }));
}

export function bodyIn(text: string): number | undefined {
  return BODIES.find(([words]) => words.test(text))?.[1];
}

export function doTurn(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\boven\b/i.test(text)) {
    const oven = ovenIn(text, k.context.country);
    if (oven !== undefined) k.oven = oven;
  }
  if (/\b(?:into|out|in) /i.test(text) && k.placeIn(text) !== undefined && !/\bheat|\boven|\bflame|\bgas\b/i.test(text)) {
    k.as('add', clause, n);
    return;
  }
  if (/\bbring (?:it )?(?:back )?to (?:a|the) (?:boil|simmer)\b/i.test(text)) {
    doBring(k, { ...clause, text: 'bring to the boil', verbAt: 0 }, n);
    return;
  }
  k.isTurnedUp = /\b(?:up|increase|raise|high)\b/i.test(text) && !/\b(?:low|down|gentle|medium(?!-high))\b/i.test(text);
  k.put('setting', n);
}

export function doGive(k: Kitchen, clause: Clause, n: number): void {
  const { text: words } = clause;
  if (/\b(?:blitz|whizz|blend|pur[ée]e)\b/i.test(words)) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  const vessel = k.here;
  if (minutesIn(words) !== undefined && vessel !== undefined && (vessel.isHot || (isHob(vessel) && k.hasPieces(vessel)))) {
    const kind = kindOfHeat(k, clause, vessel, [], false);
    const isOn = /\b(?:more|another|further|longer)\b/i.test(words) && (k.lastHeat === 'sweat' || k.lastHeat === 'fry');
    heated(
      k,
      vessel,
      !vessel.isWet && (isOn || (kind === 'sweat' && k.lastHeat === 'fry')) ? (k.lastHeat ?? kind) : kind,
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

export function doLine(k: Kitchen, _clause: Clause, n: number): void {
  k.put('setting', n);
}

export function doRemark(k: Kitchen, _clause: Clause, n: number): void {
  k.put('remark', n);
}
