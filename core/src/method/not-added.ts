import type { Clause } from './clauses.js';
import { doRoast } from './heat.js';
import { LEAST_OF_SOUP, type Kitchen, type SetPhrase } from './kitchen.js';
import { lift } from './lift.js';
import { minutesIn, ovenIn, partOf } from './measures.js';
import { joinAll } from './moved.js';
import { onTop } from './top.js';
import { isHob } from './vessel.js';
import { intoVessel } from './into-vessel.js';
import { A_FEW } from './usual.js';

/** "Break the tops into florets and put to one side." */
const putAside: SetPhrase = (k, clause, n) => {
  if (
    !/^(?:and |then )*(?:put|place|pop|move)\b(?: (?:it|them|these|those|this))? (?:(?:to|on) one side|aside|by)\b/i.test(
      clause.text,
    )
  )
    return false;
  k.as('set', { ...clause, text: 'set aside', verb: 'set', verbAt: 0 }, n);
  return true;
};

/** "Cut into florets – put a few tiny ones by for later." */
const fewPutBy: SetPhrase = (k, clause, n) => {
  const [only, ...others] = k.cutBefore();
  const isFew =
    /^(?:and |then )*(?:put|set|place|pop|leave) (?:a few|some|a couple|a handful)(?: (?:of the )?[\w-]+)? (?:ones|bits|pieces) (?:by|aside|back|to one side)\b/i.test(
      clause.text,
    );
  if (!isFew || only === undefined || others.length > 0) return false;
  const name = (k.lineOf(only)?.taken.row.name.split(',')[0] ?? '').toLowerCase();
  k.as('reserve', { ...clause, text: `reserve a few of the ${name}`, verb: 'reserve', verbAt: 0 }, n, 'reserve');
  return true;
};

/** "Scrape the cobs to release their milk." */
const cobsScraped: SetPhrase = (k, { text }, n) => {
  if (!/^(?:and |then )*scrape\b.*\b(?:cobs?|ears?)\b/i.test(text)) return false;
  k.put('prepare', n, { vessel: undefined });
  return true;
};

/** "Ladle out 2 cups of beans and reserve": how much that is of what has swollen nobody says. */
const ladledOut: SetPhrase = (k, clause, n) => {
  const out = /^(?:and |then )*(?:ladle|scoop|spoon|dip|lift) out (?:[^.;]*? of )?(?:the |some |a few )?(.+)$/i.exec(clause.text);
  const lifted = out === null ? [] : k.mentions(out[1] ?? '', clause).filter(({ line }) => k.isUsedUp(line) && !k.isLiquid(line));
  if (lifted.length === 0 || k.here === undefined || !lifted.every(({ line }) => k.here?.lines.has(line) === true)) return false;
  const kept = k.clauses
    .slice(n, n + 2)
    .some(({ text, sentence }) => sentence === clause.sentence && /\b(?:reserve|keep|set aside|save|aside)\b/i.test(text));
  const some = lifted.map((one) => ({ ...one, vague: true as const }));
  lift(k, n, some, kept, partOf(clause.text) ?? A_FEW);
  return true;
};

/** "Ladle it out, swirl of coconut cream, pepitas." */
const bowlsFilled: SetPhrase = (k, clause, n) => {
  const filled =
    /^(?:and |then )*ladle (?:it|that|the soup|this)?(?: \w+)? ?(?:out|up|into (?:the |your |warm )?(?:\w+ )?bowls?)\b,?\s*(.*)$/i.exec(
      clause.text,
    );
  if (filled === null || !k.isFinished() || /\bof\b.*\breserve\b/i.test(clause.text)) return false;
  k.put('serve', n);
  const above = k.mentions(filled[1] ?? '', clause);
  if (above.length > 0) onTop(k, above, filled[1] ?? '', n);
  return true;
};

