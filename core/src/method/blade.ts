import { soupVessel } from './where.js';
import type { Kitchen } from './kitchen.js';
import { MOST, USUAL } from './usual.js';
import { BLENDERS, VERBS, type Sense } from './lexicon.js';
import { minutesIn, partOf, partsInWords } from './measures.js';
import type { Clause } from './clauses.js';
import { plain } from '../amounts/index.js';
import type { Mention } from './mentions.js';
import { ASIDE } from './meant.js';
import { measuredPart } from './soup-part.js';
import { isHob, type Vessel } from './vessel.js';

/** "Some of it", where no part is named. Kitchen default, marked where it is used. */
/** So many clauses at most stand between what is moved to the blender and the blending. */
const LIDS_BETWEEN = 4;
const SOME = 0.5;

/** "Take out half of the soup. Blend it": what was taken. */
export const BLADED_ALONE =
  /^(?:and |then )*(?:blend|blitz|whizz|whiz|pur[ée]e|liquidi[sz]e|process|blast) (?:it|this|that|them|this part|that part|this half|that half)\b/i;

const LEFT_IN_POT = /\b(?:remaining|rest of the|other half of the) (?:soup|mixture)\b|\bthe rest\b|\bwhat(?:['’]s| is) left\b/i;

/** "Ladle half into a bowl. Blend the remaining soup": the part that stayed; undefined where nothing was put by, or it was lifted out by name. */
function leftInPot(k: Kitchen, vessel: Vessel, clause: Clause, n: number): number | undefined {
  if (!LEFT_IN_POT.test(clause.text)) return undefined;
  for (let back = n - 1; back >= Math.max(0, n - LIDS_BETWEEN); back -= 1) {
    const { text = '' } = k.clauses[back] ?? {};
    const isPutBy =
      /^(?:and |then )*(?:ladle|scoop|spoon|pour|transfer|take|lift|put|remove|reserve|set)\b/i.test(text) &&
      /\b(?:bowl|jug|aside|back|by|reserve|plate|to one side)\b|\bof (?:the |it|this)/i.test(text) &&
      !/\b(?:blenders?|liquidi[sz]er|processor)\b/i.test(text);
    const part = isPutBy ? (partOf(text) ?? measuredPart(k, vessel, text)) : undefined;
    const isLifted = k.actions.some(({ clause: of, does }) => of === back && (does === 'keep' || does === 'takeOut'));
    if (part !== undefined && part < 1) return isLifted ? undefined : 1 - part;
  }
  return undefined;
}

/** "Transfer about half of the soup to a blender and purée it": what is not taken to the blade stays whole. */
function transferred(k: Kitchen, vessel: Vessel, clause: Clause, n: number): string | number | undefined {
  const moves = (one: Clause): boolean =>
    /^(?:and |then )?(?:carefully )?(?:transfer|ladle|pour|scoop|put|tip|take|remove|move|spoon|add|place|measure|lift)\b/i.test(
      one.text,
    );
  // Between the two a lid may be seen to: "transfer half to a blender, cover with a towel, and blend".
  const own = k.clauses.slice(Math.max(0, n - LIDS_BETWEEN), n).filter(({ sentence }) => sentence === clause.sentence);
  const before =
    own.findLast((one) => moves(one) && /\b(?:blenders?|liquidi[sz]er|processor)\b/i.test(one.text)) ?? k.clauses[n - 1];
  if (before === undefined || (before.sentence !== clause.sentence && before.sentence !== clause.sentence - 1)) return undefined;
  const isMoved = moves(before);
  // "Take out half of the soup, blend it and return": what was taken out is what the blade has.
  const isTakenOut =
    before === k.clauses[n - 1] &&
    (before.sentence === clause.sentence || BLADED_ALONE.test(clause.text)) &&
    /^(?:and |then )?(?:carefully )?(?:remove|(?:take|spoon|scoop|lift|measure|ladle|pour) (?:\w+ )*out)\b/i.test(before.text);
  const isToBlade = isTakenOut || /\b(?:blenders?|liquidi[sz]er|processor|jug|goblet)\b/i.test(before.text);
  const isOfSoup =
    /\bof (?:the |it|this)|\b(?:soup|chowder|mixture|vegetables|pot)\b/i.test(before.text) ||
    /\b(?:half|third|quarter|two[- ]thirds|most|some) (?:in|into|to) (?:a|the|your)\b/i.test(before.text);
  // "Transfer the vegetables with a slotted spoon, along with 1 cup of the liquid": what has pieces is blended, all of it.
  if (
    /\bslotted spoon\b/i.test(before.text) ||
    /\b(?:the|all) (?:vegetables|veg|solids|pieces)\b.*\b(?:along )?with\b/i.test(before.text)
  )
    return undefined;
  // "Add half of the brown butter to the blender" is how much of the butter.
  const isOfLine =
    !/\b(?:soup|mixture|chowder|pot)\b/i.test(before.text) &&
    k.names.mentions(before.text, before.section, () => false).some(({ line, share }) => share !== undefined && k.isDivided(line));
  if (!isMoved || !isToBlade || !isOfSoup || isOfLine || /\bat a time\b|\bin batches\b|half[- ]?full/i.test(before.text))
    return undefined;
  const part =
    /\b(half|a third|one third|two[- ]thirds|a quarter|three[- ]quarters|some|part|a portion|most|(?:a |one |two |three |four |\d+ )?(?:cups?|ladles?|ladlefuls?))\b/i
      .exec(before.text)?.[1]
      ?.toLowerCase();
  return measuredPart(k, vessel, before.text) ?? (part !== undefined && /cup|ladle/.test(part) ? 'some' : part);
}

/** "For the cashew cream: blend the cashews with water": what has a heading of its own is blended beside the soup. */
function apartOf(
  k: Kitchen,
  clause: Clause,
  mentions: readonly Mention[],
): { readonly vessel: Vessel; readonly ready: readonly Mention[] } | undefined {
  const section = plain(clause.section.replace(/^(?:for|to make|make) (?:the |a )?/i, ''));
  // "For the pesto" speaks of what is listed under "For the hazelnut pesto".
  const inSection = (line: string): boolean => {
    const heading = plain(k.lineOf(line)?.heading ?? '').split(' ');
    return section.split(' ').every((word) => heading.includes(word));
  };
  const soup = k.isFinished() ? k.mainVessel() : (k.wetPots()[0] ?? k.mainVessel());
  // Before the soup has met a blade, only what is by its name made for the top is blended apart.
  if (section === '' || soup === undefined || [...soup.lines].some(inSection)) return undefined;
  if (!soup.isBlended && !BY_THE_SIDE.test(section)) return undefined;
  const fresh = mentions.filter(({ line }) => !k.isUsedUp(line));
  if (fresh.length === 0 || !fresh.every(({ line }) => inSection(line))) return undefined;
  const ready = k.pending().filter(({ line }) => inSection(line) && !fresh.some((one) => one.line === line));
  return { vessel: k.fresh('jug', clause.section), ready };
}

const BY_THE_SIDE =
  /\b(?:pesto|salsa|oil|cream|butter|drizzle|dressing|yogh?urt|gremolata|crumbs?|relish|paste|chermoula|dukkah|swirl|topping|garnish|crisps?|tarka|harissa|salad|puree)\b/i;

const SHARE_WORDS = /(?:\b(?:half|a third|two[- ]thirds|a quarter|three[- ]quarters|some|most)|[½⅓⅔¼¾]) (?:of )?(?:the |your )?$/i;

/** The words without "half the stock": that is how much of the stock, and not of the soup. */
function withoutSharesOf(mentions: readonly Mention[], text: string): string {
  return mentions.reduce((words, { at, length, share }) => {
    const before = words.slice(0, at);
    const said = share === undefined || length === 0 ? null : SHARE_WORDS.exec(before);
    return said === null ? words : before.slice(0, said.index) + ' '.repeat(said[0].length) + words.slice(at);
  }, text);
}

/** "..., blending until smooth, 2 minutes each": the blade that is already told of. */
const STILL_BLENDING =
  /^(?:and |then )*(?:blending|pur[ée]eing|processing|whizzing|blitzing|liquidi[sz]ing)\b(?!.*\b(?:rest|other|remaining|half)\b)/i;

const BLADE = /\b(?:blenders?|mixer|processor|liquidi[sz]er)\b/i;

/** "In a blender (or use a stick blender)": by the one that is named first. */
function withoutOther(text: string): string {
  const at = text.search(
    /[\s,(]+\bor (?:else )?(?:use |with |in |by using )?(?:an? |the |your )?(?:[\w-]+ ){0,2}(?:blender|mixer|processor|liquidi[sz]er)\b/i,
  );
  return at > 0 && BLADE.test(text.slice(0, at)) ? text.slice(0, at) : text;
}

/** "Purée 3 cups of the soup": so much, and the rest stays as it is. */
const OF_THE_SOUP =
  /\b(?:cups?|cupfuls?|pints?|quarts?|qts?|litres?|liters?|l|ml|ladles?|ladlefuls?)\b\.? (?:of )?(?:the |your )?(?:hot )?(?:soup|mixture|chowder)\b/i;

const FRIED: ReadonlySet<Sense> = new Set(['fry', 'sweat', 'cook', 'bloom']);

/** Whether what is whizzed is raw, and fried next. */
function isRawPaste(k: Kitchen, n: number, raw: readonly Mention[]): boolean {
  const next = k.clauses[n + 1];
  return (
    raw.length > 0 &&
    !k.isFinished() &&
    k.wetPots().length === 0 &&
    raw.every(({ line }) => !k.isUsed(line) && /^(?:base|spice|herb|fat)$/.test(k.lineOf(line)?.taken.role ?? '')) &&
    next !== undefined &&
    FRIED.has(VERBS[next.verb ?? ''] ?? 'check')
  );
}

/** What is made to crumbs for the top beside a soup that is in its pot. */
const CRUMBLED = /^(?:breads|nuts|cheeses)$/;

function isCrumbs(k: Kitchen, raw: readonly Mention[]): boolean {
  const side = k.here;
  const groupOf = (line: string): string => k.lineOf(line)?.taken.row.group ?? '';
  if (k.wetPots().length === 0 || !raw.every(({ line }) => CRUMBLED.test(groupOf(line)))) return false;
  if (raw.length > 0) return raw.every(({ line }) => !k.isUsed(line)) && raw.some(({ line }) => groupOf(line) === 'breads');
  // "Add the walnuts and pulse to chop."
  return side !== undefined && !side.isWet && side.lines.size > 0 && [...side.lines].every((line) => CRUMBLED.test(groupOf(line)));
}

function crumbs(k: Kitchen, clause: Clause, n: number, raw: readonly Mention[]): void {
  if (raw.length > 0) {
    const bowl = k.here?.kind === 'bowl' && !k.here.isHot ? k.here : k.fresh('bowl', clause.section);
    const { added } = k.putLines(bowl, raw, clause.text, n);
    k.put('add', n, { vessel: bowl.name, lines: added });
    k.here = bowl;
  }
  k.put('prepare', n, { lines: raw.map(({ line }) => ({ line })) });
}

export function doBlend(k: Kitchen, clause: Clause, n: number, verb: string): void {
  const { text: words } = clause;
  const isFirstBlade = !k.isFinished() && /\bsmooth\b/i.test(words);
  if (
    !isFirstBlade &&
    /^blend in\b(?! (?:batches|goes|two|three|small)\b)/i.test(words.slice(clause.verbAt)) &&
    minutesIn(words) === undefined &&
    k.mentions(k.body(clause), clause).some(({ line }) => !k.isUsedUp(line))
  ) {
    k.as('add', clause, n);
    return;
  }
  const listed = /^((?:and |then )?[\w-]+), (?!until|till|then|in\b|with|for|adding|using|about|\d)([^.;]+)$/i.exec(words);
  const isVerb = VERBS[(listed?.[1] ?? '').replace(/^(?:and|then) /i, '').toLowerCase()] === 'blend';
  if (listed !== null && isVerb && !k.isFinished() && k.mentions(listed[2] ?? '', clause).some(({ line }) => !k.isUsedUp(line))) {
    // "Blitz, cream, salt": one behind the other.
    doBlend(k, { ...clause, text: listed[1] ?? words }, n, verb);
    k.as('add', { ...clause, text: `add ${listed[2] ?? ''}`, verb: 'add', verbAt: 0 }, n);
    return;
  }
  const raw = k.mentions(words.replace(/\bto (?:form )?(?:an? )?(?:\w+ )?paste\b.*$/i, ''), clause);
  if (
    /\bto (?:form )?(?:an? )?(?:\w+ )?(?:paste|crumbs?|rubble)\b/i.test(words) &&
    !k.isFinished() &&
    raw.length > 0 &&
    raw.every(({ line }) => !k.isUsed(line)) &&
    k.wetPots().length === 0
  ) {
    // "Blitz the garlic and ginger to a paste": made ready, and no blade in the pot.
    k.put('prepare', n, { vessel: undefined, lines: raw.map(({ line }) => ({ line })) });
    return;
  }
  if (isRawPaste(k, n, raw)) {
    // "Blitz the onion and ginger in the processor. Fry off in a little oil": made ready, and no soup.
    k.blenderSaid = undefined;
    k.put('prepare', n, { vessel: undefined, lines: raw.map(({ line }) => ({ line })) });
    return;
  }
  if (isCrumbs(k, raw)) {
    crumbs(k, clause, n, raw);
    return;
  }
  const pan = k.here;
  const isDry =
    pan !== undefined &&
    isHob(pan) &&
    !pan.isWet &&
    pan.lines.size > 0 &&
    [...pan.lines].every((line) => /^(?:spices|chillies)$/.test(k.lineOf(line)?.taken.row.group ?? ''));
  if (isDry && raw.every(({ line }) => pan.lines.has(line))) {
    // "Toast the cumin seeds, grind": the spices, and not the soup.
    k.put('prepare', n, { lines: [...pan.lines].map((line) => ({ line })) });
    return;
  }
  const just = k.actions.at(-1);
  if (
    just?.does === 'blend' &&
    k.clauses[just.clause]?.sentence === clause.sentence &&
    just.share === undefined &&
    (/^(?:and |then )*(?:blend|pur[ée]e|whizz?|blitz|liquidi[sz]e|process)(?: (?:it|everything|the soup))?$/i.test(words) ||
      STILL_BLENDING.test(words))
  ) {
    // "Use a stick blender and purée", "blend in batches, blending each for 2 minutes": once.
    const time = minutesIn(words);
    k.put('setting', n, time === undefined ? {} : { minutes: { low: time.low, high: time.high } });
    return;
  }
  const whole = /\b(?:leaving|keeping) whole (.+)$/i.exec(words);
  const left = whole === null ? [] : k.mentions(whole[1] ?? '', clause).map(({ line, share = 1 }) => ({ line, share }));
  const body = k.body(whole === null ? clause : { ...clause, text: words.slice(0, whole.index) });
  const mentions = k.mentions(body, clause);
  const apart = apartOf(k, clause, mentions);
  const vessel = apart?.vessel ?? soupVessel(k, clause, n);
  const beside = k.here;
  // "Roast the hazelnuts. Pulse with the parsley": what lies on the tray of this part goes in.
  if (apart !== undefined && beside !== undefined && beside !== vessel && beside.section === clause.section && beside.isHot)
    k.move(beside, vessel, n);
  const isRepeated = k.clauses
    .slice(n + 1, n + 1 + LIDS_BETWEEN)
    .some(({ text }) => /\brepeat\b.*\b(?:with|for)\b.*\b(?:remaining|rest|other|second|second half)\b/i.test(text));
  // "Transfer half to a blender and process; repeat with the remaining soup": all of it, in two goes.
  const share = isRepeated
    ? undefined
    : (transferred(k, vessel, clause, n) ??
      (OF_THE_SOUP.test(words) && !/\bat a time\b|\b(?:batches|lots|goes) of\b/i.test(words)
        ? measuredPart(k, vessel, words)
        : undefined) ??
      /\b(?:about )?(half|a third|one third|two[- ]thirds|a quarter|three[- ]quarters|some|part|a portion|most)\b(?: of)?/i
        .exec(
          /\bat a time\b|\ball of it or\b|\bor (?:only |just )?(?:half|part)\b/i.test(body)
            ? ''
            : partsInWords(withoutSharesOf(mentions, body.replace(ASIDE, ' '))).replace(
                /half[- ]?(?:full|fill\w*|way)|in (?:two )?halves/gi,
                '',
              ),
        )?.[1]
        ?.toLowerCase());
  const blended = /^(?:and |then )*half[- ](?:blitz|blend|pur[ée]e|whizz?|liquidi[sz]e)/i.test(words)
    ? 0.5
    : share === undefined || mentions.some(({ line, share: own }) => own !== undefined && k.isDivided(line))
      ? leftInPot(k, vessel, clause, n)
      : typeof share === 'number'
        ? share
        : (partOf(share) ?? (share === 'most' ? MOST : SOME));
  const fresh = [...(apart?.ready ?? []), ...mentions].filter(
    ({ line }) => (!k.isUsedUp(line) || k.vesselOf(line) !== vessel) && !(blended !== undefined && k.isUsedUp(line)),
  );
  const isRest = LEFT_IN_POT.test(body);
  const creams = fresh.filter(({ line }) => k.isCream(line) && vessel.isWet && !k.isUsedUp(line));
  const { added, joined, back } = k.putLines(vessel, isRest ? [] : fresh.filter((one) => !creams.includes(one)), body, n);
  k.here = vessel;
  k.told(joined, vessel, n);
  if (back.length > 0) k.put('giveBack', n, { lines: back.map((line) => ({ line })) });
  if (added.length > 0) k.put('add', n, { lines: added });
  for (const one of creams) {
    const use = k.use(one, body);
    vessel.lines.add(one.line);
    k.put('cream', n, { lines: [use] });
    k.spoon(vessel, { kind: 'cream', clause: n, use });
  }
  const first = withoutOther(words);
  const near = [k.clauses[n - 1], clause, k.clauses[n + 1]]
    .filter((one) => one?.sentence === clause.sentence || one === k.clauses[n - 1])
    .map((one) => withoutOther(one?.text ?? ''))
    .join(' ; ');
  const blender =
    BLENDERS.stick.test(first) || (BLENDERS.stick.test(near) && /blender|mixer/i.test(near))
      ? 'stick'
      : BLENDERS.processor.test(first) && verb !== 'process'
        ? 'processor'
        : BLENDERS.jug.test(`${first} ${near}`) && k.blenderSaid !== 'processor'
          ? 'jug'
          : /\bprocessor\b/i.test(near)
            ? 'processor'
            : k.blenderSaid;
  k.blenderSaid = undefined;
  // "With the rice which you've boiled for 15 minutes": not the blender's.
  const going = k.clauses[n + 1];
  const time =
    minutesIn(words.replace(/\b(?:which|(?<!at )once|after|when)\b.*$/i, '')) ??
    (going?.sentence === clause.sentence && STILL_BLENDING.test(going.text) ? minutesIn(going.text) : undefined);
  const minutes = time === undefined ? USUAL.blendMin : (time.low + time.high) / 2;
  k.put('blend', n, {
    vessel: vessel.name,
    ...(blender === undefined ? {} : { blender }),
    ...(blended === undefined ? {} : { share: blended }),
    ...(time === undefined ? {} : { minutes: { low: time.low, high: time.high } }),
    ...(share === 'some' || share === 'part' || share === 'a portion' || share === 'most' ? { assumed: ['SHARE'] } : {}),
  });
  const solids = [...vessel.lines].filter((id) => !k.isLiquid(id) && (k.lineOf(id)?.taken.row.softening ?? 0) > 0);
  const holdBack =
    left.length > 0 ? left : blended === undefined ? undefined : solids.map((line) => ({ line, share: 1 - blended }));
  const own = k.blenderOf(blender);
  k.step(vessel, n, 'blend', (id) => ({
    id,
    op: 'blend',
    blender: own,
    minutes,
    ...(holdBack === undefined || holdBack.length === 0 ? {} : { holdBack }),
  }));
  if (own !== 'stick')
    vessel.steps.push({ kind: 'step', clause: n, id: 'jug-film', make: (id) => ({ id, op: 'film', on: 'jug' }) });
  vessel.isBlended = true;
  vessel.isHot ||= vessel.isWet;
  vessel.isWet = true;
}

export function doMash(k: Kitchen, clause: Clause, n: number): void {
  const pan = k.here;
  if (pan !== undefined && isHob(pan) && !pan.isWet && /\b(?:around|about)\b/i.test(clause.text)) {
    // "Add the curry paste and mash it around for a minute."
    k.as('give', clause, n);
    return;
  }
  const raw = k.mentions(k.body(clause), clause);
  const before = k.actions.at(-1);
  const isSqueezed = before?.does === 'peel' && k.clauses[before.clause]?.sentence === clause.sentence;
  if (
    before !== undefined &&
    isSqueezed &&
    (raw.length === 0 || raw.every(({ line }) => before.lines.some((one) => one.line === line)))
  ) {
    // "Squeeze the garlic out of its skins and mash it with a fork."
    k.put('prepare', n, { vessel: undefined, lines: before.lines.map(({ line }) => ({ line })) });
    return;
  }
  if (raw.length > 0 && raw.every(({ line }) => !k.isUsed(line))) {
    // "Crush the tomatoes with your hands and put them in."
    k.put('prepare', n, { vessel: undefined, lines: raw.map(({ line }) => ({ line })) });
    return;
  }
  const vessel = soupVessel(k, clause, n);
  k.here = vessel;
  k.put('blend', n, { blender: 'stick', assumed: ['COARSE'] });
  k.step(vessel, n, 'mash', (id) => ({ id, op: 'blend', blender: k.blenderOf('stick'), minutes: USUAL.mashMin }));
  vessel.isBlended = true;
}

const STARTS =
  /\b(?:start|begin|switch|turn|run|blast|rip)\b.*\b(?:low|slow(?:ly)?|high|speed|full|on|pulse)\b|\bwork(?:ing)? up\b/i;
const RUNS =
  /\b(?:let|leave|run|keep) (?:it|the (?:blender|machine|motor|soup))?(?: to)? ?(?:go|going|run|running|whirl|spin|rip|blitz|do its thing)?\b/i;

/** What was poured into a blender has been blended when something else is done to it, whatever the words for it were. */
export function isInBlender(k: Kitchen, clause: Clause, n: number, sense: Sense): boolean {
  const said = k.clauses.slice(0, n).findLastIndex(({ text }) => INTO_BLENDER.test(text));
  if (k.blenderSaid === undefined || k.here?.isBlended === true || said < 0 || n - said > IN_BLENDER_WITHIN) return false;
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
