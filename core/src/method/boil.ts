import { found } from './foods.js';
import { joinTrays } from './moved.js';
import { hob } from './where.js';
import type { Kitchen } from './kitchen.js';
import { IN_WATER, USUAL } from './usual.js';
import { LOOKS, VERBS } from './lexicon.js';
import { minutesIn, ovenIn, degreesIn, bodyFigureIn, partOf } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { heated, bodyIn } from './heated.js';

/** "Add the sherry, scraping up the bits; simmer until nearly gone": the end of what was poured into the hot pan. */
function isOfDeglazing(k: Kitchen, { text }: Clause): boolean {
  const last = k.actions.findLast(({ does }) => does !== 'setting' && does !== 'remark');
  return (
    last?.does === 'deglaze' &&
    /\b(?:dry|evaporat\w*|gone|syrup\w*|cooked (?:off|away)|disappear\w*|absorbed|reduced(?! by))\b/i.test(text)
  );
}

export function doBoil(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\bkettle\b/i.test(text)) {
    k.put('remark', n);
    return;
  }
  if (isOfDeglazing(k, clause)) {
    k.put('setting', n);
    return;
  }
  if (IN_WATER.test(text)) {
    doBlanch(k, clause, n);
    return;
  }
  if (minutesIn(text) === undefined && !LOOKS.soft.test(text)) {
    doBring(k, clause, n);
    return;
  }
  const mentions = k.about(clause);
  const isDrained = k.clauses.slice(n + 1, n + 1 + DRAINED_WITHIN).some(({ verb }) => VERBS[verb ?? ''] === 'drain');
  const isDry = k.here?.isWet !== true && !mentions.some(({ line }) => k.isLiquid(line));
  if (isDrained && isDry && mentions.some(({ line }) => !k.isUsedUp(line))) {
    // "Boil the beetroot in their skins for 45 minutes. Drain": in water of its own.
    doBlanch(k, { ...clause, text: `${clause.text} in water` }, n);
    return;
  }
  const vessel = hob(k, clause, n, false);
  if (vessel.steps.length === 0 || mentions.some(({ line }) => !k.isUsedUp(line))) heated(k, vessel, 'simmer', clause, n, mentions);
  else heated(k, vessel, 'simmer', clause, n, []);
}

/** So many clauses at most lie between the boiling and the draining. */
const DRAINED_WITHIN = 3;