/** What is said with a verb of putting, told before anything in brackets is looked at. */
export const NOT_GOING_IN: readonly SetPhrase[] = [putAside, fewPutBy, cobsScraped, ladledOut, bowlsFilled];

/** "Drop them into a bowl of water with the juice of half the lemon": so that nothing browns, and no water of the soup's. */
function isInWater(k: Kitchen, clause: Clause, n: number): boolean {
  const body = k.body(clause);
  const isBowl =
    /\b(?:bowl|bucket|basin|sink|bath|tub|pan|pot)(?:ful)? of (?:[\w-]+ ){0,3}water\b/i.test(body) ||
    /\b(?:in|into) (?:some |plenty of )?(?:cold )?(?:acidulated|lemony|lemon|vinegared) water\b/i.test(body) ||
    // "Into water with the lemon as you slice them."
    /\b(?:in|into) (?:some |plenty of )?(?:cold )?water (?:with|and|plus) (?:[\w-]+ ){0,4}(?:lemon|vinegar|lime)\b/i.test(body);
  if (!isBowl || /\b(?:boil\w*|simmer\w*|salted|hot|iced?|ice-cold)\b/i.test(body)) return false;
  const lines = k.about(clause).filter(({ line }) => {
    const row = k.lineOf(line)?.taken.row;
    return row !== undefined && row.softening > 0 && !k.isUsed(line) && !/^(?:lemon|lime)/.test(row.id);
  });
  if (lines.length === 0) return false;
  k.put('prepare', n, { vessel: undefined, lines: lines.map(({ line }) => ({ line })) });
  return true;
}

/** "In a colander, with salt, for 20 minutes; rinse and dry": what salt draws out, and nothing of it goes into the soup. */
function isDrawn(k: Kitchen, clause: Clause, n: number): boolean {
  const body = k.body(clause);
  if (k.vessels.some(({ isHot }) => isHot)) return false;
  const ahead = k.clauses.slice(n + 1, n + 1 + RINSED_WITHIN).some(({ text }) => /\brins(?:e|ed|ing)\b/i.test(text));
  if (!ahead) return false;
  const isInColander = /\b(?:colander|sieve|strainer)\b/i.test(body);
  const mentions = k.mentions(body, clause);
  const isSalting =
    /\bsalt\b/i.test(body) &&
    mentions.every(({ line }) => (k.lineOf(line)?.taken.row.id ?? '').endsWith('salt') || !k.isUsedUp(line));
  if (!isInColander && !isSalting) return false;
  const lines = mentions.filter(({ line }) => !(k.lineOf(line)?.taken.row.id ?? '').endsWith('salt')).map(({ line }) => ({ line }));
  k.put('prepare', n, { vessel: undefined, lines });
  return true;
}
/** So many clauses at most lie between the salting and the rinsing. */
const RINSED_WITHIN = 4;

/** "Pour in the corn stock": the one that was boiled and strained before, in a pot of its own. */
function isOwnStock(k: Kitchen, clause: Clause, n: number): boolean {
  const body = k.body(clause);
  const { here } = k;
  const stock = k.open().find((one) => one.isStock && one !== here && isHob(one));
  if (stock === undefined || here === undefined || !isHob(here) || !/\b(?:stock|broth|liquor)\b/i.test(body)) return false;
  if (k.all.some(({ taken }) => taken.row.group === 'liquids' && taken.row.id.includes('stock'))) return false;
  const lines = [...stock.lines].filter((line) => !k.isGoneFrom(stock, line)).map((line) => ({ line }));
  k.move(stock, here, n);
  // How much of it is said, and all of it goes in: told.
  k.put('join', n, { vessel: here.name, lines, assumed: /\d/.test(body) ? ['SHARE'] : [] });
  const others = k.mentions(body, clause).filter(({ line }) => !k.isUsedUp(line));
  if (others.length > 0) intoVessel(k, clause, n, here, others, false);
  here.isWet = true;
  return true;
}

