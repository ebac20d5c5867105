import { BLADED_ALONE } from './blade.js';
import { takenEarly } from './later.js';
import { lift, partIn } from './lift.js';
import type { Kitchen } from './kitchen.js';
import { A_FEW, LOOKS_AHEAD, ON_PAPER } from './usual.js';
import { VERBS } from './lexicon.js';
import type { Mention } from './mentions.js';
import { minutesIn, partOf } from './measures.js';
import { isHob } from './vessel.js';
import type { Clause } from './clauses.js';
import { doPreheat } from './warm.js';
import { doReserve, holdBack } from './reserve.js';

export function doRemove(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const body = k.body(clause);
  const named = k.mentions(body, clause);
  // "Remove the herbs", "discard the rind": of those that are in.
  const isIn = ({ line }: Mention): boolean => k.vesselOf(line) !== undefined;
  const isHere = ({ line }: Mention): boolean => k.here?.lines.has(line) === true;
  // "Lift the leaves out", said by one word of several: those of this pan, where others lie on a tray.
  const isOneWord = named.length > 1 && named.every(({ at }) => at === named[0]?.at);
  const near = isOneWord && named.some(isHere) ? named.filter(isHere) : named;
  const inside = near.some(isIn) ? near : k.names.mentions(body, clause.section, (line) => k.vesselOf(line) === undefined);
  const stalks =
    named.length === 0 && /\b(?:stalks|stems|sprigs|twigs|bundle)\b/i.test(body) && k.here !== undefined
      ? [...k.here.lines]
          .filter((line) => k.lineOf(line)?.taken.row.group === 'herbs')
          .map((line): Mention => ({ line, at: 0, length: 0 }))
      : [];
  const mentions: readonly Mention[] =
    stalks.length > 0 ? stalks : inside.some(isIn) || /\b(?:herbs|aromatics|spices)\b/i.test(body) ? inside : named;
  if (
    /\b(?:heat|oven|stove|hob|flame|grill)\b/i.test(body) &&
    !mentions.some(({ line }) => /^(?:bundle)$/.test(k.lineOf(line)?.taken.role ?? ''))
  ) {
    if (/\blid\b/i.test(body) && k.here !== undefined) k.here.lid = 'off';
    // "Remove the soup from the heat", from beside it.
    const soup = /\bthe soup\b/i.test(body) ? k.wetPots().at(-1) : undefined;
    if (soup !== undefined) k.here = soup;
    k.put('setting', n);
    return;
  }
  const fatBefore = k.clauses[n - 1];
  if (
    /^discard (?:the )?(?:rest|excess|remainder)\b/i.test(body) &&
    fatBefore?.sentence === clause.sentence &&
    /\b(?:fat|oil|drippings?|grease)\b/i.test(fatBefore.text)
  ) {
    k.put('setting', n);
    return;
  }
  if (
    /\b(?:lid|foil|paper|cartouche|scum)\b/i.test(body) &&
    mentions.length === 0 &&
    !/\bslotted|\bplate\b|\bpaper[- ]?(?:towels?|lined)|\bkitchen (?:paper|roll)/i.test(body)
  ) {
    if (/\bscum\b/i.test(body)) {
      k.as('skim', clause, n);
      return;
    }
    if (k.here !== undefined) k.here.lid = 'off';
    k.put('setting', n);
    return;
  }
  if (/\b(?:off|from) the bones?\b|\bapart\b/i.test(body)) {
    k.put('prepare', n);
    return;
  }
  const peeled = k.actions.findLast(({ does }) => does === 'peel');
  const isOfPeeling =
    peeled !== undefined && n - peeled.clause <= 2 && (k.clauses[peeled.clause]?.sentence ?? -2) >= clause.sentence - 1;
  if (
    isOfPeeling &&
    /^(?:and |then )*(?:discard|throw|bin|remove|compost)\w* (?:away |out |off )?(?:the |all |their |its |papery |empty |any )*(?:skins?|peels?|shells?)$/i.test(
      clause.text,
    )
  ) {
    // "Scoop out the flesh; discard the skin."
    k.put('setting', n);
    return;
  }
  // "Fish out the peel" is of a strip that gave its taste, and no skin of what is cooked.
  const isStrip = /^(?:and |then )*(?:fish|lift|take|pick) out (?:the )?(?:\w+ )?(?:peel|zest|rind)s?\b/i.test(clause.text);
  if (!isStrip && /\bskins?|\bpeel\b|\bseeds\b|\bshells?\b/i.test(body)) {
    k.as('peel', clause, n);
    return;
  }
  const nextBlade = k.clauses[n + 1];
  if (
    partOf(body) !== undefined &&
    /\b(?:soup|it|mixture)\b/i.test(body) &&
    nextBlade !== undefined &&
    (nextBlade.sentence === clause.sentence || BLADED_ALONE.test(nextBlade.text)) &&
    VERBS[nextBlade.verb ?? ''] === 'blend'
  ) {
    // "Take out half the soup, blend it": how much the blade has.
    k.put('setting', n);
    return;
  }
  if (takenEarly(k, mentions, text, n)) return;
  const dry = k.here;
  const part = partOf(body);
  if (mentions.length === 0 && dry !== undefined && dry.lastIn.length > 0 && part !== undefined && /\bout\b/i.test(body)) {
    // "Lift out half and drain on kitchen paper."
    const isKept = k.clauses
      .slice(n + 1, n + 2)
      .some(
        (one) =>
          one.sentence === clause.sentence && (/^(?:reserve|set|keep|save)$/.test(one.verb ?? '') || ON_PAPER.test(one.text)),
      );
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
    /\bslotted spoon\b|\bplate\b|\bpaper\b|\bto (?:a|the) (?:\w+ )?(?:bowl|dish)\b/i.test(text)
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
  const isStalks = /\b(?:stalks|stems)\b/i.test(body);
  const share = isStalks
    ? undefined
    : (mentions.find(({ share: own }) => own !== undefined)?.share ??
      mentions.map((one) => k.measured(one, body)).find((own) => own !== undefined && own < 1));
  const isFew = /\b(?:few|couple of|some|spoonfuls?|ladle\w*|handful|cupful|little)\b/i.test(body);
  const keeps =
    /\b(?:keep|reserve|set aside|save|for (?:the )?(?:garnish|top|serving))\b/i.test(text) ||
    (/^(?:move|lift|take|remove|pull)$/.test(clause.verb ?? '') &&
      /\b(?:on ?)?to (?:a |the |some )?(?:\w+[ -])*(?:plate|bowl|paper|towels?|dish|board)\b/i.test(text)) ||
    k.clauses.slice(n + 1, n + 3).some(
      (one) =>
        (one.sentence === clause.sentence || /^(?:shred|chop|dice|flake|strip|pull)$/.test(k.clauses[n + 1]?.verb ?? '')) &&
        /^(?:reserve|set|keep|save)$/.test(one.verb ?? '') &&
        // "Fish out the rosemary, keep back a few beans": those, and not the sprig.
        k.mentions(k.body(one), one).every(({ line }) => mentions.some((own) => own.line === line)),
    ) ||
    share !== undefined;
  const isFromTray =
    !keeps &&
    mentions.length > 0 &&
    mentions.every(({ line }) => {
      const row = k.lineOf(line)?.taken.row;
      // Sprigs of a herb have given what they had.
      return k.vesselOf(line)?.kind === 'tray' && (row?.softening ?? 0) > 0 && row?.group !== 'herbs';
    });
  if (isFromTray && !/^(?:discard|bin|ditch|throw)/i.test(clause.verb ?? '')) {
    lift(k, n, mentions, true, undefined);
    return;
  }
  if (!keeps && mentions.length > 0) {
    const back = comesBack(k, clause, n);
    const kept = mentions.filter(({ line }) => back.has(line));
    if (kept.length > 0) {
      lift(k, n, isFew ? kept.map((one) => ({ ...one, vague: true as const })) : kept, true, isFew ? partIn(body) : undefined);
      const gone = mentions.filter(({ line }) => !back.has(line));
      if (gone.length > 0) lift(k, n, gone, false, undefined);
      return;
    }
  }
  const thrown = keeps && share === undefined ? mentions.filter(({ line }) => k.lineOf(line)?.taken.row.group === 'herbs') : [];
  if (thrown.length > 0 && thrown.length < mentions.length) lift(k, n, thrown, false, undefined);
  const lifted = thrown.length < mentions.length ? mentions.filter((one) => !thrown.includes(one)) : mentions;
  // "Lift out a few spoonfuls of the peas": how many nobody says.
  const isVague = keeps && share === undefined && isFew;
  lift(k, n, isVague ? lifted.map((one) => ({ ...one, vague: true as const })) : lifted, keeps, isVague ? A_FEW : share);
}

/** What later clauses put back into the soup: "stir the ham back in", "return the meat to the pan". */
function comesBack(k: Kitchen, clause: Clause, n: number): ReadonlySet<string> {
  const later = k.clauses.slice(n + 1, n + 1 + LOOKS_AHEAD);
  const backs = later.filter(
    ({ text }) =>
      /\bback (?:in|into|to)\b|\badd (?:it |them |the meat |this )?to (?:the )?(?:soup|pot|pur[ée]e)\b|^(?:and |then |but )*return\b|\b(?:put|pop|tip|add) (?:the )?[a-z]+ back\b|\breserved\b/i.test(
        text,
      ) && !/\bboil\b|\bheat\b/i.test(text),
  );
  // "Add three-quarters of the ham": meat that was lifted out to be shredded goes in again, whatever it is called.
  const meats = later
    .filter(({ verb }) => /^(?:add|mix|give)$/.test(VERBS[verb ?? ''] ?? ''))
    .flatMap(({ text, section }) => k.names.mentions(text, section || clause.section, () => false))
    .map(({ line }) => line)
    .filter((line) => k.lineOf(line)?.taken.row.group === 'meat' && k.isUsedUp(line));
  return new Set([
    ...meats,
    ...backs.flatMap((back) => {
      const { section } = back;
      // "Pull the gammon apart, chuck it back in."
      const text = /\b(?:it|them)\b|^(?:and |then )*(?:put|chuck|tip|add|stir|throw) back in$/i.test(back.text)
        ? k.clauses
            .slice(n + 1, k.clauses.indexOf(back) + 1)
            .filter(({ sentence }) => sentence === back.sentence)
            .map((one) => one.text)
            .join(' ')
        : back.text;
      const meat = /\bmeat\b/i.test(text) ? k.all.filter(({ taken }) => taken.row.origin === 'meat').map(({ id }) => id) : [];
      return [...meat, ...k.names.mentions(text, section || clause.section, () => false).map(({ line }) => line)];
    }),
  ]);
}

/** "Brown the mushrooms; set aside. In the same pot, melt ...": what was browned leaves the pot, which goes on. */
function isBrownedAside(k: Kitchen, clause: Clause, n: number, mentions: readonly Mention[]): boolean {
  const { here } = k;
  if (here === undefined || !isHob(here) || here.isWet || !here.isHot || here.isBlended) return false;
  if (mentions.some(({ line }) => k.vesselOf(line) !== here)) return false;
  const next = k.clauses.slice(n + 1, n + 3).find(({ sentence }) => sentence > clause.sentence || sentence === clause.sentence);
  const pieces = (mentions.length > 0 ? mentions.map(({ line }) => line) : [...here.lines]).filter(
    (line) => k.lineOf(line)?.taken.row.group !== 'fats' && !here.aside.has(line),
  );
  const isSamePot = next !== undefined && /\b(?:same|that) (?:\w+ )?(?:pan|pot|saucepan|skillet|casserole)\b/i.test(next.text);
  if (pieces.length === 0) return false;
  if (!isSamePot) {
    // "Toast the seeds; set aside. Heat the oil": all of it stands by where it is spoken of again.
    const later = new Set(
      k.clauses.slice(n + 1).flatMap(({ text, section }) => k.names.mentions(text, section, () => false).map(({ line }) => line)),
    );
    if (mentions.length > 0 || !pieces.every((line) => later.has(line))) return false;
    here.isAside = true;
    k.here = undefined;
    k.put('setting', n);
    return true;
  }
  lift(
    k,
    n,
    pieces.map((line) => ({ line, at: 0, length: 0 })),
    true,
    undefined,
  );
  return true;
}

export function doSet(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (/\bovens?\b/i.test(text)) {
    doPreheat(k, clause, n);
    return;
  }
  if (/\bpressure\b/i.test(text) && minutesIn(text) !== undefined) {
    k.as('pressure', clause, n);
    return;
  }
  const fats = k
    .mentions(k.body(clause), clause)
    .filter(({ line }) => k.lineOf(line)?.taken.row.group === 'fats' && !k.isUsedUp(line));
  if (fats.length > 0 && /\b(?:heat|flame|hob)\b/i.test(text)) {
    // "Set a large pan over a medium heat with the oil."
    k.as('heat', clause, n, 'heat');
    return;
  }
  if (/\baside\b|\bto one side\b/i.test(text)) {
    if (k.actions.at(-1)?.does === 'keep' && /^(?:and |then )*set (?:it |them |this )?(?:aside|to one side)$/i.test(text.trim())) {
      // "Spoon off some of the cream and set aside": said twice.
      k.put('setting', n);
      return;
    }
    const mentions = k.mentions(k.body(clause), clause);
    const isPart =
      mentions.some((one) => one.share !== undefined || (k.measured(one, k.body(clause)) ?? 1) < 1) ||
      /\b(?:some|half|third|quarter|few|pinch|cup|handful|spoonful|ladle(?:ful)?)\b/i.test(text);
    if (!isPart && isBrownedAside(k, clause, n, mentions)) return;
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
    const cut = k.actions.findLast(({ does }) => does !== 'remark');
    if (
      mentions.length === 0 &&
      cut?.does === 'prepare' &&
      cut.lines.length > 0 &&
      (k.clauses[cut.clause]?.sentence ?? 0) >= clause.sentence - (isPart ? 2 : 1)
    ) {
      // "Cut the tips off and set aside."
      const kept = cut.lines.filter(({ line }) => !k.isUsedUp(line)).map(({ line }) => ({ line, at: 0, length: 0 }));
      // "Cut the kernels off the cobs. Set 1 cup aside."
      const said = isPart ? text : (k.clauses[cut.clause]?.text ?? '');
      if (kept.length > 0 && (isPart || /\b(?:tips?|some|few|half|third|quarter|\d+)\b/i.test(said))) {
        holdBack(k, kept, said);
        k.put('keep', n, { lines: kept.map(({ line }) => ({ line })) });
        return;
      }
    }
    if (/\b(?:cool|for \d|minutes|until)\b/i.test(text)) {
      k.as('cool', clause, n);
      return;
    }
  }
  k.put('setting', n);
}
