import { unlisted } from './foods.js';
import type { Kitchen } from './kitchen.js';
import { minutesIn } from './measures.js';
import type { Mention } from './mentions.js';
import { HOW_ONLY } from './usual.js';
import { newVessel } from './vessel.js';
import type { Clause } from './clauses.js';
import { doCook } from './heat.js';
import { doAdd } from './into.js';
import { onTop } from './top.js';
import { joinsLater, middleOf } from './later.js';

export function doMix(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  const body = k.body(clause);
  if (/\bthrough (?:a |the )?(?:\w+[ -])*(?:sieve|strainer|mouli|food mill)\b/i.test(text)) {
    k.as('strain', clause, n);
    return;
  }
  if (
    /\bto (?:stop|prevent|keep) (?:it |them |the \w+ )?(?:from )?(?:brown|discolou?r|oxidis|oxidiz|going brown|turning)/i.test(text)
  ) {
    k.put('prepare', n, { vessel: undefined, lines: [] });
    return;
  }
  if (clause.verb === 'rub' && /\bskins?\b/i.test(text)) {
    k.as('peel', clause, n);
    return;
  }
  const mentions = k.mentions(body, clause);
  if (
    k.here?.isBlended === true &&
    k.here.aside.size === 0 &&
    mentions.every(({ line }) => k.isUsedUp(line)) &&
    /\bback (?:in|into|with|to)\b/i.test(text)
  ) {
    // "Blend half, then mix it back in."
    k.put('setting', n);
    return;
  }
  if (
    mentions.length > 0 &&
    mentions.every(({ line }) => k.isCream(line) && !k.isUsedUp(line)) &&
    /\b(?:soft peaks|stiff|holds? (?:its|their) shape|floppy|peaks)\b/i.test(text)
  ) {
    // "Beat the cream until it just holds its shape": for the top.
    k.put('prepare', n, { vessel: undefined, lines: mentions.map(({ line }) => ({ line })) });
    return;
  }
  if (clause.verb === 'roll' && k.isFinished() && mentions.length > 0) {
    // "Roll the tips in the remaining butter": for the top.
    onTop(k, mentions, body, n);
    return;
  }
  if (isForTheTop(k, clause, n, mentions)) {
    const bowl = k.fresh('bowl', clause.section);
    const fresh = mentions.filter(({ line }) => !k.isUsedUp(line));
    const { added } = k.putLines(bowl, fresh, body, n);
    k.put('add', n, { vessel: bowl.name, lines: added, assumed: fresh.some(({ vague }) => vague) ? ['SHARE'] : [] });
    return;
  }
  const just = k.here?.lastIn ?? [];
  if (
    /^(?:and |then )*(?:rub|spread|massage|brush|smear|work) (?:the|it|that)\b/i.test(text) &&
    mentions.length > 0 &&
    mentions.every(({ line }) => (just.includes(line) && k.lineOf(line)?.taken.row.group === 'fats') || k.isUsedUp(line))
  ) {
    // "Drizzle with oil. Rub the oil over it": the same oil.
    k.put('setting', n);
    return;
  }
  const isByBlade =
    /\b(?:hand|stick|immersion|hand-held)[ -]?(?:mixer|blender)\b|\b(?:in|with) (?:a|the) (?:blender|liquidi[sz]er)\b/i.test(text);
  if (isByBlade && mentions.every(({ line }) => k.isUsedUp(line))) {
    k.as('blend', clause, n, 'blend');
    return;
  }
  if (mentions.length === 0 && !unlistedWater(body)) {
    // "Whisk constantly", "toss occasionally".
    if (minutesIn(text) !== undefined && k.here?.isHot === true && /\bstir|\bwhisk/i.test(text)) {
      doCook(k, clause, n);
      return;
    }
    k.put(HOW_ONLY.test(text) ? 'setting' : 'remark', n);
    return;
  }
  if (/\bto coat\b/i.test(body) && mentions.every(({ line }) => k.isUsedUp(line))) {
    k.put('setting', n);
    return;
  }
  const isYolks = mentions.some(({ line }) => k.lineOf(line)?.taken.role === 'yolk' && !k.isUsedUp(line));
  const isStarch = mentions.some(
    ({ line }) => /cornflour|starch|arrowroot/.test(k.lineOf(line)?.taken.row.id ?? '') && !k.isUsedUp(line),
  );
  if ((isYolks || isStarch) && !/\binto the (?:soup|pan|pot)\b|\bin the (?:yolk|egg)/i.test(body)) {
    const bowl = k.fresh('bowl', clause.section);
    const { added } = k.putLines(bowl, [...mentions, ...unlisted(k, body, clause, mentions)], body, n);
    const back = k.here;
    k.here = bowl;
    k.put(isYolks ? 'prepare' : 'add', n, { vessel: bowl.name, lines: added });
    k.here = back ?? bowl;
    return;
  }
  doAdd(k, clause, n);
}