/** A clause that names no food, or only what has gone in already. */
function namesNothing(k: Kitchen, clause: Clause): boolean {
  return k.mentions(k.body(clause), clause).length === 0;
}

/** A phrase without a food of its own that comes to a setting. */
function onlySet(words: RegExp, where: 'text' | 'body' = 'text'): SetPhrase {
  return (k, clause, n) => {
    if (!words.test(where === 'text' ? clause.text : k.body(clause)) || !namesNothing(k, clause)) return false;
    k.put('setting', n);
    return true;
  };
}

/** "Pour it back in", of a soup of which nothing was kept whole. */
const pouredBack: SetPhrase = (k, { text }, n) => {
  const isBack = /^(?:and |then )?(?:stir|pour|tip|mix) (?:it |this )?back in\b/i.test(text);
  if (!isBack || k.here?.isBlended !== true || k.here.aside.size > 0) return false;
  k.put('setting', n);
  return true;
};

const thrownAway: SetPhrase = (k, clause, n) => {
  if (!/^throw (?:out|away)\b/i.test(k.body(clause))) return false;
  k.as('remove', { ...clause, text: clause.text.replace(/\bthrow (?:out|away)\b/i, 'remove') }, n, 'remove');
  return true;
};

const ICED = /\b(?:ice|iced|ice-cold)[- ](?:cold )?water\b|\bice (?:and|&) water\b|\bice[- ]bath\b/i;

/** "Fill a bowl with iced water", "plunge into the iced water": what was blanched is drained, a blended soup cools, and no water goes in. */
function iced(k: Kitchen, clause: Clause, n: number): boolean {
  if (!ICED.test(clause.text) || !k.mentions(k.body(clause), clause).every(({ line }) => k.isUsedUp(line))) return false;
  const { here } = k;
  if (clause.verb === 'fill' || here?.isHot !== true) k.put('setting', n);
  else if (here.isBlended) k.as('cool', clause, n);
  else if (here.isWet && here.lines.size > LEAST_OF_SOUP) k.as('cool', { ...clause, text: 'cool over ice', verbAt: 0 }, n, 'cool');
  else if (here.isWet) k.as('drain', { ...clause, text: 'drain', verbAt: 0 }, n, 'drain');
  else k.put('setting', n);
  return true;
}

/** "Use a stick blender", "put it through the blender". */
const byBlade: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  const isUsed =
    clause.verb === 'use' &&
    (/\bto (?:pur[ée]e|blend|blitz|whizz?|liquidi[sz]e|process)\b/i.test(text) ||
      (/\b(?:stick|hand|immersion|wand|jug)?[- ]?(?:blender|liquidi[sz]er)\b/i.test(text) && namesNothing(k, clause)));
  const isThrough = /\b(?:through|thru) (?:(?:a|the|your) )?(?:blender|liquidi[sz]er|food processor)\b/i.test(text);
  if (!isUsed && !isThrough) return false;
  k.as('blend', clause, n, 'blend');
  return true;
};

const bySlottedSpoon: SetPhrase = (k, clause, n) => {
  if (clause.verb !== 'use' || !/\bslotted spoon\b/i.test(clause.text)) return false;
  if (!k.mentions(k.body(clause), clause).every(({ line }) => k.isUsedUp(line))) return false;
  k.as('remove', { ...clause, text: 'remove with a slotted spoon to a plate', verbAt: 0 }, n, 'remove');
  return true;
};

/** "Tip the two together." */
const allTogether: SetPhrase = (k, clause, n) =>
  /^\w+ (?:the two|both|the lot|them all|everything|all)(?: \w+){0,2} together\b/i.test(k.body(clause)) && joinAll(k, n);

const throughSieve: SetPhrase = (k, clause, n) => {
  if (!/\b(?:through|via) (?:a |the )?(?:\w+[ -])*(?:sieve|strainer|mouli|food mill|chinois|colander)\b/i.test(clause.text))
    return false;
  k.as('strain', clause, n);
  return true;
};