export function doBring(k: Kitchen, clause: Clause, n: number): void {
  // "Bring to 85": a kitchen's note leaves the degrees out.
  const noted = /\bto ([6-9]\d)(?! ?(?:min|sec|%|g\b|ml\b))/i.exec(clause.text)?.[1];
  const degrees = degreesIn(clause.text) ?? (noted === undefined ? undefined : Number(noted));
  if (degrees !== undefined && degrees < BOILS_C && minutesIn(clause.text) === undefined) {
    k.as('heat', noted === undefined ? clause : { ...clause, text: clause.text.replace(noted, `${noted} °C`) }, n, 'heat');
    return;
  }
  if (
    /\b(?:almost|nearly|not quite|just short of)\b[^,.;]*\b(?:boil|simmer)|\b(?:below|under|short of|before) (?:the |a |it )?(?:boil|boiling|boils|simmer)\b|\bto (?:a )?(?:bare |gentle )?steam(?:ing)?\b|\bsteaming hot\b/i.test(
      clause.text,
    )
  ) {
    k.as('heat', { ...clause, text: 'heat through', verb: 'heat', verbAt: 0 }, n, 'heat');
    return;
  }
  if (/\bpressure\b/i.test(clause.text)) {
    if (minutesIn(clause.text) !== undefined) doPressure(k, clause, n);
    else {
      k.pressureAt = n;
      k.put('setting', n);
    }
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
  // What boils is cooked in its liquid from then on, little of it as there may be.
  vessel.isWet ||= [...vessel.lines].some((line) => k.isLiquid(line));
  if (minutesIn(clause.text) !== undefined && BROUGHT_FOR.test(clause.text)) heated(k, vessel, 'simmer', clause, n, []);
}

/** "Bring to a simmer for 10 minutes", "bring to a simmer, 10 mins": minutes behind the boil, and not until it. */
const BROUGHT_FOR =
  /\bsimmer\b.*\bfor\b|\b(?:simmer|boil),? (?:then |and )?(?:(?:cook|hold|leave|keep)(?: it)?(?: there)?,? )?(?:for )?(?:about |around |another )?(?:\d|an? |half an hour)/i;

/** Below this a soup is brought to heat, not to the boil, °C. */
const BOILS_C = 97;

export function doSimmer(k: Kitchen, clause: Clause, n: number): void {
  if (minutesIn(clause.text) === undefined && isOfDeglazing(k, clause)) {
    k.put('setting', n);
    return;
  }
  if (/\bin (?:gently |barely )?(?:simmering|boiling)[\w ]* water\b/i.test(clause.text)) {
    doBlanch(k, clause, n);
    return;
  }
  if (
    k.actions.at(-1)?.does === 'deglaze' &&
    /\b(?:away|nothing|gone|off|dry|evaporat\w*|syrup\w*|reduc\w*)\b/i.test(clause.text) &&
    minutesIn(clause.text) === undefined
  ) {
    k.put('setting', n);
    return;
  }
  const vessel = hob(k, clause, n, false);
  if (/\b(?:everything|the lot|all together|all of it)\b/i.test(k.body(clause))) joinTrays(k, vessel, n);
  const mentions = k.about(clause).filter(({ line }) => !k.isUsedUp(line) || k.vesselOf(line) !== vessel);
  heated(k, vessel, 'simmer', clause, n, mentions);
}

export function doBlanch(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.about(clause).filter(({ line }) => k.lineOf(line)?.taken.row.id !== 'water');
  if (mentions.length === 0 && clause.verb === 'steam' && k.here?.isWet !== true && k.lastHeat === 'roast') {
    // Under a cover, so that the skins come off.
    k.as('cool', clause, n);
    return;
  }
  if (mentions.length === 0 || !/\bwater\b|\bblanch|\bsteam/i.test(clause.text)) {
    doSimmer(k, { ...clause, text: clause.text.replace(/\bwater\b/gi, 'pan') }, n);
    return;
  }
  const vessel = k.fresh('pan', clause.section);
  const [water] = found(k, 'water', clause);
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
  // Its water is in: said again by the words it is no more of it.
  heated(k, vessel, 'simmer', { ...clause, text: clause.text.replace(/\bwater\b/gi, 'pan') }, n, []);
}

export function doPressure(k: Kitchen, clause: Clause, n: number): void {
  k.pressureAt = undefined;
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
  if (/\breduce to (?:a |very )?(?:medium|low|high|gentle)(?:[- ](?:low|high|medium))?$/i.test(text.trim())) {
    doTurn(k, clause, n);
    return;
  }
  if (/\breduce\b(?: it| down)? to (?:maintain |keep |hold )?(?:a |an )?(?:\w+ )?simmer\b/i.test(text)) {
    if (minutesIn(text) === undefined) k.put('setting', n);
    else doSimmer(k, clause, n);
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
  const [apart, ...others] = k.mentions(k.body(clause), clause).filter(({ line }) => !k.isUsedUp(line));
  const soup = k.here !== undefined && isHob(k.here) && k.here.isWet ? k.here : undefined;
  const isApart =
    apart !== undefined &&
    others.length === 0 &&
    soup !== undefined &&
    (k.isLiquid(apart.line) || k.lineOf(apart.line)?.taken.row.group === 'drinks');
  // "Reduce the orange juice by half": by itself, and then into the soup.
  const vessel = isApart
    ? k.fresh('pan', clause.section)
    : k.here !== undefined && isHob(k.here)
      ? k.here
      : hob(k, clause, n, false);
  if (isApart) {
    const { added } = k.putLines(vessel, [apart], clause.text, n);
    k.put('add', n, { lines: added, vessel: vessel.name });
    vessel.isHot = true;
    vessel.isWet = true;
  }
  const by =
    /\bby (?:about |at least )?(?:a |one )?(half|third|quarter|two[- ]thirds|three[- ]quarters)\b|\bto (?:a |one )?(half|third|quarter)\b/i.exec(
      text,
    );
  const bodySaid = bodyFigureIn(text);
  const stated = /\bto (\d+(?:\.\d+)?) ?%/i.exec(text);
  const gone = by?.[1]?.toLowerCase();
  const stays = by?.[2]?.toLowerCase();
  const kept =
    stated !== null
      ? Number(stated[1]) / 100
      : gone !== undefined
        ? 1 - (partOf(gone) ?? 0.5)
        : stays !== undefined
          ? (partOf(stays) ?? 0.5)
          : undefined;
  if (kept === undefined && bodySaid === undefined && k.actions.at(-1)?.does === 'deglaze') {
    // What it is deglazed with is boiled away there.
    k.put('setting', n);
    return;
  }
  k.put('reduce', n, { vessel: vessel.name, ...(kept === undefined ? { assumed: ['BODY' as const] } : { share: kept }) });
  vessel.boiling = undefined;
  k.step(vessel, n, 'reduce', (id) => ({
    id,
    op: 'reduce',
    vigour: 'lively',
    to: kept === undefined ? { by: 'body', mPas: bodySaid ?? bodyIn(text) ?? USUAL.thickMPas } : { by: 'share', kept },
  }));
  if (!isApart) return;
  const lines = [...vessel.lines].map((line) => ({ line }));
  k.move(vessel, soup, n);
  k.put('join', n, { vessel: soup.name, lines });
  k.here = soup;
}

export function doTurn(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\boven\b/i.test(text)) {
    const oven = ovenIn(text, k.context.country);
    if (oven !== undefined) k.setOven(oven);
  }
  if (/\b(?:into|out|in) /i.test(text) && k.placeIn(text) !== undefined && !/\bheat|\boven|\bflame|\bgas\b/i.test(text)) {
    k.as('add', clause, n);
    return;
  }
  if (/\bbring (?:it )?(?:back )?to (?:a|the) (?:boil|simmer)\b/i.test(text)) {
    doBring(k, { ...clause, text: 'bring to the boil', verbAt: 0 }, n);
    return;
  }
  const lid = k.here === undefined ? undefined : k.lidOf(clause, k.here);
  if (lid !== undefined && k.here !== undefined) k.here.lid = lid;
  if (minutesIn(text) !== undefined && k.here?.boiling !== undefined) {
    // "Bring to the boil, turn down, 15 minutes."
    doSimmer(k, clause, n);
    return;
  }
  k.isTurnedUp = /\b(?:up|increase|raise|high)\b/i.test(text) && !/\b(?:low|down|gentle|medium(?!-high))\b/i.test(text);
  k.put('setting', n);
}