/** "Mix the horseradish with the rest of the cream. Serve with a dollop of the horseradish cream": beside the soup, which is blended. */
function isForTheTop(k: Kitchen, clause: Clause, n: number, all: readonly Mention[]): boolean {
  const mentions = all.filter(({ line }) => !k.isUsedUp(line));
  if (!k.isFinished() || k.placeIn(clause.text) !== undefined || mentions.length < 2) return false;
  if (
    /\b(?:in|into|to|through) (?:the )?(?:soup|pan|pot|it)\b/i.test(clause.text) ||
    /^(?:\w+ )?(?:in|into)\b/i.test(k.body(clause).replace(/^\S+ /, ''))
  )
    return false;
  return k.clauses
    .slice(n + 1)
    .filter(({ text }) => /\b(?:serve|garnish|top|dollops?|swirl|spoon|drizzle|scatter|finish)\w*\b/i.test(text))
    .some(({ text, section }) => {
      const later = new Set(k.names.mentions(text, section, () => false).map(({ line }) => line));
      return (
        mentions.every(({ line }) => later.has(line)) ||
        (mentions.some(({ line }) => later.has(line)) && /\bdollops?\b|\bspoon(?:ful)?\b|\bswirl|\bblob/i.test(text))
      );
    });
}

function unlistedWater(body: string): boolean {
  return /\bwater\b/i.test(body);
}

export function doWrap(k: Kitchen, clause: Clause, n: number): void {
  const mentions = k.withPrepared(k.mentions(k.body(clause), clause), k.body(clause), clause);
  if (mentions.length === 0) {
    k.put('setting', n);
    return;
  }
  const tray = k.here?.kind === 'tray' && !k.here.isHot ? k.here : undefined;
  const isAlone = tray === undefined || mentions.every(({ line }) => !tray.lines.has(line));
  if (tray !== undefined && !isAlone) {
    k.put('setting', n);
    return;
  }
  const parcel = newVessel(
    `Foil parcel${k.vessels.some(({ name }) => name === 'Foil parcel') ? ' 2' : ''}`,
    'tray',
    clause.section,
  );
  k.vessels.push(parcel);
  const { added } = k.putLines(parcel, mentions, clause.text, n);
  k.put('add', n, { vessel: parcel.name, lines: added });
  if (tray === undefined) k.here = parcel;
  // "Wrap the beets in foil, oven 180 fan, 1 hr 30": heated in the same breath.
  const oven = clause.text.search(/\b(?:in (?:the |a )?(?:hot )?)?oven\b/i);
  if (oven >= 0 && minutesIn(clause.text) !== undefined && tray === undefined)
    k.as('roast', { ...clause, text: `roast ${clause.text.slice(oven)}`, verb: 'roast', verbAt: 0 }, n);
}

/** "the quince joining them after 25": a tray that is filled in two goes. */
export function doJoin(k: Kitchen, clause: Clause, n: number): void {
  const subject = clause.text.slice(0, clause.verbAt);
  const mentions = k.mentions(subject, clause).filter(({ line }) => !k.isUsedUp(line));
  const vessel = k.here;
  const after = minutesIn(clause.text);
  if (vessel === undefined || mentions.length === 0) {
    k.put('remark', n);
    return;
  }
  if (vessel.kind === 'tray' && after !== undefined && joinsLater(k, vessel, mentions, () => middleOf(after), n)) return;
  const { added } = k.putLines(vessel, mentions, clause.text, n);
  k.put('add', n, { vessel: vessel.name, lines: added });
}