const backToBoil: SetPhrase = (k, clause, n) => {
  if (!/\b(?:return|bring|come|back) to (?:the|a) (?:boil|simmer)\b/i.test(clause.text) || !namesNothing(k, clause)) return false;
  k.as('bring', clause, n);
  return true;
};

/** "Use within three days." */
const usedWithin: SetPhrase = (k, { text }, n) => {
  if (!/\b(?:within|for up to) (?:\d+|one|two|three|four|five) (?:days?|months?|weeks?)\b/i.test(text)) return false;
  k.put('store', n);
  return true;
};

const fatPouredOff: SetPhrase = (k, clause, n) => {
  if (!/^(?:pour|tip|spoon|ladle|drain) (?:off|away|out)\b.*\b(?:fat|oil|grease|drippings?)\b/i.test(k.body(clause))) return false;
  k.put('setting', n);
  return true;
};

const lidPutOn: SetPhrase = (k, clause, n) => {
  if (!/\b(?:a|the) (?:tight[- ]fitting )?lid\b/i.test(k.body(clause)) || !namesNothing(k, clause)) return false;
  if (k.here !== undefined) k.here.lid = 'on';
  k.put('setting', n);
  return true;
};

const IN_THE_OVEN =
  /\b(?:put|place|pop|slide|return|bung|shove|get|whack|stick|set)\b.*\b(?:in|into|to) (?:the|a|your)(?: (?:very )?(?:hot|preheated|moderate|medium|heated))?(?: ?\d{2,3} ?(?:°|º|degrees?)? ?[CF]?)? ?oven\b/i;

const intoOven: SetPhrase = (k, clause, n) => {
  const { text } = clause;
  if (!IN_THE_OVEN.test(k.body(clause)) || !namesNothing(k, clause)) return false;
  const isTimedBehind = minutesIn(k.clauses[n + 1]?.text ?? '') !== undefined && k.clauses[n + 1]?.verb === undefined;
  if (minutesIn(text) !== undefined || ovenIn(text, k.context.country) !== undefined || isTimedBehind) doRoast(k, clause, n);
  else k.put('setting', n);
  return true;
};

/** What is said with a verb of putting and puts nothing into the pot, or something else than it names. */
export const SAID_AS_ADDED: readonly SetPhrase[] = [
  isInWater,
  isDrawn,
  isOwnStock,
  onlySet(/\b(?:back )?(?:on|over|onto|to) (?:the|a) (?:very )?(?:low |gentle |medium |lowest )?(?:heat|hob|stove|flame)$/i),
  pouredBack,
  thrownAway,
  iced,
  byBlade,
  bySlottedSpoon,
  allTogether,
  throughSieve,
  backToBoil,
  usedWithin,
  fatPouredOff,
  lidPutOn,
  intoOven,
];

/** "Pour this tempering over the soup": into the pot that it is for, and not bowl by bowl. */
export function isTempering(k: Kitchen, { text }: Clause, n: number): boolean {
  const { here } = k;
  if (
    !/\b(?:temper(?:ing)?|tadka|tarka|chaunk|sizzling (?:oil|butter|ghee)|(?:flavou?red|spiced|infused) (?:oil|butter|ghee))\b/i.test(
      text,
    )
  )
    return false;
  if (/\b(?:each|bowls?|to serve|portions?)\b/i.test(text) || here === undefined || !isHob(here) || here.isWet) return false;
  const pot = k.open().findLast((one) => one !== here && isHob(one) && (one.isWet || one.isBlended) && !one.isForTop);
  if (pot === undefined) return false;
  const lines = [...here.lines].map((line) => ({ line }));
  k.move(here, pot, n);
  k.put('join', n, { vessel: pot.name, lines });
  k.here = pot;
  return true;
}
